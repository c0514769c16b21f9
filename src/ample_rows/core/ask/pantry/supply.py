"""Weekly supply as bands over all seasons: of each crop, and of everything.

A season's weather moves the weeks of picking within what a planting gives in that season; it
adds nothing to its range.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Book
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import Draws, Quantiles, stream

Floats = NDArray[np.float64]

_WEEK = timedelta(days=7)
_MOST_MOVED = 4
_MOVES = range(-_MOST_MOVED, _MOST_MOVED + 1)


@dataclass(frozen=True, slots=True)
class WeekBand:
    """What the plan gives in one week, over all seasons; the week by its Monday. [kg]"""

    week: date
    p10: float
    p50: float
    p90: float


@dataclass(frozen=True, eq=False)
class Seasons:
    """The seasons of a garden's seed: how warm each one is, as standard normals."""

    warmth: Draws
    book: Book

    @property
    def count(self) -> int:
        return len(self.warmth)


def seasons_of(seed: int, book: Book) -> Seasons:
    """The seasons that go with a seed; the same for every crop and planting."""
    return Seasons(stream(seed, "warmth", int(book.value("seasons"))), book)


def season_total(grown: Sequence[Evaluated], seasons: int) -> Draws:
    """Kilograms of some plantings together in each season of the plan's year."""
    total = np.zeros(seasons)
    for e in grown:
        total += e.in_year
    return total


def total_of(grown: Sequence[Evaluated], seasons: int) -> Quantiles:
    """What some plantings give together: quantiles of their sum, season by season. [kg]"""
    return harvest.quantiles(season_total(grown, seasons))


def weekly_draws(grown: Sequence[Evaluated], weeks: Sequence[date], seasons: Seasons) -> Floats:
    """Kilograms picked in some weeks by week and season; what is picked outside them is not.

    A planting gives each week its share of that season's harvest, sooner in a warm season and
    later in a cold one.

    Args:
        weeks: Mondays in their order, none left out.
    """
    by_week: Floats = np.zeros((len(weeks), seasons.count))
    if not weeks:
        return by_week
    first = weeks[0].toordinal()
    for e in grown:
        if not e.report.weekly_kg:
            continue
        begin = (e.report.weekly_kg[0].week.toordinal() - first) // 7 - _MOST_MOVED
        given = _moved_weeks(e) @ (_move_shares(e, seasons) * e.draws)
        low, high = max(0, begin), min(len(weeks), begin + len(given))
        if low < high:
            by_week[low:high] += given[low - begin : high - begin]
    return by_week


def _moved_weeks(e: Evaluated) -> Floats:
    """A planting's weekly shares as they are moved: from the earliest week that it may come to,
    by week and number of weeks moved; each of these adds up to 1."""
    kg = np.array([week.kg for week in e.report.weekly_kg])
    moved = np.zeros((len(kg) + 2 * _MOST_MOVED, len(_MOVES)))
    for column in range(len(_MOVES)):
        moved[column : column + len(kg), column] = kg / kg.sum()
    return moved


def _move_shares(e: Evaluated, seasons: Seasons) -> Floats:
    """How a planting's picking moves in each season: the parts of it that fall into each number
    of weeks later or sooner. [by weeks moved and season, each season adds up to 1]"""
    to_pick = e.dates.course.grow_days
    later = -seasons.warmth * seasons.book.value("dates_move_share") * to_pick / 7
    later = np.clip(later, -_MOST_MOVED, _MOST_MOVED - 1e-9)
    whole = np.floor(later).astype(int)
    part = later - whole
    shares = np.zeros((len(_MOVES), seasons.count))
    season = np.arange(seasons.count)
    shares[whole + _MOST_MOVED, season] = 1 - part
    shares[whole + _MOST_MOVED + 1, season] += part
    return shares


def weeks_picked(grown: Sequence[Evaluated]) -> tuple[date, ...]:
    """Mondays of all weeks in which something may be picked, in a warm season or a cold one."""
    weeks = [week.week for e in grown for week in e.report.weekly_kg]
    if not weeks:
        return ()
    first, last = min(weeks), max(weeks)
    count = (last - first).days // 7 + 1
    return tuple(first + _WEEK * n for n in range(-_MOST_MOVED, count + _MOST_MOVED))


def weekly_bands(grown: Sequence[Evaluated], seasons: Seasons) -> tuple[WeekBand, ...]:
    """Every week in which any of some plantings is picked, as a band over all seasons."""
    weeks = weeks_picked(grown)
    return bands_of(weeks, weekly_draws(grown, weeks, seasons))


def bands_of(weeks: Sequence[date], by_week: Floats) -> tuple[WeekBand, ...]:
    """Weeks as bands over all seasons, those without any picking left out.

    Of a week the likely weight is its part of the likely whole, so that the weeks add up to it;
    low and high are of the sums of that week over all seasons.
    """
    means = by_week.mean(axis=1)
    there = np.flatnonzero(means > 0)
    if len(there) == 0:
        return ()
    whole = by_week.sum(axis=0)
    likely = means[there] * harvest.median_of(whole) / whole.mean()
    low, high = harvest.at_shares(by_week[there], (0.1, 0.9))
    return tuple(
        WeekBand(weeks[int(row)], float(min(a, b)), float(b), float(max(b, c)))
        for row, a, b, c in zip(there, low, likely, high, strict=True)
    )
