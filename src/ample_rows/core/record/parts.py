"""Parts of a record beside its entries: the weather of a day, a photo, seedlings."""

from datetime import date
from typing import Annotated, Literal

from pydantic import Field, model_validator

from ample_rows.core.plan.values import Ident, Name, PlanDate, PlanValue

AirTemperature = Annotated[float, Field(ge=-70, le=60, allow_inf_nan=False)]
RainDepth = Annotated[float, Field(ge=0, le=2_000, allow_inf_nan=False)]
Pixels = Annotated[int, Field(ge=1, le=20_000)]


class WeatherSeen(PlanValue):
    """The weather of one day as the grower measured it. [°C, mm]

    What a gauge held that was last emptied `rain_days` ago fell on that many days up to this one.
    """

    day: PlanDate
    min_c: AirTemperature | None = None
    max_c: AirTemperature | None = None
    rain_mm: RainDepth | None = None
    rain_days: Annotated[int, Field(ge=1, le=31)] = 1
    frost: bool = False

    @model_validator(mode="after")
    def _in_order(self) -> "WeatherSeen":
        if self.min_c is not None and self.max_c is not None and self.min_c > self.max_c:
            raise ValueError("min_c is above max_c")
        return self

    @property
    def id(self) -> str:
        return self.day.isoformat()


class Photo(PlanValue):
    """A picture of a garden, a place or a planting; `file` is what it is kept as."""

    id: Ident
    day: PlanDate
    place: Ident | None = None
    planting: Ident | None = None
    text: Annotated[str, Field(max_length=400)] | None = None
    file: Name
    width: Pixels
    height: Pixels


LotStep = Literal[
    "sown", "bought", "up", "singled", "divided", "potted-on", "ready", "set-out", "given", "lost"
]


class LotEvent(PlanValue):
    """What became of a lot of seedlings on a day, and of how many.

    `planting` is where some were set out, where that is not the one that their lot is for.
    """

    day: PlanDate
    step: LotStep
    count: Annotated[int, Field(ge=0, le=100_000)]
    planting: Ident | None = None


class SeedlingLot(PlanValue):
    """Seedlings that are raised or were bought together, and what became of them in order.

    `planting` is the one that they are for.
    """

    id: Ident
    crop: Ident
    planting: Ident | None = None
    text: Annotated[str, Field(max_length=400)] | None = None
    events: Annotated[tuple[LotEvent, ...], Field(min_length=1, max_length=500)]

    @property
    def day(self) -> date:
        """The day on which the lot began."""
        return self.events[0].day


class Trial(PlanValue):
    """Two sides of plantings that differ in one thing, to be compared season after season."""

    id: Ident
    day: PlanDate
    differs: Name
    one_name: Name
    other_name: Name
    one: Annotated[tuple[Ident, ...], Field(min_length=1, max_length=100)]
    other: Annotated[tuple[Ident, ...], Field(min_length=1, max_length=100)]

    @model_validator(mode="after")
    def _apart(self) -> "Trial":
        if set(self.one) & set(self.other):
            raise ValueError("a planting is on both sides")
        return self
