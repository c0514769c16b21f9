"""Two plans of one garden side by side: what each gives and asks for, and what differs, planting
by planting, with its reason."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core.ask.fill.candidates import candidates_of
from ample_rows.core.ask.fill.ground import zones_of
from ample_rows.core.ask.fill.halves import Halves
from ample_rows.core.ask.fill.offered import Drawn, Eaten, drawn, eaten_of
from ample_rows.core.ask.fill.reasons import because, left_out, reports_of
from ample_rows.core.ask.fill.value import value_of
from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.ask.pantry.supply import WeekBand
from ample_rows.core.ask.pantry.wants import root_of, wants_of
from ample_rows.core.ask.seed_box.shopping import shopping_list
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Text, listed, message

_WEEKS_A_MONTH = 52 / 12


@dataclass(frozen=True, slots=True)
class PlanFigures:
    """What a plan gives and asks for in its year. `seed_cost` is what seed and plants for it cost
    where prices are known; `kinds` are crops, `plantings` those begun. [kg over all seasons,
    kg-equivalents, weeks, hours, money, litres, cell-weeks]"""

    harvest_kg: Quantiles
    value: float
    weeks_short: int
    hours: float
    seed_cost: float | None
    water_litres: float | None
    idle_cell_weeks: float
    plantings: int
    kinds: int
    weeks: tuple[WeekBand, ...]
    eaten: tuple[Eaten, ...]


@dataclass(frozen=True, slots=True)
class Difference:
    """A planting that comes, and those of the present plan that make room for it; or, where it
    does not `come`, one that goes and makes room for none."""

    planting: Drawn
    comes: bool
    replaces: tuple[str, ...]
    reason: Text


@dataclass(frozen=True, slots=True)
class NotIn:
    """A wanted crop that neither plan holds any of, and why."""

    crop: str
    name: str
    reason: Text


@dataclass(frozen=True, slots=True)
class TwoPlans:
    """The present plan beside an offered one."""

    present: PlanFigures
    offered: PlanFigures
    differences: tuple[Difference, ...]
    left_out: tuple[NotIn, ...]


def compared(present: Estimate, offered: Estimate) -> TwoPlans:
    """A garden's plan beside another of the same places."""
    return TwoPlans(
        present=figures_of(present),
        offered=figures_of(offered),
        differences=tuple(_differences(present, offered)),
        left_out=tuple(_left_out(offered)),
    )


def figures_of(estimate: Estimate) -> PlanFigures:
    """What one plan gives and asks for."""
    report, worth, pantry = estimate.report, value_of(estimate), pantry_of(estimate)
    weekly = report.totals.water_litres_per_week
    jobs = (job for job in jobs_of(estimate) if job.state != "left-out")
    year = estimate.setting.year
    return PlanFigures(
        harvest_kg=pantry.harvest_kg,
        value=worth.value,
        weeks_short=sum(of.weeks_short for of in worth.by_crop.values()),
        hours=sum(job.minutes for job in jobs) / 60,
        seed_cost=shopping_list(estimate.plan, report.plantings, year.start, estimate.book).cost,
        water_litres=None if weekly is None else sum(weekly) * _WEEKS_A_MONTH,
        idle_cell_weeks=worth.idle_cell_weeks,
        plantings=worth.plantings,
        kinds=len({root_of(estimate.book.crops[r.crop]) for r in report.plantings}),
        weeks=pantry.weeks,
        eaten=eaten_of(estimate, worth),
    )


def _differences(present: Estimate, offered: Estimate) -> Iterator[Difference]:
    was = {report.id: report for report in reports_of(present)}
    now = {report.id: report for report in reports_of(offered)}
    gone = [report for ident, report in was.items() if ident not in now]
    why = {one.planting: one.text for one in because(offered, frozenset(now.keys() - was.keys()))}
    making_room: set[str] = set()
    for ident, report in now.items():
        if ident in was:
            continue
        room = [other for other in gone if _meet(other, report, offered)]
        making_room |= {other.id for other in room}
        reason = why.get(ident) or message("fill-not-wanted", crop=report.name)
        if room:
            names = listed(dict.fromkeys(other.name for other in room), "and")
            reason = message("fill-in-place-of", reason=reason, others=names)
        yield Difference(
            drawn(report, offered=True), True, tuple(other.id for other in room), reason
        )
    for report in gone:
        if report.id not in making_room:
            reason = message("fill-goes", crop=report.name)
            yield Difference(drawn(report, offered=False), False, (), reason)


def _meet(one: PlantingReport, other: PlantingReport, estimate: Estimate) -> bool:
    """Whether two plantings want the same ground at the same time, with the days that it takes to
    make it ready again."""
    if one.place != other.place or not set(one.cells) & set(other.cells):
        return False
    before = one.start_date < _until(other, estimate)
    return before and other.start_date < _until(one, estimate)


def _until(report: PlantingReport, estimate: Estimate) -> date:
    rest = timedelta(days=round(estimate.book.crops[report.crop].turn_round_days))
    return (report.clear_date or report.start_date) + rest


def _left_out(offered: Estimate) -> Iterator[NotIn]:
    book = offered.book
    for one in left_out(offered.plan, offered, _against(offered)):
        yield NotIn(one.crop, book.crops[one.crop].name, one.reason)


def _against(offered: Estimate) -> Mapping[str, Text]:
    """What stands against each wanted crop that a plan has none of, were all its ground free."""
    book = offered.book
    there = {root_of(book.crops[planting.crop]) for planting in offered.plan.plantings}
    asked = [
        crop
        for root, want in wants_of(offered.plan, book).items()
        if root not in there
        for crop in want.asked_as
    ]
    if not asked:
        return {}
    bare = offered.trying(offered.plan.model_copy(update={"plantings": ()}))
    halves = Halves(offered.setting.year)
    return candidates_of(bare, tuple(zones_of(bare, (), halves)), asked, halves).against
