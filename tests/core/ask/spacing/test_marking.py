"""The marking sheet: the grid's strings and plantings by tape, worked out by hand."""

import pytest

from ample_rows.core.ask.spacing.marking import marking_sheet
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting, rectangle, tub

RING = {
    "type": "polygon",
    "outline_cm": [[0, 0], [120, 0], [120, 120], [0, 120]],
    "holes_cm": [[[45, 45], [75, 45], [75, 75], [45, 75]]],
}


@pytest.fixture
def marked(book, read):
    def of(*plantings, place=None):
        place = place or bed()
        return marking_sheet(
            Estimate(read(document(*plantings, places=[place])), book), place["id"]
        )

    return of


def test_the_grids_own_strings_with_what_is_left_at_the_far_side(marked):
    sheet = marked(place=bed(shape=rectangle(100, 250)))
    assert sheet.across_cm == (30, 60, 90)
    assert sheet.across_left_cm == pytest.approx(10)
    assert sheet.along_left_cm == pytest.approx(10)
    # Three strings of 250 cm, eight of 100, and 15 cm at each end to tie.
    assert sheet.lath_m == pytest.approx(3 * 2.5 + 8 * 1.0)
    assert sheet.string_m == pytest.approx(15.5 + 11 * 0.3)
    assert sheet.fixings == 22


def test_a_hole_parts_the_strings_that_cross_it(marked):
    sheet = marked(place=bed(shape=RING))
    crossing = [s for s in sheet.strings if s.direction == "along" and s.at_cm == 60]
    assert [(s.from_cm, s.to_cm) for s in crossing] == [(0, 45), (75, 120)]
    assert sheet.lath_m == pytest.approx((4 * 120 + 2 * 90) / 100)


@pytest.mark.parametrize(
    ("what", "words"),
    [
        (
            planting("beetroot", ("A1", "A2", "B1", "B2")),
            "Lines along: 6 lines 10 cm apart, the first 5 cm from the outer edge of squares A, "
            "on each 6 plants 10 cm apart, the first 5 cm from the corner.",
        ),
        (
            planting("leek", ("B3",), start="transplant"),
            "Lines along: 2 lines 15 cm apart, the first 37.5 cm from the outer edge of squares A, "
            "on each 2 plants 15 cm apart, the first 67.5 cm from the corner.",
        ),
        (
            planting("chard", ("A1", "B1"), start="transplant"),
            "Lines across: 1 line at 15 cm from the outer edge of squares 1, "
            "2 plants 30 cm apart, the first 15 cm from the corner.",
        ),
        (
            planting("onion", ("A1", "B1"), start="set", layout="stations", spacing_cm=20)
            | {"plants_per_station": 3},
            "Lines across: 1 line at 15 cm from the outer edge of squares 1, "
            "3 stations of 3 20 cm apart, the first 10 cm from the corner.",
        ),
    ],
)
def test_a_planting_by_tape(marked, what, words):
    (found,) = marked(what).plantings
    assert said(found.words) == words


def test_offset_rows_are_two_kinds_of_line(marked):
    (found,) = marked(planting("lettuce", ("A1", "A2", "B1", "B2"), layout="offset")).plantings
    assert said(found.words).count("; then ") == len(found.lines) - 1
    assert sum(len(line.at_cm) * len(line.marks_cm) for line in found.lines) == found.plants


def test_plants_of_a_tub_are_told_from_its_middle(marked):
    (found,) = marked(planting("lettuce", "all", place="tub", spacing_cm=15), place=tub()).plantings
    assert said(found.words) == "1 in the middle; 6 plants 15.3 cm from the middle, evenly round."


def test_a_template_is_the_fullest_whole_square(marked):
    (found,) = marked(planting("beetroot", ("A1", "A2"))).plantings
    assert found.template_cell == "A1"
    assert sorted(found.template_cm) == [(x, y) for x in (5, 15, 25) for y in (5, 15, 25)]


def test_every_plant_is_on_one_line(marked, grown):
    for layout in ("merged", "rows", "offset", "band", "single-squares"):
        what = planting("onion", "all", start="set", layout=layout)
        (found,) = marked(what, place=bed(shape=RING)).plantings
        on_lines = sum(len(line.at_cm) * len(line.marks_cm) for line in found.lines)
        assert on_lines == found.plants
