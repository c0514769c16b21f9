"""What fills the places, and what it costs here."""

from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from ample_rows.core.plan.values import (
    Ident,
    Litres,
    Name,
    PlanDate,
    PlanValue,
    Positive,
    one_line,
)

Price = Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False)]
Parts = Annotated[float, Field(gt=0, le=1000, allow_inf_nan=False)]
Percent = Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]
Level3 = Literal["low", "middle", "high"]


class Bag(PlanValue):
    """A bag as sold: its litres and its price; a pressed bale also opens to more litres."""

    litres: Litres
    price: Price | None = None
    name: Name | None = None
    opened_litres: Litres | None = None


class Bulk(PlanValue):
    """Loose mix by volume, with what its delivery costs, how many households share that, and
    the least that is sold."""

    price_per_m3: Price | None = None
    delivery: Price | None = None
    shared_by: Annotated[int, Field(ge=1, le=50)] | None = None
    least_m3: Positive | None = None
    step_m3: Litres | None = None


class Own(PlanValue):
    """Material that is there already, or made: so much of it, at so much a litre."""

    litres: Positive
    price_per_litre: Price | None = None


class Vehicle(PlanValue):
    """What fetches soil: the litres and the kilograms that it takes at once."""

    name: Name | None = None
    litres: Litres | None = None
    kg: Annotated[float, Field(gt=0, le=1e5, allow_inf_nan=False)] | None = None


class Part(PlanValue):
    """So many parts of an ingredient, by loose volume."""

    of: Ident
    parts: Parts


class Recipe(PlanValue):
    """A mix of the grower's own, by parts of loose volume."""

    id: Ident
    name: Name | None = None
    parts: Annotated[tuple[Part, ...], Field(min_length=1, max_length=20)]


class OwnMaterial(PlanValue):
    """A material of the grower's own, with what it is worth in a mix; with what `stays` of its
    height it can be laid as well, and be planted after `fit_days`.

    Settling and held water are shares, nitrogen is what a litre frees or ties up in a year.
    """

    id: Ident
    name: Name | None = None
    settling: Annotated[float, Field(ge=0, lt=0.6, allow_inf_nan=False)]
    saturated_kg_per_litre: Annotated[float, Field(gt=0, le=5, allow_inf_nan=False)]
    available_water: Annotated[float, Field(gt=0, lt=0.5, allow_inf_nan=False)]
    n_g_per_litre: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] | None = None
    n_takes_g_per_litre: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] | None = None
    stays: Annotated[float, Field(gt=0, le=1, allow_inf_nan=False)] | None = None
    fit_days: Annotated[float, Field(ge=0, le=2_000, allow_inf_nan=False)] | None = None


class Ingredient(PlanValue):
    """An ingredient to mix from: litres that are there, and the price of what is not."""

    name: Ident
    litres: Positive | None = None
    price_per_litre: Price | None = None


LabelDays = Annotated[int, Field(ge=0, le=365)]


class Packet(PlanValue):
    """A feed by the analysis on its packet: nitrogen, phosphate and potash by weight.

    The label's own rate: the most to give at once, how long until the next time, and how long
    to wait with picking. [g/m2, days] A handful of it, put on the scale once, is `handful_g`.
    """

    name: Name | None = None
    n_percent: Percent
    p2o5_percent: Percent | None = None
    k2o_percent: Percent | None = None
    price_per_kg: Price | None = None
    handful_g: Annotated[float, Field(gt=0, le=1_000, allow_inf_nan=False)] | None = None
    at_once_g_per_m2: Annotated[float, Field(gt=0, le=5_000, allow_inf_nan=False)] | None = None
    every_days: LabelDays | None = None
    wait_days: LabelDays | None = None


class LiquidFeed(PlanValue):
    """A feed poured with the water, by its label: mL in 10 L, how often, and the wait before
    anything is picked. [days]"""

    name: Name | None = None
    ml_per_10_l: Annotated[float, Field(gt=0, le=1_000, allow_inf_nan=False)]
    every_days: Annotated[int, Field(ge=1, le=365)] | None = None
    wait_days: LabelDays | None = None


class SoilTest(PlanValue):
    """What a laboratory or a kit said of the soil."""

    on: PlanDate | None = None
    ph: Annotated[float, Field(ge=2, le=12, allow_inf_nan=False)] | None = None
    phosphate: Level3 | None = None
    potash: Level3 | None = None


class Soil(PlanValue):
    """The mix for beds and the grower's prices, in whatever money is used here.

    `feeding` is a school: "mix", a rich mix feeds itself for a season; "from-start", bought
    soil is fed from the first day.
    """

    mix: Ident | None = None
    money: Annotated[str, Field(max_length=8), AfterValidator(one_line)] | None = None
    bags: Annotated[tuple[Bag, ...], Field(max_length=50)] = ()
    bulk: Bulk | None = None
    own: Own | None = None
    vehicle: Vehicle | None = None
    recipes: Annotated[tuple[Recipe, ...], Field(max_length=30)] = ()
    materials: Annotated[tuple[OwnMaterial, ...], Field(max_length=40)] = ()
    ingredients: Annotated[tuple[Ingredient, ...], Field(max_length=40)] = ()
    packet: Packet | None = None
    liquid: LiquidFeed | None = None
    feeding: Literal["mix", "from-start"] | None = None
    test: SoilTest | None = None
