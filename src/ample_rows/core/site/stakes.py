"""The set-out sheet: where to drive the stakes of each place, by tape from two fixed points."""

import itertools
import math
from dataclasses import dataclass

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.geometry.cells import column_name
from ample_rows.core.site.frame import Points, outer_ring_m
from ample_rows.core.words.message import message

_SIMPLE_M = 0.02
_MANY_CORNERS = 12
_SQUARE_CORNERS = 4


@dataclass(frozen=True)
class Stake:
    """A stake: along the base line, square off it, and by tape from its two ends. [m]"""

    name: str
    along_m: float
    off_m: float
    from_start_m: float
    from_end_m: float


@dataclass(frozen=True)
class SetOut:
    """A place's stakes, the diagonals that prove it square, and its string. [m]

    A round place has one stake, in its middle, and the radius of the string.
    """

    place: str
    name: str
    stakes: tuple[Stake, ...]
    diagonals_m: tuple[float, ...]
    string_m: float
    radius_m: float | None


@dataclass(frozen=True)
class SetOutSheet:
    """All places of a yard on one base line, from a start to an end. [m]"""

    base_start_m: p.PointM
    base_end_m: p.PointM
    base_m: float
    places: tuple[SetOut, ...]
    stakes: int
    string_m: float


def _apart(one: p.PointM, other: p.PointM) -> bool:
    return math.dist(one, other) > 0


def set_out_sheet(plan: p.Plan) -> SetOutSheet:
    """Running measures and offsets from the yard's first side, for every place with a spot.

    Raises:
        CannotBeDoneError: There is no yard to measure from.
    """
    if plan.site is None or plan.site.outline_m is None:
        raise CannotBeDoneError(message("yard-not-drawn"))
    # A corner may be given twice: the base is the first side that has a length.
    corners = plan.site.outline_m
    start, end = next(side for side in itertools.pairwise((*corners, corners[0])) if _apart(*side))
    placed = [
        _place(place, ring, np.array(start), np.array(end))
        for place in plan.places
        if (ring := outer_ring_m(place)) is not None
    ]
    return SetOutSheet(
        base_start_m=start,
        base_end_m=end,
        base_m=math.dist(start, end),
        places=tuple(placed),
        stakes=sum(len(part.stakes) for part in placed),
        string_m=sum(part.string_m for part in placed),
    )


def _place(place: p.Place, ring: Points, start: Points, end: Points) -> SetOut:
    outline = shapely.Polygon(ring)
    simple = outline.simplify(_SIMPLE_M)
    corners = shapely.get_coordinates(simple)[:-1]
    if isinstance(place.shape, p.Circle) or len(corners) > _MANY_CORNERS:
        middle = np.array([outline.centroid.x, outline.centroid.y])
        radius = float(np.hypot(*(ring - middle).T).mean())
        stake = _stake("middle", middle, start, end)
        return SetOut(place.id, place.label, (stake,), (), radius, radius)
    stakes = tuple(
        _stake(column_name(index), corner, start, end) for index, corner in enumerate(corners)
    )
    across = [(0, 2), (1, 3)] if len(corners) == _SQUARE_CORNERS else []
    diagonals = tuple(float(math.dist(corners[a], corners[b])) for a, b in across)
    return SetOut(place.id, place.label, stakes, diagonals, float(simple.length), None)


def _stake(name: str, corner: Points, start: Points, end: Points) -> Stake:
    base = end - start
    along = base / np.hypot(*base)
    gap = corner - start
    return Stake(
        name=name,
        along_m=float(gap @ along),
        off_m=float(along[0] * gap[1] - along[1] * gap[0]),
        from_start_m=float(np.hypot(*gap)),
        from_end_m=float(np.hypot(*(corner - end))),
    )
