"""More of what ran short and less of what was left over, in a draft of the next year."""

import math
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.ask.next_year.carried import linked
from ample_rows.core.ask.pantry.wants import root_of, wants_of
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import Grid, grid_of
from ample_rows.core.planting.set_out import crop_grown

_SHORT = 1.2
_OVER = 0.8
_MOST_MORE = 1.5
_LEAST_LEFT = 0.5
_MOST_SQUARES_MORE = 40


@dataclass(frozen=True)
class Stand:
    """Squares that are taken from one day up to another, by a planting of the draft where it is
    one."""

    name: str
    cells: frozenset[str]
    since: date
    until: date | None
    planting: str | None = None

    def meets(self, other: "Stand") -> bool:
        apart = (self.until is not None and self.until <= other.since) or (
            other.until is not None and other.until <= self.since
        )
        return not apart and bool(self.cells & other.cells)


@dataclass(frozen=True, slots=True)
class Resized:
    """A crop of which more or fewer squares are planted than the year before; where nothing is
    free beside it, as many. `wanted_kg` over `gave_kg` says by how much; None by verdict."""

    name: str
    squares_before: int
    squares: int
    wanted_kg: float | None
    gave_kg: float | None


@dataclass(frozen=True, slots=True)
class Wish:
    """How many times as much of a crop is to be planted, and why. [kg]"""

    times: float
    wanted_kg: float | None = None
    gave_kg: float | None = None


def wishes(
    season: Estimate,
    picked_kg: Mapping[str, float],
    verdicts: Mapping[str, str | None],
    *,
    until: date | None = None,
) -> Mapping[str, Wish]:
    """Of which crops more or less is to be planted: by what was picked against what is eaten, by
    the estimate where nothing was weighed or more is still to come; a verdict goes before either.

    Args:
        picked_kg: What was picked in the season by crop, kinds with their crop.
        verdicts: The last verdict on each crop.
        until: The day of the last picking of all; None where the season is over.
    """
    by_table = _by_table(season, picked_kg, until)
    found = {crop: wish for crop, wish in by_table if wish is not None}
    said = {"more": _MOST_MORE, "fewer": _LEAST_LEFT}
    for crop, verdict in verdicts.items():
        if season.book.crops[crop].variety_of is not None:
            continue
        if verdict in said:
            found[crop] = Wish(said[verdict])
        elif verdict == "keep":
            found.pop(crop, None)
    return found


def _by_table(
    season: Estimate, picked_kg: Mapping[str, float], until: date | None
) -> Iterable[tuple[str, Wish | None]]:
    likely: dict[str, float] = {}
    goes_on = set()
    for report in season.report.plantings:
        root = root_of(season.book.crops[report.crop])
        likely[root] = likely.get(root, 0.0) + report.harvest_kg.p50
        if until is not None and report.last_pick is not None and report.last_pick > until:
            goes_on.add(root)
    for crop, want in wants_of(season.plan, season.book).items():
        gave = picked_kg.get(crop) or likely.get(crop, 0.0)
        if crop in goes_on:
            gave = max(gave, likely.get(crop, 0.0))
        times = want.kg / gave if gave > 0 else 1.0
        if _OVER < times < _SHORT:
            yield crop, None
        else:
            bounded = min(_MOST_MORE, max(_LEAST_LEFT, times))
            yield crop, Wish(bounded, want.kg, gave)


def resized(
    bare: p.Plan,
    planted: Sequence[p.Planting],
    stands: Mapping[str, Sequence[Stand]],
    wished: Mapping[str, Wish],
    book: Book,
) -> tuple[list[p.Planting], tuple[Resized, ...]]:
    """A draft's plantings with more or fewer squares of some crops, and what changed.

    What climbs, stands on spots of its own or between others, or has a number of its own, is left
    as it is; more is planted only in squares beside it that are free all the while.
    """
    places = {place.id: place for place in bare.places}
    taken = {ident: list(those) for ident, those in stands.items()}
    now = {planting.id: planting for planting in planted}
    told = []
    for crop, wish in wished.items():
        of = [q for q in planted if root_of(crop_grown(q, book)) == crop and _can_change(q)]
        before = sum(len(q.cells) for q in of)
        if before == 0:
            continue
        target = max(1, math.ceil(before * wish.times - 1e-9))
        if wish.times < 1:
            now |= _fewer(of, before - target)
        else:
            now |= _more(of, min(target - before, _MOST_SQUARES_MORE), places, taken)
        squares = sum(len(now[q.id].cells) for q in of)
        if squares != before:
            name = book.crops[crop].name
            told.append(Resized(name, before, squares, wish.wanted_kg, wish.gave_kg))
    kept = [now[q.id] for q in planted if now[q.id].cells]
    there = {q.id: q.id for q in (*bare.plantings, *kept)}
    return [linked(q, there) for q in kept], tuple(told)


def _can_change(planting: p.Planting) -> bool:
    settled = (planting.support, planting.spots_cm, planting.plants, planting.between)
    return planting.cells != "all" and not any(settled) and not planting.varieties


def _fewer(of: Sequence[p.Planting], spare: int) -> Mapping[str, p.Planting]:
    """Plantings with so many squares fewer, the last sown first."""
    changed = {}
    for planting in sorted(of, key=lambda q: q.start_date, reverse=True):
        cells = planting.cells
        gone = min(spare, len(cells))
        left = tuple(cells[: len(cells) - gone])
        changed[planting.id] = planting.model_copy(update={"cells": left})
        spare -= gone
    return changed


def _more(
    of: Sequence[p.Planting],
    wanted: int,
    places: Mapping[str, p.Place],
    taken: Mapping[str, list[Stand]],
) -> Mapping[str, p.Planting]:
    """Plantings with so many squares more, as far as squares beside them are free."""
    changed = {}
    for planting in sorted(of, key=lambda q: len(q.cells), reverse=True):
        grid = grid_of(places[planting.place])
        there = taken.get(planting.place, [])
        own = next((stand for stand in there if stand.planting == planting.id), None)
        if own is None:
            continue
        cells = list(planting.cells)
        while wanted > 0 and (free := _free_beside(cells, grid, own, there)) is not None:
            cells.append(free)
            wanted -= 1
        if len(cells) > len(planting.cells):
            there[there.index(own)] = replace(own, cells=frozenset(cells))
            changed[planting.id] = planting.model_copy(update={"cells": tuple(cells)})
    return changed


def _free_beside(
    cells: Sequence[str], grid: Grid, own: Stand, there: Iterable[Stand]
) -> str | None:
    """A square that touches these, and is free for as long as they are held; the first by most
    sides that touch."""
    others = [stand for stand in there if stand.planting != own.planting]
    at = {grid.cells[address].spot for address in cells if address in grid.cells}
    best: tuple[int, str] | None = None
    for address, cell in grid.cells.items():
        column, row = cell.spot
        sides = sum((column + dx, row + dy) in at for dx, dy in ((1, 0), (-1, 0), (0, 1), (0, -1)))
        if sides == 0 or cell.spot in at:
            continue
        wanted = replace(own, cells=frozenset({address}))
        if (best is None or sides > best[0]) and not any(o.meets(wanted) for o in others):
            best = (sides, address)
    return best[1] if best else None
