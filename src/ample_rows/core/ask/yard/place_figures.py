"""What a place would hold as it is being typed: squares, soil, depth, before it is in the plan."""

from dataclasses import dataclass

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM, Pitch, grid_of
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.place.laid import laid_report
from ample_rows.core.place.report import DepthLayers, LaidReport
from ample_rows.core.soil.roots import soil_depth

_STRIP_SHARE = 0.5


@dataclass(frozen=True, slots=True)
class PlaceFigures:
    """A place at a glance. `strip_cm` are the strips of part squares along its far edges that are
    narrower than half a square, across and along; null where there is none. [cm, L, m2]"""

    outline_cm: tuple[Point, ...]
    holes_cm: tuple[tuple[Point, ...], ...]
    bounds_cm: tuple[float, float, float, float]
    pitch_cm: Pitch
    inside_area_m2: float
    soil_litres: float
    wall_cm: float
    rim_gap_cm: float
    usable_cm: float
    layers: DepthLayers
    whole_squares: int
    part_squares: int
    strip_cm: tuple[float | None, float | None]
    laid: LaidReport | None


def place_figures(place: p.Place, garden: p.Garden, book: Book) -> PlaceFigures:
    """A place's own figures, whatever stands round it; on the day of the last frost."""
    grid, box, outline = grid_of(place), shapes.bounds(place.shape), shapes.outline(place.shape)
    depth = soil_depth(place, book, on=garden.last_frost)
    whole = sum(cell.whole for cell in grid.cells.values())
    return PlaceFigures(
        outline_cm=_points(outline.exterior),
        holes_cm=tuple(_points(ring) for ring in outline.interiors),
        bounds_cm=(box.x0, box.y0, box.x1, box.y1),
        pitch_cm=grid.pitch,
        inside_area_m2=shapes.inside_area_m2(place.shape),
        soil_litres=shapes.soil_litres(place),
        wall_cm=shapes.wall_cm(place),
        rim_gap_cm=shapes.rim_gap_cm(place),
        usable_cm=depth.usable_cm,
        layers=DepthLayers(depth.fill_cm, depth.loosened_cm, depth.native_cm),
        whole_squares=whole,
        part_squares=len(grid.cells) - whole,
        strip_cm=(
            _strip_cm(place, box.width, grid.pitch.x_cm),
            _strip_cm(place, box.length, grid.pitch.y_cm),
        ),
        laid=laid_report(place, book),
    )


def _points(ring: shapely.LinearRing) -> tuple[Point, ...]:
    return tuple((round(float(x), 2), round(float(y), 2)) for x, y in shapes.corners(ring))


def _strip_cm(place: p.Place, extent_cm: float, side_cm: float) -> float | None:
    if not shapes.is_rectangular(place.shape):
        return None
    left = extent_cm % side_cm
    narrow = FIT_TOLERANCE_CM < left < _STRIP_SHARE * side_cm
    return left if narrow and extent_cm > side_cm else None
