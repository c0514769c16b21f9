"""What a plan is worth: hand-worked values, what it costs to begin and to leave idle, and the
rules that are told when they are broken."""

import json

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.cli.main import main
from ample_rows.core.ask.fill.value import enjoyed, value_of
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import block, document, planting

CARROTS = planting("carrot", block("A1", "B4"), id="c")
WANTS = [{"crop": "carrot", "kg_per_year": 10, "keep": "store"}]


@pytest.fixture
def worth(read, book):
    def of(*plantings, **garden):
        household = {"wants": WANTS, **garden.pop("household", {})}
        plan = read(document(*plantings, household=household, **garden))
        return value_of(Estimate(plan, book))

    return of


@pytest.mark.parametrize(
    ("eaten", "counts"),
    [(0, 0), (2, 2), (5, 5), (8, 5 + 3 * 0.7), (10, 7.1 + 2 * 0.45), (15, 8.75), (40, 8.75)],
)
def test_what_comes_on_top_counts_less_and_less(eaten, counts):
    assert enjoyed(eaten, 10) == pytest.approx(counts)


@given(st.floats(0, 50), st.floats(0, 50), st.floats(0.1, 30))
def test_more_never_counts_less_and_never_more_than_itself(one, more, want):
    assert 0 <= enjoyed(one, want) <= enjoyed(one + more, want) + 1e-9
    assert enjoyed(one + more, want) - enjoyed(one, want) <= more + 1e-9


def test_a_bed_of_carrots_by_hand(worth, book):
    nothing, carrots = worth(), worth(CARROTS)
    assert nothing.value == pytest.approx(-0.005 * nothing.idle_cell_weeks)
    of = carrots.by_crop["carrot"]
    assert 0 < of.eaten_kg <= 10
    assert of.value == pytest.approx(enjoyed(of.eaten_kg, 10))
    assert carrots.plantings == 1
    assert carrots.idle_cell_weeks < nothing.idle_cell_weeks
    assert carrots.value == pytest.approx(of.value - 0.15 - 0.005 * carrots.idle_cell_weeks)


def test_what_is_not_wanted_counts_for_nothing_but_its_effort(worth):
    with_kale = worth(CARROTS, planting("kale", ("D8",), id="k", start_date="2027-05-01"))
    alone = worth(CARROTS)
    assert with_kale.by_crop == alone.by_crop
    saved = 0.005 * (alone.idle_cell_weeks - with_kale.idle_cell_weeks)
    assert with_kale.value == pytest.approx(alone.value - 0.15 + saved)


@pytest.mark.parametrize(
    ("household", "times"),
    [
        ({"worth": {"carrot": 3}}, 3),
        ({"prices": [{"crop": "carrot", "per_kg": 2}]}, 1),
        ({"worth": {"carrot": 0}}, 0),
    ],
)
def test_a_kilogram_counts_as_the_household_says(worth, household, times):
    usual = worth(CARROTS).by_crop["carrot"].value
    told = worth(CARROTS, household=household).by_crop["carrot"].value
    assert told == pytest.approx(times * usual)


def test_a_dearer_crop_counts_by_its_price_against_carrots(worth):
    leeks = planting("leek", block("C1", "D4"), id="l", start="transplant", start_date="2027-06-01")
    prices = [{"crop": "carrot", "per_kg": 2}, {"crop": "leek", "per_kg": 5}]
    both = [*WANTS, {"crop": "leek", "kg_per_year": 10}]
    of = worth(leeks, household={"wants": both, "prices": prices}).by_crop["leek"]
    assert of.value == pytest.approx(2.5 * enjoyed(of.eaten_kg, 10))


def test_what_spoils_has_no_value(worth):
    kept = worth(CARROTS).by_crop["carrot"].eaten_kg
    fresh = [{"crop": "carrot", "kg_per_year": 10}]
    assert worth(CARROTS, household={"wants": fresh}).by_crop["carrot"].eaten_kg < kept


@pytest.mark.parametrize(
    ("others", "fill", "rule"),
    [
        ([planting("lettuce", ("A1",), id="l", start_date="2027-05-01")], {}, "clash"),
        ([planting("spinach", ("A1",), id="s", start_date="2027-08-28")], {}, "turn-round"),
        ([planting("dwarf-bean", ("D1",), id="b", start_date="2027-04-20")], {}, "before-window"),
        ([], {"must": ["leek"]}, "must"),
        ([], {"never": ["carrot"]}, "never"),
        ([planting("kale", ("D1",), id="k")], {"kinds": 1}, "kinds"),
    ],
)
def test_a_rule_that_is_broken_is_told(worth, others, fill, rule):
    sound = worth(CARROTS)
    assert sound.broken == ()
    assert rule in {broken.rule for broken in worth(CARROTS, *others, fill=fill).broken}


def test_the_command_prints_what_a_plan_is_worth(tmp_path, capsys):
    file = tmp_path / "plan.json"
    file.write_text(json.dumps(document(CARROTS, household={"wants": WANTS})))
    assert main(["value", str(file), "--json"]) == 0
    told = json.loads(capsys.readouterr().out)
    assert set(told) == {"value", "by_crop", "plantings", "idle_cell_weeks", "broken"}
    assert set(told["by_crop"]["carrot"]) == {"eaten_kg", "value"}
    assert main(["value", str(file)]) == 0
    assert "maincrop carrot" in capsys.readouterr().out
    file.write_text(json.dumps(document(fill={"must": ["leek"], "never": ["leek", "no-such"]})))
    assert main(["value", str(file)]) == 2
    assert "garden.fill.must[0]" in capsys.readouterr().err
