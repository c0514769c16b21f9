"""Growing up: what stands on a support, the cells beneath it, and its own shade."""

import itertools
import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop, TrainingSystem
from ample_rows.core.geometry import lattice, shapes
from ample_rows.core.geometry.cells import (
    FIT_TOLERANCE_CM,
    Pitch,
    address_of,
    grid_of,
    grid_over,
    held_cells,
    pitch_of,
)
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Edge

Sides = Literal["one", "both", "alternate"]


@dataclass(frozen=True)
class Run:
    """A stretch of a support: its edge or line, the part planted, the strip of ground it takes,
    how far apart its rows stand where it is planted on both sides, and where that strip begins,
    inward of the edge; half of it lies on either side of a line in the bed. [cm]"""

    edge: Edge
    from_cm: float
    to_cm: float
    footprint_cm: float
    edge_inner_left: bool
    rows_apart_cm: float = 0.0
    begins_cm: float = 0.0

    @property
    def length_cm(self) -> float:
        return self.to_cm - self.from_cm

    @property
    def from_wall_to_wall(self) -> bool:
        return self.length_cm >= self.edge.length_cm - FIT_TOLERANCE_CM

    def at(self, along_cm: float, inward_cm: float) -> Point:
        """A point along the edge and inward from it. [cm]"""
        (x0, y0), (x1, y1), along = self.edge.part_at(along_cm)
        length = math.dist((x0, y0), (x1, y1))
        ux, uy = (x1 - x0) / length, (y1 - y0) / length
        nx, ny = self._inward(ux, uy)
        deep = self.begins_cm + inward_cm
        return (x0 + ux * along + nx * deep, y0 + uy * along + ny * deep)

    @property
    def line(self) -> tuple[Point, ...]:
        """The stretch itself, from end to end, through its bends. [cm]"""
        bends, before = [], 0.0
        for start, end in itertools.pairwise(self.edge.points[:-1]):
            before += math.dist(start, end)
            if self.from_cm < before < self.to_cm:
                bends.append(end)
        ends = (replace(self, begins_cm=0.0).at(cm, 0) for cm in (self.from_cm, self.to_cm))
        first, last = ends
        return (first, *bends, last)

    def _inward(self, ux: float, uy: float) -> Point:
        # Edges run the way coordinates rise, so only the stored facing tells the inner side.
        return (-uy, ux) if self.edge_inner_left else (uy, -ux)


def edge_of(
    place: p.Place, support: p.Support, *, latitude: float, north_deg: float
) -> Edge | None:
    """The edge or the line that a support stands along; None where the place has no such edge."""
    if support.line_cm is not None:
        return shapes.line_in(place, support.line_cm, latitude=latitude, north_deg=north_deg)
    return shapes.edge_towards(place, support.edge, latitude=latitude, north_deg=north_deg)


def sides_of(planting: p.Planting, support: p.Support) -> Sides:
    """On which sides of a support a planting stands: its own, else as the support is made."""
    return planting.sides or ("both" if support.sides == 2 else "one")


def rows_share(crop: Crop, system: TrainingSystem, apart_cm: float) -> float:
    """How much of the ground that two rows ask for they ask for as one support: all of it where
    they stand as near as is usual there, half of it where they are as far apart as rows in open
    ground, between in proportion (judged). [0.5-1]"""
    near, free = system.build.both_sides_cm, crop.between_row_cm
    if apart_cm <= near:
        return 1.0
    return 1 - 0.5 * min(1.0, (apart_cm - near) / max(free - near, 1.0))


def run_of(
    place: p.Place,
    support: p.Support,
    planting: p.Planting,
    system: TrainingSystem,
    *,
    latitude: float,
    north_deg: float,
) -> Run | None:
    """The stretch a planting takes: as given, else what its cells span, else the whole edge."""
    edge = edge_of(place, support, latitude=latitude, north_deg=north_deg)
    if edge is None:
        return None
    whole = whole_run(place, edge, system, support)
    if sides_of(planting, support) != "one":
        apart = support.rows_apart_cm or system.build.both_sides_cm
        wide = whole.footprint_cm + apart
        begins = -wide / 2 if support.line_cm else 0.0
        whole = replace(whole, footprint_cm=wide, rows_apart_cm=apart, begins_cm=begins)
    if planting.run_cm is not None:
        start, end = sorted(planting.run_cm)
    elif isinstance(planting.cells, tuple) and planting.cells:
        start, end = _span(place, edge, planting.cells)
    else:
        return whole
    start, end = max(whole.from_cm, start), min(whole.to_cm, end)
    return replace(whole, from_cm=start, to_cm=max(start, end))


def whole_run(
    place: p.Place, edge: Edge, system: TrainingSystem, support: p.Support | None = None
) -> Run:
    """A system along the whole of an edge or line, or the stretch of it that a support is on."""
    start, end = 0.0, edge.length_cm
    if support is not None and support.run_cm is not None:
        low, high = sorted(support.run_cm)
        start, end = max(0.0, low), min(edge.length_cm, high)
    inner_left, begins = _inner_left(place, edge), 0.0
    if support is not None and support.line_cm is not None:
        inner_left, begins = True, -system.footprint_cm / 2
    return Run(edge, start, max(start, end), system.footprint_cm, inner_left, begins_cm=begins)


def _inner_left(place: p.Place, edge: Edge) -> bool:
    (x0, y0), (x1, y1) = edge.start, edge.end
    left = shapely.Point((x0 + x1) / 2 - (y1 - y0) * 1e-3, (y0 + y1) / 2 + (x1 - x0) * 1e-3)
    return bool(shapes.outline(place.shape).contains(left))


def _span(place: p.Place, edge: Edge, cells: tuple[str, ...]) -> tuple[float, float]:
    grid = grid_of(place)
    corners = [
        (x, y)
        for box in (grid.box(grid.cells[a].spot) for a in cells)
        for x, y in ((box.x0, box.y0), (box.x1, box.y1), (box.x0, box.y1), (box.x1, box.y0))
    ]
    reach = shapely.line_locate_point(shapely.LineString(edge.points), shapely.points(corners))
    return float(reach.min()), float(reach.max())


# Where a row may be moved along, as shares of its distance: as far as it still ends on its run.
_MOVED = (0.0, 0.125, -0.125, 0.25, -0.25, 0.375, -0.375)


def positions_on(
    run: Run, in_row_cm: float, sides: Sides = "one", *, off: Sequence[Point] = ()
) -> list[Point]:
    """One row along the run in the middle of its strip, or two beside the support: opposite
    each other, or in turn, where neighbours across keep their distance as well. Spread evenly;
    from wall to wall there is always one.

    Args:
        off: The feet of plants that stand there already: the row is moved along to lie between
            them.
    """
    if not off:
        return _row_on(run, in_row_cm, sides, 0.0)
    rows = [_row_on(run, in_row_cm, sides, share * in_row_cm) for share in _MOVED]
    return max(rows, key=lambda row: min((math.dist(a, b) for a in row for b in off), default=0.0))


def _row_on(run: Run, in_row_cm: float, sides: Sides, moved_cm: float) -> list[Point]:
    middle, half = run.footprint_cm / 2, run.rows_apart_cm / 2
    if sides == "alternate":
        step = math.sqrt(max(0.0, in_row_cm**2 - run.rows_apart_cm**2))
        count = lattice.fits(run.length_cm, max(in_row_cm / 2, step))
        along = lattice.evenly(run.from_cm, run.length_cm, count)
        beside = (middle - half, middle + half)
        return [run.at(a + moved_cm, beside[i % 2]) for i, a in enumerate(along)]
    count = lattice.fits(run.length_cm, in_row_cm)
    if run.from_wall_to_wall and run.length_cm > 0:
        count = max(1, count)
    along = lattice.evenly(run.from_cm, run.length_cm, count)
    rows = (middle - half, middle + half) if sides == "both" else (middle,)
    return [run.at(a + moved_cm, inward) for inward in rows for a in along]


def in_row_for(plants: int, run: Run, sides: Sides) -> float:
    """The distance in the row at which so many plants stand along a run. [cm]"""
    rows = 2 if sides == "both" else 1
    return run.length_cm / math.ceil(plants / rows)


def cells_under(place: p.Place, run: Run) -> tuple[str, ...]:
    """Cells that are not held and that a run's footprint covers by more than the fit tolerance."""
    held = held_cells(place)
    return tuple(a for a in _cells_under(place.shape, pitch_of(place), run) if a not in held)


def off_held(place: p.Place, points: Sequence[tuple[float, float]]) -> list[tuple[float, float]]:
    """Those of some points that lie in no held square: nothing is planted where a post stands."""
    if not place.held:
        return list(points)
    grid = grid_of(place)
    boxes = [grid.box(grid.cells[a].spot) for a in held_cells(place) if a in grid.cells]
    held = shapely.union_all([shapely.box(b.x0, b.y0, b.x1, b.y1) for b in boxes])
    return [point for point in points if not held.contains(shapely.Point(point))]


@lru_cache(maxsize=2048)
def _cells_under(shape: p.Shape, pitch: Pitch, run: Run) -> tuple[str, ...]:
    if run.length_cm <= 0:
        return ()
    strip = _strip(run)
    grid = grid_over(shape, pitch)
    if strip.is_empty:
        return ()
    x0, y0, x1, y1 = strip.bounds
    whole = grid.bounds
    columns = _between(x0 - whole.x0, x1 - whole.x0, pitch.x_cm, grid.columns)
    rows = _between(y0 - whole.y0, y1 - whole.y0, pitch.y_cm, grid.rows)
    taken = []
    for spot in itertools.product(columns, rows):
        address = address_of(spot)
        if address not in grid.cells:
            continue
        box = grid.box(spot)
        shared = strip.intersection(shapely.box(box.x0, box.y0, box.x1, box.y1)).area
        if shared > FIT_TOLERANCE_CM * pitch.narrower_cm:
            taken.append(address)
    return tuple(taken)


def _between(start_cm: float, end_cm: float, pitch_cm: float, count: int) -> range:
    """Which of so many columns or rows a stretch reaches into."""
    most = count * pitch_cm
    first, last = (min(max(cm, 0.0), most) // pitch_cm for cm in (start_cm, end_cm))
    return range(int(first), min(int(last) + 1, count))


def _strip(run: Run) -> shapely.Polygon:
    """The ground that a run takes."""
    if run.edge.bends:
        half = run.footprint_cm / 2
        return shapely.LineString(run.line).buffer(half, cap_style="flat", join_style="mitre")
    return shapely.Polygon(
        [
            run.at(run.from_cm, 0),
            run.at(run.to_cm, 0),
            run.at(run.to_cm, run.footprint_cm),
            run.at(run.from_cm, run.footprint_cm),
        ]
    )


def in_row_cm(planting: p.Planting, crop: Crop, system: str) -> float:
    if planting.spacing_cm is not None:
        return planting.spacing_cm
    training = crop.training(system)
    return (training.in_row_cm if training else None) or crop.in_row_cm


def shades_own_bed(edge: Edge, latitude: float, book: Book) -> bool:
    """Whether an edge lies on the equator-ward side, where a support shades its own bed."""
    equatorward = 180.0 - shapes.poleward_deg(latitude)
    return shapes.angle_between(edge.facing_deg, equatorward) <= book.value("shading_edge_degrees")


def height_cm(support: p.Support, system: TrainingSystem) -> float:
    return support.height_cm or system.height_cm


def full_height_cm(crop: Crop, support: p.Support | None, book: Book) -> float:
    """Height a crop reaches: its own, or the top of what it climbs. [cm]"""
    if support is None:
        return crop.height_cm
    return min(crop.height_cm, height_cm(support, book.trainings[support.system]))
