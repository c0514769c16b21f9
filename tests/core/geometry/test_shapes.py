"""Places: inside measures, litres and edges, against hand-worked figures."""

import math

import pytest

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from tests.conftest import bed, document, rectangle, tub


def place(read, **keys):
    return read(document(places=[bed(**keys)])).places[0]


@pytest.mark.parametrize(
    ("shape", "area_m2"),
    [
        (rectangle(120, 270), 3.24),
        ({**rectangle(128, 248), "measured": "outside", "wall_thickness_cm": 4}, 2.88),
        ({"type": "circle", "diameter_cm": 46}, math.pi * 0.23**2),
        (
            {
                "type": "polygon",
                "outline_cm": [[0, 0], [200, 0], [200, 80], [80, 80], [80, 240], [0, 240]],
            },
            2.88,
        ),
        (
            {
                "type": "polygon",
                "outline_cm": [[0, 0], [100, 0], [100, 100], [0, 100]],
                "holes_cm": [[[40, 40], [60, 40], [60, 60], [40, 60]]],
            },
            0.96,
        ),
        (
            {
                "type": "mound",
                "top_width_cm": 60,
                "top_length_cm": 200,
                "height_cm": 20,
                "side_slope": 1,
            },
            1.2,
        ),
    ],
)
def test_inside_area_is_exact_for_every_shape(read, shape, area_m2):
    assert shapes.inside_area_m2(place(read, shape=shape).shape) == pytest.approx(area_m2)


@pytest.mark.parametrize(
    ("keys", "litres"),
    [
        ({"shape": rectangle(120, 270), "wall_height_cm": 30}, 3.24 * 27 * 10),
        ({"shape": rectangle(120, 270), "wall_height_cm": 30, "rim_gap_cm": None}, 3.24 * 27 * 10),
        (
            {
                "shape": rectangle(120, 270),
                "kind": "ground",
                "wall_height_cm": 30,
                "rim_gap_cm": None,
            },
            972,
        ),
        # A frustum from 40 cm across at the floor to 50 cm at the rim, filled to the rim.
        (
            {
                "shape": {"type": "circle", "diameter_cm": 50, "bottom_diameter_cm": 40},
                "wall_height_cm": 30,
                "rim_gap_cm": 0,
            },
            math.pi * 30 / 3 * (400 + 500 + 625) / 1000,
        ),
        # A mound with sides at 45 degrees: 60 x 200 on top, 100 x 240 at its foot, 20 high.
        (
            {
                "kind": "mound",
                "wall_height_cm": 0,
                "rim_gap_cm": None,
                "shape": {
                    "type": "mound",
                    "top_width_cm": 60,
                    "top_length_cm": 200,
                    "height_cm": 20,
                    "side_slope": 1,
                },
            },
            20 / 6 * (60 * 200 + 4 * 80 * 220 + 100 * 240) / 1000,
        ),
    ],
)
def test_soil_is_exact_for_tapered_pots_and_mounds(read, keys, litres):
    assert shapes.soil_litres(place(read, **keys)) == pytest.approx(litres)


@pytest.mark.parametrize(
    ("heading", "north", "compass", "facing", "length"),
    [
        (0, 0, "north", 0, 120),  # the length runs north: the short side faces north
        (0, 0, "east", 90, 240),
        (90, 0, "north", 0, 240),  # the length runs east: a long side faces north
        (90, 0, "west", 270, 120),
        (0, 180, "north", 0, 120),  # the site is turned upside down
        (30, 0, "north", 30, 120),
    ],
)
def test_the_edge_nearest_a_compass_point(read, heading, north, compass, facing, length):
    edge = shapes.edge_towards(
        place(read, heading_deg=heading), compass, latitude=51.9, north_deg=north
    )
    assert edge.facing_deg == pytest.approx(facing)
    assert edge.length_cm == pytest.approx(length)


@pytest.mark.parametrize(("latitude", "facing"), [(51.9, 0), (-37.6, 180), (0, 0)])
def test_without_a_compass_point_it_is_the_poleward_side(read, latitude, facing):
    edge = shapes.edge_towards(place(read, heading_deg=90), None, latitude=latitude, north_deg=0)
    assert edge.facing_deg == pytest.approx(facing)


def test_a_round_place_has_no_straight_side(read):
    round_place = read(document(places=[tub()])).places[0]
    assert shapes.edge_towards(round_place, None, latitude=50, north_deg=0) is None


@pytest.mark.parametrize(
    ("kind", "bottom"), [("framed", "open"), ("ground", "open"), ("container", "closed")]
)
def test_the_bottom_that_is_taken_when_none_is_said(kind, bottom):
    shape = p.Rectangle(type="rectangle", width_cm=60.0, length_cm=60.0)
    made = p.Place(id="x", kind=kind, shape=shape, wall_height_cm=30.0)
    assert shapes.bottom(made) == bottom
