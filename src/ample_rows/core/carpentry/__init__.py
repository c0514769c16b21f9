"""Carpentry: frames, boards and the pieces they are cut into, supports, covers."""
