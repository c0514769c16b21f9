"""Ids for what the program adds to a plan by itself."""

import re

_STEM = 56
_YEAR = re.compile(r"-\d{4}$")


def later_ident(before: str, year: int | str) -> str:
    """What a planting is called that is begun again in a later year: by its first name and the
    year, so that it is told from the one before and known as its successor."""
    return f"{_YEAR.sub('', before)[:_STEM]}-{year}"


def free_ident(stem: str, taken: set[str]) -> str:
    """The stem with the lowest number from 2 that no other has; it is then taken."""
    number = 2
    while f"{stem[:_STEM]}-{number}" in taken:
        number += 1
    ident = f"{stem[:_STEM]}-{number}"
    taken.add(ident)
    return ident
