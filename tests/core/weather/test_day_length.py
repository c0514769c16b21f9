"""Day length and the noon sun against published almanac values."""

from datetime import date

import pytest

from ample_rows.core.weather import day_length


@pytest.mark.parametrize(
    ("day", "declination"),
    [
        (date(2027, 3, 20), 0.0),
        (date(2027, 6, 21), 23.44),
        (date(2027, 9, 23), 0.0),
        (date(2027, 12, 21), -23.44),
    ],
)
def test_declination_at_the_turns_of_the_year(day, declination):
    found = day_length.declination_deg(day.timetuple().tm_yday)
    assert found == pytest.approx(declination, abs=0.5)


@pytest.mark.parametrize(
    ("latitude", "day", "hours"),
    [
        (51.5, date(2027, 6, 21), 16.64),  # almanac: 16 h 38 min
        (51.5, date(2027, 12, 21), 7.83),  # almanac: 7 h 50 min
        (-37.6, date(2027, 12, 21), 14.77),  # as long there as midsummer in the north
        (0, date(2027, 3, 1), 12.12),  # refraction lengthens every day
        (70, date(2027, 6, 21), 24),
        (70, date(2027, 12, 21), 0),
        (90, date(2027, 6, 21), 24),
    ],
)
def test_day_length(latitude, day, hours):
    assert day_length.day_length_hours(latitude, day) == pytest.approx(hours, abs=0.06)


@pytest.mark.parametrize("latitude", [-60, -20, 10, 35, 66])
def test_the_hemispheres_mirror_each_other(latitude):
    here = day_length.day_length_hours(latitude, date(2027, 6, 21))
    there = day_length.day_length_hours(-latitude, date(2027, 12, 21))
    assert here == pytest.approx(there, abs=0.05)
