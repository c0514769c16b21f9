"""Growing up: plants along a net, the squares beneath it, and its shade."""

import itertools
import math

import pytest

from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import bed, block, document, planting, tub

BOOK = load_book()
NET = {"id": "net", "system": "net", "height_cm": 180}


def netted(**keys):
    return bed(heading_deg=90, supports=[NET], **keys)


def bean(**keys):
    values = {"support": "net", "start_date": "2027-05-20", **keys}
    return planting(values.pop("crop", "climbing-bean"), values.pop("cells", ()), **values)


@pytest.mark.parametrize(
    ("keys", "plants", "taken"),
    [
        ({}, 16, block("A1", "A8")),  # the whole 240 cm at 15 cm
        ({"run_cm": [0, 120]}, 8, block("A1", "A4")),
        ({"run_cm": [30, 135]}, 7, block("A2", "A5")),  # reaches half into the fifth
        ({"cells": ("A7", "A8")}, 4, block("A7", "A8")),
        ({"spacing_cm": 30}, 8, block("A1", "A8")),
        ({"run_cm": [0, 14]}, 0, ("A1",)),
    ],
)
def test_plants_are_the_run_divided_by_the_spacing(grown, keys, plants, taken):
    report = grown(bean(**keys), places=[netted()])
    assert report.plants == plants
    assert report.cells == taken


def test_plants_stand_under_the_net_within_their_run(grown):
    report = grown(bean(run_cm=[60, 180]), places=[netted()])
    assert all(x == pytest.approx(15) for x, _ in report.positions_cm)
    assert all(60 < y < 180 for _, y in report.positions_cm)


@pytest.mark.parametrize(
    ("latitude", "edge", "heading", "x"),
    [
        (51.9, None, 90, 15),  # the pole-ward side of a bed that runs east: column A
        (-37.6, None, 90, 105),  # in the south it is column D
        (51.9, "south", 90, 105),
    ],
)
def test_a_net_stands_on_the_poleward_side_unless_told(grown, latitude, edge, heading, x):
    place = bed(heading_deg=heading, supports=[{**NET, "edge": edge}])
    report = grown(bean(), places=[place], latitude=latitude)
    assert report.positions_cm[0][0] == pytest.approx(x)


@pytest.mark.parametrize(
    ("latitude", "edge", "shades"),
    [
        (51.9, "south", True),
        (51.9, "north", False),
        (51.9, "east", False),
        (-37.6, "north", True),
        (-37.6, "south", False),
        (-37.6, None, False),
    ],
)
def test_a_net_that_would_shade_its_own_bed_is_warned_of(noted, latitude, edge, shades):
    place = bed(heading_deg=90, supports=[{**NET, "edge": edge}])
    notes = noted(document(places=[place], latitude=latitude))
    assert ("shades-own-bed" in notes) == shades


def test_the_fix_moves_the_net_to_the_poleward_side(book, read, noted):
    from ample_rows.core.edits import apply_edit

    plan = read(document(places=[bed(heading_deg=90, supports=[{**NET, "edge": "south"}])]))
    note = noted(document(places=[bed(heading_deg=90, supports=[{**NET, "edge": "south"}])]))
    mended = apply_edit(plan, note["shades-own-bed"].fixes[0].edit)
    assert mended.places[0].supports[0].edge is None


def test_posts_are_even_and_never_wider_than_the_system_allows(reported):
    report = reported(document(places=[netted()]))
    support = report.places[0].supports[0]
    assert support.posts == 3  # 240 cm in bays of 120
    assert support.post_length_cm == 240
    assert "wind" in support.caution


def test_a_climber_with_nothing_to_climb_gives_less_and_says_so(grown, noted):
    up = grown(bean(), places=[netted()])
    down = grown(planting("climbing-bean", start_date="2027-05-20"))
    assert up.factors.training == 1
    assert down.factors.training == pytest.approx(0.4)
    notes = noted(document(planting("climbing-bean", start_date="2027-05-20")))
    assert "net" in said(notes["no-support"].fixes[0].label)


def test_the_fix_for_a_climber_puts_up_a_net_and_plants_along_it(read, noted, reported):
    from ample_rows.core import plan as p
    from ample_rows.core.edits import apply_edit

    lone = document(
        planting("climbing-bean", block("A1", "A4"), start_date="2027-05-20"),
        places=[bed(heading_deg=90)],
    )
    mended = apply_edit(read(lone), noted(lone)["no-support"].fixes[0].edit)
    report = reported(p.document(mended))
    assert report.plantings[0].plants == 8
    assert report.plantings[0].factors.training == 1
    assert len(report.places[0].supports) == 1


def test_a_tub_has_no_edge_for_a_net(grown, noted):
    place = tub(supports=[NET])
    what = bean(place="tub", cells="all")
    assert grown(what, places=[place]).plants == 0
    assert "this place is round" in said(noted(document(what, places=[place]))["none-fit"].text)


def test_a_crop_that_does_not_climb_is_told_of(noted):
    what = planting("lettuce", ("A1", "A2"), support="net")
    assert "does not climb" in said(noted(document(what, places=[netted()]))["does-not-climb"].text)


def test_a_cage_needs_no_support_and_changes_the_harvest(grown):
    bush = {"crop": "sweet-pepper", "start": "transplant", "start_date": "2027-05-25"}
    plain = grown(planting(**bush))
    caged = grown(planting(**bush, training="cage"))
    assert (plain.training, caged.training) == ("ground", "cage")
    assert caged.factors.training / plain.factors.training == pytest.approx(1.08)


def test_only_what_loses_by_lying_down_asks_for_a_support(noted):
    def lying_down(crop, **more):
        what = planting(crop, start="transplant", start_date="2027-05-25", **more)
        return noted(document(what)).get("no-support")

    assert lying_down("sweet-pepper") is None
    assert lying_down("tomato-bush") is None
    lying = lying_down("cucumber")
    assert "30 % less" in said(lying.text)
    assert any("tripod" in said(fix.label) for fix in lying.fixes)
    assert lying_down("cucumber", training="tripod") is None


@pytest.mark.parametrize(
    ("sides", "plants", "rows"),
    [
        ("one", 16, {15}),
        ("both", 32, {15, 35}),  # 240 cm at 15 cm, twice, 20 cm apart in a strip of 50
        ("alternate", 32, {15, 35}),  # half a spacing on: they stand 21.4 cm apart across
    ],
)
def test_a_net_planted_on_one_side_both_or_in_turn(grown, sides, plants, rows):
    report = grown(bean(sides=sides), places=[netted()])
    assert report.plants == plants
    assert {round(x, 3) for x, _ in report.positions_cm} == rows


def test_in_turn_wide_plants_keep_their_distance_across_too(grown):
    report = grown(bean(crop="tomato", sides="alternate", spacing_cm=40), places=[netted()])
    # 20 cm apart across, so 34.6 cm along: six in 240 cm, as on one side, but staggered.
    assert report.plants == 6
    points = report.positions_cm
    assert min(math.dist(a, b) for a, b in itertools.pairwise(points)) >= 40


def test_both_sides_take_more_ground_and_give_more_but_not_twice(grown):
    one, both = (grown(bean(sides=sides), places=[netted()]) for sides in ("one", "both"))
    assert set(one.cells) == set(block("A1", "A8"))
    assert set(both.cells) == set(block("A1", "B8"))
    assert one.harvest_kg.p50 < both.harvest_kg.p50 < 2 * one.harvest_kg.p50


@pytest.mark.parametrize("system", sorted(BOOK.trainings))
@pytest.mark.parametrize("stands", [{"edge": "north"}, {"line_cm": [[10, 10], [100, 200]]}])
def test_any_system_can_be_put_up_anywhere_and_is_worked_out(reported, system, stands):
    support = {"id": "s", "system": system, **stands}
    tomato = {"start": "transplant", "start_date": "2027-05-20", "support": "s"}
    report = reported(
        document(planting("tomato", "all", **tomato), places=[bed(supports=[support])])
    )
    assert report.places[0].supports[0].system == system
