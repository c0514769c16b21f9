"""The weather of days: what was measured, and what the stand-in makes up for the others."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.weather.days import DayWeather


@dataclass(frozen=True, slots=True)
class DayOfWeather:
    """One day's weather, as it was measured or made up. [°C, mm]

    `measured` is what was entered for it; what was not is the stand-in's, and null without one.
    `week_rain_mm` is what was measured over seven days up to it, null where nothing was.
    """

    day: date
    low_c: float | None
    high_c: float | None
    rain_mm: float | None
    frost: bool
    measured: tuple[str, ...]
    week_rain_mm: float | None


WEEK = timedelta(days=7)


def weather_days(
    measured: Sequence[WeatherSeen], made_up: Sequence[DayWeather], since: date, until: date
) -> tuple[DayOfWeather, ...]:
    """Each day of a spell by what was measured, else by what is made up.

    A gauge that was emptied some days before gives its rain evenly over them.
    """
    seen = {each.day: each for each in measured}
    rain = _rain_by_day(measured)
    stand_in = {each.day: each for each in made_up}
    days = (since + timedelta(days=n) for n in range((until - since).days + 1))
    return tuple(_of_day(day, seen.get(day), rain, stand_in.get(day)) for day in days)


def _of_week(rain: Mapping[date, float], until: date) -> float | None:
    caught = [mm for day, mm in rain.items() if until - WEEK < day <= until]
    return sum(caught) if caught else None


def _rain_by_day(measured: Sequence[WeatherSeen]) -> dict[date, float]:
    """Rain by day; a day that was read by itself keeps its own."""
    rain: dict[date, float] = {}
    for each in sorted(measured, key=lambda one: (-one.rain_days, one.day)):
        if each.rain_mm is not None:
            for back in range(each.rain_days):
                rain[each.day - timedelta(days=back)] = each.rain_mm / each.rain_days
    return rain


def _of_day(
    day: date,
    seen: WeatherSeen | None,
    rain: dict[date, float],
    made_up: DayWeather | None,
) -> DayOfWeather:
    own = {
        "low_c": seen.min_c if seen else None,
        "high_c": seen.max_c if seen else None,
        "rain_mm": rain.get(day),
    }
    told = {
        name: value if value is not None else getattr(made_up, name, None)
        for name, value in own.items()
    }
    measured = [name for name, value in own.items() if value is not None]
    frost = seen.frost if seen else False
    if frost:
        measured.append("frost")
    return DayOfWeather(
        day=day,
        low_c=told["low_c"],
        high_c=told["high_c"],
        rain_mm=told["rain_mm"],
        frost=frost,
        measured=tuple(measured),
        week_rain_mm=_of_week(rain, day),
    )
