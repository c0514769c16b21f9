"""Taking a reading: only one that stands still, and each of them once."""

from collections.abc import Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Steady:
    """When a reading stands still, and when another is a new one.

    So many readings in a row lie within `within`; less than `least` is nothing; after one was
    taken the next is taken once the reading was down to nothing, or moved by `anew`.
    """

    readings: int
    within: float
    least: float
    anew: float


SCALE = Steady(readings=4, within=0.002, least=0.005, anew=0.020)
"""A kitchen scale. [kg]"""

THERMOMETER = Steady(readings=6, within=0.1, least=-60.0, anew=1.0)
"""A probe in the soil, which follows slowly. [°C]"""


@dataclass(frozen=True, slots=True)
class Taking:
    """What was read of late, and what was taken of it: how many so far, and the last."""

    lately: tuple[float, ...] = ()
    nth: int = 0
    taken: float | None = None
    armed: bool = True

    @property
    def value(self) -> float | None:
        """The newest reading."""
        return self.lately[-1] if self.lately else None


def is_steady(lately: Sequence[float], steady: Steady) -> bool:
    """Whether the newest readings stand still."""
    newest = lately[-steady.readings :]
    return len(newest) == steady.readings and max(newest) - min(newest) <= steady.within


def with_reading(taking: Taking, value: float, steady: Steady) -> Taking:
    """The same after one more reading; taken where it stands still and is a new one."""
    lately = (*taking.lately, value)[-steady.readings :]
    moved = taking.taken is None or abs(value - taking.taken) >= steady.anew
    armed = taking.armed or value < steady.least or moved
    if armed and value >= steady.least and is_steady(lately, steady):
        middle = sorted(lately)[len(lately) // 2]
        return Taking(lately, taking.nth + 1, middle, armed=False)
    return Taking(lately, taking.nth, taking.taken, armed)
