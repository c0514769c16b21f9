"""How the core says things in words, the same everywhere."""

from datetime import date


def day_words(day: date) -> str:
    """A day of the plan's year as a gardener says it: "5 May"."""
    return f"{day.day} {day:%B}"
