"""Points that stand for the cells of a place."""

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import Grid
from ample_rows.core.site.frame import Points

MOST_POINTS = 200


def cell_points_cm(grid: Grid) -> Points:
    """The middle of each cell's ground, in the place's frame. [cm]"""
    middles = []
    for address, cell in grid.cells.items():
        box = grid.box(cell.spot)
        middle = ((box.x0 + box.x1) / 2, (box.y0 + box.y1) / 2)
        if not (cell.whole or shapes.is_rectangular(grid.shape)):
            ground = grid.region([address]).centroid
            middle = (ground.x, ground.y)
        middles.append(middle)
    return np.array(middles)


def block_points_cm(grid: Grid) -> tuple[Points, NDArray[np.intp]]:
    """Points to reckon, and each cell's point: its own, or in a vast place its block's."""
    if len(grid.cells) <= MOST_POINTS:
        return cell_points_cm(grid), np.arange(len(grid.cells))
    side = int(np.ceil(np.sqrt(len(grid.cells) / MOST_POINTS)))
    blocks = np.array([cell.spot for cell in grid.cells.values()]) // side
    found, block_of = np.unique(blocks, axis=0, return_inverse=True)
    box = shapes.bounds(grid.shape)
    middles = np.array([box.x0, box.y0]) + (found + 0.5) * side * np.array(grid.pitch)
    return middles, block_of.reshape(-1)
