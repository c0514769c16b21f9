"""The growing year: frosts, windows and dates, in both hemispheres and over the new year."""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.calendar.dates import dates_of, growth_share, picking_curve
from ample_rows.core.calendar.growing_year import (
    growing_days,
    growing_year,
    mean_temperature_c,
    move_years,
)
from ample_rows.core.calendar.windows import heat_gap
from ample_rows.core.edits import apply_edit
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import GARDEN, bed, block, document, planting
from tests.core.plan.test_reading import faults_of

BOOK = load_book()
CLIMATE = {
    "tmin_c": [1.5, 1.4, 2.9, 4.5, 7.4, 10.4, 12.5, 12.3, 10.1, 7.2, 4.0, 1.9],
    "tmax_c": [7.4, 8.0, 10.8, 13.8, 17.3, 20.2, 22.3, 21.9, 18.9, 14.5, 10.3, 7.7],
}


def year(read, **garden):
    return growing_year(read(document(**garden)).garden, BOOK)


@pytest.mark.parametrize(
    ("last", "first", "start", "end"),
    [
        ("2027-04-25", "2027-10-20", date(2027, 2, 1), date(2028, 1, 31)),
        ("2027-05-10", "2027-09-30", date(2027, 2, 1), date(2028, 1, 31)),
        ("2027-09-05", "2028-06-05", date(2027, 6, 1), date(2028, 5, 31)),  # wraps the new year
        ("2028-05-23", "2028-10-01", date(2028, 3, 1), date(2029, 2, 28)),
    ],
)
def test_the_year_starts_in_the_month_nearest_twelve_weeks_before_last_frost(
    read, last, first, start, end
):
    found = year(read, last_frost=last, first_frost=first)
    assert (found.start, found.end) == (start, end)


def test_the_year_may_be_set(read):
    assert year(read, season_start="2027-01-01").end == date(2027, 12, 31)


@pytest.mark.parametrize(
    ("day", "back"), [(date(2028, 2, 29), date(2027, 2, 28)), (date(2027, 6, 5), date(2026, 6, 5))]
)
def test_a_day_moved_by_years_exists(day, back):
    assert move_years(day, -1) == back


@pytest.mark.parametrize(
    ("crop", "start", "on", "first_pick", "clear"),
    [
        ("carrot", "sow", "2027-04-10", "2027-07-14", "2027-08-28"),
        ("lettuce", "transplant", "2027-05-01", "2027-06-10", "2027-06-28"),
        ("garlic", "set", "2026-10-15", "2027-06-27", "2027-07-18"),  # over the winter
        ("climbing-bean", "sow", "2027-07-25", "2027-10-03", "2027-10-20"),  # frost ends it
        ("dwarf-bean", "sow", "2027-09-20", None, "2027-10-20"),  # frost comes first
        ("kale", "transplant", "2027-07-01", "2027-08-22", "2027-12-30"),  # hardy: no frost
    ],
)
def test_dates_of_a_planting(grown, crop, start, on, first_pick, clear):
    report = grown(planting(crop, start=start, start_date=on))
    assert str(report.first_pick) == str(first_pick)
    assert str(report.clear_date) == clear
    if report.first_pick is not None:
        assert report.first_pick <= report.last_pick < report.clear_date


def test_a_clear_date_of_ones_own_ends_the_picking(grown):
    whole = grown(planting("chard", start_date="2027-05-01"))
    cut = grown(planting("chard", start_date="2027-05-01", clear_date="2027-08-02"))
    assert cut.clear_date == date(2027, 8, 2)
    assert cut.last_pick == date(2027, 8, 1)
    picked = (date(2027, 8, 2) - cut.first_pick).days / 120
    assert cut.season.picked == pytest.approx(picked)
    assert cut.harvest_kg.p50 == pytest.approx(whole.harvest_kg.p50 * picked, rel=0.02)


@pytest.mark.parametrize(
    ("clear", "share"),
    [
        ("2027-07-15", 1.0),  # the day after it is ready: all of it is lifted
        ("2027-06-25", 0.93),  # nearly grown: a little lighter
        ("2027-05-05", 0.0),  # too small to use
    ],
)
def test_a_once_picked_crop_cleared_early_weighs_its_growth(grown, clear, share):
    report = grown(planting("carrot", clear_date=clear))
    assert report.factors.season == pytest.approx(share, abs=0.02)


def test_a_frost_survival_follows_the_normal_law(grown):
    at_risk = grown(planting("tomato", start="transplant", start_date="2027-04-25"))
    day_sigma = grown(planting("tomato", start="transplant", start_date="2027-05-07"))
    # In half of the springs nine of ten die, in a sixth of them a day of spread later.
    assert at_risk.season.winter == pytest.approx(1 - 0.5 * 0.9, abs=0.03)
    assert day_sigma.season.winter == pytest.approx(1 - 0.1587 * 0.9, abs=0.02)
    assert at_risk.harvest_kg.p10 < 0.15 * at_risk.harvest_kg.p90


def test_a_potato_grows_again_when_frost_took_its_leaves(grown):
    def left(day):
        return grown(planting("potato-early", start="set", start_date=day)).season.winter

    # Up three weeks after it is set, with a quarter to lose to the frosts of fourteen days before
    # the last: in half of the springs then, in a sixth of them a day of spread later.
    assert left("2027-03-21") == pytest.approx(1 - 0.5 * 0.25, abs=0.01)
    assert left("2027-04-02") == pytest.approx(1 - 0.1587 * 0.25, abs=0.01)


@pytest.mark.parametrize(
    ("crop", "start", "earliest"),
    [
        # 12 days of spread: risk falls to one in ten 15 days after the last frost.
        ("tomato", "transplant", date(2027, 5, 10)),
        ("climbing-bean", "sow", date(2027, 5, 3)),  # a week underground
        # Fourteen days before and three weeks underground, and 0.36 of a frost that takes a
        # quarter is worth as much as a tenth of one that takes nine of ten.
        ("potato-early", "set", date(2027, 3, 25)),
        ("pea", "sow", date(2027, 3, 14)),  # 56 days less two degrees' warming
        ("kale", "transplant", date(2027, 3, 14)),
    ],
)
def test_windows_open_by_frost_class(grown, crop, start, earliest):
    assert grown(planting(crop, start=start)).window.earliest == earliest


def test_with_a_climate_the_soil_decides(grown):
    pea = grown(planting("pea"), climate=CLIMATE).window
    bean = grown(planting("dwarf-bean"), climate=CLIMATE).window
    assert date(2027, 2, 10) < pea.earliest < date(2027, 3, 15)
    assert bean.earliest > date(2027, 5, 1)
    assert "12 °C" in said(bean.how)


def test_a_mild_winter_never_shuts_the_window(grown):
    mild = {"tmin_c": [9.0] * 12, "tmax_c": [15.0] * 12}
    found = grown(planting("pea"), climate=mild)
    assert found.window.earliest == date(2027, 2, 1)


def test_the_southern_year_has_its_own_seasons(grown):
    south = {"latitude": -37.6, "last_frost": "2027-09-05", "first_frost": "2028-06-05"}
    bean = planting("climbing-bean", start_date="2027-10-15")
    report = grown(bean, **south)
    assert report.window.earliest.month == 9
    assert report.factors.season > 0.99
    assert report.first_pick.year == 2027


@pytest.mark.parametrize(("month", "mean"), [(1, 4.45), (7, 17.4)])
def test_means_pass_through_the_middle_of_their_month(read, month, mean):
    found = year(read, climate=CLIMATE)
    assert mean_temperature_c(found, date(2027, month, 15)) == pytest.approx(mean, abs=0.1)


@given(st.floats(0, 1), st.floats(0, 1))
def test_growth_and_picking_never_go_back(first, second):
    low, high = sorted((first, second))
    assert growth_share(low) <= growth_share(high)
    for peaked in (True, False):
        assert picking_curve(peaked, low) <= picking_curve(peaked, high)
    assert growth_share(0) == pytest.approx(0)
    assert growth_share(1) == pytest.approx(1)


@given(
    st.sampled_from(sorted(BOOK.crops)),
    st.dates(date(2026, 9, 1), date(2028, 1, 31)),
    st.integers(0, 3),
)
def test_dates_are_always_in_order(crop_id, start_date, which):
    crop = BOOK.crops[crop_id]
    made = p.Planting(
        id="x",
        place="bed",
        crop=crop_id,
        cells=("A1",),
        start=crop.starts[which % len(crop.starts)],
        start_date=start_date,
    )
    garden = p.Garden.model_validate_json(str(GARDEN).replace("'", '"'))
    dates = dates_of(made, crop, growing_year(garden, BOOK), BOOK)
    latest = dates.due + timedelta(days=dates.pick_days + crop.picking.days)
    if crop.perennial is not None:
        latest = max(latest, growing_year(garden, BOOK).end + timedelta(days=1))
    assert dates.start < dates.clear <= latest
    assert 0 <= dates.picked_share <= 1
    assert 0 <= dates.frost_survival <= 1
    assert (dates.first_pick is None) == (dates.picked_share == 0)
    if dates.first_pick is not None:
        assert dates.start <= dates.first_pick <= dates.last_pick < dates.clear


def test_growing_days_follow_warmth_or_the_frosts(read):
    by_frost = growing_days(year(read), BOOK)
    assert (by_frost[0], by_frost[-1]) == (date(2027, 4, 25), date(2027, 10, 19))
    by_warmth = growing_days(year(read, climate=CLIMATE), BOOK)
    assert by_warmth[0] < date(2027, 3, 15)


WARM = {
    "tmin_c": [22, 22, 22, 21, 18, 15, 14, 15, 17, 19, 21, 22],
    "tmax_c": [32, 32, 31, 30, 27, 24, 23, 25, 27, 29, 31, 32],
    "rain_mm": [180] * 12,
}
TROPICS = {"climate": WARM, "latitude": -18.0, "last_frost": "2027-07-15"}


def test_where_there_is_no_frost_heat_makes_the_windows(reported):
    doc = document(
        planting("lettuce", ("A1", "B2"), id="cool", start_date="2027-05-15"),
        planting("chilli-pepper", ("C1", "D2"), id="hot", start_date="2027-11-10"),
        **{**TROPICS, "season_start": "2027-05-01", "first_frost": "2028-06-30"},
    )
    report = reported(doc)
    assert "no-frost" in {note.code for note in report.notes}
    cool, hot = report.plantings
    assert "outside the hot months" in said(cool.window.how)
    assert cool.window.earliest <= date(2027, 5, 15) <= cool.window.latest
    assert "all year" in said(hot.window.how)
    assert hot.season.picked == hot.season.winter == 1
    assert hot.last_pick > date(2028, 1, 1)


def test_the_heat_gap_is_of_cool_crops_in_hot_months(read, book):
    plan = read(document(**{**TROPICS, "season_start": "2027-05-01", "first_frost": "2028-06-30"}))
    year = growing_year(plan.garden, book)
    since, until = heat_gap(year, book.crops["lettuce"], book)
    assert since.month in (8, 9, 10, 11)
    assert (until - since).days > 100
    assert heat_gap(year, book.crops["chilli-pepper"], book) is None


FLEECE = {"id": "f", "kind": "fleece", "cells": "all", "since": "2027-03-01"}


@pytest.mark.parametrize(
    ("kind", "weeks"), [("fleece", 2), ("film-tunnel", 3), ("cold-frame", 4), ("bird-net", 0)]
)
def test_a_cover_buys_its_weeks_in_spring(reported, kind, weeks):
    cover = {**FLEECE, "kind": kind, "until": "2027-06-10"}
    beans = planting("dwarf-bean", start_date="2027-04-20")

    def window(covers):
        return reported(document(beans, places=[bed(covers=covers)])).plantings[0].window

    bare, covered = window([]), window([cover])
    assert (bare.earliest - covered.earliest).days == 7 * weeks
    assert covered.latest == bare.latest


def test_a_cover_put_on_for_the_autumn_keeps_the_first_frost_off(reported):
    beans = planting("dwarf-bean", start_date="2027-08-10")
    cover = {**FLEECE, "since": "2027-10-01", "until": "2027-11-20"}
    bare = reported(document(beans, places=[bed()])).plantings[0]
    covered = reported(document(beans, places=[bed(covers=[cover])])).plantings[0]
    assert covered.clear_date > bare.clear_date
    assert covered.harvest_kg.p50 > bare.harvest_kg.p50


def test_a_cover_over_other_squares_does_nothing(reported):
    beans = planting("dwarf-bean", ("A1", "A2"), start_date="2027-04-20")
    cover = {**FLEECE, "cells": ["D1", "D2"], "until": "2027-06-10"}
    bare = reported(document(beans, places=[bed()])).plantings[0]
    beside = reported(document(beans, places=[bed(covers=[cover])])).plantings[0]
    assert beside.window == bare.window


TOMATO = planting("tomato", block("A1", "D4"), start="transplant", start_date="2027-05-20")
BLIGHT = {"crop": "tomato", "on": "2026-08-15", "trouble": "late-blight"}


def test_a_likely_end_ends_the_picking_every_year(reported):
    usual = reported(document(TOMATO)).plantings[0]
    report = reported(document(TOMATO, likely_ends=[BLIGHT]))
    ended = report.plantings[0]
    assert ended.clear_date == date(2027, 8, 15) < usual.clear_date
    assert ended.harvest_kg.p50 < usual.harvest_kg.p50
    note = next(note for note in report.notes if note.code == "likely-end")
    assert "usually ends here about 15 August" in said(note.text)
    assert said(note.fix).startswith("Grow an early kind or one that withstands it")


COURGETTE = planting("courgette", block("A1", "C3"), id="first", start="transplant")
COURGETTE["start_date"] = "2027-05-20"
MILDEW = {"crop": "courgette", "on": "2026-08-15", "trouble": "powdery-mildew"}


def test_young_plants_are_spared_and_a_second_wave_takes_over(reported, read):
    doc = document(COURGETTE, likely_ends=[MILDEW])
    note = next(note for note in reported(doc).notes if note.code == "likely-end")
    assert "Start a second wave about" in said(note.fix)
    fix = note.fixes[0]
    waved = apply_edit(read(doc), fix.edit)
    second = waved.plantings[1]
    assert second.id == "first-2"
    assert timedelta(0) < date(2027, 8, 15) - second.start_date < timedelta(days=56)
    report = reported(p.document(waved))
    assert report.plantings[1].clear_date > date(2027, 8, 15)
    assert report.plantings[1].first_pick is not None
    again = next(note for note in report.notes if note.code == "likely-end")
    assert (again.planting, again.fixes) == ("first", ())
    assert said(again.fix).endswith("takes over then.")


def test_what_spares_the_young_is_said_by_the_grower_or_known_of_the_trouble(reported):
    young = {**COURGETTE, "start_date": "2027-07-01"}

    def ended(**end):
        known = {"crop": "courgette", "on": "2026-08-15", **end}
        return reported(document(young, likely_ends=[known])).plantings[0].clear_date

    assert ended() == ended(spares_young=False) == date(2027, 8, 15)
    assert ended(trouble="powdery-mildew", spares_young=False) == date(2027, 8, 15)
    assert ended(spares_young=True) == ended(trouble="powdery-mildew") > date(2027, 8, 15)


def test_a_kind_that_withstands_it_is_spared(reported, book):
    spared = [
        c.id
        for c in book.crops.values()
        if c.variety_of == "tomato" and book.withstands(c).get("late-blight") == "well"
    ]
    end = BLIGHT if spared else {**BLIGHT, "crop": "potato"}
    kind = {**TOMATO, "variety": spared[0]} if spared else TOMATO
    report = reported(document(kind, likely_ends=[end]))
    assert "likely-end" not in {note.code for note in report.notes}


def test_what_starts_after_its_likely_end_has_another_year(reported):
    late = planting("lettuce", start_date="2027-08-20")
    ends = [{"crop": "lettuce", "on": "2027-08-15"}]
    report = reported(document(late, likely_ends=ends))
    assert report.plantings[0].first_pick is not None


@pytest.mark.parametrize(
    ("end", "path"),
    [
        ({**BLIGHT, "crop": "moss"}, "garden.likely_ends[0].crop"),
        ({**BLIGHT, "trouble": "gloom"}, "garden.likely_ends[0].trouble"),
        ({"crop": "tomato", "on": "2027-02-30"}, "garden.likely_ends[0].on"),
    ],
)
def test_a_likely_end_that_cannot_be_is_named(end, path):
    assert path in faults_of(document(likely_ends=[end]))


@pytest.mark.parametrize("climate", [None, CLIMATE])
@pytest.mark.parametrize("later", [-6.4, 0.2, 9])
def test_the_first_pick_comes_as_many_days_later_as_the_garden_goes_by(grown, later, climate):
    factor = {"factor": 1, "low": 0.9, "high": 1.1, "n": 4, "first_pick_shift_days": later}
    kinds = planting("carrot-short", block("A1", "B2"), start_date="2027-05-01")
    usual = grown(kinds, climate=climate)
    learnt = grown(kinds, climate=climate, own={"crops": {"carrot": factor}})
    assert (learnt.first_pick - usual.first_pick).days == round(later)
    assert (learnt.clear_date - usual.clear_date).days == pytest.approx(round(later), abs=1)
    other = grown(kinds, climate=climate, own={"crops": {"leek": factor}})
    assert other.first_pick == usual.first_pick


@pytest.mark.parametrize(("first", "last"), [(0, 12), (5, 5), (4, -8), (None, 9)])
def test_the_last_pick_comes_as_many_days_later_as_the_garden_goes_by(grown, first, last):
    factor = {"factor": 1, "low": 0.9, "high": 1.1, "n": 4, "first_pick_shift_days": first}
    own = {"crops": {"dwarf-bean": {**factor, "last_pick_shift_days": last}}}
    beans = planting("dwarf-bean", block("A1", "B2"), start_date="2027-05-20")
    usual, learnt = grown(beans), grown(beans, own=own)
    assert (learnt.first_pick - usual.first_pick).days == (first or 0)
    assert (learnt.last_pick - usual.last_pick).days == last


def test_what_is_picked_once_is_picked_once_however_late(grown):
    factor = {"factor": 1, "low": 0.9, "high": 1.1, "n": 4, "last_pick_shift_days": 20}
    onions = planting("onion", block("A1", "B2"), start="set", start_date="2027-03-25")
    assert grown(onions, own={"crops": {"onion": factor}}).last_pick == grown(onions).last_pick
