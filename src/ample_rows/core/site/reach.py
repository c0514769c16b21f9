"""Reach: whether hands get to every square from where a person can stand."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import groupby, pairwise
from typing import Literal

import numpy as np
import shapely
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Worker
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import Grid, Spot, grid_of
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.site.cell_points import block_points_cm
from ample_rows.core.site.frame import Points, on_the_ground
from ample_rows.core.words.message import Length, Text, message

ReachVerdict = Literal["within reach", "a stretch", "out of reach"]
_STEP_CM = 10.0
_EDGE_CM = 0.1


@dataclass(frozen=True)
class Reach:
    """The farthest square from a standing person's side of the wall, against an arm. [cm]"""

    verdict: ReachVerdict
    reasons: tuple[Text, ...]
    needed_cm: float
    arm_cm: float
    cells_beyond: tuple[str, ...] = ()


def workers_of(household: p.Household | None, book: Book) -> tuple[Worker, ...]:
    """Who works the garden; an adult where nothing is said."""
    names = household.workers if household and household.workers else ("adult",)
    return tuple(book.workers[name] for name in names)


@lru_cache(maxsize=1024)
def reach_of(
    place: p.Place,
    household: p.Household | None,
    book: Book,
    *,
    in_the_way: tuple[shapely.Polygon, ...] = (),
    yard: shapely.Polygon | None = None,
) -> Reach:
    """Reach over a place from all of its rim, or from that part where a person can stand.

    Args:
        in_the_way: Outlines in the yard where nobody stands. [m]
        yard: The yard's own outline. [m]
    """
    worker = min(workers_of(household, book), key=lambda w: w.arm_cm)
    arm = household.arm_cm if household and household.arm_cm else worker.arm_cm
    stretch = arm * worker.stretch_cm / worker.arm_cm
    rim, outward = _rim(place)
    wall = place.shape.wall_thickness_cm or 0.0
    feet = rim + outward * (wall + book.value("standing_room_cm"))
    stood = _can_stand(place, feet, in_the_way, yard, book)
    if place.kind == "container" and not stood.all():
        # What can be lifted or turned is reached all round.
        stood = np.ones(len(rim), dtype=bool)
    if not stood.any():
        nowhere = (message("reach-no-room-stand-beside"),)
        return Reach("out of reach", nowhere, 0.0, arm, tuple(grid_of(place).cells))
    needed = _needed_cm(place, rim[stood], outward[stood])
    beyond = tuple(a for a, cm in needed.items() if cm > stretch + 0.01)
    most = max(needed.values())
    verdict: ReachVerdict = "within reach"
    if beyond or most > arm * book.value("reach_slack") + 0.01:
        verdict = "out of reach" if beyond else "a stretch"
    reasons = [
        message(
            "reach-farthest-square-reaches", most=Length(most), worker=worker.label, arm=Length(arm)
        )
    ]
    if not stood.all():
        reasons.append(message("reach-part-rim-has-no"))
    return Reach(verdict, tuple(reasons), most, arm, beyond)


def beyond_rings_m(place: p.Place, reach: Reach) -> tuple[Points, ...]:
    """Outlines in the yard of the squares out of reach; none where the place has no spot. [m]"""
    if place.at_m is None or not reach.cells_beyond:
        return ()
    grid = grid_of(place)
    boxes = list(_stripes(grid, [grid.cells[address].spot for address in reach.cells_beyond]))
    squares = shapely.union_all([shapely.box(b.x0, b.y0, b.x1, b.y1) for b in boxes])
    inside = shapely.get_parts(squares.intersection(shapes.outline(place.shape)))
    heading = place.heading_deg or 0.0
    return tuple(
        on_the_ground(place.shape, place.at_m, heading, shapes.corners(part.exterior))
        for part in inside
        if isinstance(part, shapely.Polygon)
    )


def _stripes(grid: Grid, spots: Iterable[Spot]) -> Iterator[Box]:
    """The ground of some squares as few boxes: unbroken runs of each column. [cm]"""
    for column, rows in groupby(sorted(spots), key=lambda spot: spot[0]):
        run = [row for _, row in rows]
        breaks = [i for i in range(1, len(run)) if run[i] != run[i - 1] + 1]
        for first, end in pairwise([0, *breaks, len(run)]):
            low, high = grid.box((column, run[first])), grid.box((column, run[end - 1]))
            yield Box(low.x0, low.y0, high.x1, high.y1)


def _rim(place: p.Place) -> tuple[Points, Points]:
    """Points along the inside rims every ten centimetres, and the way outward from each."""
    outline = shapely.geometry.polygon.orient(shapes.outline(place.shape))
    points, outward = [], []
    for ring in (outline.exterior, *outline.interiors):
        count = max(8, int(np.ceil(ring.length / _STEP_CM)))
        at = (np.arange(count) + 0.5) * ring.length / count
        here = shapely.get_coordinates(shapely.line_interpolate_point(ring, at))
        ahead = shapely.get_coordinates(
            shapely.line_interpolate_point(ring, np.minimum(at + 0.01, ring.length))
        )
        run = (ahead - here) / 0.01
        points.append(here)
        # Oriented rings keep the soil on their left, so outward is to the right of travel.
        outward.append(np.stack([run[:, 1], -run[:, 0]], axis=1))
    return np.concatenate(points), np.concatenate(outward)


def _can_stand(
    place: p.Place,
    feet: Points,
    in_the_way: Sequence[shapely.Polygon],
    yard: shapely.Polygon | None,
    book: Book,
) -> NDArray[np.bool_]:
    # In the hole of a ring somebody can stand only where the hole leaves room all round.
    away = shapely.distance(shapely.points(feet), shapes.outline(place.shape))
    free = np.asarray(away) >= book.value("standing_room_cm") / 2
    if place.at_m is None:
        return np.asarray(free)
    spots = on_the_ground(place.shape, place.at_m, place.heading_deg or 0.0, feet)
    for outline in in_the_way:
        free &= ~shapely.contains_xy(outline, spots[:, 0], spots[:, 1])
    if yard is not None:
        free &= shapely.contains_xy(yard, spots[:, 0], spots[:, 1])
    return np.asarray(free)


def _needed_cm(place: p.Place, rim: Points, outward: Points) -> dict[str, float]:
    """From the nearest standing side to the farthest point of each cell, over the wall. [cm]"""
    grid = grid_of(place)
    wall = place.shape.wall_thickness_cm or 0.0
    along = np.stack([-outward[:, 1], outward[:, 0]], axis=1) * _STEP_CM / 2
    segments = np.stack([rim - along, rim + along], axis=1)
    stood = shapely.STRtree(np.asarray(shapely.linestrings(segments)).tolist())
    points, block_of = _far_points(grid)
    outline = shapes.outline(place.shape).buffer(_EDGE_CM)
    shapely.prepare(outline)
    block, corner = np.nonzero(shapely.contains_xy(outline, points[..., 0], points[..., 1]))
    # Neighbours share their corners; each is looked for once.
    spots, which = np.unique(np.round(points[block, corner], 3), axis=0, return_inverse=True)
    asked = np.asarray(shapely.points(spots)).tolist()
    pairs, far = stood.query_nearest(asked, return_distance=True, all_matches=False)
    away = np.empty(len(spots))
    away[pairs[0]] = np.asarray(far) + wall
    most = np.full(len(points), wall)
    np.maximum.at(most, block, away[which.ravel()])
    return {address: float(most[block_of[row]]) for row, address in enumerate(grid.cells)}


def _far_points(grid: Grid) -> tuple[Points, NDArray[np.intp]]:
    """Corners and middle of each cell, or of a vast place's blocks the middle; whose is whose."""
    middles, block_of = block_points_cm(grid)
    if len(middles) < len(grid.cells):
        return middles[:, None], block_of
    boxes = [grid.box(cell.spot) for cell in grid.cells.values()]
    corners = np.array([[(x, y) for x in (b.x0, b.x1) for y in (b.y0, b.y1)] for b in boxes])
    return np.concatenate([corners, middles[:, None]], axis=1), block_of
