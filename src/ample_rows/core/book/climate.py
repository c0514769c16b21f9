"""Made-up climates to begin from, where no station's normals are at hand."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.book.record import (
    Amount,
    DayOfYear,
    Record,
    Status,
    Text,
)

Twelve = Annotated[tuple[float, ...], Field(min_length=12, max_length=12)]
TwelveAmounts = Annotated[tuple[Amount, ...], Field(min_length=12, max_length=12)]


class MadeUpClimate(Record):
    """Monthly normals of no real station, January first, for the northern hemisphere at a usual
    latitude of such climates. [degrees]

    `last_frost` and `first_frost` are mean days, as month and day; `winter_low_c` the coldest
    night of a usual winter. [deg C]
    """

    label: Text
    suits: Text
    latitude: Amount
    tmin_c: Twelve
    tmax_c: Twelve
    rain_mm: TwelveAmounts
    vapour_kpa: TwelveAmounts
    wind_m_per_s: TwelveAmounts
    sunshine_hours: TwelveAmounts
    last_frost: DayOfYear
    first_frost: DayOfYear
    frost_spread_days: Amount
    winter_low_c: float
    status: Status
    source: Text
