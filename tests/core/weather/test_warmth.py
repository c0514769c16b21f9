"""Days counted in warmth: published shape, hand-worked sums, and what they do to dates."""

from datetime import date, timedelta

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.weather.response import Normals, daily_means_c, need_of, response
from ample_rows.core.weather.warmth import MOST_DAYS, days_to_pick, degree_days_wanted
from ample_rows.core.words.message import said
from tests.conftest import document, planting

COOL = {
    "tmin_c": [2, 2, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2],
    "tmax_c": [7, 8, 10, 13, 17, 20, 22, 22, 18, 14, 10, 8],
    "rain_mm": [60] * 12,
}
THERMAL = {"policies": {"time": "thermal"}, "climate": COOL}
SPRING = date(2027, 5, 1)


def even(degrees_c):
    """Every month as warm as the next, on the equator's side of any winter."""
    return Normals(45.0, (degrees_c,) * 12, (degrees_c,) * 12)


def took(book, crop, normals, start_date=SPRING, *, thermal=True):
    crop = book.crops[crop]
    return days_to_pick(normals, crop, crop.starts[0], start_date, book, thermal=thermal)


@pytest.mark.parametrize(
    ("mean_c", "growth"),
    [(4, 0), (9.5, 0.5), (15, 1), (19, 1), (23, 0.5), (27, 0), (33, 0), (-10, 0)],
)
def test_the_response_is_a_trapezoid(book, mean_c, growth):
    # Head lettuce: from 4, best from 15 to 19, nothing from 27.
    assert response(np.array([float(mean_c)]), need_of(book.crops["lettuce"]))[0] == growth


# Degree-days above the base, flat above the best, as trials and reviews give them for a start by
# the first way: sweet potato after Villordon et al. 2009, okra and watermelon after growers'
# models in warm countries, sweet corn and tomato after common degree-day scales.
@pytest.mark.parametrize(
    ("crop", "low", "high"),
    [
        ("sweet-potato", 1_200, 1_400),
        ("watermelon", 750, 950),
        ("okra", 500, 600),
        ("sweet-corn", 600, 850),
        ("tomato", 700, 850),
        ("cucumber", 430, 560),
        ("potato", 750, 1_000),
        ("dwarf-bean", 480, 620),
    ],
)
def test_degree_days_are_those_of_trials(book, crop, low, high):
    of_book = book.crops[crop]
    assert low <= degree_days_wanted(of_book, of_book.starts[0], book) <= high


def test_head_lettuce_takes_eight_weeks_in_warmth(book):
    assert 55 <= took(book, "lettuce", even(17.0)) <= 60
    assert took(book, "lettuce", even(9.5)) == pytest.approx(2 * took(book, "lettuce", even(17)), 1)


def test_beyond_its_best_a_crop_is_no_quicker(book):
    assert took(book, "lettuce", even(19.0)) == took(book, "lettuce", even(15.0))
    assert took(book, "lettuce", even(24.0)) > took(book, "lettuce", even(19.0))


def test_below_its_base_a_crop_waits_for_ever(book):
    assert took(book, "sweet-corn", even(5.0)) == MOST_DAYS
    assert took(book, "sweet-corn", even(5.0), thermal=False) == MOST_DAYS


def test_both_ways_of_counting_agree_where_the_book_s_days_are_from(book):
    for crop in book.crops.values():
        climate = book.climates[crop.days_from]
        there = Normals(climate.latitude, climate.tmin_c, climate.tmax_c)
        begun = date.fromisoformat(f"2027-{crop.usual_start}")
        by_warmth, by_calendar = (
            days_to_pick(there, crop, crop.starts[0], begun, book, thermal=thermal)
            for thermal in (True, False)
        )
        assert abs(by_warmth - by_calendar) <= 14, crop.id
        assert abs(by_calendar - crop.days_to_pick(crop.starts[0])) <= 14, crop.id


def test_days_run_straight_between_mid_months():
    daily = daily_means_c(tuple(float(m) for m in range(1, 13)))
    assert daily[14] == 1
    assert daily[(15 + 45) // 2 - 1] == pytest.approx(1.5)
    assert len(daily) == 365


@given(day=st.integers(0, 364), later=st.integers(1, 60), thermal=st.booleans())
def test_a_later_start_is_never_ready_sooner(book, day, later, thermal):
    first = date(2027, 1, 1) + timedelta(days=day)
    here = Normals(51.9, tuple(COOL["tmin_c"]), tuple(COOL["tmax_c"]))
    ready = [
        start + timedelta(days=took(book, "carrot", here, start, thermal=thermal))
        for start in (first, first + timedelta(days=later))
    ]
    assert ready[0] <= ready[1] + timedelta(days=1)


def test_in_the_dark_of_winter_days_do_not_count(book):
    here = Normals(52.0, tuple(COOL["tmin_c"]), tuple(COOL["tmax_c"]))
    autumn = took(book, "radish", here, date(2027, 10, 20), thermal=False)
    assert autumn > 2 * took(book, "radish", here, date(2027, 6, 1), thermal=False)
    # Without a climate the length of days is known all the same; near the equator none is short.
    assert took(book, "radish", Normals(52.0), date(2027, 11, 20), thermal=False) > 80
    assert took(book, "radish", Normals(5.0), date(2027, 11, 20), thermal=False) == 28


def test_spring_sowings_come_closer_in_summer(grown):
    def days(start, **garden):
        report = grown(planting("radish", ("A1",), start_date=start), **garden)
        return (report.first_pick - report.start_date).days

    assert days("2027-03-25", **THERMAL) > 1.5 * days("2027-06-01", **THERMAL)
    assert days("2027-03-25") == days("2027-06-01") == 28


def test_the_window_closes_so_that_it_can_still_be_picked(grown):
    report = grown(planting("dwarf-bean", start_date="2027-06-01"), **THERMAL)
    latest = report.window.latest.isoformat()
    last = grown(planting("dwarf-bean", start_date=latest), **THERMAL)
    assert last.first_pick < date(2027, 10, 20)
    after = (report.window.latest + timedelta(days=45)).isoformat()
    never = grown(planting("dwarf-bean", start_date=after), **THERMAL)
    assert never.first_pick is None


def test_without_the_weather_the_calendar_is_used_and_it_is_said(grown, noted):
    policies = {"policies": {"time": "thermal"}}
    carrot = planting("carrot")
    assert grown(carrot, **policies).first_pick == grown(carrot).first_pick
    told = said(noted(document(carrot, **policies))["warmth-unknown"].text)
    assert "needs the high and low" in told
    assert "warmth-unknown" not in noted(document(carrot, **THERMAL))
