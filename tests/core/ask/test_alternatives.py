"""Layouts of one yard: figures side by side, exchanged whole or in part, nothing lost."""

import pytest

from ample_rows import PROGRAM
from ample_rows.core.ask.alternatives import compared
from ample_rows.core.edits import (
    ForgetAlternative,
    KeepAlternative,
    RemovePlace,
    TakeAlternative,
    apply_edit,
)
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan import document as written
from ample_rows.core.plan.reading import PlanFaultsError
from tests.conftest import bed, document, planting

SITE = {
    "outline_m": [[0, 0], [10, 0], [10, 10], [0, 10]],
    "door_m": [5, 0],
    "paths": [{"line_m": [[5, 0], [5, 10]], "width_cm": 100}],
}


@pytest.fixture
def kept(read):
    """A yard with two beds, the same kept beside it as "two beds"."""
    two = [bed(at_m=[1, 2]), bed(id="b", at_m=[7, 2])]
    plan = read(document(planting(), places=two, site=SITE))
    return apply_edit(plan, KeepAlternative(id="two", name="two beds"))


def test_layouts_stand_side_by_side_in_figures(kept, book):
    fewer = apply_edit(kept, RemovePlace(id="b"))
    now, two = compared(Estimate(fewer, book, PROGRAM))
    assert (now.id, two.id, two.name) == (None, "two", "two beds")
    assert now.growing_m2 == pytest.approx(2.88)
    assert two.growing_share == pytest.approx(2 * 2.88 / 100)
    assert two.paths_share == pytest.approx(0.1)
    assert two.soil_litres == pytest.approx(2 * now.soil_litres)
    assert two.harvest_kg == pytest.approx(now.harvest_kg)
    assert [place.id for place in two.places] == ["bed", "b"]


def test_the_walk_goes_round_each_bed_and_from_one_to_the_next(kept, book):
    _, two = compared(Estimate(kept, book, PROGRAM))
    # Two beds of 7.2 m round; from the door (5, 0) to each corner and across the gap of 4.8 m.
    legs = (2.8**2 + 2**2) ** 0.5 + 4.8 + (2**2 + 2**2) ** 0.5
    assert two.walk_m == pytest.approx(2 * 7.2 + legs)


def test_taking_a_layout_keeps_what_was_there_in_its_stead(kept):
    fewer = apply_edit(kept, RemovePlace(id="b"))
    taken = apply_edit(fewer, TakeAlternative(id="two"))
    assert [place.id for place in taken.places] == ["bed", "b"]
    [before] = taken.alternatives
    assert before.name == "before two beds"
    assert before.places == fewer.places
    back = apply_edit(taken, TakeAlternative(id="two"))
    assert back.places == fewer.places
    assert back.plantings == fewer.plantings
    assert back.site.paths == fewer.site.paths


def test_a_part_of_a_layout_comes_with_what_is_planted_there(kept):
    bare = apply_edit(kept, RemovePlace(id="bed"))
    assert bare.plantings == ()
    mended = apply_edit(bare, TakeAlternative(id="two", places=["bed"]))
    assert {place.id for place in mended.places} == {"bed", "b"}
    assert [planting.id for planting in mended.plantings] == ["p1"]
    assert len(mended.alternatives) == 1


def test_plantings_taken_over_get_ids_of_their_own(read):
    two = [bed(at_m=[1, 2]), bed(id="b", at_m=[7, 2])]
    first = planting(clear_date="2027-07-01")
    second = planting("leek", id="p2", follows="p1", start="transplant", start_date="2027-07-02")
    plan = apply_edit(read(document(first, second, places=two)), KeepAlternative(id="k", name="k"))
    doc = written(plan)
    doc["places"] = [doc["places"][1]]
    doc["plantings"] = [planting(place="b")]
    mended = apply_edit(read(doc), TakeAlternative(id="k", places=["bed"]))
    assert {planting.id: planting.follows for planting in mended.plantings} == {
        "p1": None,
        "p1-2": None,
        "p2": "p1-2",
    }


def test_a_layout_is_forgotten_and_an_unknown_one_is_named(kept):
    assert apply_edit(kept, ForgetAlternative(id="two")).alternatives == ()
    with pytest.raises(UnknownPartError, match='no drawing "three"'):
        apply_edit(kept, TakeAlternative(id="three"))


def test_a_fault_in_a_layout_is_told_with_its_path(read, kept):
    doc = written(kept)
    doc["alternatives"][0]["places"][0]["rim_gap_cm"] = 90
    with pytest.raises(PlanFaultsError) as caught:
        read(doc)
    assert caught.value.faults[0].path == "alternatives[0].places[0].rim_gap_cm"


def test_a_garden_without_a_yard_still_compares(read, book):
    plan = apply_edit(read(document(planting())), KeepAlternative(id="k", name="k"))
    now, other = compared(Estimate(plan, book, PROGRAM))
    assert now.growing_share is None
    assert now.sun_hours is None
    assert other.growing_m2 == now.growing_m2
