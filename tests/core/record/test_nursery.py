"""The nursery shelf: counts after each step, what a planting still needs, and what is to spare."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.record.nursery import nursery, tally
from ample_rows.core.record.parts import LotEvent, SeedlingLot
from tests.conftest import block, document, planting

DAY = date(2027, 3, 1)
STEPS = ("sown", "bought", "up", "singled", "divided", "potted-on", "ready", "set-out", "given")


def lot(*events, crop="kale", ident="lot", planting_id=None):
    steps = tuple(LotEvent(day=DAY, step=step, count=count) for step, count in events)
    return SeedlingLot(id=ident, crop=crop, planting=planting_id, events=steps)


@pytest.fixture
def shelf(read, book):
    """What stands on the shelf beside eight squares of kale, two plants of it."""

    def told(*lots):
        kale = planting("kale", block("A1", "B4"), id="kale", start="transplant", plants=8)
        return nursery(lots, Estimate(read(document(kale)), book).report.plantings, book)

    return told


@pytest.mark.parametrize(
    ("events", "on_shelf", "up"),
    [
        ([("sown", 40)], 0, None),
        ([("sown", 40), ("up", 33)], 33, 33),
        ([("sown", 40), ("up", 33), ("singled", 20), ("lost", 3)], 17, 33),
        ([("bought", 6), ("divided", 18), ("set-out", 8), ("given", 4)], 6, None),
        ([("bought", 6), ("set-out", 9)], 0, None),
    ],
)
def test_counts_follow_the_steps(events, on_shelf, up):
    counts = tally(lot(*events).events)
    assert (counts.on_shelf, counts.up) == (on_shelf, up)


def test_a_lot_for_a_planting_is_short_or_has_spares(shelf):
    (state,) = shelf(lot(("sown", 12), ("up", 11), ("set-out", 6), planting_id="kale"))
    assert (state.needed, state.on_shelf, state.spare, state.short) == (2, 5, 3, 0)
    assert state.up_share == pytest.approx(11 / 12)
    (state,) = shelf(lot(("sown", 12), ("up", 3), planting_id="kale"))
    assert (state.needed, state.short, state.spare) == (8, 5, 0)


def test_what_has_not_come_up_yet_is_not_short(shelf):
    (state,) = shelf(lot(("sown", 12), planting_id="kale"))
    assert (state.short, state.spare) == (0, 0)


def test_losses_are_replaced_from_spares_of_the_same_crop(shelf):
    short = lot(("sown", 12), ("up", 3), ident="short", planting_id="kale")
    spare = lot(("bought", 9), ident="spare")
    other = lot(("bought", 9), crop="leek", ident="other")
    states = {state.lot.id: state for state in shelf(short, spare, other)}
    assert states["short"].replaces == ("spare",)
    assert states["spare"].spare == 9
    assert states["other"].replaces == ()


def test_lots_that_are_gone_come_last(shelf):
    gone = lot(("bought", 4), ("given", 4), ident="gone")
    there = lot(("bought", 4), ident="there")
    assert [state.lot.id for state in shelf(gone, there)] == ["there", "gone"]


@given(st.lists(st.tuples(st.sampled_from(STEPS), st.integers(0, 200)), min_size=1, max_size=12))
def test_no_count_is_below_nothing(events):
    counts = tally(lot(*events).events)
    assert counts.on_shelf >= counts.ready >= 0
