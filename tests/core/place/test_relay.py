"""Relay: the next crop starts under the last while the leaves of both fit the ground."""

from datetime import date

import pytest

from ample_rows.core.edits import apply_edit
from ample_rows.core.words.message import said
from tests.conftest import block, document, planting

SQUARES = block("A1", "B3")
CABBAGE = planting("cabbage", SQUARES, id="last", start="transplant", start_date="2027-04-10")
LEEK = planting("leek", SQUARES, id="next", start="transplant", start_date="2027-07-10")


def under(what, last="last"):
    return {**what, "follows": last}


def overlap_notes(report):
    return [note for note in report.notes if note.code in ("clash", "relay")]


def density(report, ident):
    return next(planting for planting in report.plantings if planting.id == ident).factors.density


def test_what_follows_under_leaves_that_leave_room_is_a_relay(reported):
    report = reported(document(CABBAGE, under(LEEK)))
    (note,) = overlap_notes(report)
    assert (note.level, note.code, note.planting) == ("tip", "relay", "next")
    assert "starts under the pointed cabbage on 10 July" in said(note.text)
    # What the two take of each other while both stand is in their figures.
    alone = reported(document(LEEK))
    assert density(report, "next") < density(alone, "next")
    assert density(report, "next") > 0.9 * density(alone, "next")


def test_unless_it_is_meant_it_is_a_clash_with_the_relay_as_a_way_out(reported, read):
    plan = read(document(CABBAGE, LEEK))
    (note,) = overlap_notes(reported(document(CABBAGE, LEEK)))
    assert note.level == "stop"
    fix = next(f for f in note.fixes if "under the pointed cabbage" in said(f.label))
    after = apply_edit(plan, fix.edit)
    assert after.plantings[1].follows == "last"


@pytest.mark.parametrize("crop", ["broad-bean", "lettuce", "onion"])
def test_the_day_that_is_offered_does_fit(reported, read, crop, book):
    start = book.crops[crop].starts[0]
    last = planting(crop, SQUARES, id="last", start=start, start_date="2027-04-01")
    early = {**LEEK, "start_date": "2027-06-01"}
    (note,) = overlap_notes(reported(document(last, early)))
    fix = next(f for f in note.fixes if " under the " in said(f.label))
    after = apply_edit(read(document(last, early)), fix.edit).model_dump(mode="json")
    codes = [n.code for n in overlap_notes(reported({**document(), **_plan(after)}))]
    assert codes in (["relay"], [])


def _plan(dumped):
    """A dumped plan without the keys that nobody gave."""
    if isinstance(dumped, dict):
        return {k: _plan(v) for k, v in dumped.items() if v not in (None, [], {})}
    return [_plan(v) for v in dumped] if isinstance(dumped, list) else dumped


def test_leaves_that_do_not_fit_stay_a_clash(reported):
    onions = planting("onion", SQUARES, id="last", start="set", start_date="2027-03-20")
    (note,) = overlap_notes(reported(document(onions, under(LEEK))))
    assert note.level == "stop"


def test_after_the_last_is_cleared_it_is_an_ordinary_follow_on(reported):
    cleared = {**CABBAGE, "clear_date": "2027-07-10"}
    report = reported(document(cleared, under(LEEK)))
    assert overlap_notes(report) == []
    alone = reported(document(LEEK))
    assert density(report, "next") == pytest.approx(density(alone, "next"))


def test_a_root_that_is_dug_wants_care(reported):
    early = planting("potato-early", SQUARES, id="last", start="set", start_date="2027-04-01")
    late = under({**LEEK, "start_date": "2027-06-27"})
    (note,) = overlap_notes(reported(document(early, late)))
    assert note.code == "relay"
    assert "by hand" in said(note.fix)


def test_holding_between_days_is_not_counted_twice(reported):
    report = reported(document(CABBAGE, under(LEEK)))
    crowded = next(planting for planting in report.plantings if planting.id == "last")
    assert crowded.clear_date > date(2027, 7, 10)
    alone = next(planting for planting in reported(document(CABBAGE)).plantings)
    assert 0.9 < crowded.harvest_kg.p50 / alone.harvest_kg.p50 <= 1


NET = {"id": "net", "edge": "north", "system": "net"}
PEAS = planting("pea", "all", id="last", support="net", start_date="2027-03-15")


def on_the_net(start_date, **changes):
    young = planting("climbing-bean", "all", id="next", support="net", start_date=start_date)
    doc = document(PEAS, {**young, **changes})
    doc["places"][0]["supports"] = [NET]
    return doc


def test_a_climber_may_start_at_the_feet_of_the_old_one(reported):
    report = reported(on_the_net("2027-06-05", follows="last"))
    (note,) = overlap_notes(report)
    assert (note.level, note.code) == ("tip", "relay")
    assert "climbs from the feet of the" in said(note.text)
    assert "lowest leaves" in said(note.fix)
    old, young = (next(r for r in report.plantings if r.id == i) for i in ("last", "next"))
    # It stands between the old ones, and either takes from the other.
    assert not set(old.positions_cm) & set(young.positions_cm)
    alone = reported(
        {**on_the_net("2027-06-05"), "plantings": [on_the_net("2027-06-05")["plantings"][1]]}
    )
    assert young.harvest_kg.p50 < alone.plantings[0].harvest_kg.p50


def test_a_climber_that_would_be_smothered_is_a_clash_with_a_later_day_offered(reported, read):
    doc = on_the_net("2027-04-15", follows="last")
    (note,) = overlap_notes(reported(doc))
    assert note.level == "stop"
    fix = next(f for f in note.fixes if " under the " in said(f.label))
    after = apply_edit(read(doc), fix.edit).model_dump(mode="json")
    assert [n.code for n in overlap_notes(reported({**document(), **_plan(after)}))] == ["relay"]
