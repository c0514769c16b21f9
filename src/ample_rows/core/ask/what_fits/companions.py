"""Neighbours that do a crop good or ill, among what stands in the bed when it would be planted."""

from collections import defaultdict
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample_rows.core.book import Book, Crop
from ample_rows.core.book.crop import Relative
from ample_rows.core.planting.report import PlantingReport

_GRADES = ("tested", "some", "belief")


@dataclass(frozen=True, slots=True)
class Companion:
    """Those that would stand in the same bed, and what is said of them."""

    name: str
    effect: str
    evidence: Literal["tested", "some", "belief"]
    good: bool


def companions_of(
    crop: Crop, standing: Iterable[PlantingReport], day: date, book: Book
) -> tuple[Companion, ...]:
    """What is known of a crop with those that stand on a day, the best proven first.

    Either record may name the other; a kind counts as its crop.
    """
    there = {r.crop: r.name for r in standing if r.start_date <= day < (r.clear_date or date.max)}
    names: dict[Relative, set[str]] = defaultdict(set)
    for other, name in there.items():
        for relative in _between(crop, book.crops[other], book):
            names[relative.model_copy(update={"crop": ""})].add(name)
    companions = [
        Companion(" and ".join(sorted(of)), relative.effect, relative.evidence, relative.good)
        for relative, of in names.items()
    ]
    return tuple(sorted(companions, key=lambda c: (_GRADES.index(c.evidence), c.name, c.effect)))


def _between(crop: Crop, other: Crop, book: Book) -> Iterator[Relative]:
    for one, beside in ((crop, other), (other, crop)):
        of_all_kinds = book.crops[one.variety_of].relatives if one.variety_of else ()
        for relative in (*one.relatives, *of_all_kinds):
            if relative.crop in (beside.id, beside.variety_of):
                yield relative
