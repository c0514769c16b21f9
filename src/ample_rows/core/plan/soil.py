"""What fills the places, and what it costs here."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.plan.values import Ident, Name, PlanValue, Positive

Price = Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False)]
Litres = Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]


class Bag(PlanValue):
    """A bag as sold: its litres and its price."""

    litres: Litres
    price: Price | None = None
    name: Name | None = None


class Bulk(PlanValue):
    """Loose mix by volume, with what its delivery costs and the least that is sold."""

    price_per_m3: Price | None = None
    delivery: Price | None = None
    least_m3: Positive | None = None
    step_m3: Litres | None = None


class Own(PlanValue):
    """Material that is there already, or made: so much of it, at so much a litre."""

    litres: Positive
    price_per_litre: Price | None = None


class Soil(PlanValue):
    """The mix for beds and the grower's prices, in whatever money is used here."""

    mix: Ident | None = None
    money: Annotated[str, Field(max_length=8)] | None = None
    bags: Annotated[tuple[Bag, ...], Field(max_length=50)] = ()
    bulk: Bulk | None = None
    own: Own | None = None
