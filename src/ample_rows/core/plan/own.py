"""What a garden has learnt of itself and goes by: its own factors, as they were accepted."""

from typing import Annotated

from pydantic import AfterValidator, Field, model_validator
from pydantic_core import PydanticCustomError

from ample_rows.core.plan.values import Ident, PlanValue

Factor = Annotated[float, Field(ge=0.01, le=100, allow_inf_nan=False)]
ShiftDays = Annotated[float, Field(ge=-180, le=180, allow_inf_nan=False)]


class OwnFactor(PlanValue):
    """How much more or less than the book says comes here, with its 80 % interval, from so many
    plantings, and how many days later it is first and last picked; `days_to_pick` is how long
    after its start it was first picked, as it was seen."""

    factor: Factor
    low: Factor
    high: Factor
    n: Annotated[int, Field(ge=0, le=1_000_000)]
    first_pick_shift_days: ShiftDays | None = None
    last_pick_shift_days: ShiftDays | None = None
    days_to_pick: Annotated[float, Field(ge=0, le=4_000, allow_inf_nan=False)] | None = None

    @model_validator(mode="after")
    def _in_order(self) -> "OwnFactor":
        if not self.low <= self.factor <= self.high:
            raise PydanticCustomError("own_factor", "the factor must lie from low to high")
        return self


class ByName(dict[str, OwnFactor]):
    """Factors by name; not changed once they are read, so they have a hash."""

    def __hash__(self) -> int:  # type: ignore[override]
        return hash(frozenset(self.items()))


Named = Annotated[dict[Ident, OwnFactor], AfterValidator(ByName)]


class OwnFactors(PlanValue):
    """Accepted factors: of crops by id, of families, and of the garden for all that it never grew.

    What is not here has none: a grower may go by some and not by others.
    """

    garden: OwnFactor | None = None
    families: Named | None = None
    crops: Named | None = None
