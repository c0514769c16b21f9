"""What every record of reference data is made of."""

from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field

Amount = Annotated[float, Field(ge=0, allow_inf_nan=False)]
Size = Annotated[float, Field(gt=0, allow_inf_nan=False)]
Share = Annotated[float, Field(ge=0, le=1)]
DayOfYear = Annotated[str, Field(pattern=r"^(0[1-9]|1[0-2])-(0[1-9]|1[0-9]|2[0-8])$")]
Text = Annotated[str, Field(min_length=1)]
Status = Literal["measured", "derived", "judged"]


OWN_FIGURE = "This garden's own figure."
"""The source of what a grower has said of their own garden."""


class Record(BaseModel):
    """One row of a table: frozen, and closed to keys that no rule reads."""

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False)
