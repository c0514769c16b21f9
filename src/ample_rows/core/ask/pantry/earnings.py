"""What places, crops and squares earn: for ground, soil, time and water, and in money."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.job import Job
from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.ask.pantry.lacking import grown
from ample_rows.core.ask.pantry.supply import total_of
from ample_rows.core.ask.pantry.variance import Uncertainty, uncertainty
from ample_rows.core.ask.pantry.wants import root_of
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report import Report
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.place.total_order import order_for
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import Quantiles

_LEAST_EARNERS = 5
_LITRES = 100.0


@dataclass(frozen=True, slots=True)
class PlaceYield:
    """What one place gives for its ground, its soil, the work and the water that it takes.

    `value` is what its crops cost at the shop, as far as prices are known; `soil_cost` what its
    first filling costs by itself at the cheapest. [kg, m², L, hours a year, money]
    """

    place: str
    label: str
    harvest_kg: Quantiles
    area_m2: float
    kg_per_m2: float
    kg_per_100_l: float
    hours: float
    kg_per_hour: float | None
    water_litres: float | None
    value: float | None
    soil_cost: float | None


@dataclass(frozen=True, slots=True)
class CropYield:
    """What one crop gives for the ground that it is given and the work it takes; water is shared
    out by ground and time. [kg, m², hours a year, L, money]"""

    crop: str
    name: str
    harvest_kg: Quantiles
    area_m2: float
    kg_per_m2: float
    hours: float
    kg_per_hour: float | None
    water_litres: float | None
    price_per_kg: float | None
    value: float | None


@dataclass(frozen=True, slots=True)
class Earner:
    """A planting by what its squares earn while it holds them. [kg]"""

    planting: str
    place: str
    name: str
    cell: str
    square_weeks: float
    kg_per_square_week: float


@dataclass(frozen=True, eq=False)
class Worked:
    """A plan's year as earnings are worked out from it."""

    plan: p.Plan
    report: Report
    jobs: tuple[Job, ...]
    book: Book

    @property
    def prices(self) -> dict[str, float]:
        household = self.plan.garden.household
        prices = household.prices if household else ()
        return {root_of(self.book.crops[price.crop]): price.per_kg for price in prices}


@dataclass(frozen=True, slots=True)
class Earnings:
    """What a plan's places and crops give for what they take. `least` are the plantings that earn
    least for ground and time."""

    places: tuple[PlaceYield, ...]
    yields: tuple[CropYield, ...]
    least: tuple[Earner, ...]
    uncertainty: Uncertainty


def earnings_of(estimate: Estimate) -> Earnings:
    """The whole plan by what it earns, and what its range rests on.

    Args:
        report: The plan's own, evaluated.
    """
    plan, book = estimate.plan, estimate.book
    report = estimate.report
    seasons = int(book.value("seasons"))
    places = grown(estimate)
    every = [e for _, own in places for e in own]
    worked = Worked(plan, report, jobs_of(estimate), book)
    return Earnings(
        places=place_yields(places, worked, seasons),
        yields=crop_yields(places, worked, seasons),
        least=least_earners(every),
        uncertainty=uncertainty(every, report.seed),
    )


Grown = Sequence[tuple[p.Place, list[Evaluated]]]


def place_yields(by_place: Grown, worked: Worked, seasons: int) -> tuple[PlaceYield, ...]:
    """Every place by what it gives for what it takes."""
    hours: dict[str, float] = defaultdict(float)
    for job in worked.jobs:
        if job.place is not None:
            hours[job.place] += job.minutes / 60
    reports = {r.id: r for r in worked.report.places}
    return tuple(
        _place_yield(place, own, worked, (reports[place.id], hours[place.id]), seasons)
        for place, own in by_place
    )


def _place_yield(
    place: p.Place,
    own: Sequence[Evaluated],
    worked: Worked,
    place_hours: tuple[PlaceReport, float],
    seasons: int,
) -> PlaceYield:
    report, hours = place_hours
    total, area, litres = total_of(own, seasons), report.inside_area_m2, report.soil_litres
    return PlaceYield(
        place=place.id,
        label=place.label,
        harvest_kg=total,
        area_m2=area,
        kg_per_m2=total.p50 / area,
        kg_per_100_l=total.p50 / litres * _LITRES if litres else 0.0,
        hours=hours,
        kg_per_hour=total.p50 / hours if hours else None,
        water_litres=_water(report, worked.report),
        value=_value(own, worked.prices),
        soil_cost=_soil_cost(report, worked),
    )


def crop_yields(by_place: Grown, worked: Worked, seasons: int) -> tuple[CropYield, ...]:
    """Every crop by what it gives for what it takes, the best for ground first."""
    of_crop: dict[str, list[Evaluated]] = defaultdict(list)
    water: dict[str, float] = defaultdict(float)
    reports = {r.id: r for r in worked.report.places}
    for place, own in by_place:
        whole = sum(_square_weeks(e) for e in own)
        litres = _water(reports[place.id], worked.report)
        for e in own:
            of_crop[root_of(e.crop)].append(e)
            if litres is not None and whole:
                water[e.planting.id] = litres * _square_weeks(e) / whole
    hours: dict[str, float] = defaultdict(float)
    for job in worked.jobs:
        hours[job.planting or ""] += job.minutes / 60
    areas = {r.id: {c.address: c.area_m2 for c in r.cells} for r in worked.report.places}
    yields = []
    for crop, own in of_crop.items():
        total = total_of(own, seasons)
        area = sum(areas[e.report.place][a] for e in own for a in e.report.cells)
        spent = sum(hours[e.planting.id] for e in own)
        yields.append(
            CropYield(
                crop=crop,
                name=worked.book.crops[crop].name,
                harvest_kg=total,
                area_m2=area,
                kg_per_m2=total.p50 / area if area else 0.0,
                hours=spent,
                kg_per_hour=total.p50 / spent if spent else None,
                water_litres=sum(water[e.planting.id] for e in own) if water else None,
                price_per_kg=worked.prices.get(crop),
                value=_value(own, worked.prices),
            )
        )
    return tuple(sorted(yields, key=lambda y: -y.kg_per_m2))


def least_earners(every: Iterable[Evaluated]) -> tuple[Earner, ...]:
    """Plantings by weight for ground and time; what is not grown for its weight is left out."""
    earners = []
    for e in every:
        if e.crop.yield_kg_per_plant is None or not e.report.cells:
            continue
        weeks = _square_weeks(e)
        earners.append(
            Earner(
                planting=e.planting.id,
                place=e.report.place,
                name=e.report.name,
                cell=e.report.cells[0],
                square_weeks=weeks,
                kg_per_square_week=e.report.harvest_kg.p50 / weeks,
            )
        )
    return tuple(sorted(earners, key=lambda earner: earner.kg_per_square_week)[:_LEAST_EARNERS])


def _square_weeks(e: Evaluated) -> float:
    return len(e.report.cells) * (e.dates.clear - e.dates.start).days / 7


def _value(own: Iterable[Evaluated], prices: Mapping[str, float]) -> float | None:
    """What the likely harvest costs at the shop, of crops whose price is known."""
    priced = [e for e in own if root_of(e.crop) in prices]
    if not priced:
        return None
    return sum(e.report.harvest_kg.p50 * prices[root_of(e.crop)] for e in priced)


def _water(place: PlaceReport, report: Report) -> float | None:
    """Water of the plan's year beyond the usual rain. [L]"""
    if place.water is None:
        return None
    days = (report.year.end - report.year.start).days + 1
    months = [(report.year.start + timedelta(days=day)).month for day in range(days)]
    return sum(place.water.litres_per_week[month - 1] / 7 for month in months)


def _soil_cost(place: PlaceReport, worked: Worked) -> float | None:
    """The cheapest way to fill a place by itself; None while prices are missing."""
    if worked.plan.soil is None:
        return None
    order = order_for([place], worked.plan.soil, worked.book)
    costs = [[o.cost for o in mix.options if o.cost is not None] for mix in order.mixes]
    return sum(min(prices) for prices in costs) if all(costs) else None
