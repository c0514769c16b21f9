"""A butt through the year: what its roof catches, what the beds take, the weeks it is dry."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

from ample_rows.core.weather.air import MONTH_DAYS

_YEARS = 2
_DUST_L = 1e-6


@dataclass(frozen=True, slots=True)
class TankYear:
    """By month, January first. Weeks dry are those in which less comes than is wanted. [L]"""

    caught: tuple[float, ...]
    used: tuple[float, ...]
    short: tuple[float, ...]
    weeks_dry: float


def tank_year(
    litres: float,
    caught_a_month: Sequence[float],
    wanted_a_week: Sequence[float],
    *,
    rainy_share: float,
) -> TankYear:
    """A tank through one year to settle in and one that is told.

    Each month's rain falls in its first days, and the beds drink from the tank in the rest:
    spread evenly over the month, no tank would ever seem too small.

    Args:
        litres: What the tank holds; it begins empty.
        caught_a_month: Twelve months' run-off from its roof. [L/month]
        wanted_a_week: What the places take of it in a dry week, by month. [L/week]
        rainy_share: Share of each month in which its rain falls. [0-1]
    """
    used, short = [0.0] * 12, [0.0] * 12
    held, days_dry = 0.0, 0
    for year in range(_YEARS):
        for month, days in enumerate(MONTH_DAYS):
            dry = days - max(1, round(days * rainy_share))
            # While it rains nothing is drawn, and while it is dry nothing comes in.
            held = min(litres, held + caught_a_month[month])
            want = wanted_a_week[month] / 7
            taken = min(held, want * dry)
            if year == _YEARS - 1:
                used[month] += taken
                short[month] += want * dry - taken
                if want * dry > held + _DUST_L:
                    days_dry += dry - math.floor((held + _DUST_L) / want)
            held -= taken
    return TankYear(tuple(caught_a_month), tuple(used), tuple(short), days_dry / 7)
