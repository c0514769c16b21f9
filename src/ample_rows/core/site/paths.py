"""Paths: the clear width that posts, walls and beds leave them, and the room overhead."""

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book, PathNeed
from ample_rows.core.site.frame import outer_ring_m
from ample_rows.core.site.yard import LEAFY
from ample_rows.core.words.message import Text, message

_STEP_M = 0.25
_MOST_STEPS = 2_000
_SIDE_M = 3.0


@dataclass(frozen=True)
class PathRoom:
    """A path as it can be walked. `clear_cm` is its narrowest place between two things, null
    where nothing stands at both sides; `headroom_m` the lowest bough above it."""

    name: str
    width_cm: float
    need: PathNeed
    clear_cm: float | None
    between: Text
    headroom_m: float | None


@lru_cache(maxsize=16)
def paths_of(site: p.Site, all_places: tuple[p.Place, ...], book: Book) -> tuple[PathRoom, ...]:
    """Every path of a yard with the room that it has."""
    solids = [
        (o.name or o.kind or "obstacle", shapely.Polygon(o.outline_m))
        for o in site.obstacles
        if o.kind not in LEAFY
    ]
    rings = [(place.label, outer_ring_m(place)) for place in all_places]
    solids += [(label, shapely.Polygon(ring)) for label, ring in rings if ring is not None]
    return tuple(_room(path, site, solids, book) for path in site.paths)


def _room(
    path: p.Path, site: p.Site, solids: list[tuple[str, shapely.Polygon]], book: Book
) -> PathRoom:
    clear, between = _narrowest(shapely.LineString(path.line_m), solids)
    return PathRoom(
        name=path.name or "a path",
        width_cm=path.width_cm,
        need=book.path_needs[path.use or "feet"],
        clear_cm=clear,
        between=between,
        headroom_m=_headroom(path, site),
    )


def _narrowest(
    line: shapely.LineString, solids: list[tuple[str, shapely.Polygon]]
) -> tuple[float | None, Text]:
    """The least width across a line between things at its two sides, and their names. [cm]"""
    best: tuple[float | None, Text] = (None, "")
    if not solids:
        return best
    for at in _beside(line, solids):
        here, ahead = line.interpolate(at), line.interpolate(min(at + 0.01, line.length))
        run = np.array([ahead.x - here.x, ahead.y - here.y])
        size = float(np.hypot(*run))
        if size == 0:
            continue
        aside = np.array([-run[1], run[0]]) / size * _SIDE_M
        sides = [
            _first(here, shapely.Point(here.x + s * aside[0], here.y + s * aside[1]), solids)
            for s in (1, -1)
        ]
        if None in sides:
            continue
        (left, left_name), (right, right_name) = (side for side in sides if side is not None)
        width = (left + right) * 100
        if best[0] is None or width < best[0]:
            best = (width, message("paths-and", left_name=left_name, right_name=right_name))
    return best


def _beside(line: shapely.LineString, solids: list[tuple[str, shapely.Polygon]]) -> list[float]:
    """Where to measure along a line: step by step, as far as anything is near enough to count;
    along what is much longer than a garden's path, in fewer, longer steps. [m]"""
    near = shapely.union_all([outline.envelope.buffer(_SIDE_M) for _, outline in solids])
    step = max(_STEP_M, line.length / _MOST_STEPS)
    every = np.arange(step / 2, line.length, step)
    points = shapely.line_interpolate_point(line, every)
    shapely.prepare(near)
    along: list[float] = every[shapely.intersects(near, points)].tolist()
    return along


def _first(
    here: shapely.Point, far: shapely.Point, solids: list[tuple[str, shapely.Polygon]]
) -> tuple[float, str] | None:
    ray = shapely.LineString([here, far])
    met = [
        (float(here.distance(ray.intersection(outline))), name)
        for name, outline in solids
        if ray.intersects(outline)
    ]
    return min(met, default=None)


def _headroom(path: p.Path, site: p.Site) -> float | None:
    strip = shapely.LineString(path.line_m).buffer(path.width_cm / 200, cap_style="flat")
    boughs = [
        o.crown_base_m
        for o in site.obstacles
        if o.crown_base_m is not None and shapely.Polygon(o.outline_m).intersects(strip)
    ]
    return min(boughs, default=None)
