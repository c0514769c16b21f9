"""Borders: free strips along a fence, a wall, a hedge or the edge of the yard."""

import itertools
import math
from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.ask.yard.free_ground import Floats, drawn_yard, sun_at
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.site.footprints import (
    path_strip,
    place_outline,
    solid,
    solid_outlines,
)
from ample_rows.core.words.message import Message, Text, message

_ALIKE_DEG = 5.0
_ALIKE_SHARE = 0.3
_DUST_M = 1e-6
_GRAZE_M = 0.005
"""What touches by less is beside it."""
EDGE = "yard's edge"


@dataclass(frozen=True)
class Border:
    """A strip along a fence, a wall or the yard's edge, as wide as asked and as long as is free.

    The place's frame has its width away from the fence. [cm, m, degrees, h]
    """

    label: Text
    width_cm: float
    length_cm: float
    at_m: p.PointM
    heading_deg: float
    sun_hours: float


def borders(estimate: Estimate, width_cm: float, wall_cm: float) -> tuple[Border, ...]:
    """Every border of a width that is free along a fence, wall, hedge or edge of the yard.

    Args:
        width_cm: Inside, away from the fence. [cm]
        wall_cm: Thickness of the border's own walls, which take ground at every side. [cm]

    Raises:
        CannotBeDoneError: No yard is drawn.
    """
    plan, book = estimate.plan, estimate.book
    yard, site = drawn_yard(plan), plan.site or p.Site()
    deep = (width_cm + 2 * wall_cm) / 100
    barred = _barred(plan, site, book)
    strips: list[tuple[str, _Strip, tuple[float, float], float]] = []
    for name, start, end in _edges(site, yard):
        strip = _Strip(np.asarray(start), np.asarray(end), deep)
        stretch = strip.longest_free(yard, barred)
        inner = (stretch[1] - stretch[0]) * 100 - 2 * wall_cm
        ground = strip.ground(*stretch)
        taken = any(
            shapes.angle_between(strip.faces_deg, other.faces_deg) < _ALIKE_DEG
            and ground.intersection(other.ground(*run)).area > _ALIKE_SHARE * ground.area
            for _, other, run, _ in strips
        )
        if inner >= book.value("least_border_cm") and not taken:
            strips.append((name, strip, stretch, inner))
    if not strips:
        return ()
    middles = np.array([strip.at(sum(run) / 2, deep / 2) for _, strip, run, _ in strips])
    return tuple(
        Border(
            label=_label(name, strip, site.north_deg or 0.0),
            width_cm=width_cm,
            length_cm=math.floor(inner + _DUST_M),
            at_m=strip.at(run[0] + wall_cm / 100, wall_cm / 100),
            heading_deg=(strip.faces_deg - 90) % 360,
            sun_hours=hours,
        )
        for (name, strip, run, inner), hours in zip(strips, sun_at(estimate, middles), strict=True)
    )


def _label(name: str, strip: "_Strip", north_deg: float) -> Message:
    """The side of a fence that faces the border; the edge of the yard that lies behind it."""
    faces = strip.faces_deg + north_deg + (180 if name == EDGE else 0)
    return message("borders-side", name=name, compass_point=shapes.compass_point(faces))


def _edges(site: p.Site, yard: shapely.Polygon) -> Iterator[tuple[str, p.PointM, p.PointM]]:
    """Straight sides with free ground to the right of the way along them."""
    for obstacle in site.obstacles:
        if solid(obstacle) or obstacle.kind == "hedge":
            ring = shapely.geometry.polygon.orient(shapely.Polygon(obstacle.outline_m))
            for start, end in _pairs(ring):
                yield obstacle.name or obstacle.kind or "obstacle", start, end
    for start, end in _pairs(shapely.geometry.polygon.orient(yard, sign=-1.0)):
        yield EDGE, start, end


def _pairs(ring: shapely.Polygon) -> Iterator[tuple[p.PointM, p.PointM]]:
    corners = [(float(x), float(y)) for x, y in ring.exterior.coords]
    # A corner may be given twice; between the two there is no side.
    yield from ((start, end) for start, end in itertools.pairwise(corners) if start != end)


def _barred(plan: p.Plan, site: p.Site, book: Book) -> list[shapely.Polygon]:
    """What a border ends at: what stands and paths, and a walk before the next place."""
    walk = book.path_needs["feet"].easy_cm / 100
    outlines = [place_outline(place) for place in plan.places]
    standing = [o for _, o in solid_outlines(site)]
    kept_off = [o.buffer(walk) for o in outlines if o is not None]
    return [*standing, *(path_strip(path) for path in site.paths), *kept_off]


@dataclass(frozen=True, eq=False)
class _Strip:
    """Ground beside a straight edge, on the right of the way from its start to its end. [m]"""

    start: Floats
    end: Floats
    deep_m: float

    @property
    def length_m(self) -> float:
        return float(np.hypot(*(self.end - self.start)))

    @property
    def run(self) -> Floats:
        along: Floats = (self.end - self.start) / self.length_m
        return along

    @property
    def faces_deg(self) -> float:
        """The way from the edge over the strip, clockwise from the yard's +y."""
        x, y = self.run
        return math.degrees(math.atan2(y, -x)) % 360

    def at(self, along_m: float, away_m: float) -> p.PointM:
        x, y = self.run
        spot = self.start + self.run * along_m + np.array([y, -x]) * away_m
        return (round(float(spot[0]), 3), round(float(spot[1]), 3))

    def ground(self, from_m: float, to_m: float) -> shapely.Polygon:
        near = [self.at(from_m, 0), self.at(to_m, 0)]
        return shapely.Polygon([*near, self.at(to_m, self.deep_m), self.at(from_m, self.deep_m)])

    def longest_free(
        self, yard: shapely.Polygon, barred: list[shapely.Polygon]
    ) -> tuple[float, float]:
        """The longest stretch along the edge that lies in the yard and meets nothing."""
        ground = self.ground(0, self.length_m)
        cut = [ground.difference(yard.buffer(_GRAZE_M))]
        cut += [ground.intersection(o.buffer(-_GRAZE_M)) for o in barred]
        spans = sorted(span for shape in cut for span in self._spans(shape))
        free, reached = (0.0, 0.0), 0.0
        for low, high in [*spans, (self.length_m, self.length_m)]:
            if low - reached > free[1] - free[0]:
                free = (reached, low)
            reached = max(reached, high)
        return free

    def _spans(self, shape: shapely.Geometry) -> Iterator[tuple[float, float]]:
        for part in shapely.get_parts(shape):
            if part.area > _GRAZE_M**2:
                along = (shapely.get_coordinates(part) - self.start) @ self.run
                yield float(along.min()), float(along.max())
