"""Another place for a planting: free for its time, deep enough, and better for it."""

import pytest

from ample_rows.core.ask.what_fits.elsewhere import elsewhere
from ample_rows.core.checks import check_plan
from ample_rows.core.edits import apply_edit
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import bed, document, planting

LOW = bed(id="low", wall_height_cm=14, native=None, bottom="lined")
CARROTS = planting("carrot", ("A1", "A2"), place="low", id="roots")


@pytest.fixture
def offered(book, read):
    def of(*others, places=None):
        plan = read(document(CARROTS, *others, places=places or [LOW, bed()]))
        return plan, elsewhere(Estimate(plan, book), "roots")

    return of


def test_a_long_root_finds_a_deeper_bed_and_the_move_gives_what_was_said(book, offered):
    plan, (found,) = offered()
    assert (found.place, len(found.cells)) == ("bed", 2)
    after = apply_edit(plan, found.edit)
    assert check_plan(after, book) == []
    (report,) = Estimate(after, book, "x").report.plantings
    assert report.depth.verdict == "full"
    assert report.harvest_kg.p50 == pytest.approx(found.kg)


def test_what_followed_it_stays_and_follows_it_no_more(book, offered):
    after = planting(
        "radish", ("A1", "A2"), place="low", id="after", start_date="2027-09-20", follows="roots"
    )
    plan, (found,) = offered(after)
    moved = apply_edit(plan, found.edit)
    assert check_plan(moved, book) == []
    assert [(planting.place, planting.follows) for planting in moved.plantings] == [
        ("bed", None),
        ("low", None),
    ]


def test_only_squares_that_are_free_for_its_whole_time_are_offered(offered):
    early = planting("chard", ("A1", "A2", "B1", "B2"), id="early", start="transplant")
    _, (found,) = offered(early)
    assert set(found.cells).isdisjoint({"A1", "A2", "B1", "B2"})
    everywhere = planting("chard", "all", id="all", start="transplant")
    assert offered(everywhere)[1] == ()


def test_a_place_as_shallow_is_not_offered(offered):
    assert offered(places=[LOW, {**LOW, "id": "twin"}])[1] == ()


def test_held_squares_are_left_alone(offered):
    held = bed(held=[{"cells": ["A1", "A2", "B1"], "reason": "a seat"}])
    _, (found,) = offered(places=[LOW, held])
    assert set(found.cells).isdisjoint({"A1", "A2", "B1"})


def test_a_climber_is_not_moved_off_its_net(book, read):
    netted = bed(supports=[{"id": "net", "system": "net"}])
    pea = planting("pea", ("A8",), support="net")
    plan = read(document(pea, places=[netted, bed(id="bare")]))
    assert elsewhere(Estimate(plan, book), "p1") == ()
