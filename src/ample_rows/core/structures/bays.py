"""Posts along a support, and a mesh bent to an arch: plane geometry."""

import math
from dataclasses import dataclass

from ample_rows.core.geometry.lattice import Point

_DUST_CM = 1e-6
_ARC_POINTS = 24


@dataclass(frozen=True, slots=True)
class Bays:
    """Posts along a run, from its beginning, and the bays between them. [cm]

    `over_cm` is what is left beyond the outer posts, the same at both ends.
    """

    posts_at_cm: tuple[float, ...]
    bay_cm: float
    openings: int | None
    over_cm: float


def bays_of(run_cm: float, most_cm: float, opening_cm: float | None) -> Bays:
    """Evenly spaced posts, whole openings apart and never wider than `most_cm`.

    Of the fewest bays and one or two more, those are taken that leave least at the ends; a bay
    more is set only where it saves more than an opening.
    """
    if run_cm <= 0:
        return Bays((), 0.0, None, 0.0)
    if opening_cm is None or opening_cm > min(most_cm, run_cm):
        count = max(1, math.ceil(run_cm / most_cm - _DUST_CM))
        return _laid(run_cm, count, run_cm / count, None)
    in_run = math.floor(run_cm / opening_cm + _DUST_CM)
    in_bay = max(1, math.floor(most_cm / opening_cm + _DUST_CM))
    fewest = math.ceil(in_run / in_bay)
    ways = [
        _laid(run_cm, count, (in_run // count) * opening_cm, in_run // count)
        for count in range(fewest, min(fewest + 3, in_run + 1))
    ]
    best = ways[0]
    for bays in ways[1:]:
        if bays.over_cm < best.over_cm - opening_cm / 2 - _DUST_CM:
            best = bays
    return best


def _laid(run_cm: float, count: int, bay_cm: float, openings: int | None) -> Bays:
    over = max(0.0, (run_cm - count * bay_cm) / 2)
    posts = tuple(round(over + i * bay_cm, 2) for i in range(count + 1))
    return Bays(posts, bay_cm, openings, round(over, 2))


@dataclass(frozen=True, slots=True)
class Arch:
    """A mesh bent over a span: its legs, its height, and its line from foot to foot. [cm]"""

    mesh_cm: float
    span_cm: float
    legs_cm: float
    height_cm: float
    line_cm: tuple[Point, ...]


def arch_of(span_cm: float, mesh_cm: float) -> Arch | None:
    """The arch that a mesh makes: straight legs under half a circle; where it is too short for
    that, a flat bow. None where it does not even reach across."""
    half_round = math.pi * span_cm / 2
    if mesh_cm <= span_cm + _DUST_CM:
        return None
    if mesh_cm >= half_round:
        legs = (mesh_cm - half_round) / 2
        radius = span_cm / 2
        arc = [_on_arc(radius, radius, legs, math.pi * (1 - i / _ARC_POINTS)) for i in _steps()]
        line = ((0.0, 0.0), *arc, (span_cm, 0.0))
        return Arch(mesh_cm, span_cm, legs, legs + radius, line)
    half = _half_angle(mesh_cm / span_cm)
    radius = mesh_cm / (2 * half)
    below = -radius * math.cos(half)
    arc = [
        _on_arc(radius, span_cm / 2, below, math.pi / 2 + half * (1 - 2 * i / _ARC_POINTS))
        for i in _steps()
    ]
    return Arch(mesh_cm, span_cm, 0.0, radius + below, tuple(arc))


def mesh_for(span_cm: float, height_cm: float) -> float:
    """Mesh that stands so high over a span, as legs under half a circle. [cm]"""
    return 2 * max(0.0, height_cm - span_cm / 2) + math.pi * span_cm / 2


def _steps() -> range:
    return range(_ARC_POINTS + 1)


def _on_arc(radius: float, x: float, z: float, turn: float) -> Point:
    return (round(x + radius * math.cos(turn), 2), round(z + radius * math.sin(turn), 2))


def _half_angle(ratio: float) -> float:
    """Half the angle of a bow whose length is `ratio` times its chord, by bisection. [radians]"""
    low, high = 1e-6, math.pi / 2
    for _ in range(60):
        middle = (low + high) / 2
        if middle / math.sin(middle) < ratio:
            low = middle
        else:
            high = middle
    return (low + high) / 2
