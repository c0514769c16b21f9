"""Work in its order: soak, seedbed, hole, mulch, feed, weed, look over, train, store."""

import itertools
from datetime import date, timedelta

import pytest

from ample_rows import PROGRAM
from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, block, document, planting, rectangle, tub

BOOK = load_book()
MILD = {
    "tmin_c": [2, 2, 3, 5, 8, 11, 13, 13, 10, 7, 4, 2],
    "tmax_c": [7, 8, 10, 13, 17, 20, 22, 22, 18, 14, 10, 8],
    "rain_mm": [60, 45, 45, 50, 50, 50, 50, 55, 55, 65, 65, 65],
}
TOMATO = planting(
    "tomato", block("A1", "D3"), start="transplant", start_date="2027-05-25", id="reds"
)
CABBAGE = planting("cabbage", block("A1", "D4"), start="transplant", start_date="2027-05-10")
CARROT = planting("carrot", block("A6", "B7"), start_date="2027-04-10", id="roots")


@pytest.fixture
def work(read):
    """The jobs of some plantings by their row in the book, the earliest first."""

    def found(*plantings, parts=None, **context):
        by_kind = {}
        plan = read({**document(*plantings, **context), **(parts or {})})
        for job in jobs_of(Estimate(plan, BOOK, PROGRAM)):
            by_kind.setdefault(job.kind, []).append(job)
        return by_kind

    return found


def test_a_bed_is_soaked_before_it_is_planted_and_says_how_long_that_lasts(work):
    dry = {**MILD, "rain_mm": [10] * 12}
    (soak,) = work({**CABBAGE, "start_date": "2027-06-20"}, climate=dry)["soak"]
    assert soak.until < date(2027, 6, 20) <= soak.until + timedelta(days=1)
    assert said(soak.about).endswith("of water in all, in two or three goes, down to 45 cm")
    assert "soaked through, it lasts about" in said(soak.why)
    assert "dig a hole" in said(soak.sign)
    assert "soak" not in work({**CABBAGE, "place": "tub", "cells": "all"}, places=[tub()])


def test_a_bed_that_stood_through_a_wet_winter_is_full_in_early_spring(work):
    early = planting("broad-bean", ("A1",), start_date="2027-03-01")
    assert "soak" not in work(early, places=[bed(stage="standing")], climate=MILD)
    assert "soak" in work(early, climate=MILD)


def test_seed_gets_a_fine_bed_with_watered_furrows_the_days_before(work):
    found = work(CARROT)
    (seedbed,), (sown,) = found["seedbed"], found["sow"]
    assert seedbed.until < sown.on
    assert sown.first == ("Seedbed",)
    # 4 squares of 30 cm at 4 L a square metre.
    assert "fill them with water once, 1.4 L in all" in said(seedbed.about)
    assert "below strings or rim" in said(seedbed.sign)
    assert "seedbed" not in work(CABBAGE)


@pytest.mark.parametrize(
    ("what", "hole"),
    [(CABBAGE, "holes 11 cm deep"), ({**CABBAGE, "crop": "lettuce"}, "holes 8 cm deep")],
)
def test_a_hole_is_as_deep_as_root_ball_and_buried_stem_and_is_watered_in(work, what, hole):
    about = said(work(what)["set-out"][0].about)
    assert hole in about
    assert about.endswith("L of water in all")


@pytest.mark.parametrize(
    ("what", "kind", "laid"),
    [
        (TOMATO, "mulch-straw", "8 cm of straw ("),
        (CABBAGE, "mulch-compost", "3 cm of finished compost (43 L, 1 bag), round each plant"),
        (CARROT, "mulch-thin", "1 cm of grass clippings (4 L), thin between the rows"),
        (
            planting("garlic", "all", start="set", start_date="2027-10-10"),
            "mulch-at-planting",
            "10 cm of leaves (288 L, 5 bags)",
        ),
    ],
)
def test_each_crop_has_its_mulch_with_its_litres(work, what, kind, laid):
    (job,) = work(what)[kind]
    assert laid in said(job.about)
    assert job.on > date.fromisoformat(what["start_date"])


def test_a_mulched_place_mulches_no_planting_by_itself(work):
    found = work(TOMATO, CARROT, places=[bed(mulch_cm=5)])
    assert not {"mulch-straw", "mulch-thin", "leaves"} & found.keys()


def test_mulch_that_is_laid_at_once_counts_towards_the_depth_of_planting(work):
    garlic = planting("garlic", "all", start="set", start_date="2027-10-10")
    whole = BOOK.crops["garlic"].sowing_depth_cm
    assert f"{whole:g} cm deep, 2 cm of it soil once the mulch is on" in said(
        work(garlic)["set"][0].about
    )
    bare = said(work(garlic, places=[bed(mulch_cm=5)])["set"][0].about)
    assert f"{whole:g} cm deep, " in bare
    assert "mulch" not in bare


def test_bare_squares_are_covered_with_leaves_in_autumn(work):
    (leaves,) = work(CARROT)["leaves"]
    assert said(leaves.about).startswith("32 squares left empty: 10 cm of leaves (288 L, 5 bags)")
    whole = planting("kale", "all", start="transplant", start_date="2027-07-01")
    assert "leaves" not in work({**whole, "clear_date": "2028-03-01"})


def test_weeds_are_hoed_every_two_weeks_where_something_stands(work):
    weeds = work(CARROT)["weed"]
    assert {(b.on - a.on).days for a, b in itertools.pairwise(weeds)} == {14}
    cleared = max(job.on for job in work(CARROT)["clear"])
    assert all(date(2027, 4, 10) < job.on < cleared for job in weeds)
    assert "4 squares" in said(weeds[0].about)


def test_a_bed_of_what_stays_is_weeded_too(work):
    crown = planting("rhubarb", "all", start="division", start_date="2023-03-20")
    weeds = work(crown)["weed"]
    assert weeds[0].on > date(2027, 4, 25)


def test_crops_are_looked_over_for_what_could_take_them_in_those_weeks(work):
    looked = {job.on.month: said(job.about) for job in work(TOMATO, CARROT)["look-over"]}
    assert "cordon tomato for late blight" in looked[7]
    assert looked[7].index("blight") < looked[7].index("carrot fly")
    assert not any("blight" in text for month, text in looked.items() if month < 6)


def test_what_runs_up_a_net_is_trained_each_week_and_beans_are_led_up_once(work):
    net = bed(supports=[{"id": "net", "edge": "north", "height_cm": 180, "system": "net"}])
    row = planting("cucumber", block("A1", "D1"), start="transplant", start_date="2027-06-01")
    trained = work({**row, "support": "net"}, places=[net])["train"]
    assert (trained[1].on - trained[0].on).days == 7
    beans = planting("climbing-bean", block("A1", "D1"), start_date="2027-05-20", support="net")
    found = work(beans, places=[net])
    assert len(found["lead-up"]) == 1
    assert "train" not in found


PELLETS = {"name": "pellets", "n_percent": 4}


def test_what_is_planted_out_hungry_later_gets_its_dose_in_the_hole(work):
    early = planting("spinach", block("A5", "D6"), id="greens", start_date="2027-03-20")
    fed = work(early, TOMATO, parts={"soil": {"packet": PELLETS}})["feed"]
    about = [said(job.about) for job in fed]
    assert about[0].endswith("raked in")
    assert about[1].endswith("a measured share in each hole: 4 plants of cordon tomato")
    assert fed[1].on == date(2027, 5, 25)
    grams = [float(text.split(" g")[0]) for text in about]
    # Half of the year's before strong growth, half in it.
    assert grams[0] + grams[1] == pytest.approx(grams[2], abs=2)


def test_a_bed_without_a_packet_gets_manure_by_the_bucket_or_the_can_by_its_label(work):
    (manure,) = work(CABBAGE)["manure"]
    assert said(manure.about) == (
        "1 bucket of rotted manure or compost, raked in where hungry crops come: pointed cabbage"
    )
    assert "manure" not in work(CABBAGE, parts={"soil": {"packet": PELLETS}})
    assert "manure" not in work(CARROT)
    liquid = {"liquid": {"name": "nettle feed", "ml_per_10_l": 100, "every_days": 10}}
    fed = work(TOMATO, parts={"soil": liquid})
    assert (fed["feed"][1].on - fed["feed"][0].on).days == 10
    assert "half the label's strength; 45 mL of nettle feed" in said(fed["feed-young"][0].about)


def test_what_is_stored_is_cured_first_and_says_how_long_it_keeps(work):
    found = work(planting("onion", "all", start="set", start_date="2027-03-25"))
    (cured,), (stored,) = found["cure"], found["store"]
    assert cured.on < stored.on
    assert said(stored.about) == "onion: keeps about 26 weeks in a cool dark place"
    assert found["pick"][0].verb == "Lift"


LEAVES = {"material": "leaves", "cm": 20, "how": "laid", "on": "2026-10-20"}


def ready_on(work, climate=None, **added):
    jobs = work(CARROT, places=[bed(added=[{**LEAVES, **added}])], climate=climate)["ready"]
    (fine,) = [job for job in jobs if said(job.about).startswith("a fine layer")]
    return fine


def test_a_layer_is_ready_sooner_in_warmth_and_chopped_and_says_what_may_go_in_before(work):
    warm = {**MILD, "tmin_c": [t + 8 for t in MILD["tmin_c"]], "tmax_c": [30] * 12}
    cold = ready_on(work, MILD).on
    assert ready_on(work, warm).on < date(2027, 3, 19) < cold
    assert ready_on(work, MILD, fine=True).on < cold
    assert "before that potatoes, courgettes and squash" in said(ready_on(work, MILD).why)


def test_a_layer_that_ties_up_nitrogen_is_fed_as_it_is_laid(work):
    chips = {"material": "wood-chips", "cm": 10, "how": "dug-in", "on": "2027-03-20"}
    parts = {"soil": {"packet": PELLETS}}
    jobs = work(CARROT, places=[bed(added=[chips])], parts=parts)["ready"]
    (lay,) = [said(job.about) for job in jobs if said(job.about).startswith("lay wood chips")]
    # 2.88 m2 ten centimetres deep, 0.9 g of nitrogen a litre, in pellets of 4 %.
    assert lay == "lay wood chips, and strew 6.5 kg of pellets between the layers"
    # It is part of the year's, and not given twice.
    fed = work(CABBAGE, places=[bed(added=[chips])], parts=parts)["feed"]
    plain = work(CABBAGE, parts=parts)["feed"]
    assert [said(job.about) for job in fed] == [said(job.about) for job in plain]
    bare = work(CARROT, places=[bed(added=[chips])])["ready"]
    assert "lay wood chips" in [said(job.about) for job in bare]


def test_raw_manure_waits_its_months_however_warm_it_is(work):
    warm = {**MILD, "tmin_c": [20] * 12, "tmax_c": [32] * 12}
    manure = ready_on(work, warm, material="manure", fine=True)
    assert manure.on == date(2026, 10, 20) + timedelta(days=120)


@pytest.mark.parametrize(
    ("facts", "there"),
    [
        ({}, True),
        ({"grew": [{"year": 2026, "crops": ["carrot"]}]}, False),
        ({"breaking": {"turf": "bare"}}, False),
    ],
)
def test_grass_is_covered_where_it_grows_and_not_where_ground_is_bare(work, facts, there):
    new = bed(kind="ground", wall_height_cm=0, rim_gap_cm=0, shape=rectangle(120, 240), **facts)
    about = [said(job.about) for job in work(CARROT, places=[new]).get("ready", [])]
    assert any("grass" in text for text in about) == there
