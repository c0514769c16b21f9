"""Two plans side by side: what each gives and asks for, what differs and what it makes room for."""

import pytest

from ample_rows.core.ask.fill.filling import Limits, filled, stages
from ample_rows.core.ask.fill.offered import offered_by
from ample_rows.core.ask.fill.settled import Scope
from ample_rows.core.ask.fill.two_plans import compared
from ample_rows.core.ask.fill.value import value_of
from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, rectangle

SMALL = bed(shape=rectangle(120, 120))
OTHER = bed(id="other", name="Other", shape=rectangle(120, 120))
WANTS = [{"crop": "carrot", "kg_per_year": 4}, {"crop": "lettuce", "kg_per_year": 5}]
RADISH = planting("radish", block("A1", "D2"), id="r", start_date="2027-05-01")
CHARD = planting("chard", block("A3", "D4"), id="c", start_date="2027-04-20")


@pytest.fixture(scope="module")
def garden(book, read):
    def of(*plantings, places=(SMALL,), wants=WANTS, **more):
        household = {"wants": list(wants)}
        doc = document(*plantings, places=list(places), household=household, **more)
        return Estimate(read(doc), book)

    return of


def test_a_planting_that_comes_names_those_whose_ground_and_time_it_takes(garden):
    present = garden(RADISH, CHARD)
    lettuce = planting("lettuce", block("A1", "B2"), id="new", start_date="2027-05-10")
    late = planting("lettuce", block("C1", "D2"), id="late", start_date="2027-07-20")
    found = compared(present, garden(CHARD, lettuce, late))
    told = {one.planting.id: (one.comes, one.replaces) for one in found.differences}
    assert told == {"new": (True, ("r",)), "late": (True, ())}
    first = next(one for one in found.differences if one.planting.id == "new")
    assert "It takes the place of radish." in said(first.reason)
    assert "more on the table" in said(first.reason)


def test_what_goes_and_makes_room_for_nothing_is_told_by_itself(garden):
    (one,) = compared(garden(RADISH, CHARD), garden(CHARD)).differences
    assert (one.planting.id, one.comes, one.replaces) == ("r", False, ())
    assert said(one.reason) == "Radish is left out."


def test_equal_plans_differ_in_nothing(garden):
    same = compared(garden(CHARD), garden(CHARD))
    assert same.differences == ()
    assert same.present == same.offered


def test_figures_are_those_of_the_pantry_and_of_the_worth(garden):
    offered = garden(planting("carrot", block("A1", "D4"), id="n"))
    found = compared(garden(), offered).offered
    assert found.harvest_kg == pantry_of(offered).harvest_kg
    assert found.value == value_of(offered).value
    assert found.hours > 0
    assert (found.plantings, found.kinds) == (1, 1)
    (carrot,) = (one for one in found.eaten if one.crop == "carrot")
    assert 0 < carrot.eaten_kg <= carrot.want_kg == 4


def test_a_crop_that_nothing_holds_is_told_with_what_stands_against_it(garden):
    wants = [*WANTS, {"crop": "rhubarb", "kg_per_year": 2}]
    found = compared(garden(wants=wants), garden(CHARD, wants=wants))
    told = {one.crop: said(one.reason) for one in found.left_out}
    assert "stays for years" in told["rhubarb"]
    assert set(told) == {"rhubarb", "carrot", "lettuce"}


def test_only_the_squares_that_are_named_are_filled(garden):
    present = garden(RADISH, CHARD, places=(SMALL, OTHER))
    within = {"bed": frozenset(block("A1", "D2"))}
    *_, last = stages(present, Scope(within=within), limits=Limits(steps=20))
    new = [p for p in last.plan.plantings if p.id not in ("r", "c")]
    assert new
    assert {p.place for p in new} == {"bed"}
    assert {cell for p in new for cell in p.cells} <= within["bed"]
    assert "c" in {p.id for p in last.plan.plantings}


def test_stages_get_no_worse_and_are_proven_no_looser(garden):
    found = list(stages(garden(), limits=Limits(steps=20)))
    values = [stage.worth.value for stage in found]
    bounds = [stage.bound for stage in found if stage.proven]
    assert values == sorted(values)
    assert bounds == sorted(bounds, reverse=True)
    assert found[0].proven is False
    assert values[-1] == filled(garden(), limits=Limits(steps=20)).worth.value


@pytest.mark.parametrize(
    ("plantings", "wants", "said_as"),
    [
        ((), (), "Nobody has said what is eaten"),
        ((planting("chard", block("A1", "D4"), start_date="2027-02-05", locked=True),), WANTS, ""),
        ((), [{"crop": "asparagus", "kg_per_year": 2}], "None of what is wanted can be planted"),
    ],
)
def test_where_nothing_can_be_planted_it_is_said_why(garden, plantings, wants, said_as):
    present = garden(*plantings, wants=wants)
    *_, last = stages(present, limits=Limits(steps=5))
    shown = offered_by(last, present)
    assert said(shown.why_none).startswith(said_as)
    assert bool(said_as) == bool(shown.why_none)


def test_what_is_offered_is_told_from_what_stands(garden):
    present = garden(CHARD)
    *_, last = stages(present, Scope(keep=True), limits=Limits(steps=10))
    shown = offered_by(last, present)
    assert {one.id for one in shown.drawn if not one.offered} == {"c"}
    assert any(one.offered for one in shown.drawn)
    assert shown.weeks_short == sum(one.weeks_short for one in shown.eaten)
    assert shown.plan == last.plan.plantings
