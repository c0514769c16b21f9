"""A first bed: four answers turned into a garden with one planted place.

The crops are a list of plain favourites; where each goes, when it starts and what
follows it is worked out for the bed's own depth, light and frosts.
"""

from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.ask.what_fits.filling import (
    blocks_across,
    first_that_does_well,
    follower,
    planted_with,
)
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.weather.frost_guess import FrostGuess, guess_frosts

FAVOURITES = (
    "lettuce",
    "carrot",
    "carrot-short",
    "onion",
    "beetroot",
    "dwarf-bean",
    "chard",
    "spinach",
    "radish",
    "rocket",
)
FOLLOWERS = ("lettuce", "spinach", "radish", "rocket", "beetroot", "dwarf-bean", "kale")
_FOOT_CM = 30.48
MOST_BLOCKS = 8
MOST_REPEATS = 2


@dataclass(frozen=True)
class FirstBed:
    """The four answers, and who asks. [cm, hours, degrees]"""

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


def first_garden(answers: FirstBed, book: Book, *, today: date) -> p.Plan:
    """A garden with one bed, planted for the year. What was guessed is marked in it."""
    guess = guess_frosts(answers.latitude, today=today)
    empty = _empty_garden(answers, guess)
    return _planted(empty, book)


def _empty_garden(answers: FirstBed, guess: FrostGuess) -> p.Plan:
    guessed = ["longitude"]
    last, first = answers.last_frost, answers.first_frost
    if last is None:
        last, guessed = guess.last_frost, [*guessed, "last_frost"]
    if first is None:
        first, guessed = guess.first_frost, [*guessed, "first_frost"]
    garden: dict[str, object] = {
        "name": answers.name,
        "latitude": answers.latitude,
        "longitude": 0.0,
        "last_frost": last,
        "first_frost": first,
        "x-guessed": [key for key in guessed if key != "longitude"],
    }
    if answers.units is not None:
        garden["units"] = answers.units
    if answers.words is not None:
        garden["words"] = answers.words
    if len(guessed) > 1:
        garden["frost_spread_days"] = guess.spread_days
    shape = p.Rectangle(type="rectangle", width_cm=answers.width_cm, length_cm=answers.length_cm)
    place = p.Place(
        id="bed",
        name="First container" if answers.container else "First bed",
        kind="container" if answers.container else "framed",
        bottom="closed" if answers.container else "open",
        native=None if answers.container else "ordinary",
        shape=shape,
        wall_height_cm=answers.depth_cm,
        cell_cm=_FOOT_CM if answers.units == "imperial" else None,
        grid="fitted",
        rim_gap_cm=min(3.0, answers.depth_cm / 4),
        heading_deg=90.0,
        sun_hours=answers.sun_hours,
    )
    return p.Plan(
        format="ample-rows/plan",
        version=1,
        garden=p.Garden.model_validate(garden),
        places=(place,),
        plantings=(),
    )


def _planted(plan: p.Plan, book: Book) -> p.Plan:
    place = plan.places[0]
    left = list(FAVOURITES)
    used_after: list[str] = []
    for block in blocks_across(place, MOST_BLOCKS):
        fitting = first_that_does_well(Estimate(plan, book), place.id, block, tuple(left))
        if fitting is None:
            continue
        plan = planted_with(plan, place.id, fitting)
        left.remove(fitting.entry.crop)
        after = tuple(crop for crop in FOLLOWERS if used_after.count(crop) < MOST_REPEATS)
        later = follower(Estimate(plan, book), place.id, block, after)
        if later is not None:
            plan = planted_with(plan, place.id, later)
            used_after.append(later.entry.crop)
        if not left:
            left = list(FAVOURITES)
    return plan
