"""Plants by drip lines, hoses, strings and the holes of ground cloth."""

import itertools
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, rectangle

# A bed of 120 × 240 cm: lines 30 cm apart run at 15, 45, 75 and 105 cm, drippers every 30 cm.
DRIP = {"kind": "drip", "lines_apart_cm": 30, "spots_apart_cm": 30}
CLOTH = {**DRIP, "kind": "cloth"}
WHOLE = {"cells": "all"}


@pytest.fixture
def laid(grown):
    """One planting in a bed with something laid over it."""

    def of(pattern, crop="lettuce", place=None, **keys):
        place = bed(pattern=pattern, **(place or {}))
        return grown(planting(crop, **{**WHOLE, **keys}), places=[place])

    return of


@pytest.mark.parametrize(
    ("pattern", "crop", "plants"),
    [
        # A hole each 30 cm: 4 × 8. Carrots and lettuce take each, cabbage (38 cm) every other
        # one staggered, a courgette (90 cm) stands off the walls on the two middle lines.
        (CLOTH, "carrot", 32),
        (CLOTH, "lettuce", 32),
        (CLOTH, "cabbage", 16),
        (CLOTH, "courgette", 2),
        # Drippers: what stands closer is sown along the lines, 4 rows of 7.5 cm beside each.
        (DRIP, "carrot", 4 * 4 * 32),
        (DRIP, "cabbage", 16),
        # Lines 60 cm apart wet 30 of it: two lines, 4 rows of carrots on each.
        ({**DRIP, "lines_apart_cm": 60}, "carrot", 2 * 4 * 32),
        # Across the bed: 8 lines of 4 holes are the same holes.
        ({**CLOTH, "across": True}, "lettuce", 32),
        # Staggered holes: every other line holds one fewer.
        ({**CLOTH, "staggered": True}, "lettuce", 8 + 7 + 8 + 7),
        # A soaker hose has no drippers: lettuce (25 cm) in rows of 9 along 3 lines 40 cm apart.
        ({**DRIP, "kind": "soaker", "lines_apart_cm": 40}, "lettuce", 27),
    ],
)
def test_plants_stand_by_what_is_laid(laid, pattern, crop, plants):
    assert laid(pattern, crop).plants == plants


def test_the_changed_count_is_said(laid):
    assert said(laid(CLOTH).setting_out) == "in the holes of the cloth; by spacing alone 36 plants"
    carrots = laid(DRIP, "carrot")
    assert said(carrots.setting_out).startswith("in rows along the drip lines; by spacing alone")


def test_each_plant_stands_at_a_hole(laid):
    holes = {(15.0 + 30 * i, 15.0 + 30 * j) for i in range(4) for j in range(8)}
    assert set(laid(CLOTH, "cabbage").positions_cm) <= holes
    assert set(laid(CLOTH).positions_cm) == holes


def test_rows_take_lines_as_far_apart_as_they_want(laid):
    # Rows 45 cm apart on lines of 30: every other line; 38 cm in the row: every other hole.
    rows = laid(CLOTH, "cabbage", layout="rows", row_spacing_cm=45)
    assert rows.plants == 8
    assert len({x for x, _ in rows.positions_cm}) == 2


def test_a_number_that_is_asked_for_stays_and_goes_to_the_holes(laid):
    twelve = laid(CLOTH, plants=12)
    assert twelve.plants == 12
    assert all((x - 15) % 30 == (y - 15) % 30 == 0 for x, y in twelve.positions_cm)
    assert len(set(twelve.positions_cm)) == 12
    # More than there are holes: those left over stand where they would without.
    assert laid(CLOTH, plants=40).plants == 40


def test_two_plantings_share_the_holes_and_none_is_taken_twice(reported):
    plantings = [
        planting("lettuce", block("A1", "B8")),
        planting("lettuce", block("C1", "D8"), id="p2"),
    ]
    wide = {**CLOTH, "lines_apart_cm": 40}
    both = reported(document(*plantings, places=[bed(pattern=wide)])).plantings
    # Lines at 20, 60 and 100 cm: the middle one lies between B and C, and goes to C.
    assert [p.plants for p in both] == [8, 16]


def test_a_plant_wider_than_all_holes_together_stands_alone(laid):
    small = {"shape": rectangle(60, 60)}
    assert laid(CLOTH, "courgette", place=small).plants == 1
    close = {**CLOTH, "lines_apart_cm": 4, "spots_apart_cm": 4}
    assert laid(close, "courgette", spacing_cm=2000).plants == 1


def test_squares_without_a_hole_are_planted_by_spacing(laid):
    wide = {**CLOTH, "lines_apart_cm": 100, "spots_apart_cm": 100}
    found = laid(wide, cells=["A1"])
    assert found.plants == 1
    assert said(found.setting_out).startswith("by spacing alone, as none can stand in the holes")


def test_holes_outside_a_round_place_are_not_planted(laid):
    round_bed = {"shape": {"type": "circle", "diameter_cm": 120}}
    middle = (60.0, 60.0)
    for x, y in laid(CLOTH, place=round_bed).positions_cm:
        assert math.dist((x, y), middle) <= 60


def test_a_pattern_that_is_drip_is_what_waters_the_place(reported):
    drip = {**DRIP, "lines_apart_cm": 40}
    doc = document(planting("lettuce"), places=[bed(pattern=drip)])
    (place,) = reported(doc).places
    assert place.laid.label == "drip lines"
    assert len(place.laid.lines_cm) == 3
    assert len(place.laid.spots_cm) == 24
    months = {"tmin_c": [5] * 12, "tmax_c": [18] * 12, "rain_mm": [40] * 12}
    (watered,) = reported({**doc, "garden": {**doc["garden"], "climate": months}}).places
    assert watered.water.lines.line_m == pytest.approx(7.2)
    assert watered.water.lines.emitters == 24
    (usual,) = reported(document(planting("lettuce"), climate=months)).places
    assert usual.water.lines.line_m == pytest.approx(9.6)


@pytest.mark.parametrize(
    ("pattern", "words"),
    [
        ({**DRIP, "kind": "mesh"}, "pattern.kind"),
        ({**DRIP, "lines_apart_cm": 0}, "pattern.lines_apart_cm"),
        ({**DRIP, "lines_apart_cm": 2, "spots_apart_cm": 2}, "at most 5,000"),
    ],
)
def test_what_cannot_be_laid_is_named(read, pattern, words):
    with pytest.raises(PlanFaultsError, match=words):
        read(document(planting(), places=[bed(pattern=pattern)]))


@given(
    lines=st.integers(15, 60),
    spots=st.integers(10, 60),
    staggered=st.booleans(),
    across=st.booleans(),
    width=st.integers(40, 200),
    crop=st.sampled_from(["carrot", "lettuce", "cabbage", "kale", "onion"]),
)
def test_plants_keep_nine_tenths_of_their_distance_at_holes(
    grown, book, lines, spots, staggered, across, width, crop
):
    pattern = {
        "kind": "cloth",
        "lines_apart_cm": lines,
        "spots_apart_cm": spots,
        "staggered": staggered,
        "across": across,
    }
    place = bed(shape=rectangle(width, 180), pattern=pattern)
    found = grown(planting(crop, "all"), places=[place])
    assert found.plants >= 1
    least = min(
        (math.dist(a, b) for a, b in itertools.combinations(found.positions_cm, 2)),
        default=math.inf,
    )
    # Where holes are nearer to each other than that, only the even choice counts.
    assert least >= 0.9 * book.crops[crop].spacing_cm - 0.01
    assert all(0 <= x <= width and 0 <= y <= 180 for x, y in found.positions_cm)
