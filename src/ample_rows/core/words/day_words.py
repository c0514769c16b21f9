"""How the core says things in words, the same everywhere."""

from datetime import date


def day_words(day: date, *, american: bool = False) -> str:
    """A day of the plan's year as a gardener says it: "5 May", or "May 5" in America."""
    return f"{day:%B} {day.day}" if american else f"{day.day} {day:%B}"
