"""Outlines in a few measures, exact in area; and twins of places."""

import math

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.edits import CopyPlace, apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.forms import outline_of
from tests.conftest import bed, document, planting


def area(outline):
    return shapely.Polygon(outline.outline_cm, outline.holes_cm).area


@pytest.mark.parametrize(
    ("form", "measures", "cm2"),
    [
        ("l", (200, 300, 60), 200 * 60 + 240 * 60),
        ("u", (240, 180, 60), 240 * 60 + 2 * 120 * 60),
        ("ring", (300, 300, 60), math.pi * (150**2 - 90**2)),
    ],
)
def test_the_area_is_exact(form, measures, cm2):
    width, length, arm = measures
    outline = outline_of(form, width_cm=width, length_cm=length, arm_cm=arm)
    assert area(outline) == pytest.approx(cm2, rel=1e-6)


@pytest.mark.parametrize(
    ("form", "measures"),
    [("l", (100, 200, 100)), ("u", (100, 200, 50)), ("ring", (100, 100, 50))],
)
def test_arms_that_leave_nothing_between_are_refused(form, measures):
    width, length, arm = measures
    with pytest.raises(ValueError, match="leaves no"):
        outline_of(form, width_cm=width, length_cm=length, arm_cm=arm)


@given(st.floats(60, 2000), st.floats(60, 2000), st.floats(10, 25), st.sampled_from(["l", "u"]))
def test_every_outline_is_sound(width, length, arm, form):
    outline = outline_of(form, width_cm=width, length_cm=length, arm_cm=arm)
    assert shapely.Polygon(outline.outline_cm).is_valid


def test_an_l_is_planted_and_reached(reported):
    outline = outline_of("l", width_cm=240, length_cm=240, arm_cm=90)
    shape = {"type": "polygon", "outline_cm": [list(point) for point in outline.outline_cm]}
    report = reported(document(planting(cells="all"), places=[bed(shape=shape)]))
    assert report.plantings[0].plants > 400
    assert report.places[0].reach.verdict == "within reach"


@pytest.fixture
def twins(read, book):
    def copy(doc, *, mirrored):
        plan = apply_edit(read(doc), CopyPlace(id="bed", new_id="bed-2", mirrored=mirrored))
        return plan, Estimate(plan, book, "test").report

    return copy


ALONG = {"at_m": [2, 5], "heading_deg": 0}
ACROSS = {"at_m": [2, 5], "heading_deg": 90}


@pytest.mark.parametrize("mirrored", [True, False])
@pytest.mark.parametrize("lie", [ALONG, ACROSS])
def test_twins_give_the_same_under_an_open_sky(twins, lie, mirrored):
    doc = document(
        planting("carrot", ["A1", "A2", "B1", "B2"], id="c"),
        planting("lettuce", ["C8", "D8"], id="l", start="transplant"),
        places=[bed(**lie)],
        site={"outline_m": [[0, 0], [12, 0], [12, 12], [0, 12]]},
    )
    plan, report = twins(doc, mirrored=mirrored)
    first, second = report.places
    assert second.harvest_kg.p50 == pytest.approx(first.harvest_kg.p50, rel=0.05)
    assert second.plants == first.plants
    assert plan.places[1].twin_of == "bed"
    assert "overlap" not in {note.code for note in report.notes}


@pytest.mark.parametrize(("lie", "cells"), [(ALONG, ("D1", "C1")), (ACROSS, ("A8", "B8"))])
def test_the_mirror_turns_east_and_west_and_leaves_the_pole_side(twins, lie, cells):
    doc = document(planting(cells=["A1", "B1"]), places=[bed(**lie)])
    plan, _ = twins(doc, mirrored=True)
    assert plan.plantings[1].cells == cells


def test_what_follows_follows_in_the_twin_too(twins):
    doc = document(
        planting(id="a", clear_date="2027-07-01"),
        planting("lettuce", id="b", start_date="2027-07-05", follows="a"),
        places=[bed(held=[{"cells": ["D8"], "reason": "post"}])],
    )
    plan, _ = twins(doc, mirrored=True)
    assert plan.plantings[3].follows == "a-bed-2"
    assert plan.places[1].held[0].cells == ("A8",)
