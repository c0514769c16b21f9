"""Several places of one kind in a row or a grid, with room to walk between them."""

from dataclasses import dataclass

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.site.frame import Points, on_the_ground


@dataclass(frozen=True)
class RowOfPlaces:
    """So many places, so many side by side, and the way between two of them. [cm]"""

    count: int = 1
    abreast: int = 1
    gap_cm: float = 0.0

    @property
    def deep(self) -> int:
        """How many stand one behind the other."""
        return -(-self.count // self.abreast)


def steps_cm(place: p.Place, row: RowOfPlaces) -> list[tuple[float, float]]:
    """How far each place stands from the first, in its frame: beside it along its width, then
    behind it along its length. [cm]"""
    box = _outer(place)
    across, behind = box.width + row.gap_cm, box.length + row.gap_cm
    return [(across * (i % row.abreast), behind * (i // row.abreast)) for i in range(row.count)]


def footprint_cm(place: p.Place, row: RowOfPlaces) -> Points:
    """The corners of the ground that all of them take, in the frame of the first. [cm]"""
    outer = shapes.outer_outline(place.shape)
    if row.count == 1:
        return np.asarray(outer.exterior.coords)
    box, steps = _outer(place), steps_cm(place, row)
    x1, y1 = box.x1 + max(x for x, _ in steps), box.y1 + max(y for _, y in steps)
    return np.array([(box.x0, box.y0), (x1, box.y0), (x1, y1), (box.x0, y1)])


def spots_m(place: p.Place, row: RowOfPlaces) -> list[p.PointM]:
    """Where each place lies in the yard; none where the first has no spot there. [m]"""
    if place.at_m is None:
        return []
    heading = place.heading_deg or 0.0
    bare = p.Rectangle(type="rectangle", width_cm=1.0, length_cm=1.0)
    points = on_the_ground(bare, place.at_m, heading, np.array(steps_cm(place, row)))
    return [(round(float(x), 3), round(float(y), 3)) for x, y in points]


def paths_between(place: p.Place, row: RowOfPlaces) -> list[tuple[p.PointM, p.PointM]]:
    """The middle lines of the ways between them: along their lengths, then across. [m]"""
    if place.at_m is None:
        return []
    box, half = _outer(place), row.gap_cm / 2
    whole = footprint_cm(place, row)
    (left, low), (right, high) = whole.min(axis=0), whole.max(axis=0)
    across, behind = box.width + row.gap_cm, box.length + row.gap_cm
    lines = [
        ((box.x1 + half + across * i, low), (box.x1 + half + across * i, high))
        for i in range(min(row.abreast, row.count) - 1)
    ]
    lines += [
        ((left, box.y1 + half + behind * i), (right, box.y1 + half + behind * i))
        for i in range(row.deep - 1)
    ]
    return [_in_yard(place, line) for line in lines]


def _in_yard(
    place: p.Place, line: tuple[tuple[float, float], tuple[float, float]]
) -> tuple[p.PointM, p.PointM]:
    assert place.at_m is not None, "asked only of places that lie in the yard"
    heading = place.heading_deg or 0.0
    start, end = on_the_ground(place.shape, place.at_m, heading, np.array(line)).round(3).tolist()
    return (start[0], start[1]), (end[0], end[1])


def _outer(place: p.Place) -> Box:
    x0, y0, x1, y1 = shapes.outer_outline(place.shape).bounds
    return Box(x0, y0, x1, y1)
