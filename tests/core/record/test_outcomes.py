"""From a record to outcomes: what counts, what is left out, what is not over yet."""

import itertools
import json

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.entries import read_record
from ample_rows.core.record.figures import worked_out
from ample_rows.core.record.outcomes import expected_of, outcomes_of
from tests.conftest import block, document, planting

CARROT = planting("carrot", block("A1", "B2"), id="c", start="sow", start_date="2026-04-10")
KALE = planting("kale", block("C1", "D2"), id="k", start="transplant", start_date="2026-06-01")
PAST = document(CARROT, KALE, last_frost="2026-04-25", first_frost="2026-10-20")
NOW = document()


IDENTS = itertools.count(1)


def entry(kind="picked", day="2026-08-01", **keys):
    return {"id": f"e{next(IDENTS)}", "day": day, "kind": kind, **keys}


def picked(kg, of="c", **keys):
    return entry(kg=kg, planting=of, season="2026", **keys)


@pytest.fixture
def told(book, read):
    """The outcomes of some entries, in the plan of the next year or another."""

    def make(*entries, now=NOW, seasons=(("2026", PAST),)):
        record = {
            "format": "ample-rows/record",
            "version": 1,
            "garden": "Test yard",
            "seasons": [{"id": ident, "plan": plan} for ident, plan in seasons],
            "entries": list(entries),
        }
        return outcomes_of(read_record(json.dumps(record), book), read(now), worked_out(book))

    return make


def test_all_pickings_of_a_planting_are_one_outcome(told, read, book):
    [carrot] = told(picked(0.5), picked(0.7, day="2026-07-20"), picked(0.3, day="2026-09-09")).used
    expected = expected_of(read(PAST), worked_out(book))["c"]
    assert carrot.kg == pytest.approx(1.5)
    assert carrot.expected == expected
    assert (carrot.expected.crop, carrot.expected.family) == ("carrot", "Apiaceae")
    first = f"{expected.first_pick:%j}"
    assert carrot.first_pick_shift_days == 201 - int(first)
    assert carrot.last_pick_shift_days == 252 - int(f"{expected.last_pick:%j}")


def test_pieces_weigh_what_one_of_the_kind_weighs(told):
    [carrot] = told(entry(planting="c", season="2026", pieces=20)).used
    assert carrot.kg == pytest.approx(20 * carrot.expected.piece_kg)


def test_what_is_marked_is_set_aside_and_a_loss_is_told_as_one(told):
    hail = told(picked(0.2, left_out="hail"), picked(0.1, left_out=True), picked(1.0, of="k"))
    assert [o.planting for o in hail.used] == ["k"]
    assert (hail.set_aside, hail.lost) == ((("2026", "c"),), ())
    lost = told(entry("cleared", planting="c", season="2026"), picked(0.0, of="k"))
    assert lost.used == ()
    assert set(lost.lost) == {("2026", "c"), ("2026", "k")}
    assert lost.left_out == 2
    assert told(picked(0.2, left_out="weighed with its soil"), picked(0.9)).used[0].kg == 0.9


def test_nothing_weighed_tells_nothing(told):
    notes = told(
        entry("note", planting="c", season="2026", text="slow"), entry("sown", place="bed")
    )
    assert (notes.used, notes.left_out) == ((), 0)


def test_an_entry_of_a_crop_is_of_its_only_planting(told):
    assert [o.planting for o in told(entry(crop="carrot", season="2026", kg=1)).used] == ["c"]
    assert told(entry(crop="carrot", place="elsewhere", season="2026", kg=1)).used == ()
    twice = document(CARROT, {**CARROT, "id": "d", "cells": ["D4"]}, KALE)
    assert told(entry(crop="carrot", kg=1), seasons=(("2026", twice),)).used == ()


def test_what_was_deleted_since_and_any_day_are_taken_without_a_word(told):
    assert told(picked(1.0, of="gone"), picked(1.0, day="1999-01-01")).used[0].kg == 1.0


def test_a_running_season_counts_what_is_over(told):
    early = told(picked(1.0), picked(0.4, of="k"), now=PAST)
    assert early.used == ()
    cleared = told(picked(1.0), entry("cleared", planting="c", season="2026"), now=PAST)
    assert [o.planting for o in cleared.used] == ["c"]
    late = told(picked(1.0), entry("note", day="2027-03-01", season="2026"), now=PAST)
    assert [o.planting for o in late.used] == ["c"]


def test_what_stays_for_years_does_not_make_last_year_run_on(told):
    stays = planting("rhubarb", ("A4",), id="r", start="division", start_date="2020-03-10")
    last = document(CARROT, KALE, stays, last_frost="2026-04-25", first_frost="2026-10-20")
    early = told(picked(1.0), now=document(stays), seasons=(("2026", last),))
    assert [o.planting for o in early.used] == ["c"]


def test_a_record_without_seasons_is_of_the_plan_itself(told):
    bare = told(entry(planting="c", kg=2), entry("cleared", planting="c"), now=PAST, seasons=())
    assert [(o.planting, o.kg) for o in bare.used] == [("c", 2)]


@pytest.mark.parametrize(
    ("entries", "path", "words"),
    [
        ([entry(kg=-2)], "entries[0].kg", "must be at least 0"),
        ([entry(kg="1,2")], "entries[0].kg", "must be a number"),
        ([entry(kind="eaten")], "entries[0].kind", "must be"),
        ([entry(day="2026-02-30")], "entries[0].day", "a date that exists"),
        ([{**entry(), "id": "x"}, {**entry(), "id": "x"}], "entries[1].id", "stands twice"),
        ([entry(weight=3)], "entries[0].weight", "not a key here"),
    ],
)
def test_what_no_record_can_hold_is_named_at_its_field(told, entries, path, words):
    with pytest.raises(PlanFaultsError) as raised:
        told(*entries)
    [fault] = raised.value.faults
    assert (fault.path, words in str(fault)) == (path, True)


def test_a_plan_of_a_season_that_cannot_be_computed_is_named(told):
    with pytest.raises(PlanFaultsError) as raised:
        told(seasons=(("2026", document(planting("no-such-crop"))),))
    assert raised.value.faults[0].path == "seasons[0].plan.plantings[0].crop"
