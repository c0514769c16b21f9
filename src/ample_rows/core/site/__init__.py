"""The site: where places lie in the yard, what shades them, and the sun they get."""
