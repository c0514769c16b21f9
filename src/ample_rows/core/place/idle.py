"""Idle ground: cells that stand empty while something could grow."""

from collections import defaultdict
from collections.abc import Sequence
from datetime import date
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import GrowingYear, growing_days
from ample_rows.core.geometry.cells import Grid
from ample_rows.core.place.report import IdleSpell

LEAST_SPELL_DAYS = 14

Spell = tuple[int, int]
Spells = tuple[Spell, ...]


@lru_cache(maxsize=64)
def _growing_ordinals(year: GrowingYear, book: Book) -> NDArray[np.int64]:
    return np.array([day.toordinal() for day in growing_days(year, book)], dtype=np.int64)


def idle_ground(
    grid: Grid,
    held: frozenset[str],
    taken: dict[str, list[tuple[date, date]]],
    year: GrowingYear,
    book: Book,
    *,
    rests: dict[str, list[tuple[date, date]]],
) -> tuple[float, float, tuple[IdleSpell, ...]]:
    """Cell-weeks without a crop in growing weather, and the spells of two weeks or more.

    Args:
        taken: Per cell, the days held: from a day up to but not including another.
        rests: Per cell, the days that it is left empty on purpose: counted, but no spell
            of them.

    Returns:
        Cell-weeks (part cells by area), those of them rested on purpose, and spells, longest
        ground first.
    """
    season = _growing_ordinals(year, book)
    by_holding: dict[tuple[Spells, Spells], list[str]] = defaultdict(list)
    for address in grid.cells:
        if address not in held:
            use = (_ordinals(taken.get(address, ())), _ordinals(rests.get(address, ())))
            by_holding[use].append(address)
    weeks, rested_weeks = 0.0, 0.0
    gaps: dict[Spell, list[str]] = defaultdict(list)
    full = grid.cell_cm**2
    for (spans, rested), addresses in by_holding.items():
        empty = np.ones(len(season), dtype=bool)
        _without(empty, season, spans)
        area = sum(grid.cells[a].area_cm2 for a in addresses) / full
        weeks += float(empty.sum()) / 7 * area
        before = float(empty.sum())
        _without(empty, season, rested)
        rested_weeks += (before - float(empty.sum())) / 7 * area
        for gap in _gaps(season[empty]):
            gaps[gap] += addresses
    spells = [
        _spell(grid, tuple(cells), date.fromordinal(start), date.fromordinal(end + 1))
        for (start, end), cells in gaps.items()
    ]
    spells.sort(key=lambda s: (-len(s.cells) * (s.end - s.start).days, s.start, s.cells))
    return weeks, rested_weeks, tuple(spells)


def _ordinals(spans: Sequence[tuple[date, date]]) -> Spells:
    if not spans:
        return ()
    return tuple(sorted((since.toordinal(), until.toordinal()) for since, until in spans))


def _without(empty: NDArray[np.bool_], season: NDArray[np.int64], spans: Spells) -> None:
    """Take spells out of the empty days, in place."""
    for start, end in spans:
        empty[np.searchsorted(season, start) : np.searchsorted(season, end)] = False


def _spell(grid: Grid, cells: tuple[str, ...], start: date, end: date) -> IdleSpell:
    ground = sum(grid.cells[a].area_cm2 for a in cells) / grid.cell_cm**2
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
