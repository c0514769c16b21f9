"""A fill tried in the section gives what taking it gives."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.ask.depth.fill_trial import fill_trial
from ample_rows.core.edits import apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from ample_rows.demo import demo_plans
from tests.conftest import bed, document, planting, tub


@pytest.mark.parametrize(
    ("index", "place"), [(0, "south"), (0, "low"), (0, "door-tub"), (1, "tall")]
)
@pytest.mark.parametrize("fill", [12, 45])
def test_what_is_tried_is_what_the_edit_brings(book, index, place, fill):
    plan = demo_plans(book)[index]
    tried = fill_trial(Estimate(plan, book), place, fill)
    report = Estimate(apply_edit(plan, tried.edit), book, "x").report
    there = next(r for r in report.places if r.id == place)
    assert there.layers.fill_cm == pytest.approx(fill)
    assert there.usable_depth_cm == pytest.approx(tried.usable_depth_cm)
    assert there.soil_litres == pytest.approx(tried.soil_litres)
    assert there.soil.order_litres == pytest.approx(tried.order_litres)
    depths = {d.planting: d.depth for d in tried.plantings}
    for planted in report.plantings:
        if planted.place == place:
            assert planted.depth.verdict == depths[planted.id].verdict
            assert planted.depth.factor == pytest.approx(depths[planted.id].factor)
    assert there.harvest_kg.p50 == pytest.approx(tried.harvest_kg, rel=0.01)


@given(fill=st.integers(5, 80), more=st.integers(1, 40))
def test_deeper_never_gives_less_and_never_takes_less_soil(book, read, fill, more):
    plan = read(document(planting("parsnip"), places=[bed()]))
    shallow, deep = (fill_trial(Estimate(plan, book), "bed", cm) for cm in (fill, fill + more))
    assert deep.harvest_kg >= shallow.harvest_kg - 1e-9
    assert deep.order_litres > shallow.order_litres


def test_a_mound_is_made_higher_not_walled(book, read):
    shape = {"type": "mound", "top_width_cm": 60, "top_length_cm": 200, "height_cm": 20}
    mound = bed(kind="mound", shape={**shape, "side_slope": 1}, rim_gap_cm=0)
    plan = read(document(planting(), places=[mound]))
    tried = fill_trial(Estimate(plan, book), "bed", 30)
    assert apply_edit(plan, tried.edit).places[0].shape.height_cm == 30


def test_a_woody_base_that_no_longer_fits_is_left_out(book, read):
    plan = read(document(planting(), places=[tub(base_cm=20), bed()]))
    assert (
        apply_edit(plan, fill_trial(Estimate(plan, book), "tub", 15).edit).places[0].base_cm is None
    )
    assert (
        apply_edit(plan, fill_trial(Estimate(plan, book), "tub", 30).edit).places[0].base_cm == 20
    )


def test_it_is_said_in_litres_and_kilograms(book, read):
    plan = read(document(planting("parsnip"), places=[bed(loosened_below_cm=0, native=None)]))
    words = said(fill_trial(Estimate(plan, book), "bed", 45).words)
    assert words.startswith("Filled 45 cm: ")
    assert "L more to pour" in words
    assert "likely" in words
