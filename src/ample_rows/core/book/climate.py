"""Made-up climates to begin from, where no station's normals are at hand."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.book.record import (
    Amount,
    Record,
    Status,
    Text,
)

Twelve = Annotated[tuple[float, ...], Field(min_length=12, max_length=12)]
TwelveAmounts = Annotated[tuple[Amount, ...], Field(min_length=12, max_length=12)]


class MadeUpClimate(Record):
    """Monthly normals of no real station, January first, for the northern hemisphere."""

    label: Text
    suits: Text
    tmin_c: Twelve
    tmax_c: Twelve
    rain_mm: TwelveAmounts
    vapour_kpa: TwelveAmounts
    wind_m_per_s: TwelveAmounts
    sunshine_hours: TwelveAmounts
    status: Status
    source: Text
