"""Growing zones: the published steps of ten degrees Fahrenheit, each in two halves."""

import pytest

from ample_rows.core.weather.hardiness import winter_low_of_zone_c


@pytest.mark.parametrize(
    ("zone", "low_c", "high_c"),
    [
        ("1a", -51.1, -48.3),
        ("5", -28.9, -23.3),
        ("Zone 6b", -20.6, -17.8),
        ("8a", -12.2, -9.4),
        ("10", -1.1, 4.4),
        ("13B", 18.3, 21.1),
    ],
)
def test_a_zone_is_the_coldest_night_of_a_usual_winter(zone, low_c, high_c):
    assert winter_low_of_zone_c(zone) == pytest.approx((low_c + high_c) / 2, abs=0.11)


@pytest.mark.parametrize("zone", ["", "0", "14", "7c", "H4", "mild", "6b or 7a"])
def test_what_is_no_zone_says_nothing_of_the_winter(zone):
    assert winter_low_of_zone_c(zone) is None
