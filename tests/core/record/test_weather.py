"""The weather of days: measured where it was, made up and told as such where it was not."""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.record.weather import weather_days
from ample_rows.core.weather.days import DayWeather

DAY = date(2027, 6, 10)
STAND_IN = tuple(DayWeather(DAY + timedelta(days=n), 9.0, 21.0, 2.0) for n in range(3))


def on(days, **figures):
    return WeatherSeen(day=DAY + timedelta(days=days), **figures)


def test_what_was_measured_goes_before_what_is_made_up():
    seen = [on(1, min_c=3.5, rain_mm=0.0, frost=True)]
    first, second, third = weather_days(seen, STAND_IN, DAY, DAY + timedelta(days=2))
    assert (first.low_c, first.measured) == (9.0, ())
    assert (second.low_c, second.high_c, second.rain_mm, second.frost) == (3.5, 21.0, 0.0, True)
    assert second.measured == ("low_c", "rain_mm", "frost")
    assert third.measured == ()


def test_a_gauge_emptied_days_ago_rained_evenly_since():
    seen = [on(2, rain_mm=9.0, rain_days=3), on(1, rain_mm=5.0)]
    days = weather_days(seen, (), DAY, DAY + timedelta(days=2))
    assert [day.rain_mm for day in days] == [3.0, 5.0, 3.0]
    assert [day.week_rain_mm for day in days] == pytest.approx([3.0, 8.0, 11.0])


def test_a_week_s_rain_is_that_of_seven_days():
    seen = [on(0, rain_mm=4.0), on(6, rain_mm=2.0)]
    days = weather_days(seen, (), DAY, DAY + timedelta(days=14))
    assert [day.week_rain_mm for day in days] == [4.0] * 6 + [6.0] + [2.0] * 6 + [None] * 2


def test_without_a_climate_what_was_not_measured_is_not_known():
    (day,) = weather_days([], (), DAY, DAY)
    assert (day.low_c, day.high_c, day.rain_mm, day.measured) == (None, None, None, ())


def test_a_low_above_the_high_is_refused():
    with pytest.raises(ValueError, match="min_c is above max_c"):
        on(0, min_c=20.0, max_c=10.0)


@given(st.floats(0, 300), st.integers(1, 31))
def test_a_gauge_gives_all_that_it_held(mm, days):
    seen = [on(0, rain_mm=mm, rain_days=days)]
    since = DAY - timedelta(days=40)
    told = weather_days(seen, (), since, DAY)
    assert sum(day.rain_mm or 0.0 for day in told) == pytest.approx(mm)
