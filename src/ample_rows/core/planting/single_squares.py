"""Each square for itself by a spacing."""

import math

from ample_rows.core.book import Book
from ample_rows.core.geometry import lattice, shapes
from ample_rows.core.geometry.cells import Grid, as_rectangle
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting import lattices
from ample_rows.core.planting.ground import Ground, Spread
from ample_rows.core.planting.setting_out import SettingOut
from ample_rows.core.planting.walls import deepest
from ample_rows.core.words.message import message


def each_square(grid: Grid, ground: Ground, out: SettingOut, book: Book) -> Spread:
    """Each square for itself by a spacing: as many as fit it, or one plant for a block of them."""
    across = tuple(block_cells(out.spacing_cm, side, book) for side in grid.pitch)
    if across != (1, 1):
        blocks = _blocks(grid, ground.cells, across)
        how = message("stand-one-block-squares", across=max(across))
        if not blocks and _all_walls(grid, ground):
            blocks = [deepest(shapes.outline(grid.shape))[0]]
        return Spread(tuple(blocks), out.spacing_cm, how)
    points: list[Point] = []
    for address in ground.cells:
        cell = grid.cells[address]
        box = as_rectangle(grid, (cell.spot,))
        if cell.whole and box is not None:
            points += [
                (x, y)
                for y in _at_least_one(box.y0, box.length, out.spacing_cm)
                for x in _at_least_one(box.x0, box.width, out.spacing_cm)
            ]
        elif box is not None:
            points += lattices.in_box(box, out, book)
        else:
            points += lattices.in_outline(grid.region([address]), out, book)
    if not points and _all_walls(grid, ground):
        points = [deepest(shapes.outline(grid.shape))[0]]
    return Spread(tuple(points), out.spacing_cm, message("stand-each-square-own"))


def _all_walls(grid: Grid, ground: Ground) -> bool:
    return bool(ground.cells) and len(ground.cells) == len(grid.cells)


def _at_least_one(start_cm: float, extent_cm: float, spacing_cm: float) -> list[float]:
    return lattice.evenly(start_cm, extent_cm, max(1, lattice.fits(extent_cm, spacing_cm)))


def block_cells(spacing_cm: float, cell_cm: float, book: Book) -> int:
    """Cells across that one plant takes when it is wider than a cell."""
    return max(1, math.ceil(book.value("block_slack") * spacing_cm / cell_cm - 1e-9))


def _blocks(grid: Grid, cells: tuple[str, ...], across: tuple[int, ...]) -> list[Point]:
    free = {grid.cells[a].spot for a in cells if grid.cells[a].whole}
    points = []
    wide, long = across
    for column, row in sorted(free):
        block = {(column + i, row + j) for i in range(wide) for j in range(long)}
        if block <= free:
            free -= block
            corner = grid.box((column, row))
            points.append(
                (corner.x0 + wide * grid.pitch.x_cm / 2, corner.y0 + long * grid.pitch.y_cm / 2)
            )
    return points
