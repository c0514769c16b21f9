"""Risers: boxes on squares of a bed, with its soil below theirs."""

import math

import pytest

from ample_rows.core import plan as p
from ample_rows.core.checks import require_sound
from ample_rows.core.edits import (
    CopyPlace,
    RemovePlace,
    StandRiser,
    apply_edit,
)
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, rectangle

SITE = {"outline_m": [[0, 0], [12, 0], [12, 9], [0, 9]]}
LOW = bed(wall_height_cm=17, bottom="lined", native=None, at_m=[2, 3], heading_deg=30)
CARROTS = planting("carrot", block("B2", "C3"), id="roots")
LATER = planting("radish", ("B2", "B3"), id="later", start_date="2027-09-20", follows="roots")


def box(*cells, **changes):
    return {
        "id": "box",
        "kind": "framed",
        "shape": rectangle(50, 50),
        "wall_height_cm": 28,
        "stands_on": {"place": "bed", "cells": list(cells or block("B2", "C3"))},
        **changes,
    }


def on_low(*plantings, place=LOW, riser=None):
    return document(*plantings, places=[place, riser or box()], site=SITE)


def place_of(report, ident):
    return next(r for r in report.places if r.id == ident)


@pytest.mark.parametrize(
    ("below", "usable"),
    [
        # Fill 25 of its own, and what the bed offers: fill 14; with ground, 14 + 20 + half of 30.
        (LOW, 25 + 14),
        ({**LOW, "bottom": "open", "loosened_below_cm": 20, "native": "ordinary"}, 25 + 49),
        ({**LOW, "base_cm": 5}, 25 + 9),
    ],
)
def test_its_roots_go_on_into_the_soil_below(reported, below, usable):
    found = place_of(reported(on_low(place=below)), "box")
    assert found.usable_depth_cm == pytest.approx(usable)
    assert found.soil_litres == pytest.approx(50 * 50 * 25 / 1000)


def test_a_lined_box_has_its_own_soil_alone(reported):
    found = place_of(reported(on_low(riser=box(bottom="lined"))), "box")
    assert found.usable_depth_cm == 25


def test_it_stands_in_the_middle_of_its_squares_and_turns_with_the_bed(reported):
    report = reported(on_low())
    ring, below = (place_of(report, i).ground.outer_m for i in ("box", "bed"))

    def middle(points):
        return [sum(c) / len(points) for c in zip(*points, strict=True)]

    # B2–C3 lie from 30 to 90 across and along: their middle is 60, 60 of the bed's frame.
    assert math.dist(middle(ring), (2, 3)) == pytest.approx(0.6 * math.sqrt(2), abs=1e-3)
    assert len(below) == len(ring) == 4
    assert place_of(report, "box").heading_deg == 30
    assert not {n.code for n in report.notes} & {"overlap", "path-narrow"}


def test_the_squares_below_are_held(reported, read):
    report = reported(on_low())
    held = {c.address for c in place_of(report, "bed").cells if c.held}
    assert held == set(block("B2", "C3"))
    with pytest.raises(PlanFaultsError) as error:
        read(on_low(planting("lettuce", ("B2",))))
    assert error.value.faults[0].path == "plantings[0].cells[0]"
    assert "held (box)" in str(error.value.faults[0])


@pytest.mark.parametrize(
    ("riser", "path", "text"),
    [
        (box(stands_on={"place": "yard", "cells": ["A1"]}), "stands_on.place", "no place"),
        (box(stands_on={"place": "box", "cells": ["A1"]}), "stands_on.place", "on itself"),
        (box(at_m=[1, 1]), "at_m", "leave at_m out"),
        (box("Z9"), "stands_on.cells[0]", "not a cell"),
        (box("A1", "B2"), "stands_on.cells", "fill a rectangle"),
        (box("A1", "A1"), "stands_on.cells", "each once"),
    ],
)
def test_what_cannot_stand_so_is_a_fault(read, riser, path, text):
    with pytest.raises(PlanFaultsError) as error:
        read(on_low(riser=riser))
    assert error.value.faults[0].path == f"places[1].{path}"
    assert text in str(error.value.faults[0])


def test_two_boxes_do_not_stand_on_one_square(read):
    doc = on_low()
    doc["places"].append(box("C3", id="other"))
    with pytest.raises(PlanFaultsError) as error:
        read(doc)
    assert '"box" stands on "C3" already' in str(error.value.faults[0])


def test_the_box_offered_for_a_long_root_mends_it(noted, read, reported, book):
    doc = document(CARROTS, LATER, places=[LOW], site=SITE)
    fix = next(f for f in noted(doc)["root-too-long"].fixes if "Stand a box" in said(f.label))
    assert "20 cm high on B2–C3" in said(fix.label)
    plan = apply_edit(read(doc), fix.edit)
    require_sound(plan, book)
    assert [place.stands_on is None for place in plan.places] == [True, False]
    assert {(planting.id, planting.place, planting.cells) for planting in plan.plantings} == {
        ("roots", "bed-box-roots", block("A1", "B2")),
        ("later", "bed-box-roots", ("A1", "A2")),
    }
    report = reported(p.document(plan))
    assert report.plantings[0].depth.verdict == "full"
    assert report.plantings[0].harvest_kg.p50 > 0
    assert "root-too-long" not in {n.code for n in report.notes}


def test_no_box_is_offered_where_others_grow_beyond_its_squares(noted):
    wide = planting("lettuce", block("A1", "D3"), id="wide", start_date="2027-09-10")
    note = noted(document(CARROTS, wide, places=[LOW], site=SITE))["root-too-long"]
    assert not [f for f in note.fixes if "Stand a box" in said(f.label)]


@pytest.mark.parametrize(
    ("cells", "text"),
    [
        (["B2"], "choose all of its squares"),
        (["Z1"], "not a square"),
        ([], "choose squares"),
        (["A1", "B2"], "fill a rectangle"),
    ],
)
def test_standing_one_where_it_cannot_is_refused_with_the_reason(read, cells, text):
    plan = read(document(CARROTS, places=[LOW]))
    edit = StandRiser(id="bed", cells=cells, new_id="box", wall_height_cm=30)
    with pytest.raises(PlanFaultsError) as error:
        apply_edit(plan, edit)
    assert text in str(error.value.faults[0])


def test_with_the_bed_gone_the_box_stands_on_the_ground(read):
    plan = apply_edit(read(on_low()), RemovePlace(id="bed"))
    assert [(place.id, place.stands_on) for place in plan.places] == [("box", None)]


def test_a_twin_of_a_box_stands_beside_the_bed(read, book):
    plan = apply_edit(read(on_low()), CopyPlace(id="box", new_id="box-2"))
    require_sound(plan, book)
    assert plan.places[-1].stands_on is None


def test_no_box_is_offered_on_a_strip_too_narrow_for_one(reported):
    narrow = bed(shape=rectangle(62, 31), wall_height_cm=10, bottom="closed")
    notes = reported(document(planting("onion", ("C1",)), places=[narrow])).notes
    assert not [fix for note in notes for fix in note.fixes if "Stand a box" in said(fix.label)]
