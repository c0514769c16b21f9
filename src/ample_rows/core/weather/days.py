"""Plausible days for a garden's normals: a seeded stand-in for the weather of a year.

Wet and dry days follow each other in spells, rain on a wet day is mostly little (Richardson
1981); warmth wanders about its normal from day to day, and a whole year is warmer or colder.
"""

import hashlib
import math
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.weather.response import daily_means_c

_YEAR = 365


@dataclass(frozen=True, slots=True)
class DayWeather:
    """One day's lowest and highest temperature and its rain. [°C, mm]"""

    day: date
    low_c: float
    high_c: float
    rain_mm: float


def weather_of(
    climate: p.Climate, since: date, days: int, seed: int, book: Book
) -> tuple[DayWeather, ...]:
    """Days as they may well be with these normals; the same seed gives the same days.

    Args:
        climate: Monthly lows, highs and rain; what is missing makes no weather.
    """
    if climate.tmin_c is None or climate.tmax_c is None:
        return ()
    weather: list[DayWeather] = []
    for offset in range(days):
        day = since + timedelta(days=offset)
        year = _year(climate, day.year, seed, book)
        row = min(_YEAR, day.timetuple().tm_yday) - 1
        low, high, rain = (float(part[row]) for part in year)
        weather.append(DayWeather(day, low, high, rain))
    return tuple(weather)


Year = tuple[NDArray[np.float64], NDArray[np.float64], NDArray[np.float64]]


@lru_cache(maxsize=32)
def _year(climate: p.Climate, year: int, seed: int, book: Book) -> Year:
    rng = _rng(seed, f"weather/{year}")
    lows, highs = daily_means_c(climate.tmin_c or ()), daily_means_c(climate.tmax_c or ())
    apart = _wandering(rng, book)
    wet = _wet_days(rng, climate, book)
    rain = _rain(rng, climate, wet)
    # A wet day is dull: its high is lower, its low less so.
    damp = np.where(wet, book.value("wet_day_cooler_c"), 0.0)
    high = highs + apart - damp + damp.mean()
    low = np.minimum(lows + apart + damp / 2 - damp.mean() / 2, high - 0.5)
    return low, high, rain


def _rng(seed: int, key: str) -> np.random.Generator:
    digest = hashlib.sha256(f"{seed}/{key}".encode()).digest()
    return np.random.Generator(np.random.PCG64(int.from_bytes(digest[:16], "big")))


def _wandering(rng: np.random.Generator, book: Book) -> NDArray[np.float64]:
    """Departures from the normal: those of the year, and of each day from the day before. [°C]"""
    keeps = book.value("weather_keeps")
    steps = rng.standard_normal(_YEAR) * book.value("weather_day_sd_c") * np.sqrt(1 - keeps**2)
    apart = np.empty(_YEAR)
    last = rng.standard_normal() * book.value("weather_day_sd_c")
    for day in range(_YEAR):
        last = keeps * last + steps[day]
        apart[day] = last
    of_year = float(rng.standard_normal()) * book.value("weather_year_sd_c")
    wandered: NDArray[np.float64] = apart - apart.mean() + of_year
    return wandered


def _wet_days(rng: np.random.Generator, climate: p.Climate, book: Book) -> NDArray[np.bool_]:
    """Wet and dry days in spells: a wet day is likelier after a wet one."""
    share = np.array([_wet_share(mm, book) for mm in _monthly_rain(climate)])
    month = _months()
    again = book.value("wet_again")
    wet = np.empty(_YEAR, dtype=bool)
    chance = rng.random(_YEAR)
    before = chance[0] < share[0]
    for day in range(_YEAR):
        usual = share[month[day]]
        # So that as many days are wet as the month has, whatever the day before was.
        after_wet = usual + again * (1 - usual)
        after_dry = usual * (1 - again)
        before = bool(chance[day] < (after_wet if before else after_dry))
        wet[day] = before
    return wet


def _wet_share(rain_mm: float, book: Book) -> float:
    """Share of a month's days that are wet, by its rain: the wetter, the more days."""
    return min(0.9, math.sqrt(rain_mm / book.value("wet_every_day_mm")))


def _rain(
    rng: np.random.Generator, climate: p.Climate, wet: NDArray[np.bool_]
) -> NDArray[np.float64]:
    """Rain of each day; over many years a month has its normal. [mm]"""
    month, normal = _months(), np.array(_monthly_rain(climate))
    shape = 0.75
    drawn = rng.gamma(shape, 1 / shape, _YEAR) * wet
    rain = np.zeros(_YEAR)
    for index in range(12):
        days = month == index
        usual = max(1.0, float(wet[days].sum()))
        rain[days] = drawn[days] * normal[index] / usual * (wet[days].any())
    return rain


def _monthly_rain(climate: p.Climate) -> tuple[float, ...]:
    return climate.rain_mm or (0.0,) * 12


@lru_cache(maxsize=1)
def _months() -> NDArray[np.int64]:
    first = date(2027, 1, 1)
    return np.array([(first + timedelta(days=d)).month - 1 for d in range(_YEAR)])
