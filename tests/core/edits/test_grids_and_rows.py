"""Grids fitted with all that stands in them, spots that follow, and places added in one step."""

import json

import pytest
from pydantic import TypeAdapter

from ample_rows.core import plan as p
from ample_rows.core.checks import check_plan
from ample_rows.core.edits import Edit, apply_edit
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.site.frame import outer_ring_m
from tests.conftest import bed, block, document, planting, rectangle, tub

EDIT = TypeAdapter(Edit)
YARD = {"outline_m": [[0, 0], [20, 0], [20, 20], [0, 20]]}


@pytest.fixture
def after(read, book):
    """A document after an edit, checked as the application does."""

    def make(doc, **edit):
        plan = apply_edit(read(doc), EDIT.validate_json(json.dumps(edit)))
        check_plan(plan, book)
        return plan

    return make


def test_fitting_the_grid_moves_all_that_names_squares(after):
    """125 cm has a fifth column of 5 cm; fitted there are four of 31.25."""
    place = bed(
        shape=rectangle(125, 240),
        held=[{"cells": ["E8"], "reason": "a post"}],
        rests=[
            {
                "cells": ["E1", "D1"],
                "since": "2027-05-01",
                "until": "2027-06-01",
                "reason": "a rest",
            }
        ],
        grew=[{"year": 2026, "crops": ["kale"], "cells": ["A1", "E1"]}],
    )
    doc = document(
        planting("carrot", block("A1", "B2")),
        planting("lettuce", ("D1", "D2", "E1", "E2"), id="wide"),
        planting("radish", ("E3",), id="sliver"),
        places=[place],
    )
    plan = after(doc, do="fit-grid", id="bed")
    bed_after = plan.places[0]
    assert len(grid_of(bed_after).cells) == 32
    assert [set(one.cells) for one in plan.plantings] == [
        {"A1", "A2", "B1", "B2"},
        {"D1", "D2"},
        {"D3"},
    ]
    assert bed_after.held[0].cells == ("D8",)
    assert bed_after.rests[0].cells == ("D1",)
    assert bed_after.grew[0].cells == ("A1",)


def test_spots_that_leave_their_squares_go(after):
    spots = [[15, 15], [45, 45]]
    doc = document(planting("kale", block("A1", "B2"), spots_cm=spots))
    kept = after(doc, do="change-planting", id="p1", changes={"cells": ["B1", "B2"]})
    assert kept.plantings[0].spots_cm == ((45, 45),)
    gone = after(doc, do="change-planting", id="p1", changes={"cells": ["D1"]})
    assert gone.plantings[0].spots_cm is None


def test_a_mirrored_twin_has_its_plants_across(after):
    doc = document(planting("kale", ("A1",), spots_cm=[[10, 20]]))
    plan = after(doc, do="copy-place", id="bed", new_id="twin", mirrored=True)
    assert plan.plantings[1].cells == ("D1",)
    assert plan.plantings[1].spots_cm == ((110, 20),)


def test_five_beds_in_a_row_with_paths_between(after):
    first = bed(id="row", name="Bed 1", shape=rectangle(100, 250), at_m=[1, 1], heading_deg=0)
    plan = after(
        document(places=[], site=YARD),
        do="add-places",
        place=first,
        count=5,
        gap_cm=50,
        paths=True,
        covering="path-chips",
    )
    assert {path.covering for path in plan.site.paths} == {"path-chips"}
    assert [place.name for place in plan.places] == [f"Bed {n}" for n in range(1, 6)]
    assert len({place.id for place in plan.places}) == 5
    assert [place.at_m for place in plan.places] == pytest.approx(
        [(1 + 1.5 * n, 1) for n in range(5)]
    )
    assert plan.site is not None
    assert [path.line_m for path in plan.site.paths] == [
        ((2.25 + 1.5 * n, 1), (2.25 + 1.5 * n, 3.5)) for n in range(4)
    ]


def test_a_grid_of_beds_has_paths_both_ways_and_turns_with_its_heading(after):
    first = bed(id="row", name="Bed", shape=rectangle(100, 200), at_m=[10, 10], heading_deg=90)
    plan = after(
        document(places=[], site=YARD),
        do="add-places",
        place=first,
        count=4,
        abreast=2,
        gap_cm=60,
        paths=True,
    )
    # Turned a quarter clockwise the width runs south and the length east.
    assert plan.places[1].at_m == pytest.approx((10, 8.4))
    assert plan.places[2].at_m == pytest.approx((12.6, 10))
    rings = [outer_ring_m(place) for place in plan.places]
    assert len(plan.site.paths) == 2
    assert all(ring.min() > 6 for ring in rings)


def test_six_pots_are_named_as_a_group_and_need_no_yard(after):
    pot = tub(id="pot", name="Pot", group="ten litres", shape={"type": "circle", "diameter_cm": 24})
    plan = after(document(places=[]), do="add-places", place=pot, count=6)
    assert [place.name for place in plan.places] == [f"Pot {n}" for n in range(1, 7)]
    assert {place.group for place in plan.places} == {"ten litres"}


def test_what_is_no_place_is_refused_with_its_field(read):
    edit = EDIT.validate_python(
        {"do": "add-places", "place": {"id": "x", "kind": "pond"}, "count": 3}
    )
    with pytest.raises(PlanFaultsError, match="kind"):
        apply_edit(read(document()), edit)


def test_one_place_keeps_its_name(after):
    plan = after(document(places=[]), do="add-places", place=bed(name="Bed 7"), count=1)
    assert [place.name for place in plan.places] == ["Bed 7"]
    assert isinstance(plan.places[0].shape, p.Rectangle)
