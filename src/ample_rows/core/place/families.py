"""Families of crops over the years: what grew in some squares, and how long it should rest."""

from collections.abc import Iterable
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, FamilyRest
from ample_rows.core.geometry.cells import cells_of
from ample_rows.core.words.message import Count, Message, message


@dataclass(frozen=True, slots=True)
class TooSoon:
    """A family that comes back to squares before its rest is over; `year` is its last there."""

    year: int
    crop: str
    cells: tuple[str, ...]
    rest: FamilyRest

    @property
    def words(self) -> Message:
        return message(
            "families-stood-here-without-keep",
            family=self.rest.label,
            year=f"{self.year}",
            crop=self.crop,
            years=Count(self.rest.rest_years, "year"),
            keeps_down=self.rest.keeps_down,
        )


def too_soon(
    place: p.Place, family: str, cells: Iterable[str], year: int, book: Book
) -> TooSoon | None:
    """Whether a family comes back to some squares of a place too soon, by what grew there.

    Args:
        year: The year in which it starts.
    """
    rest, wanted = book.families.get(family), set(cells)
    if rest is None or not rest.rest_years:
        return None
    for grew in sorted(place.grew, key=lambda grew: -grew.year):
        if not 0 <= year - grew.year - 1 < rest.rest_years:
            continue
        kin = next((crop for crop in grew.crops if book.crops[crop].family == family), None)
        if kin is None:
            continue
        shared = tuple(a for a in cells_of(place, grew.cells) if a in wanted)
        if shared:
            return TooSoon(grew.year, book.crops[kin].name, shared, rest)
    return None
