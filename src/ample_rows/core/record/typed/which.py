"""Which plantings, crops and places the words of a typed line mean."""

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.likely import likely_picked
from ample_rows.core.record.row import kinds_of
from ample_rows.core.record.typed.amounts import UNITS
from ample_rows.core.record.typed.words import stem, stems


@dataclass(frozen=True, slots=True)
class LineContext:
    """What a line is read against: the garden's plan and plantings, its book, the day it is of,
    the unit that was typed last (kg, g, lb, oz or pieces), and pickings of the last weeks."""

    plan: p.Plan
    reports: Sequence[PlantingReport]
    book: Book
    day: date
    unit: str = "kg"
    lately: Sequence[Entry] = ()


@dataclass(frozen=True, slots=True)
class Meant:
    """The plantings that most of the words fit, the likeliest first, or else a crop of the book
    that nowhere grows; and the words that are part of no name."""

    plantings: tuple[PlantingReport, ...]
    nowhere: str | None
    unread: tuple[str, ...]


def meant(words: Iterable[str], here: LineContext, numbered: str | None) -> Meant:
    """What is meant by the words of a line.

    A crop whose whole name is said is not taken for another one that shares a word of it: "autumn
    raspberry" is no autumn-sown onion.

    Args:
        numbered: The place that a name with its number has said already.
    """
    plan, book = here.plan, here.book
    reports = [report for report in here.reports if numbered in (None, report.place)]
    asked = {stem(word): word for word in words}
    labels = {place.id: stems(place.label) for place in plan.places}
    kinds = {planting.id: kinds_of(planting) for planting in plan.plantings}
    vocabulary = {
        report.id: (
            stems(*(name for kind in kinds[report.id] for name in _names(kind, book))),
            labels[report.place] | set(report.cells),
        )
        for report in reports
    }
    fits = {
        report.id: sum(
            # "Rhubarb" of "asparagus, Rhubarb bed" says the bed; a word counts once.
            2 if stem in crop else int(stem in place or word in place)
            for stem, word in asked.items()
        )
        for report in reports
        for crop, place in [vocabulary[report.id]]
        if asked.keys() & crop
    }
    best = max(fits.values(), default=0)
    found = [report for report in reports if best and fits.get(report.id) == best]
    known = set().union(*(crop | place for crop, place in vocabulary.values()), *labels.values())
    said_of_beds = set().union(*(label for label in labels.values() if label <= asked.keys()))
    nowhere, called = crop_named(asked.keys() - said_of_beds, book)
    by_crop = asked.keys() & vocabulary[found[0].id][0] if found else set()
    if len(called) <= len(by_crop) or called <= by_crop:
        nowhere, called = None, set()
    if nowhere:
        found, known = [], set().union(called, *labels.values())
    ranked = likely_picked(found, here.day, here.lately) if len(found) > 1 else found
    unread = (word for stem, word in asked.items() if stem not in known and word not in known)
    return Meant(tuple(ranked), nowhere, tuple(unread))


def crop_named(said: Iterable[str], book: Book) -> tuple[str | None, set[str]]:
    """The crop of the book one of whose names is all said, the longest such name first, and the
    words of that name.

    Args:
        said: Words without their plurals.
    """
    asked = set(said)
    named = [
        (called, crop.id)
        for crop in book.crops.values()
        for name in (crop.name, *crop.names)
        if (called := stems(name)) and called <= asked
    ]
    called, crop = max(named, key=lambda one: len(one[0]), default=(set[str](), None))
    return crop, called


def kind_meant(words: Iterable[str], planting: p.Planting, book: Book) -> str | None:
    """Of a mixed planting, the kind whose name most of the words are; None where none is."""
    asked = {stem(word) for word in words}
    fits = {kind: len(asked & stems(*_own_names(kind, book))) for kind in kinds_of(planting)}
    best = max(fits.values())
    fit = [kind for kind, score in fits.items() if score == best]
    return fit[0] if best and len(fit) == 1 and len(fits) > 1 else None


def numbered_place(text: str, plan: p.Plan) -> tuple[str | None, str]:
    """The place whose name with its number stands in a line, "pot 3", and the line without it, so
    that the number is no amount."""
    for place in plan.places:
        if any(letter.isdigit() for letter in place.label):
            name = re.escape(place.label)
            named = re.compile(rf"(?<!\w){name}(?![\w.,]|\s*(?:{UNITS})\b)", re.I)
            if named.search(text):
                return place.id, named.sub(" ", text, count=1)
    return None, text


def place_named(words: Iterable[str], plan: p.Plan) -> str | None:
    """The place of whose name most words stand in the line, where one has more than the rest."""
    asked = {stem(word) for word in words}
    scores = {place.id: len(asked & stems(place.label)) for place in plan.places}
    best = max(scores.values(), default=0)
    named = [ident for ident, score in scores.items() if best and score == best]
    return named[0] if len(named) == 1 else None


def _own_names(kind: str, book: Book) -> tuple[str, ...]:
    crop = book.crops.get(kind)
    return (crop.name, *crop.names) if crop else ()


def _names(crop: str, book: Book) -> Iterable[str]:
    record: Crop | None = book.crops.get(crop)
    while record is not None:
        yield from (record.name, *record.names)
        record = book.crops.get(record.variety_of) if record.variety_of else None
