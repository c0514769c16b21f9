"""A count for each square as a school of its own, against counts worked by hand."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.conftest import bed, block, planting, rectangle, tub

BY_COUNT = {"policies": {"layout": "single-squares"}}


@pytest.mark.parametrize(
    ("crop", "cells", "plants"),
    [
        ("carrot", ("A1",), 16),
        ("beetroot", block("A1", "B2"), 36),
        ("kale", ("A1",), 1),  # one in a square, however wide it grows
        ("cabbage", block("A1", "B2"), 4),
        ("tomato", block("A1", "D1"), 4),
        ("climbing-bean", block("A1", "D1"), 32),
        ("courgette", block("A1", "B2"), 1),  # four squares a plant
        ("courgette", ("A1",), 1),  # never none
        ("courgette", block("A1", "D8"), 8),
        ("courgette", block("A1", "C3"), 2),  # nine squares hold two
        ("winter-squash", block("A1", "C3"), 1),  # nine squares a plant
        ("winter-squash", block("A1", "D8"), 3),
        ("melon", block("A1", "D1"), 2),  # two squares a plant
        ("white-mustard", ("A1",), 36),  # beyond the table of packings
    ],
)
def test_every_crop_has_its_usual_number_for_a_square(grown, crop, cells, plants):
    report = grown(planting(crop, cells), **BY_COUNT)
    assert report.plants == plants == len(set(report.positions_cm))


@pytest.mark.parametrize(
    ("cell_cm", "crop", "plants"),
    [
        (30.48, "carrot", 16),  # 12 in: the count stands
        (27, "carrot", 16),
        (33, "lettuce", 4),
        (40, "carrot", 28),  # 16 x 1600 / 900, rounded down
        (20, "lettuce", 1),  # 4 x 400 / 900 = 1.8
        (60, "kale", 4),
        (60, "courgette", 1),  # a quarter x 4
        (15, "kale", 1),  # a quarter: four small squares a plant, never none
    ],
)
def test_squares_of_another_size_hold_as_many_as_their_area(grown, cell_cm, crop, plants):
    place = bed(shape=rectangle(180, 240), cell_cm=cell_cm)
    assert grown(planting(crop, ("A1",)), places=[place], **BY_COUNT).plants == plants


def test_one_plant_for_several_squares_stands_in_the_middle_of_its_block(grown):
    report = grown(planting("courgette", block("A1", "B4")), **BY_COUNT)
    assert sorted(report.positions_cm) == [(30, 30), (30, 90)]
    assert report.spacing_cm == 60


def test_part_squares_hold_what_their_area_gives(grown):
    narrow = bed(shape=rectangle(75, 60))  # columns of 30, 30 and 15
    report = grown(planting("carrot", "all"), places=[narrow], **BY_COUNT)
    assert report.plants == 4 * 16 + 2 * 8
    sliver = grown(planting("kale", ("C1", "C2")), places=[narrow], **BY_COUNT)
    assert sliver.plants == 1


def test_a_pot_below_two_squares_is_one_ground(grown):
    tomato = grown(planting("tomato", "all", place="tub"), places=[tub()], **BY_COUNT)
    assert tomato.plants == 1
    assert tomato.positions_cm[0] == pytest.approx((23, 23), abs=0.01)
    carrots = grown(planting("carrot", "all", place="tub"), places=[tub()], **BY_COUNT)
    assert carrots.plants == math.floor(16 * math.pi * 23**2 / 900)


def test_the_garden_changes_a_count_in_its_table(grown):
    table = {"per_square": {"kale": 2, "courgette": 1 / 9, "carrot": 25}}
    assert grown(planting("kale", ("A1",)), **BY_COUNT, **table).plants == 2
    assert grown(planting("courgette", block("A1", "C3")), **BY_COUNT, **table).plants == 1
    # A kind follows its crop's count unless it has its own.
    assert grown(planting("carrot-short", ("A1",)), **BY_COUNT, **table).plants == 25


def test_what_a_planting_says_goes_before_the_count(grown):
    assert grown(planting("kale", ("A1",), per_cell=3), **BY_COUNT).plants == 3
    assert grown(planting("kale", block("A1", "B2"), per_cell=0.25), **BY_COUNT).plants == 1
    assert grown(planting("kale", block("A1", "B2"), spacing_cm=20), **BY_COUNT).plants == 4
    assert grown(planting("kale", block("A1", "B2"), plants=5), **BY_COUNT).plants == 5


def test_a_school_is_chosen_for_a_garden_a_bed_or_one_planting(grown):
    bed_by_count = [bed(layout="single-squares")]
    assert grown(planting("kale", block("A1", "B2")), places=bed_by_count).plants == 4
    assert grown(planting("kale", block("A1", "B2"), layout="single-squares")).plants == 4
    own = planting("kale", block("A1", "B2"), layout="merged")
    assert grown(own, places=bed_by_count, **BY_COUNT).plants == 1


def test_closeness_is_priced_by_the_law_of_density(grown, book):
    crop = book.crops["kale"]
    report = grown(planting("kale", block("A1", "D8")), **BY_COUNT)
    ratio = (32 / (120 * 240)) * crop.spacing_cm**2
    assert report.factors.density == pytest.approx(
        1 / ((1 - crop.crowding) + crop.crowding * ratio)
    )


@given(st.sampled_from([1, 2, 4, 6, 8, 9, 16, 25, 49, 0.5, 0.25, 0.11]), st.integers(1, 4))
def test_as_many_as_the_squares_say_and_all_of_them_inside(grown, count, rows):
    report = grown(
        planting("radish", block("A1", f"D{rows}")), **BY_COUNT, per_square={"radish": count}
    )
    squares = 4 * rows
    k = round(1 / count)
    assert report.plants == (squares * count if count >= 1 else max(1, squares // k))
    assert all(0 < x < 120 and 0 < y < 30 * rows for x, y in report.positions_cm)
