"""The ground of one planting, and the parts of it that are set out for themselves."""

import math
from dataclasses import dataclass
from functools import cached_property

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import (
    FIT_TOLERANCE_CM,
    Grid,
    Pitch,
    Spot,
    address_of,
    as_rectangle,
    components,
)
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.planting.walls import WalledBox, narrower_of, open_box, walled
from ample_rows.core.words.message import Text


@dataclass(frozen=True)
class Spread:
    """Plants where they stand, the distance between them [cm], and how they are set out."""

    points: tuple[Point, ...]
    spacing_cm: float
    how: Text = ""


@dataclass(frozen=True)
class Ground:
    """The cells of one planting; `whole_place` means the whole inside area, walls and all.

    `keep_off` are plants of another crop that these stand between, at their own spacing;
    `free_over_walls_cm` is how far leaves may hang over its walls before they meet something;
    `pattern` is what is laid over the place. [cm]
    """

    shape: p.Shape
    pitch: Pitch
    cells: tuple[str, ...]
    whole_place: bool
    keep_off: tuple[Point, ...] = ()
    keep_off_spacing_cm: float = 0.0
    free_over_walls_cm: float = math.inf
    pattern: p.Pattern | None = None


@dataclass(frozen=True, eq=False)
class Part:
    """Squares that touch, or a whole place, as ground to be set out for itself.

    `box` is there where they fill a rectangle that no wall cuts; `circle_cm` is the diameter of a
    whole round place, `turns` whether rows may run askew.
    """

    grid: Grid
    group: tuple[Spot, ...]
    box: WalledBox | None
    whole: bool = False
    circle_cm: float | None = None
    turns: bool = False

    @cached_property
    def inside(self) -> BaseGeometry:
        """The whole place, whose outline are walls."""
        return shapes.outline(self.grid.shape)

    @cached_property
    def region(self) -> BaseGeometry:
        if self.whole:
            return self.inside
        return self.grid.region(address_of(spot) for spot in self.group)

    @property
    def area_cm2(self) -> float:
        return self.box.box.area_cm2 if self.box is not None else float(self.region.area)

    @property
    def walls_alone(self) -> bool:
        """Whether there is nothing round it but walls."""
        return self.whole or (self.box is not None and self.box.walls_alone)

    @property
    def narrower_cm(self) -> float:
        return self.box.narrower_cm if self.box is not None else narrower_of(self.region)

    def strip_cm2(self, depth_cm: float) -> float:
        """The ground over its walls, so deep. [cm2]"""
        if self.box is not None:
            return self.box.strip_cm2(depth_cm)
        return float(self.region.buffer(depth_cm).difference(self.inside).area)


def parts_of(grid: Grid, ground: Ground) -> list[Part]:
    """The whole place as one, else every group of squares that touch."""
    if ground.whole_place:
        return [_part(grid, tuple(cell.spot for cell in grid.cells.values()))]
    return [_part(grid, group) for group in components(grid, ground.cells)]


def _part(grid: Grid, group: tuple[Spot, ...]) -> Part:
    whole = len(group) == len(grid.cells)
    box = as_rectangle(grid, group)
    if shapes.is_rectangular(grid.shape):
        return Part(grid, group, walled(box, grid.bounds) if box else None, whole)
    inner = shapes.inside_shape(grid.shape)
    if whole:
        across = inner.diameter_cm if isinstance(inner, p.Circle) else None
        return Part(grid, group, None, whole, across, turns=_may_turn(inner))
    if box is not None and _clear_of_walls(grid, box):
        return Part(grid, group, open_box(box))
    return Part(grid, group, None)


def _clear_of_walls(grid: Grid, box: Box) -> bool:
    """Whether a rectangle of squares touches no wall of a place of another shape."""
    rectangle = shapely.box(box.x0, box.y0, box.x1, box.y1)
    walls = shapes.outline(grid.shape).boundary
    return bool(rectangle.distance(walls) > FIT_TOLERANCE_CM)


def _may_turn(shape: p.Shape) -> bool:
    """Whether rows may run askew: only where no two sides are square to the frame's own."""
    if not isinstance(shape, p.Polygon):
        return False
    sides = zip(shape.outline_cm, (*shape.outline_cm[1:], shape.outline_cm[0]), strict=True)
    return any(
        abs(x1 - x0) > FIT_TOLERANCE_CM and abs(y1 - y0) > FIT_TOLERANCE_CM
        for (x0, y0), (x1, y1) in sides
    )
