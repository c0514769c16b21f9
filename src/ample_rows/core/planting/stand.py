"""Stand: how many plants fit some squares, and where each one goes.

A layout method turns cells and a spacing into positions; the count is their number. A number of
plants, a count for each square, or spots go before the spacing.
"""

import math
from dataclasses import dataclass, replace
from functools import lru_cache

from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM, Grid, grid_over
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting import exact_number, lattices, on_pattern
from ample_rows.core.planting.between import spread_between
from ample_rows.core.planting.ground import Ground, Part, Spread, parts_of
from ample_rows.core.planting.on_pattern import Bed
from ample_rows.core.planting.setting_out import SQUARE_CM2, SettingOut
from ample_rows.core.planting.single_squares import each_square
from ample_rows.core.planting.square_counts import (
    counted_squares,
)
from ample_rows.core.planting.walls import counted_cm2
from ample_rows.core.words.message import Count, Text, message

_ONE_GROUND_SQUARES = 2.0


@dataclass(frozen=True)
class Stand:
    """Stations as set out, the ground they share, and the spacing in force.

    `counted_cm2` is the ground that they use, with what they reach over walls.
    """

    positions: tuple[Point, ...]
    spacing_cm: float
    region_cm2: float
    counted_cm2: float
    cells: tuple[str, ...]
    how: Text


@lru_cache(maxsize=1024)
def stand_in_cells(ground: Ground, out: SettingOut, book: Book) -> Stand:
    """Set out one planting in its cells; components are laid out for themselves.

    Returns:
        Stations in order, one each (a station may hold several plants).
    """
    if not ground.cells:
        # Where every square is held there is no ground, and nothing stands on it.
        return _stand(ground, Spread((), out.spacing_cm, lattices.layout_words(out)), 0.0)
    grid = grid_over(ground.shape, ground.pitch)
    area = _area_cm2(ground, grid, out)
    if out.spots is not None:
        apart = exact_number.least_distance_cm(out.spots) or out.spacing_cm
        return _stand(ground, Spread(out.spots, apart, message("stand-spots")), area)
    if ground.keep_off:
        return _stand(ground, spread_between(grid, ground, out, book), area)
    pattern = ground.pattern
    if pattern is not None and (out.plants is not None or out.counts):
        alone = stand_in_cells(replace(ground, pattern=None), out, book)
        if not book.patterns[pattern.kind].at:
            return alone
        return _at_the_spots(alone, Bed(pattern, grid, ground))
    if out.plants is not None:
        return _exact(grid, ground, out, out.plants, book)
    if out.counts:
        return _counted(grid, ground, area, out, book)
    if pattern is not None:
        return _by_pattern(Bed(pattern, grid, ground), out, book)
    if out.layout == "single-squares":
        return _stand(ground, each_square(grid, ground, out, book), area)
    return _by_spacing(grid, ground, out, book)


def _by_pattern(bed: Bed, out: SettingOut, book: Book) -> Stand:
    """As many as the lines or spots laid over the place let stand, beside what the spacing alone
    would."""
    alone = stand_in_cells(replace(bed.ground, pattern=None), out, book)
    placed = on_pattern.placed_by(bed, out, lattices.spacing_in_force(out, book), book)
    if not placed.points:
        return replace(alone, how=message("stand-no-spot", where=placed.where))
    how = message(
        "stand-by-pattern", where=placed.where, alone=Count(len(alone.positions), "plant")
    )
    area = alone.region_cm2
    return Stand(placed.points, placed.apart_cm, area, area, alone.cells, how)


def _at_the_spots(alone: Stand, bed: Bed) -> Stand:
    """A number that was asked for, each plant taken to the nearest spot."""
    points = on_pattern.taken_to_spots(alone.positions, bed)
    apart = exact_number.least_distance_cm(points) or alone.spacing_cm
    return replace(alone, positions=points, spacing_cm=apart)


def _area_cm2(ground: Ground, grid: Grid, out: SettingOut) -> float:
    if ground.whole_place and (out.layout != "single-squares" or out.plants is not None):
        return shapes.inside_area_m2(ground.shape) * 1e4
    return sum(grid.cells[a].area_cm2 for a in ground.cells)


def _stand(ground: Ground, spread: Spread, area: float) -> Stand:
    return Stand(spread.points, spread.spacing_cm, area, area, ground.cells, spread.how)


def _by_spacing(grid: Grid, ground: Ground, out: SettingOut, book: Book) -> Stand:
    """The fullest lattice of each part; what it uses over walls counts as its ground."""
    points: list[Point] = []
    region = counted = 0.0
    how: Text = lattices.layout_words(out)
    near = out.walls == "near"
    for part in parts_of(grid, ground):
        own = (lattices.near_walls if near else lattices.fullest_in)(part, out, book)
        over_walls = near
        if not own and (own := lattices.along_the_middle(part, out, book)):
            over_walls, how = True, message("stand-row-along-middle")
        points += own
        region += part.area_cm2
        counted += (
            _used_cm2(part, ground, out, len(own), book=book) if over_walls else part.area_cm2
        )
    spacing = lattices.spacing_in_force(out, book)
    return Stand(tuple(points), spacing, region, counted, ground.cells, how)


def _used_cm2(part: Part, ground: Ground, out: SettingOut, stations: int, *, book: Book) -> float:
    depth = min(out.spacing_cm / 2, ground.free_over_walls_cm)
    return counted_cm2(
        part.area_cm2,
        part.strip_cm2(depth),
        plants=stations * out.per_station,
        ground_cm2=out.ground_cm2,
        book=book,
    )


def _exact(grid: Grid, ground: Ground, out: SettingOut, plants: int, book: Book) -> Stand:
    """So many plants, shared out over the parts by their area and spread in each."""
    parts = parts_of(grid, ground)
    shares = exact_number.shared_out(plants, [part.area_cm2 for part in parts])
    points: list[Point] = []
    apart, region, counted = math.inf, 0.0, 0.0
    for part, share in zip(parts, shares, strict=True):
        region += part.area_cm2
        if not share:
            counted += part.area_cm2
            continue
        spread = _spread(part, out, share, book)
        points += spread.points
        apart = min(apart, spread.spacing_cm)
        reached = replace(out, spacing_cm=spread.spacing_cm)
        near = out.walls == "near"
        counted += _used_cm2(part, ground, reached, share, book=book) if near else part.area_cm2
    how = message("stand-exact-number")
    return Stand(tuple(points), apart, region, counted, ground.cells, how)


def _spread(part: Part, out: SettingOut, plants: int, book: Book) -> Spread:
    near = out.walls == "near"
    if part.box is not None:
        if out.layout == "rows" and out.own_rows:
            return exact_number.in_rows(part.box.box, plants, out.row_spacing_cm)
        return exact_number.spread_in_box(part.box, plants, near=near, book=book)
    if part.circle_cm is not None:
        packed = exact_number.spread_in_circle(part.circle_cm, plants, near=near, book=book)
        if packed is not None:
            return packed
    return exact_number.spread_in_outline(part.region, part.inside, plants, near=near, book=book)


def _counted(grid: Grid, ground: Ground, area: float, out: SettingOut, book: Book) -> Stand:
    """A count for each square; a pot or trough below two squares is one ground."""
    if out.per_square is not None and ground.whole_place:
        squares = shapes.inside_area_m2(ground.shape) * 1e4 / SQUARE_CM2
        if squares < _ONE_GROUND_SQUARES:
            plants = max(1, math.floor(out.per_square * squares + FIT_TOLERANCE_CM))
            whole = _exact(grid, ground, replace(out, layout="merged"), plants, book)
            return replace(whole, how=message("stand-count-one-ground", plants=plants))
    return _stand(ground, counted_squares(grid, ground.cells, out, book), area)
