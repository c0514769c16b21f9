"""Families that are usually covered: what they take, and what keeping them together saves."""

import itertools
from collections.abc import Iterator
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, CoverKind
from ample_rows.core.carpentry.cover_size import (
    beneath,
    box_cm,
    cells_under,
    size_over,
)
from ample_rows.core.edits import ChangePlace
from ample_rows.core.geometry.cells import grid_of, span_words
from ample_rows.core.notes.note import Fix
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.message import Area, Message, Text, Value, listed, message

_WORTH_MOVING = 0.9


@dataclass(frozen=True, slots=True)
class CoverAdvice:
    """A family that is usually covered: its squares, the cloth it takes as it stands and the
    cloth it would take kept together in one block, and the edit that covers it. [m2]"""

    kind: str
    label: str
    family: str
    crops: tuple[str, ...]
    where: str
    apart_m2: float
    together_m2: float
    words: Text
    cover: Fix


def cover_advice(place: p.Place, grown: tuple[Evaluated, ...], book: Book) -> Iterator[CoverAdvice]:
    """Families that are usually covered and are not, on their fullest day."""
    for name, kind in book.covers.items():
        for family in kind.families:
            of_family = [e for e in grown if e.crop.family == family and e.report.plants]
            group = _together_on_fullest_day(of_family)
            bare = [e for e in group if not _covered(place, e, name)]
            if bare:
                yield _advised(place, bare, (name, family), book)


def _together_on_fullest_day(family: list[Evaluated]) -> list[Evaluated]:
    groups = [
        [other for other in family if other.dates.start <= e.dates.start < other.dates.clear]
        for e in family
    ]
    return max(groups, key=lambda g: sum(len(e.report.cells) for e in g), default=[])


def _covered(place: p.Place, e: Evaluated, kind: str) -> bool:
    return any(
        cover.kind == kind and beneath(e, cover, cells_under(place, cover))
        for cover in place.covers
    )


def _advised(
    place: p.Place, bare: list[Evaluated], asked: tuple[str, str], book: Book
) -> CoverAdvice:
    name, family = asked
    kind = book.covers[name]
    sizes = [
        size_over(*box_cm(place, e.report.cells), max(e.report.growth.height_cm), kind, book)
        for e in bare
    ]
    apart = sum(size.cloth_m2 for size in sizes)
    cells = tuple(dict.fromkeys(c for e in bare for c in e.report.cells))
    tallest = max(max(e.report.growth.height_cm) for e in bare)
    across = min(*box_cm(place, tuple(grid_of(place).cells)), book.value("bed_wide_cm"))
    ground_cm2 = sum(grid_of(place).cells[a].area_cm2 for a in cells)
    together = size_over(across, ground_cm2 / across, tallest, kind, book).cloth_m2
    crops = tuple(dict.fromkeys(e.crop.name for e in bare))
    return CoverAdvice(
        kind=name,
        label=kind.label,
        family=family,
        crops=crops,
        where=span_words(list(cells)),
        apart_m2=apart,
        together_m2=min(apart, together),
        words=_advice_words(kind, family, crops, (apart, together)),
        cover=Fix(
            label=message("advice-cover", kind=kind.label), edit=_covering(place, name, bare)
        ),
    )


def _advice_words(
    kind: CoverKind, family: str, crops: tuple[str, ...], cloth_m2: tuple[float, float]
) -> Message:
    apart, together = cloth_m2
    cloth: Value = Area(apart)
    if together < _WORTH_MOVING * apart:
        cloth = message("advice-apart-or-together", apart=cloth, together=Area(together))
    return message(
        "advice-keeps-off",
        kind=kind.label,
        families=kind.families[family],
        crops=listed(crops, "and"),
        cloth=cloth,
    )


def _covering(place: p.Place, kind: str, bare: list[Evaluated]) -> ChangePlace:
    """The edit that covers each of some plantings from its first day to its last."""
    taken = {cover.id for cover in place.covers}
    free = (n for i in itertools.count(1) if (n := f"cover-{i}") not in taken)
    new = [
        {
            "id": next(free),
            "kind": kind,
            "cells": list(e.report.cells),
            "since": e.dates.start.isoformat(),
            "until": e.dates.clear.isoformat(),
        }
        for e in bare
    ]
    covers = [*(p.document(cover) for cover in place.covers), *new]
    return ChangePlace(id=place.id, changes={"covers": covers})
