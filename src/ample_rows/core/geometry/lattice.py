"""Lattices of plants in boxes, where the count has a closed form, and packings. [cm]"""

import math
from functools import lru_cache

from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM
from ample_rows.core.geometry.shapes import Box

Point = tuple[float, float]


def fits(extent_cm: float, spacing_cm: float) -> int:
    """Whole spacings in an extent; a bare floor would lose a row to float dust."""
    return max(0, math.floor((extent_cm + FIT_TOLERANCE_CM) / spacing_cm))


def evenly(start_cm: float, extent_cm: float, count: int) -> list[float]:
    """`count` places along an extent, half a pitch from its ends."""
    return [start_cm + extent_cm * (i + 0.5) / count for i in range(count)]


def apart(start_cm: float, extent_cm: float, count: int, pitch_cm: float) -> list[float]:
    """`count` places exactly a pitch apart, in the middle of an extent."""
    first = start_cm + (extent_cm - (count - 1) * pitch_cm) / 2
    return [first + i * pitch_cm for i in range(count)]


def square_in_box(box: Box, *, x_spacing_cm: float, y_spacing_cm: float) -> list[Point]:
    """Rows and columns spread evenly over a box, never closer than the spacings.

    Each plant keeps half a spacing from the sides.
    """
    across, along = fits(box.width, x_spacing_cm), fits(box.length, y_spacing_cm)
    return [
        (x, y) for y in evenly(box.y0, box.length, along) for x in evenly(box.x0, box.width, across)
    ]


def rows_in_box(
    box: Box, *, in_row_cm: float, between_cm: float, exact: bool = False
) -> list[Point]:
    """Straight rows, whichever direction holds more. Along the length when equal.

    Args:
        exact: Whether rows stand that far apart and no farther, the room left beside them.
    """

    def across(start_cm: float, extent_cm: float) -> list[float]:
        count = fits(extent_cm, between_cm)
        if exact:
            return apart(start_cm, extent_cm, count, between_cm)
        return evenly(start_cm, extent_cm, count)

    def in_row(start_cm: float, extent_cm: float) -> list[float]:
        return evenly(start_cm, extent_cm, fits(extent_cm, in_row_cm))

    xs, ys = (box.x0, box.width), (box.y0, box.length)
    along_length = [(x, y) for y in in_row(*ys) for x in across(*xs)]
    along_width = [(x, y) for y in across(*ys) for x in in_row(*xs)]
    return along_length if len(along_length) >= len(along_width) else along_width


def offset_in_box(box: Box, spacing_cm: float) -> list[Point]:
    """A triangular lattice in a box, its rows along whichever side holds more."""
    along_x = _offset_rows(box.width, box.length, spacing_cm)
    along_y = [(x, y) for y, x in _offset_rows(box.length, box.width, spacing_cm)]
    best = along_x if len(along_x) >= len(along_y) else along_y
    return [(box.x0 + x, box.y0 + y) for x, y in best]


def _offset_rows(across_cm: float, along_cm: float, spacing_cm: float) -> list[Point]:
    in_row = fits(across_cm, spacing_cm)
    if in_row == 0 or along_cm + FIT_TOLERANCE_CM < spacing_cm:
        return []
    rows = 1 + fits(along_cm - spacing_cm, spacing_cm * math.sqrt(3) / 2)
    full = fits(across_cm, spacing_cm * (1 + 0.5 / in_row)) >= in_row
    pitch = across_cm / (in_row + 0.5) if full else across_cm / in_row
    row_pitch = (along_cm - spacing_cm) / (rows - 1) if rows > 1 else 0.0
    first = spacing_cm / 2 if rows > 1 else along_cm / 2
    points = []
    for row in range(rows):
        shifted = row % 2 == 1
        count = in_row if full or not shifted else in_row - 1
        start = pitch / 2 + (pitch / 2 if shifted else 0.0)
        points += [(start + i * pitch, first + row * row_pitch) for i in range(count)]
    return points


@lru_cache(maxsize=256)
def packing_spacing(centres: tuple[Point, ...], *, round_outline: bool) -> float:
    """Spacing that a packing in a shape of unit size gives: twice the circles' radius."""
    wall = min(
        0.5 - math.dist(c, (0.5, 0.5)) if round_outline else min(*c, 1 - c[0], 1 - c[1])
        for c in centres
    )
    pairs = [math.dist(a, b) for i, a in enumerate(centres) for b in centres[:i]]
    return min([2 * wall, *pairs])
