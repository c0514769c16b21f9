"""Stand: how many plants fit some squares, and where each one goes.

A layout method turns cells and a spacing into positions; the count is their number.
"""

import math
from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.geometry import lattice, lattice_search, shapes
from ample_rows.core.geometry.cells import (
    FIT_TOLERANCE_CM,
    Grid,
    Spot,
    address_of,
    as_rectangle,
    components,
    grid_over,
)
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.words.message import Message, Text, message

MOST_POSITIONS = 20_000
_CENTRED = 1
_A_LITTLE_WIDER = 1.07
_NOTHING: BaseGeometry = shapely.Polygon()


@dataclass(frozen=True)
class SettingOut:
    """How a planting is to be set out, with the crop's figures filled in. [cm]"""

    layout: p.Layout
    spacing_cm: float
    row_spacing_cm: float
    per_cell: int | None
    per_station: int


@dataclass(frozen=True)
class Stand:
    """Stations as set out, the ground they share, and the spacing in force."""

    positions: tuple[Point, ...]
    spacing_cm: float
    region_cm2: float
    cells: tuple[str, ...]
    how: Text


def setting_out(planting: p.Planting, crop: Crop, policies: p.Policies) -> SettingOut:
    """The layout and spacings in force: the planting's own, else the crop's and the garden's."""
    layout = planting.layout or policies.layout or "merged"
    if planting.per_cell is not None:
        layout = "single-squares"
    own = planting.spacing_cm
    in_row = own if own is not None else crop.in_row_cm
    return SettingOut(
        layout=layout,
        spacing_cm=in_row if layout == "rows" else (own or crop.spacing_cm),
        row_spacing_cm=planting.row_spacing_cm or crop.between_row_cm,
        per_cell=planting.per_cell,
        per_station=planting.plants_per_station or 1,
    )


def most_stations(area_cm2: float, out: SettingOut) -> float:
    """An upper estimate of the stations in an area, before any lattice is laid."""
    between = out.row_spacing_cm if out.layout == "rows" else out.spacing_cm
    closest = 0.86 if out.layout == "offset" else 1.0
    return out.per_station * area_cm2 / (out.spacing_cm * between * closest)


@dataclass(frozen=True)
class Ground:
    """The cells of one planting; `whole_place` means the whole inside area, walls and all.

    `keep_off` are plants of another crop that these stand between, at their own spacing. [cm]
    """

    shape: p.Shape
    cell_cm: float
    cells: tuple[str, ...]
    whole_place: bool
    keep_off: tuple[Point, ...] = ()
    keep_off_spacing_cm: float = 0.0


@lru_cache(maxsize=1024)
def stand_in_cells(ground: Ground, out: SettingOut, book: Book) -> Stand:
    """Set out one planting in its cells; components are laid out for themselves.

    Returns:
        Stations in order, one each (a station may hold several plants).
    """
    grid = grid_over(ground.shape, ground.cell_cm)
    cells, spacing = ground.cells, _spacing(out, book)
    if ground.keep_off:
        return _between(grid, ground, out, book)
    if ground.whole_place and out.layout != "single-squares":
        area = shapes.inside_area_m2(ground.shape) * 1e4
        return Stand(tuple(_whole_place(grid, out, book)), spacing, area, cells, _words(out))
    area = sum(grid.cells[a].area_cm2 for a in cells)
    if out.layout == "single-squares":
        return _single_squares(grid, cells, out, area, book)
    positions = [
        point for group in components(grid, cells) for point in _in_group(grid, group, out, book)
    ]
    return Stand(tuple(positions), spacing, area, cells, _words(out))


def _between(grid: Grid, ground: Ground, out: SettingOut, book: Book) -> Stand:
    """Plants between those of another crop."""
    if out.layout == "single-squares":
        regions = [grid.region([address]) for address in ground.cells]
    else:
        groups = components(grid, ground.cells)
        regions = [grid.region(address_of(s) for s in group) for group in groups]
    positions = [point for region in regions for point in _among(region, ground, out, book)]
    area = sum(grid.cells[a].area_cm2 for a in ground.cells)
    return Stand(tuple(positions), _spacing(out, book), area, ground.cells, _words(out))


def _among(region: BaseGeometry, ground: Ground, out: SettingOut, book: Book) -> list[Point]:
    """As many as keep off each plant that is there, then as far from them as leaves that many."""
    usual = (ground.keep_off_spacing_cm + out.spacing_cm) / 2
    least, most = book.value("between_clearance"), 1.0

    def fitting(way: SettingOut, share: float) -> list[Point]:
        # Drawn with straight sides round the circle, so that none of it is cut off.
        radius = share * usual / math.cos(math.pi / 12)
        rounds = shapely.buffer(shapely.points(ground.keep_off), radius, quad_segs=3)
        return _in_outline(region, way, book, keep_off=shapely.union_all(rounds))

    ways = [(way, fitting(way, least)) for way in _in_step(ground, out)]
    best, positions = max(ways, key=lambda pair: len(pair[1]))
    for _ in range(_CENTRED if positions else 0):
        share = (least + most) / 2
        farther = fitting(best, share)
        if len(farther) >= len(positions):
            positions, least = farther, share
        else:
            most = share
    return positions


def _in_step(ground: Ground, out: SettingOut) -> list[SettingOut]:
    """The spacing itself; one a little wider, so that closer hardly ever fits fewer; and the least
    wider one whose lattice falls in step with the plants that are there."""
    if out.layout in ("rows", "offset"):
        return [out]
    wider = [_A_LITTLE_WIDER * out.spacing_cm]
    if len(ground.keep_off) > 1:
        spots = shapely.points(ground.keep_off)
        _, apart = shapely.STRtree(spots).query_nearest(
            spots, exclusive=True, all_matches=False, return_distance=True
        )
        pitch = float(apart.min())
        times = math.floor((pitch + FIT_TOLERANCE_CM) / out.spacing_cm)
        if times and pitch / times > out.spacing_cm + FIT_TOLERANCE_CM:
            wider.append(pitch / times)
    return [out, *(replace(out, spacing_cm=cm) for cm in wider)]


def _whole_place(grid: Grid, out: SettingOut, book: Book) -> list[Point]:
    inner = shapes.inside_shape(grid.shape)
    if shapes.is_rectangular(inner):
        return _in_box(shapes.bounds(inner), out, book)
    in_outline = _in_outline(shapes.outline(inner), out, book, turns=_may_turn(inner))
    if isinstance(inner, p.Circle) and out.layout in ("merged", "stations", "offset"):
        packed = _circle_packing(inner.diameter_cm, out.spacing_cm, book)
        return packed if len(packed) > len(in_outline) else in_outline
    return in_outline


def _may_turn(shape: p.Shape) -> bool:
    """Whether rows may run askew: only where no two sides are square to the frame's own."""
    if not isinstance(shape, p.Polygon):
        return False
    sides = zip(shape.outline_cm, (*shape.outline_cm[1:], shape.outline_cm[0]), strict=True)
    return any(
        abs(x1 - x0) > FIT_TOLERANCE_CM and abs(y1 - y0) > FIT_TOLERANCE_CM
        for (x0, y0), (x1, y1) in sides
    )


def _circle_packing(diameter_cm: float, spacing_cm: float, book: Book) -> list[Point]:
    """The best-known packing with the most plants that keeps the spacing."""
    for count in sorted(book.circle_packings, reverse=True):
        centres = book.circle_packings[count]
        closest = lattice.packing_spacing(centres, round_outline=True) * diameter_cm
        if closest >= spacing_cm - FIT_TOLERANCE_CM:
            return [(x * diameter_cm, y * diameter_cm) for x, y in centres]
    return []


def _in_group(grid: Grid, group: tuple[Spot, ...], out: SettingOut, book: Book) -> list[Point]:
    box = as_rectangle(grid, group)
    if box is not None:
        return _in_box(box, out, book)
    searched = _in_outline(grid.region(address_of(s) for s in group), out, book)
    # A contained outline is a candidate too: strips of cells have closed forms.
    strips = max((_in_strips(grid, group, out, book, axis) for axis in (0, 1)), key=len)
    return strips if len(strips) > len(searched) else searched


def _in_strips(
    grid: Grid, group: tuple[Spot, ...], out: SettingOut, book: Book, axis: int
) -> list[Point]:
    points: list[Point] = []
    for line in sorted({s[axis] for s in group}):
        on_line = sorted(s for s in group if s[axis] == line)
        for part in _runs(on_line, 1 - axis):
            box = as_rectangle(grid, part)
            if box is not None:
                points += _in_box(box, out, book)
    return points


def _runs(spots: list[Spot], axis: int) -> list[tuple[Spot, ...]]:
    """Split cells of one line into unbroken runs along an axis."""
    runs: list[list[Spot]] = []
    for spot in spots:
        if runs and spot[axis] == runs[-1][-1][axis] + 1:
            runs[-1].append(spot)
        else:
            runs.append([spot])
    return [tuple(run) for run in runs]


def _spacing(out: SettingOut, book: Book) -> float:
    if out.layout == "band":
        return out.spacing_cm / math.sqrt(book.value("band_density"))
    return out.spacing_cm


def _in_box(box: Box, out: SettingOut, book: Book) -> list[Point]:
    spacing = _spacing(out, book)
    if out.layout == "rows":
        return lattice.rows_in_box(box, in_row_cm=spacing, between_cm=out.row_spacing_cm)
    if out.layout == "offset":
        return lattice.offset_in_box(box, spacing)
    return lattice.square_in_box(box, x_spacing_cm=spacing, y_spacing_cm=spacing)


def _in_outline(
    region: BaseGeometry,
    out: SettingOut,
    book: Book,
    *,
    turns: bool = False,
    keep_off: BaseGeometry = _NOTHING,
) -> list[Point]:
    spacing = _spacing(out, book)

    def search(x_cm: float, y_cm: float) -> list[Point]:
        lattice = lattice_search.Lattice(x_cm, y_cm, out.layout == "offset")
        return lattice_search.fullest(region, lattice, turns=turns, keep_off=keep_off)

    if out.layout == "rows":
        along = search(spacing, out.row_spacing_cm)
        # Where rows may turn, both directions have been tried already.
        across = [] if turns else search(out.row_spacing_cm, spacing)
        return max(along, across, key=len)
    if out.layout == "offset":
        return search(spacing, spacing * math.sqrt(3) / 2)
    return search(spacing, spacing)


def _single_squares(
    grid: Grid, cells: tuple[str, ...], out: SettingOut, area: float, book: Book
) -> Stand:
    if out.per_cell is not None:
        centres = book.square_packings[out.per_cell]
        unit = lattice.packing_spacing(centres, round_outline=False)
        points = _in_each_whole_cell(
            grid, cells, lambda b: [(b.x0 + x * b.width, b.y0 + y * b.length) for x, y in centres]
        )
        how = message("stand-square-evenly-set", per_cell=out.per_cell)
        return Stand(tuple(points), unit * grid.cell_cm, area, cells, how)
    across = block_cells(out.spacing_cm, grid.cell_cm, book)
    if across > 1:
        return _blocks(grid, cells, out, area, across)
    points = []
    for address in cells:
        cell = grid.cells[address]
        box = as_rectangle(grid, (cell.spot,))
        if cell.whole and box is not None:
            count = max(1, lattice.fits(grid.cell_cm, out.spacing_cm))
            points += [
                (x, y)
                for y in lattice.evenly(box.y0, box.length, count)
                for x in lattice.evenly(box.x0, box.width, count)
            ]
        elif box is not None:
            points += _in_box(box, out, book)
        else:
            points += _in_outline(grid.region([address]), out, book)
    return Stand(tuple(points), out.spacing_cm, area, cells, message("stand-each-square-own"))


def _in_each_whole_cell(
    grid: Grid, cells: tuple[str, ...], arrange: Callable[[Box], list[Point]]
) -> list[Point]:
    return [
        point
        for address in cells
        if grid.cells[address].whole
        for point in arrange(grid.box(grid.cells[address].spot))
    ]


def block_cells(spacing_cm: float, cell_cm: float, book: Book) -> int:
    """Cells across that one plant takes when it is wider than a cell."""
    return max(1, math.ceil(book.value("block_slack") * spacing_cm / cell_cm - 1e-9))


def _blocks(grid: Grid, cells: tuple[str, ...], out: SettingOut, area: float, across: int) -> Stand:
    free = {grid.cells[a].spot for a in cells if grid.cells[a].whole}
    points = []
    for column, row in sorted(free):
        block = {(column + i, row + j) for i in range(across) for j in range(across)}
        if block <= free:
            free -= block
            corner = grid.box((column, row))
            half = across * grid.cell_cm / 2
            points.append((corner.x0 + half, corner.y0 + half))
    how = message("stand-one-block-squares", across=across)
    return Stand(tuple(points), out.spacing_cm, area, cells, how)


def _words(out: SettingOut) -> Message:
    return {
        "merged": message("stand-squares-merged-even-lattice"),
        "stations": message("stand-station-even-lattice", per_station=out.per_station),
        "offset": message("stand-rows-offset-half-spacing"),
        "rows": message("stand-straight-rows"),
        "band": message("stand-thick-band-not-thinned"),
        "single-squares": message("stand-each-square-own"),
    }[out.layout]
