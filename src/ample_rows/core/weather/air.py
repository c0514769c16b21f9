"""What a garden's air takes and its rain brings back, month by month."""

from dataclasses import dataclass
from datetime import date
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.weather.evapotranspiration import (
    Air,
    extraterrestrial_radiation,
    hargreaves,
    penman_monteith,
)
from ample_rows.core.words.message import Text, message

MONTH_DAYS = (31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31)
_MIDDLE = 15


def reference_by_month(garden: p.Garden) -> tuple[tuple[float, ...], Text] | None:
    """Reference evapotranspiration of twelve months and its method, where there is a climate.
    [mm/day]"""
    climate = garden.climate
    if climate is None or climate.tmin_c is None or climate.tmax_c is None:
        return None
    vapour, wind, sunshine = climate.vapour_kpa, climate.wind_m_per_s, climate.sunshine_hours
    days = [date(2027, month, _MIDDLE).timetuple().tm_yday for month in range(1, 13)]
    pairs = list(zip(climate.tmin_c, climate.tmax_c, days, strict=True))
    if vapour and wind and sunshine:
        air = [
            Air(low, high, vapour[m], wind[m], sunshine[m])
            for m, (low, high, _) in enumerate(pairs)
        ]
        reference = [
            penman_monteith(a, garden.latitude, garden.elevation_m or 0.0, day)
            for a, day in zip(air, days, strict=True)
        ]
        return tuple(reference), "FAO-56 Penman-Monteith"
    simple = [
        hargreaves(low, high, extraterrestrial_radiation(garden.latitude, day))
        for low, high, day in pairs
    ]
    return tuple(simple), message("air-hargreaves-samani")


@dataclass(frozen=True)
class Air12:
    """What the air takes and the rain brings in twelve months. [mm/day, mm/day]"""

    taken: tuple[float, ...]
    rain: tuple[float, ...]
    method: Text


@lru_cache(maxsize=64)
def air_of(garden: p.Garden, book: Book) -> Air12 | None:
    """A garden's monthly water balance in the air; None without a climate."""
    reference = reference_by_month(garden)
    if reference is None or garden.climate is None:
        return None
    fallen = garden.climate.rain_mm or (0.0,) * 12
    share = book.value("useful_rain_share")
    rain = tuple(mm * share / n for mm, n in zip(fallen, MONTH_DAYS, strict=True))
    return Air12(reference[0], rain, reference[1])
