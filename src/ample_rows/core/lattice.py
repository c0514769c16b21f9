"""Lattices of plants in boxes and in regions of any outline. [cm]

In a box the count has a closed form; elsewhere the phase of the lattice is
searched, first against the region's own corners, then evenly.
"""

import math
from collections.abc import Sequence

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from ample_rows.core.cells import FIT_TOLERANCE_CM
from ample_rows.core.places import Box

Point = tuple[float, float]
_EVEN_PHASES = 8
_MOST_PHASES = 14
_MOST_TRIALS = 60_000


def fits(extent_cm: float, spacing_cm: float) -> int:
    """Whole spacings in an extent; a bare floor would lose a row to float dust."""
    return max(0, math.floor((extent_cm + FIT_TOLERANCE_CM) / spacing_cm))


def evenly(start_cm: float, extent_cm: float, count: int) -> list[float]:
    """`count` places along an extent, half a pitch from its ends."""
    return [start_cm + extent_cm * (i + 0.5) / count for i in range(count)]


def square_in_box(box: Box, *, x_spacing_cm: float, y_spacing_cm: float) -> list[Point]:
    """Rows and columns spread evenly over a box, never closer than the spacings.

    Each plant keeps half a spacing from the sides.
    """
    across, along = fits(box.width, x_spacing_cm), fits(box.length, y_spacing_cm)
    return [
        (x, y) for y in evenly(box.y0, box.length, along) for x in evenly(box.x0, box.width, across)
    ]


def rows_in_box(box: Box, *, in_row_cm: float, between_cm: float) -> list[Point]:
    """Straight rows, whichever direction holds more. Along the length when equal."""
    along = square_in_box(box, x_spacing_cm=between_cm, y_spacing_cm=in_row_cm)
    across = square_in_box(box, x_spacing_cm=in_row_cm, y_spacing_cm=between_cm)
    return along if len(along) >= len(across) else across


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


def in_region(
    region: BaseGeometry, *, x_spacing_cm: float, y_spacing_cm: float, offset: bool
) -> list[Point]:
    """The fullest lattice found in a region, half a spacing clear of its boundary.

    With `offset` every second row is shifted by half a spacing (the y spacing is then
    the distance between rows and clearance is half the x spacing all round).
    """
    if region.is_empty:
        return []
    # Measured in units where both clearances are equal, one distance serves.
    squash = 1.0 if offset else x_spacing_cm / y_spacing_cm
    scaled = shapely.transform(region, lambda xy: xy * [1.0, squash])
    found = _densest(scaled, x_spacing_cm, y_spacing_cm * squash, offset)
    return [(x, y / squash) for x, y in found]


def _densest(region: BaseGeometry, x_pitch: float, y_pitch: float, offset: bool) -> list[Point]:
    shapely.prepare(region)
    boundary = region.boundary
    corners = shapely.get_coordinates(region)
    clearance = x_pitch / 2
    x0, y0, x1, y1 = region.bounds
    if x1 - x0 + FIT_TOLERANCE_CM < x_pitch or y1 - y0 + FIT_TOLERANCE_CM < x_pitch:
        return []
    y_period = y_pitch * (2 if offset else 1)
    base = _base_lattice(x1 - x0, y1 - y0, x_pitch, y_pitch, offset)
    # Where thousands of plants stand, another phase gains a share too small to search for.
    most = min(_MOST_PHASES, max(2, math.isqrt(_MOST_TRIALS // len(base))))
    phases = np.array(
        [
            (px, py)
            for px in _phases(corners[:, 0], x0, x_pitch, clearance)[:most]
            for py in _phases(corners[:, 1], y0, y_period, clearance)[:most]
        ]
    )
    points = phases[:, None, :] + base[None, :, :] + np.array([x0, y0])
    inside = _clear_of(points.reshape(-1, 2), region, boundary, clearance)
    per_phase = inside.reshape(len(phases), -1)
    best = int(np.argmax(per_phase.sum(axis=1)))
    chosen = points[best][per_phase[best]]
    return [(float(x), float(y)) for x, y in chosen]


def _phases(corners: NDArray[np.float64], start: float, period: float, clear: float) -> list[float]:
    """Phases that put a line half a spacing from a corner, then even ones."""
    even = [period * i / _EVEN_PHASES for i in range(_EVEN_PHASES)]
    if len(corners) > 40:
        return even
    snapped = {
        round(float((value + side * clear - start) % period), 6)
        for value in corners
        for side in (1, -1)
    }
    return (sorted(snapped) + even)[:_MOST_PHASES]


def _base_lattice(
    width: float, length: float, x_pitch: float, y_pitch: float, offset: bool
) -> NDArray[np.float64]:
    # One period before the region, so that every phase covers it.
    across = np.arange(-2, math.ceil(width / x_pitch) + 1) * x_pitch
    rows = np.arange(-2, math.ceil(length / y_pitch) + 1)
    shift = (rows % 2) * (x_pitch / 2 if offset else 0.0)
    x = across[None, :] + shift[:, None]
    y = np.broadcast_to((rows * y_pitch)[:, None], x.shape)
    return np.stack([x.ravel(), y.ravel()], axis=1)


def _clear_of(
    points: NDArray[np.float64],
    region: BaseGeometry,
    boundary: BaseGeometry,
    clearance: float,
) -> NDArray[np.bool_]:
    x0, y0, x1, y1 = region.bounds
    slack = FIT_TOLERANCE_CM / 2
    near = (
        (points[:, 0] >= x0 + clearance - slack)
        & (points[:, 0] <= x1 - clearance + slack)
        & (points[:, 1] >= y0 + clearance - slack)
        & (points[:, 1] <= y1 - clearance + slack)
    )
    kept = np.zeros(len(points), dtype=bool)
    candidates = np.flatnonzero(near)
    spots = shapely.points(points[candidates])
    inside = shapely.contains(region, spots)
    far = shapely.distance(boundary, spots) >= clearance - slack
    kept[candidates[inside & far]] = True
    return kept


def packing_spacing(centres: Sequence[Point], *, round_outline: bool) -> float:
    """Spacing that a packing in a shape of unit size gives: twice the circles' radius."""
    wall = min(
        0.5 - math.dist(c, (0.5, 0.5)) if round_outline else min(*c, 1 - c[0], 1 - c[1])
        for c in centres
    )
    pairs = [math.dist(a, b) for i, a in enumerate(centres) for b in centres[:i]]
    return min([2 * wall, *pairs])
