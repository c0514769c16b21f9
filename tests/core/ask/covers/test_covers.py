"""Covers sized by hand, the light they take, and what keeping a family together saves."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.covers.sheet import covers_of_place, place_covers
from ample_rows.core.carpentry.cover_size import size_over
from ample_rows.core.edits import apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting


def cover(kind="insect-mesh", cells=("A1", "B2"), **changes):
    listed = list(block(*cells)) if cells != "all" else cells
    keys = {"id": "c", "kind": kind, "cells": listed, "since": "2027-04-10", "until": "2027-08-01"}
    return {**keys, **changes}


@pytest.fixture
def covered(book, read):
    def of(*plantings, covers=(), build=None):
        doc = document(*plantings, places=[bed(covers=list(covers))])
        return place_covers(Estimate(read({**doc, "build": build or {}}), book), "bed")

    return of


def test_hoops_and_cloth_over_a_block_by_hand(book):
    mesh = book.covers["insect-mesh"]
    size = size_over(240, 120, 45, mesh, book)
    # Across 120 cm and 60 high: half a circle of 188.5 cm, no legs; hoops each metre.
    assert (size.width_cm, size.length_cm, size.height_cm) == (120, 240, 60)
    assert size.hoops == 4
    assert size.hoop_cm == 5 * math.ceil((60 * math.pi + 50) / 5)
    assert size.cloth_width_cm == 5 * math.ceil((60 * math.pi + 50) / 5)
    assert size.cloth_length_cm == 5 * math.ceil((240 + 120 + 50) / 5)


def test_a_tall_crop_lifts_its_hoops_on_legs(book):
    size = size_over(60, 100, 90, book.covers["insect-mesh"], book)
    assert size.height_cm == 105
    assert size.hoop_cm == 5 * math.ceil((2 * 75 + 30 * math.pi + 50) / 5)


def test_ground_cloth_lies_flat_with_a_hole_for_each_plant(covered):
    cabbages = planting("cabbage", block("A1", "D4"), start="transplant")
    found = covered(cabbages, covers=[cover("ground-cloth", ("A1", "D4"))]).covers[0]
    assert found.size.hoops == 0
    assert found.size.cloth_m2 == pytest.approx(1.4 * 1.4)
    # Three fit each way at 40 cm.
    assert found.holes == 9


def test_a_cover_is_billed_at_the_prices_here(covered):
    prices = [{"material": m, "price": 1} for m in ("insect-mesh", "hoop-pipe", "peg")]
    found = covered(planting(), covers=[cover()], build={"prices": prices}).covers[0]
    pegs = math.ceil(2 * (0.6 + 0.6) / 0.7)
    hoops = found.size.hoops * found.size.hoop_cm / 100
    assert found.cost == pytest.approx(found.size.cloth_m2 + hoops + pegs)
    assert found.missing == ()
    unpriced = covered(planting(), covers=[cover()]).covers[0]
    assert unpriced.cost is None
    assert "a price for insect mesh" in map(said, unpriced.missing)


def test_the_bill_of_a_place_counts_its_covers(book, read):
    plan = read(document(planting(), places=[bed(covers=[cover(), cover(id="d")])]))
    both = covers_of_place(Estimate(plan, book), "bed")
    plan = read(document(planting(), places=[bed(covers=[cover()])]))
    one = covers_of_place(Estimate(plan, book), "bed")
    assert both["insect-mesh"] == pytest.approx(2 * one["insect-mesh"])


def test_shade_cloth_takes_its_share_of_the_light_while_it_is_on(grown):
    lettuce = planting("lettuce", start_date="2027-05-01", clear_date="2027-07-10")
    under = {"since": "2027-05-01", "until": "2027-07-10"}
    half = {"since": "2027-06-05", "until": "2027-07-10"}

    def hours(**keys):
        place = bed(covers=[cover("shade-cloth", **keys)] if keys else [])
        return grown(lettuce, places=[place]).light.hours

    assert hours() == 8
    assert hours(**under) == pytest.approx(8 * 0.6)
    assert hours(**half) == pytest.approx(8 * 0.8)
    assert hours(**under, cells=("A1", "A2")) == pytest.approx(8 * 0.8)


def test_under_shade_a_cool_crop_gains_in_heat(grown):
    lettuce = planting("lettuce", start_date="2027-06-01", clear_date="2027-08-10")
    hot = {"tmin_c": [18] * 12, "tmax_c": [33] * 12, "rain_mm": [40] * 12}
    on = {"since": "2027-06-01", "until": "2027-08-10"}
    bare = grown(lettuce, places=[bed(sun_hours=12)], climate=hot)
    under = grown(
        lettuce, places=[bed(sun_hours=12, covers=[cover("shade-cloth", **on)])], climate=hot
    )
    assert under.harvest_kg.p50 > bare.harvest_kg.p50


def test_a_family_in_one_block_saves_cloth_and_is_told(covered):
    kale = {"start": "transplant", "start_date": "2027-05-01"}
    scattered = [
        planting("kale", block(a, b), id=a, **kale)
        for a, b in (("A1", "B2"), ("C4", "D5"), ("A7", "B8"))
    ]
    (advice,) = covered(*scattered).advice
    assert advice.family == "Brassicaceae"
    assert advice.together_m2 < 0.9 * advice.apart_m2
    assert "if they stood in one block" in said(advice.words)
    (alone,) = covered(planting("kale", block("A1", "D6"), **kale)).advice
    assert "one block" not in said(alone.words)


def test_taking_the_advice_covers_each_planting_for_its_time(book, read):
    plan = read(document(planting("kale", start="transplant", start_date="2027-05-01")))
    (advice,) = place_covers(Estimate(plan, book), "bed").advice
    plan = apply_edit(plan, advice.cover.edit)
    found = place_covers(Estimate(plan, book), "bed")
    assert [c.where for c in found.covers] == ["A1–B2"]
    assert found.advice == ()


@given(width=st.floats(20, 200), length=st.floats(20, 500), more=st.floats(1, 100))
def test_a_larger_block_or_taller_crop_never_takes_less_cloth(book, width, length, more):
    mesh = book.covers["insect-mesh"]
    first = size_over(width, length, 30, mesh, book)
    assert size_over(width, length + more, 30, mesh, book).cloth_m2 >= first.cloth_m2 - 1e-9
    assert size_over(width, length, 30 + more, mesh, book).cloth_m2 >= first.cloth_m2
    if length < 2 * width:
        return
    # Two halves, hooped the same way across, never take less than the whole.
    half = size_over(width, length / 2, 30, mesh, book)
    assert 2 * half.cloth_m2 >= first.cloth_m2 * 0.999


@pytest.mark.parametrize(
    ("changes", "path"),
    [
        ({"kind": "umbrella"}, "kind"),
        ({"until": "2027-04-10"}, "until"),
        ({"cells": ["Z9"]}, "cells[0]"),
        ({"cells": []}, "cells"),
    ],
)
def test_a_cover_that_cannot_be_is_refused_at_its_field(read, changes, path):
    with pytest.raises(PlanFaultsError) as error:
        read(document(places=[bed(covers=[{**cover(), **changes}])]))
    assert error.value.faults[0].path == f"places[0].covers[0].{path}"
