"""Obstacles: the shape that an outline shows, and the outline that a shape gives."""

import math

import pytest
import shapely
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core import plan as p
from ample_rows.core.plan.obstacle import drawn_from, outline_of


def ring(n, across, at=(0.0, 0.0)):
    turns = [2 * math.pi * i / n for i in range(n)]
    return tuple(
        (at[0] + across / 2 * math.cos(t), at[1] + across / 2 * math.sin(t)) for t in turns
    )


@pytest.mark.parametrize(
    ("outline", "shape", "heading_deg"),
    [
        (((1, 2), (7, 2), (7, 6), (1, 6)), {"width_cm": 600, "length_cm": 400}, 0),
        (((1, 6), (1, 2), (7, 2), (7, 6)), {"width_cm": 600, "length_cm": 400}, 0),
        # A square on its corner, 2 m a side: its right side falls away at 45 degrees.
        (((0, 0), (2**0.5, 2**0.5), (0, 2 * 2**0.5), (-(2**0.5), 2**0.5)), {"width_cm": 200}, -45),
        (ring(12, 3.0), {"diameter_cm": 300}, 0),
        (((0, 0), (4, 0), (4, 1), (1, 1), (1, 3), (0, 3)), {"type": "polygon"}, 0),
        (((0, 0), (4, 0), (4.1, 2), (0, 2)), {"type": "polygon"}, 0),
    ],
)
def test_an_outline_shows_the_shape_it_was_drawn_from(outline, shape, heading_deg):
    drawn = drawn_from(outline)
    assert drawn.shape is not None
    assert shape.items() <= p.document(drawn.shape).items()
    assert drawn.heading_deg == pytest.approx(heading_deg, abs=0.01)


def test_an_outline_beyond_all_measures_has_no_shape_and_still_casts():
    assert drawn_from(((0, 0), (900, 0), (900, 5), (0, 5))) == (None, None)


@given(
    width=st.floats(10, 3000),
    length=st.floats(10, 3000),
    turned=st.floats(-44, 44),
    at=st.tuples(st.floats(-50, 50), st.floats(-50, 50)),
)
def test_a_rectangle_drawn_in_the_yard_is_known_again(width, length, turned, at):
    shape = p.Rectangle(type="rectangle", width_cm=width, length_cm=length)
    outline = outline_of(shape, turned, at)
    box = shapely.Polygon(outline).bounds
    assert box[:2] == pytest.approx(at, abs=1e-3)
    assert shapely.Polygon(outline).area == pytest.approx(width * length / 1e4, rel=0.01)
    known = drawn_from(outline)
    assert isinstance(known.shape, p.Rectangle)
    assert known.shape.width_cm == pytest.approx(width, abs=0.1)
    assert known.heading_deg == pytest.approx(turned, abs=0.2)


def test_a_heading_turns_clockwise():
    wall = p.Rectangle(type="rectangle", width_cm=400, length_cm=20)
    outline = outline_of(wall, 30, (0, 0))
    left, right = min(outline), max(outline)
    assert right[1] < left[1]
