"""What a plan is worth, in kilograms of what is liked as carrots are: what is eaten of each crop
in the plan's year, by what it counts for, less the effort and the ground that stands idle.

The first half of what is wanted counts in full, what comes on top of it less and less. Eaten is
what the larder lets eat: fresh within its weeks, kept while it keeps; what spoils has no value.
"""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from itertools import pairwise

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.ask.pantry.larder import larder
from ample_rows.core.ask.pantry.table import SHORT, weeks_of
from ample_rows.core.ask.pantry.wants import Wanted, root_of, wants_of
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.notes.note import Note
from ample_rows.core.planting.harvest import WeekKg
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Text, message

Floats = NDArray[np.float64]

SEGMENTS = ((0.5, 1.0), (0.3, 0.7), (0.2, 0.45), (0.5, 0.15))
"""Parts of a year's want, one after the other, and what a kilogram in each counts."""
_MEASURE = "carrot"
_HARD_RULES = frozenset({"before-window", "after-window", "no-window", "family-again"})


@dataclass(frozen=True, slots=True)
class CropWorth:
    """What is eaten of a crop in the plan's year, what that counts, and in how many weeks less
    than half of what is wanted is there. [kg, kg-equivalents, weeks]"""

    eaten_kg: float
    value: float
    weeks_short: int


@dataclass(frozen=True, slots=True)
class Broken:
    """A rule that a plan does not keep, and how."""

    rule: str
    text: Text


@dataclass(frozen=True, slots=True)
class PlanWorth:
    """What a plan is worth. `plantings` are those begun in its year, `broken` the rules that it
    does not keep. [kg-equivalents, cell-weeks]"""

    value: float
    by_crop: Mapping[str, CropWorth]
    plantings: int
    idle_cell_weeks: float
    broken: tuple[Broken, ...]


def worth_of(plan: p.Plan, book: Book) -> dict[str, float]:
    """What a kilogram of each wanted crop counts: as the household says, else by its price at the
    shop against carrots, else as much as carrots."""
    household = plan.garden.household
    said = {root_of(book.crops[c]): w for c, w in ((household and household.worth) or {}).items()}
    listed = household.prices if household else ()
    prices = {root_of(book.crops[price.crop]): price.per_kg for price in listed}
    carrots = prices.get(_MEASURE)
    shop = {crop: price / carrots for crop, price in prices.items()} if carrots else {}
    return {crop: said.get(crop, shop.get(crop, 1.0)) for crop in wants_of(plan, book)}


def enjoyed(eaten_kg: float, want_kg: float) -> float:
    """What so much of a crop counts for those who want so much of it a year, at a worth of 1."""
    left, counted = eaten_kg, 0.0
    for part, slope in SEGMENTS:
        here = min(left, part * want_kg)
        counted += slope * here
        left -= here
    return counted


def eaten_kg(picked: Iterable[Sequence[WeekKg]], wanted: Wanted, weeks: Sequence[date]) -> float:
    """What is eaten in the weeks of a year of some plantings of a crop, at their likely harvest."""
    return float(_eaten(picked, wanted, weeks)[0].sum())


def _eaten(
    picked: Iterable[Sequence[WeekKg]], wanted: Wanted, weeks: Sequence[date]
) -> tuple[Floats, Floats]:
    """What is eaten week by week, and what is wanted. [kg]"""
    by_week = np.zeros((len(weeks), 1))
    for of_one in picked:
        for week in of_one:
            at = (week.week - weeks[0]).days // 7
            if 0 <= at < len(weeks):
                by_week[at, 0] += week.kg
    need = np.array(wanted.weekly_kg(tuple(weeks)))
    store = larder(by_week, need, wanted, wanted.weeks_in_store(weeks[0]))
    return (store.fresh + store.kept)[:, 0], need


def value_of(estimate: Estimate) -> PlanWorth:
    """What a plan is worth as it stands."""
    plan, book = estimate.plan, estimate.book
    wants, worth, weeks = (
        wants_of(plan, book),
        worth_of(plan, book),
        weeks_of(estimate.setting.year),
    )
    results = [estimate.result(place) for place in estimate.cases]
    reports = [report for result in results for report in result.plantings]
    by_crop = {}
    for crop, wanted in wants.items():
        own = (r.weekly_kg for r in reports if root_of(book.crops[r.crop]) == crop)
        by_week, need = _eaten(own, wanted, weeks)
        eaten = float(by_week.sum())
        short = int(((need > 0) & (by_week < SHORT * need)).sum())
        by_crop[crop] = CropWorth(eaten, worth[crop] * enjoyed(eaten, wanted.kg), short)
    idle = sum(result.idle_weeks[0] - result.idle_weeks[1] for result in results)
    begun = begun_in_year(estimate, reports)
    effort = book.value("fill_effort_a_planting") * begun
    return PlanWorth(
        value=sum(of.value for of in by_crop.values())
        - effort
        - book.value("fill_idle_a_cell_week") * idle,
        by_crop=by_crop,
        plantings=begun,
        idle_cell_weeks=idle,
        broken=tuple(_broken(estimate, reports)),
    )


def begun_in_year(estimate: Estimate, reports: Iterable[PlantingReport]) -> int:
    """How many plantings are begun in the plan's year, of those that somebody begins."""
    year = estimate.setting.year
    return sum(
        year.start <= report.start_date <= year.end
        and not estimate.planting(report.id).came_by_itself
        for report in reports
    )


def _broken(estimate: Estimate, reports: Sequence[PlantingReport]) -> Iterable[Broken]:
    said = [note for place in estimate.cases for note in estimate.result(place).notes]
    yield from (Broken(note.code, note.text) for note in said if _breaks(note))
    yield from _too_soon_after(estimate, reports)
    fill, book = estimate.plan.garden.fill, estimate.book
    if fill is None:
        return
    there = {root_of(book.crops[report.crop]) for report in reports}
    for crop in fill.must:
        if root_of(book.crops[crop]) not in there:
            yield Broken("must", message("fill-must-lacks", crop=book.crops[crop].name))
    for crop in fill.never:
        if root_of(book.crops[crop]) in there:
            yield Broken("never", message("fill-never-there", crop=book.crops[crop].name))
    if fill.kinds is not None and len(there) > fill.kinds:
        kinds = message("fill-too-many-kinds", kinds=len(there), most=fill.kinds)
        yield Broken("kinds", kinds)


def _breaks(note: Note) -> bool:
    return note.level == "stop" or note.code in _HARD_RULES


def _too_soon_after(estimate: Estimate, reports: Sequence[PlantingReport]) -> Iterable[Broken]:
    """Plantings begun before their ground is cleared, fed and raked after the one before."""
    book = estimate.book
    by_square: dict[tuple[str, str], list[PlantingReport]] = {}
    for report in reports:
        for cell in report.cells:
            by_square.setdefault((report.place, cell), []).append(report)
    told = set()
    for there in by_square.values():
        there.sort(key=lambda report: report.start_date)
        for before, after in pairwise(there):
            if before.clear_date is None or (before.id, after.id) in told:
                continue
            rest = timedelta(days=round(book.crops[before.crop].turn_round_days))
            if before.clear_date <= after.start_date < before.clear_date + rest:
                told.add((before.id, after.id))
                ready = before.clear_date + rest
                yield Broken(
                    "turn-round",
                    message(
                        "fill-too-soon-after", after=after.name, before=before.name, ready=ready
                    ),
                )
