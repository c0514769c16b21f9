"""A first bed: four answers turned into a garden with one planted place.

The crops are a list of plain favourites; where each goes, when it starts and what
follows it is worked out for the bed's own depth, light and frosts.
"""

from collections import defaultdict
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.cells import grid_of
from ample_rows.core.evaluate import evaluate_place, place_case, setting_of
from ample_rows.core.frost_guess import FrostGuess, guess_frosts
from ample_rows.core.reference import Book
from ample_rows.core.report import PlantingReport
from ample_rows.core.season import window
from ample_rows.core.shelf import ShelfEntry, shelf_for

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
MOST_BLOCKS = 8
SETTLE_DAYS = 2
LEAST_FACTOR = 0.4
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
    blocks = _blocks(plan.places[0])
    left = list(FAVOURITES)
    used_after: list[str] = []
    for block in blocks:
        plan, used = _with_favourite(plan, block, left, book)
        if used is None:
            continue
        left.remove(used)
        plan = _with_follower(plan, block, used_after, book)
        if not left:
            left = list(FAVOURITES)
    return plan


def _blocks(place: p.Place) -> list[tuple[str, ...]]:
    """Squares in blocks of whole rows across the bed, one for each crop, along the length."""
    grid = grid_of(place)
    size = max(1, -(-grid.rows // MOST_BLOCKS))
    rows: dict[int, list[str]] = defaultdict(list)
    for cell in grid.cells.values():
        rows[cell.spot[1] // size].append(cell.address)
    return [tuple(names) for _, names in sorted(rows.items())]


def _with_favourite(
    plan: p.Plan, block: tuple[str, ...], left: list[str], book: Book
) -> tuple[p.Plan, str | None]:
    """The first favourite that does well in a block, started as its window opens."""
    year = setting_of(plan, book).year
    for crop_id in left:
        crop = book.crops[crop_id]
        opens = window(year, crop, crop.starts[0], book).earliest
        start = max(opens, year.start) + timedelta(days=SETTLE_DAYS)
        place = plan.places[0].id
        (entry,) = shelf_for(plan, place, block, start, book, crops=(crop_id,)).entries
        if entry.fits and entry.factor >= LEAST_FACTOR:
            return _planted_with(plan, entry, block, start, follows=None), crop_id
    return plan, None


def _with_follower(plan: p.Plan, block: tuple[str, ...], used: list[str], book: Book) -> p.Plan:
    """One follow-on in a block once its first crop is cleared, none more than twice."""
    last = _reports(plan, book)[-1]
    if last.clear_date is None:
        return plan
    rest = book.crops[last.crop].turn_round_days
    day = last.clear_date + timedelta(days=round(rest))
    place = plan.places[0].id
    for entry in shelf_for(plan, place, block, day, book, crops=FOLLOWERS).entries:
        if entry.fits and entry.family != last.family and used.count(entry.crop) < MOST_REPEATS:
            used.append(entry.crop)
            return _planted_with(plan, entry, block, day, follows=last.id)
    return plan


def _reports(plan: p.Plan, book: Book) -> tuple[PlantingReport, ...]:
    here = place_case(plan, plan.places[0].id, book)
    return evaluate_place(here, plan.plantings).plantings


def _planted_with(
    plan: p.Plan, entry: ShelfEntry, block: tuple[str, ...], day: date, *, follows: str | None
) -> p.Plan:
    """The plan with one more planting, as the shelf proposed it."""
    values: dict[str, object] = {
        "id": f"p{len(plan.plantings) + 1}",
        "place": plan.places[0].id,
        "crop": entry.crop,
        "cells": block,
        "start": entry.start,
        "start_date": day,
    }
    if follows is not None:
        values["follows"] = follows
    planting = p.Planting.model_validate(values)
    return plan.model_copy(update={"plantings": (*plan.plantings, planting)})
