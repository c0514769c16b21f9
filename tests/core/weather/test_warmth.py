"""Days counted in warmth: published shape, hand-worked sums, and what they do to dates."""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.weather.warmth import (
    MOST_DAYS,
    daily_means_c,
    days_in_warmth,
    degree_days_wanted,
)
from ample_rows.core.words.message import said
from tests.conftest import document, planting

COOL = {
    "tmin_c": [2, 2, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2],
    "tmax_c": [7, 8, 10, 13, 17, 20, 22, 22, 18, 14, 10, 8],
    "rain_mm": [60] * 12,
}
THERMAL = {"policies": {"time": "thermal"}, "climate": COOL}


def test_even_warmth_by_hand(book):
    # Base 4, ceiling 25: the book's days hold at 40 % of the way, 8.4 degrees over the base.
    lettuce = book.crops["lettuce"]
    above = 0.4 * (lettuce.ceiling_temperature_c - lettuce.base_temperature_c)
    assert degree_days_wanted(lettuce, 60, book) == pytest.approx(60 * above)
    at_the_book_s = (lettuce.base_temperature_c + above,) * 12
    assert days_in_warmth(at_the_book_s, lettuce, 60, date(2027, 5, 1), book) == 60
    twice_as_warm = (lettuce.base_temperature_c + 2 * above,) * 12
    assert days_in_warmth(twice_as_warm, lettuce, 60, date(2027, 5, 1), book) == 30


def test_what_lies_beyond_the_ceiling_does_not_count(book):
    lettuce = book.crops["lettuce"]
    hot, at_ceiling = (40.0,) * 12, (lettuce.ceiling_temperature_c,) * 12
    assert days_in_warmth(hot, lettuce, 60, date(2027, 5, 1), book) == days_in_warmth(
        at_ceiling, lettuce, 60, date(2027, 5, 1), book
    )


def test_below_its_base_a_crop_waits_for_ever(book):
    corn = book.crops["sweet-corn"]
    assert days_in_warmth((5.0,) * 12, corn, 78, date(2027, 5, 1), book) == MOST_DAYS


def test_days_run_straight_between_mid_months():
    months = (*range(1, 13),)
    daily = daily_means_c(tuple(float(m) for m in months))
    assert daily[14] == 1
    assert daily[(15 + 45) // 2 - 1] == pytest.approx(1.5)
    assert len(daily) == 365


@given(day=st.integers(0, 364), later=st.integers(1, 60))
def test_a_later_start_is_never_ready_sooner(book, day, later):
    means = tuple((a + b) / 2 for a, b in zip(COOL["tmin_c"], COOL["tmax_c"], strict=True))
    first = date(2027, 1, 1) + timedelta(days=day)
    ready = [
        start + timedelta(days=days_in_warmth(means, book.crops["carrot"], 95, start, book))
        for start in (first, first + timedelta(days=later))
    ]
    assert ready[0] <= ready[1] + timedelta(days=1)


def test_spring_sowings_come_closer_in_summer(grown):
    def took(start, **garden):
        report = grown(planting("radish", ("A1",), start_date=start), **garden)
        return (report.first_pick - report.start_date).days

    assert took("2027-03-10", **THERMAL) > 1.5 * took("2027-06-01", **THERMAL)
    assert took("2027-03-10") == took("2027-06-01") == 28


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
