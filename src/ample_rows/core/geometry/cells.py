"""The grid of cells laid over a place: addresses, boxes, areas, regions.

Columns A, B, ... run along x, rows 1, 2, ... along y; A1 is at the least x and y.
"""

import math
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import NamedTuple

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.shapes import Box

DEFAULT_CELL_CM = 30.0
MOST_STRETCH = 0.05
FIT_TOLERANCE_CM = 0.01
MOST_RUNS_SAID = 3

Spot = tuple[int, int]


class Pitch(NamedTuple):
    """A square's own sides: along x, and along y. [cm]"""

    x_cm: float
    y_cm: float

    @property
    def area_cm2(self) -> float:
        return self.x_cm * self.y_cm

    @property
    def narrower_cm(self) -> float:
        return min(self)


@dataclass(frozen=True)
class Cell:
    """One square of the grid, or what a wall leaves of it."""

    address: str
    spot: Spot
    area_cm2: float
    whole: bool


@dataclass(frozen=True, eq=False)
class Grid:
    """All cells of a place by address."""

    shape: p.Shape
    pitch: Pitch
    columns: int
    rows: int
    cells: dict[str, Cell]

    @cached_property
    def bounds(self) -> Box:
        """The box round the place. [cm]"""
        return shapes.bounds(self.shape)

    def box(self, spot: Spot) -> Box:
        """The cell's square cut to the place's bounding box. [cm]"""
        whole = self.bounds
        x0, y0 = whole.x0 + spot[0] * self.pitch.x_cm, whole.y0 + spot[1] * self.pitch.y_cm
        return Box(x0, y0, min(x0 + self.pitch.x_cm, whole.x1), min(y0 + self.pitch.y_cm, whole.y1))

    def region(self, addresses: Iterable[str]) -> BaseGeometry:
        """Ground of some cells joined by edges, inside the outline."""
        boxes = [self.box(self.cells[a].spot) for a in addresses]
        union = shapely.union_all([shapely.box(b.x0, b.y0, b.x1, b.y1) for b in boxes])
        if shapes.is_rectangular(self.shape):
            return union
        return union.intersection(shapes.outline(self.shape))


def column_name(index: int) -> str:
    """0 is A, 25 is Z, 26 is AA."""
    name = ""
    index += 1
    while index:
        index, letter = divmod(index - 1, 26)
        name = chr(65 + letter) + name
    return name


def address_of(spot: Spot) -> str:
    return f"{column_name(spot[0])}{spot[1] + 1}"


def _count(extent_cm: float, cell_cm: float) -> int:
    return max(1, math.ceil((extent_cm - FIT_TOLERANCE_CM) / cell_cm))


def cells_about(place: p.Place) -> int:
    """How many squares a place has, without laying them out: of a rectangle exactly, of other
    outlines nearly; none where walls leave nothing inside."""
    try:
        return _squares_about(place.shape, pitch_of(place))
    except (ValueError, shapely.GEOSException):
        return 0


@lru_cache(maxsize=1024)
def _squares_about(shape: p.Shape, pitch: Pitch) -> int:
    box = shapes.bounds(shape)
    boxed = _count(box.width, pitch.x_cm) * _count(box.length, pitch.y_cm)
    if shapes.is_rectangular(shape):
        return boxed
    outline = shapes.outline(shape)
    return min(boxed, math.ceil(outline.area / pitch.area_cm2 + outline.length / pitch.narrower_cm))


def pitch_of(place: p.Place) -> Pitch:
    """The sides of a place's squares: as they are given or, in a rectangle with a fitted grid,
    stretched or shrunk a little along each side that then holds a whole number of them. [cm]"""
    cell = place.cell_cm or DEFAULT_CELL_CM
    if place.grid != "fitted" or not shapes.is_rectangular(place.shape):
        return Pitch(cell, cell)
    box = shapes.bounds(place.shape)
    return Pitch(_fitted(box.width, cell), _fitted(box.length, cell))


def _fitted(extent_cm: float, cell_cm: float) -> float:
    fitted = extent_cm / max(1, round(extent_cm / cell_cm))
    return fitted if abs(fitted / cell_cm - 1) <= MOST_STRETCH + 1e-9 else cell_cm


def grid_of(place: p.Place) -> Grid:
    """The grid over a place; part cells carry their true area."""
    return grid_over(place.shape, pitch_of(place))


@lru_cache(maxsize=512)
def grid_over(shape: p.Shape, pitch: Pitch) -> Grid:
    """The grid over an outline; computed once for each outline and pitch."""
    box = shapes.bounds(shape)
    columns, rows = _count(box.width, pitch.x_cm), _count(box.length, pitch.y_cm)
    grid = Grid(shape, pitch, columns, rows, {})
    spots = [(column, row) for column in range(columns) for row in range(rows)]
    least = pitch.area_cm2 - pitch.narrower_cm * FIT_TOLERANCE_CM
    for spot, area in zip(spots, _areas(grid, spots), strict=True):
        if area > FIT_TOLERANCE_CM:
            cell = Cell(address_of(spot), spot, area, whole=area >= least)
            grid.cells[cell.address] = cell
    return grid


def _areas(grid: Grid, spots: list[Spot]) -> list[float]:
    boxes = [grid.box(spot) for spot in spots]
    if shapes.is_rectangular(grid.shape):
        return [b.area_cm2 for b in boxes]
    inner = shapes.inside_shape(grid.shape)
    if isinstance(inner, p.Circle):
        radius = inner.diameter_cm / 2
        return [_box_in_circle(b, radius) for b in boxes]
    squares = [shapely.box(b.x0, b.y0, b.x1, b.y1) for b in boxes]
    areas: list[float] = shapely.area(
        shapely.intersection(squares, shapes.outline(grid.shape))
    ).tolist()
    return areas


def _box_in_circle(box: Box, radius: float) -> float:
    """Exact area of a box inside the circle that touches both axes. [cm2]"""

    def corner(x: float, y: float) -> float:
        # Area of the disc (centre at 0) left of x and below y.
        return _disc_corner(x - radius, y - radius, radius)

    return (
        corner(box.x1, box.y1)
        - corner(box.x0, box.y1)
        - corner(box.x1, box.y0)
        + corner(box.x0, box.y0)
    )


def _disc_corner(x: float, y: float, r: float) -> float:
    """Area of the disc x'2 + y'2 <= r2 with x' <= x and y' <= y."""
    x, y = max(-r, min(r, x)), max(-r, min(r, y))

    def half_chord_integral(u: float) -> float:
        return (u * math.sqrt(max(0.0, r * r - u * u)) + r * r * math.asin(u / r)) / 2

    # For x' the strip runs from -s to min(y, s), where s = sqrt(r2 - x'2).
    reach = math.sqrt(max(0.0, r * r - y * y))
    total = 0.0
    for start, end in ((-r, min(x, -reach)), (max(-r, -reach), min(x, reach)), (reach, x)):
        if end <= start:
            continue
        strip = half_chord_integral(end) - half_chord_integral(start)
        within = start >= -reach - 1e-12 and end <= reach + 1e-12
        if within:
            total += strip + y * (end - start)
        elif y > 0:
            total += 2 * strip
    return total


def components(grid: Grid, addresses: Iterable[str]) -> list[tuple[Spot, ...]]:
    """Cells joined by edges, each group sorted; groups in the order of their first cell."""
    left = {grid.cells[a].spot for a in addresses}
    groups = []
    while left:
        stack, group = [min(left)], []
        left.discard(stack[0])
        while stack:
            column, row = stack.pop()
            group.append((column, row))
            for near in (
                (column + 1, row),
                (column - 1, row),
                (column, row + 1),
                (column, row - 1),
            ):
                if near in left:
                    left.discard(near)
                    stack.append(near)
        groups.append(tuple(sorted(group)))
    return groups


def as_rectangle(grid: Grid, spots: tuple[Spot, ...]) -> Box | None:
    """The group's box when the cells fill one and no wall cuts it, else None."""
    columns = [c for c, _ in spots]
    rows = [r for _, r in spots]
    filled = (max(columns) - min(columns) + 1) * (max(rows) - min(rows) + 1)
    if filled != len(spots):
        return None
    if not shapes.is_rectangular(grid.shape) and not all(
        grid.cells[address_of(s)].whole for s in spots
    ):
        return None
    first, last = grid.box((min(columns), min(rows))), grid.box((max(columns), max(rows)))
    return Box(first.x0, first.y0, last.x1, last.y1)


def span_words(addresses: Iterable[str]) -> str:
    """Cells as a gardener says them: "A1–B4" for a block, else runs along the rows."""
    return _span_words(tuple(addresses))


@lru_cache(maxsize=1024)
def _span_words(addresses: tuple[str, ...]) -> str:
    ordered = sorted((_order(name), name) for name in set(addresses))
    names = [name for _, name in ordered]
    if len(names) <= 1:
        return "".join(names)
    spots = [spot for spot, _ in ordered]
    columns = {c for c, _ in spots}
    rows = {r for _, r in spots}
    full_block = (max(columns) - min(columns) + 1) * (max(rows) - min(rows) + 1) == len(names)
    if full_block:
        return f"{names[0]}–{names[-1]}"
    runs: list[list[str]] = []
    previous: Spot | None = None
    for name, (column, row) in zip(names, spots, strict=True):
        if previous == (column, row - 1):
            runs[-1].append(name)
        else:
            runs.append([name])
        previous = (column, row)
    words = [run[0] if len(run) == 1 else f"{run[0]}–{run[-1]}" for run in runs]
    if len(words) <= MOST_RUNS_SAID:
        return ", ".join(words)
    rest = sum(len(run) for run in runs[MOST_RUNS_SAID:])
    return f"{', '.join(words[:MOST_RUNS_SAID])} and {rest} more"


def _order(address: str) -> Spot:
    letters = address.rstrip("0123456789")
    column = 0
    for letter in letters:
        column = column * 26 + ord(letter) - 64
    return column - 1, int(address[len(letters) :]) - 1


def cells_of(place: p.Place, wanted: tuple[str, ...] | str) -> tuple[str, ...]:
    """Addresses of a planting: as listed, or every cell that is not held."""
    if isinstance(wanted, tuple):
        return wanted
    held = held_cells(place)
    return tuple(a for a in grid_of(place).cells if a not in held)


def held_cells(place: p.Place) -> frozenset[str]:
    """Addresses that something else holds: a post, a stone, a lid."""
    return frozenset(address for h in place.held for address in h.cells)
