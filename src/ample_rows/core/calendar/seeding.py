"""The day by which long days have made a crop run to seed."""

from datetime import date, timedelta
from functools import lru_cache

from ample_rows.core.book import Crop
from ample_rows.core.weather.evapotranspiration import daylight_hours
from ample_rows.core.weather.suited import LONG_OVER_H

_DAYS_OF_YEAR = 366
_STILL_PICKED = timedelta(days=14)
"""What is ready as it bolts is picked all the same, for about so long; judged."""
_HURRIED = 0.5
"""The share of its usual time in which all of a crop can be picked that will soon bolt; judged."""


def seeding_day(crop: Crop, latitude_deg: float, due: date, over: date) -> date | None:
    """The day on which a crop's picking ends because it has wholly run to seed.

    Args:
        due, over: Its first pick, and the end that its picking would otherwise have.

    Returns:
        None for a crop that long days do not touch, and where they come later than its end.
    """
    limits = [bolting.limit for bolting in crop.bolts if bolting.by == "long days"]
    if not limits:
        return None
    hours, wholly = _daylight(latitude_deg), min(limits) + LONG_OVER_H
    for ahead in range((over - due).days):
        day = due + timedelta(days=ahead)
        if hours[day.timetuple().tm_yday - 1] >= wholly:
            ends = max(day, due + _STILL_PICKED)
            return ends if ends < over else None
    return None


def hurried_days(whole_days: float, left_days: float) -> float:
    """How long its whole picking takes when only so much time is left. [days]"""
    return min(whole_days, max(left_days, _HURRIED * whole_days))


@lru_cache(maxsize=64)
def _daylight(latitude_deg: float) -> tuple[float, ...]:
    """Hours of day through a year."""
    return tuple(daylight_hours(latitude_deg, day) for day in range(1, _DAYS_OF_YEAR + 1))
