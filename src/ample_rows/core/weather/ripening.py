"""When what stood the winter ripens: by warmth since the new year and by the length of days."""

import numpy as np

from ample_rows.core.book import Crop
from ample_rows.core.weather.response import DAYS, Normals, course_of, day_hours, need_of

_MIDWINTER_SOUTH = 181
_LATE_DAYS = 90


def ripening_from(normals: Normals, crop: Crop, first: int) -> int:
    """The row from which what is set on a row grows towards its picking: the new year after it
    for what stands the winter, which is the first of July south of the equator."""
    if crop.wintering is None:
        return first
    since = 0 if normals.latitude >= 0 else _MIDWINTER_SOUTH
    if since <= first < since + _LATE_DAYS:
        return first
    return since if first < since else since + DAYS


def ripe_row(normals: Normals, crop: Crop, first: int) -> int | None:
    """The row on which a crop that stood the winter is ripe; None where its kind or the climate
    does not tell."""
    wintering = crop.wintering
    if wintering is None or wintering.degree_days is None or normals.tmin_c is None:
        return None
    grown = course_of(normals, need_of(crop)).grown
    since = ripening_from(normals, crop, first)
    best_days = wintering.degree_days / (crop.optimum_low_c - crop.base_temperature_c)
    warm = int(np.searchsorted(grown, grown[since] + best_days))
    if wintering.day_length_hours is None:
        return warm
    hours = np.tile(day_hours(round(normals.latitude, 1)), 2)[since : since + DAYS]
    longest = min(wintering.day_length_hours, float(hours.max()))
    long = since + int(np.argmax(hours >= longest)) + round(wintering.days_after)
    return max(warm, long)
