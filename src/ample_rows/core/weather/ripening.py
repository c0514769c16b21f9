"""When what stood the winter ripens: by warmth since the new year and by the length of days."""

from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Crop
from ample_rows.core.weather.response import DAYS, Normals, Rows, course_of, day_hours, need_of

_MIDWINTER_SOUTH = 181
_LATE_DAYS = 90
_SEASON_DAYS = DAYS
_AUTUMN_HOURS = 11.5


def new_year_row(latitude: float) -> int:
    """The row on which the year of plants begins: the first of January, of July in the south."""
    return 0 if latitude >= 0 else _MIDWINTER_SOUTH


@lru_cache(maxsize=64)
def late_autumn(latitude: float) -> NDArray[np.bool_]:
    """Which days of the year are of late autumn: short, and the next one shorter."""
    hours = day_hours(round(latitude, 1))
    late: NDArray[np.bool_] = (hours < _AUTUMN_HOURS) & (np.roll(hours, -1) < hours)
    return late


def ripening_from(normals: Normals, crop: Crop, first: Rows, due: Rows) -> Rows:
    """The rows from which the growth of plantings makes their harvest: the new year before it for
    what is set before winter, the year before it for what stays for years (whose first pick is
    then counted in the second of the years), the book's days before its pick for what stands a
    winter young, else its start."""
    if crop.perennial is not None:
        return due - _SEASON_DAYS
    if crop.wintering is not None and isinstance(first, int) and isinstance(due, int):
        return min(due, _new_year_after(normals, first))
    if crop.before_winter is None or normals.tmin_c is None:
        return first
    spring = due - round(crop.days_to_pick(crop.starts[0]) or 0.0)
    rested = late_autumn(normals.latitude)[np.asarray(first) % DAYS] & (spring > first)
    if isinstance(first, int) and isinstance(spring, int):
        return spring if rested else first
    return np.where(rested, spring, first)


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
