"""The sun's true path: where it stands through chosen days (Reda and Andreas 2004)."""

from dataclasses import dataclass
from datetime import UTC, date, datetime, time
from functools import cache, lru_cache
from importlib.machinery import PathFinder
from importlib.util import find_spec, module_from_spec
from typing import Any

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.weather.day_length import day_length_hours

Floats = NDArray[np.float64]
Ints = NDArray[np.intp]

USEFUL_ELEVATION_DEG = 10.0
PARTS = 4
"""Parts of a day: low morning, high morning, high afternoon, low afternoon sun."""
MONTH_SAMPLES = (8, 23)
STEP_MINUTES = 4.0
_AVERAGE_PRESSURE_HPA, _AVERAGE_TEMPERATURE_C, _REFRACTION_DEG = 1013.25, 12.0, 0.5667
_SLACK_HOURS = 0.5


@dataclass(frozen=True)
class Location:
    """Where on earth. [degrees, degrees, m]"""

    latitude: float
    longitude: float
    elevation_m: float


@dataclass(frozen=True, eq=False)
class SunPath:
    """Positions of the sun's centre above the horizon, in the order of days and of time.

    `azimuth_deg` is clockwise from true north. Each position stands for `step_hours`.
    `segment` counts parts of days: day index times four, plus the part.
    """

    where: Location
    days: tuple[date, ...]
    azimuth_deg: Floats
    elevation_deg: Floats
    segment: Ints
    step_hours: float

    @property
    def day_index(self) -> Ints:
        return self.segment // PARTS


@cache
def _spa() -> Any:
    # The algorithm's own module needs numpy alone; importing the whole package would cost
    # pandas and scipy: a second at start and a hundred megabytes.
    package = find_spec("pvlib")
    found = PathFinder.find_spec("spa", package.submodule_search_locations) if package else None
    if found is None or found.loader is None:
        raise ModuleNotFoundError("pvlib is not installed; run ./ample test or ./ample start")
    module = module_from_spec(found)
    found.loader.exec_module(module)
    return module


def positions(times_unix: Floats, where: Location) -> tuple[Floats, Floats, Floats]:
    """Geometric elevation, azimuth from north, and the equation of time.

    Args:
        times_unix: Seconds since 1970, UTC.

    Returns:
        Elevation of the sun's centre without refraction [degrees], azimuth clockwise from
        true north [degrees], equation of time [minutes].
    """
    spa = _spa()
    first = datetime.fromtimestamp(float(times_unix[0]), UTC)
    result = spa.solar_position(
        times_unix,
        where.latitude,
        where.longitude,
        where.elevation_m,
        _AVERAGE_PRESSURE_HPA,
        _AVERAGE_TEMPERATURE_C,
        spa.calculate_deltat(first.year, first.month),
        _REFRACTION_DEG,
    )
    return result[3], result[4], result[5]


@cache
def sample_days(year: int) -> tuple[date, ...]:
    """Two days of each month, evenly through a year: a month's figure is their mean."""
    return tuple(date(year, month, day) for month in range(1, 13) for day in MONTH_SAMPLES)


@lru_cache(maxsize=64)
def sun_path(
    where: Location, days: tuple[date, ...], step_minutes: float = STEP_MINUTES
) -> SunPath:
    """The sun above the horizon on some days, each reckoned about its own solar midday."""
    noon = 12 - where.longitude / 15
    starts, offsets = [], []
    for day in days:
        half = min(12.0, day_length_hours(where.latitude, day) / 2 + _SLACK_HOURS) * 60
        steps = int(np.ceil(half / step_minutes))
        minutes = (np.arange(-steps, steps) + 0.5) * step_minutes
        # A day is never counted longer than it is, where the sun does not set.
        minutes = minutes[np.abs(minutes) < 720]
        midnight = datetime.combine(day, time(), UTC).timestamp()
        starts.append(midnight + noon * 3600 + minutes * 60)
        offsets.append(minutes)
    index = np.repeat(np.arange(len(days)), [len(s) for s in starts])
    elevation, azimuth, equation = positions(np.concatenate(starts), where)
    afternoon = np.concatenate(offsets) + equation > 0
    high = elevation > USEFUL_ELEVATION_DEG
    part = np.where(afternoon, np.where(high, 2, 3), np.where(high, 1, 0))
    up = elevation > 0
    return SunPath(
        where=where,
        days=days,
        azimuth_deg=azimuth[up],
        elevation_deg=elevation[up],
        segment=(index * PARTS + part)[up],
        step_hours=step_minutes / 60,
    )
