"""The page of methods: every rule with the very records that the rules read."""

import re
from dataclasses import dataclass

from ample_rows.core.book import Book, Coefficient, Rule

# The unit that a coefficient's name ends on, as names carry it; it stands beside the figure.
_UNIT = re.compile(
    r"( (l|m) per min| (n g|kg) per (m2|litre)| c( a)?( week| cm)?| m2 day"
    r"| (kg |litres )?m2|( a)? cm| mm| m| g| kg| deg| mpa| kpa)$"
)


@dataclass(frozen=True, slots=True)
class Number:
    """A coefficient by its name in words."""

    name: str
    record: Coefficient


@dataclass(frozen=True, slots=True)
class Method:
    """One rule of the core; workings name it by `id`."""

    id: str
    rule: Rule
    numbers: tuple[Number, ...]


def methods(book: Book) -> tuple[Method, ...]:
    """All rules in the order of the work."""
    return tuple(
        Method(
            ident,
            rule,
            tuple(Number(_words(name), book.coefficients[name]) for name in rule.coefficients),
        )
        for ident, rule in book.rules.items()
    )


def _words(name: str) -> str:
    """A coefficient's name as it is read, its unit standing apart."""
    words = _UNIT.sub("", name.replace("_", " "))
    return words[:1].upper() + words[1:]
