"""The weather of a day typed in a line."""

from datetime import date

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.record.typed.weather import typed_weather
from ample_rows.core.words.message import said

DAY = date(2027, 4, 20)


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("frost", {"frost": True}),
        ("seen frost last night", {"frost": True}),
        ("rain 12 mm", {"rain_mm": 12}),
        ("gauge 0,5 in", {"rain_mm": 12.7}),
        ("min -2 max 9.5", {"min_c": -2, "max_c": 9.5}),
        ("lowest 28 °F, frost", {"min_c": pytest.approx(-2.22), "frost": True}),
    ],
)
def test_weather_is_read(text, told):
    seen = typed_weather(text, DAY, None, imperial=False).seen
    assert seen.model_dump(exclude_defaults=True) == {"day": DAY, **told}


@pytest.mark.parametrize("text", ["", "frost on the low bed", "rain barrel full", "carrots 12 mm"])
def test_a_line_that_tells_more_is_no_weather(text):
    assert typed_weather(text, DAY, None, imperial=False) is None


def test_it_is_added_to_what_was_measured_and_said_back():
    before = WeatherSeen(day=DAY, min_c=-1, rain_mm=30, rain_days=5)
    told = typed_weather("frost, rain 4", DAY, before, imperial=False)
    assert told.seen == WeatherSeen(day=DAY, min_c=-1, rain_mm=4, frost=True)
    assert said(told.words) == "the weather; lowest −1 °C; 4 mm of rain; frost; 20 April"
    assert typed_weather("rain 1", DAY, None, imperial=True).seen.rain_mm == 25.4


def test_what_no_weather_is_is_named():
    with pytest.raises(PlanFaultsError, match="min_c is above max_c"):
        typed_weather("min 12 max 3", DAY, None, imperial=False)
