"""Workings: how a figure came to be, set like a sum done by hand."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Term:
    """One line of a working: a named value, where it came from, and its source."""

    name: str
    value: float | int | str | None
    unit: str
    how: str
    source: str


def crop_source(sources: dict[str, str], group: str) -> str:
    return f"Crop book, {group}: {sources[group]}"
