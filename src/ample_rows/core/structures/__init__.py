"""Structures: supports and covers, and what wind does to them."""
