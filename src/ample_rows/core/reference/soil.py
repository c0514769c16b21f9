"""Mixes to fill places with."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.reference.record import Record, Size, Status, Text


class Mix(Record):
    """A mix to fill places with: parts of loose volume, and what it is worth.

    `settling` is the share lost of what is poured; `available_water` the share of its settled
    volume that roots can take.
    """

    label: Text
    parts: Annotated[dict[str, Size], Field(min_length=1)]
    settling: Annotated[float, Field(ge=0, lt=0.6)]
    saturated_kg_per_litre: Size
    available_water: Annotated[float, Field(gt=0, lt=0.5)]
    suits: Text
    status: Status
    source: Text
