"""What a season's plan estimates, in the few figures that its record is set against."""

from collections.abc import Callable
from functools import lru_cache
from typing import Annotated

from pydantic import Field

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.own import own_book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.values import Ident, PlanDate, PlanValue
from ample_rows.core.planting.harvest import Quantiles

Kilograms = Annotated[float, Field(ge=0, allow_inf_nan=False)]


class WeekFigure(PlanValue):
    """What is likely picked in the week that begins on a day. [kg]"""

    week: PlanDate
    kg: Kilograms


class PlantingFigures(PlanValue):
    """What was estimated of a planting; `crop` is never a kind of one, `kind` may be. [kg]"""

    id: Ident
    crop: Ident
    kind: Ident
    family: str
    place: Ident
    start: PlanDate
    low: Kilograms
    likely: Kilograms
    high: Kilograms
    first_pick: PlanDate | None
    last_pick: PlanDate | None
    piece_kg: Kilograms | None
    weeks: tuple[WeekFigure, ...]


class PlaceFigures(PlanValue):
    """A place by what its harvest is told by. [m2, L]"""

    id: Ident
    label: str
    area_m2: Kilograms
    soil_litres: Kilograms | None


class SeasonFigures(PlanValue):
    """A season's first and last day, its plantings and places, and its harvest in all. [kg]"""

    start: PlanDate
    end: PlanDate
    low: Kilograms
    likely: Kilograms
    high: Kilograms
    plantings: tuple[PlantingFigures, ...]
    places: tuple[PlaceFigures, ...]

    @property
    def total_kg(self) -> Quantiles:
        return Quantiles(self.low, self.likely, self.high)


Figures = Callable[[p.Plan], SeasonFigures]
"""A season's figures by its plan: worked out, or kept from when they were."""


# A closed season never changes, and is asked for with each look at the record.
@lru_cache(maxsize=64)
def figures_of(plan: p.Plan, book: Book) -> SeasonFigures:
    """The figures of a plan, worked out."""
    own = own_book(book, plan)
    estimate = Estimate(plan, own)
    report, year = estimate.report, estimate.setting.year
    total = report.totals.harvest_kg
    return SeasonFigures(
        start=year.start,
        end=year.end,
        low=total.p10,
        likely=total.p50,
        high=total.p90,
        plantings=tuple(
            PlantingFigures(
                id=of.id,
                crop=own.crops[of.crop].variety_of or of.crop,
                kind=of.crop,
                family=own.crops[of.crop].family,
                place=of.place,
                start=of.start_date,
                low=of.harvest_kg.p10,
                likely=of.harvest_kg.p50,
                high=of.harvest_kg.p90,
                first_pick=of.first_pick,
                last_pick=of.last_pick,
                piece_kg=own.crops[of.crop].piece_kg,
                weeks=tuple(WeekFigure(week=week.week, kg=week.kg) for week in of.weekly_kg),
            )
            for of in report.plantings
        ),
        places=tuple(
            PlaceFigures(
                id=of.id,
                label=plan_label(plan, of.id),
                area_m2=of.inside_area_m2,
                soil_litres=of.soil_litres,
            )
            for of in report.places
        ),
    )


def plan_label(plan: p.Plan, place: str) -> str:
    """What a place is called in a plan."""
    found = plan.place(place)
    return found.label if found else place


def worked_out(book: Book) -> Figures:
    """Figures that are worked out each time that they are not remembered."""
    return lambda plan: figures_of(plan, book)
