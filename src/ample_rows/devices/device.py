"""What a measuring device tells: the small interface that one on a cable would have, too."""

from dataclasses import dataclass
from typing import Protocol

from ample_rows.core.errors import AmpleRowsError


class DeviceGoneError(AmpleRowsError, RuntimeError):
    """The device does not answer; the words say what to look at."""


@dataclass(frozen=True, slots=True)
class Reading:
    """What a device shows at a moment, in its own unit's base: kilograms, or °C.

    `battery` is what is left of it. [0-1]
    """

    value: float
    battery: float


class Device(Protocol):
    """Anything that is read again and again."""

    def read(self) -> Reading:
        """What it shows now.

        Raises:
            DeviceGoneError: It is off, or its cable is out.
        """
        ...

    def tare(self) -> None:
        """From now on what lies on it counts as nothing. Raises `DeviceGoneError`."""
        ...
