"""How warm the soil is where seed lies: reckoned from the air and the depth, or read by a probe.

A day's and a year's swing of the air goes into the ground damped and late (Kasuda and
Achenbach 1965); a frame stands above the cold ground, a pot even more so.
"""

import math
from dataclasses import dataclass
from datetime import date
from typing import Protocol

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import sun_share
from ample_rows.core.calendar.growing_year import GrowingYear, mean_temperature_c
from ample_rows.core.geometry import shapes
from ample_rows.core.weather.days import weather_of
from ample_rows.core.words.message import Text

_YEAR = 365.25


@dataclass(frozen=True, slots=True)
class SoilWarmth:
    """How warm the soil of a place is at a depth, and how it is known: by a probe,
    or as usual. [°C, cm]"""

    place: str
    degrees_c: float
    depth_cm: float
    how: Text
    probed: bool


class SoilProbe(Protocol):
    """A thermometer in the ground; a real one is read through the same call."""

    def read_c(self, place: str, day: date, depth_cm: float) -> float | None:
        """The soil's warmth on a day, None where no probe is. [°C]"""
        ...


def estimated_c(
    year: GrowingYear, place: p.Place, day: date, depth_cm: float, book: Book
) -> float | None:
    """The usual warmth of the soil on a day at a depth; None without a climate. [°C]"""
    if year.mean_c is None:
        return None
    damped, late = _damped(depth_cm, book)
    shifted = date.fromordinal(day.toordinal() - round(late))
    mean = sum(year.mean_c) / len(year.mean_c)
    air = mean_temperature_c(year, shifted)
    if air is None:
        return None
    warmer = soil_warmer_c(place, book) * sun_share(year.latitude, day)
    return mean + damped * (air - mean) + warmer


def soil_warmer_c(place: p.Place, book: Book) -> float:
    """How much warmer a place's soil is than open ground on long days, by kind and height. [°C]"""
    if place.kind == "container":
        return book.value("container_warmer_c")
    most = book.value("raised_warmer_most_c")
    return min(most, book.value("raised_warmer_c_cm") * shapes.fill_cm(place))


def _damped(depth_cm: float, book: Book) -> tuple[float, float]:
    """The share of the yearly swing that comes down to a depth, and how late. [0-1, days]"""
    spread = book.value("soil_diffusivity_m2_day")
    down = depth_cm / 100 * math.sqrt(math.pi / (_YEAR * spread))
    return math.exp(-down), down * _YEAR / (2 * math.pi)


@dataclass(frozen=True)
class StandInProbe:
    """A probe made up from the weather stand-in: the mean of the last days, as soil has it."""

    climate: p.Climate | None
    latitude: float
    places: tuple[p.Place, ...]
    seed: int
    book: Book

    def read_c(self, place: str, day: date, depth_cm: float) -> float | None:
        stand = next((one for one in self.places if one.id == place), None)
        if stand is None or self.climate is None:
            return None
        back = max(1, round(self.book.value("soil_days_a_cm") * depth_cm))
        since = date.fromordinal(day.toordinal() - back)
        days = weather_of(self.climate, since, back + 1, self.seed, self.book)
        if not days:
            return None
        air = sum((one.low_c + one.high_c) / 2 for one in days) / len(days)
        warmer = soil_warmer_c(stand, self.book) * sun_share(self.latitude, day)
        return round(air + warmer, 1)


def days_to_come_up(crop: Crop, soil_c: float, book: Book) -> float | None:
    """Days until seed comes up at a soil's warmth; None where it is too cold for it.

    Above its least the rate rises with warmth (Bierhuizen and Wagenvoort 1974); the book's
    quick days hold at a good warmth.
    """
    if soil_c < crop.germination_least_c:
        return None
    base = crop.germination_least_c - book.value("germination_base_below_c")
    good = crop.germination_good_c or book.value("germination_good_c")
    heat = crop.germination_days.low * (good - base)
    return max(crop.germination_days.low, heat / (soil_c - base))
