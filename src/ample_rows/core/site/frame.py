"""From a place's own frame to the yard, and from the yard to true north.

A place's frame is in cm with its origin at the inside corner; the yard is in metres.
Headings and azimuths run clockwise.
"""

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes

Points = NDArray[np.float64]


def to_yard(place: p.Place, points_cm: Points) -> Points | None:
    """Points of a place's frame in yard metres; None where the place has no spot there.

    Args:
        points_cm: Rows of x, y in the place's frame. [cm]
    """
    if place.at_m is None:
        return None
    return on_the_ground(place.shape, place.at_m, place.heading_deg or 0.0, points_cm)


def on_the_ground(shape: p.Shape, at_m: p.PointM, heading_deg: float, points_cm: Points) -> Points:
    """Points of a shape's frame once its origin (a circle's centre) lies at `at_m`."""
    local = np.asarray(points_cm, dtype=np.float64)
    if isinstance(shape, p.Circle):
        box = shapes.bounds(shape)
        local = local - [box.width / 2, box.length / 2]
    turn = np.radians(heading_deg)
    cos, sin = np.cos(turn), np.sin(turn)
    # Clockwise: the frame's +y comes to point along the heading.
    yard: Points = np.asarray(at_m) + local @ np.array([[cos, -sin], [sin, cos]]) / 100
    return yard


def outer_ring_m(place: p.Place) -> Points | None:
    """The place's outline in the yard, walls included. [m]"""
    return to_yard(place, shapes.corners(shapes.outer_outline(place.shape).exterior))


def inner_rings_m(place: p.Place) -> tuple[Points, ...]:
    """The rings round a place's soil in the yard, holes after the outline. [m]"""
    if place.at_m is None:
        return ()
    inside = shapes.outline(place.shape)
    rings = (inside.exterior, *inside.interiors)
    return tuple(
        on_the_ground(place.shape, place.at_m, place.heading_deg or 0.0, shapes.corners(ring))
        for ring in rings
    )
