"""Taking a reading: only one that stands still, and each of them once."""

from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Steady:
    """When a reading stands still, and when another is a new one.

    All that was read over `for_s` lies within `within`; less than `least` is nothing; after one
    was taken the next is taken once the reading was down to nothing, or moved by `anew`. [s]
    """

    for_s: float
    within: float
    least: float
    anew: float


SCALE = Steady(for_s=1.5, within=0.002, least=0.005, anew=0.020)
"""A kitchen scale. [kg]"""

THERMOMETER = Steady(for_s=3.0, within=0.1, least=-60.0, anew=1.0)
"""A probe in the soil, which follows slowly. [°C]"""

_LEAST_READINGS = 4


@dataclass(frozen=True, slots=True)
class At:
    """What was read at a moment, in seconds that only grow."""

    s: float
    value: float


@dataclass(frozen=True, slots=True)
class Taking:
    """What was read of late, and what was taken of it: how many so far, and the last."""

    lately: tuple[At, ...] = ()
    nth: int = 0
    taken: float | None = None
    armed: bool = True


def is_steady(lately: Sequence[At], steady: Steady) -> bool:
    """Whether what was read stood still for long enough. Readings that come all at once say no
    more than one."""
    if not lately or lately[-1].s - lately[0].s < steady.for_s:
        return False
    values = _standing(lately, steady)
    return len(values) >= _LEAST_READINGS and max(values) - min(values) <= steady.within


def _standing(lately: Sequence[At], steady: Steady) -> list[float]:
    since = lately[-1].s - steady.for_s
    return [reading.value for reading in lately if reading.s >= since]


def with_reading(taking: Taking, reading: At, steady: Steady) -> Taking:
    """The same after one more reading; taken where it stands still and is a new one."""
    since = reading.s - 2 * steady.for_s
    lately = (*(each for each in taking.lately if each.s >= since), reading)
    value = reading.value
    moved = taking.taken is None or abs(value - taking.taken) >= steady.anew
    armed = taking.armed or value < steady.least or moved
    if armed and value >= steady.least and is_steady(lately, steady):
        values = sorted(_standing(lately, steady))
        return Taking(lately, taking.nth + 1, values[len(values) // 2], armed=False)
    return Taking(lately, taking.nth, taking.taken, armed)
