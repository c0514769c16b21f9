"""What a specialist expects of crops in six climates, and what must hold in any."""

import json
import re
from datetime import date, timedelta
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.calendar.windows import start_windows
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.weather.climate import made_up
from ample_rows.core.weather.frost_guess import guess_frosts
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, document, planting

BOOK = load_book()
CLIMATES = ("mild-coast", "cold-winter", "dry-summer", "humid-warm", "mountain", "frost-free")
MONTHS = ["Jan", "Feb", "Mar", "Apr", "May", "Jun", "Jul", "Aug", "Sep", "Oct", "Nov", "Dec"]
TODAY = date(2027, 1, 10)
DEEP = bed(
    shape={"type": "rectangle", "width_cm": 400, "length_cm": 400},
    wall_height_cm=60,
    native="loose",
    sun_hours=9,
)


def garden_in(climate, *, south=False, **changes):
    """A garden in one of the climates that ship, at its usual latitude."""
    made = BOOK.climates[climate]
    latitude = -made.latitude if south else made.latitude
    frosts = guess_frosts(latitude, today=TODAY, climate=made)
    normals = made_up(made, latitude).model_dump_json(exclude_none=True)
    return {
        "latitude": latitude,
        "last_frost": frosts.last_frost.isoformat(),
        "first_frost": frosts.first_frost.isoformat(),
        "frost_spread_days": frosts.spread_days,
        "winter_low_c": made.winter_low_c,
        "climate": json.loads(normals),
        "policies": {"time": "thermal"},
        **changes,
    }


def year_of(garden):
    return growing_year(read_plan(json.dumps(document(**garden)).encode(), BOOK).garden, BOOK)


def grown_in(garden, crop, start_date, place=DEEP, **changes):
    of_book = BOOK.crops[crop]
    root = of_book.variety_of or crop
    variety = crop if of_book.variety_of else None
    planted = planting(
        root, "all", start=of_book.starts[0], start_date=start_date.isoformat(), variety=variety
    )
    doc = document({**planted, **changes}, places=[place], **garden)
    return Estimate(read_plan(json.dumps(doc).encode(), BOOK), BOOK, "x").report.plantings[0]


def in_good_time(crop, garden):
    """The spell in which a crop may be started that gives the most, of those alike the longest,
    and a day in it; an old plant of what stays for years."""
    year, of_book = year_of(garden), BOOK.crops[crop]
    spells = start_windows(year, crop, of_book.starts[0], BOOK)
    window = max(spells, key=lambda w: (round(w.gives, 1), w.latest - w.earliest))
    if of_book.perennial is not None:
        return window, date(year.start.year - 2, year.start.month, 1)
    return window, min(window.latest, window.good + timedelta(days=7), year.end)


def bands():
    text = (Path(__file__).parent / "six_climates.txt").read_text("utf-8")
    for line in text.splitlines():
        if line.startswith("#"):
            continue
        crop, *words = line.split()
        cells = iter(words)
        for climate in CLIMATES:
            months = next(cells)
            yield crop, climate, months, None if months == "-" else next(cells)


@pytest.mark.parametrize(("crop", "climate", "months", "gives"), [*bands()])
def test_first_pick_and_yield(crop, climate, months, gives):
    garden = garden_in(climate)
    window, start = in_good_time(crop, garden)
    assert window.open == (gives is not None)
    if gives is None:
        return
    report = grown_in(garden, crop, start)
    first, last = (MONTHS.index(month) + 1 for month in (months.split("-") * 2)[:2])
    if "-" in months:
        last = MONTHS.index(months.split("-")[1]) + 1
    assert (report.first_pick.month - first) % 12 <= (last - first) % 12, report.first_pick
    low, high = (float(part) for part in gives.split("-"))
    assert low <= report.season.product <= high


def test_at_least_forty_crops_are_in_the_table():
    assert len({crop for crop, *_ in bands()}) >= 40


@pytest.mark.parametrize("climate", CLIMATES)
@pytest.mark.parametrize("south", [False, True])
def test_a_crop_without_a_window_says_why(climate, south):
    year = year_of(garden_in(climate, south=south))
    for crop in BOOK.crops.values():
        for start in crop.starts:
            for window in start_windows(year, crop.id, start, BOOK):
                reason = window.how
                assert window.open or reason.key.startswith("season-never-"), crop.id


@pytest.mark.parametrize("crop", ["tomato", "lettuce", "garlic", "kale", "onion", "strawberry"])
@pytest.mark.parametrize("climate", ["mild-coast", "cold-winter", "humid-warm"])
def test_south_of_the_equator_all_is_half_a_year_later(crop, climate):
    found = []
    for south in (False, True):
        garden = garden_in(climate, south=south)
        _, start = in_good_time(crop, garden)
        found.append(grown_in(garden, crop, start))
    north, south = found
    assert south.season.product == pytest.approx(north.season.product, abs=0.12)
    half_a_year = (south.first_pick - north.first_pick).days % 365
    assert abs(half_a_year - 182) <= 21


def test_what_stands_the_winter_young_loses_nothing_to_its_rest():
    """Beans sown before a mild winter are picked two weeks sooner than spring's, and yield as
    those do where the winter leaves them."""
    garden = garden_in("mild-coast", policies={"time": "calendar"})
    autumn, spring = (
        grown_in(garden, "broad-bean", day) for day in (date(2026, 11, 10), date(2027, 3, 10))
    )
    assert timedelta(days=7) < spring.first_pick - autumn.first_pick < timedelta(days=28)
    assert autumn.season.warmth == pytest.approx(spring.season.warmth, rel=0.15)


# What no plan of an experienced grower has: what is asked for, and where and when it is not.
@pytest.mark.parametrize(
    ("climate", "day", "closed", "open_"),
    [
        ("dry-summer", "06-20", ("pak-choi", "potato", "pea", "spinach"), ("cowpea", "basil")),
        (
            "mild-coast",
            "10-20",
            ("lettuce", "carrot", "tomato", "beetroot"),
            ("garlic", "broad-bean"),
        ),
        # What stays for years makes its roots before winter, or is set while it rests.
        (
            "mild-coast",
            "11-10",
            ("thyme", "chives", "sorrel", "strawberry"),
            ("rhubarb", "blackcurrant", "raspberry"),
        ),
        ("mild-coast", "09-10", ("dwarf-bean", "radish-winter"), ("spinach", "corn-salad")),
        ("cold-winter", "09-25", ("sprouting-broccoli", "onion-winter"), ("garlic", "winter-rye")),
        # Where no frost comes there is still a time for what stands the cool months.
        ("frost-free", "06-20", ("garlic", "winter-rye", "asparagus"), ("okra", "sweet-potato")),
        ("frost-free", "11-20", ("onion-winter",), ("garlic", "winter-rye")),
    ],
)
def test_what_can_be_started_on_a_day(climate, day, closed, open_):
    year = year_of(garden_in(climate))
    on = date.fromisoformat(f"{year.start.year}-{day}")
    if on < year.start:
        on = on.replace(year=on.year + 1)

    def starts(crop):
        spells = start_windows(year, crop, BOOK.crops[crop].starts[0], BOOK)
        return any(w.earliest <= on <= w.latest for w in spells)

    assert [crop for crop in closed if starts(crop)] == []
    assert [crop for crop in open_ if not starts(crop)] == []


@pytest.mark.parametrize("crop", ["raspberry", "blackcurrant", "rhubarb", "gooseberry"])
@pytest.mark.parametrize(("climate", "said_so"), [("frost-free", True), ("mild-coast", False)])
def test_a_winter_too_mild_for_buds_is_said_where_it_takes_the_harvest(
    noted, crop, climate, said_so
):
    garden = garden_in(climate)
    start = BOOK.crops[crop].starts[0]
    old = planting(crop, "all", start=start, start_date=f"{year_of(garden).start.year - 3}-03-15")
    notes = noted(document(old, places=[DEEP], **garden))
    assert ("mild-winter" in notes) == said_so


EDIBLE = [crop.id for crop in BOOK.crops.values() if crop.yield_kg_per_plant and not crop.perennial]
STARTS = st.integers(0, 330)


@settings(max_examples=40)
@given(st.sampled_from(EDIBLE), STARTS, st.integers(5, 40))
def test_a_later_first_frost_never_harms(crop, day, later):
    garden = garden_in("cold-winter", policies={"time": "calendar"})
    start = year_of(garden).start + timedelta(days=day)
    frost = date.fromisoformat(garden["first_frost"]) + timedelta(days=later)
    sooner = grown_in(garden, crop, start)
    milder = grown_in({**garden, "first_frost": frost.isoformat()}, crop, start)
    assert milder.season.picked >= sooner.season.picked - 0.02


@settings(max_examples=30)
@given(st.sampled_from(EDIBLE), STARTS, st.sampled_from(["fleece", "film-tunnel", "cold-frame"]))
def test_a_cover_never_lowers_survival(crop, day, kind):
    garden = garden_in("cold-winter", policies={"time": "calendar"})
    year = year_of(garden)
    start = year.start + timedelta(days=day)
    until = (year.end + timedelta(days=200)).isoformat()
    over = {"id": "c", "kind": kind, "cells": "all", "since": start.isoformat(), "until": until}
    bare = grown_in(garden, crop, start)
    covered = grown_in(garden, crop, start, place={**DEEP, "covers": [over]})
    assert covered.survival >= bare.survival - 1e-9


@settings(max_examples=30)
@given(
    st.sampled_from([c for c in EDIBLE if BOOK.crops[c].ceiling_temperature_c <= 29]),
    st.floats(22, 27),
    st.floats(0.5, 6),
)
def test_hotter_than_its_best_never_raises_a_cool_crop_s_yield(crop, mean_c, hotter):
    def gives(warm_c):
        even = {"tmin_c": [warm_c - 5] * 12, "tmax_c": [warm_c + 5] * 12, "rain_mm": [60] * 12}
        garden = {"climate": even, "latitude": 30.0, "season_start": "2027-01-01"}
        return grown_in(garden, crop, date(2027, 4, 1)).season.warmth

    assert gives(mean_c + hotter) <= gives(mean_c) + 1e-9


@pytest.mark.parametrize(
    ("climate", "crop", "start", "day"),
    [
        ("humid-warm", "lettuce", "sow", "2027-06-20"),
        ("humid-warm", "kale", "transplant", "2027-06-15"),
        ("frost-free", "tomato", "transplant", "2027-05-20"),
        ("frost-free", "potato", "set", "2027-04-10"),
    ],
)
def test_what_heat_takes_is_not_put_down_to_cold(climate, crop, start, day):
    doc = document(planting(crop, "all", start=start, start_date=day), **garden_in(climate))
    report = Estimate(read_plan(json.dumps(doc).encode(), BOOK), BOOK, "x").report
    about_it = [said(note.text) for note in report.notes if note.planting]
    assert any(re.search("hot|warmer|days usually reach", text) for text in about_it)
    assert not any("cool" in text or "cold" in text for text in about_it)
