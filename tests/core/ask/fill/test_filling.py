"""A garden filled: sound plans, never worse than what was given, within what no plan can beat."""

import json

import numpy as np
import pytest

from ample_rows.cli.main import main
from ample_rows.core import plan as p
from ample_rows.core.ask.fill.filling import Limits, filled
from ample_rows.core.ask.fill.greedy import alone, greedy
from ample_rows.core.ask.fill.ready import Ready
from ample_rows.core.ask.fill.settled import WHOLE, Scope
from ample_rows.core.ask.fill.table import tables_of
from ample_rows.core.ask.fill.value import eaten_kg, value_of
from ample_rows.core.ask.pantry.table import weeks_of
from ample_rows.core.ask.pantry.wants import wants_of
from ample_rows.core.checks import require_sound
from ample_rows.core.estimate.estimate import Estimate
from tests.conftest import bed, block, document, planting, rectangle, tub

WANTS = [
    {"crop": "carrot", "kg_per_year": 4, "keep": "store"},
    {"crop": "lettuce", "kg_per_year": 5},
    {"crop": "dwarf-bean", "kg_per_year": 4, "keep": "freeze"},
    {"crop": "spinach", "kg_per_year": 3},
]
SMALL = bed(shape=rectangle(120, 120))
LEEKS = planting("leek", block("A1", "A4"), id="l", start="transplant", start_date="2027-06-01")


@pytest.fixture(scope="module")
def fill(book, read):
    def fills(*plantings, places=(SMALL,), wants=WANTS, keep=False, seed=1, steps=12, **rules):
        household = {"wants": list(wants)}
        doc = document(*plantings, places=list(places), household=household, fill=rules or None)
        estimate = Estimate(read(doc), book)
        return filled(estimate, Scope(keep), limits=Limits(steps=steps, seed=seed))

    return fills


def crops(found):
    return {planting.crop for planting in found.plan.plantings}


@pytest.mark.parametrize(
    "places",
    [
        (SMALL,),
        (bed(shape={"type": "circle", "diameter_cm": 150}),),
        (bed(shape=rectangle(90, 150), held=[{"cells": ["B2"], "reason": "a post"}]),),
        (SMALL, tub()),
    ],
)
def test_a_filled_plan_is_sound_and_within_its_bound(fill, book, places):
    found = fill(places=places)
    require_sound(found.plan, book)
    notes = Estimate(found.plan, book, "x").report.notes
    assert [note.code for note in notes if note.level == "stop"] == []
    assert found.worth.broken == ()
    assert found.plan.plantings
    assert found.greedy_value <= found.worth.value
    # What was proven of a plan made at once holds for the better one.
    assert found.worth.value <= fill(places=places, steps=0).bound
    assert found.worth.value == pytest.approx(value_of(Estimate(found.plan, book)).value)
    assert {one.planting for one in found.why} <= {one.id for one in found.plan.plantings}


def test_seconds_are_kept_to_and_prove_no_looser_bound(book, read, fill):
    doc = document(places=[SMALL], household={"wants": WANTS[:2]})
    found = filled(Estimate(read(doc), book), limits=Limits(seconds=4))
    tried = fill(wants=WANTS[:2], steps=1)
    assert found.bound <= tried.bound + 1e-6
    assert found.worth.value >= tried.greedy_value
    assert found.first_plan_seconds < found.stage.seconds


def test_without_time_there_is_a_plan_and_no_bound_that_is_not_proven(book, read, fill):
    doc = document(places=[SMALL], household={"wants": WANTS})
    found = filled(Estimate(read(doc), book), limits=Limits(seconds=0))
    assert found.plan.plantings
    assert found.bound >= fill().worth.value


@pytest.mark.parametrize("places", [(SMALL,), (SMALL, tub())])
def test_a_plan_in_the_making_is_worth_what_it_is_once_evaluated(book, read, places):
    ready = Ready(
        Estimate(read(document(places=list(places), household={"wants": WANTS})), book), WHOLE
    )
    making = next(greedy(ready.task, alone(ready.task)))
    _, evaluated = ready.evaluated(making.ground.placed)
    assert making.total() + value_of(ready.base).value == pytest.approx(evaluated.value, abs=0.001)


def test_the_same_seed_and_steps_give_the_same_plan(fill):
    one, again = fill(), fill()
    assert p.document(one.plan) == p.document(again.plan)
    assert one.bound == again.bound


def test_it_is_worth_more_than_what_was_given_and_never_less(fill, book, read):
    poor = planting("lettuce", block("A1", "D4"), id="m")
    household = {"wants": WANTS}
    given = value_of(Estimate(read(document(poor, places=[SMALL], household=household)), book))
    assert fill(poor).worth.value > given.value
    best = fill(steps=40)
    again = fill(*p.document(best.plan)["plantings"], steps=1)
    assert again.worth.value >= best.worth.value - 1e-9


def test_what_is_locked_stays_and_what_is_kept_stays(fill):
    locked = {**LEEKS, "locked": True}
    settled = next(one for one in fill(locked).plan.plantings if one.id == "l")
    assert (settled.cells, settled.crop, settled.locked) == (block("A1", "A4"), "leek", True)
    assert "l" in {one.id for one in fill({**LEEKS, "for_seed": True}).plan.plantings}
    assert "l" in {one.id for one in fill(LEEKS, keep=True).plan.plantings}
    # Leeks are not wanted: they go where they may.
    assert "leek" not in crops(fill(LEEKS))


def test_what_must_be_in_is_and_what_never_may_is_not(fill):
    found = fill(must=["beetroot"], never=["spinach"])
    assert "beetroot" in crops(found)
    assert "spinach" not in crops(found)
    assert "spinach" in {one.crop for one in found.left_out}
    assert len(crops(fill(kinds=2))) <= 2


def test_a_ban_more_ground_and_more_wants_move_the_value_as_they_should(fill):
    """Each within the gap that is proven: the search is not the best there is."""
    usual, banned = fill(), fill(never=["lettuce"])
    assert banned.worth.value <= usual.bound
    assert fill(wants=WANTS[:2]).worth.value <= usual.bound
    # Ground that nobody asks for lies idle, which counts a little.
    more = fill(places=(SMALL, bed(id="other", shape=rectangle(120, 120))))
    idle = usual.worth.idle_cell_weeks + 16 * 40
    assert more.bound >= usual.worth.value - 0.005 * idle


@pytest.mark.parametrize(
    ("places", "wants"),
    [
        ((SMALL,), []),
        ((bed(shape=rectangle(30, 30), held=[{"cells": ["A1"]}]),), WANTS),
        ((bed(shape=rectangle(60, 60), wall_height_cm=6, bottom="closed"),), WANTS),
    ],
)
def test_where_nothing_can_be_planted_the_plan_is_as_it_was(fill, places, wants):
    found = fill(places=places, wants=wants)
    assert found.plan.plantings == ()
    assert {one.crop for one in found.left_out} == {want["crop"] for want in wants}


def test_the_quick_table_eats_as_the_larder_does(book, read):
    doc = document(
        planting("carrot", block("A1", "B4"), id="c"),
        planting("dwarf-bean", block("C1", "D4"), id="d", start_date="2027-05-20"),
        household={"wants": [{**WANTS[0], "in_store_kg": 1}, *WANTS[1:]]},
    )
    estimate = Estimate(read(doc), book)
    weeks, wants = weeks_of(estimate.setting.year), wants_of(estimate.plan, book)
    for report in estimate.report.plantings:
        picked = [0.0] * len(weeks)
        for week in report.weekly_kg:
            at = (week.week - weeks[0]).days // 7
            picked[at] += week.kg
        quick = tables_of(estimate)[report.crop].eaten_kg(np.array(picked))
        slow = eaten_kg([report.weekly_kg], wants[report.crop], weeks)
        assert quick == pytest.approx(slow)


def test_the_command_prints_a_plan_or_all_that_is_said_of_it(tmp_path, capsys):
    file = tmp_path / "plan.json"
    file.write_text(json.dumps(document(places=[SMALL], household={"wants": WANTS[:2]})))
    assert main(["fill", str(file), "--steps", "3", "--json"]) == 0
    told = json.loads(capsys.readouterr().out)
    assert told["format"] == "ample-rows/filling"
    assert told["gap"] == pytest.approx((told["bound"] - told["value"]) / abs(told["value"]))
    assert set(told) >= {"seconds", "first_plan_seconds", "greedy_value", "why", "left_out"}
    assert main(["fill", str(file), "--steps", "3"]) == 0
    assert json.loads(capsys.readouterr().out) == told["plan"]
    file.write_text("{}")
    assert main(["fill", str(file)]) == 2
