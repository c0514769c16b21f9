"""Lines laid over a place for drip or soaker hose: where they run, how long, how many drippers."""

import math
from dataclasses import dataclass
from functools import lru_cache

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.lattice import Point

_LEAST_RUN_CM = 5.0


@dataclass(frozen=True, slots=True)
class WaterLines:
    """Lines along a place, each with its ends in the place's frame. [cm, m]"""

    runs_cm: tuple[tuple[Point, Point], ...]
    apart_cm: float
    line_m: float
    header_m: float
    emitters: int


@lru_cache(maxsize=256)
def lines_over(shape: p.Shape, rows_apart_cm: tuple[float, ...], book: Book) -> WaterLines:
    """Lines along the longer side, on the crops' rows where there are rows.

    Args:
        rows_apart_cm: Distances between the rows of what stands in rows; may be empty.
    """
    box = shapes.bounds(shape)
    wanted = min(rows_apart_cm, default=book.value("drip_lines_apart_cm"))
    along_y = box.length >= box.width
    across, start = (box.width, box.x0) if along_y else (box.length, box.y0)
    count = max(1, round(across / wanted))
    apart = across / count
    inside = shapes.outline(shape)
    runs = []
    for index in range(count):
        at = start + (index + 0.5) * apart
        ends = [(at, box.y0), (at, box.y1)] if along_y else [(box.x0, at), (box.x1, at)]
        runs += _within(shapely.LineString(ends), inside)
    total = sum(math.dist(a, b) for a, b in runs) / 100
    emitters = sum(
        max(1, round(math.dist(a, b) / book.value("emitters_apart_cm"))) for a, b in runs
    )
    return WaterLines(
        runs_cm=tuple(runs),
        apart_cm=apart,
        line_m=total,
        header_m=apart * (count - 1) / 100,
        emitters=emitters,
    )


def _within(line: shapely.LineString, inside: shapely.Polygon) -> list[tuple[Point, Point]]:
    met = line.intersection(inside)
    parts = met.geoms if hasattr(met, "geoms") else [met]
    runs = []
    for part in parts:
        if part.length >= _LEAST_RUN_CM:
            (x0, y0), (x1, y1) = part.coords[0], part.coords[-1]
            runs.append(((round(x0, 2), round(y0, 2)), (round(x1, 2), round(y1, 2))))
    return runs
