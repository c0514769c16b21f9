"""Mixes to fill places with, what they are mixed from, soft matter, and what crops take."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.book.record import (
    Amount,
    Record,
    Share,
    Size,
    Status,
    Text,
)

Settling = Annotated[float, Field(ge=0, lt=0.6)]
HeldWater = Annotated[float, Field(gt=0, lt=0.5)]


class Mix(Record):
    """A mix to fill places with: parts of loose volume, and what it is worth.

    `settling` is the share lost of what is poured; `available_water` the share of its settled
    volume that roots can take.
    """

    label: Text
    parts: Annotated[dict[str, Size], Field(min_length=1)]
    settling: Settling
    saturated_kg_per_litre: Size
    available_water: HeldWater
    suits: Text
    status: Status
    source: Text


class SoilIngredient(Record):
    """What mixes are made from; `n_g_per_litre` is the nitrogen that a litre frees in a year,
    `n_takes_g_per_litre` what it ties up in its first as it rots."""

    settling: Settling
    saturated_kg_per_litre: Size
    loose_kg_per_litre: Size
    available_water: HeldWater
    n_g_per_litre: Amount
    n_takes_g_per_litre: Amount = 0.0
    caution: str | None = None
    status: Status
    source: Text


class SoftMatter(Record):
    """Soft matter laid on or dug in: what stays of its height, and how soon it has sunk.

    `fit_days` are the days of mild weather until it can be planted through a fine layer on top:
    fewer where it was cut fine (`fine_share`), never fewer than `safe_days`; `meanwhile` is what
    may go in before. A litre frees `n_g_per_litre` and, mixed with soil, ties up
    `n_takes_g_per_litre` in its first year. It is sold or gathered in a `holder` of so many litres.
    """

    label: Text
    stays: Share
    halving_days: Size
    fit_days: Amount
    fine_share: Share = 1.0
    safe_days: Amount = 0.0
    meanwhile: Text | None = None
    holder: Literal["bale", "bag", "bucket"] | None = None
    holder_litres: Size | None = None
    n_g_per_litre: Amount
    n_takes_g_per_litre: Amount = 0.0
    caution: str | None = None
    status: Status
    source: Text


class TurfWay(Record):
    """What is done with the turf of a new bed: the work, when it is begun, and the sods it gives.
    [weeks, h/m2, L/m2]"""

    label: Text
    what: Text
    why: Text
    weeks_before: Size
    hours_per_m2: Amount
    sods_l_per_m2: Amount = 0.0
    status: Status
    source: Text


class GroundTool(Record):
    """What ground is broken with: the hours of one pass, a spit deep. [h/m2]"""

    label: Text
    hours_per_m2: Size
    hired: bool = False
    caution: str | None = None
    status: Status
    source: Text


class FeederClass(Record):
    """What a crop of one class takes from a square metre in its growth. [g/m2]"""

    n_g_per_m2: Amount
    p2o5_g_per_m2: Amount
    k2o_g_per_m2: Amount
    status: Status
    source: Text


class HarvestedPart(Record):
    """How the part that is picked shifts the need for nitrogen."""

    times: Amount
    why: Text
    status: Status
    source: Text
