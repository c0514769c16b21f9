"""Routes over the ground: the shortest way for a hose or a walker round what stands in it."""

import heapq
import itertools
import math
from collections.abc import Sequence

import numpy as np
import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core import plan as p

_TOUCH_M = 0.02
_SIMPLE_M = 0.05
MOST_CORNERS = 120


def route_m(start: p.PointM, end: p.PointM, blocks: Sequence[shapely.Polygon]) -> float:
    """Length of the shortest way between two points round some outlines. [m]

    Where more stands in the way than can be searched quickly, or an end lies shut in, the
    straight distance is given.
    """
    straight = shapely.LineString([start, end])
    shrunk = [block.buffer(-_TOUCH_M) for block in blocks]
    near = [b for b in shrunk if not b.is_empty]
    if not any(straight.intersects(b) for b in near):
        return math.dist(start, end)
    corners = [c for b in blocks for c in _corners(b)]
    if len(corners) > MOST_CORNERS:
        return math.dist(start, end)
    found = _shortest([start, end, *corners], shapely.union_all(near))
    return math.dist(start, end) if found is None else found


def _corners(block: shapely.Polygon) -> list[p.PointM]:
    # Just outside the outline, so that a way along it does not touch it.
    ring = block.simplify(_SIMPLE_M).buffer(_TOUCH_M, join_style="mitre").convex_hull
    if not isinstance(ring, shapely.Polygon):
        return []
    return [(x, y) for x, y in ring.exterior.coords[:-1]]


def _shortest(points: list[p.PointM], blocked: BaseGeometry) -> float | None:
    """Dijkstra's way from the first point to the second over lines that nothing blocks."""
    pairs = list(itertools.combinations(range(len(points)), 2))
    at = np.array(points)
    lines = shapely.linestrings(at[np.array(pairs)])
    shapely.prepare(blocked)
    open_lines = ~shapely.intersects(blocked, lines)
    reach: dict[int, list[tuple[int, float]]] = {i: [] for i in range(len(points))}
    for (a, b), is_open in zip(pairs, open_lines, strict=True):
        if is_open:
            length = math.dist(points[a], points[b])
            reach[a].append((b, length))
            reach[b].append((a, length))
    best = {0: 0.0}
    queue = [(0.0, 0)]
    while queue:
        far, here = heapq.heappop(queue)
        if here == 1:
            return far
        if far > best[here]:
            continue
        for there, length in reach[here]:
            if far + length < best.get(there, math.inf):
                best[there] = far + length
                heapq.heappush(queue, (best[there], there))
    return None
