"""Lines laid over a place at even distances, and the spots along them."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

import shapely

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.lattice import Point, fits

_LEAST_RUN_CM = 5.0
_ON_THE_EDGE_CM = 0.01

Run = tuple[Point, Point]


@dataclass(frozen=True, slots=True)
class Field:
    """A place's box as lines lie in it: how far they reach, and how far they spread. [cm]"""

    across_cm: float
    along_cm: float
    x0: float
    y0: float
    along_y: bool

    @classmethod
    def of(cls, shape: p.Shape, *, turned: bool = False) -> "Field":
        """Lines along the longer side, or across it where they are turned."""
        box = shapes.bounds(shape)
        along_y = (box.length >= box.width) != turned
        sides = (box.width, box.length) if along_y else (box.length, box.width)
        return cls(*sides, box.x0, box.y0, along_y)

    def at(self, across_cm: float, along_cm: float) -> Point:
        x, y = (across_cm, along_cm) if self.along_y else (along_cm, across_cm)
        return (self.x0 + x, self.y0 + y)


@dataclass(frozen=True, eq=False)
class Laid:
    """A pattern over a place: where its lines run, and its spots by line and number along it."""

    field: Field
    lines_cm: tuple[float, ...]
    runs: tuple[Run, ...]
    spots: dict[tuple[int, int], Point]
    numbers: int


def runs_within(shape: p.Shape, field: Field, lines_cm: tuple[float, ...]) -> tuple[Run, ...]:
    """What lies inside a place of lines at some distances across it."""
    inside = shapes.outline(shape)
    return tuple(
        run
        for at in lines_cm
        for run in _inside(
            shapely.LineString([field.at(at, 0.0), field.at(at, field.along_cm)]), inside
        )
    )


@lru_cache(maxsize=256)
def laid_over(shape: p.Shape, pattern: p.Pattern) -> Laid:
    """The lines and spots of a pattern that lie inside a place."""
    field = Field.of(shape, turned=bool(pattern.across))
    lines = _spread(field.across_cm, pattern.lines_apart_cm)
    along = _spread(field.along_cm, pattern.spots_apart_cm)
    half = pattern.spots_apart_cm / 2 if pattern.staggered else 0.0
    every = {
        (line, number): field.at(across, cm + (half if line % 2 else 0.0))
        for line, across in enumerate(lines)
        for number, cm in enumerate(along)
    }
    inside = set(inside_of(shape, list(every.values())))
    spots = {key: spot for key, spot in every.items() if spot in inside}
    return Laid(field, lines, runs_within(shape, field, lines), spots, len(along))


def inside_of(shape: p.Shape, points: list[Point]) -> list[Point]:
    """Those of some points that lie inside a place or on its edge."""
    if not points:
        return []
    ground = shapes.outline(shape).buffer(_ON_THE_EDGE_CM)
    shapely.prepare(ground)
    covered = shapely.covers(ground, shapely.points(points))
    return [point for point, lies in zip(points, covered, strict=True) if lies]


def _spread(extent_cm: float, apart_cm: float) -> tuple[float, ...]:
    """As many as fit so far apart, what is left over shared by both ends. [cm]"""
    count = max(1, fits(extent_cm, apart_cm))
    first = (extent_cm - (count - 1) * apart_cm) / 2
    return tuple(first + i * apart_cm for i in range(count))


def _inside(line: shapely.LineString, inside: shapely.Polygon) -> Iterator[Run]:
    met = line.intersection(inside)
    for part in met.geoms if hasattr(met, "geoms") else [met]:
        if part.length >= _LEAST_RUN_CM:
            (x0, y0), (x1, y1) = part.coords[0], part.coords[-1]
            yield ((round(x0, 2), round(y0, 2)), (round(x1, 2), round(y1, 2)))


def length_m(runs: tuple[Run, ...]) -> float:
    """Of all runs together. [m]"""
    return sum(math.dist(start, end) for start, end in runs) / 100
