"""What the household wants against what the plan gives: crop by crop, and place by place."""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import timedelta

import numpy as np

from ample_rows.core.ask.pantry.lacking import grown, of_each_crop
from ample_rows.core.ask.pantry.supply import (
    Seasons,
    WeekBand,
    bands_of,
    season_total,
    seasons_of,
    total_of,
    weekly_draws,
    weeks_picked,
)
from ample_rows.core.ask.pantry.table import (
    AtTable,
    Floats,
    table_of,
    weeks_of,
)
from ample_rows.core.ask.pantry.wants import Wanted, wants_of
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.planting.setting_out import Schools, schools_of, squares_for_one
from ample_rows.core.words.message import Count, Mass, Text, message

_WEEKS_A_YEAR = 52
_AS_WANTED = 0.01
"""What is so near to the amount that is wanted is as much as is wanted."""


@dataclass(frozen=True, slots=True)
class Keeps:
    """A way that suits a crop to keep what is not eaten fresh, for how many weeks, and what can
    hurt at it."""

    way: str
    label: str
    weeks: float
    caution: str | None


@dataclass(frozen=True, slots=True)
class CropSupply:
    """One crop, all its kinds together, against what is wanted of it in a year.

    `chance` is the share of seasons in which the want is met, `short_kg` what is lacking at the
    likely harvest, below zero where there is more. What would close the gap is said in plants,
    seeds and squares, as the crop is grown here; `table` follows the year week by week. Null
    where nothing is wanted. `keeps` are the ways that suit it, `asked_as` the kinds that are
    named where it is wanted. [kg]
    """

    crop: str
    name: str
    mark: str
    family: str
    plants: int
    harvest_kg: Quantiles
    weeks: tuple[WeekBand, ...]
    want_kg: float | None
    chance: float | None
    short_kg: float | None
    kg_per_plant: float
    more_plants: int | None
    more_squares: int | None
    more_seeds: int | None
    words: Text
    piece_kg: float | None
    keeps: tuple[Keeps, ...]
    asked_as: tuple[str, ...]
    table: AtTable | None


@dataclass(frozen=True, slots=True)
class Pantry:
    """The plan's year at table: `weeks` are of everything, `eaten_kg_a_week` what is wanted in
    all spread over the year, `each_kg_a_week` that by head; null while nobody was counted."""

    seasons: int
    seed: int
    people: float | None
    crops: tuple[CropSupply, ...]
    weeks: tuple[WeekBand, ...]
    harvest_kg: Quantiles
    eaten_kg_a_week: float
    each_kg_a_week: float | None


def pantry_of(estimate: Estimate) -> Pantry:
    """The whole plan against what the household eats."""
    plan, book = estimate.plan, estimate.book
    setting = estimate.setting
    seasons = seasons_of(setting.seed, book)
    every = [e for _, own in grown(estimate) for e in own]
    by_crop = of_each_crop(every)
    wants, year = wants_of(plan, book), setting.year
    named = sorted({*by_crop, *wants}, key=lambda crop: book.crops[crop].name.lower())
    schools = schools_of(plan.garden.policies, plan.garden.per_square)
    picked = _Picked(year, every, seasons, schools)
    crops = [_supply(book.crops[c], by_crop.get(c, []), wants.get(c), picked) for c in named]
    household = plan.garden.household
    people = household.people if household else None
    eaten = sum(want.kg for want in wants.values()) / _WEEKS_A_YEAR
    return Pantry(
        seasons=seasons.count,
        seed=setting.seed,
        people=people,
        crops=tuple(crop for crop in crops if crop.plants or crop.want_kg is not None),
        weeks=bands_of(picked.weeks, picked.total),
        harvest_kg=total_of(every, seasons.count),
        eaten_kg_a_week=eaten,
        each_kg_a_week=eaten / people if people else None,
    )


class _Picked:
    """What is picked week by week, reckoned once for each planting: crops, table and whole."""

    def __init__(
        self,
        year: GrowingYear,
        every: Sequence[Evaluated],
        seasons: Seasons,
        schools: Schools,
    ) -> None:
        self.seasons = seasons
        self.schools = schools
        self.year_weeks = weeks_of(year)
        ends = (*self.year_weeks, *weeks_picked(every))
        # What was picked before the year began is last year's.
        first = self.year_weeks[0]
        count = (max(ends) - first).days // 7 + 1
        self.weeks = tuple(first + timedelta(days=7 * week) for week in range(count))
        self.in_year = slice(len(self.year_weeks))
        self.total = np.zeros((count, seasons.count))

    def of(self, own: Sequence[Evaluated]) -> Floats:
        """By week and season what some plantings give; it is added to the whole."""
        by_week = weekly_draws(own, self.weeks, self.seasons)
        self.total += by_week
        return by_week


def _supply(
    crop: Crop,
    own: Sequence[Evaluated],
    wanted: Wanted | None,
    picked: "_Picked",
) -> CropSupply:
    seasons, book = picked.seasons, picked.seasons.book
    by_week = picked.of(own)
    want = wanted.kg if wanted else None
    total = total_of(own, seasons.count)
    each, squares_each = _one_more(crop, own, picked.schools)
    short = None if want is None else want - total.p50
    if want is not None and short is not None and abs(short) <= _AS_WANTED * want:
        short = 0.0
    more = math.ceil(short / each - 1e-9) if short is not None and short > 0 and each else None
    squares = None if more is None else math.ceil(more * squares_each - 1e-9)
    chance = None
    if want is not None:
        chance = float((season_total(own, seasons.count) >= want).mean())
    return CropSupply(
        crop=crop.id,
        name=crop.name,
        mark=crop.mark,
        family=crop.family,
        plants=sum(e.report.plants for e in own if e.report.year.before < 1),
        harvest_kg=total,
        weeks=bands_of(picked.weeks, by_week),
        want_kg=want,
        chance=chance,
        short_kg=short,
        kg_per_plant=each,
        more_plants=more,
        more_squares=squares,
        more_seeds=None if more is None else more * (crop.seeds_per_station or 0) or None,
        words=_words(short, total.p50, more, squares) or _next_years(own),
        piece_kg=crop.piece_kg,
        keeps=_keeps(crop, book),
        asked_as=wanted.asked_as if wanted else (),
        table=table_of(picked.year_weeks, by_week[picked.in_year], wanted) if wanted else None,
    )


def _keeps(crop: Crop, book: Book) -> tuple[Keeps, ...]:
    keeping = book.keeping(crop)
    return tuple(
        Keeps(way, book.keeping_ways[way].label, weeks, keeping.cautions.get(way))
        for way, weeks in keeping.ways.items()
    )


def _one_more(crop: Crop, own: Sequence[Evaluated], schools: Schools) -> tuple[float, float]:
    """What one more plant gives and the squares it takes: as in the planting here that makes most
    of its squares, so that one that fails is no measure; else as the book has it. [kg, squares]"""
    bearing = [e.report for e in own if e.report.cells and e.report.harvest_kg.p50 > 0]
    if bearing:
        best = max(bearing, key=lambda report: report.harvest_kg.p50 / len(report.cells))
        return best.harvest_kg.p50 / best.plants, len(best.cells) / best.plants
    spread = crop.yield_kg_per_plant
    usual = spread.typical * crop.survival if spread else 0.0
    return usual, squares_for_one(crop, schools)


def _next_years(own: Sequence[Evaluated]) -> Text:
    """What is said of a crop that is picked after the year alone."""
    later = sum(e.report.year.after * e.report.harvest_kg.p50 for e in own)
    return message("pantry-next-years") if later else ""


def _words(short: float | None, likely: float, more: int | None, squares: int | None) -> Text:
    if short is None:
        return message("pantry-nothing-wanted-yet") if likely else ""
    if more is not None:
        return message(
            "pantry-short-plants",
            short=Mass(short),
            plants=Count(more, "more-plant"),
            squares=Count(squares or 0, "square"),
        )
    if short == 0:
        return message("pantry-as-wanted")
    if short > 0:
        return message("pantry-short", short=Mass(short))
    return message("pantry-spare-keep-give-away", short=Mass(-short))
