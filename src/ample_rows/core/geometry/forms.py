"""Outlines in a few measures: L, U and ring, drawn so that their area is exact."""

import math
from dataclasses import dataclass
from typing import Literal

Form = Literal["l", "u", "ring"]
Points = tuple[tuple[float, float], ...]

RING_CORNERS = 96
_LEAST_CM = 1.0


@dataclass(frozen=True)
class Outline:
    """A polygon's rings in its own frame. [cm]"""

    outline_cm: Points
    holes_cm: tuple[Points, ...]


def outline_of(form: Form, *, width_cm: float, length_cm: float, arm_cm: float) -> Outline:
    """The outline of a form by its measures.

    Args:
        width_cm: Across; of a ring its whole diameter.
        length_cm: Along; a ring has none of its own.
        arm_cm: Width of an arm; of a ring from rim to hole.

    Raises:
        ValueError: The arms leave no corner free, or the ring no hole.
    """
    if form == "ring":
        return _ring(width_cm, arm_cm)
    room = min(width_cm / (2 if form == "u" else 1), length_cm)
    if arm_cm >= room - _LEAST_CM:
        raise ValueError(f"an arm of {arm_cm:g} cm leaves nothing between; less than {room:g}")
    w, h, a = width_cm, length_cm, arm_cm
    if form == "l":
        return Outline(((0, 0), (w, 0), (w, a), (a, a), (a, h), (0, h)), ())
    return Outline(((0, 0), (w, 0), (w, h), (w - a, h), (w - a, a), (a, a), (a, h), (0, h)), ())


def _ring(across_cm: float, band_cm: float) -> Outline:
    hole = across_cm / 2 - band_cm
    if hole < _LEAST_CM:
        raise ValueError(f"a band of {band_cm:g} cm leaves no hole; less than {across_cm / 2:g}")
    return Outline(_circle(across_cm / 2, across_cm / 2), (_circle(hole, across_cm / 2),))


def _circle(radius: float, middle: float) -> Points:
    """A many-cornered circle of the very area of the round one."""
    turn = 2 * math.pi / RING_CORNERS
    out = radius * math.sqrt(turn / math.sin(turn))
    return tuple(
        (
            round(middle + out * math.cos(i * turn), 4),
            round(middle + out * math.sin(i * turn), 4),
        )
        for i in range(RING_CORNERS)
    )
