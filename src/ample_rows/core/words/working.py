"""Workings: how a figure came to be, set like a sum done by hand."""

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import wraps
from typing import ParamSpec

from ample_rows.core.words.message import Text

P = ParamSpec("P")


@dataclass(frozen=True, slots=True, kw_only=True)
class Term:
    """One line of a working: a named value, where it came from, its source, and its rule."""

    name: Text
    value: float | int | Text | None
    unit: str
    how: Text
    source: Text
    rule: str = ""


Terms = tuple[Term, ...]


def of_rule(rule: str) -> Callable[[Callable[P, Terms]], Callable[P, Terms]]:
    """Mark a sum as worked out by one rule of the book: each of its lines names it."""

    def marked(working: Callable[P, Terms]) -> Callable[P, Terms]:
        @wraps(working)
        def with_rule(*args: P.args, **kwargs: P.kwargs) -> Terms:
            return tuple(replace(term, rule=rule) for term in working(*args, **kwargs))

        return with_rule

    return marked


def crop_source(sources: dict[str, str], group: str) -> str:
    return f"Crop book, {group}: {sources[group]}"
