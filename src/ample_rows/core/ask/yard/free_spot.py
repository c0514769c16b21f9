"""A spot for a new place: free ground that it fits on, sunny and near water.

The sun is told as on the ground screen: the mean of the six sunniest months.
"""

import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.ask.yard.free_ground import drawn_yard, sun_at
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.site.footprints import path_strip, place_outline
from ample_rows.core.site.frame import Points, on_the_ground
from ample_rows.core.site.rows import RowOfPlaces, footprint_cm

_ALONE = RowOfPlaces()

_STEP_M = 0.25
_MOST_SPOTS = 4000
_MOST_SUNNY = 150
_ALIKE_HOURS = 0.25
_DUST_M = 1e-6


@dataclass(frozen=True)
class FreeSpot:
    """A spot for a place: its origin (a circle's centre), its heading, sun and water.

    `water_m` is straight to the nearest tap or butt; null without one. [m, degrees, h]
    """

    at_m: p.PointM
    heading_deg: float
    sun_hours: float
    water_m: float | None


def free_spot(estimate: Estimate, place: p.Place, row: RowOfPlaces = _ALONE) -> FreeSpot | None:
    """The sunniest free ground for a place, or for several of its kind, whose first is then there.

    There is room to walk round, and water is near where the sun is alike. It points as it was
    said to; only where it fits nowhere so, it is turned a quarter. None where it fits neither way.

    Raises:
        CannotBeDoneError: No yard is drawn.
    """
    plan, book = estimate.plan, estimate.book
    taken = _taken(plan, place.id, book)
    heading = place.heading_deg or 0.0
    ring = footprint_cm(place, row)
    for turned in (heading, (heading + 90) % 360):
        spots = [
            FreeSpot((round(x, 2), round(y, 2)), turned, hours, water)
            for (x, y), hours, water in _spots(estimate, place, ring, turned, taken)
        ]
        if spots:
            return min(spots, key=_preferred)
    return None


def _preferred(spot: FreeSpot) -> tuple[float, float]:
    return (-round(spot.sun_hours / _ALIKE_HOURS), spot.water_m or 0.0)


def _taken(plan: p.Plan, ident: str, book: Book) -> shapely.Geometry:
    """Ground that a place keeps off: what stands, crowns, other places, paths, the door."""
    site = plan.site or p.Site()
    walk = book.path_needs["feet"].easy_cm / 100
    outlines = [place_outline(place) for place in plan.places if place.id != ident]
    solids = [shapely.Polygon(o.outline_m) for o in site.obstacles]
    kept_off = [o.buffer(walk) for o in (*solids, *(o for o in outlines if o is not None))]
    kept_off += [path_strip(path) for path in site.paths]
    kept_off += [shapely.Point(tap.at_m).buffer(walk) for tap in site.taps]
    kept_off += [shapely.Point(tank.at_m).buffer(walk) for tank in site.tanks]
    if site.door_m is not None:
        kept_off.append(shapely.Point(site.door_m).buffer(2 * walk))
    return shapely.union_all(kept_off)


def _spots(
    estimate: Estimate,
    place: p.Place,
    ring_cm: Points,
    heading_deg: float,
    taken: shapely.Geometry,
) -> Iterator[tuple[p.PointM, float, float | None]]:
    """Free origins of some ground with the sun and the water at its middle."""
    ring_m = on_the_ground(place.shape, (0.0, 0.0), heading_deg, ring_cm)
    low, high = ring_m.min(axis=0), ring_m.max(axis=0)
    plan = estimate.plan
    yard = drawn_yard(plan)
    x0, y0, x1, y1 = yard.bounds
    step = max(_STEP_M, math.sqrt((x1 - x0) * (y1 - y0) / _MOST_SPOTS))
    xs = np.arange(x0 - low[0], x1 - high[0] + _DUST_M, step)
    ys = np.arange(y0 - low[1], y1 - high[1] + _DUST_M, step)
    if not len(xs) or not len(ys):
        return
    origins = np.stack(np.meshgrid(xs, ys), axis=-1).reshape(-1, 2)
    outlines = shapely.polygons(origins[:, None] + ring_m[None])
    room = yard.buffer(_DUST_M)
    shapely.prepare(room)
    shapely.prepare(taken)
    free = shapely.covers(room, outlines) & ~shapely.intersects(taken, outlines)
    origins = origins[free]
    origins = origins[:: max(1, math.ceil(len(origins) / _MOST_SUNNY))]
    middles = origins + (low + high) / 2
    site = plan.site or p.Site()
    sources = [tap.at_m for tap in site.taps] + [tank.at_m for tank in site.tanks]
    for (x, y), middle, hours in zip(origins, middles, sun_at(estimate, middles), strict=True):
        water = min((math.dist(middle, at) for at in sources), default=None)
        yield (float(x), float(y)), hours, water
