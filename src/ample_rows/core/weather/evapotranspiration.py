"""Reference evapotranspiration: FAO-56 Penman-Monteith, and Hargreaves-Samani without air data.

Allen, Pereira, Raes and Smith 1998 (FAO Irrigation and Drainage Paper 56); equation numbers
are theirs. Hargreaves and Samani 1985.
"""

import math
from dataclasses import dataclass

SOLAR_CONSTANT = 0.0820
"""[MJ/m2/min]"""
MJ_PER_MM = 2.45
STEFAN_BOLTZMANN = 4.903e-9
"""[MJ/K4/m2/day]"""
ALBEDO = 0.23
_DAYS = 365


def _sunset_angle(latitude_rad: float, declination: float) -> float:
    cosine = -math.tan(latitude_rad) * math.tan(declination)
    return math.acos(max(-1.0, min(1.0, cosine)))


def _declination(day_of_year: int) -> float:
    return 0.409 * math.sin(2 * math.pi / _DAYS * day_of_year - 1.39)


def extraterrestrial_radiation(latitude_deg: float, day_of_year: int) -> float:
    """Sun at the top of the air over a day, equation 21. [MJ/m2/day]"""
    latitude = math.radians(max(-89.9, min(89.9, latitude_deg)))
    distance = 1 + 0.033 * math.cos(2 * math.pi / _DAYS * day_of_year)
    declination = _declination(day_of_year)
    sunset = _sunset_angle(latitude, declination)
    high = sunset * math.sin(latitude) * math.sin(declination)
    turning = math.cos(latitude) * math.cos(declination) * math.sin(sunset)
    return 24 * 60 / math.pi * SOLAR_CONSTANT * distance * (high + turning)


def daylight_hours(latitude_deg: float, day_of_year: int) -> float:
    """Longest sunshine that a day can have, equation 34. [hours]"""
    latitude = math.radians(max(-89.9, min(89.9, latitude_deg)))
    return 24 / math.pi * _sunset_angle(latitude, _declination(day_of_year))


def saturation_vapour_kpa(temperature_c: float) -> float:
    """Equation 11. [kPa]"""
    return 0.6108 * math.exp(17.27 * temperature_c / (temperature_c + 237.3))


def wind_at_two_metres(wind_m_per_s: float, height_m: float) -> float:
    """Wind measured at some height as it is at two metres, equation 47. [m/s]"""
    return wind_m_per_s * 4.87 / math.log(67.8 * height_m - 5.42)


def hargreaves(tmin_c: float, tmax_c: float, radiation_mj: float) -> float:
    """Equation 52, from temperatures alone.

    Args:
        radiation_mj: Extraterrestrial radiation. [MJ/m2/day]

    Returns:
        Reference evapotranspiration. [mm/day]
    """
    mean, span = (tmin_c + tmax_c) / 2, max(0.0, tmax_c - tmin_c)
    return max(0.0, 0.0023 * (mean + 17.8) * math.sqrt(span) * radiation_mj / MJ_PER_MM)


@dataclass(frozen=True)
class Air:
    """A day's air and sun, for Penman-Monteith.

    `sunshine_hours` are bright hours; `soil_heat_mj` the heat that goes into the ground,
    0 for a day. [degC, degC, kPa, m/s at 2 m, hours, MJ/m2/day]
    """

    tmin_c: float
    tmax_c: float
    vapour_kpa: float
    wind_m_per_s: float
    sunshine_hours: float
    soil_heat_mj: float = 0.0


def net_radiation(air: Air, latitude_deg: float, elevation_m: float, day_of_year: int) -> float:
    """Equations 35 to 40. [MJ/m2/day]"""
    top = extraterrestrial_radiation(latitude_deg, day_of_year)
    longest = daylight_hours(latitude_deg, day_of_year)
    bright = min(1.0, air.sunshine_hours / longest) if longest else 0.0
    solar = (0.25 + 0.5 * bright) * top
    clear = (0.75 + 2e-5 * elevation_m) * top
    kelvins = ((air.tmax_c + 273.16) ** 4 + (air.tmin_c + 273.16) ** 4) / 2
    humid = 0.34 - 0.14 * math.sqrt(air.vapour_kpa)
    cloud = 1.35 * (min(1.0, solar / clear) if clear else 0.0) - 0.35
    return (1 - ALBEDO) * solar - STEFAN_BOLTZMANN * kelvins * humid * cloud


def _pressure_kpa(elevation_m: float) -> float:
    """Equation 7."""
    return 101.3 * math.pow((293 - 0.0065 * elevation_m) / 293, 5.26)


def penman_monteith(air: Air, latitude_deg: float, elevation_m: float, day_of_year: int) -> float:
    """Equation 6. [mm/day]"""
    mean = (air.tmin_c + air.tmax_c) / 2
    saturated = (saturation_vapour_kpa(air.tmax_c) + saturation_vapour_kpa(air.tmin_c)) / 2
    slope = 4098 * saturation_vapour_kpa(mean) / (mean + 237.3) ** 2
    gamma = 0.665e-3 * _pressure_kpa(elevation_m)
    net = net_radiation(air, latitude_deg, elevation_m, day_of_year) - air.soil_heat_mj
    dry = max(0.0, saturated - air.vapour_kpa)
    wind = air.wind_m_per_s
    above = 0.408 * slope * net + gamma * 900 / (mean + 273) * wind * dry
    return max(0.0, above / (slope + gamma * (1 + 0.34 * wind)))
