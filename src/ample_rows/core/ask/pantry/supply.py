"""Weekly supply as bands over all seasons: of each crop, and of everything.

A season's weather moves the weeks of picking within what a planting gives in that season; it
adds nothing to its range.
"""

import itertools
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


@dataclass(frozen=True, slots=True)
class WeekBand:
    """What the plan gives in one week, over all seasons; the week by its Monday. [kg]"""

    week: date
    p10: float
    p50: float
    p90: float


@dataclass(frozen=True, eq=False)
class Seasons:
    """The seasons of a garden's seed from the warmest to the coldest: how warm each one is, as
    standard normals, and which one of the draws it is."""

    warmth: Draws
    order: NDArray[np.intp]
    book: Book

    @property
    def count(self) -> int:
        return len(self.warmth)

    def weeks_later(self, grow_days: float) -> Draws:
        """By how many weeks a picking comes later in each season; below 0 sooner."""
        later = -self.warmth * self.book.value("dates_move_share") * grow_days / 7
        return np.clip(later, -_MOST_MOVED, _MOST_MOVED - 1e-9)


def seasons_of(seed: int, book: Book) -> Seasons:
    """The seasons that go with a seed; the same for every crop and planting."""
    warmth = stream(seed, "warmth", int(book.value("seasons")))
    order = np.argsort(-warmth)
    return Seasons(warmth[order], order, book)


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
    """Kilograms picked in some weeks by week and season, from the warmest season to the coldest;
    what is picked outside them is not.

    A planting gives each week its share of that season's harvest, sooner in a warm season and
    later in a cold one.

    Args:
        weeks: Mondays in their order, none left out.
    """
    by_week: Floats = np.zeros((len(weeks), seasons.count))
    if not weeks:
        return by_week
    for e in grown:
        if e.report.weekly_kg:
            begin = (e.report.weekly_kg[0].week - weeks[0]).days // 7
            _add_moved(by_week, e, begin, seasons)
    return by_week


def _add_moved(by_week: Floats, e: Evaluated, begin: int, seasons: Seasons) -> None:
    """A planting's weeks as each season moves them, parted between two weeks where it moves them
    by a part of one; added in place from the week that it begins with at its mean."""
    kg = np.array([week.kg for week in e.report.weekly_kg])
    # One column for what comes in the week, one for what comes in the week after it.
    parted = np.zeros((len(kg) + 1, 2))
    parted[:-1, 0] = parted[1:, 1] = kg / kg.sum()
    later = seasons.weeks_later(e.dates.course.grow_days)
    whole = np.floor(later)
    draws = e.draws[seasons.order]
    after = (later - whole) * draws
    split = np.stack((draws - after, after))
    # Seasons stand in the order of their warmth: those moved by as many weeks stand together.
    bounds = np.searchsorted(whole, range(-_MOST_MOVED, _MOST_MOVED + 1)).tolist()
    for moved, (since, until) in enumerate(itertools.pairwise(bounds), -_MOST_MOVED):
        first = begin + moved
        low, high = max(0, first), min(len(by_week), first + len(parted))
        if since < until and low < high:
            given = parted[low - first : high - first] @ split[:, since:until]
            by_week[low:high, since:until] += given


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
