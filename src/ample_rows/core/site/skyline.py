"""Skylines: how high obstacles stand all round, seen from many points at once.

Seen from a point, the top of a wall is a curve over azimuth. Each wall is laid once over
the steps of azimuth that it spans and the sun visits, so the cost grows with points x walls.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.site.sun_path import Location, sun_path
from ample_rows.core.site.yard import Caster, Yard

FINE_DEG, MAP_DEG = 0.25, 0.5
"""Steps of azimuth: for cells and single points, and for maps. The sun's disc is half a degree."""
_SOLSTICES = (date(2027, 6, 21), date(2027, 12, 21))
_TOUCHING_M = 1e-6
_CHUNK = 256
_TILE_M = 3.0

Floats = NDArray[np.float32]
Grid = NDArray[np.float64]
Ints = NDArray[np.intp]


@dataclass(frozen=True)
class Window:
    """Steps of azimuth that the sun visits, counted clockwise from the side it avoids."""

    from_deg: float
    step_deg: float
    first: int
    last: int

    @classmethod
    def of(cls, where: Location, yard: Yard, step_deg: float) -> "Window":
        """The window of a whole year, the same for any of its days."""
        away = 0.0 if where.latitude >= 0 else 180.0
        from_deg = (away - yard.north_deg) % 360
        extremes = sun_path(where, _SOLSTICES)
        whole = cls(from_deg, step_deg, 0, round(360 / step_deg) - 1)
        steps = whole.rows(extremes.azimuth_deg - yard.north_deg)
        return cls(from_deg, step_deg, int(steps.min()), int(steps.max()))

    @property
    def around(self) -> int:
        return round(360 / self.step_deg)

    @property
    def count(self) -> int:
        return self.last - self.first + 1

    def rows(self, azimuth_deg: Grid) -> Ints:
        """Rows of a skyline for directions clockwise from the yard's +y. [degrees]"""
        steps = np.round((azimuth_deg - self.from_deg) / self.step_deg).astype(np.intp)
        steps %= self.around
        return np.clip(steps, self.first, self.last) - self.first

    def directions_deg(self) -> Grid:
        steps = np.arange(self.first, self.last + 1, dtype=np.float64)
        degrees: Grid = steps * self.step_deg + self.from_deg
        return degrees


@dataclass(frozen=True, eq=False)
class Block:
    """A few neighbouring points: what one sees of the sky, the others nearly see too."""

    index: Ints
    points_m: Grid
    level_m: Grid


def blocks(points_m: Grid, heights_m: Grid, rise_per_m: tuple[float, float]) -> tuple[Block, ...]:
    """Points gathered by where they lie, with their height over the yard's origin."""
    order = np.lexsort((points_m[:, 0], *np.floor(points_m.T / _TILE_M)))
    level = points_m @ np.array(rise_per_m) + heights_m
    return tuple(
        Block(rows, points_m[rows], level[rows])
        for rows in np.split(order, range(_CHUNK, len(order), _CHUNK))
    )


@dataclass(frozen=True, eq=False)
class Spans:
    """A caster's skyline from one block: heights at flat positions (azimuth x point)."""

    at: NDArray[np.int32]
    tangent: Floats
    within: Ints
    foot_at: NDArray[np.int32] | None
    foot: Floats | None

    def raise_to(self, skyline: Floats) -> None:
        """Lift a skyline, in place, to the top of the caster."""
        flat = skyline.reshape(-1)
        np.maximum.at(flat, self.at, self.tangent)
        skyline[:, self.within] = np.inf

    def feet(self, shape: tuple[int, ...]) -> Floats | None:
        """Tangents below which light passes under the caster; None where it stands on ground."""
        if self.foot is None or self.foot_at is None:
            return None
        low = np.full(shape, np.inf, dtype=np.float32)
        np.minimum.at(low.reshape(-1), self.foot_at, self.foot)
        return low


@lru_cache(maxsize=24)
def spans_kept(caster: Caster, window: Window, points: tuple[Block, ...]) -> tuple[Spans, ...]:
    """`spans` of a caster over many blocks, kept: moving one obstacle leaves the rest."""
    return tuple(spans(caster, window, block) for block in points)


def spans(caster: Caster, window: Window, block: Block) -> Spans:
    """What a caster covers of the sky, seen from each point of a block."""
    sides = list(_sides(caster))
    over = caster.top_m - block.level_m
    top = [_laid(side, over, window, block) for side in sides]
    foot_at, foot = None, None
    if caster.base_m is not None:
        # Light passes under a crown below its foot at the far side, which is seen from behind.
        under = caster.base_m - block.level_m
        feet = [_laid(_from_behind(side), under, window, block) for side in sides]
        foot_at, foot = (np.concatenate(part) for part in zip(*feet, strict=True))
    return Spans(
        at=np.concatenate([at for at, _ in top]),
        tangent=np.concatenate([tangent for _, tangent in top]),
        within=np.flatnonzero(_inside(caster, block) & (over > 0)),
        foot_at=foot_at,
        foot=foot,
    )


@dataclass(frozen=True, eq=False)
class _Side:
    """A side as points see it: its left and right end, and the unit vector square on to it."""

    left: Grid
    right: Grid
    towards: Grid


def _sides(caster: Caster) -> Iterator[_Side]:
    ring = np.array(caster.ring_m)
    for start, end in zip(ring, np.roll(ring, -1, axis=0), strict=True):
        run = end - start
        if not run.any():
            # A corner given twice has no side between.
            continue
        # The ring is counter-clockwise, so inward lies to the left of travel.
        yield _Side(start, end, np.array([-run[1], run[0]]) / np.hypot(*run))


def _from_behind(side: _Side) -> _Side:
    return _Side(side.right, side.left, -side.towards)


def _laid(
    side: _Side, over: Grid, window: Window, block: Block
) -> tuple[NDArray[np.int32], Floats]:
    """A side over the azimuths between its ends, for the points that it faces.

    Args:
        over: Height of its edge over each point. [m]

    Returns:
        Flat positions in a skyline, and the tangent of the edge's height at each.
    """
    away = (side.left - block.points_m) @ side.towards
    facing = np.flatnonzero(away > _TOUCHING_M)
    steep = (over[facing] / away[facing]).astype(np.float32)
    first = _bearing(side.left - block.points_m[facing], window)
    last = _bearing(side.right - block.points_m[facing], window)
    last = np.where(last < first, last + window.around, last)
    bearings = np.radians(window.directions_deg())
    seen = np.sin(bearings) * side.towards[0] + np.cos(bearings) * side.towards[1]
    at, tangents = [], []
    for turn in (0, window.around):
        low = np.maximum(np.ceil(first - turn), window.first).astype(np.int32)
        high = np.minimum(np.floor(last - turn), window.last).astype(np.int32)
        counts = np.maximum(0, high - low + 1)
        before = np.cumsum(counts) - counts
        rows = np.arange(counts.sum(), dtype=np.int32)
        rows -= np.repeat((before - low + window.first).astype(np.int32), counts)
        at.append(rows * np.int32(len(block.index)) + np.repeat(facing.astype(np.int32), counts))
        tangents.append(np.repeat(steep, counts) * seen.astype(np.float32)[rows])
    return np.concatenate(at), np.concatenate(tangents)


def _bearing(vectors: Grid, window: Window) -> Grid:
    """Steps of azimuth from the window's start, 0 up to a full turn."""
    degrees = np.degrees(np.arctan2(vectors[:, 0], vectors[:, 1]))
    return ((degrees - window.from_deg) % 360) / window.step_deg


def _inside(caster: Caster, block: Block) -> NDArray[np.bool_]:
    """Points within a caster, by the winding of its corners round them."""
    ring = np.array(caster.ring_m)
    to_start = ring[None] - block.points_m[:, None]
    to_end = np.roll(ring, -1, axis=0)[None] - block.points_m[:, None]
    cross = to_start[..., 0] * to_end[..., 1] - to_start[..., 1] * to_end[..., 0]
    dot = (to_start * to_end).sum(axis=-1)
    return np.asarray(np.abs(np.arctan2(cross, dot).sum(axis=1)) > math.pi)


def hills(yard: Yard, window: Window) -> Floats:
    """Tangent of the terrain's height in each direction of the window."""
    if not yard.horizon_deg:
        return np.zeros(window.count, dtype=np.float32)
    given = np.array(yard.horizon_deg)
    at = np.arange(len(given)) * 360 / len(given)
    true = window.directions_deg() + yard.north_deg
    tangent: Floats = np.tan(np.radians(np.interp(true, at, given, period=360))).astype(np.float32)
    return tangent
