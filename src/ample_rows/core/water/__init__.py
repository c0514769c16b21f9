"""Water: what the air takes, what rain brings back, and how often a place wants it."""
