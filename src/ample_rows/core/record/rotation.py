"""The rotation over the years: which families stood in each place, season by season."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.own import own_book
from ample_rows.core.geometry.cells import cells_of
from ample_rows.core.record.entries import SeasonPlan


@dataclass(frozen=True, slots=True)
class FamilyThere:
    """A family in one place and season, with how many squares it had; `early` where it came back
    to some of them before its rest was over."""

    family: str
    label: str
    crops: tuple[str, ...]
    squares: int
    early: bool


@dataclass(frozen=True, slots=True)
class PlaceYears:
    """One place through the seasons, in their order; empty where nothing stood there."""

    place: str
    name: str
    seasons: tuple[tuple[FamilyThere, ...], ...]


@dataclass(frozen=True, slots=True)
class Rotation:
    """Every place through all seasons."""

    seasons: tuple[str, ...]
    places: tuple[PlaceYears, ...]


def rotation(seasons: Sequence[SeasonPlan], book: Book) -> Rotation:
    """Which families stood where, over some seasons in their order. What stays for years is no
    rotation and is left out."""
    stood = [_stood(season.plan, book) for season in seasons]
    names: dict[str, str] = {}
    for season in seasons:
        names |= {place.id: place.label for place in season.plan.places}
    return Rotation(
        tuple(season.id for season in seasons),
        tuple(
            PlaceYears(
                place,
                name,
                tuple(_season(place, at, stood, book) for at in range(len(seasons))),
            )
            for place, name in names.items()
            if any(place == there for each in stood for there, _ in each)
        ),
    )


_Squares = dict[tuple[str, str], dict[str, set[str]]]


def _stood(plan: p.Plan, book: Book) -> _Squares:
    """Squares of each crop, by place and family."""
    own = own_book(book, plan)
    places = {place.id: place for place in plan.places}
    found: _Squares = defaultdict(lambda: defaultdict(set))
    for planting in plan.plantings:
        crop = own.crops[planting.crop]
        if crop.perennial is None:
            cells = cells_of(places[planting.place], planting.cells)
            found[planting.place, crop.family][crop.name].update(cells)
    return found


def _season(place: str, at: int, stood: Sequence[_Squares], book: Book) -> tuple[FamilyThere, ...]:
    there = []
    for (where, family), crops in stood[at].items():
        if where != place:
            continue
        cells = set().union(*crops.values())
        rest = book.families[family]
        before = stood[max(0, at - rest.rest_years) : at]
        early = any(
            cells & set().union(*each[place, family].values())
            for each in before
            if (place, family) in each
        )
        there.append(FamilyThere(family, rest.label, tuple(crops), len(cells), early))
    return tuple(sorted(there, key=lambda each: -each.squares))
