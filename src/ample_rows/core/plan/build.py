"""What frames are built from, at the prices here."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.plan.soil import Price
from ample_rows.core.plan.values import Ident, Measure, PlanValue


class Board(PlanValue):
    """A board as sold: its material, length and height, and its price."""

    material: Ident
    length_cm: Measure
    height_cm: Annotated[float, Field(ge=2, le=200, allow_inf_nan=False)]
    price: Price | None = None


class MaterialPrice(PlanValue):
    """What a material costs by its own unit: a metre, a square metre, a piece."""

    material: Ident
    price: Price


class Build(PlanValue):
    """Boards to choose from, and what other materials cost by their own unit."""

    boards: Annotated[tuple[Board, ...], Field(max_length=50)] = ()
    prices: Annotated[tuple[MaterialPrice, ...], Field(max_length=100)] = ()
    saw_cm: Annotated[float, Field(ge=0, le=2, allow_inf_nan=False)] | None = None
