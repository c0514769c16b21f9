"""At table: fresh, kept and spoilt week by week; remedies that are tried; hours and factors."""

from dataclasses import replace
from datetime import date

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.hours import hours_of
from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.ask.pantry.by_planting import planting_supplies
from ample_rows.core.ask.pantry.earnings import earnings_of
from ample_rows.core.ask.pantry.factors import crop_factors
from ample_rows.core.ask.pantry.lacking import grown as all_grown
from ample_rows.core.ask.pantry.larder import larder
from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.ask.pantry.wants import Wanted, wants_of
from ample_rows.core.ask.remedies import remedies
from ample_rows.core.checks import check_plan
from ample_rows.core.edits import apply_edit
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting
from tests.core.ask.pantry.test_pantry import crop as crop_in
from tests.core.ask.pantry.test_pantry import wanting
from tests.core.plan.test_reading import faults_of

LETTUCE = planting("lettuce", block("A1", "D3"), id="salad", start="transplant")
BEANS = planting("dwarf-bean", block("A4", "D7"), id="beans", start_date="2027-05-20")


def want(kg=5.2, keep=None, fresh=1.0, keep_weeks=0.0, share=1.0):
    return Wanted("x", ("x",), kg, None, tuple(range(1, 13)), fresh, keep, keep_weeks, share)


def through(picked, need, wanted):
    """One season followed by hand: picked and needed week by week."""
    return larder(np.array(picked, dtype=float)[:, None], np.array(need, dtype=float), wanted)


# Picked and needed by week, how it keeps: eaten fresh, eaten kept, and what spoils.
BY_HAND = [
    # A glut of one week: nothing keeps beyond it.
    ([6, 0, 0], [2, 2, 2], want(), [2, 0, 0], [0, 0, 0], 4),
    # Two weeks in the cool: the second week still eats of it.
    ([6, 0, 0], [2, 2, 2], want(fresh=2), [2, 2, 0], [0, 0, 0], 2),
    # Stored without loss for two weeks after the first.
    ([6, 0, 0, 0], [2, 2, 2, 2], want(keep="store", keep_weeks=2), [2, 0, 0, 0], [0, 2, 2, 0], 0),
    # A tenth of what is kept is lost on the way.
    ([12, 0], [2, 2], want(keep="store", keep_weeks=9, share=0.9), [2, 0], [0, 2], 1),
    # What is picked new is eaten before what lies in store.
    ([4, 4, 0], [2, 2, 2], want(keep="store", keep_weeks=9), [2, 2, 0], [0, 0, 2], 0),
]


@pytest.mark.parametrize(("picked", "need", "wanted", "fresh", "kept", "spoils"), BY_HAND)
def test_a_larder_by_hand(picked, need, wanted, fresh, kept, spoils):
    found = through(picked, need, wanted)
    assert found.fresh[:, 0].tolist() == pytest.approx(fresh)
    assert found.kept[:, 0].tolist() == pytest.approx(kept)
    assert found.spoils[0] == pytest.approx(spoils)


def test_last_year_s_store_is_eaten_until_its_day_and_what_is_left_spoils():
    wanted = replace(want(keep="store", keep_weeks=9), in_store_kg=5)
    picked, need = np.array([[0.0], [0], [4], [0]]), np.array([2.0, 2, 2, 2])
    found = larder(picked, need, wanted, 2)
    assert found.kept[:, 0].tolist() == [2, 2, 0, 2]
    assert found.fresh[:, 0].tolist() == [0, 0, 2, 0]
    assert found.stored[0, 0] == 3
    assert found.spoils[0] == 1


def test_a_long_store_does_not_keep_what_came_after_it_from_spoiling():
    wanted = replace(want(keep="store", keep_weeks=1), in_store_kg=50)
    picked, need = np.array([[8.0], [0], [0], [0]]), np.array([2.0, 2, 2, 2])
    found = larder(picked, need, wanted, 40)
    # Six kilograms of the first week are put by, and spoil a week later; the store bears on.
    assert found.spoils[0] == 6
    assert found.stored[-1, 0] == 50 - 3 * 2


@pytest.mark.parametrize(
    ("until", "weeks"), [(None, 30), (date(2027, 3, 1), 4), (date(2026, 12, 1), 0)]
)
def test_a_store_is_good_until_its_day_else_as_long_as_it_keeps(until, weeks):
    wanted = replace(want(keep="store", keep_weeks=30), in_store_kg=5, in_store_until=until)
    assert wanted.weeks_in_store(date(2027, 2, 1)) == weeks


def test_a_store_fills_the_weeks_before_the_first_pick(read, book):
    wanted = {"crop": "carrot", "kg_per_year": 26, "keep": "store"}
    stored = {**wanted, "in_store_kg": 6, "in_store_until": "2027-05-01"}
    bare, full = (
        crop_in(
            pantry_of(Estimate(read(document(household={"wants": [one]})), book)), "carrot"
        ).table
        for one in (wanted, stored)
    )
    assert bare.weeks[0].short
    assert not full.weeks[0].short
    # Twelve weeks of a year that touches fifty-three.
    assert full.eaten_kg == pytest.approx(12 * 26 / 53)
    assert full.weeks_short == bare.weeks_short - 12


weekly = st.lists(st.floats(0, 20), min_size=1, max_size=30)


@given(weekly, st.floats(0, 10), st.floats(0.3, 6), st.booleans(), st.floats(0.5, 1))
def test_nothing_is_made_and_nothing_is_lost_unseen(picked, need, fresh, keep, share):
    wanted = want(fresh=fresh, keep="store" if keep else None, keep_weeks=4, share=share)
    found = through(picked, [need] * len(picked), wanted)
    eaten = found.fresh + found.kept
    assert (eaten <= need + 1e-9).all()
    used = eaten.sum() + found.spoils[0] + found.stored[-1, 0]
    assert used <= sum(picked) + 1e-6
    # What is neither eaten, stored nor spoilt still lies fresh at the end.
    lies = max(1, round(fresh)) - 1
    assert used >= sum(picked[: max(0, len(picked) - lies)]) - 1e-6


def test_keeping_never_leaves_less_to_eat(read, reported, book):
    def eaten(**keep):
        wants = [{"crop": "dwarf-bean", "kg_per_year": 10, **keep}]
        doc = document(BEANS, household={"wants": wants})
        return crop_in(pantry_of(Estimate(read(doc), book)), "dwarf-bean").table

    fresh, frozen = eaten(), eaten(keep="freeze")
    assert frozen.eaten_kg > fresh.eaten_kg
    assert frozen.spoils_kg < fresh.spoils_kg
    assert frozen.weeks_short < fresh.weeks_short
    assert frozen.kept_kg > 0 == fresh.kept_kg


def test_a_want_of_some_months_asks_in_those_alone(read, reported, book):
    wants = [{"crop": "lettuce", "kg_per_year": 6, "months": [5, 6, 7]}]
    doc = document(LETTUCE, household={"wants": wants})
    table = crop_in(pantry_of(Estimate(read(doc), book)), "lettuce").table
    asked = [week for week in table.weeks if week.need > 0]
    assert {week.week.month for week in asked} == {5, 6, 7}
    assert sum(week.need for week in asked) == pytest.approx(6)
    assert all(week.week.month in (5, 6, 7) for week in table.weeks if week.short)


def test_pieces_are_worked_back_to_weight(read, book):
    wants = [{"crop": "lettuce", "pieces_per_year": 40}]
    found = wants_of(read(document(household={"wants": wants})), book)["lettuce"]
    assert found.kg == pytest.approx(40 * book.crops["lettuce"].piece_kg)


@pytest.mark.parametrize(
    ("household", "path"),
    [
        ({"wants": [{"crop": "carrot", "kg_per_year": -3}]}, "wants[0].kg_per_year"),
        ({"wants": [{"crop": "carrot"}]}, "wants[0].kg_per_year"),
        ({"wants": [{"crop": "borage", "pieces_per_year": 3}]}, "wants[0].pieces_per_year"),
        ({"wants": [{"crop": "carrot", "kg_per_year": 3, "keep": "hope"}]}, "wants[0].keep"),
        (
            {"wants": [{"crop": "carrot", "kg_per_year": 3, "months": [5, 5]}]},
            "wants[0].months",
        ),
        ({"away": [{"since": "2027-07-10", "until": "2027-07-01"}]}, "away[0].until"),
        ({"prices": [{"crop": "moss", "per_kg": 2}]}, "prices[0].crop"),
    ],
)
def test_a_household_that_cannot_be_is_named(household, path):
    assert f"garden.household.{path}" in faults_of(document(household=household))


def test_remedies_do_what_they_say(read, reported, book):
    doc = document(LETTUCE, **wanting(lettuce=12))
    plan = read(doc)
    before = crop_in(pantry_of(Estimate(plan, book)), "lettuce").table
    found = remedies(Estimate(plan, book), "lettuce")
    assert found
    for remedy in found:
        after = apply_edit(plan, remedy.edit)
        assert check_plan(after, book) == []
        assert remedy.table.eaten_kg - before.eaten_kg == pytest.approx(remedy.more_eaten_kg)
        assert before.spoils_kg - remedy.table.spoils_kg == pytest.approx(remedy.less_spoils_kg)
    # One great glut of salad is best met by sowing it in turns.
    assert any("waves" in said(remedy.label) for remedy in found)
    assert found[0].more_eaten_kg > 0


def test_too_much_along_a_line_is_no_matter_of_squares(read, book):
    stakes = {"id": "stakes", "system": "woven", "line_cm": [[60, 0], [60, 240]]}
    row = planting("tomato", [], id="row", start="transplant", start_date="2027-05-20")
    row["support"] = "stakes"
    more = planting("tomato", block("A1", "A2"), id="more", start="transplant")
    doc = document(row, more, places=[bed(supports=[stakes])], **wanting(tomato=1))
    found = remedies(Estimate(read(doc), book), "tomato")
    assert not any("less" in said(remedy.label) for remedy in found)


def test_remedies_are_for_what_is_wanted(read, book):
    with pytest.raises(CannotBeDoneError, match="remedies-no-amount-wanted"):
        remedies(Estimate(read(document(LETTUCE)), book), "lettuce")


def test_factors_lead_from_the_book_to_the_harvest(read, reported, book):
    short = bed(wall_height_cm=20, sun_hours=5, bottom="closed")
    doc = document(LETTUCE, BEANS, places=[short])
    plan = read(doc)
    own = [
        e
        for _, there in all_grown(Estimate(plan, book))
        for e in there
        if e.crop.id == "dwarf-bean"
    ]
    found = crop_factors("dwarf-bean", own, 2000, book)
    assert found.book_kg == pytest.approx(
        own[0].report.plants * book.crops["dwarf-bean"].yield_kg_per_plant.typical
    )
    assert {"losses", "depth", "light"} <= {said(step.name) for step in found.steps}
    last = found.book_kg
    for step in found.steps:
        assert step.kg == pytest.approx(last + step.change_kg, rel=0.02)
        last = step.kg
    assert last == pytest.approx(found.harvest_kg.p50, rel=0.02)


def test_uncertainty_is_shared_out_and_the_season_counts_more_in_a_sum(read, reported, book):
    def shares(*plantings):
        doc = document(*plantings)
        return earnings_of(Estimate(read(doc), book)).uncertainty

    one, several = shares(BEANS), shares(BEANS, LETTUCE)
    for found in (one, several):
        assert sum(share.share for share in found.sources) == pytest.approx(1)
        assert sum(share.share for share in found.crops) == pytest.approx(1)
    # Of one planting the split is the model's own: 0.3 season, 0.3 crop, 0.4 planting.
    alone = [share.share for share in one.sources]
    assert alone == pytest.approx([0.3, 0.3, 0.4], abs=0.08)
    assert several.sources[0].share > alone[0]


@pytest.fixture
def hours(read, reported, book):
    def found(*plantings, household=None):
        doc = document(*plantings)
        plan, report = read(doc), reported(doc)
        known = p.Household.model_validate_json(household) if household else None
        jobs = jobs_of(Estimate(plan, book))
        return jobs, hours_of(jobs, known, 2.9, (report.year.start, report.year.end))

    return found


def test_every_minute_of_the_jobs_is_in_some_week(hours):
    jobs, found = hours(LETTUCE, BEANS)
    assert found.year_hours == pytest.approx(sum(job.minutes for job in jobs) / 60)
    assert found.fits_m2 is None
    assert "most in the week of" in said(found.words)


def test_a_household_s_hours_size_the_garden(hours):
    _, few = hours(LETTUCE, BEANS, household='{"hours_per_week": 0.5}')
    _, many = hours(LETTUCE, BEANS, household='{"hours_per_week": 5}')
    assert many.fits_m2 == pytest.approx(10 * few.fits_m2)
    assert few.over > many.over == 0


def test_days_away_have_no_hours_and_name_what_cannot_wait(hours):
    away = '{"hours_per_week": 7, "away": [{"since": "2027-07-26", "until": "2027-08-06"}]}'
    _, found = hours(LETTUCE, BEANS, household=away)
    week = {w.week: w for w in found.weeks}
    assert week[date(2027, 7, 26)].able == 0
    assert week[date(2027, 8, 2)].able == pytest.approx(3)
    assert week[date(2027, 8, 2)].away_days == 4
    assert found.cannot_wait
    for one in found.cannot_wait:
        assert date(2027, 7, 26) <= one.job.on
        assert one.job.until < date(2027, 8, 6)
        assert "before 26 July" in said(one.words)


def test_visits_share_the_hours_out(hours):
    visits = '{"hours_per_week": 4, "visits": ["saturday", "sunday"],'
    away = f'{visits} "away": [{{"since": "2027-06-19", "until": "2027-06-20"}}]}}'
    _, found = hours(LETTUCE, household=away)
    week = {w.week: w for w in found.weeks}
    assert week[date(2027, 6, 14)].able == pytest.approx(2)
    assert week[date(2027, 6, 7)].able == pytest.approx(4)


def test_the_weeks_of_plantings_are_those_of_their_crop(read, book):
    later = planting("lettuce", block("A4", "B6"), id="later", start_date="2027-07-01")
    plan = read(document(LETTUCE, later, BEANS))
    found = planting_supplies(Estimate(plan, book), "lettuce")
    assert [one.planting for one in found] == ["salad", "later"]
    for one in found:
        assert sum(week.p50 for week in one.weeks) == pytest.approx(one.harvest_kg.p50, rel=0.02)
    whole = crop_in(pantry_of(Estimate(plan, book)), "lettuce")
    weeks = {week.week for one in found for week in one.weeks}
    assert {week.week for week in whole.weeks} == weeks
    assert planting_supplies(Estimate(plan, book), "carrot") == ()
