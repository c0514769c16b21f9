"""Saving seed, as data by species."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.book.record import Amount, Record, Text


class SeedSaving(Record):
    """How seed of a species is saved.

    `apart_m` is how far from others of its species it has to flower to come true, `plants` from
    how many seed is taken, `ripe_days` how long after its first picking it is ripe. [m, days]
    """

    pollinated: Literal["itself", "insects", "wind"]
    apart_m: Amount
    plants: Annotated[int, Field(ge=1)]
    biennial: bool = False
    ripe_days: Amount
    dry: Text
