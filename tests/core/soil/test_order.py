"""Ways to buy and to mix: recipes by parts, bales, shared delivery, loads of a vehicle."""

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.soil.mixes import mixes_of
from ample_rows.core.words.message import said
from tests.conftest import bed, document


def parts_of(**parts):
    return [{"of": name.replace("_", " "), "parts": n} for name, n in parts.items()]


RECIPE = {"id": "mine", "name": "my mix", "parts": parts_of(topsoil=3, garden_compost=1)}


@pytest.fixture
def order(reported):
    def make(**soil):
        mix = "mine" if "recipes" in soil else None
        doc = {**document(places=[bed(mix=mix) if mix else bed()]), "soil": soil}
        return reported(doc).totals.order.mixes[0]

    return make


def test_a_recipe_s_figures_are_those_of_its_parts(read, book, order):
    doc = {**document(places=[bed(mix="mine")]), "soil": {"recipes": [RECIPE]}}
    mix = mixes_of(read(doc).soil, book)["mine"]
    assert mix.settling == pytest.approx((3 * 0.1 + 0.24) / 4)
    assert mix.saturated_kg_per_litre == pytest.approx((3 * 1.75 + 1.2) / 4)
    found = order(recipes=[RECIPE])
    assert found.label == "my mix"
    assert found.litres == pytest.approx(864 / (1 - mix.settling))
    assert found.recipe_litres["topsoil"] == pytest.approx(found.litres * 0.75)


def test_shipped_mixes_are_near_what_their_parts_would_make(read, book):
    for name, mix in book.mixes.items():
        own = {"id": "x", "parts": parts_of(**mix.parts)}
        made = mixes_of(read({**document(), "soil": {"recipes": [own]}}).soil, book)["x"]
        for figure in ("settling", "saturated_kg_per_litre", "available_water"):
            assert getattr(made, figure) == pytest.approx(getattr(mix, figure), rel=0.25), name


@pytest.mark.parametrize(
    ("soil", "path"),
    [
        ({"recipes": [{"id": "garden-bed", "parts": parts_of(topsoil=1)}]}, "soil.recipes[0].id"),
        ({"recipes": [{"id": "m", "parts": parts_of(gold=1)}]}, "soil.recipes[0].parts[0].of"),
        (
            {"recipes": [{"id": "m", "parts": parts_of(topsoil=0)}]},
            "soil.recipes[0].parts[0].parts",
        ),
        ({"recipes": [RECIPE, RECIPE]}, "soil.recipes[1].id"),
        ({"ingredients": [{"name": "gold"}]}, "soil.ingredients[0].name"),
        ({"bags": [{"litres": 40, "price": -1}]}, "soil.bags[0].price"),
    ],
)
def test_what_cannot_be_mixed_or_bought_is_named(read, soil, path):
    with pytest.raises(PlanFaultsError) as caught:
        read({**document(), "soil": soil})
    assert caught.value.faults[0].path == path


def test_a_bale_counts_at_its_opened_volume(order):
    # 864 / 0.85 = 1016.5 litres to pour.
    [option] = order(bags=[{"litres": 70, "opened_litres": 140, "price": 20}]).options
    assert (option.units, option.unit, option.cost) == (8, "bales", 160)
    assert "140 L opened" in said(option.name)


def test_a_delivery_is_shared_with_neighbours(order):
    bulk = {"price_per_m3": 50, "delivery": 60, "step_m3": 0.1}
    assert order(bulk=bulk).options[0].cost == pytest.approx(55 + 60)
    shared = order(bulk={**bulk, "shared_by": 3}).options[0]
    assert shared.cost == pytest.approx(55 + 20)
    assert "shared by 3" in said(shared.name)


def test_mixing_it_oneself_uses_what_is_there_first(order):
    parts = [
        {"name": "topsoil", "litres": 10_000},
        {"name": "garden compost", "litres": 100, "price_per_litre": 0.1},
        {"name": "leaf mould", "price_per_litre": 0.05},
    ]
    found = order(ingredients=parts)
    [option] = found.options
    compost, mould = found.recipe_litres["garden compost"], found.recipe_litres["leaf mould"]
    assert option.cost == pytest.approx((compost - 100) * 0.1 + mould * 0.05)
    assert order(ingredients=parts[:2]).options[0].cost is None


def test_loads_go_by_whichever_limits(order):
    small = order(vehicle={"name": "trailer", "litres": 600, "kg": 5000}).fetched
    assert (small.count, small.limited_by) == (2, "volume")
    light = order(vehicle={"litres": 5000, "kg": 300}).fetched
    assert light.limited_by == "weight"
    assert light.count == -(-light.kg // 300)
    assert order(vehicle={}).fetched is None
