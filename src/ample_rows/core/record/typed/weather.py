"""The weather of a day as it is typed: "frost", "rain 12 mm", "min -2 max 9"."""

import re
from dataclasses import dataclass
from datetime import date

from pydantic import ValidationError

from ample_rows.core.plan.reading import PlanFaultsError, faults_of
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.words.message import (
    Message,
    Rain,
    Temperature,
    clauses,
    message,
)

_NUMBER = r"([-−]?\d+(?:[.,]\d+)?)"
_INCH_MM = 25.4
_RAIN = re.compile(rf"\b(?:rain|gauge)\s+{_NUMBER}\s*(mm|inch(?:es)?|in)?(?!\w)", re.I)
_LOW = re.compile(rf"\b(?:min|lowest|low)\s+{_NUMBER}\s*°?\s*(c|f)?(?!\w)", re.I)
_HIGH = re.compile(rf"\b(?:max|highest|high)\s+{_NUMBER}\s*°?\s*(c|f)?(?!\w)", re.I)
_FROST = re.compile(r"\b(?:frost|frosty|frosted)\b", re.I)
_FILLING = re.compile(r"\b(?:weather|seen|saw|a|the|and|in|last|night|today|of)\b|[\s,;:.]", re.I)


@dataclass(frozen=True, slots=True)
class TypedWeather:
    """What of a day's weather a line says, over what was measured of it before; and in words."""

    seen: WeatherSeen
    words: Message


def typed_weather(
    text: str, day: date, before: WeatherSeen | None, *, imperial: bool
) -> TypedWeather | None:
    """The weather that a line tells and nothing besides; None where it tells more, or none.

    Args:
        imperial: Whether a number without its unit is of inches and °F.

    Raises:
        PlanFaultsError: A figure that no weather has.
    """
    rain, low, high = _RAIN.search(text), _LOW.search(text), _HIGH.search(text)
    frost = _FROST.search(text) is not None
    rest = _FROST.sub(" ", _HIGH.sub(" ", _LOW.sub(" ", _RAIN.sub(" ", text))))
    if _FILLING.sub("", rest) or not (rain or low or high or frost):
        return None
    values = {
        "rain_mm": None if rain is None else _mm(rain, imperial=imperial),
        "rain_days": None if rain is None else 1,
        "min_c": None if low is None else _celsius(low, imperial=imperial),
        "max_c": None if high is None else _celsius(high, imperial=imperial),
        "frost": frost or None,
    }
    told = {key: value for key, value in values.items() if value is not None}
    known = before.model_dump() if before else {"day": day}
    try:
        seen = WeatherSeen.model_validate({**known, **told})
    except ValidationError as error:
        raise PlanFaultsError(faults_of(error)) from error
    return TypedWeather(seen, _said(seen))


def _figure(found: re.Match[str]) -> float:
    return float(found[1].replace("−", "-").replace(",", "."))


def _mm(found: re.Match[str], *, imperial: bool) -> float:
    inches = found[2].lower().startswith("in") if found[2] else imperial
    return round(_figure(found) * (_INCH_MM if inches else 1.0), 2)


def _celsius(found: re.Match[str], *, imperial: bool) -> float:
    fahrenheit = found[2].lower() == "f" if found[2] else imperial
    return round((_figure(found) - 32) / 1.8, 2) if fahrenheit else _figure(found)


def _said(seen: WeatherSeen) -> Message:
    return clauses(
        message("typed-weather"),
        None if seen.min_c is None else message("typed-lowest", low=Temperature(seen.min_c)),
        None if seen.max_c is None else message("typed-highest", high=Temperature(seen.max_c)),
        None if seen.rain_mm is None else message("typed-rain", rain=Rain(seen.rain_mm)),
        message("typed-frost") if seen.frost else None,
        message("typed-day", day=seen.day),
    )
