"""From the book's yield to this garden's: what each factor gives or takes, step by step."""

from collections import defaultdict
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from ample_rows.core.ask.pantry.supply import total_of
from ample_rows.core.book import Book
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.words.message import Message, Text, listed, message

_SAID = 0.005
"""Steps of less than this share of the first are left out."""


@dataclass(frozen=True, slots=True)
class FactorStep:
    """One step from the book's yield towards what is likely here; `kg` is where it leads. [kg]"""

    name: Message
    how: Text
    change_kg: float
    kg: float


@dataclass(frozen=True, slots=True)
class CropFactors:
    """All steps of a crop, its plantings together. [kg]"""

    crop: str
    plants: int
    book_kg: float
    steps: tuple[FactorStep, ...]
    harvest_kg: Quantiles


def crop_factors(crop: str, grown: Sequence[Evaluated], seasons: int, book: Book) -> CropFactors:
    """How a crop comes from so many plants at the book's yield to its likely harvest."""
    changes: dict[str, float] = defaultdict(float)
    begun = 0.0
    for e in grown:
        kg = _book_kg(e)
        begun += kg
        for name, factor in _factors(e):
            changes[name] += kg * (factor - 1)
            kg *= factor
    words = {**_HOW, "losses": _losses(grown, book)}
    steps, kg = [], begun
    for name, change in changes.items():
        kg += change
        if abs(change) >= _SAID * begun:
            steps.append(FactorStep(_NAMES[name], words[name], change, kg))
    return CropFactors(
        crop=crop,
        plants=sum(e.report.plants for e in grown),
        book_kg=begun,
        steps=tuple(steps),
        harvest_kg=total_of(grown, seasons),
    )


_NAMES = {
    "gaps": message("factor-gaps"),
    "losses": message("factor-losses"),
    "spacing": message("factor-spacing"),
    "depth": message("factor-depth"),
    "light": message("factor-light"),
    "warmth": message("factor-warmth"),
    "winter": message("factor-winter"),
    "seasons": message("factor-seasons"),
    "cut short": message("factor-cut-short"),
    "training": message("factor-training"),
    "this garden": message("factor-this-garden"),
}
_HOW = {
    "gaps": message("factors-nothing-came-up-nothing"),
    "spacing": message("factors-closer-or-wider-than"),
    "depth": message("factors-soil-roots"),
    "light": message("factors-sun-squares"),
    "warmth": message("factors-weeks-against-the-book-s"),
    "winter": message("factors-frost-cold-short-days"),
    "seasons": message("factors-middle-season"),
    "cut short": message("factors-frost-or-clearing-before"),
    "training": message("factors-way-held-up"),
    "this garden": message("factors-what-garden-gave-before"),
}


def _typical(e: Evaluated) -> float:
    spread = e.crop.yield_kg_per_plant
    return spread.typical if spread else 0.0


def _book_kg(e: Evaluated) -> float:
    return _typical(e) * e.report.plants


def _factors(e: Evaluated) -> Iterator[tuple[str, float]]:
    """The factors of a planting in the order in which they are told; their product leads from
    the book's yield to its likely harvest."""
    factors = e.report.factors
    standing = e.report.stand_expected / e.report.plants if e.report.plants else 1.0
    survive = e.crop.survival
    gaps = min(1.0, standing / survive) if survive else 1.0
    yield "gaps", gaps
    yield "losses", standing / gaps if gaps else 0.0
    yield "spacing", factors.density
    yield "depth", factors.depth
    yield "light", factors.light
    yield "cut short", e.report.season.picked
    yield "warmth", e.report.season.warmth
    yield "winter", e.report.season.winter
    yield "training", factors.training
    yield "this garden", factors.own
    likely = e.report.stand_expected * _typical(e) * factors.product
    yield "seasons", e.report.harvest_kg.p50 / likely if likely else 1.0


def _losses(grown: Sequence[Evaluated], book: Book) -> Message:
    """What takes plants before they are picked: the troubles that the crop withstands least."""
    named: dict[str, None] = {}
    for e in grown:
        for trouble, grade in book.withstands(e.crop).items():
            if grade == "little":
                named.setdefault(book.troubles[trouble].label)
    if not named:
        return message("factors-pests-slugs-bolting")
    return message("factors-losses", troubles=listed(list(named)[:3]))
