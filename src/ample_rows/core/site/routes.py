"""Routes over the ground: the shortest way for a hose or a walker round what stands in it."""

import heapq
import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np
import shapely
from numpy.typing import NDArray

from ample_rows.core import plan as p

_TOUCH_M = 0.02
_SIMPLE_M = 0.05
MOST_CORNERS = 160

Flags = NDArray[np.bool_]


@dataclass(frozen=True, eq=False)
class Ways:
    """What bars the way over a yard, and which of its corners see each other.

    `barred` are the outlines a little shrunk, so that a way may touch them; `steps_m` holds
    the distance between corners that see each other, infinite between others.
    """

    barred: NDArray[np.object_]
    corners: NDArray[np.float64]
    steps_m: NDArray[np.float64]

    @classmethod
    def round(cls, blocks: Sequence[shapely.Polygon]) -> "Ways":
        """The ways round some outlines; with too many corners, ways are told straight."""
        barred = _array([block.buffer(-_TOUCH_M) for block in blocks])
        found = [c for block in blocks for c in _corners(block)]
        corners = np.array(found if len(found) <= MOST_CORNERS else []).reshape(-1, 2)
        steps = np.full((len(corners), len(corners)), math.inf)
        first, second = np.triu_indices(len(corners), k=1)
        lines = _lines(corners[first], corners[second])
        free = ~_meets(lines, barred).any(axis=1)
        far = np.hypot(*(corners[first] - corners[second]).T)
        steps[first[free], second[free]] = far[free]
        return cls(barred, corners, np.minimum(steps, steps.T))

    def length_m(self, start: p.PointM, end: p.PointM, *, inside: int | None = None) -> float:
        """The shortest way between two points; straight where none is found. [m]

        Args:
            inside: The block that the end lies in, which does not bar the last stretch.
        """
        straight = math.dist(start, end)
        others = np.ones(len(self.barred), dtype=bool)
        if inside is not None:
            others[inside] = False
        bars = self.barred[others]
        if not _meets(_lines(np.array([start]), np.array([end])), bars).any():
            return straight
        from_start = self._seen(start, self.barred)
        to_end = self._seen(end, bars)
        return _shortest(from_start, self.steps_m, to_end) or straight

    def _seen(self, point: p.PointM, bars: NDArray[np.object_]) -> NDArray[np.float64]:
        """Distance from a point to each corner that it sees, else infinite. [m]"""
        here = np.broadcast_to(np.array(point), self.corners.shape)
        free = ~_meets(_lines(here, self.corners), bars).any(axis=1)
        return np.where(free, np.hypot(*(self.corners - here).T), math.inf)


def _array(shapes: Sequence[Any]) -> NDArray[np.object_]:
    found = np.empty(len(shapes), dtype=object)
    found[:] = shapes
    shapely.prepare(found)
    return found


def _lines(first: NDArray[np.float64], second: NDArray[np.float64]) -> NDArray[np.object_]:
    ends = np.stack([first, second], axis=1).reshape(-1, 2, 2)
    return np.asarray(shapely.linestrings(ends), dtype=object).reshape(-1)


def _meets(lines: NDArray[np.object_], bars: NDArray[np.object_]) -> Flags:
    """Which lines cross which outlines: lines x outlines."""
    return np.asarray(shapely.intersects(bars[None, :], lines[:, None]), dtype=bool)


def _corners(block: shapely.Polygon) -> list[p.PointM]:
    # Just outside the outline, so that a way along it does not touch it.
    ring = block.simplify(_SIMPLE_M).buffer(_TOUCH_M, join_style="mitre").convex_hull
    if not isinstance(ring, shapely.Polygon):
        return []
    return [(x, y) for x, y in ring.exterior.coords[:-1]]


def _shortest(
    from_start: NDArray[np.float64], steps_m: NDArray[np.float64], to_end: NDArray[np.float64]
) -> float | None:
    """Dijkstra's way from the start over corners to the end; None where there is none."""
    best = from_start.copy()
    queue = [(float(far), i) for i, far in enumerate(best) if math.isfinite(far)]
    heapq.heapify(queue)
    while queue:
        far, here = heapq.heappop(queue)
        if far > best[here]:
            continue
        reached = far + steps_m[here]
        for there in np.flatnonzero(reached < best):
            best[there] = reached[there]
            heapq.heappush(queue, (float(reached[there]), int(there)))
    total = float(np.min(best + to_end, initial=math.inf))
    return total if math.isfinite(total) else None
