"""A first bed: five answers turned into a garden with one planted place.

The crops are those of the kinds of food that the household likes; where each goes, when it
starts and what follows it is worked out for the bed's own depth, light and frosts.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.ask.what_fits.liked import planted_as_liked
from ample_rows.core.book import Book, MadeUpClimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.weather.climate import made_up
from ample_rows.core.weather.frost_guess import FrostGuess, guess_frosts
from ample_rows.core.weather.hardiness import winter_low_of_zone_c

_FOOT_CM = 30.48
# Where no frost ends the year, it begins when the bed is made.
_NEVER = "01-01"
EVERYTHING = "all"


@dataclass(frozen=True)
class FirstBed:
    """The answers, and who asks. [cm, hours, degrees]

    A round bed is as wide as it is long. `climate` names a made-up one, `zone` a growing zone,
    `town` where the latitude is from.
    """

    name: str
    container: bool
    width_cm: float
    length_cm: float
    depth_cm: float
    sun_hours: float
    latitude: float
    last_frost: date | None
    first_frost: date | None
    units: Literal["metric", "imperial"] | None = None
    words: Literal["en-GB", "en-US"] | None = None
    round: bool = False
    likes: tuple[str, ...] = ()
    longitude: float | None = None
    town: str | None = None
    climate: str | None = None
    zone: str | None = None


def first_garden(answers: FirstBed, book: Book, *, today: date) -> p.Plan:
    """A garden with one bed, planted for the year. What was guessed is marked in it.

    Raises:
        PlanFaultsError: A kind of food or a climate that the book does not know.
    """
    _require_known("climate", answers.climate, book.climates)
    for index, like in enumerate(answers.likes):
        _require_known(f"likes[{index}]", like, [*book.likes, EVERYTHING])
    climate = book.climates.get(answers.climate) if answers.climate else None
    guess = guess_frosts(answers.latitude, today=today, climate=climate)
    garden = {**_where(answers, guess), **_weather(answers, climate)}
    said: dict[str, object] = {"units": answers.units, "words": answers.words}
    if answers.likes:
        said["household"] = {"likes": answers.likes}
    if climate is not None and climate.last_frost == _NEVER:
        said["season_start"] = (today.replace(day=1) + timedelta(days=31)).replace(day=1)
    garden |= {key: value for key, value in said.items() if value is not None}
    empty = p.Plan(
        format="ample-rows/plan",
        version=1,
        garden=p.Garden.model_validate(garden),
        places=(_bed(answers),),
        plantings=(),
    )
    return planted_as_liked(empty, book, answers.likes, since=today)


def _require_known(field: str, name: str | None, known: Iterable[str]) -> None:
    if name is not None and name not in known:
        raise PlanFaultsError.one(field, f'"{name}" is not known; use {", ".join(known)}')


def _where(answers: FirstBed, guess: FrostGuess) -> dict[str, object]:
    given = {"last_frost": answers.last_frost, "first_frost": answers.first_frost}
    guesses = {"last_frost": guess.last_frost, "first_frost": guess.first_frost}
    guessed = [key for key, day in given.items() if day is None]
    where: dict[str, object] = {
        "name": answers.name,
        "latitude": answers.latitude,
        "longitude": answers.longitude or 0.0,
        **{key: day or guesses[key] for key, day in given.items()},
        "x-guessed": guessed,
    }
    if guessed:
        where["frost_spread_days"] = guess.spread_days
    if answers.town:
        where["x-town"] = answers.town
    return where


def _weather(answers: FirstBed, climate: MadeUpClimate | None) -> dict[str, object]:
    """The usual year of a made-up climate; the winter low is the zone's where one is known."""
    weather: dict[str, object] = {}
    if climate is not None:
        usual = made_up(climate, answers.latitude)
        weather = {"climate": usual, "winter_low_c": climate.winter_low_c}
    if answers.zone:
        weather["zone"] = answers.zone
        low = winter_low_of_zone_c(answers.zone)
        weather |= {} if low is None else {"winter_low_c": low}
    return weather


def _bed(answers: FirstBed) -> p.Place:
    shape: p.Shape
    if answers.round:
        shape = p.Circle(type="circle", diameter_cm=answers.width_cm)
    else:
        shape = p.Rectangle(
            type="rectangle", width_cm=answers.width_cm, length_cm=answers.length_cm
        )
    return p.Place(
        id="bed",
        name="First container" if answers.container else "First bed",
        kind="container" if answers.container else "framed",
        bottom="closed" if answers.container else "open",
        native=None if answers.container else "ordinary",
        shape=shape,
        wall_height_cm=answers.depth_cm,
        cell_cm=_FOOT_CM if answers.units == "imperial" else None,
        grid=None if answers.round else "fitted",
        rim_gap_cm=min(3.0, answers.depth_cm / 4),
        heading_deg=90.0,
        sun_hours=answers.sun_hours,
    )
