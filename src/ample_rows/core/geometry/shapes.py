"""Places: inside outlines, depth of fill, litres, and which way the edges face.

Coordinates are the place's own frame: x along the width, y along the length,
origin at the inside corner. [cm]
"""

import itertools
import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray

from ample_rows.core import plan as p

POINTS_ON_CIRCLE = 256
DEFAULT_RIM_GAP_CM = 3.0
AZIMUTH: dict[p.Compass, float] = {
    "north": 0.0,
    "northeast": 45.0,
    "east": 90.0,
    "southeast": 135.0,
    "south": 180.0,
    "southwest": 225.0,
    "west": 270.0,
    "northwest": 315.0,
}


@dataclass(frozen=True)
class Box:
    """An axis-aligned rectangle in a place's frame. [cm]"""

    x0: float
    y0: float
    x1: float
    y1: float

    @property
    def width(self) -> float:
        return self.x1 - self.x0

    @property
    def length(self) -> float:
        return self.y1 - self.y0

    @property
    def area_cm2(self) -> float:
        return self.width * self.length


@dataclass(frozen=True)
class Edge:
    """One straight side, or a line that may bend: from `start` to `end`, with its normal's azimuth,
    on a side the outward one."""

    start: tuple[float, float]
    end: tuple[float, float]
    facing_deg: float
    bends: tuple[tuple[float, float], ...] = ()

    @property
    def points(self) -> tuple[tuple[float, float], ...]:
        return (self.start, *self.bends, self.end)

    @property
    def length_cm(self) -> float:
        return sum(itertools.starmap(math.dist, itertools.pairwise(self.points)))

    def part_at(self, along_cm: float) -> tuple[tuple[float, float], tuple[float, float], float]:
        """The straight part that a length along it falls on, and how far along that part. [cm]"""
        parts = list(itertools.pairwise(self.points))
        for start, end in parts[:-1]:
            length = math.dist(start, end)
            if along_cm <= length:
                return start, end, along_cm
            along_cm -= length
        return (*parts[-1], along_cm)


def inside_shape(shape: p.Shape) -> p.Shape:
    """The same shape with inside measures, whichever way it was measured.

    Raises:
        ValueError: The walls leave nothing inside.
    """
    thickness = shape.wall_thickness_cm or 0.0
    if shape.measured != "outside" or thickness == 0:
        return shape
    if isinstance(shape, p.Polygon):
        return _inset_polygon(shape, thickness)
    names = {
        p.Rectangle: ("width_cm", "length_cm"),
        p.Circle: ("diameter_cm", "bottom_diameter_cm"),
        p.Mound: (),
    }[type(shape)]
    inner = {
        name: value - 2 * thickness for name in names if (value := getattr(shape, name)) is not None
    }
    if any(value < 1 for value in inner.values()):
        raise ValueError("walls this thick leave no room inside")
    return shape.model_copy(update={**inner, "measured": "inside"})


def _inset_polygon(shape: p.Polygon, thickness: float) -> p.Polygon:
    whole = shapely.Polygon(shape.outline_cm, shape.holes_cm or ())
    inner = whole.buffer(-thickness, join_style="mitre")
    if inner.is_empty or not isinstance(inner, shapely.Polygon):
        raise ValueError("walls this thick leave no room inside, or cut the place in two")
    return shape.model_copy(
        update={
            "outline_cm": tuple(inner.exterior.coords[:-1]),
            "holes_cm": tuple(tuple(ring.coords[:-1]) for ring in inner.interiors) or None,
            "measured": "inside",
        }
    )


def bounds(shape: p.Shape) -> Box:
    """The box round the inside outline; its least corner is where the grid starts."""
    match inside_shape(shape):
        case p.Rectangle(width_cm=width, length_cm=length):
            return Box(0, 0, width, length)
        case p.Mound(top_width_cm=width, top_length_cm=length):
            return Box(0, 0, width, length)
        case p.Circle(diameter_cm=diameter):
            return Box(0, 0, diameter, diameter)
        case p.Polygon() as polygon:
            xs = [x for x, _ in polygon.outline_cm]
            ys = [y for _, y in polygon.outline_cm]
            return Box(min(xs), min(ys), max(xs), max(ys))
    raise AssertionError("every shape has a case")


def is_rectangular(shape: p.Shape) -> bool:
    return isinstance(shape, p.Rectangle | p.Mound)


@lru_cache(maxsize=512)
def outline(shape: p.Shape) -> shapely.Polygon:
    """The inside outline as a polygon; a circle's is inscribed, so that plants stay inside."""
    inner = inside_shape(shape)
    if isinstance(inner, p.Polygon):
        return shapely.Polygon(inner.outline_cm, inner.holes_cm or ())
    box = bounds(inner)
    if isinstance(inner, p.Circle):
        radius = inner.diameter_cm / 2
        turns = [2 * math.pi * i / POINTS_ON_CIRCLE for i in range(POINTS_ON_CIRCLE)]
        return shapely.Polygon(
            [(radius + radius * math.cos(t), radius + radius * math.sin(t)) for t in turns]
        )
    return shapely.box(box.x0, box.y0, box.x1, box.y1)


@lru_cache(maxsize=512)
def outer_outline(shape: p.Shape) -> shapely.Polygon:
    """The ground a place covers: walls and a mound's sides included, in its own frame."""
    if isinstance(shape, p.Mound):
        spread = (shape.side_slope or 0.0) * shape.height_cm
    else:
        spread = shape.wall_thickness_cm or 0.0
    inner = outline(shape)
    return inner.buffer(spread, join_style="mitre") if spread else inner


def inside_area_m2(shape: p.Shape) -> float:
    """Area inside the walls, exact for every shape. [m2]"""
    inner = inside_shape(shape)
    if isinstance(inner, p.Circle):
        return math.pi * inner.diameter_cm**2 / 4 / 1e4
    if isinstance(inner, p.Polygon):
        return float(outline(inner).area) / 1e4
    return bounds(inner).area_cm2 / 1e4


def rim_gap_cm(place: p.Place) -> float:
    """Gap between rim and soil: as given, else 3 cm, none for ground and mound."""
    if place.rim_gap_cm is not None:
        return place.rim_gap_cm
    return 0.0 if place.kind in ("ground", "mound") else DEFAULT_RIM_GAP_CM


def wall_cm(place: p.Place) -> float:
    """Height that can be filled: the wall, or a mound's own height."""
    return place.shape.height_cm if isinstance(place.shape, p.Mound) else place.wall_height_cm


def fill_cm(place: p.Place) -> float:
    """Depth of soil inside the walls. [cm]"""
    return max(0.0, wall_cm(place) - rim_gap_cm(place))


def bottom(place: p.Place) -> p.Bottom:
    return place.bottom or ("closed" if place.kind == "container" else "open")


def soil_litres(place: p.Place) -> float:
    """Soil inside the walls at its settled depth, exact for tapered pots and mounds. [L]"""
    return litres_above(place, fill_cm(place))


def foot_area_m2(place: p.Place) -> float:
    """The ground a place stands on; a tapered pot stands on less than its rim. [m2]"""
    shape = inside_shape(place.shape)
    if isinstance(shape, p.Circle) and shape.bottom_diameter_cm is not None:
        across = shape.bottom_diameter_cm + 2 * (shape.wall_thickness_cm or 0.0)
        return math.pi * across**2 / 4 / 1e4
    return float(outer_outline(place.shape).area) / 1e4


def litres_above(place: p.Place, depth: float) -> float:
    """The uppermost so many centimetres of a place's fill. [L]"""
    shape = inside_shape(place.shape)
    if isinstance(shape, p.Mound):
        return _mound_litres(shape, depth)
    if isinstance(shape, p.Circle) and shape.bottom_diameter_cm is not None:
        wall, surface = place.wall_height_cm, fill_cm(place)
        narrow, wide = shape.bottom_diameter_cm / 2, shape.diameter_cm / 2
        high = narrow + (wide - narrow) * (surface / wall if wall else 0.0)
        low = narrow + (wide - narrow) * ((surface - depth) / wall if wall else 0.0)
        return math.pi * depth / 3 * (low * low + low * high + high * high) / 1000
    return inside_area_m2(shape) * depth * 10


def _mound_litres(shape: p.Mound, depth: float) -> float:
    # A mound's sides are planes, so the prismoidal rule is exact.
    def area(below_top: float) -> float:
        spread = 2 * (shape.side_slope or 0.0) * below_top
        return (shape.top_width_cm + spread) * (shape.top_length_cm + spread)

    return depth / 6 * (area(0) + 4 * area(depth / 2) + area(depth)) / 1000


def edges(place: p.Place, north_deg: float) -> tuple[Edge, ...]:
    """Straight sides, each running the way its coordinates rise. A circle has none."""
    return _edges(place.shape, (place.heading_deg or 0.0) + north_deg)


@lru_cache(maxsize=512)
def _edges(shape: p.Shape, heading_deg: float) -> tuple[Edge, ...]:
    if isinstance(shape, p.Circle):
        return ()
    ring = shapely.geometry.polygon.orient(outline(shape)).exterior.coords
    sides = []
    for (x0, y0), (x1, y1) in itertools.pairwise(ring):
        # On a counter-clockwise ring the outward normal lies to the right of travel.
        facing = (heading_deg + math.degrees(math.atan2(y1 - y0, -(x1 - x0)))) % 360
        start, end = sorted([(x0, y0), (x1, y1)])
        sides.append(Edge(start, end, facing))
    return tuple(sides)


def line_in(
    place: p.Place, points: tuple[p.PointCm, ...], *, latitude: float, north_deg: float
) -> Edge:
    """A line in a place, facing whichever of its two ways is nearer to the pole."""
    (x0, y0), (x1, y1) = points[0], points[-1]
    turned = (place.heading_deg or 0.0) + north_deg
    facing = (turned + math.degrees(math.atan2(y1 - y0, -(x1 - x0)))) % 360
    pole = poleward_deg(latitude)
    if angle_between(facing, pole) > angle_between(facing + 180, pole):
        facing = (facing + 180) % 360
    return Edge(points[0], points[-1], facing, points[1:-1])


def corners(ring: shapely.LinearRing) -> NDArray[np.float64]:
    """Corners of a ring as rows of x and y, the first not said again at the end."""
    return shapely.get_coordinates(ring)[:-1]


def angle_between(first_deg: float, second_deg: float) -> float:
    """The smaller angle between two azimuths. [degrees]"""
    return abs((first_deg - second_deg + 180) % 360 - 180)


def compass_point(azimuth_deg: float) -> p.Compass:
    """The nearest of eight compass points."""
    return min(AZIMUTH, key=lambda point: angle_between(AZIMUTH[point], azimuth_deg))


def edge_towards(
    place: p.Place, compass: p.Compass | None, *, latitude: float, north_deg: float
) -> Edge | None:
    """The side facing a compass point; without one, the pole-ward side. Longest of equals."""
    target = AZIMUTH[compass] if compass else poleward_deg(latitude)
    sides = edges(place, north_deg)
    if not sides:
        return None
    return min(sides, key=lambda e: (round(angle_between(e.facing_deg, target), 6), -e.length_cm))


def poleward_deg(latitude: float) -> float:
    return 0.0 if latitude >= 0 else 180.0
