"""The sun's path against a published example, and its sense at every latitude."""

from datetime import UTC, date, datetime

import numpy as np
import pytest

from ample_rows.core.site.sun_path import Location, positions, sun_path
from ample_rows.core.weather.day_length import day_length_hours


def test_the_worked_example_of_reda_and_andreas():
    # Reda and Andreas 2004, appendix A.5: 17 October 2003, 12:30:30 at UTC-7; e0 and azimuth.
    moment = datetime(2003, 10, 17, 19, 30, 30, tzinfo=UTC).timestamp()
    elevation, azimuth, _ = positions(np.array([moment]), Location(39.742476, -105.1786, 1830.14))
    assert elevation[0] == pytest.approx(39.872046, abs=1e-4)
    assert azimuth[0] == pytest.approx(194.34024, abs=1e-4)


@pytest.mark.parametrize("latitude", [-65, -37.6, -10, 0, 10, 23.4, 51.9, 65])
@pytest.mark.parametrize("month", [3, 6, 9, 12])
def test_the_sun_is_up_about_as_long_as_the_day_lasts(latitude, month):
    day = date(2027, month, 21)
    path = sun_path(Location(latitude, 20, 0), (day,), 1.0)
    up = len(path.elevation_deg) * path.step_hours
    # The day counts refraction and the sun's rim; the path counts its centre. Where the sun
    # slants, that is some minutes more.
    assert -0.05 < day_length_hours(latitude, day) - up < 1.1


@pytest.mark.parametrize(
    ("latitude", "month", "noon_azimuth"),
    [(51.9, 6, 180), (-37.6, 12, 0), (10, 6, 0), (10, 12, 180)],
)
def test_noon_stands_on_the_right_side(latitude, month, noon_azimuth):
    path = sun_path(Location(latitude, 0, 0), (date(2027, month, 21),), 1.0)
    highest = path.azimuth_deg[path.elevation_deg.argmax()]
    assert abs((highest - noon_azimuth + 180) % 360 - 180) < 1.5


def test_parts_of_a_day_split_at_noon_and_at_ten_degrees():
    path = sun_path(Location(51.9, -2.1, 60), (date(2027, 6, 21),), 1.0)
    low_morning, high_morning, high_afternoon, low_afternoon = np.bincount(path.segment)
    assert high_morning == pytest.approx(high_afternoon, abs=3)
    assert low_morning == pytest.approx(low_afternoon, abs=3)
    assert path.elevation_deg[path.segment == 1].min() > 10


def test_the_polar_day_is_a_day_long_and_the_polar_night_has_none():
    assert len(sun_path(Location(75, 0, 0), (date(2027, 6, 21),), 1.0).elevation_deg) == 1440
    assert len(sun_path(Location(75, 0, 0), (date(2027, 12, 21),), 1.0).elevation_deg) == 0
