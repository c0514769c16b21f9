"""Relay: the next crop starts under the last, while the leaves of both still fit the ground, or
climbs from the feet of an old climber while both still fit their support."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.geometry.cells import Grid
from ample_rows.core.planting.cases import Evaluated

Cover = NDArray[np.float64]
Pair = tuple[Evaluated, Evaluated]

_STEP_DAYS = 7
# Longer than any crop waits under another; a standing crop may be cleared in many years only.
_LONGEST_UNDER = timedelta(weeks=26)
_FULL = 1.0


@dataclass(frozen=True, slots=True)
class Crowding:
    """Leaves of two plantings over the squares that they share, on the day that these are
    fullest, as a share of the ground. [0-2]"""

    on: date
    covered: float

    @property
    def fits(self) -> bool:
        return self.covered <= _FULL


def canopy_cover(e: Evaluated, grid: Grid, on: Sequence[date]) -> Cover:
    """The share of its own ground that a planting's leaves cover on some days, 0 outside its
    time; leaves that lie over each other count once. [0-1]"""
    growth = e.report.growth
    ground = sum(grid.cells[a].area_cm2 for a in e.report.cells)
    steps = growth.step_days * np.arange(len(growth.canopy_cm), dtype=np.float64)
    ages = np.array([(day - e.dates.start).days for day in on], dtype=np.float64)
    across = np.interp(ages, steps, growth.canopy_cm)
    left = np.interp(ages, steps, growth.standing)
    covered = e.report.plants * np.pi / 4 * across**2 * left / ground if ground else across * 0
    there = (ages >= 0) & (ages < (e.dates.clear - e.dates.start).days)
    cover: Cover = np.where(there, np.minimum(1.0, covered), 0.0)
    return cover


def share_support(first: Evaluated, second: Evaluated) -> bool:
    """Whether two plantings climb the same support."""
    return first.planting.support is not None and first.planting.support == second.planting.support


def face_cover(e: Evaluated, on: Sequence[date], bare_foot: float) -> Cover:
    """The share of its part of a support that a climber's leaves cover on some days: as far as
    it has climbed, less its foot, which is bare once it is grown; 0 outside its time. [0-1]"""
    growth = e.report.growth
    heights = np.array(growth.height_cm, dtype=np.float64)
    steps = growth.step_days * np.arange(len(heights), dtype=np.float64)
    ages = np.array([(day - e.dates.start).days for day in on], dtype=np.float64)
    climbed = np.interp(ages, steps, heights) / max(float(heights.max()), 1.0)
    left = np.interp(ages, steps, growth.standing)
    there = (ages >= 0) & (ages < (e.dates.clear - e.dates.start).days)
    cover: Cover = np.where(there, climbed * (1 - bare_foot * climbed) * left, 0.0)
    return cover


def crowding(first: Evaluated, second: Evaluated, grid: Grid, bare_foot: float) -> Crowding | None:
    """How full two plantings leave the ground, or their support, while both stand; None when
    they never do.

    Args:
        bare_foot: The share of a grown climber's height that is bare at its foot.
    """
    since = max(first.dates.start, second.dates.start)
    until = min(first.dates.clear, second.dates.clear)
    if since >= until:
        return None
    last = (until - since).days - 1
    on = [since + timedelta(days=day) for day in (*range(0, last, _STEP_DAYS), last)]
    summed = _both_cover((first, second), (on, on), grid, bare_foot)
    fullest = int(summed.argmax())
    return Crowding(on[fullest], float(summed[fullest]))


def is_relay(first: Evaluated, second: Evaluated) -> bool:
    """Whether the plan means the second to start before the first is cleared."""
    return second.planting.follows == first.planting.id and not second.planting.between


def _both_cover(pair: Pair, days: Sequence[Sequence[date]], grid: Grid, bare_foot: float) -> Cover:
    """Leaves of both over some days of each, over their support where they share one."""
    if share_support(*pair):
        first, second = (face_cover(e, on, bare_foot) for e, on in zip(pair, days, strict=True))
    else:
        first, second = (canopy_cover(e, grid, on) for e, on in zip(pair, days, strict=True))
    return first + second


def earliest_under(
    first: Evaluated, second: Evaluated, grid: Grid, bare_foot: float
) -> date | None:
    """The first day, a week at a time, on which the second could start under the first and fit;
    None where it has to wait until the first is cleared."""
    # The young crop as it would be on each day: only its age differs.
    day = max(first.dates.start, second.dates.start, first.dates.clear - _LONGEST_UNDER)
    while day < first.dates.clear:
        on = [day + timedelta(days=age) for age in range(0, (first.dates.clear - day).days, 7)]
        moved = [second.dates.start + (later - day) for later in on]
        summed = _both_cover((first, second), (on, moved), grid, bare_foot)
        if float(summed.max()) <= _FULL:
            return day
        day += timedelta(days=_STEP_DAYS)
    return None
