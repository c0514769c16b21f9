"""A count for each square: so many plants in a square, or one plant for so many squares."""

import math

from ample_rows.core.book import Book
from ample_rows.core.geometry import lattice
from ample_rows.core.geometry.cells import (
    Grid,
    Spot,
    address_of,
    as_rectangle,
    components,
)
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.planting.exact_number import spread_in_box, spread_in_outline
from ample_rows.core.planting.ground import Spread
from ample_rows.core.planting.setting_out import SQUARE_CM, SQUARE_CM2, SettingOut
from ample_rows.core.planting.walls import open_box
from ample_rows.core.words.message import message

_LIKE_A_SQUARE_CM = 3.0
_NEARLY_SQUARE = 0.1
_ROUGH_HALVINGS = 3
_DUST = 1e-9

Group = tuple[Spot, ...]


def counted_squares(grid: Grid, cells: tuple[str, ...], out: SettingOut, book: Book) -> Spread:
    """The plants of a planting by its count for a square; each group of squares that touch is
    filled for itself."""
    per_cell = count_in_cell(grid, out)
    points: list[Point] = []
    for group in components(grid, cells):
        if per_cell < 1:
            points += _blocks(grid, group, squares_a_plant(per_cell), book)
        else:
            points += _each_filled(grid, group, out, per_cell, book)
    apart = math.sqrt(grid.pitch.area_cm2 / per_cell)
    if per_cell >= 1 and (centres := book.square_packings.get(math.floor(per_cell))):
        unit = lattice.packing_spacing(centres, round_outline=False)
        apart = unit * grid.pitch.narrower_cm
    how = (
        message("stand-square-evenly-set", per_cell=math.floor(per_cell))
        if per_cell >= 1
        else message("stand-one-plant-squares", squares=squares_a_plant(per_cell))
    )
    return Spread(tuple(points), apart, how)


def count_in_cell(grid: Grid, out: SettingOut) -> float:
    """Plants in a whole square of this grid: as given for it, or the count for 30 cm, by area
    where the squares are not about that large; rounded down, but not below 1."""
    if out.per_cell is not None:
        return out.per_cell
    assert out.per_square is not None, "asked where counts decide"
    if all(abs(side - SQUARE_CM) <= _LIKE_A_SQUARE_CM + _DUST for side in grid.pitch):
        return out.per_square
    scaled = out.per_square * grid.pitch.area_cm2 / SQUARE_CM2
    return math.floor(scaled + _DUST) if scaled >= 1 else scaled


def squares_a_plant(per_cell: float) -> int:
    """Whole squares that one plant has, where a square holds less than one."""
    return max(1, round(1 / per_cell))


def _each_filled(
    grid: Grid, group: Group, out: SettingOut, per_cell: float, book: Book
) -> list[Point]:
    """Whole squares with their count, parts of squares with what their area holds; where that is
    none at all, the group is filled as one, with at least one plant."""
    points: list[Point] = []
    for spot in group:
        cell = grid.cells[address_of(spot)]
        if cell.whole:
            points += _in_whole(grid.box(spot), math.floor(per_cell), book)
        elif out.per_cell is None:
            points += _in_ground(grid, (spot,), _by_area(out, cell.area_cm2), book)
    if points or out.per_cell is not None:
        return points
    area = sum(grid.cells[address_of(spot)].area_cm2 for spot in group)
    return _in_ground(grid, group, max(1, _by_area(out, area)), book)


def _by_area(out: SettingOut, area_cm2: float) -> int:
    return math.floor((out.per_square or 0.0) * area_cm2 / SQUARE_CM2 + _DUST)


def _in_whole(box: Box, count: int, book: Book) -> list[Point]:
    centres = book.square_packings.get(count)
    if centres is not None and abs(box.width / box.length - 1) <= _NEARLY_SQUARE:
        return [(box.x0 + x * box.width, box.y0 + y * box.length) for x, y in centres]
    return list(spread_in_box(open_box(box), count, near=False, book=book).points)


def _in_ground(grid: Grid, group: Group, count: int, book: Book) -> list[Point]:
    """So many plants evenly in some squares that touch."""
    if count == 0:
        return []
    box = as_rectangle(grid, group)
    if box is not None:
        return list(spread_in_box(open_box(box), count, near=False, book=book).points)
    region = grid.region(address_of(spot) for spot in group)
    found = spread_in_outline(
        region, region, count, near=False, book=book, halvings=_ROUGH_HALVINGS
    )
    return list(found.points)


def _blocks(grid: Grid, group: Group, squares: int, book: Book) -> list[Point]:
    """One plant in the middle of each block of so many squares; where blocks do not fill the
    group evenly, as many as it has squares for, spread over it; at least one."""
    area = sum(grid.cells[address_of(spot)].area_cm2 for spot in group)
    plants = max(1, math.floor(area / grid.pitch.area_cm2 / squares + _DUST))
    whole = {spot for spot in group if grid.cells[address_of(spot)].whole}
    for wide, long in _block_shapes(squares):
        blocks = _tiled(whole, wide, long)
        if len(blocks) == plants:
            return [_middle(grid, block, wide, long) for block in blocks]
    return _in_ground(grid, group, plants, book)


def _block_shapes(squares: int) -> list[tuple[int, int]]:
    """Blocks of so many squares, the most compact first."""
    sides = [(wide, squares // wide) for wide in range(1, squares + 1) if squares % wide == 0]
    return sorted(sides, key=lambda sides: (abs(sides[0] - sides[1]), sides[0]))


def _tiled(free: set[Spot], wide: int, long: int) -> list[Spot]:
    """Blocks taken one by one from the first corner on, by their first square."""
    left, blocks = set(free), []
    for column, row in sorted(free):
        block = {(column + i, row + j) for i in range(wide) for j in range(long)}
        if block <= left:
            left -= block
            blocks.append((column, row))
    return blocks


def _middle(grid: Grid, first: Spot, wide: int, long: int) -> Point:
    corner = grid.box(first)
    return (corner.x0 + wide * grid.pitch.x_cm / 2, corner.y0 + long * grid.pitch.y_cm / 2)
