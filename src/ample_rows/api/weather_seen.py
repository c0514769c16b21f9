"""Routes of the weather of days: what was measured in the garden, beside the stand-in's."""

from datetime import date, timedelta
from typing import Annotated

from fastapi import APIRouter, Depends, Response

from ample_rows.api.gardens import Body, Garden, Store, body_of
from ample_rows.api.problems import RESPONSES
from ample_rows.core.plan import PlanDate
from ample_rows.core.plan.reading import PlanFaultsError, read_as
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.record.weather import WEEK, DayOfWeather, weather_days
from ample_rows.core.weather.forecast import StandInForecast
from ample_rows.store import record_parts
from ample_rows.store.record_parts import RecordParts

router = APIRouter(prefix="/api/gardens/{slug}", tags=["record"], responses=RESPONSES)

MOST_DAYS = 400
_GAUGE_DAYS = timedelta(days=31)


def weather_of_days(store: Store) -> RecordParts[WeatherSeen]:
    return record_parts.weather_days(store.database)


Measured = Annotated[RecordParts[WeatherSeen], Depends(weather_of_days)]


def measured_on(measured: RecordParts[WeatherSeen], slug: str, day: date) -> WeatherSeen:
    """What was measured on a day; of a day without, nothing but its day."""
    found = measured.every(slug, since=day, until=day)
    return found[0] if found else WeatherSeen(day=day)


@router.get("/weather")
def list_weather(
    slug: str, since: PlanDate, until: PlanDate, measured: Measured, here: Garden
) -> tuple[DayOfWeather, ...]:
    """Each day of a spell as it was measured; what was not is made up, and told as such."""
    length = (until - since).days + 1
    if not 1 <= length <= MOST_DAYS:
        raise PlanFaultsError.one("until", f"is not within {MOST_DAYS} days after since")
    stand_in = StandInForecast(here.plan.garden.climate, here.report.seed, here.book)
    seen = measured.every(slug, since=since - WEEK, until=until + _GAUGE_DAYS)
    return weather_days(seen, stand_in.ahead(since, length), since, until)


@router.get("/weather/{day}")
def read_weather(slug: str, day: PlanDate, measured: Measured) -> WeatherSeen:
    """What was measured on a day; of a day without, nothing but its day."""
    return measured_on(measured, slug, day)


@router.put(
    "/weather/{day}",
    openapi_extra=body_of("WeatherSeen"),
)
def keep_weather(slug: str, day: PlanDate, body: Body, measured: Measured) -> WeatherSeen:
    """Keep what was measured on a day, or what it was changed to."""
    read = read_as(WeatherSeen, body)
    if read.day != day:
        raise PlanFaultsError.one("day", f"is {read.day}, and the address says {day}")
    measured.keep(slug, read, ident=read.id, day=day)
    return read


@router.delete("/weather/{day}", status_code=204, response_class=Response)
def remove_weather(slug: str, day: PlanDate, measured: Measured) -> None:
    """Take out what was measured on a day."""
    measured.remove(slug, day.isoformat())
