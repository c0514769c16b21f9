"""Day length and the noon sun, from the sun's declination.

Declination by Spencer (1971), good to about 0.05 degrees: enough for a ruler's curve
and for the angle of noon light in a drawing. Both hemispheres and the tropics.
"""

import math
from datetime import date
from functools import lru_cache

REFRACTION_DEG = 0.833


@lru_cache(maxsize=1024)
def declination_deg(day_of_year: int) -> float:
    """The sun's declination at noon. [degrees]"""
    g = 2 * math.pi * (day_of_year - 1) / 365
    return math.degrees(
        0.006918
        - 0.399912 * math.cos(g)
        + 0.070257 * math.sin(g)
        - 0.006758 * math.cos(2 * g)
        + 0.000907 * math.sin(2 * g)
        - 0.002697 * math.cos(3 * g)
        + 0.00148 * math.sin(3 * g)
    )


def day_length_hours(latitude: float, day: date) -> float:
    """Sunrise to sunset with refraction; 0 in polar night, 24 in polar day. [hours]"""
    declination = math.radians(declination_deg(day.timetuple().tm_yday))
    lat = math.radians(max(-89.99, min(89.99, latitude)))
    horizon = math.sin(math.radians(-REFRACTION_DEG))
    cosine = (horizon - math.sin(lat) * math.sin(declination)) / (
        math.cos(lat) * math.cos(declination)
    )
    return 24 / math.pi * math.acos(max(-1.0, min(1.0, cosine)))


def noon_altitude_deg(latitude: float, day: date) -> float:
    """Height of the noon sun above the horizon, negative in polar night. [degrees]"""
    return 90 - abs(latitude - declination_deg(day.timetuple().tm_yday))


def noon_azimuth_deg(latitude: float, day: date) -> float:
    """180 where the noon sun stands south, 0 where it stands north. [degrees]"""
    return 180.0 if latitude >= declination_deg(day.timetuple().tm_yday) else 0.0
