"""How well a crop grows on each day of a usual year: by warmth, in the light of winter, and
whether its flowers set.

The response to the mean of day and night rises from nothing at the base to all between the two
ends of the best, and falls to nothing at the ceiling (a trapezoid, as Wang and Engel 1998 bound
it). Where days are shorter than ten hours little grows, below eight nothing.
"""

from dataclasses import dataclass
from datetime import date
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Crop
from ample_rows.core.weather.day_length import day_length_hours

Floats = NDArray[np.float64]
Months = tuple[float, ...]
Rows = int | NDArray[np.int_]
Means = np.float64 | Floats

YEARS = 3
DAYS = 365
MID_MONTH = (15, 45, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349)
_FULL_LIGHT_HOURS, _NO_LIGHT_HOURS = 10.0, 8.0
_SETS_LESS_OVER_C = 3.0
_NO_FROST_YEAR = 2001


@dataclass(frozen=True, slots=True)
class Normals:
    """The usual year of a garden: how far north it lies, and its monthly lows and highs where
    they are known. [degrees, °C]"""

    latitude: float
    tmin_c: Months | None = None
    tmax_c: Months | None = None


def coldest_month_c(normals: Normals) -> float | None:
    """The mean of the coldest month, null where the warmth is not known. [°C]"""
    if normals.tmin_c is None or normals.tmax_c is None:
        return None
    return min((a + b) / 2 for a, b in zip(normals.tmin_c, normals.tmax_c, strict=True))


@lru_cache(maxsize=64)
def warmer(normals: Normals, by_c: float) -> Normals:
    """The same year so much warmer on every day; the same one where its warmth is not known."""
    if normals.tmin_c is None or normals.tmax_c is None:
        return normals
    return Normals(
        normals.latitude,
        tuple(t + by_c for t in normals.tmin_c),
        tuple(t + by_c for t in normals.tmax_c),
    )


@dataclass(frozen=True, slots=True)
class WarmthNeed:
    """What a crop asks of warmth: the four corners of its response, the limits within which its
    flowers set (night low, night high, day high), or none. [°C]"""

    base_c: float
    optimum_low_c: float
    optimum_high_c: float
    ceiling_c: float
    sets: tuple[float, float, float] | None


def need_of(crop: Crop) -> WarmthNeed:
    """A crop's need of warmth by itself, small enough to keep sums by it."""
    sets = crop.fruit_set
    return WarmthNeed(
        crop.base_temperature_c,
        crop.optimum_low_c,
        crop.optimum_high_c,
        crop.ceiling_temperature_c,
        (sets.night_low_c, sets.night_high_c, sets.day_high_c) if sets else None,
    )


def response(mean_c: Floats, need: WarmthNeed) -> Floats:
    """Growth at some daily means against the best. [0-1]"""
    rise = max(0.1, need.optimum_low_c - need.base_c)
    fall = max(0.1, need.ceiling_c - need.optimum_high_c)
    either = np.minimum((mean_c - need.base_c) / rise, (need.ceiling_c - mean_c) / fall)
    return np.clip(either, 0.0, 1.0)


def _sets(low_c: Floats, high_c: Floats, limits: tuple[float, float, float]) -> Floats:
    """The share of flowers that set: all within the limits, none three degrees beyond them."""
    night_low, night_high, day_high = limits
    cold = (low_c - night_low) / _SETS_LESS_OVER_C + 1
    close = (night_high - low_c) / _SETS_LESS_OVER_C + 1
    hot = (day_high - high_c) / _SETS_LESS_OVER_C + 1
    return np.clip(np.minimum(np.minimum(cold, close), hot), 0.0, 1.0)


@lru_cache(maxsize=64)
def daily_means_c(months: Months) -> Floats:
    """Values of each day of a usual year from those of its months, straight between mid-months.
    [°C]"""
    middles = np.array([MID_MONTH[-1] - DAYS, *MID_MONTH, MID_MONTH[0] + DAYS])
    values = np.array([months[-1], *months, months[0]])
    daily: Floats = np.interp(np.arange(1, DAYS + 1), middles, values)
    return daily


@lru_cache(maxsize=64)
def day_hours(latitude: float) -> Floats:
    """The length of each day of the year. [h]"""
    begin = date(_NO_FROST_YEAR, 1, 1).toordinal()
    days = (date.fromordinal(begin + n) for n in range(DAYS))
    return np.array([day_length_hours(latitude, day) for day in days])


@dataclass(frozen=True, eq=False, slots=True)
class Course:
    """Sums over some usual years, by the morning of each day, 0 on the first.

    `warm` adds up the response to warmth, `hot` what days above the best take of it, `grown` the
    response in the light there is, `awake` the light of days above the base, `set` the share of
    flowers that set, `hours` the length of days and `mean` their warmth, nothing where that is not
    known; `coldest_c` is the mean of the coldest month. [days, h, °C]
    """

    warm: Floats
    hot: Floats
    grown: Floats
    awake: Floats
    set: Floats
    hours: Floats
    mean: Floats | None
    coldest_c: float | None = None


@lru_cache(maxsize=512)
def course_of(normals: Normals, need: WarmthNeed) -> Course:
    """A crop's course in a garden's usual year; without a climate only the light tells."""
    hours = day_hours(round(normals.latitude, 1))
    light = np.clip((hours - _NO_LIGHT_HOURS) / (_FULL_LIGHT_HOURS - _NO_LIGHT_HOURS), 0.0, 1.0)
    if normals.tmin_c is None or normals.tmax_c is None:
        even = np.ones(DAYS)
        lit = _summed(light)
        ones = _summed(even)
        return Course(ones, np.zeros_like(ones), lit, lit, ones, _summed(hours), None)
    low, high = daily_means_c(normals.tmin_c), daily_means_c(normals.tmax_c)
    mean = (low + high) / 2
    warm = response(mean, need)
    sets = np.ones(DAYS) if need.sets is None else _sets(low, high, need.sets)
    awake = light * (mean > need.base_c)
    return Course(
        warm=_summed(warm),
        hot=_summed(np.where(mean > need.optimum_high_c, 1 - warm, 0.0)),
        grown=_summed(warm * light),
        awake=_summed(awake),
        set=_summed(sets),
        hours=_summed(hours),
        mean=_summed(mean),
        coldest_c=coldest_month_c(normals),
    )


def _summed(daily: Floats) -> Floats:
    return np.concatenate([[0.0], np.cumsum(np.tile(daily, YEARS))])


def row_of(day: date) -> int:
    """The place of a day in sums over usual years."""
    # Asked for hundreds of times an answer; a whole calendar's tuple takes three times as long.
    return min(DAYS - 1, day.toordinal() - _new_year(day.year))


@lru_cache(maxsize=512)
def _new_year(year: int) -> int:
    return date(year, 1, 1).toordinal()


def mean_over(summed: Floats, first: Rows, until: Rows) -> Means:
    """The means of what was summed, from rows up to others; of at least one day each."""
    if isinstance(first, int) and isinstance(until, int):
        # One planting is asked about a hundred times as often as every day of a year.
        end = min(max(until, first + 1), len(summed) - 1)
        return np.float64((summed.item(end) - summed.item(first)) / (end - first))
    last = np.minimum(np.maximum(until, np.asarray(first) + 1), len(summed) - 1)
    mean: Floats = (summed[last] - summed[first]) / (last - first)
    return mean


def within_one(share: Means) -> Means:
    """A share cut off at nothing and at all. [0-1]"""
    return np.minimum(np.maximum(share, 0.0), 1.0)
