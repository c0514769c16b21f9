"""The demo gardens run a whole year: waves, follow-ons, a relay, crops that stand the winter."""

import pytest

from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.demo import NAMES, demo_plans


@pytest.fixture(params=range(len(NAMES)), ids=list(NAMES))
def plan(request, book):
    return demo_plans(book)[request.param]


def test_no_square_stands_idle_unexplained(plan, run):
    """Two weeks and more of growing weather have a crop, or a reason why not."""
    report = run(plan)
    assert [(place.id, spell) for place in report.places for spell in place.idle] == []
    assert all(rest.reason for place in plan.places for rest in place.rests)
    assert any(place.rests for place in plan.places)


@pytest.mark.parametrize("number", [0, 1])
def test_one_crop_hands_over_to_the_next_in_every_way(number, book, run):
    plan = demo_plans(book)[number]
    report = run(plan)
    codes = {note.code for note in report.notes}
    assert "relay" in codes
    ids = {planting.id for planting in plan.plantings}
    waves = [ident for ident in ids if {f"{ident}-2", f"{ident}-3"} <= ids]
    assert waves
    assert sum(planting.follows is not None for planting in plan.plantings) >= 3
    winter = [
        r
        for r in report.plantings
        if r.start_date < report.year.start or (r.clear_date and r.clear_date > report.year.end)
    ]
    assert winter


def test_the_table_has_a_story(plan, book):
    pantry = pantry_of(Estimate(plan, book))
    wanted = [crop for crop in pantry.crops if crop.table]
    assert any(crop.short_kg > 0 for crop in wanted)
    assert any(crop.table.weeks_short for crop in wanted)


def test_each_garden_shows_how_its_growers_count(book, run):
    """A line of stakes in a bed, a group of pots, a bed by counts, one planted near its walls."""
    kettle = demo_plans(book)[2]
    assert (kettle.garden.units, kettle.garden.words) == ("imperial", "en-US")
    assert {place.layout for place in kettle.places} >= {"single-squares"}
    assert {place.walls for place in kettle.places} >= {"near"}
    assert any(support.line_cm for place in kettle.places for support in place.supports)
    assert sum(place.group is not None for place in kettle.places) == 6
    report = run(kettle)
    assert all(planting.plants for planting in report.plantings)
    assert not [note for note in report.notes if note.level == "stop"]
