"""Ids for what the program adds to a plan by itself."""

_STEM = 56


def free_ident(stem: str, taken: set[str]) -> str:
    """The stem with the lowest number from 2 that no other has; it is then taken."""
    number = 2
    while f"{stem[:_STEM]}-{number}" in taken:
        number += 1
    ident = f"{stem[:_STEM]}-{number}"
    taken.add(ident)
    return ident
