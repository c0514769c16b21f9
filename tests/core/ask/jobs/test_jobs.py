"""Jobs: each on its day, with its number and reason, as marked; and what marking does."""

import itertools
from collections import Counter
from datetime import date, timedelta

import pytest

from ample_rows import PROGRAM
from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.behind import replanned
from ample_rows.core.ask.jobs.chores import usual_chores
from ample_rows.core.ask.jobs.year import jobs_of, series_of, weeks_about
from ample_rows.core.edits import (
    KeepChore,
    MarkJob,
    RemoveChore,
    RemovePlace,
    RemovePlanting,
    apply_edit,
)
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from ample_rows.demo import demo_plans
from tests.conftest import bed, block, document, planting, tub

BOOK = load_book()
CLIMATE = {
    "tmin_c": [2, 2, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2],
    "tmax_c": [7, 8, 10, 13, 17, 20, 22, 22, 18, 14, 10, 8],
    "rain_mm": [60, 45, 45, 50, 50, 50, 50, 55, 55, 65, 65, 65],
}


def jobs(plan):
    return jobs_of(Estimate(plan, BOOK, PROGRAM))


@pytest.fixture
def listed(read):
    """The jobs of some plantings by their verb, the earliest first."""

    def found(*plantings, parts=None, **context):
        by_verb = {}
        for job in jobs(read({**document(*plantings, **context), **(parts or {})})):
            by_verb.setdefault(said(job.verb), []).append(job)
        return by_verb

    return found


LETTUCE = planting("lettuce", ("A1", "A2"), id="salad", start="transplant", start_date="2027-04-20")
CARROT = planting("carrot", id="roots", start_date="2027-04-10")


def test_a_raised_plant_from_the_sill_to_the_kitchen(listed):
    found = listed(LETTUCE)
    inside, harden, out = (found[verb][0] for verb in ("Sow inside", "Harden off", "Set out"))
    weeks = BOOK.crops["lettuce"].weeks_indoors
    assert inside.on == date(2027, 4, 20) - timedelta(days=round(weeks * 7))
    assert said(inside.about) == "head lettuce, 6 seeds 0.8 cm deep"
    assert harden.on == date(2027, 4, 11)
    assert harden.until < out.on == date(2027, 4, 20)
    assert out.first == ("Harden off",)
    assert (
        said(out.about)
        == "head lettuce, 2 plants, 25 cm apart, holes 8 cm deep; 1 L of water in all"
    )
    assert out.latest > out.until
    assert found["Pick"][0].on == date(2027, 5, 30)
    assert found["Clear"][-1].on == date(2027, 6, 17)
    assert "Thin" not in found
    assert "Sow" not in found


def test_what_is_sown_in_place_is_thinned_once_it_is_up(listed):
    found = listed(CARROT)
    sown, thinned = found["Sow"][0], found["Thin"][0]
    slowest = BOOK.crops["carrot"].germination_days.high
    assert thinned.on == sown.on + timedelta(days=slowest + 12)
    assert said(thinned.about) == "maincrop carrot to 64 plants, 7.5 cm apart"
    assert sown.first == ("Seedbed",)
    assert "192 seeds" in said(sown.about)
    assert not {"Sow inside", "Harden off", "Set out"} & set(found)


def test_a_flower_is_picked_without_a_weight(listed):
    (first, *_) = listed(planting("pot-marigold", ("A1",), start_date="2027-04-15"))["Pick"]
    assert said(first.why).startswith("until ")


def test_picking_comes_again_until_its_last_day(listed):
    picks = listed(planting("chard", start_date="2027-04-25"))["Pick"]
    assert [job.nth for job in picks] == list(range(1, len(picks) + 1))
    assert {(b.on - a.on).days for a, b in itertools.pairwise(picks)} == {7}


@pytest.mark.parametrize(
    ("what", "verb", "there"),
    [
        (planting("potato", start="set"), "Earth up", True),
        (planting("carrot"), "Earth up", False),
        (planting("lettuce"), "Look for slugs", True),
        (planting("leek"), "Look for slugs", False),
        (planting("cabbage", start="transplant"), "Look for eggs", True),
        (planting("courgette", "all", start="transplant"), "Pollinate by hand", True),
        (planting("broad-bean", start_date="2027-03-01"), "Pinch out the tops", True),
    ],
)
def test_some_crops_ask_for_work_of_their_own(listed, what, verb, there):
    assert (verb in listed(what)) == there


def test_only_a_hungry_crop_in_a_pot_is_fed_by_the_label(listed):
    tomato = planting("tomato-bush", "all", start="transplant", start_date="2027-05-25")
    tomato = {**tomato, "crop": "tomato", "variety": "tomato-bush", "spacing_cm": 40}
    assert "Feed" not in listed(tomato)
    potted = listed({**tomato, "place": "tub"}, places=[tub()])["Feed"]
    assert (potted[1].on - potted[0].on).days == 14
    assert "as the label says" in potted[0].sign


LIQUID = {"name": "tomato feed", "ml_per_10_l": 20, "every_days": 10, "wait_days": 2}


def test_a_poured_feed_comes_as_its_label_says(listed):
    tomato = planting("tomato", "all", start="transplant", start_date="2027-05-25", place="tub")
    fed = listed({**tomato, "spacing_cm": 40}, places=[tub()], parts={"soil": {"liquid": LIQUID}})[
        "Feed"
    ]
    half, fed = ([job for job in fed if job.kind == kind] for kind in ("feed-young", "feed"))
    assert "half the label's strength; 9 mL of tomato feed" in said(half[0].about)
    assert half[-1].on < fed[0].on
    assert (fed[1].on - fed[0].on).days == 10
    # A can holds 9 L; a twentieth of the tub's 61 L is poured.
    assert said(fed[0].about).endswith("; 18 mL of tomato feed in a 9 L can, 3.1 L of it")
    assert "the label asks for 2 days before anything is picked" in said(fed[0].why)


PELLETS = {"name": "pellets", "n_percent": 4}


def test_a_bed_is_fed_in_two_goes_by_its_packet(listed):
    cabbage = planting("cabbage", block("A1", "D4"), start="transplant", start_date="2027-05-10")
    first, second = listed(cabbage, parts={"soil": {"packet": PELLETS}})["Feed"]
    # 16 squares of 30 cm: 1.44 m2 x 20 g N x 1.15, by 4 % nitrogen, halved.
    assert said(first.about) == "414 g (about 7 handfuls) of pellets, raked in"
    assert first.on == date(2027, 5, 10)
    assert (
        said(second.about) == "414 g (about 7 handfuls) of pellets, most of it to pointed cabbage"
    )
    assert first.until < second.on < date(2027, 8, 20)
    label = {**PELLETS, "at_once_g_per_m2": 100, "every_days": 21}
    sparing = listed(cabbage, parts={"soil": {"packet": label}})["Feed"][0]
    about = said(sparing.about)
    assert "414 g (about 7 handfuls) of pellets in 2 goes, 21 days apart" in about
    assert "(the label allows 288 g at once)" in about
    assert "Feed" not in listed(cabbage)


def test_what_is_fed_late_is_given_once_and_before_the_crop(listed):
    kale = planting("kale", block("A1", "D4"), start="transplant", start_date="2027-08-20")
    only = listed(kale, parts={"soil": {"packet": PELLETS}})["Feed"]
    assert [job.on for job in only] == [date(2027, 8, 20)]
    assert said(only[0].why).startswith("all that its crops take in the year")


def test_seed_is_ordered_by_the_month_and_what_the_box_holds_is_not(listed):
    first, second = listed(LETTUCE, planting("leek", ("C1",), start_date="2027-06-01"))["Order"]
    assert (first.place, said(first.place_label)) == (None, "The garden")
    assert said(first.about) == "head lettuce, 1 packet"
    assert first.on == date(2027, 2, 23)
    assert said(second.about) == "leek, 1 packet"
    packet = {"id": "s1", "crop": "lettuce", "seeds": 500, "year": 2027}
    assert "Order" not in listed(LETTUCE, parts={"seed_box": {"packets": [packet]}})


def chore(**facts):
    return KeepChore(chore={"id": "own-1", "what": "oil the boards", "on": "2024-03-31", **facts})


@pytest.mark.parametrize(
    ("again", "days", "why"),
    [
        ({}, [], ""),
        ({"every": 3, "per": "year"}, [(2, date(2027, 3, 31))], "every 3 years; next on 31 March"),
        ({"every": 2, "per": "year"}, [], ""),
        (
            {"every": 1, "per": "year"},
            [(4, date(2027, 3, 31))],
            "every year; next on 31 March 2028",
        ),
    ],
)
def test_a_job_of_one_s_own_comes_again_after_years(read, again, days, why):
    plan = apply_edit(read(document(CARROT)), chore(**again))
    found = [job for job in jobs(plan) if job.job == "chore-own-1"]
    assert [(job.nth, job.on) for job in found] == days
    assert all(said(job.why).startswith(why) for job in found)


def test_a_job_of_the_end_of_a_month_keeps_to_its_end(read):
    plan = apply_edit(read(document(CARROT)), chore(every=1, per="month"))
    found = [job.on for job in jobs(plan) if job.job == "chore-own-1"]
    assert date(2027, 4, 30) in found
    assert date(2027, 5, 31) in found
    assert len(found) == 12


def test_a_job_of_one_s_own_is_marked_changed_and_taken_out_with_its_marks(read):
    plan = apply_edit(read(document(CARROT)), chore(on="2027-06-01"))
    done = {"job": "chore-own-1", "state": "done", "on": "2027-06-03"}
    plan = apply_edit(plan, MarkJob(mark=done))
    assert find(plan, "See to").state == "done"
    plan = apply_edit(plan, chore(on="2027-07-01", place="bed"))
    assert find(plan, "See to").place == "bed"
    gone = apply_edit(plan, RemoveChore(id="own-1"))
    assert (gone.chores, gone.jobs) == ((), ())
    with pytest.raises(UnknownPartError, match="There is no chore"):
        apply_edit(gone, RemoveChore(id="own-1"))
    assert apply_edit(plan, RemovePlace(id="bed")).chores == ()


def test_a_job_that_comes_again_says_how_often_of_what(read):
    with pytest.raises(PlanFaultsError, match=r"chores\[0\]\.per: is needed too"):
        read({**document(CARROT), "chores": [{**chore().chore, "every": 2}]})


def test_usual_jobs_are_proposed_on_days_of_this_garden_until_they_are_kept(read):
    plan = read(document(CARROT))
    usual = {one.key: one for one in usual_chores(plan, BOOK)}
    tested = usual["soil-test"]
    assert tested.on == plan.garden.first_frost - timedelta(days=14)
    assert [one.on for one in usual.values()] == sorted(one.on for one in usual.values())
    kept = apply_edit(plan, chore(what=tested.what))
    assert "soil-test" not in {one.key for one in usual_chores(kept, BOOK)}


def test_single_stems_are_pinched_along_a_string(listed):
    wires = bed(supports=[{"id": "wires", "height_cm": 200, "system": "strings"}])
    row = planting("tomato", (), start="transplant", start_date="2027-05-25", support="wires")
    found = listed(row, places=[wires])
    assert "Pinch side shoots" in found
    up = found["Put up"][0]
    assert up.on < up.until == date(2027, 5, 25)
    assert "200 cm high" in said(up.about)


@pytest.mark.parametrize(
    ("crop", "start", "why"),
    [
        ("climbing-bean", "sow", "before what climbs it starts on 20 May; roots are not hurt then"),
        ("cucumber", "transplant", "the same day as outdoor cucumber, 20 May, before its roots"),
        ("pea", "sow", "when climbing pea is 10 cm high; till then it can be hoed"),
    ],
)
def test_a_net_is_hung_as_its_crop_wants_it(listed, crop, start, why):
    net = bed(supports=[{"id": "net", "height_cm": 180, "system": "net"}])
    row = planting(crop, block("A1", "A4"), start=start, start_date="2027-05-20", support="net")
    up = listed(row, places=[net])["Put up"][0]
    assert why in said(up.why)
    late = crop == "pea"
    assert (up.until > date(2027, 5, 20)) == late


def test_covers_go_on_and_come_off_and_thirsty_weeks_are_named(listed):
    cover = {
        "id": "mesh",
        "kind": "insect-mesh",
        "cells": ["A1", "A2"],
        "since": "2027-04-20",
        "until": "2027-07-01",
    }
    found = listed(CARROT, places=[bed(covers=[cover])], climate=CLIMATE)
    assert found["Cover"][0].on == date(2027, 4, 20)
    assert found["Uncover"][0].on == date(2027, 7, 1)
    waters = found["Water"]
    assert {job.on.weekday() for job in waters} == {0}
    assert not [job for job in waters if job.on.month in (12, 1)]


def test_what_follows_is_the_reason_to_clear(listed):
    later = planting("spinach", ("A1",), id="later", start_date="2027-09-01")
    cleared = next(job for job in listed(CARROT, later)["Clear"] if job.planting == "roots")
    assert said(cleared.why) == "spinach follows on 1 September"


def mark(state, on, job="sow", ident="roots", **more):
    return MarkJob(
        mark={"place": "bed", "planting": ident, "job": job, "state": state, "on": on, **more}
    )


def find(plan, verb):
    return next(job for job in jobs(plan) if said(job.verb) == verb)


def test_a_job_done_on_another_day_moves_what_follows(read):
    plan = read(document(CARROT))
    picked = find(plan, "Lift").on
    done = apply_edit(plan, mark("done", "2027-04-18"))
    assert done.plantings[0].start_date == date(2027, 4, 18)
    assert find(done, "Sow").state == "done"
    assert find(done, "Lift").on == picked + timedelta(days=8)


def test_a_start_put_off_is_another_day_in_the_plan(read):
    plan = apply_edit(read(document(CARROT)), mark("put-off", "2027-05-01"))
    assert plan.jobs == ()
    assert find(plan, "Sow").on == date(2027, 5, 1)


def test_ground_that_is_cleared_on_another_day_is_free_from_then(read):
    after = {**planting("spinach", id="after", start_date="2027-08-20"), "follows": "roots"}
    plan = read(document({**CARROT, "clear_date": "2027-08-15"}, after))

    def cleared(state, on, planned=date(2027, 8, 15)):
        return apply_edit(plan, MarkJob(mark=mark(state, on, "clear").mark, planned=planned))

    late = cleared("done", "2027-08-28")
    assert [planting.clear_date for planting in late.plantings] == [date(2027, 8, 28), None]
    assert late.plantings[1].start_date == date(2027, 8, 28)
    assert find(late, "Clear").state == "done"
    assert next(j for j in jobs(late) if j.verb == "Sow" and j.planting == "after").on == date(
        2027, 8, 28
    )
    early = cleared("done", "2027-08-05")
    assert early.plantings[1].start_date == date(2027, 8, 20)
    waiting = cleared("put-off", "2027-08-22")
    assert (waiting.jobs, waiting.plantings[0].clear_date) == ((), date(2027, 8, 22))
    assert waiting.plantings[1].start_date == date(2027, 8, 22)
    before = cleared("done", "2027-03-01")
    assert before.plantings[0].clear_date == date(2027, 8, 15)
    # What was to start before the other is cleared is a relay, and waits for nothing.
    relay = cleared("done", "2027-08-28", date(2027, 8, 24))
    assert relay.plantings[1].start_date == date(2027, 8, 20)


def test_what_was_begun_is_not_moved_by_the_clearing_before_it(read):
    after = {**planting("spinach", id="after", start_date="2027-08-20"), "follows": "roots"}
    sown = {"place": "bed", "planting": "after", "job": "sow", "state": "done", "on": "2027-08-20"}
    plan = apply_edit(read(document(CARROT, after)), MarkJob(mark=sown))
    cleared = mark("done", "2027-08-28", "clear").mark
    late = apply_edit(plan, MarkJob(mark=cleared, planned=date(2027, 8, 15)))
    assert late.plantings[1].start_date == date(2027, 8, 20)


def test_any_other_job_put_off_stands_on_its_new_day_alone(read):
    plan = apply_edit(read(document(CARROT)), mark("put-off", "2027-06-20", "thin"))
    thinned = find(plan, "Thin")
    assert (thinned.on, thinned.state) == (date(2027, 6, 20), "put-off")
    assert plan.plantings[0].start_date == date(2027, 4, 10)


def test_a_mark_stands_in_the_stead_of_the_one_before_and_can_be_taken_away(read):
    plan = apply_edit(read(document(CARROT)), mark("part", "2027-04-10", cells=["A1"]))
    assert find(plan, "Sow").done_cells == ("A1",)
    plan = apply_edit(plan, mark("left-out", "2027-04-12"))
    assert [m.state for m in plan.jobs] == ["left-out"]
    assert apply_edit(plan, mark("open", "2027-04-12")).jobs == ()
    assert apply_edit(plan, RemovePlanting(id="roots")).jobs == ()


def test_weeks_run_from_monday_and_nothing_is_behind_before_the_first_mark(read):
    plan = read(document(CARROT, LETTUCE))
    weeks = weeks_about(jobs(plan), date(2027, 4, 22))
    assert weeks.monday == date(2027, 4, 19)
    assert "Set out" in {job.verb for job in weeks.this_week}
    assert all(weeks.monday + timedelta(days=7) <= job.on for job in weeks.next_week)
    assert weeks_about(jobs(plan), date(2027, 6, 1)).behind == ()
    followed = apply_edit(plan, mark("done", "2027-04-10"))
    behind = weeks_about(jobs(followed), date(2027, 6, 1)).behind
    assert {job.verb for job in behind} >= {"Set out", "Thin"}
    assert "Sow" not in {job.verb for job in behind}


def test_a_job_that_comes_again_is_asked_once_a_week_and_none_of_its_times_is_lost():
    every = jobs(demo_plans(BOOK)[0])
    first = min(job.on for job in every)
    weeks = [weeks_about(every, first + timedelta(days=7 * n)) for n in range(60)]
    asked = {job.key for week in weeks for job in (*week.this_week, *week.next_week)}
    assert asked == {job.key for job in every}
    for week in weeks:
        once = Counter((job.place, job.planting, job.job) for job in week.this_week)
        assert set(once.values()) <= {1}


def test_what_is_behind_says_what_it_costs_and_can_be_put_to_the_day(read):
    plan = read(document(planting("dwarf-bean", id="beans", start_date="2027-05-10")))
    sown = find(plan, "Sow")
    late = replanned(Estimate(plan, BOOK), sown, date(2027, 5, 24))
    assert said(late.words) == "14 days late: it costs little"
    assert apply_edit(plan, late.edit).plantings[0].start_date == date(2027, 5, 24)
    much = replanned(Estimate(plan, BOOK), sown, date(2027, 8, 5))
    assert "it costs about" in said(much.words)
    never = replanned(Estimate(plan, BOOK), sown, date(2027, 10, 5))
    assert "too late to pick anything" in said(never.words)


def test_evenly_spaced_jobs_are_one_series_and_closed_ones_are_none(read):
    plan = apply_edit(read(document(CARROT)), mark("done", "2027-04-10"))
    plan = read(p.document(plan))
    found = {series.job.verb: series for series in series_of(jobs(plan))}
    assert "Sow" not in found
    picks = [job for job in jobs(plan) if job.verb == "Lift"]
    assert (found["Lift"].times, found["Lift"].every_days) == (len(picks), 7)


def test_every_rule_of_a_job_names_what_there_is():
    for rule in BOOK.jobs.values():
        assert set(rule.first) <= set(BOOK.jobs)
        assert set(rule.crops) <= set(BOOK.crops)
        assert set(rule.systems) <= set(BOOK.trainings)
        assert rule.trouble is None or rule.trouble in BOOK.troubles


def test_twine_follows_growth_tier_by_tier(listed):
    place = bed(supports=[{"id": "wires", "system": "strings", "height_cm": 190}])
    cells = ("A1", "B1", "C1", "D1")
    tomato = planting("tomato", cells, start="transplant", start_date="2027-05-20", support="wires")
    found = listed(tomato, places=[place])["Tie in"]
    assert len(found) >= 4
    assert [job.nth for job in found] == list(range(1, len(found) + 1))
    assert "tier 2 at 60 cm" in said(found[1].about)
    assert [job.on for job in found] == sorted(job.on for job in found)


def test_green_manure_is_dug_in_and_not_picked(listed):
    rye = planting("winter-rye", block("A1", "B3"), start_date="2027-09-20")
    found = listed({**rye, "clear_date": "2027-12-01"})
    assert "Dig in" in found
    assert not {"Pick", "Clear"} & found.keys()
