"""Thermal time: days to the first pick as warmth adds up, where a garden counts so; else days of
the calendar, in which growth rests while it is too dark or too cold for any.

A crop gathers each day the degrees of its mean above the crop's base: none more beyond its best,
fewer again towards its ceiling. It wants what the book's days give it in the climate that they
are from.
"""

from datetime import date

import numpy as np

from ample_rows.core.book import Book, Crop
from ample_rows.core.plan import Start
from ample_rows.core.weather.reference import grows_for_years, reference_of
from ample_rows.core.weather.response import Normals, course_of, need_of, row_of
from ample_rows.core.weather.ripening import late_autumn, ripe_row

MOST_DAYS = 540


def degree_days_wanted(crop: Crop, start: Start, book: Book) -> float:
    """Degree-days above the base from a start to the first pick, flat above the best. [°C days]"""
    rise = crop.optimum_low_c - crop.base_temperature_c
    return reference_of(crop.id, book).grown_days[start] * rise


def days_to_pick(
    normals: Normals, crop: Crop, start: Start, start_date: date, book: Book, *, thermal: bool
) -> float | None:
    """Days from a start to the first pick in a garden's usual year, at most a year and a half;
    None where the book knows no such start. What stands a winter young is counted in warmth.

    Args:
        thermal: Count in warmth, where the climate is known.
    """
    by_book = crop.days_to_pick(start)
    first = row_of(start_date)
    ripe = ripe_row(normals, crop, first)
    if ripe is not None:
        return float(ripe - first)
    if by_book is None or start not in crop.starts or grows_for_years(crop, start):
        return by_book
    course, wanted = course_of(normals, need_of(crop)), reference_of(crop.id, book)
    winter = crop.before_winter is not None and bool(late_autumn(normals.latitude)[first])
    by_warmth = (thermal or winter) and normals.tmin_c is not None
    gathered = course.grown if by_warmth else course.awake
    wants = (wanted.grown_days if by_warmth else wanted.awake_days)[start]
    until = int(np.searchsorted(gathered, gathered[first] + wants - 1e-6))
    return float(min(MOST_DAYS, until - first))
