"""Normals and frosts: made-up climates either side of the equator, and tables read as they come."""

from datetime import date

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.weather.climate import climate_csv, made_up, read_climate
from ample_rows.core.weather.evapotranspiration import saturation_vapour_kpa
from ample_rows.core.weather.frost_guess import guess_frosts
from ample_rows.core.words.message import said

LOWS = range(12)


def table(head="month,low,high,rain", row="{m},{m},{h},50", months=12):
    return "\n".join([head, *(row.format(m=m, h=m + 10) for m in range(months))])


def test_a_table_gives_twelve_months_of_each_known_column():
    climate = read_climate(table())
    assert climate.tmin_c == tuple(float(m) for m in LOWS)
    assert climate.tmax_c == tuple(float(m + 10) for m in LOWS)
    assert climate.rain_mm == (50.0,) * 12
    assert climate.wind_m_per_s is None


def test_semicolons_free_the_comma_for_decimals():
    climate = read_climate(table("month;min;max", "{m};{m},5;{h},25"))
    assert climate.tmin_c[3] == 3.5
    assert climate.tmax_c[3] == 13.25


def test_a_head_may_name_other_units():
    climate = read_climate(table("month,low F,high (F),rain in,wind mph", "{m},32,50,2,10"))
    assert climate.tmin_c[0] == 0
    assert climate.tmax_c[0] == 10
    assert climate.rain_mm[0] == 50.8
    assert climate.wind_m_per_s[0] == 4.47


@pytest.mark.parametrize(
    ("text", "path", "words"),
    [
        ("", "line 1", "empty"),
        ("a,b\n1,2", "line 1", "no column"),
        (table(months=11), "the table", "11 months"),
        (table(row="{m},x,3,4"), "line 2, low", '"x" is not a number'),
        (table(row="{m},1,300,4"), "line 2, high", "300 cannot be"),
        (table(row="{m},5,3,4"), "line 2", "above the high"),
        (table(row="{m},5"), "line 2, high", "not a number"),
        (table(row="{m},1,2,-4"), "line 2, rain", "-4 cannot be"),
    ],
)
def test_what_is_wrong_is_named_with_its_line(text, path, words):
    with pytest.raises(PlanFaultsError) as caught:
        read_climate(text)
    fault = caught.value.faults[0]
    assert fault.path == path
    assert words in said(fault.text)


def test_what_goes_out_comes_in_again(book):
    for climate in book.climates.values():
        kept = made_up(climate, 50)
        assert read_climate(climate_csv(kept)) == kept


def test_what_goes_out_in_degrees_fahrenheit_comes_in_again(book):
    kept = made_up(next(iter(book.climates.values())), 40)
    table = climate_csv(kept, imperial=True)
    assert table.startswith("month,low F,high F,rain in,")
    again = read_climate(table)
    for key in ("tmin_c", "tmax_c", "rain_mm", "wind_m_per_s"):
        assert getattr(again, key) == pytest.approx(getattr(kept, key), abs=0.01)


def test_made_up_climates_are_plausible_and_differ(book):
    assert len(book.climates) == 6
    for climate in book.climates.values():
        for low, high, vapour in zip(
            climate.tmin_c, climate.tmax_c, climate.vapour_kpa, strict=True
        ):
            assert 4 <= high - low <= 15
            # Dew point near the night's low, a little below it where the air is dry.
            dry, damp = saturation_vapour_kpa(low - 6), saturation_vapour_kpa(low + 1.5)
            assert dry <= vapour <= damp
        assert max(climate.tmax_c) == max(climate.tmax_c[6], climate.tmax_c[7])


def test_south_of_the_equator_july_is_winter(book):
    climate = next(iter(book.climates.values()))
    assert made_up(climate, -38).tmin_c[6] == climate.tmin_c[0]


def test_frosts_of_a_made_up_climate_lie_about_its_cold_months(book):
    for name, climate in book.climates.items():
        guess = guess_frosts(45, today=date(2027, 1, 15), climate=climate)
        assert guess.last_frost < guess.first_frost
        # The last frost comes in a month whose usual low is near freezing, where any is.
        low = climate.tmin_c[guess.last_frost.month - 1]
        assert (-1 <= low <= 8) or name == "frost-free"
        assert climate.winter_low_c < min(climate.tmin_c)


def test_south_of_the_equator_frosts_are_half_a_year_later(book):
    climate = book.climates["cold-winter"]
    guess = guess_frosts(-44, today=date(2027, 1, 15), climate=climate)
    assert (guess.last_frost.month, guess.first_frost.month) == (11, 4)
