"""Routes of where a garden lies: towns, frosts, climates, growing zones."""

from datetime import UTC, date, datetime
from typing import Annotated

from fastapi import APIRouter, Body, Query
from pydantic import BaseModel, Field

from ample_rows.api.problems import RESPONSES
from ample_rows.core.plan import Climate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.weather.climate import made_up, read_climate
from ample_rows.core.weather.frost_guess import guess_frosts
from ample_rows.core.weather.hardiness import winter_low_of_zone_c
from ample_rows.crops import load_book
from ample_rows.towns import Town, find_towns

router = APIRouter(prefix="/api", tags=["where"], responses=RESPONSES)
Latitude = Annotated[float, Query(ge=-90, le=90, allow_inf_nan=False)]


@router.get("/towns")
def towns(name: Annotated[str, Query(min_length=2, max_length=120)]) -> tuple[Town, ...]:
    """Towns whose name begins so, the largest first; after a comma, their state or country.

    From the GeoNames gazetteer (CC BY 4.0), packed when the application was built.
    """
    return find_towns(name)


class FrostAnswer(BaseModel):
    last_frost: date
    first_frost: date
    spread_days: float


@router.get("/frosts")
def frosts(
    latitude: Latitude, climate: Annotated[str | None, Query(max_length=120)] = None
) -> FrostAnswer:
    """Frost dates of the coming season, guessed from a latitude or a made-up climate's."""
    chosen = None if climate is None else load_book().climates.get(climate)
    guess = guess_frosts(latitude, today=datetime.now(UTC).date(), climate=chosen)
    return FrostAnswer(**vars(guess))


class WinterLow(BaseModel):
    """The coldest night of a usual winter."""

    winter_low_c: float


@router.get("/winter-low")
def winter_low(zone: Annotated[str, Query(min_length=1, max_length=120)]) -> WinterLow:
    """What a growing zone says of the winter; 422 for what is no zone of these."""
    low = winter_low_of_zone_c(zone)
    if low is None:
        raise PlanFaultsError.one("zone", f'"{zone}" is no growing zone; write 1 to 13, as in 7b')
    return WinterLow(winter_low_c=low)


class ClimateAnswer(BaseModel):
    """A made-up climate as it would be in this garden, with its frosts of the coming season."""

    id: str
    label: str
    suits: str
    climate: Climate
    last_frost: date
    first_frost: date
    spread_days: float
    winter_low_c: float


@router.get("/climates")
def climates(latitude: Latitude) -> list[ClimateAnswer]:
    """Made-up climates to begin from, shifted half a year south of the equator."""
    today = datetime.now(UTC).date()
    return [
        ClimateAnswer(
            id=name,
            label=c.label,
            suits=c.suits,
            climate=made_up(c, latitude),
            winter_low_c=c.winter_low_c,
            **vars(guess_frosts(latitude, today=today, climate=c)),
        )
        for name, c in load_book().climates.items()
    ]


class ClimateTable(BaseModel):
    """A table of monthly normals as text."""

    text: Annotated[str, Field(max_length=20_000)]


@router.post("/climate-table")
def climate_table(table: Annotated[ClimateTable, Body()]) -> Climate:
    """Monthly normals read from a table of comma-, semicolon- or tab-parted values."""
    return read_climate(table.text)
