"""Stand-ins for a scale and a thermometer: they settle, drift, lose battery and break off."""

import math
import random
from collections.abc import Callable
from time import monotonic

from ample_rows.devices.device import DeviceGoneError, Reading

_GONE = "The {name} does not answer. Look at its cable and its battery, then connect it again."


class StandIn:
    """A made-up device: what it measures is put before it, and it follows as a real one would.

    Args:
        settles_s: Time in which it comes within a third of a new value. [s]
        step: The smallest difference that it shows.
        noise: Spread of what it shows while it settles; it dies away.
        drift_per_hour: What it wanders off while nothing is tared.
        clock: Seconds that only grow.
    """

    def __init__(
        self,
        name: str,
        *,
        settles_s: float,
        step: float,
        noise: float,
        drift_per_hour: float,
        clock: Callable[[], float] = monotonic,
    ) -> None:
        self.name = name
        self._settles_s = settles_s
        self._step = step
        self._noise = noise
        self._drift_per_hour = drift_per_hour
        self._clock = clock
        self._random = random.Random(name)
        self._begun_s = self._since_s = self._tared_s = clock()
        self._from = self._to = self._zero = 0.0
        self.connected = True

    def put(self, value: float) -> None:
        """Put something before it: a load on the scale, warmth round the probe."""
        self._from, self._to = self._at_now(), value
        self._since_s = self._clock()

    def read(self) -> Reading:
        self._answering()
        age_s = self._clock() - self._since_s
        shaken = self._random.gauss(0.0, self._noise) * math.exp(-age_s / self._settles_s)
        drift = self._drift_per_hour * (self._clock() - self._tared_s) / 3600
        shown = self._at_now() - self._zero + drift + shaken
        return Reading(round(shown / self._step) * self._step, self._battery())

    def tare(self) -> None:
        self._answering()
        self._zero = self._to
        self._tared_s = self._clock()

    def _at_now(self) -> float:
        age_s = self._clock() - self._since_s
        return self._to + (self._from - self._to) * math.exp(-age_s / (self._settles_s / 3))

    def _battery(self) -> float:
        return max(0.0, 1.0 - (self._clock() - self._begun_s) / (400 * 3600))

    def _answering(self) -> None:
        if not self.connected or self._battery() <= 0:
            raise DeviceGoneError(_GONE.format(name=self.name))


def stand_in_scale(clock: Callable[[], float] = monotonic) -> StandIn:
    """A kitchen scale that shows grams and settles in about a second. [kg]"""
    return StandIn(
        "scale", settles_s=0.9, step=0.001, noise=0.02, drift_per_hour=0.002, clock=clock
    )


def stand_in_thermometer(clock: Callable[[], float] = monotonic) -> StandIn:
    """A probe that follows the soil in about half a minute. [°C]"""
    return StandIn(
        "thermometer", settles_s=8.0, step=0.1, noise=0.3, drift_per_hour=0.0, clock=clock
    )
