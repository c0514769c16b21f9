"""Growing up: what stands on a support, the cells beneath it, and its own shade."""

import math
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
    grid_of,
    grid_over,
    pitch_of,
)
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Edge

Sides = Literal["one", "both", "alternate"]


@dataclass(frozen=True)
class Run:
    """A stretch of a support: its edge, the part planted, the strip of ground it takes, and how far
    apart its rows stand where it is planted on both sides. [cm]"""

    edge: Edge
    from_cm: float
    to_cm: float
    footprint_cm: float
    edge_inner_left: bool
    rows_apart_cm: float = 0.0

    @property
    def length_cm(self) -> float:
        return self.to_cm - self.from_cm

    @property
    def from_wall_to_wall(self) -> bool:
        return self.length_cm >= self.edge.length_cm - FIT_TOLERANCE_CM

    def at(self, along_cm: float, inward_cm: float) -> Point:
        """A point along the edge and inward from it. [cm]"""
        (x0, y0), (x1, y1) = self.edge.start, self.edge.end
        length = self.edge.length_cm
        ux, uy = (x1 - x0) / length, (y1 - y0) / length
        nx, ny = self._inward(ux, uy)
        return (x0 + ux * along_cm + nx * inward_cm, y0 + uy * along_cm + ny * inward_cm)

    def _inward(self, ux: float, uy: float) -> Point:
        # Edges run the way coordinates rise, so only the stored facing tells the inner side.
        return (-uy, ux) if self.edge_inner_left else (uy, -ux)


def edge_of(
    place: p.Place, support: p.Support, *, latitude: float, north_deg: float
) -> Edge | None:
    return shapes.edge_towards(place, support.edge, latitude=latitude, north_deg=north_deg)


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
    if planting.sides in ("both", "alternate"):
        apart = system.build.both_sides_cm
        whole = replace(whole, footprint_cm=whole.footprint_cm + apart, rows_apart_cm=apart)
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
    """A system along the whole of an edge, or the stretch of it that a support stands on."""
    start, end = 0.0, edge.length_cm
    if support is not None and support.run_cm is not None:
        low, high = sorted(support.run_cm)
        start, end = max(0.0, low), min(edge.length_cm, high)
    return Run(edge, start, max(start, end), system.footprint_cm, _inner_left(place, edge))


def _inner_left(place: p.Place, edge: Edge) -> bool:
    (x0, y0), (x1, y1) = edge.start, edge.end
    left = shapely.Point((x0 + x1) / 2 - (y1 - y0) * 1e-3, (y0 + y1) / 2 + (x1 - x0) * 1e-3)
    return bool(shapes.outline(place.shape).contains(left))


def _span(place: p.Place, edge: Edge, cells: tuple[str, ...]) -> tuple[float, float]:
    grid = grid_of(place)
    (x0, y0), (x1, y1) = edge.start, edge.end
    length = edge.length_cm
    ux, uy = (x1 - x0) / length, (y1 - y0) / length
    reach = [
        (x - x0) * ux + (y - y0) * uy
        for box in (grid.box(grid.cells[a].spot) for a in cells)
        for x, y in ((box.x0, box.y0), (box.x1, box.y1), (box.x0, box.y1), (box.x1, box.y0))
    ]
    return min(reach), max(reach)


def positions_on(run: Run, in_row_cm: float, sides: Sides = "one") -> list[Point]:
    """One row along the run in the middle of its strip, or two beside the support: opposite
    each other, or in turn, where neighbours across keep their distance as well. Spread evenly;
    from wall to wall there is always one."""
    middle, half = run.footprint_cm / 2, run.rows_apart_cm / 2
    if sides == "alternate":
        step = math.sqrt(max(0.0, in_row_cm**2 - run.rows_apart_cm**2))
        count = lattice.fits(run.length_cm, max(in_row_cm / 2, step))
        along = lattice.evenly(run.from_cm, run.length_cm, count)
        return [run.at(a, middle + (half if i % 2 else -half)) for i, a in enumerate(along)]
    count = lattice.fits(run.length_cm, in_row_cm)
    if run.from_wall_to_wall and run.length_cm > 0:
        count = max(1, count)
    along = lattice.evenly(run.from_cm, run.length_cm, count)
    rows = (middle - half, middle + half) if sides == "both" else (middle,)
    return [run.at(a, inward) for inward in rows for a in along]


def in_row_for(plants: int, run: Run, sides: Sides) -> float:
    """The distance in the row at which so many plants stand along a run. [cm]"""
    rows = 2 if sides == "both" else 1
    return run.length_cm / math.ceil(plants / rows)


def cells_under(place: p.Place, run: Run) -> tuple[str, ...]:
    """Cells that the footprint of a run covers by more than the fit tolerance."""
    return _cells_under(place.shape, pitch_of(place), run)


@lru_cache(maxsize=2048)
def _cells_under(shape: p.Shape, pitch: Pitch, run: Run) -> tuple[str, ...]:
    if run.length_cm <= 0:
        return ()
    strip = shapely.Polygon(
        [
            run.at(run.from_cm, 0),
            run.at(run.to_cm, 0),
            run.at(run.to_cm, run.footprint_cm),
            run.at(run.from_cm, run.footprint_cm),
        ]
    )
    grid = grid_over(shape, pitch)
    x0, y0, x1, y1 = strip.bounds
    taken = []
    for address, cell in grid.cells.items():
        box = grid.box(cell.spot)
        apart = box.x1 <= x0 or box.x0 >= x1 or box.y1 <= y0 or box.y0 >= y1
        if apart:
            continue
        shared = strip.intersection(shapely.box(box.x0, box.y0, box.x1, box.y1)).area
        if shared > FIT_TOLERANCE_CM * pitch.narrower_cm:
            taken.append(address)
    return tuple(taken)


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
