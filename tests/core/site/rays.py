"""Sun by brute force: one ray a minute from each point, as an independent check of shade."""

from datetime import date

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.site.sun_path import Location, sun_path

Grid = NDArray[np.float64]


def ray_hours(
    points_m: Grid, site: p.Site, where: Location, day: date
) -> tuple[Grid, NDArray[np.bool_]]:
    """Hours of direct sun among solid obstacles on level ground, and which points graze.

    A point grazes where nudging it by two centimetres moves its hours by more than 0.1.
    """
    hours = _hours(points_m, site, where, day)
    grazing = np.zeros(len(points_m), dtype=bool)
    for nudge in ([0.02, 0.0], [-0.02, 0.0], [0.0, 0.02], [0.0, -0.02]):
        grazing |= np.abs(_hours(points_m + nudge, site, where, day) - hours) > 0.1
    return hours, grazing


def _hours(points_m: Grid, site: p.Site, where: Location, day: date) -> Grid:
    path = sun_path(where, (day,), 1.0)
    bearing = np.radians(path.azimuth_deg - (site.north_deg or 0.0))
    along = np.stack([np.sin(bearing), np.cos(bearing)], axis=1)
    tangent = np.tan(np.radians(path.elevation_deg))
    lit = np.ones((len(points_m), len(tangent)), dtype=bool)
    for obstacle in site.obstacles:
        nearest = _nearest(points_m, along, np.array(obstacle.outline_m))
        lit &= ~(nearest * tangent < obstacle.height_m)
    return lit.sum(axis=1) * path.step_hours


def _nearest(points_m: Grid, along: Grid, ring: Grid) -> Grid:
    """Distance along each ray to an outline, infinite where it is missed. [m]"""
    nearest = np.full((len(points_m), len(along)), np.inf)
    inside = np.zeros(nearest.shape, dtype=int)
    for start, end in zip(ring, np.roll(ring, -1, axis=0), strict=True):
        run, gap = end - start, start - points_m
        turn = along[:, 0] * run[1] - along[:, 1] * run[0]
        with np.errstate(divide="ignore", invalid="ignore"):
            far = (gap[:, :1] * run[1] - gap[:, 1:] * run[0]) / turn
            share = (gap[:, :1] * along[:, 1] - gap[:, 1:] * along[:, 0]) / turn
        met = (far > 0) & (share >= 0) & (share <= 1)
        inside += met
        nearest = np.where(met & (far < nearest), far, nearest)
    return np.where(inside % 2 == 1, 0.0, nearest)
