"""Routes of devices: what the scale and the thermometer show, and what was taken of it."""

from dataclasses import dataclass
from threading import Lock
from time import monotonic
from typing import Annotated, Literal

from fastapi import APIRouter, Depends, Request
from pydantic import BaseModel, ConfigDict, Field

from ample_rows.api.problems import RESPONSES
from ample_rows.core.record.taking import (
    SCALE,
    THERMOMETER,
    At,
    Steady,
    Taking,
    is_steady,
    with_reading,
)
from ample_rows.devices.stand_in import StandIn, stand_in_scale, stand_in_thermometer

router = APIRouter(prefix="/api/devices", tags=["devices"], responses=RESPONSES)

Kind = Literal["scale", "thermometer"]


class Attached:
    """A device with what was taken of it; read by several pages, it is one."""

    def __init__(self, device: StandIn, steady: Steady) -> None:
        self.device = device
        self.steady = steady
        self.taking = Taking()
        self.lock = Lock()


def attached() -> dict[Kind, Attached]:
    """The devices of a server, which are stand-ins."""
    return {
        "scale": Attached(stand_in_scale(), SCALE),
        "thermometer": Attached(stand_in_thermometer(), THERMOMETER),
    }


def _device(kind: Kind, request: Request) -> Attached:
    devices: dict[Kind, Attached] = request.app.state.devices
    return devices[kind]


One = Annotated[Attached, Depends(_device)]


@dataclass(frozen=True, slots=True)
class Shown:
    """What a device shows: in kilograms, or °C.

    `taken` is the last reading that stood still, the `nth` since the server started. A `stand_in`
    is no real device.
    """

    value: float
    steady: bool
    battery: float
    nth: int
    taken: float | None
    stand_in: bool


@router.get("/{kind}")
def read_device(one: One) -> Shown:
    """What a device shows now; what stands still is taken, once."""
    with one.lock:
        reading = one.device.read()
        one.taking = with_reading(one.taking, At(monotonic(), reading.value), one.steady)
        taking = one.taking
    steady = is_steady(taking.lately, one.steady)
    return Shown(reading.value, steady, reading.battery, taking.nth, taking.taken, stand_in=True)


@router.post("/{kind}/tare", status_code=204)
def tare_device(one: One) -> None:
    """What lies on it now counts as nothing."""
    with one.lock:
        one.device.tare()
        one.taking = Taking(nth=one.taking.nth)


class StandInRequest(BaseModel):
    """What to put before a stand-in, and whether it is connected."""

    model_config = ConfigDict(extra="forbid")

    value: float | None = Field(default=None, ge=-60, le=200, allow_inf_nan=False)
    connected: bool | None = None


@router.post("/{kind}/stand-in", status_code=204)
def set_stand_in(one: One, asked: StandInRequest) -> None:
    """Put something before the stand-in, or pull out its cable."""
    with one.lock:
        if asked.connected is not None:
            one.device.connected = asked.connected
        if asked.value is not None:
            one.device.put(asked.value)
