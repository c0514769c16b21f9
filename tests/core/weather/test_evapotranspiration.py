"""The worked examples of FAO-56, by their numbers."""

import math

import pytest

from ample_rows.core.weather.evapotranspiration import (
    Air,
    daylight_hours,
    extraterrestrial_radiation,
    hargreaves,
    net_radiation,
    penman_monteith,
    saturation_vapour_kpa,
    wind_at_two_metres,
)


def test_example_8_radiation_at_the_top_of_the_air():
    assert extraterrestrial_radiation(-20, 246) == pytest.approx(32.2, abs=0.1)


def test_example_9_daylight_hours():
    assert daylight_hours(-20, 246) == pytest.approx(11.7, abs=0.05)


def test_example_3_saturation_vapour_pressure():
    assert saturation_vapour_kpa(24.5) == pytest.approx(3.075, abs=0.005)
    assert saturation_vapour_kpa(15) == pytest.approx(1.705, abs=0.005)


def test_example_14_wind_at_two_metres():
    assert wind_at_two_metres(3.2, 10) == pytest.approx(2.4, abs=0.05)


def test_example_17_monthly_penman_monteith():
    # 13 degrees 44 minutes north, 2 m, April: 15 April is day 105.
    air = Air(25.6, 34.8, 2.85, 2.0, 8.5, soil_heat_mj=0.14 * (30.2 - 29.2))
    assert net_radiation(air, 13.73, 2, 105) == pytest.approx(14.33, abs=0.1)
    assert penman_monteith(air, 13.73, 2, 105) == pytest.approx(5.72, abs=0.04)


def test_example_18_daily_penman_monteith():
    # 50 degrees 48 minutes north, 100 m, 6 July: day 187. Vapour from both humidities.
    vapour = (saturation_vapour_kpa(12.3) * 0.84 + saturation_vapour_kpa(21.5) * 0.63) / 2
    air = Air(12.3, 21.5, vapour, wind_at_two_metres(10 / 3.6, 10), 9.25)
    assert vapour == pytest.approx(1.409, abs=0.003)
    assert net_radiation(air, 50.8, 100, 187) == pytest.approx(13.28, abs=0.05)
    assert penman_monteith(air, 50.8, 100, 187) == pytest.approx(3.88, abs=0.02)


def test_example_20_without_air_data():
    # 45 degrees 43 minutes north, July: 15 July is day 196.
    top = extraterrestrial_radiation(45.72, 196)
    assert top == pytest.approx(40.55, abs=0.1)
    assert hargreaves(14.8, 26.6, top) == pytest.approx(5.0, abs=0.05)


@pytest.mark.parametrize("latitude", [-90, -66, 0, 66, 90])
@pytest.mark.parametrize("day", [1, 80, 172, 355])
def test_every_latitude_gives_a_number(latitude, day):
    top = extraterrestrial_radiation(latitude, day)
    assert 0 <= top < 50
    assert 0 <= hargreaves(-5, 3, top) < 5
    cold = Air(-5, 3, 0.4, 3, 0)
    assert math.isfinite(penman_monteith(cold, latitude, 100, day))


def test_example_20_penman_monteith_with_missing_data():
    # Vapour as at the night's low, wind two metres a second, sun from the span of temperatures.
    bright = (0.16 * math.sqrt(26.6 - 14.8) - 0.25) / 0.5
    sunshine = bright * daylight_hours(45.72, 196)
    air = Air(14.8, 26.6, saturation_vapour_kpa(14.8), 2.0, sunshine)
    assert penman_monteith(air, 45.72, 200, 196) == pytest.approx(4.6, abs=0.1)
