"""A fair comparison: two sides that differ in one thing, and what can be said of the difference.

Yields are compared by the ground that each side has. What a season does to both alike falls out of
the difference; what is each planting's own, and where they stand in two places each place's own,
stays in it, and is known from the crop's range in the book; seasons that contradict each other by
more than that widen it.
"""

import math
import random
from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from statistics import NormalDist
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.book.own import own_book
from ample_rows.core.geometry.cells import cells_of, grid_of
from ample_rows.core.plan.idents import later_ident
from ample_rows.core.planting.harvest import swing
from ample_rows.core.record.entries import GardenRecord
from ample_rows.core.record.figures import Figures
from ample_rows.core.record.outcomes import outcomes_of
from ample_rows.core.record.parts import Trial
from ample_rows.core.words.message import Count, Message, Share, message

_Z80 = NormalDist().inv_cdf(0.9)
_POWER = NormalDist().inv_cdf(0.8)
_A_FIFTH = math.log(1.2)
_M2 = 10_000.0
_MOST_YEARS = 60
_USUAL_PLANTS = 10
_BOOK_WORTH_SEASONS = 8
"""Judged: so many seasons of a trial weigh as much as the spread that the book gives."""
_PLANTS = (2, 5, 10, 20, 50)
_LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ"


@dataclass(frozen=True, slots=True)
class TwinSeason:
    """What both sides gave in one season, by their ground. [kg/m²]"""

    season: str
    one_kg_m2: float
    other_kg_m2: float


@dataclass(frozen=True, slots=True)
class TwinResult:
    """What a trial says so far.

    `times` is what the other side gave for each kilogram of the one, with its 80 % interval; null
    while a side was never picked. `years` is how many seasons would show a difference of a fifth
    four times in five, with as many plants as now.
    """

    trial: Trial
    seasons: tuple[TwinSeason, ...]
    times: float | None
    low: float | None
    high: float | None
    years: int
    words: Message


def log_sd(crop: Crop | None) -> float:
    """Spread of the logarithm of a crop's harvest, over gardens and years."""
    spread = crop.yield_kg_per_plant if crop is not None else None
    if spread is None or spread.low <= 0:
        return math.log(2)
    return math.log(spread.high / spread.low) / (2 * _Z80)


def difference_sd(crop: Crop | None, plants: tuple[int, int], *, apart: bool, book: Book) -> float:
    """Spread of the logarithm of one side against the other in one season.

    Args:
        plants: Plants of each side.
        apart: Whether they stand in two places.
    """
    own = book.value("variance_share_planting") * sum(swing(max(1, n)) for n in plants)
    beds = 2 * book.value("variance_share_bed") if apart else 0.0
    return log_sd(crop) * math.sqrt(own + beds)


def years_for_a_fifth(sd: float) -> int:
    """Seasons after which a difference of a fifth is told from chance four times in five."""
    return min(_MOST_YEARS, max(1, math.ceil(((_Z80 + _POWER) * sd / _A_FIFTH) ** 2)))


def years_by_plants(crop: Crop | None, *, apart: bool, book: Book) -> tuple[tuple[int, int], ...]:
    """How many seasons a trial would take, for some numbers of plants on each side."""
    return tuple(
        (n, years_for_a_fifth(difference_sd(crop, (n, n), apart=apart, book=book))) for n in _PLANTS
    )


Arrangement = Literal["alternate", "random", "mirrored"]


def arranged(
    cells: Sequence[str], how: Arrangement, seed: int
) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Squares of a bed given to two sides, so that no end of it favours one.

    Alternate squares take turns, from row to row the other way about; of each random pair of
    neighbours chance decides; mirrored, the pattern of one half runs back in the other.
    An odd last square is left to the one side.
    """
    rows: dict[str, list[str]] = defaultdict(list)
    for cell in cells:
        rows[cell.rstrip("0123456789")].append(cell)
    for row in rows.values():
        row.sort(key=lambda cell: int(cell.lstrip(_LETTERS)))
    order = [
        cell
        for at, letter in enumerate(sorted(rows, key=lambda name: (len(name), name)))
        for cell in (rows[letter] if at % 2 == 0 else reversed(rows[letter]))
    ]
    chance = random.Random(seed)
    first: list[bool] = []
    for pair in range((len(order) + 1) // 2):
        turned = {
            "alternate": False,
            "random": chance.random() < 0.5,
            "mirrored": pair % 2 == 1,
        }[how]
        first += [not turned, turned]
    one = tuple(cell for cell, is_one in zip(order, first, strict=False) if is_one)
    return one, tuple(cell for cell in order if cell not in set(one))


def twin_result(
    trial: Trial,
    record: GardenRecord,
    running: p.Plan,
    *,
    plants: Mapping[str, int],
    book: Book,
    figures: Figures,
) -> TwinResult:
    """A trial by all seasons in which both of its sides are over and have given something.

    Args:
        plants: How many stand in each planting of the running plan, by id.
    """
    plans = {season.id: season.plan for season in record.seasons} or {"": running}
    outcomes = outcomes_of(record, running, figures)
    gave = {(each.season, each.planting): each.kg for each in outcomes.used}
    crops = _crops(trial, plans, running)
    seasons = [
        told
        for season, plan in plans.items()
        if (of_season := _in_season(trial, season, plan))
        and _crops_in(plan, of_season) == crops
        and (told := _season(of_season, season, plan, gave, closed=plan != running)) is not None
    ]
    return _result(trial, seasons, _sd(trial, running, plans, plants, book))


def _in_season(trial: Trial, season: str, plan: p.Plan) -> Trial:
    """A trial with both of its sides as they are called in a season's plan."""
    there = {planting.id for planting in plan.plantings}

    def side(plantings: Sequence[str]) -> tuple[str, ...]:
        later = {ident: later_ident(ident, season) for ident in plantings}
        return tuple(later[ident] if later[ident] in there else ident for ident in plantings)

    return trial.model_copy(update={"one": side(trial.one), "other": side(trial.other)})


def _crops(trial: Trial, plans: Mapping[str, p.Plan], running: p.Plan) -> tuple[str | None, ...]:
    """What grew on both sides as the trial was begun. Another planting may have the id of one of
    them in a later year."""
    last = max((season for season in plans if season <= str(trial.day.year)), default="")
    for plan in (plans.get(last, running), running, *plans.values()):
        crops = _crops_in(plan, trial)
        if None not in crops:
            return crops
    return _crops_in(running, trial)


def _crops_in(plan: p.Plan, trial: Trial) -> tuple[str | None, ...]:
    crops = {planting.id: planting.crop for planting in plan.plantings}
    return tuple(crops.get(ident) for ident in (*trial.one, *trial.other))


def _spread_seen(logs: Sequence[float], sd: float) -> float:
    """The book's spread of a season's difference, widened where the seasons differ more."""
    mean = sum(logs) / len(logs)
    seen = sum((each - mean) ** 2 for each in logs)
    pooled = (_BOOK_WORTH_SEASONS * sd**2 + seen) / (_BOOK_WORTH_SEASONS + len(logs) - 1)
    return max(sd, math.sqrt(pooled))


def _result(trial: Trial, seasons: Sequence[TwinSeason], sd: float) -> TwinResult:
    if not seasons:
        years = years_for_a_fifth(sd)
        nothing = message("twins-not-picked", seasons=Count(years, "season"))
        return TwinResult(trial, (), None, None, None, years, nothing)
    logs = [math.log(each.other_kg_m2 / each.one_kg_m2) for each in seasons]
    sd = _spread_seen(logs, sd)
    mean, margin, years = (
        sum(logs) / len(logs),
        _Z80 * sd / math.sqrt(len(logs)),
        years_for_a_fifth(sd),
    )
    low, high = math.exp(mean - margin), math.exp(mean + margin)
    return TwinResult(
        trial,
        tuple(seasons),
        math.exp(mean),
        low,
        high,
        years,
        _words(trial, math.exp(mean), low, high, max(0, years - len(seasons))),
    )


def _words(trial: Trial, times: float, low: float, high: float, more: int) -> Message:
    difference = Share(abs(times - 1))
    if low <= 1 <= high:
        if more == 0:
            return message("twins-no-fifth", difference=difference)
        count = Count(more, "more-season")
        return message("twins-could-be-chance", difference=difference, more=count)
    if times > 1:
        return message("twins-more", side=trial.other_name, difference=difference)
    return message("twins-less", side=trial.other_name, difference=difference)


def _season(
    trial: Trial,
    season: str,
    plan: p.Plan,
    gave: Mapping[tuple[str, str], float],
    *,
    closed: bool,
) -> TwinSeason | None:
    """Both sides in one season; None until all of both is over and has given something. Of a whole
    bed, what was never weighed is left out of a season that is closed."""
    ground = _ground_m2(plan)
    sides = []
    for plantings in (trial.one, trial.other):
        weighed = [i for i in plantings if (season, i) in gave and i in ground]
        if not weighed or (len(weighed) < len(plantings) and not closed):
            return None
        area = sum(ground[ident] for ident in weighed)
        sides.append(sum(gave[season, ident] for ident in weighed) / area)
    return TwinSeason(season, *sides)


@lru_cache(maxsize=64)
def _ground_m2(plan: p.Plan) -> Mapping[str, float]:
    """The ground of each planting. [m²]"""
    places = {place.id: place for place in plan.places}
    areas = {
        ident: {name: cell.area_cm2 / _M2 for name, cell in grid_of(place).cells.items()}
        for ident, place in places.items()
    }
    return {
        planting.id: sum(
            areas[planting.place].get(address, 0.0)
            for address in cells_of(places[planting.place], planting.cells)
        )
        for planting in plan.plantings
    }


def _sd(
    trial: Trial,
    running: p.Plan,
    plans: Mapping[str, p.Plan],
    plants: Mapping[str, int],
    book: Book,
) -> float:
    """By the newest plan that has both sides: its crop, its plants, and whether in one place."""
    for season, plan in reversed([*plans.items(), ("", running)]):
        named = _in_season(trial, season, plan)
        sides = (named.one, named.other)
        found = {planting.id: planting for planting in plan.plantings}
        if all(ident in found for side in sides for ident in side):
            own = own_book(book, plan)
            places = {found[ident].place for side in sides for ident in side}
            one, other = (sum(plants.get(i, _USUAL_PLANTS) for i in side) for side in sides)
            crop = own.crops.get(found[named.one[0]].crop)
            return difference_sd(crop, (one, other), apart=len(places) > 1, book=own)
    return difference_sd(None, (_USUAL_PLANTS, _USUAL_PLANTS), apart=True, book=book)
