"""An exact number of plants, and spots: evenly, as far apart as was found."""

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.conftest import bed, block, planting, rectangle, tub


def least_distance(report):
    spots = report.positions_cm
    return min(math.dist(a, b) for i, a in enumerate(spots) for b in spots[:i])


@pytest.mark.parametrize(
    ("width", "length", "plants", "spacing"),
    [
        (120, 240, 32, 30),  # 4 x 8
        (120, 240, 2, 120),
        (120, 240, 8, 60),
        (120, 240, 1, 120),
        (100, 100, 5, 100 * 2 * 0.207106781),  # Nurmela and Östergård 1997
        (100, 100, 10, 100 * 2 * 0.148204323),
    ],
)
def test_so_many_plants_stand_as_far_apart_as_can_be(grown, width, length, plants, spacing):
    place = bed(shape=rectangle(width, length))
    report = grown(planting("kale", "all", plants=plants), places=[place])
    assert report.plants == plants
    assert report.spacing_cm == pytest.approx(spacing, abs=0.01)


@pytest.mark.parametrize(("plants", "ratio"), [(1, 1.0), (3, 2.154700538), (7, 3.0), (12, 4.0296)])
def test_in_a_round_pot_they_stand_in_the_best_known_packing(grown, plants, ratio):
    report = grown(planting("potato-early", "all", place="tub", plants=plants), places=[tub()])
    assert report.plants == plants
    assert report.spacing_cm == pytest.approx(46 / ratio, abs=0.01)


@given(
    st.floats(40, 200),
    st.floats(40, 200),
    st.integers(1, 60),
    st.sampled_from(["half", "near"]),
)
@settings(max_examples=40)
def test_exactly_so_many_inside_and_no_nearer_than_is_said(grown, width, length, plants, walls):
    place = bed(shape=rectangle(width, length))
    report = grown(planting("kale", "all", plants=plants, walls=walls), places=[place])
    assert len(set(report.positions_cm)) == plants
    assert all(0 < x < width and 0 < y < length for x, y in report.positions_cm)
    if plants > 1:
        assert least_distance(report) >= report.spacing_cm - 0.02


@given(st.floats(60, 200), st.floats(60, 200), st.floats(12, 40))
@settings(max_examples=30)
def test_never_below_the_lattice_that_holds_as_many(grown, width, length, spacing):
    place = bed(shape=rectangle(width, length))
    for layout in ("merged", "offset"):
        lattice = grown(planting("kale", "all", layout=layout, spacing_cm=spacing), places=[place])
        exact = grown(planting("kale", "all", plants=lattice.plants), places=[place])
        assert exact.spacing_cm >= spacing - 0.02


def test_four_in_a_row_and_rows_70_cm_apart(grown):
    place = bed(shape=rectangle(140, 200))
    report = grown(
        planting("tomato", "all", plants=8, layout="rows", row_spacing_cm=70), places=[place]
    )
    assert sorted({x for x, _ in report.positions_cm}) == [35, 105]
    assert sorted({y for _, y in report.positions_cm}) == [25, 75, 125, 175]
    assert report.spacing_cm == 50


@pytest.mark.parametrize("number", [{}, {"plants": 8}])
def test_rows_stand_as_far_apart_as_was_asked_and_no_farther(grown, number):
    rows = planting("cabbage", "all", layout="rows", spacing_cm=30, row_spacing_cm=70, **number)
    report = grown(rows, places=[bed(shape=rectangle(120, 180))])
    assert report.plants == 8
    assert sorted({y for _, y in report.positions_cm}) == [55, 125]
    assert len({x for x, _ in report.positions_cm}) == 4


def test_squares_that_do_not_touch_share_them_by_area(grown):
    report = grown(planting("kale", (*block("A1", "B2"), "D8"), plants=5))
    assert sum(x < 60 for x, _ in report.positions_cm) == 4
    assert report.plants == 5


def test_any_outline_holds_exactly_as_many(grown):
    outline = [[0, 0], [200, 0], [200, 80], [80, 80], [80, 160], [0, 160]]
    place = bed(shape={"type": "polygon", "outline_cm": outline})
    for plants in (1, 4, 11):
        report = grown(planting("kale", "all", plants=plants), places=[place])
        assert len(set(report.positions_cm)) == plants


def test_along_a_support_they_are_spread_over_its_run(grown):
    net = bed(supports=[{"id": "net", "edge": "west", "system": "net"}])
    row = planting("tomato", (), support="net", plants=5, start="transplant")
    report = grown(row, places=[net])
    assert report.plants == 5
    assert report.spacing_cm == 48
    assert grown({**row, "plants": 6, "sides": "both"}, places=[net]).spacing_cm == 80


def test_spots_are_where_they_are_given(grown):
    spots = [[10.5, 20], [50, 40], [30, 55]]
    report = grown(planting("kale", block("A1", "B2"), spots_cm=spots))
    assert report.positions_cm == tuple(map(tuple, spots))
    assert report.spacing_cm == pytest.approx(math.dist(spots[1], spots[2]))


@pytest.mark.parametrize("how", [{"plants": 3}, {"layout": "single-squares"}, {}])
def test_where_every_square_is_held_nothing_stands(grown, how):
    place = bed(shape=rectangle(60, 60), held=[{"cells": list(block("A1", "B2"))}])
    report = grown(planting("kale", "all", **how), places=[place])
    assert report.plants == 0
    assert math.isfinite(report.spacing_cm)


def test_one_plant_between_walls_alone_stands_in_the_middle(grown):
    report = grown(planting("courgette", "all", plants=1, walls="near"))
    assert report.positions_cm == ((60, 120),)
    assert report.spacing_cm == pytest.approx(120, abs=0.01)
