"""What a forecast service gives, and the stand-in that ships: its days come from the normals."""

from dataclasses import dataclass
from datetime import date
from typing import Protocol

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.weather.days import DayWeather, weather_of

DAYS_AHEAD = 7


class ForecastService(Protocol):
    """Anything that tells the days ahead; a service over the network would be one too."""

    def ahead(self, since: date, days: int) -> tuple[DayWeather, ...]:
        """The days from a day on, as far as they are known; empty where nothing is."""
        ...


@dataclass(frozen=True)
class StandInForecast:
    """A forecast made up from a garden's normals: plausible days, the same for the same seed."""

    climate: p.Climate | None
    seed: int
    book: Book

    def ahead(self, since: date, days: int) -> tuple[DayWeather, ...]:
        if self.climate is None:
            return ()
        return weather_of(self.climate, since, days, self.seed, self.book)
