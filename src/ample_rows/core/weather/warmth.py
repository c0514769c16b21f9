"""Thermal time: days to the first pick as warmth adds up, where a garden counts so.

A crop gathers each day the degrees of its mean above the crop's base, none beyond its ceiling.
The book's days hold at a temperature between the two; so many degree-days are wanted.
"""

from datetime import date
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Book, Crop

YEARS = 3
MOST_DAYS = 540
MID_MONTH = (15, 45, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349)
_YEAR = 365

Months = tuple[float, ...]


@lru_cache(maxsize=64)
def daily_means_c(mean_c: Months) -> NDArray[np.float64]:
    """Daily means of a usual year from its monthly means, straight between mid-months. [°C]"""
    middles = np.array([MID_MONTH[-1] - _YEAR, *MID_MONTH, MID_MONTH[0] + _YEAR])
    values = np.array([mean_c[-1], *mean_c, mean_c[0]])
    daily: NDArray[np.float64] = np.interp(np.arange(1, _YEAR + 1), middles, values)
    return daily


@lru_cache(maxsize=2048)
def _gathered(mean_c: Months, base_c: float, ceiling_c: float) -> NDArray[np.float64]:
    """Degree-days gathered by the morning of each day of some usual years, 0 on the first."""
    day = np.clip(daily_means_c(mean_c), base_c, ceiling_c) - base_c
    return np.concatenate([[0.0], np.cumsum(np.tile(day, YEARS))])


def degree_days_wanted(crop: Crop, book_days: float, book: Book) -> float:
    """Degree-days from start to first pick: the book's days at the warmth that they hold for."""
    base = crop.base_temperature_c
    above = (crop.ceiling_temperature_c - base) * book.value("book_warmth_share")
    # What wants more warmth than a temperate summer has is in the book as that summer grows it.
    summer = max(1.0, book.value("temperate_summer_c") - base)
    return book_days * min(above, summer)


def days_in_warmth(mean_c: Months, crop: Crop, book_days: float, start: date, book: Book) -> float:
    """Days from a start until the crop has gathered what it wants; at most a year and a half.

    Args:
        mean_c: Mean temperature of each month, January first. [°C]
        book_days: The book's days for this way of starting.
    """
    gathered = _gathered(mean_c, crop.base_temperature_c, crop.ceiling_temperature_c)
    first = min(_YEAR, start.timetuple().tm_yday) - 1
    wanted = gathered[first] + degree_days_wanted(crop, book_days, book)
    until = int(np.searchsorted(gathered, wanted - 1e-9))
    return float(min(MOST_DAYS, until - first))
