"""Questions that a screen asks apart from the estimate."""
