"""Frost and the cold of winter: drawn by season, lessened by covers and snow, named when odd."""

from datetime import date

import numpy as np
import pytest

from ample_rows.core.calendar.cold import coldest_nights_c, deadly_c
from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.weather.response import row_of
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting

COLD = {
    "tmin_c": [-9, -8, -3.5, 2, 7.5, 12.5, 15, 14, 9, 3.5, -1.5, -6.5],
    "tmax_c": [-1, 1, 7, 14.5, 20.5, 25, 27.5, 26.5, 21.5, 14, 6, 0.5],
    "rain_mm": [60] * 12,
}
INLAND = {
    "climate": COLD,
    "winter_low_c": -24.0,
    "last_frost": "2027-05-10",
    "first_frost": "2027-10-01",
}


def nights(read, book, **garden):
    return coldest_nights_c(growing_year(read(document(**garden)).garden, book), book)


def on(month, day):
    return row_of(date(2027, month, day))


def test_nights_freeze_at_the_frosts_and_are_coldest_in_the_coldest_month(read, book):
    lows = nights(read, book, **INLAND)
    assert lows[on(10, 1)] == pytest.approx(0, abs=0.5)
    assert lows[on(5, 10)] == pytest.approx(0, abs=0.5)
    assert lows.min() == pytest.approx(-24, abs=0.2)
    assert on(1, 5) <= int(np.argmin(lows)) <= on(1, 25)
    assert lows[on(7, 15)] > 5


def test_without_normals_they_fall_and_rise_in_straight_lines(read, book):
    lows = nights(read, book, winter_low_c=-10.0)
    assert lows.min() == pytest.approx(-10, abs=0.2)
    assert nights(read, book) is None


@pytest.mark.parametrize(
    ("crop", "lives"),
    [("lettuce", 0.0), ("kale", 0.0), ("garlic", 0.95), ("winter-rye", 0.95), ("parsnip", 0.9)],
)
def test_what_a_hard_winter_leaves(grown, book, crop, lives):
    start = book.crops[crop].starts[0]
    on_day = "2027-05-01" if crop in ("parsnip", "lettuce") else "2026-09-25"
    on_day = "2027-08-01" if crop == "kale" else on_day
    report = grown(planting(crop, start=start, start_date=on_day, clear_date=None), **INLAND)
    if lives:
        assert report.survival >= lives
    else:
        # It grows until the cold comes, and gives what is picked by then.
        assert report.clear_date < date(2028, 1, 15)


def test_one_picked_crop_due_on_the_mean_frost_day_counts_about_half(grown, book):
    days = book.crops["sweet-corn"].days_to_first_pick.transplant
    start = date.fromordinal(date(2027, 10, 20).toordinal() - round(days))
    corn = planting("sweet-corn", start="transplant", start_date=start.isoformat())
    report = grown(corn)
    assert report.season.picked == pytest.approx(0.5, abs=0.06)
    assert report.harvest_kg.p10 == 0


def test_a_tender_plant_out_at_even_odds_has_a_low_near_nothing(grown):
    even = grown(planting("courgette", "all", start="transplant", start_date="2027-04-25"))
    safe = grown(planting("courgette", "all", start="transplant", start_date="2027-05-25"))
    assert even.harvest_kg.p10 < 0.2 * safe.harvest_kg.p10
    assert safe.survival > 0.99


def test_snow_keeps_crowns_and_covers_add_their_degrees(grown):
    def lives(place=None, **garden):
        old = planting("strawberry", start="transplant", start_date="2026-04-15")
        return grown(old, places=[place or bed()], **{**INLAND, **garden}).survival

    mild_months = {**COLD, "tmax_c": [6, 6, 7, 14.5, 20.5, 25, 27.5, 26.5, 21.5, 14, 6, 6]}
    assert lives() > lives(climate=mild_months)
    frame = {"id": "f", "kind": "cold-frame", "cells": "all", "since": "2026-09-01"}
    covered = bed(covers=[{**frame, "until": "2027-09-01"}])
    assert lives(covered, climate=mild_months) > lives(climate=mild_months)


def test_a_killing_temperature_above_the_base_is_named(read, book):
    own = {"id": "kale", "figures": {"kill_c.leaf": 6}}
    with pytest.raises(PlanFaultsError, match="kill_c"):
        read({**document(planting("kale")), "crops": [own]})


# A climate without winter, a polar summer, a desert, and frosts that the normals contradict.
@pytest.mark.parametrize(
    "garden",
    [
        {"latitude": 1.0, "climate": {**COLD, "tmin_c": [22] * 12, "tmax_c": [31] * 12}},
        {"latitude": 78.0, "climate": {**COLD, "tmin_c": [-20] * 12, "tmax_c": [-2] * 12}},
        {
            "latitude": 70.0,
            "last_frost": "2027-06-20",
            "first_frost": "2027-08-20",
            "climate": {
                "tmin_c": [-15, -15, -12, -6, 0, 5, 8, 6, 2, -4, -10, -13],
                "tmax_c": [-6, -6, -3, 2, 8, 14, 17, 15, 9, 2, -3, -5],
                "rain_mm": [30] * 12,
            },
        },
        {"latitude": 25.0, "climate": {**COLD, "tmin_c": [28] * 12, "tmax_c": [44] * 12}},
        {"climate": {**COLD, "tmin_c": [8] * 12, "tmax_c": [18] * 12}, "winter_low_c": -30.0},
    ],
)
@pytest.mark.parametrize("crop", ["lettuce", "tomato", "garlic", "rhubarb"])
def test_odd_climates_give_figures_and_no_trouble(grown, book, garden, crop):
    start = book.crops[crop].starts[0]
    report = grown(planting(crop, start=start, start_date="2027-05-20"), **garden)
    kg = report.harvest_kg
    assert 0 <= kg.p10 <= kg.p50 <= kg.p90
    assert 0 <= report.survival <= 1
    assert report.window.how


FROSTS = {"last_frost": "2027-04-20", "first_frost": "2027-10-10"}
MILD = [4, 5, 7, 9, 13, 16, 18, 18, 15, 11, 7, 5]


@pytest.mark.parametrize(
    ("lows", "at_odds"),
    [
        (MILD, "10 October is 11.7 °C here"),
        ([low - 20 for low in MILD], "10 October is −8.3 °C here"),
        ([low - 5 for low in MILD], None),
    ],
)
def test_frosts_that_the_weather_contradicts_are_said_with_which_is_used(noted, lows, at_odds):
    weather = {**COLD, "tmin_c": lows, "tmax_c": [25] * 12}
    notes = noted(document(**FROSTS, climate=weather))
    assert ("frosts-at-odds" in notes) == (at_odds is not None)
    if at_odds is not None:
        assert at_odds in said(notes["frosts-at-odds"].text)
        assert "Frost is reckoned by the dates" in said(notes["frosts-at-odds"].fix)


@pytest.mark.parametrize(("low", "there"), [(-38.0, True), (8.0, True), (-12.0, False)])
def test_a_winter_low_that_the_weather_contradicts_is_said(noted, low, there):
    notes = noted(document(climate={**COLD, "tmin_c": MILD, "tmax_c": [25] * 12}, winter_low_c=low))
    assert ("winter-low-at-odds" in notes) == there


@pytest.mark.parametrize("crop", ["kale", "leek", "spinach", "parsnip"])
def test_the_cold_that_kills_is_the_crown_s_where_one_lives_on(book, crop):
    kill = book.crops[crop].kill_c
    assert deadly_c(book.crops[crop]) == min(kill.values())
