"""Neighbours good and bad, told beside what fits a bed."""

from datetime import date

import pytest

from ample_rows.core.ask.what_fits.shelf import shelf_for
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import block, document, planting

DAY = date(2027, 5, 25)


@pytest.fixture
def beside(read, book):
    """What is said of a crop on the shelf beside one that stands in the bed."""

    def told(crop, stands, **changes):
        there = planting(stands, block("A1", "B2"), start_date="2027-05-01", **changes)
        estimate = Estimate(read(document(there)), book)
        found = shelf_for(estimate, "bed", ("C5", "D5"), DAY, crops=(crop,)).entries[0]
        return [(c.name, c.evidence, c.good) for c in found.companions]

    return told


@pytest.mark.parametrize(
    ("crop", "stands", "told"),
    [
        ("carrot", "onion", [("onion", "some", True)]),
        # The other's record names it, and a kind counts as its crop.
        ("onion", "carrot-short", [("short-rooted carrot", "some", True)]),
        ("cabbage", "crimson-clover", [("crimson clover", "tested", True)]),
        ("tomato-bush", "potato", [("potato", "tested", False)]),
        ("spinach", "beetroot", []),
    ],
)
def test_neighbours_by_their_evidence(beside, crop, stands, told):
    start = "set" if stands in ("onion", "potato") else "sow"
    assert beside(crop, stands, start=start) == told


def test_several_kinds_are_told_of_once(read, book):
    kinds = [
        planting(kind, (cell,), id=kind, start_date="2027-05-01")
        for kind, cell in (("carrot", "A1"), ("carrot-short", "A2"))
    ]
    estimate = Estimate(read(document(*kinds)), book)
    found = shelf_for(estimate, "bed", ("C5",), DAY, crops=("onion",)).entries[0]
    assert [c.name for c in found.companions] == ["maincrop carrot and short-rooted carrot"]


def test_what_is_cleared_by_then_is_no_neighbour(beside):
    assert beside("carrot", "onion", start="set", clear_date="2027-05-20") == []
