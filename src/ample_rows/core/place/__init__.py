"""A place: all its plantings together, what they do to each other, and what is left."""
