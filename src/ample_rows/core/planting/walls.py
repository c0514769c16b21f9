"""Walls do not compete: how near to them plants may stand, and the ground beyond that they use."""

import math
from dataclasses import dataclass

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core.book import Book
from ample_rows.core.geometry import lattice
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Box


@dataclass(frozen=True)
class WalledBox:
    """A rectangle of ground, and which of its sides are walls of its place."""

    box: Box
    x0: bool
    x1: bool
    y0: bool
    y1: bool

    @property
    def narrower_cm(self) -> float:
        return min(self.box.width, self.box.length)

    @property
    def walls_alone(self) -> bool:
        return self.x0 and self.x1 and self.y0 and self.y1

    def grown(self, x_cm: float, y_cm: float) -> Box:
        """The box reaching so far over its walls."""
        box = self.box
        return Box(
            box.x0 - x_cm * self.x0,
            box.y0 - y_cm * self.y0,
            box.x1 + x_cm * self.x1,
            box.y1 + y_cm * self.y1,
        )

    def strip_cm2(self, depth_cm: float) -> float:
        """The ground over the walls, so deep. [cm2]"""
        sides = self.box.length * (self.x0 + self.x1) + self.box.width * (self.y0 + self.y1)
        corners = (self.x0 + self.x1) * (self.y0 + self.y1)
        return sides * depth_cm + corners * math.pi * depth_cm**2 / 4


def open_box(box: Box) -> WalledBox:
    """A rectangle with no wall round it."""
    return WalledBox(box, x0=False, x1=False, y0=False, y1=False)


def walled(box: Box, whole: Box) -> WalledBox:
    """A part of a rectangular place, and which of its sides are the place's walls."""
    return WalledBox(
        box,
        x0=abs(box.x0 - whole.x0) <= FIT_TOLERANCE_CM,
        x1=abs(box.x1 - whole.x1) <= FIT_TOLERANCE_CM,
        y0=abs(box.y0 - whole.y0) <= FIT_TOLERANCE_CM,
        y1=abs(box.y1 - whole.y1) <= FIT_TOLERANCE_CM,
    )


def near_wall_cm(spacing_cm: float, narrower_cm: float, book: Book) -> float:
    """How near to a wall plants stand where they may stand near. [cm]"""
    share = book.value("near_wall_share") * narrower_cm
    return min(book.value("near_wall_cm"), spacing_cm / 2, share)


def over_the_wall_cm(spacing_cm: float, narrower_cm: float, book: Book) -> float:
    """How far ground has to reach over a wall for half a spacing to keep plants near it. [cm]"""
    return spacing_cm / 2 - near_wall_cm(spacing_cm, narrower_cm, book)


def grown_over(region: BaseGeometry, inside: BaseGeometry, depth_cm: float) -> BaseGeometry:
    """A region reaching so far over the walls of its place, never onto its neighbours' ground."""
    if depth_cm <= 0:
        return region
    return region.union(region.buffer(depth_cm).difference(inside))


def narrower_of(region: BaseGeometry) -> float:
    """The lesser side of the box round a region. [cm]"""
    x0, y0, x1, y1 = region.bounds
    return float(min(x1 - x0, y1 - y0))


def middle_row(ground: WalledBox, *, x_spacing_cm: float, y_spacing_cm: float) -> list[Point]:
    """One row along the middle of a rectangle too narrow for its plants' distance from walls.

    It runs between two walls; where its ends are walls too, it has at least one plant.
    """
    box = ground.box
    middle_x, middle_y = (box.x0 + box.x1) / 2, (box.y0 + box.y1) / 2
    ways: list[list[Point]] = []
    if ground.x0 and ground.x1:
        count = _at_least_one(box.length, y_spacing_cm, closed=ground.y0 and ground.y1)
        ways.append([(middle_x, y) for y in lattice.evenly(box.y0, box.length, count)])
    if ground.y0 and ground.y1:
        count = _at_least_one(box.width, x_spacing_cm, closed=ground.x0 and ground.x1)
        ways.append([(x, middle_y) for x in lattice.evenly(box.x0, box.width, count)])
    return max(ways, key=len, default=[])


def _at_least_one(extent_cm: float, spacing_cm: float, *, closed: bool) -> int:
    count = lattice.fits(extent_cm, spacing_cm)
    return max(1, count) if closed else count


def deepest(region: BaseGeometry) -> tuple[Point, float]:
    """The point of a region that is farthest from its boundary, and how far that is. [cm]"""
    assert isinstance(region, shapely.Polygon | shapely.MultiPolygon), "ground has an area"
    radius = shapely.maximum_inscribed_circle(region)
    x, y = shapely.get_coordinates(radius)[0]
    return (float(x), float(y)), float(radius.length)


def counted_cm2(
    region_cm2: float, strip_cm2: float, *, plants: int, ground_cm2: float, book: Book
) -> float:
    """The ground that plants near walls use: what the walls cut off is evened out by what is
    free over them, but never to more than their own distance gives them. [cm2]"""
    reached = region_cm2 + book.value("overhang_share") * strip_cm2
    return max(region_cm2, min(reached, plants * ground_cm2))
