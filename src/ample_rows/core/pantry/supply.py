"""Weekly supply as bands over all seasons: of each crop, and of everything."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import harvest
from ample_rows.core.cases import Evaluated
from ample_rows.core.harvest import Draws, Quantiles

Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class WeekBand:
    """What the plan gives in one week, over all seasons; the week by its Monday. [kg]"""

    week: date
    p10: float
    p50: float
    p90: float


def season_total(grown: Sequence[Evaluated], seasons: int) -> Draws:
    """Kilograms of some plantings together in each season."""
    total = np.zeros(seasons)
    for e in grown:
        total += e.draws
    return total


def total_of(grown: Sequence[Evaluated], seasons: int) -> Quantiles:
    """What some plantings give together: quantiles of their sum, season by season. [kg]"""
    return harvest.quantiles(season_total(grown, seasons))


def weekly_draws(grown: Sequence[Evaluated], weeks: Sequence[date], seasons: int) -> Floats:
    """Kilograms picked in some weeks by week and season; what is picked outside them is not."""
    bearing = [e for e in grown if e.report.weekly_kg]
    if not bearing:
        return np.zeros((len(weeks), seasons))
    rows = {week: row for row, week in enumerate(weeks)}
    shares = np.zeros((len(weeks), len(bearing)))
    for column, e in enumerate(bearing):
        whole = sum(week.kg for week in e.report.weekly_kg)
        for week in e.report.weekly_kg:
            if week.week in rows:
                shares[rows[week.week], column] += week.kg / whole
    by_week: Floats = shares @ np.array([e.draws for e in bearing])
    return by_week


def weekly_bands(grown: Sequence[Evaluated]) -> tuple[WeekBand, ...]:
    """Every week in which any of some plantings is picked, as a band over all seasons.

    A planting gives each week its share of that season's harvest: bands are of sums, never sums
    of bands.
    """
    weeks = sorted({week.week for e in grown for week in e.report.weekly_kg})
    if not weeks:
        return ()
    by_week = weekly_draws(grown, weeks, len(grown[0].draws))
    low, middle, high = np.quantile(by_week, (0.1, 0.5, 0.9), axis=1)
    return tuple(
        WeekBand(week, float(a), float(b), float(c))
        for week, a, b, c in zip(weeks, low, middle, high, strict=True)
    )
