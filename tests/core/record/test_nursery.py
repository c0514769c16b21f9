"""The nursery shelf: counts after each step, what a planting still needs, and what is to spare."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.nursery import gaps, nursery, tally
from ample_rows.core.record.parts import LotEvent, SeedlingLot
from tests.conftest import block, document, planting

DAY = date(2027, 3, 1)
STEPS = ("sown", "bought", "up", "singled", "divided", "potted-on", "ready", "set-out", "given")


def lot(*events, crop="kale", ident="lot", planting_id=None):
    steps = tuple(LotEvent(day=DAY, step=step, count=count) for step, count in events)
    return SeedlingLot(id=ident, crop=crop, planting=planting_id, events=steps)


@pytest.fixture
def here(read, book):
    """Eight squares of kale, eight plants."""
    kale = planting("kale", block("A1", "B4"), id="kale", start="transplant", plants=8)
    return Estimate(read(document(kale)), book)


@pytest.fixture
def shelf(here):
    """What stands on the shelf beside the kale."""
    return lambda *lots: nursery(lots, here.report.plantings, here.book)


@pytest.fixture
def kale_gaps(here):
    """What is missing of the kale after some entries, and what fills it."""

    def told(lots, entries):
        states = nursery(lots, here.report.plantings, here.book, entries)
        return states, gaps(states, here.report.plantings, entries)

    return told


def lost(count, day=DAY, ident="loss"):
    said = {"kind": "seen", "quality": "lost", "planting": "kale"}
    return Entry(id=ident, day=day, count=count, **said)


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


def test_what_slugs_took_is_needed_again_and_comes_from_the_shelf(kale_gaps):
    own = lot(("sown", 12), ("up", 10), ("set-out", 8), ident="own", planting_id="kale")
    bought = lot(("bought", 6), ident="bought")
    states, (gap,) = kale_gaps([own, bought], [lost(3, day=date(2027, 5, 1))])
    assert {state.lot.id: state.needed for state in states} == {"own": 3, "bought": 0}
    refills = [(refill.lot, refill.count) for refill in gap.refills]
    assert (gap.planting, gap.missing, refills) == ("kale", 3, [("own", 2), ("bought", 1)])


def test_what_was_replaced_is_no_gap(kale_gaps):
    in_place = LotEvent(day=DAY, step="set-out", count=2, planting="kale")
    bought = lot(("bought", 6), ident="bought")
    filled = bought.model_copy(update={"events": (*bought.events, in_place)})
    entry = Entry(id="e", day=DAY, kind="set-out", planting="kale", count=2)
    assert kale_gaps([filled], [lost(3), entry])[1][0].missing == 1
    assert kale_gaps([filled], [lost(2)])[1] == ()
    (gap,) = kale_gaps([], [lost(2)])[1]
    assert (gap.missing, gap.refills) == (2, ())


def test_lots_that_are_gone_come_last(shelf):
    gone = lot(("bought", 4), ("given", 4), ident="gone")
    there = lot(("bought", 4), ident="there")
    assert [state.lot.id for state in shelf(gone, there)] == ["there", "gone"]


@given(st.lists(st.tuples(st.sampled_from(STEPS), st.integers(0, 200)), min_size=1, max_size=12))
def test_no_count_is_below_nothing(events):
    counts = tally(lot(*events).events)
    assert counts.on_shelf >= counts.ready >= 0
