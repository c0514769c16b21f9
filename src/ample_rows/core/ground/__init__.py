"""The ground: where places lie in the yard, what shades them, and the sun that is left."""
