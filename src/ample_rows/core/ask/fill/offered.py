"""A filled plan as it is shown while it is made better: what it gives, and where each planting
stands from when to when."""

from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.filling import Stage
from ample_rows.core.ask.fill.reasons import reports_of
from ample_rows.core.ask.fill.value import PlanWorth
from ample_rows.core.ask.pantry.wants import wants_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import span_words
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Text


@dataclass(frozen=True, slots=True)
class Drawn:
    """A planting of a filled plan, with `where` it stands in words; `offered` where it stands in
    the garden's own plan not yet."""

    id: str
    place: str
    crop: str
    name: str
    mark: str
    cells: tuple[str, ...]
    where: str
    plants: int
    start_date: date
    first_pick: date | None
    last_pick: date | None
    clear_date: date | None
    likely_kg: float
    offered: bool


@dataclass(frozen=True, slots=True)
class Eaten:
    """What is eaten of a crop in the year, of what is wanted, at the likely harvest. [kg, weeks]"""

    crop: str
    name: str
    eaten_kg: float
    want_kg: float
    weeks_short: int


@dataclass(frozen=True, slots=True)
class OfferedPlan:
    """The best plan so far. `value` is what it is worth, `bound` what no plan can be worth more
    than, `gap` how much that is above it as a share of it, null while no more is proven than that
    nobody eats more than is wanted; `why_none` is why nothing can be planted, where nothing can.
    [kg-equivalents, s, cell-weeks]"""

    seconds: float
    value: float
    bound: float
    gap: float | None
    plantings: int
    weeks_short: int
    idle_cell_weeks: float
    eaten: tuple[Eaten, ...]
    drawn: tuple[Drawn, ...]
    plan: tuple[p.Planting, ...]
    why_none: Text


def offered_by(stage: Stage, present: Estimate) -> OfferedPlan:
    """A stage of filling a garden, beside its plan as it is."""
    filled = present.trying(stage.plan)
    return OfferedPlan(
        seconds=stage.seconds,
        value=stage.worth.value,
        bound=stage.bound,
        gap=stage.gap if stage.proven and stage.worth.value > 0 else None,
        plantings=stage.worth.plantings,
        weeks_short=sum(of.weeks_short for of in stage.worth.by_crop.values()),
        idle_cell_weeks=stage.worth.idle_cell_weeks,
        eaten=eaten_of(filled, stage.worth),
        drawn=drawn_of(filled, present.plan),
        plan=stage.plan.plantings,
        why_none=stage.why_none,
    )


def eaten_of(estimate: Estimate, worth: PlanWorth) -> tuple[Eaten, ...]:
    """What is eaten of each wanted crop, by name."""
    book, wants = estimate.book, wants_of(estimate.plan, estimate.book)
    every = (
        Eaten(crop, book.crops[crop].name, of.eaten_kg, wants[crop].kg, of.weeks_short)
        for crop, of in worth.by_crop.items()
    )
    return tuple(sorted(every, key=lambda one: one.name.lower()))


def drawn_of(filled: Estimate, present: p.Plan) -> tuple[Drawn, ...]:
    """Every planting of a filled plan, those that the present plan lacks among them."""
    there = {planting.id for planting in present.plantings}
    return tuple(drawn(report, offered=report.id not in there) for report in reports_of(filled))


def drawn(report: PlantingReport, *, offered: bool) -> Drawn:
    return Drawn(
        id=report.id,
        place=report.place,
        crop=report.crop,
        name=report.name,
        mark=report.mark,
        cells=report.cells,
        where=span_words(report.cells),
        plants=report.plants,
        start_date=report.start_date,
        first_pick=report.first_pick,
        last_pick=report.last_pick,
        clear_date=report.clear_date,
        likely_kg=report.harvest_kg.p50,
        offered=offered,
    )
