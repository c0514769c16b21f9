"""Litres, layers and orders against sums done by hand."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.soil.fill import fill_of
from ample_rows.core.soil.order import options_for, summed
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting, rectangle, tub

TAPERED = {"type": "circle", "diameter_cm": 47, "bottom_diameter_cm": 39}
MOUND = {
    "type": "mound",
    "top_width_cm": 90,
    "top_length_cm": 300,
    "height_cm": 25,
    "side_slope": 1,
}


@pytest.fixture
def filled(read, book):
    def fill(place, soil=None):
        doc = document(places=[place])
        if soil:
            doc["soil"] = soil
        plan = read(doc)
        return fill_of(plan.places[0], plan.soil, book)

    return fill


@pytest.mark.parametrize(
    ("place", "litres"),
    [
        (bed(), 120 * 240 * 30 / 1000),
        (bed(shape=rectangle(100, 100), wall_height_cm=20, rim_gap_cm=5), 150),
        (
            tub(shape=TAPERED, wall_height_cm=37, rim_gap_cm=0),
            math.pi * 37 / 3 * (23.5**2 + 23.5 * 19.5 + 19.5**2) / 1000,
        ),
        # Prismoid: (h/6)(top + 4 middle + bottom).
        (
            bed(kind="mound", shape=MOUND, rim_gap_cm=0),
            25 / 6 * (90 * 300 + 4 * 115 * 325 + 140 * 350) / 1000,
        ),
        # An L: a square of 200 less a quarter.
        (
            bed(
                shape={
                    "type": "polygon",
                    "outline_cm": [[0, 0], [200, 0], [200, 100], [100, 100], [100, 200], [0, 200]],
                },
            ),
            30_000 * 30 / 1000,
        ),
        # A square ring.
        (
            bed(
                shape={
                    "type": "polygon",
                    "outline_cm": [[0, 0], [300, 0], [300, 300], [0, 300]],
                    "holes_cm": [[[100, 100], [200, 100], [200, 200], [100, 200]]],
                },
            ),
            80_000 * 30 / 1000,
        ),
    ],
)
def test_volumes_are_exact_for_every_shape(filled, place, litres):
    assert filled(place).fill_litres == pytest.approx(litres)


def test_what_settles_is_poured_too(filled, book):
    fill = filled(bed())
    settling = book.mixes["garden-bed"].settling
    assert fill.order_litres == pytest.approx(864 / (1 - settling))
    assert sum(fill.recipe_litres.values()) == pytest.approx(fill.order_litres)
    assert fill.recipe_litres["topsoil"] == pytest.approx(fill.order_litres * 0.5)


def test_a_woody_base_takes_the_place_of_mix_and_of_depth(filled, grown):
    fill = filled(bed(base_cm=12))
    assert [(said(layer.what), layer.cm) for layer in fill.layers] == [
        ("garden bed mix", 18),
        ("coarse woody base", 12),
    ]
    assert fill.mix_litres == pytest.approx(864 * 18 / 30)
    report = grown(planting(), places=[bed(base_cm=12)])
    assert report.depth.usable_cm == 18


def test_a_base_in_a_tapered_pot_is_cut_from_its_narrow_end(filled):
    fill = filled(tub(shape=TAPERED, wall_height_cm=40, rim_gap_cm=0, base_cm=20))
    wide, middle, narrow = 23.5, 21.5, 19.5
    lower = math.pi * 20 / 3 * (middle**2 + middle * narrow + narrow**2) / 1000
    upper = math.pi * 20 / 3 * (wide**2 + wide * middle + middle**2) / 1000
    assert [layer.litres for layer in fill.layers] == pytest.approx([upper, lower])


@pytest.mark.parametrize(
    ("place", "soil", "mix"),
    [
        (bed(), None, "garden-bed"),
        (tub(), None, "light-container"),
        (bed(), {"mix": "rich-shallow"}, "rich-shallow"),
        (tub(), {"mix": "rich-shallow"}, "light-container"),
        (bed(mix="lean-roots"), {"mix": "rich-shallow"}, "lean-roots"),
    ],
)
def test_the_mix_in_force(filled, place, soil, mix):
    assert filled(place, soil).mix == mix


def prices(**changes):
    return p.Soil.model_validate_json(
        p.Soil(
            bags=(p.Bag(litres=40, price=6.0), p.Bag(litres=60, price=8.0)),
            bulk=p.Bulk(price_per_m3=50, delivery=30, least_m3=0.5, step_m3=0.25),
        )
        .model_copy(update=changes)
        .model_dump_json(exclude_unset=True)
    )


def test_ways_to_buy_side_by_side_cheapest_first():
    found = options_for(1010, prices())
    assert [(said(o.name), o.units, o.cost) for o in found] == [
        ("loose, delivered", 1.25, 92.5),
        ("bags of 60 L", 17, 136.0),
        ("bags of 40 L", 26, 156.0),
    ]
    assert [o.over_litres for o in found] == pytest.approx([240, 10, 30])


def test_an_exact_number_of_bags_is_not_one_more():
    sacks = {said(o.name): o.units for o in options_for(240, prices())}
    assert (sacks["bags of 60 L"], sacks["bags of 40 L"]) == (4, 6)
    (only,) = options_for(0.1 * 3 * 400, p.Soil(bags=(p.Bag(litres=40, price=1),)))
    assert only.units == 3


def test_the_least_that_is_sold_loose():
    loose = next(o for o in options_for(60, prices()) if o.unit == "m³")
    assert (loose.units, loose.cost) == (0.5, 55.0)


def test_own_material_goes_first_and_may_be_enough():
    found = options_for(300, prices(own=p.Own(litres=100, price_per_litre=0.01)))
    assert next(o for o in found if said(o.name) == "bags of 40 L").cost == pytest.approx(31.0)
    (alone,) = options_for(80, prices(own=p.Own(litres=100)))
    assert (said(alone.name), alone.cost, alone.over_litres) == ("own material", 0.0, 20.0)


def test_without_a_price_the_units_are_still_told():
    found = options_for(100, p.Soil(bags=(p.Bag(litres=40), p.Bag(litres=25, price=5))))
    assert [(o.units, o.cost) for o in found] == [(4, 20.0), (3, None)]


def test_one_order_for_all_places_is_rounded_once(reported):
    doc = document(places=[bed(), bed(id="b2"), tub()])
    doc["soil"] = {"bags": [{"litres": 70, "price": 9}], "own": {"litres": 100}}
    report = reported(doc)
    order = report.totals.order
    assert order.litres == pytest.approx(sum(q.soil.order_litres for q in report.places))
    beds, pots = order.mixes
    assert (beds.mix, pots.mix) == ("garden-bed", "light-container")
    # What is there already goes into the larger; each mix is rounded for itself, once.
    assert beds.options[0].units == math.ceil((beds.litres - 100) / 70)
    assert pots.options[0].units == math.ceil(pots.litres / 70)
    assert beds.recipe_litres == pytest.approx(
        summed(q.soil.recipe_litres for q in report.places[:2])
    )


def test_a_soaked_place_weighs_its_soil_and_plants(reported):
    (place,) = reported(document(places=[bed(mix="garden-bed", empty_kg=20)])).places
    kg = 864 * 1.55 + 2.88 * 5 + 20
    assert place.weight.kg == pytest.approx(kg)
    assert place.weight.kg_per_m2 == pytest.approx(kg / 2.88)
    assert place.weight.kpa == pytest.approx(kg / 2.88 * 9.81 / 1000)


def test_a_tapered_pot_stands_on_its_foot(reported):
    (place,) = reported(document(places=[tub(shape=TAPERED)])).places
    foot = math.pi * 0.195**2
    assert place.weight.kg_per_m2 == pytest.approx(place.weight.kg / foot)


@pytest.mark.parametrize(("limit", "level"), [(200, "stop"), (480, "care"), (2000, "tip")])
def test_a_load_is_compared_and_never_called_safe(noted, limit, level):
    note = noted(document(places=[bed(load_limit_kg_per_m2=limit)]))["load"]
    assert note.level == level
    assert "engineer" in said(note.fix)
    assert "safe" not in said(note.text) + said(note.fix)


def test_fresh_wood_below_is_told(noted):
    assert "nitrogen" in said(noted(document(places=[bed(base_cm=10)]))["woody-base"].text)


@given(st.floats(1, 100_000), st.floats(1, 500))
def test_bags_always_hold_enough_and_never_a_bag_too_many(litres, size):
    (option,) = options_for(litres, p.Soil(bags=(p.Bag(litres=size, price=1),)))
    assert option.units * size >= litres - 1e-6 * size
    assert (option.units - 1) * size < litres


@given(st.floats(0, 29))
def test_layers_add_up_to_the_fill(base):
    place = p.Place.model_validate(
        {
            "id": "x",
            "kind": "framed",
            "shape": {"type": "rectangle", "width_cm": 120.0, "length_cm": 240.0},
            "wall_height_cm": 33.0,
            "base_cm": base,
        }
    )
    whole = shapes.soil_litres(place)
    upper = shapes.litres_above(place, 30 - base)
    assert upper <= whole + 1e-9
    assert whole - upper == pytest.approx(120 * 240 * base / 1000)


@pytest.mark.parametrize(
    ("earth", "mixed"),
    [(0, 864), (364, 500), (864, 0), (5000, 0)],
    ids=["none", "some", "all", "more"],
)
def test_own_earth_is_not_ordered(filled, earth, mixed):
    fill = filled(bed(own_earth_litres=earth))
    assert fill.fill_litres == pytest.approx(864)
    assert fill.mix_litres == pytest.approx(mixed)
    assert fill.order_litres == pytest.approx(mixed / (1 - fill.settling))
    assert sum(layer.litres for layer in fill.layers) == pytest.approx(864)
    assert sum(layer.cm for layer in fill.layers) == pytest.approx(30)


def test_a_mound_of_its_paths_earth_orders_only_what_is_missing(filled):
    mound = bed(kind="mound", shape=MOUND, rim_gap_cm=0)
    whole = filled(mound)
    partly = filled({**mound, "own_earth_litres": 600})
    assert partly.order_litres == pytest.approx(whole.order_litres - 600 / (1 - whole.settling))
