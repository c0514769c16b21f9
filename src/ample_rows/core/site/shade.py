"""Shade: the direct sun that skylines leave to points, by day and part of day."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.site.skyline import (
    FINE_DEG,
    MAP_DEG,
    Block,
    Floats,
    Grid,
    Ints,
    Spans,
    Window,
    blocks,
    hills,
    spans,
    spans_kept,
)
from ample_rows.core.site.sun_path import PARTS, SunPath
from ample_rows.core.site.yard import Caster, Yard


def hours_of_sun(points_m: Grid, heights_m: Grid, yard: Yard, path: SunPath) -> Floats:
    """Direct sun at points, by day and part of day.

    Args:
        points_m: Rows of x, y in the yard. [m]
        heights_m: Height of each point over the ground there. [m]

    Returns:
        Hours, one row a point: days x four parts (`sun_path.PARTS`). [hours]
    """
    if len(points_m) == 0:
        return np.zeros((0, len(path.days), PARTS), dtype=np.float32)
    points = blocks(points_m, heights_m, yard.rise_per_m)
    window = Window.of(path.where, yard, FINE_DEG)
    seen = (
        (block, [(caster, spans(caster, window, block)) for caster in yard.casters])
        for block in points
    )
    return _hours(len(points_m), seen, yard, path, window)


def share_lit(points_m: Grid, heights_m: Grid, yard: Yard, path: SunPath) -> Floats:
    """Share of direct light at each sun position, positions x points; as `hours_of_sun`. [0-1]"""
    result = np.zeros((len(path.azimuth_deg), len(points_m)), dtype=np.float32)
    if result.size == 0:
        return result
    window = Window.of(path.where, yard, MAP_DEG)
    light = _Light.of(path, yard, window)
    for block in blocks(points_m, heights_m, yard.rise_per_m):
        seen = [(caster, spans(caster, window, block)) for caster in yard.casters]
        solid, veils = _skylines(block, seen, yard, window)
        result[:, block.index] = _share_lit(solid, veils, light)
    return result


def map_hours(points: tuple[Block, ...], yard: Yard, path: SunPath) -> Floats:
    """`hours_of_sun` over a map: each obstacle's skyline is kept, so that moving one is quick."""
    window = Window.of(path.where, yard, MAP_DEG)
    kept = [spans_kept(caster, window, points) for caster in yard.casters]
    seen = (
        (block, [(caster, each[row]) for caster, each in zip(yard.casters, kept, strict=True)])
        for row, block in enumerate(points)
    )
    return _hours(sum(len(block.index) for block in points), seen, yard, path, window)


def _hours(
    count: int,
    seen: Iterable[tuple[Block, list[tuple[Caster, Spans]]]],
    yard: Yard,
    path: SunPath,
    window: Window,
) -> Floats:
    result = np.zeros((len(path.days) * PARTS, count), dtype=np.float32)
    if len(path.azimuth_deg):
        light = _Light.of(path, yard, window)
        for block, casters in seen:
            solid, veils = _skylines(block, casters, yard, window)
            result[:, block.index] = _steps_lit(solid, veils, light)
    return (result.T * np.float32(path.step_hours)).reshape(count, -1, PARTS)


@dataclass(frozen=True, eq=False)
class _Light:
    """Sun positions as shadows look them up: row of the skyline, height, month, part."""

    rows: Ints
    tangent: Floats
    months: Ints
    segments: Ints
    parts: int

    @classmethod
    def of(cls, path: SunPath, yard: Yard, window: Window) -> "_Light":
        return cls(
            rows=window.rows(path.azimuth_deg - yard.north_deg),
            tangent=np.tan(np.radians(path.elevation_deg)).astype(np.float32),
            months=np.array([day.month - 1 for day in path.days])[path.day_index],
            segments=path.segment,
            parts=len(path.days) * PARTS,
        )

    def only(self, these: NDArray[np.bool_]) -> "_Light":
        return _Light(
            self.rows[these],
            self.tangent[these],
            self.months[these],
            self.segments[these],
            self.parts,
        )


@dataclass(frozen=True, eq=False)
class _Veil:
    """A crown round each point: tangents of its top and of its foot, azimuths x points."""

    high: Floats
    low: Floats | None
    passes: Floats


def _skylines(
    block: Block, seen: list[tuple[Caster, Spans]], yard: Yard, window: Window
) -> tuple[Floats, list[_Veil]]:
    """What stands round each point: solid things as one skyline, each crown for itself."""
    solid = np.repeat(hills(yard, window)[:, None], len(block.index), axis=1)
    veils = []
    for caster, part in seen:
        if caster.solid:
            part.raise_to(solid)
            continue
        high = np.zeros_like(solid)
        part.raise_to(high)
        passes = np.array(caster.passes, dtype=np.float32)
        veils.append(_Veil(high, part.feet(solid.shape), passes))
    return solid, veils


def _steps_lit(solid: Floats, veils: list[_Veil], light: _Light) -> Floats:
    """Steps of direct light: parts of days x points."""
    # Neighbours see nearly the same skyline: most positions are settled for all at once.
    dark = light.tangent <= solid.min(axis=1)[light.rows]
    tops = [solid.max(axis=1), *(veil.high.max(axis=1) for veil in veils)]
    clear = light.tangent > np.max(tops, axis=0)[light.rows]
    steps = np.bincount(light.segments[clear], minlength=light.parts).astype(np.float32)
    lit = np.repeat(steps[:, None], solid.shape[1], axis=1)
    unsure = light.only(~dark & ~clear)
    if len(unsure.tangent):
        segments, first = np.unique(unsure.segments, return_index=True)
        lit[segments] += np.add.reduceat(_share_lit(solid, veils, unsure), first, axis=0)
    return lit


def _share_lit(solid: Floats, veils: list[_Veil], light: _Light) -> Floats:
    """Share of direct light for each sun position, at each point. [0-1]"""
    tangent = light.tangent[:, None]
    share = (tangent > solid[light.rows]).astype(np.float32)
    for veil in veils:
        met = np.flatnonzero(light.tangent <= veil.high.max(axis=1)[light.rows])
        behind = tangent[met] <= veil.high[light.rows[met]]
        if veil.low is not None:
            behind &= tangent[met] >= veil.low[light.rows[met]]
        share[met] *= np.where(behind, veil.passes[light.months[met], None], np.float32(1))
    return share
