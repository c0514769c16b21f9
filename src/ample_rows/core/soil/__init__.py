"""Soil: the litres a place takes, what they are mixed from, cost and weigh."""
