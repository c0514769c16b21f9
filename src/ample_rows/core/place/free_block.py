"""A block of squares that is free for as long as a planting stands."""

from collections.abc import Iterable
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.geometry.cells import Grid, grid_of, held_cells
from ample_rows.core.planting.report import PlantingReport

Block = tuple[str, ...]


def free_block(place: p.Place, own: PlantingReport, standing: Iterable[PlantingReport]) -> Block:
    """The first rectangle of about as many whole squares that is free for the planting's time."""
    grid = grid_of(place)
    held = held_cells(place)
    taken = {cell for r in standing if _meet(own, r) for cell in r.cells}
    free = {
        cell.spot: cell.address
        for cell in grid.cells.values()
        if cell.whole and cell.address not in taken | held
    }
    wanted = max(1, len(own.cells))
    for columns, rows in _rectangles(wanted, grid):
        for column, row in sorted(free):
            spots = [(column + i, row + j) for i in range(columns) for j in range(rows)]
            if all(spot in free for spot in spots):
                return tuple(free[spot] for spot in spots)
    return ()


def _rectangles(count: int, grid: Grid) -> list[tuple[int, int]]:
    """Sizes of rectangles that hold at least so many squares, the fewest and squarest first."""
    sizes = [
        (columns, -(-count // columns))
        for columns in range(1, grid.columns + 1)
        if -(-count // columns) <= grid.rows
    ]
    return sorted(sizes, key=lambda size: (size[0] * size[1], abs(size[0] - size[1])))


def _meet(one: PlantingReport, other: PlantingReport) -> bool:
    until = one.clear_date or date.max
    return one.start_date < (other.clear_date or date.max) and other.start_date < until
