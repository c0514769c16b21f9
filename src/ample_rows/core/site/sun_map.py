"""The sun over the whole yard: hours at ground level on an even grid of points."""

import math
from dataclasses import dataclass
from datetime import date
from functools import lru_cache

import numpy as np
import shapely
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.site.place_sun import Sky
from ample_rows.core.site.shade import map_hours
from ample_rows.core.site.skyline import Block, blocks
from ample_rows.core.site.sun_path import sample_days, sun_path

FINEST_M = 0.25
MOST_POINTS = 8000
DAY_MINUTES = 2.0
OUTSIDE = -1

Ring = tuple[p.PointM, ...]


@dataclass(frozen=True)
class SunMap:
    """Hours of direct sun in tenths, row by row from the least y; -1 outside the yard.

    The first point lies at `x0_m`, `y0_m`, and the rest `step_m` apart.
    """

    x0_m: float
    y0_m: float
    step_m: float
    columns: int
    rows: int
    tenths: tuple[tuple[int, ...], ...]


@dataclass(frozen=True, eq=False)
class _Field:
    """Points of a yard on an even grid."""

    x0_m: float
    y0_m: float
    step_m: float
    columns: int
    rows: int
    inside: NDArray[np.bool_]
    blocks: tuple[Block, ...]

    def map_of(self, hours: NDArray[np.float32]) -> SunMap:
        """A map with one layer for each column of hours."""
        layers = np.full((hours.shape[1], self.inside.size), OUTSIDE, dtype=np.int64)
        layers[:, self.inside] = np.round(hours.T * 10)
        tenths = tuple(tuple(layer.tolist()) for layer in layers)
        return SunMap(self.x0_m, self.y0_m, self.step_m, self.columns, self.rows, tenths)


def sun_by_month(outline_m: Ring, sky: Sky) -> SunMap:
    """Mean daily direct sun of each month over a yard, January first."""
    field = _field(outline_m, sky.yard.rise_per_m)
    daily = _months(field, sky)
    return field.map_of(daily.reshape(len(daily), 12, -1).mean(axis=2))


@lru_cache(maxsize=4)
def _months(field: _Field, sky: Sky) -> NDArray[np.float32]:
    path = sun_path(sky.where, sample_days(sky.year))
    hours: NDArray[np.float32] = map_hours(field.blocks, sky.yard, path).sum(axis=2)
    return hours


@lru_cache(maxsize=32)
def sun_on_day(outline_m: Ring, sky: Sky, day: date) -> SunMap:
    """Direct sun over a yard on one day."""
    field = _field(outline_m, sky.yard.rise_per_m)
    path = sun_path(sky.where, (day,), DAY_MINUTES)
    return field.map_of(map_hours(field.blocks, sky.yard, path).sum(axis=2))


@lru_cache(maxsize=4)
def _field(outline_m: Ring, rise_per_m: tuple[float, float]) -> _Field:
    yard = shapely.Polygon(outline_m)
    x0, y0, x1, y1 = yard.bounds
    step = FINEST_M
    while (x1 - x0) * (y1 - y0) / step**2 > MOST_POINTS:
        step *= 2
    xs = x0 + (np.arange(_steps(x1 - x0, step)) + 0.5) * step
    ys = y0 + (np.arange(_steps(y1 - y0, step)) + 0.5) * step
    points = np.stack(np.meshgrid(xs, ys), axis=-1).reshape(-1, 2)
    inside = shapely.contains_xy(yard, points[:, 0], points[:, 1])
    ground = np.zeros(int(inside.sum()))
    return _Field(
        x0_m=float(xs[0]),
        y0_m=float(ys[0]),
        step_m=step,
        columns=len(xs),
        rows=len(ys),
        inside=inside,
        blocks=blocks(points[inside], ground, rise_per_m),
    )


def _steps(length_m: float, step_m: float) -> int:
    # A hair over a whole number of steps is float dust, not another row.
    return max(1, math.ceil(length_m / step_m - 1e-6))


KEPT = (_months, sun_on_day, _field)
"""What is remembered of maps; cleared where times are measured from nothing."""
