"""Idle ground: cells that stand empty while something could grow."""

from collections import defaultdict
from collections.abc import Iterable, Sequence
from datetime import date
from functools import lru_cache
from itertools import chain

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import GrowingYear, growing_days
from ample_rows.core.geometry.cells import Grid
from ample_rows.core.place.report import IdleSpell

LEAST_SPELL_DAYS = 14

Spell = tuple[int, int]
Spells = tuple[Spell, ...]
Holding = tuple[Sequence[str], date, date]
"""Cells, from a day up to but not including another."""


@lru_cache(maxsize=64)
def _growing_ordinals(year: GrowingYear, book: Book) -> NDArray[np.int64]:
    return np.array([day.toordinal() for day in growing_days(year, book)], dtype=np.int64)


def growing_weeks(since: date, until: date, year: GrowingYear, book: Book) -> float:
    """Weeks of growing weather in a year from one day up to, but not including, another."""
    begins, ends = np.searchsorted(
        _growing_ordinals(year, book), (since.toordinal(), until.toordinal())
    )
    return float(ends - begins) / 7


def idle_ground(
    grid: Grid,
    held: frozenset[str],
    taken: Sequence[Holding],
    year: GrowingYear,
    book: Book,
    *,
    rests: Sequence[Holding],
) -> tuple[float, float, tuple[IdleSpell, ...]]:
    """Cell-weeks without a crop in growing weather, and the spells of two weeks or more.

    Args:
        taken: Cells with the days they are held: from a day up to but not including another.
        rests: Cells with the days they are left empty on purpose: counted, but no spell of them.

    Returns:
        Cell-weeks (part cells by area), those of them rested on purpose, and spells, longest
        ground first.
    """
    season = _growing_ordinals(year, book)
    weeks, rested_weeks = 0.0, 0.0
    gaps: dict[Spell, list[str]] = defaultdict(list)
    ground: dict[Spell, float] = defaultdict(float)
    full = grid.pitch.area_cm2
    for (spans, rested), addresses in _by_use(grid, held, taken, rests).items():
        empty = np.ones(len(season), dtype=bool)
        _without(empty, season, spans)
        area = sum(grid.cells[a].area_cm2 for a in addresses) / full
        weeks += float(empty.sum()) / 7 * area
        before = float(empty.sum())
        _without(empty, season, rested)
        rested_weeks += (before - float(empty.sum())) / 7 * area
        for gap in _gaps(season[empty]):
            gaps[gap] += addresses
            ground[gap] += area
    spells = [_spell(tuple(cells), gap, ground[gap]) for gap, cells in gaps.items()]
    spells.sort(key=lambda s: (-len(s.cells) * (s.end - s.start).days, s.start, s.cells))
    return weeks, rested_weeks, tuple(spells)


def _by_use(
    grid: Grid, held: frozenset[str], taken: Sequence[Holding], rests: Sequence[Holding]
) -> dict[tuple[Spells, Spells], list[str]]:
    """Cells that are held and rested on the same days, together, in the grid's order."""
    over: dict[str, tuple[int, ...]] = {a: () for a in grid.cells if a not in held}
    for index, (cells, _, _) in enumerate((*taken, *rests)):
        for address in cells:
            if address in over:
                over[address] += (index,)
    alike: dict[tuple[int, ...], list[str]] = defaultdict(list)
    for address, indices in over.items():
        alike[indices].append(address)
    by_use: dict[tuple[Spells, Spells], list[list[str]]] = defaultdict(list)
    for indices, addresses in alike.items():
        spans = _ordinals(taken[i] for i in indices if i < len(taken))
        rested = _ordinals(rests[i - len(taken)] for i in indices if i >= len(taken))
        by_use[spans, rested].append(addresses)
    order = {address: number for number, address in enumerate(over)}
    return {
        use: sorted(chain(*parts), key=order.__getitem__) if len(parts) > 1 else parts[0]
        for use, parts in by_use.items()
    }


def _ordinals(holdings: Iterable[Holding]) -> Spells:
    return tuple(sorted((since.toordinal(), until.toordinal()) for _, since, until in holdings))


def _without(empty: NDArray[np.bool_], season: NDArray[np.int64], spans: Spells) -> None:
    """Take spells out of the empty days, in place."""
    for start, end in spans:
        empty[np.searchsorted(season, start) : np.searchsorted(season, end)] = False


def _spell(cells: tuple[str, ...], gap: Spell, ground: float) -> IdleSpell:
    start, end = date.fromordinal(gap[0]), date.fromordinal(gap[1] + 1)
    return IdleSpell(cells, start, end, ground * (end - start).days / 7)


def _gaps(days: NDArray[np.int64]) -> list[Spell]:
    """Unbroken runs of days, those of two weeks or more."""
    if len(days) == 0:
        return []
    breaks = np.flatnonzero(np.diff(days) > 1)
    starts = np.concatenate([days[:1], days[breaks + 1]])
    ends = np.concatenate([days[breaks], days[-1:]])
    return [
        (int(a), int(b)) for a, b in zip(starts, ends, strict=True) if b - a + 1 >= LEAST_SPELL_DAYS
    ]
