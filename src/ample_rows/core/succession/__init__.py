"""Succession: a crop in waves, so that it is picked for weeks and not all at once."""
