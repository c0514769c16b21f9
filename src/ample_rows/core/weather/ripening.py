"""When what stood the winter ripens: by warmth since the new year and by the length of days."""

from functools import lru_cache

import numpy as np

from ample_rows.core.book import Crop
from ample_rows.core.weather.response import DAYS, Normals, course_of, day_hours, need_of

_MIDWINTER_SOUTH = 181
_LATE_DAYS = 90
_SEASON_DAYS = DAYS


def new_year_row(latitude: float) -> int:
    """The row on which the year of plants begins: the first of January, of July in the south."""
    return 0 if latitude >= 0 else _MIDWINTER_SOUTH


def ripening_from(normals: Normals, crop: Crop, first: int, due: int) -> int:
    """The row from which a planting's growth makes its harvest: the new year before it for what is
    set before winter, the year before it for what stays for years (whose first pick is then
    counted in the second of the years), else its start."""
    if crop.perennial is not None:
        return due - _SEASON_DAYS
    return first if crop.wintering is None else min(due, _new_year_after(normals, first))


def _new_year_after(normals: Normals, first: int) -> int:
    since = new_year_row(normals.latitude)
    if since <= first < since + _LATE_DAYS:
        return first
    return since if first < since else since + DAYS


def ripe_row(normals: Normals, crop: Crop, first: int) -> int | None:
    """The row on which a crop that is set before winter on a row is ripe; None where its kind or
    the climate does not tell."""
    if crop.wintering is None or normals.tmin_c is None:
        return None
    return ripe_after(normals, crop, _new_year_after(normals, first))


@lru_cache(maxsize=2048)
def ripe_after(normals: Normals, crop: Crop, since: int) -> int | None:
    """The row on which a crop is ripe by warmth and light from a row on; None without a climate,
    or where a year is too cool for it."""
    ripens = crop.ripens
    if ripens is None or normals.tmin_c is None:
        return None
    grown = course_of(normals, need_of(crop)).grown
    best_days = ripens.degree_days / (crop.optimum_low_c - crop.base_temperature_c)
    warm = int(np.searchsorted(grown, grown[since] + best_days))
    if warm >= since + DAYS:
        return None
    if ripens.day_length_hours is None:
        return warm
    hours = np.tile(day_hours(round(normals.latitude, 1)), 3)[since : since + DAYS]
    longest = min(ripens.day_length_hours, float(hours.max()))
    long = since + int(np.argmax(hours >= longest)) + round(ripens.days_after)
    return max(warm, long)
