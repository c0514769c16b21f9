"""The fullest lattice of plants in a region of any outline, by its phase and rotation. [cm]

Rows are laid across what is left of the region half a spacing inside its boundary. For each
rotation and each height of the first row, the best shift along the rows is found exactly: the
count only rises where a plant comes to stand at the beginning of some stretch of row.
"""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray
from shapely.geometry.base import BaseGeometry

from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM
from ample_rows.core.patience import carry_on

Point = tuple[float, float]
Array = NDArray[np.float64]

_ARC_SEGMENTS = 16
_EVEN_TURNS = 8
_REFINED_TURNS = 3
_MOST_CORNERS = 16
_MOST_STRETCHES = 60_000
_DUST = 1e-9
_NOWHERE: Array = np.empty((0, 2))
_NOTHING: BaseGeometry = shapely.Polygon()


@dataclass(frozen=True)
class Lattice:
    """A lattice to be fitted: pitch along rows, between rows, and whether rows are offset."""

    x_spacing_cm: float
    y_spacing_cm: float
    offset: bool

    @property
    def squash(self) -> float:
        """What y is multiplied by, so that clearance is half the x pitch on every side."""
        return 1.0 if self.offset else self.x_spacing_cm / self.y_spacing_cm

    @property
    def row_pitch(self) -> float:
        return self.y_spacing_cm * self.squash


@dataclass(frozen=True)
class _Care:
    """How closely a rotation is searched: heights of the first row, and shifts along it."""

    heights: int
    shifts: int


_COARSE, _FINE = _Care(heights=5, shifts=6), _Care(heights=18, shifts=24)


@dataclass(frozen=True, eq=False)
class _Found:
    """The best rows of one rotation, as stretches on their levels; points are drawn if asked."""

    count: int
    turn: float
    starts: Array
    ends: Array
    levels: Array
    shift: Array
    along: float

    def points(self, pitch: float) -> Array:
        rows = []
        for row, (starts, ends) in enumerate(zip(self.starts, self.ends, strict=True)):
            for start, end in zip(starts[np.isfinite(starts)], ends, strict=False):
                first = math.ceil((start - self.along) / pitch - _DUST)
                last = math.floor((end - self.along) / pitch + _DUST)
                if last < first:
                    continue
                x = self.along + self.shift[row] + pitch * np.arange(first, last + 1)
                rows.append(np.column_stack([x, np.full(len(x), self.levels[row])]))
        return np.vstack(rows) if rows else _NOWHERE


def fullest(
    region: BaseGeometry, lattice: Lattice, *, turns: bool, keep_off: BaseGeometry = _NOTHING
) -> list[Point]:
    """Positions of the fullest lattice found, half a spacing clear of the region's boundary.

    Args:
        turns: Whether the rows may run in any direction, or only along the sides of the frame.
        keep_off: Ground round other plants, where none of these may stand.
    """
    if region.is_empty:
        return []
    angles = _angles(region, lattice) if turns else [0.0]
    sides = {angle: _sides(region, keep_off, lattice, angle) for angle in angles}
    if len(angles) > _REFINED_TURNS:
        coarse = [(_laid(sides[a], lattice, a, _COARSE).count, a) for a in angles]
        angles = [a for _, a in sorted(coarse, key=lambda c: (-c[0], c[1]))[:_REFINED_TURNS]]
    turned = [_laid(sides[angle], lattice, angle, _FINE) for angle in angles]
    best = max(turned, key=lambda placed: placed.count)
    # An arc round an inner corner is drawn with straight pieces; what they let in is left out.
    points = best.points(lattice.x_spacing_cm)
    back = _turned(points / [1.0, lattice.squash], -best.turn)
    clear = _clear(back, region, lattice, best.turn)
    if not keep_off.is_empty:
        clear &= ~_within(keep_off, back)
    return [(float(x), float(y)) for x, y in back[clear]]


def _angles(region: BaseGeometry, lattice: Lattice) -> list[float]:
    """Rotations worth trying: along the longest sides, and evenly between. [radians]"""
    period = math.pi / 3 if lattice.offset else math.pi / 2
    if lattice.x_spacing_cm != lattice.y_spacing_cm and not lattice.offset:
        period = math.pi
    ring = shapely.get_coordinates(shapely.get_exterior_ring(region))
    sides = np.diff(ring, axis=0)
    longest = np.argsort(-np.hypot(sides[:, 0], sides[:, 1]), kind="stable")[:8]
    along = [math.atan2(sides[i, 1], sides[i, 0]) % period for i in longest]
    even = [period * i / _EVEN_TURNS for i in range(_EVEN_TURNS)]
    return sorted({round(angle, 6) for angle in [0.0, *along, *even]})


def _turned(points: Array, angle: float) -> Array:
    if angle == 0:
        return points
    c, s = math.cos(angle), math.sin(angle)
    turned: Array = points @ np.array([[c, s], [-s, c]])
    return turned


def _sides(region: BaseGeometry, keep_off: BaseGeometry, lattice: Lattice, angle: float) -> Array:
    """The sides of what is left of the region half a spacing inside, turned and squashed."""
    if lattice.squash == 1:
        # The clearance is the same all round: one drawing in serves every rotation.
        starts_ends = _drawn_in(region, keep_off, lattice.x_spacing_cm).reshape(-1, 2)
        return _turned(starts_ends, -angle).reshape(-1, 4)
    squashed = [1.0, lattice.squash]
    turned, off = (
        shapely.transform(shape, lambda xy: _turned(xy, -angle) * squashed)
        for shape in (region, keep_off)
    )
    return _drawn_in(turned, off, lattice.x_spacing_cm)


@lru_cache(maxsize=8)
def _drawn_in(region: BaseGeometry, keep_off: BaseGeometry, pitch: float) -> Array:
    """Every side of every ring of a region drawn in by half a pitch, as x1, y1, x2, y2."""
    inner: BaseGeometry = region.buffer(
        FIT_TOLERANCE_CM / 2 - pitch / 2, join_style="mitre", quad_segs=_ARC_SEGMENTS
    )
    if not keep_off.is_empty:
        inner = inner.difference(keep_off)
    if inner.is_empty:
        return np.empty((0, 4))
    sides = []
    for ring in shapely.get_rings(shapely.get_parts(inner)):
        xy = shapely.get_coordinates(ring)
        sides.append(np.hstack([xy[:-1], xy[1:]]))
    return np.vstack(sides)


def _laid(sides: Array, lattice: Lattice, angle: float, care: _Care) -> _Found:
    """The fullest lattice with rows in one direction, in the turned and squashed frame."""
    carry_on()
    pitch, row_pitch = lattice.x_spacing_cm, lattice.row_pitch
    if len(sides) == 0:
        return _Found(0, -angle, _NOWHERE, _NOWHERE, _NOWHERE, _NOWHERE, 0.0)
    low, high = float(sides[:, 1].min()), float(sides[:, 1].max())
    rows = math.floor((high - low) / row_pitch) + 2
    most = max(2, _MOST_STRETCHES // (rows * care.shifts))
    firsts = _firsts(sides[:, :2], (low, high), row_pitch, min(care.heights, most))
    levels = firsts[:, None] + row_pitch * np.arange(-1, rows)[None, :]
    starts, ends = _stretches(sides, levels)
    shift: Array = np.where(np.arange(-1, rows) % 2, pitch / 2 if lattice.offset else 0.0, 0.0)
    starts, ends = starts - shift[None, :, None], ends - shift[None, :, None]
    first, along, count = _best_shift(starts, ends, pitch, care.shifts)
    return _Found(count, -angle, starts[first], ends[first], levels[first], shift, along)


def _firsts(corners: Array, span: tuple[float, float], pitch: float, heights: int) -> Array:
    """Heights of the first row: just inside the ends and corners, then evenly."""
    low, high = span
    inside = FIT_TOLERANCE_CM / 5
    snapped = [low + inside, high - inside]
    heights_of_corners = np.unique(corners[:, 1].round(6))
    if len(heights_of_corners) <= _MOST_CORNERS:
        snapped += [y + side * inside for y in heights_of_corners for side in (1, -1)]
    even = low + pitch * np.arange(heights) / heights
    firsts = low + (np.concatenate([np.array(snapped), even]) - low) % pitch
    return np.unique(firsts.round(9))


def _stretches(segments: Array, levels: Array) -> tuple[Array, Array]:
    """Where each row runs inside: its stretches as starts and ends, empty ones as inf."""
    flat = levels.ravel()[:, None]
    x1, y1, x2, y2 = segments.T
    crossed = (y1 <= flat) != (y2 <= flat)
    on_row = crossed.sum(axis=1)
    most = int(on_row.max(initial=0))
    if most == 0:
        empty = np.full((*levels.shape, 1), np.inf)
        return empty, empty
    row, side = np.nonzero(crossed)
    rise = (y2 - y1)[side]
    crossings = x1[side] + (flat[row, 0] - y1[side]) * (x2 - x1)[side] / rise
    xs = np.full((len(flat), most), np.inf)
    xs[np.arange(most) < on_row[:, None]] = crossings
    xs = np.sort(xs, axis=1).reshape(*levels.shape, most)
    return xs[..., 0::2], xs[..., 1::2]


def _best_shift(starts: Array, ends: Array, pitch: float, most: int) -> tuple[int, float, int]:
    """The height and the shift along the rows that hold most: their indices and the count."""
    flat = starts.reshape(len(starts), -1)
    real = np.isfinite(flat)
    residues = np.where(real, np.where(real, flat, 0.0) % pitch, np.inf)
    residues.sort(axis=1)
    used = max(1, int(np.isfinite(residues).sum(axis=1).max()))
    picked = np.unique(np.linspace(0, used - 1, min(used, most)).astype(int))
    shifts = residues[:, picked]
    shifts = np.where(np.isfinite(shifts), shifts, 0.0)
    a = np.where(real, flat, 0.0)[:, None, :]
    b = np.where(real, ends.reshape(len(ends), -1), -pitch)[:, None, :]
    by = shifts[:, :, None]
    last = np.floor((b - by) / pitch + _DUST)
    counts = np.maximum(0, last - np.ceil((a - by) / pitch - _DUST) + 1)
    totals = np.where(real[:, None, :], counts, 0).sum(axis=2)
    first, which = divmod(int(np.argmax(totals)), totals.shape[1])
    return first, float(shifts[first, which]), int(totals[first, which])


def _clear(points: Array, region: BaseGeometry, lattice: Lattice, turn: float) -> NDArray[np.bool_]:
    """Which points stand inside, half a spacing from the boundary to the fit tolerance."""
    squashed = [1.0, lattice.squash]
    there = shapely.transform(region, lambda xy: _turned(xy, turn) * squashed)
    spots = shapely.points(_turned(points, turn) * squashed)
    far = shapely.distance(there.boundary, spots) >= lattice.x_spacing_cm / 2 - FIT_TOLERANCE_CM
    return np.asarray(shapely.contains(there, spots) & far)


def _within(shape: BaseGeometry, points: Array) -> NDArray[np.bool_]:
    """Which points lie in a shape by more than the fit tolerance."""
    spots = shapely.points(points)
    deep = shapely.distance(shape.boundary, spots) > FIT_TOLERANCE_CM
    return np.asarray(shapely.contains(shape, spots) & deep)
