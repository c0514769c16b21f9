"""Made-up weather true to its normals, the soil's warmth, and what the days ahead ask for."""

from datetime import date, timedelta

import numpy as np
import pytest

from ample_rows.core import plan as p
from ample_rows.core.ask.days_ahead import advice_for
from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.calendar.soil_of_day import soil_of_day
from ample_rows.core.calendar.soil_warmth import days_to_come_up, estimated_c, soil_warmer_c
from ample_rows.core.weather.days import DayWeather, weather_of
from ample_rows.core.weather.forecast import DAYS_AHEAD, StandInForecast
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, tub
from tests.core.weather.test_warmth import THERMAL

NEW_YEAR = date(2027, 1, 1)


@pytest.fixture
def normals(read):
    return read(document(**THERMAL)).garden.climate


@pytest.fixture
def years(normals, book):
    return [weather_of(normals, NEW_YEAR, 365, seed, book) for seed in range(80)]


def monthly(years, value, combine=np.mean):
    return [
        float(np.mean([combine([value(d) for d in days if d.day.month == m]) for days in years]))
        for m in range(1, 13)
    ]


def test_many_years_have_the_normals(years, normals):
    assert monthly(years, lambda d: d.high_c) == pytest.approx(normals.tmax_c, abs=0.8)
    assert monthly(years, lambda d: d.low_c) == pytest.approx(normals.tmin_c, abs=0.8)
    rain = monthly(years, lambda d: d.rain_mm, np.sum)
    assert rain == pytest.approx(list(normals.rain_mm), rel=0.25)


def test_days_are_sane_and_years_differ(years):
    assert all(d.low_c < d.high_c and d.rain_mm >= 0 for days in years for d in days)
    means = [np.mean([d.high_c for d in days]) for days in years]
    assert 0.4 < np.std(means) < 1.3


def test_rain_comes_in_spells(years):
    wet = np.array([[d.rain_mm > 0 for d in days] for days in years])
    after_wet = wet[:, 1:][wet[:, :-1]].mean()
    after_dry = wet[:, 1:][~wet[:, :-1]].mean()
    assert after_wet > after_dry + 0.2
    assert 0.3 < wet.mean() < 0.7


def test_the_same_seed_gives_the_same_days_from_any_day_on(normals, book):
    whole = weather_of(normals, NEW_YEAR, 365, 7, book)
    later = weather_of(normals, NEW_YEAR + timedelta(days=100), 10, 7, book)
    assert later == whole[100:110]
    assert weather_of(normals, NEW_YEAR, 20, 8, book) != whole[:20]


def test_without_normals_nothing_is_made_up(read, book):
    plan = read(document())
    assert StandInForecast(plan.garden.climate, 1, book).ahead(NEW_YEAR, DAYS_AHEAD) == ()
    assert soil_of_day(plan, NEW_YEAR, 1, book) == ()


def test_soil_swings_less_and_later_the_deeper_it_is(read, book):
    plan = read(document(**THERMAL))
    year = growing_year(plan.garden, book)
    ground = p.Place.model_validate_json(
        '{"id": "g", "kind": "ground", "wall_height_cm": 0, '
        '"shape": {"type": "rectangle", "width_cm": 100, "length_cm": 100}}'
    )
    days = [NEW_YEAR + timedelta(days=d) for d in range(365)]
    at = {d: [estimated_c(year, ground, day, d, book) for day in days] for d in (3, 50)}
    assert np.ptp(at[50]) < np.ptp(at[3])
    assert int(np.argmax(at[50])) > int(np.argmax(at[3]))
    assert np.mean(at[50]) == pytest.approx(np.mean(at[3]), abs=0.1)


@pytest.mark.parametrize(
    ("place", "warmer"), [(tub(), 1.5), (bed(), 0.9), (bed(wall_height_cm=80), 1.0)]
)
def test_raised_soil_is_warmer(read, book, place, warmer):
    found = read(document(places=[place])).places[0]
    assert soil_warmer_c(found, book) == pytest.approx(warmer)


def test_a_probe_is_read_where_one_is(read, book):
    plan = read(document(places=[bed(), tub(probe="stand-in")], **THERMAL))
    found = {one.place: one for one in soil_of_day(plan, date(2027, 4, 10), 1, book)}
    assert said(found["tub"].how) == "read by its probe"
    assert said(found["bed"].how) == "as usual on this day"
    other = soil_of_day(plan, date(2027, 4, 10), 2, book)
    assert {one.place: one for one in other}["bed"] == found["bed"]


# Days that seed took at each warmth of soil, after published trials of vegetable seed.
@pytest.mark.parametrize(
    ("crop", "soil_c", "low", "high"),
    [("radish", 10, 8, 14), ("carrot", 10, 14, 26), ("pea", 10, 10, 20), ("pea", 20, 6, 10)],
)
def test_days_to_come_up(book, crop, soil_c, low, high):
    assert low <= days_to_come_up(book.crops[crop], soil_c, book) <= high


def test_soil_too_cold_has_no_day(book):
    assert days_to_come_up(book.crops["dwarf-bean"], 4, book) is None


def days(*given):
    return [
        DayWeather(date(2027, 6, 1) + timedelta(days=i), low, high, rain)
        for i, (low, high, rain) in enumerate(given)
    ]


@pytest.fixture
def advised(reported, read, book):
    def found(ahead, *plantings):
        doc = document(*plantings)
        plan = read(doc)
        told = advice_for(ahead, reported(doc).plantings, plan.places, book)
        return {one.kind: said(one.words) for one in told}

    return found


BEANS = planting("dwarf-bean", block("A1", "B2"), id="beans", start_date="2027-05-20")
SALAD = planting("lettuce", block("C1", "D2"), id="salad", start_date="2027-05-01")


def test_frost_is_told_of_what_it_takes(advised):
    cold = days((6, 14, 1), (0, 12, 5))
    told = advised(cold, BEANS, SALAD)
    assert "0 °C is likely in the night of 2 June: cover dwarf French bean" in told["frost"]
    assert "frost" not in advised(days((6, 14, 1)), BEANS, SALAD)
    assert "frost" not in advised(cold, SALAD)


def test_what_is_to_be_set_out_waits_for_the_frost_to_pass(advised):
    later = {**BEANS, "start_date": "2027-06-02"}
    told = advised(days((6, 14, 1), (0, 12, 5)), later)
    assert told["frost"].split(": ")[1].startswith("wait with dwarf French bean")


def test_heat_and_rain(advised):
    hot = advised(days((16, 31, 0), (15, 30, 0)), SALAD, BEANS)
    assert "shade and water head lettuce" in hot["heat"]
    assert "pots each day" in hot["dry"]
    assert advised(days((6, 13, 0)), SALAD)["dry"].endswith("water in full")
    assert "dry" not in advised(days((-3, 4, 0)), SALAD)
    assert "no need to water" in advised(days((9, 15, 12), (9, 15, 14)), SALAD)["rain"]
