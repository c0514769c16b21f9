"""The cold of winter: how low the nights of a usual year go, and the day that ends a crop.

The coldest night of a winter is a known figure of a place. From the first frost, which is
freezing, nights go down to it and up again to the last frost as the usual nights do.
"""

from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Book, Crop
from ample_rows.core.book.crop import Stage
from ample_rows.core.calendar.growing_year import GrowingYear, yearly_on_or_after
from ample_rows.core.weather.response import DAYS, Months, daily_means_c, row_of

Floats = NDArray[np.float64]

_WARM_C = 15.0
_YEARS = 3
_YOUNG_DAYS = 30
_A_YEAR = timedelta(days=364)


@dataclass(frozen=True, eq=False, slots=True)
class Nights:
    """The coldest nights that a planting meets, its cover added: those of a usual year, and how
    much they differ from winter to winter. One of each for every day from the start. [°C]"""

    usual_c: Floats
    spread_c: Floats

    def first_below(self, limit_c: float, chances: Floats) -> NDArray[np.intp]:
        """Days from the start until a night is colder than a limit, in winters that are so many
        spreads milder than a usual one; past the end where none is."""
        return np.searchsorted(self._danger(limit_c), chances, side="right")

    def lowest_c(self, limit_c: float, chances: Floats) -> Floats:
        """The night that comes nearest to a limit in each of those winters. [°C]"""
        day = int(np.argmax((limit_c - self.usual_c) / self.spread_c))
        return np.asarray(self.usual_c[day] + self.spread_c[day] * chances)

    def safe_from(self, limit_c: float, spreads: float) -> bool:
        """Whether no night of a winter so many spreads colder than a usual one is below it."""
        return bool(self._danger(limit_c)[-1] <= -spreads)

    def _danger(self, limit_c: float) -> Floats:
        """How mild a winter must be for no night to be below a limit up to each day. [spreads]"""
        return np.maximum.accumulate((limit_c - self.usual_c) / self.spread_c)


def deadly_c(crop: Crop) -> float:
    """The cold that kills what is hardened: the crown or root that lives on, else the leaf."""
    return crop.kill_c.get("crown", crop.kill_c["leaf"])


@lru_cache(maxsize=2048)
def nights_of(
    year: GrowingYear, start: date, until: date, book: Book, *, under_snow: bool = False
) -> Nights | None:
    """The cold that a planting meets, under lying snow where that covers it; None where neither
    lows nor a winter's cold are known."""
    usual = None if _in_summer(year, start, until) else coldest_nights_c(year, book)
    if usual is None:
        return None
    first = row_of(start)
    span = max(1, min((until - start).days, DAYS * _YEARS - first))
    rows = (first + np.arange(span)) % DAYS
    lows = usual[rows] + year.cover_warmer_c
    if under_snow and year.mean_c is not None:
        lies = daily_means_c(year.mean_c)[rows] < book.value("snow_lies_below_c")
        lows = lows + np.where(lies, book.value("snow_warmer_c"), 0.0)
    return Nights(lows, _spread_c(usual.tobytes(), book)[rows])


@lru_cache(maxsize=64)
def _spread_c(nights: bytes, book: Book) -> Floats:
    """How much each night of a usual year differs from winter to winter: the coldest most. [°C]"""
    usual = np.frombuffer(nights)
    least = book.value("milder_winter_spread_share")
    depth = np.clip(usual / min(-0.1, float(usual.min())), 0.0, 1.0)
    spread: Floats = book.value("winter_low_spread_c") * (least + (1 - least) * depth)
    return spread


def _in_summer(year: GrowingYear, start: date, until: date) -> bool:
    """Whether a planting's time lies between the usual last and first frost of one summer."""
    frost = yearly_on_or_after(year.first_frost, start)
    return until <= frost and start >= yearly_on_or_after(year.last_frost, frost - _A_YEAR)


def snow_covers(crop: Crop) -> bool:
    """Whether what lives on through winter lies at the ground: a crown or root hardier than the
    leaf."""
    return deadly_c(crop) < crop.kill_c["leaf"]


def cold_day(
    year: GrowingYear,
    crop: Crop,
    start: date,
    until: date,
    book: Book,
    *,
    stage: Stage | None = None,
) -> date | None:
    """The day of a usual winter on which a crop, or a part of it, dies of cold, None where it
    lives on."""
    limit = crop.kill_c[stage] if stage else deadly_c(crop)
    if crop.frost != "hardy":
        # The first and the last frosts are told apart, by their dates.
        limit -= book.value("hard_frost_below_c")
    if start >= until:
        return None
    under_snow = stage is None and snow_covers(crop)
    nights = nights_of(year, start, until, book, under_snow=under_snow)
    if nights is None or nights.safe_from(limit, 0.0):
        return None
    return start + timedelta(days=int(nights.first_below(limit, np.zeros(1))[0]))


def coldest_nights_c(year: GrowingYear, book: Book) -> Floats | None:
    """The coldest night about each day of a usual year, January first. [°C]"""
    low = year.winter_low_c
    if low is None and year.tmin_c is not None:
        low = min(year.tmin_c) - book.value("winter_low_below_c")
    if low is None or year.frost_free:
        return None
    sinks = book.value("winter_sinks_power")
    return _between_frosts(year.last_frost, year.first_frost, year.tmin_c, low, sinks)


def coming_nights_c(year: GrowingYear, book: Book) -> Floats | None:
    """The coldest night of the weeks that follow each day of a usual year. [°C]"""
    nights = coldest_nights_c(year, book)
    return None if nights is None else _lowest_ahead(nights.tobytes())


@lru_cache(maxsize=64)
def _lowest_ahead(nights: bytes) -> Floats:
    twice = np.tile(np.frombuffer(nights), 2)
    ahead = np.lib.stride_tricks.sliding_window_view(twice, _YOUNG_DAYS)[:DAYS]
    lowest: Floats = ahead.min(axis=1)
    return lowest


@lru_cache(maxsize=64)
def _between_frosts(
    last_frost: date,
    first_frost: date,
    tmin_c: Months | None,
    winter_low_c: float,
    sinks_power: float,
) -> Floats:
    """Freezing on the days of the first and the last frost, the winter's low in between: as the
    usual nights go down and up where they are known, else in straight lines."""
    spring = yearly_on_or_after(last_frost, first_frost)
    winter = max(2, (spring - first_frost).days)
    rows = (row_of(first_frost) + np.arange(winter + 1)) % DAYS
    usual = None if tmin_c is None else daily_means_c(tmin_c)[rows]
    if usual is None or usual.min() >= min(usual[0], usual[-1]):
        usual = np.abs(np.linspace(-1.0, 1.0, winter + 1))
    deepest = int(np.argmin(usual))
    edge = np.where(np.arange(winter + 1) <= deepest, usual[0], usual[-1])
    depth = np.clip((edge - usual) / np.maximum(0.1, edge - usual[deepest]), 0.0, 1.0)
    nights = np.full(DAYS, _WARM_C)
    nights[rows] = min(0.0, winter_low_c) * depth**sinks_power
    return nights
