"""A trailing crop led over a path or over places that are free in time."""

from datetime import date

import pytest

from ample_rows import PROGRAM
from ample_rows.core.ask.succession.leads import leads_of
from ample_rows.core.edits import apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, block, document, planting

BOOK = load_book()
SQUASH = {
    **planting("winter-squash", block("A1", "C3"), id="squash", start="transplant"),
    "start_date": "2027-05-25",
    "spacing_cm": 90,
}
PEAS = {**planting("radish", "all", id="early", start_date="2027-04-01"), "place": "other"}
LATE = {**planting("leek", "all", id="late", start_date="2027-06-01"), "place": "other"}


def beside(*plantings, **changes):
    return document(*plantings, places=[bed(), bed(id="other", name="Other bed", **changes)])


def kg(plan, ident="squash"):
    report = Estimate(plan, BOOK, PROGRAM).report
    return next(r for r in report.plantings if r.id == ident).harvest_kg.p50


def test_room_for_the_vines_is_worth_what_crowding_cost(read):
    # One plant in nine squares of 30 cm: 1.44 m2 at book spacing over 0.81 m2, crowding 0.4.
    plan = read(beside(SQUASH))
    alone = kg(plan)
    ways = leads_of(Estimate(plan, BOOK), "squash").ways
    path = next(way for way in ways if said(way.label) == "the path beside it")
    assert path.m2 == pytest.approx(1.44)
    asked = 1.44 / 0.81
    less, more = 0.6 + 0.4 * asked, 0.6 + 0.4 * asked / (1 + path.m2 / 0.81)
    assert path.kg / alone == pytest.approx(less / more, rel=0.01)
    assert path.more_kg == pytest.approx(path.kg - alone)
    assert kg(apply_edit(plan, path.edit)) == pytest.approx(path.kg)


def test_a_bed_is_taken_once_it_is_cleared_and_kept_free_for_it(read):
    plan = read(beside(SQUASH, PEAS))
    way = next(
        w
        for w in leads_of(Estimate(plan, BOOK), "squash").ways
        if said(w.label).startswith("Other bed")
    )
    cleared = next(
        r.clear_date for r in Estimate(plan, BOOK, PROGRAM).report.plantings if r.id == "early"
    )
    assert cleared is not None
    assert way.since >= cleared
    assert way.m2 <= 2.0
    led = apply_edit(plan, way.edit)
    rest = led.places[1].rests[0]
    assert (rest.since, rest.reason) == (way.since, "winter squash runs over it")
    back = leads_of(Estimate(led, BOOK), "squash").back
    assert back is not None
    assert apply_edit(led, back) == plan


def test_ground_that_comes_late_gives_less_and_what_is_full_gives_none(read):
    ways = leads_of(Estimate(read(beside(SQUASH)), BOOK), "squash").ways
    early = next(w for w in ways if said(w.label).startswith("Other bed"))
    salad = {**PEAS, "clear_date": "2027-07-20"}
    late = leads_of(Estimate(read(beside(SQUASH, salad)), BOOK), "squash").ways
    later = next(w for w in late if said(w.label).startswith("Other bed"))
    assert later.since == date(2027, 7, 20) > early.since
    assert 0 < later.more_kg < early.more_kg
    full = leads_of(Estimate(read(beside(SQUASH, LATE)), BOOK), "squash").ways
    assert [said(w.label) for w in full] == ["the path beside it"]


def test_vines_do_not_reach_a_far_bed_and_some_crops_do_not_trail(read):
    doc = document(SQUASH, places=[bed(at_m=[0, 0]), bed(id="other", at_m=[6, 0])])
    ways = leads_of(Estimate(read(doc), BOOK), "squash").ways
    assert [said(w.label) for w in ways] == ["the path beside it"]
    carrots = leads_of(Estimate(read(document(planting("carrot", id="roots"))), BOOK), "roots")
    assert (carrots.ways, carrots.back) == ((), None)
    assert said(carrots.words) == "maincrop carrot does not trail"
