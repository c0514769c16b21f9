"""Frost dates guessed from how far north or south a garden lies, or from a made-up climate.

A stand-in until the grower enters local dates; always marked as guessed.
"""

from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from ample_rows.core.book import MadeUpClimate

GUESSED_SPREAD_DAYS = 18.0

# Latitude, last and first frost as days of the northern year, for lowland gardens away
# from the coast. Judged from published maps of mean frost dates; good to three weeks.
_LATITUDES = (0.0, 22.0, 30.0, 35.0, 40.0, 45.0, 50.0, 55.0, 60.0, 65.0, 70.0)
_LAST = (1.0, 8.0, 60.0, 88.0, 112.0, 122.0, 121.0, 130.0, 146.0, 158.0, 172.0)
_FIRST = (362.0, 356.0, 330.0, 314.0, 293.0, 283.0, 289.0, 279.0, 262.0, 248.0, 232.0)
_HALF_YEAR_DAYS = 182


@dataclass(frozen=True)
class FrostGuess:
    last_frost: date
    first_frost: date
    spread_days: float


def guess_frosts(
    latitude: float, *, today: date, climate: MadeUpClimate | None = None
) -> FrostGuess:
    """Last and first frost of the growing year that a plan made today is for: a made-up
    climate's, or after the latitude alone.

    The year whose first frost is still more than two months ahead.
    """
    if climate is None:
        north = abs(latitude)
        last = round(float(np.interp(north, _LATITUDES, _LAST)))
        first = round(float(np.interp(north, _LATITUDES, _FIRST)))
        spread = GUESSED_SPREAD_DAYS
    else:
        last, first = _day_of_year(climate.last_frost), _day_of_year(climate.first_frost)
        spread = climate.frost_spread_days
    shift = 0 if latitude >= 0 else _HALF_YEAR_DAYS
    year = today.year - 1
    while True:
        begin = date(year, 1, 1) + timedelta(days=shift - 1)
        first_frost = begin + timedelta(days=first)
        if first_frost - today > timedelta(days=60):
            return FrostGuess(begin + timedelta(days=last), first_frost, spread)
        year += 1


def _day_of_year(month_and_day: str) -> int:
    return date.fromisoformat(f"2001-{month_and_day}").timetuple().tm_yday
