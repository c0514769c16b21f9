"""The page of methods: every rule with the very records that the rules read."""

from dataclasses import dataclass

from ample_rows.core.book import Book, Coefficient, Rule


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
    words = name.replace("_", " ")
    return words[:1].upper() + words[1:]
