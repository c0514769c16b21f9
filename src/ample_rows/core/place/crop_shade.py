"""The shade of supports and tall crops on their neighbours, growing through the season.

Each neighbour is a box that lets some light through. A planting sees its neighbours at half of
its own height of the day. What the yard's obstacles hold back is not held back again.
"""

import itertools
import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import cells_of, pitch_of
from ample_rows.core.patience import carry_on
from ample_rows.core.place.tall import (
    Tall,
    heights_by_day,
    support_of,
    tall_in,
)
from ample_rows.core.planting.cases import CropShade, Setting
from ample_rows.core.site.place_sun import (
    Lit,
    Sky,
    high_path,
    lit_on,
)
from ample_rows.core.site.stays import spot_of
from ample_rows.core.site.sun_path import PARTS
from ample_rows.core.structures import supports

_AFTERNOON = 2
_LEAST_HOURS = 0.005
_GONE = -1000.0
_DUST_M = 1e-9

Mask = NDArray[np.bool_]
Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class _Air:
    """What the shade of a whole garden is reckoned with."""

    setting: Setting
    sky: Sky
    book: Book


@dataclass(frozen=True, slots=True)
class _Seen:
    """A planting as shade falls on it: its cells in the yard, and how high its leaves are by day
    over the yard's level, below zero when it does not stand. [m]"""

    planting: str
    cells: tuple[str, ...]
    points_m: tuple[p.PointM, ...]
    leaves_m: tuple[float, ...]


@dataclass(frozen=True, eq=False)
class _Rays:
    """Useful sun positions as rays over the yard: unit vectors, slopes, days, afternoons."""

    x: Floats
    y: Floats
    slope: Floats
    day: NDArray[np.intp]
    afternoon: Mask
    step_hours: float
    days: int


@lru_cache(maxsize=32)
def crop_shades(
    all_places: tuple[p.Place, ...],
    plantings: tuple[p.Planting, ...],
    setting: Setting,
    sky: Sky | None,
    book: Book,
) -> dict[str, tuple[CropShade, ...]]:
    """What each place's plantings lose to tall neighbours, there and in other places."""
    if sky is None:
        return {}
    air = _Air(setting, sky, book)
    planted = p.by_place(plantings)
    there = {place.id: planted.get(place.id, ()) for place in all_places}
    tall = _together(tuple(t for place in all_places for t in _tall(place, there[place.id], air)))
    return {
        place.id: tuple(
            shade
            for planting in there[place.id]
            if (shade := _shade_on(place, planting, tall, air)) is not None
        )
        for place in all_places
        if place.sun_hours is None and spot_of(place, None) is not None
    }


@lru_cache(maxsize=512)
def _tall(place: p.Place, plantings: tuple[p.Planting, ...], air: _Air) -> tuple[Tall, ...]:
    return tall_in(place, plantings, air.setting, air.sky, air.book)


@dataclass(frozen=True, eq=False)
class _Neighbours:
    """All that stands tall; compared by identity, as it is asked about for every planting.

    `boxes_m` holds the least x and y and the greatest of each, `tops_m` how high each gets.
    """

    tall: tuple[Tall, ...]
    boxes_m: Floats
    tops_m: Floats

    def within(self, seen: _Seen, long: float) -> list[Tall]:
        """Those whose highest shadow, so many times as long, could come to a planting."""
        here = np.array(seen.points_m)
        low, high = here.min(axis=0), here.max(axis=0)
        gaps = np.maximum(0.0, np.maximum(self.boxes_m[:, :2] - high, low - self.boxes_m[:, 2:]))
        over = self.tops_m - min((m for m in seen.leaves_m if m > _GONE), default=np.inf)
        near = np.hypot(gaps[:, 0], gaps[:, 1]) < over * long
        return [self.tall[row] for row in np.flatnonzero(near)]


@lru_cache(maxsize=64)
def _together(tall: tuple[Tall, ...]) -> _Neighbours:
    corners = np.array([t.corners_m for t in tall]).reshape(-1, 4, 2)
    tops = np.array([t.foot_m + max(t.heights_m) for t in tall])
    return _Neighbours(tall, np.hstack([corners.min(axis=1), corners.max(axis=1)]), tops)


@lru_cache(maxsize=1024)
def _shade_on(
    place: p.Place, planting: p.Planting, neighbours: _Neighbours, air: _Air
) -> CropShade | None:
    carry_on()
    seen = _seen(place, planting, air)
    widest = _widest_deg(air.sky)
    long = 1 / math.tan(math.radians(air.book.value("shade_reach_deg")))
    if not (seen.points_m and neighbours.tall):
        return None
    near = tuple(
        t
        for t in neighbours.within(seen, long)
        if t.id != planting.id and _both_stand(seen, t) and _sunward(seen, t, widest, air.sky)
    )
    if not near:
        return None
    return _shade(seen, near, _lit(place, air.sky), air.sky)


def _lit(place: p.Place, sky: Sky) -> Lit:
    spot = spot_of(place, None)
    assert spot is not None, "asked only of places that lie in the yard"
    return lit_on(place.shape, pitch_of(place), spot, shapes.fill_cm(place), sky)


@lru_cache(maxsize=1024)
def _seen(place: p.Place, planting: p.Planting, air: _Air) -> _Seen:
    cells = _cells(place, planting, air)
    lit = _lit(place, air.sky)
    points = lit.points_m[[lit.rows[a] for a in cells]]
    heights = heights_by_day(planting, place, air.setting, air.sky, air.book)
    middle = lit.points_m.mean(axis=0)
    foot = air.sky.yard.level_m(*middle) + shapes.fill_cm(place) / 100
    return _Seen(
        planting=planting.id,
        cells=cells,
        points_m=tuple(map(tuple, points.tolist())),
        leaves_m=tuple(round(foot + h / 2, 3) if h > 0 else _GONE for h in heights),
    )


def _cells(place: p.Place, planting: p.Planting, air: _Air) -> tuple[str, ...]:
    """The squares whose sun a planting lives by."""
    support = support_of(planting, place)
    if support is None:
        return cells_of(place, planting.cells)
    run = supports.run_of(
        place,
        support,
        planting,
        air.book.trainings[support.system],
        latitude=air.setting.latitude,
        north_deg=air.setting.north_deg,
    )
    return () if run is None else supports.cells_under(place, run)


def _both_stand(seen: _Seen, tall: Tall) -> bool:
    """Whether a neighbour stands over a planting's leaves on any day of both."""
    return any(
        height > 0 and leaves > _GONE and tall.foot_m + height > leaves
        for height, leaves in zip(tall.heights_m, seen.leaves_m, strict=True)
    )


@lru_cache(maxsize=8)
def _widest_deg(sky: Sky) -> float:
    """How far from the noon side the useful sun stands at most in the year. [degrees]"""
    azimuth = high_path(sky).azimuth_deg
    return float(np.abs((azimuth - _noon_deg(sky) + 180) % 360 - 180).max(initial=0.0))


def _noon_deg(sky: Sky) -> float:
    return 180.0 if sky.where.latitude >= 0 else 0.0


def _sunward(seen: _Seen, tall: Tall, widest_deg: float, sky: Sky) -> bool:
    """Whether the useful sun ever stands on a neighbour's side: what is pole-ward shades nothing.

    Corners tell: the summer sun goes beyond due east and west, so that no box lies across the
    noon side with all of its corners out of the sun's reach.
    """
    noon = _noon_deg(sky) - sky.yard.north_deg
    for (x, y), (at_x, at_y) in itertools.product(tall.corners_m, seen.points_m):
        off = (math.degrees(math.atan2(x - at_x, y - at_y)) - noon + 180) % 360 - 180
        if abs(off) <= widest_deg:
            return True
    return False


@lru_cache(maxsize=1024)
def _shade(seen: _Seen, near: tuple[Tall, ...], lit: Lit, sky: Sky) -> CropShade | None:
    """All neighbours together: the light through one is what falls on the next."""
    rays = _rays(sky)
    light = lit.share[:, [lit.rows[a] for a in seen.cells]]
    passes = np.ones_like(light)
    worst, mostly = 0.0, ""
    for tall in near:
        behind = _behind(seen, tall, sky)
        if behind is None:
            continue
        rows, mask = behind
        passes[rows] *= np.where(mask, np.float32(tall.passes), np.float32(1))
        taken = float((light[rows] * mask).sum() * (1 - tall.passes))
        if taken > worst:
            worst, mostly = taken, tall.name
    lost = (light * (1 - passes)).mean(axis=1)
    daily = np.bincount(rays.day, lost, rays.days) * rays.step_hours
    if daily.max() < _LEAST_HOURS:
        return None
    late = rays.afternoon
    late_lost = np.bincount(rays.day[late], lost[late], rays.days)
    late_light = np.bincount(rays.day[late], light[late].mean(axis=1), rays.days)
    share = late_lost / np.maximum(late_light, 1e-6)
    return CropShade(
        planting=seen.planting,
        lost_hours=tuple(daily.round(3).tolist()),
        afternoon_share=tuple(share.round(3).tolist()),
        mostly=mostly,
    )


@lru_cache(maxsize=8)
def _rays(sky: Sky) -> _Rays:
    path = high_path(sky)
    towards = np.radians(path.azimuth_deg - sky.yard.north_deg)
    return _Rays(
        x=np.sin(towards),
        y=np.cos(towards),
        slope=np.tan(np.radians(path.elevation_deg)),
        day=path.day_index,
        afternoon=path.segment % PARTS == _AFTERNOON,
        step_hours=path.step_hours,
        days=len(path.days),
    )


@lru_cache(maxsize=32_768)
def _behind(seen: _Seen, tall: Tall, sky: Sky) -> tuple[NDArray[np.intp], Mask] | None:
    """Sun positions and points with a neighbour between them and the sun.

    Returns:
        Rows of the rays that meet it anywhere, and for each which points: rows x points.
    """
    rays = _rays(sky)
    over = np.array(tall.foot_m) + np.array(tall.heights_m) - np.array(seen.leaves_m)
    both = (np.array(tall.heights_m) > 0) & (np.array(seen.leaves_m) > _GONE) & (over > 0)
    rows = np.flatnonzero(both[rays.day])
    if len(rows) == 0:
        return None
    near, far = _crossed(np.array(seen.points_m), np.array(tall.corners_m), rays, rows)
    met = (near <= far) & (far > 0)
    mask = met & (np.maximum(near, 0.0) * rays.slope[rows][:, None] < over[rays.day[rows]][:, None])
    some = mask.any(axis=1)
    return (rows[some], mask[some]) if some.any() else None


def _crossed(
    points: Floats, corners: Floats, rays: _Rays, rows: NDArray[np.intp]
) -> tuple[Floats, Floats]:
    """Where rays from points enter and leave a rectangle on the ground: rows x points. [m]"""
    near, far = (
        np.full((len(rows), len(points)), -np.inf),
        np.full((len(rows), len(points)), np.inf),
    )
    for side in (corners[1] - corners[0], corners[3] - corners[0]):
        long = max(float(np.hypot(*side)), _DUST_M)
        unit = side / long
        at = (points - corners[0]) @ unit
        speed = rays.x[rows] * unit[0] + rays.y[rows] * unit[1]
        speed = np.where(np.abs(speed) < _DUST_M, _DUST_M, speed)[:, None]
        first, second = (0.0 - at) / speed, (long - at) / speed
        near = np.maximum(near, np.minimum(first, second))
        far = np.minimum(far, np.maximum(first, second))
    return near, far


KEPT = (crop_shades, _tall, _together, _shade_on, _seen, _shade, _behind, _rays, _widest_deg)
"""What is remembered of shade; cleared where times are measured from nothing."""
