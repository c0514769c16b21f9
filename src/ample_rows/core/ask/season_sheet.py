"""The sheet of a season: estimate beside harvest by planting, crop and place, and what explains a
miss, from what was entered."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.ask.building.bill import bill_for
from ample_rows.core.ask.jobs.year import jobs_of
from ample_rows.core.ask.misses import reasons, stood_of
from ample_rows.core.ask.seed_box.shopping import shopping_list
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry, picked_kg
from ample_rows.core.record.outcomes import by_planting, is_over
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.core.words.message import Message

Where = Literal["below", "within", "above", "going on", "not weighed"]

_LITRES = 100.0


@dataclass(frozen=True, slots=True)
class PlantingLine:
    """One planting: its estimate, what was picked, where that lies, and what explains a miss."""

    planting: str
    name: str
    place: str
    cells: tuple[str, ...]
    estimated_kg: Quantiles
    picked_kg: float
    pickings: int
    where: Where
    first_pick: date | None
    late_days: int | None
    came_up: float | None
    came_up_expected: float
    stood: int | None
    stand_expected: float
    why: tuple[Message, ...]


@dataclass(frozen=True, slots=True)
class GroupLine:
    """A crop, or a place: what was estimated and picked of its plantings, and for each square
    metre, each 100 litres of soil, and in money at the shop's price, where these are known."""

    id: str
    name: str
    estimated_kg: float
    picked_kg: float
    kg_per_m2: float | None
    kg_per_100_litres: float | None
    worth: float | None


@dataclass(frozen=True, slots=True)
class SeasonSheet:
    """One season told whole. Hours are those that were entered, and those that its plan takes;
    money is what seed and plants for it cost, and a year's use of all that was built, each where
    its prices are known, over what was picked; and what that costs at the shop."""

    season: str
    estimated_kg: Quantiles
    picked_kg: float
    worth: float | None
    hours: float
    hours_planned: float
    kg_per_hour: float | None
    seed_cost: float | None
    build_cost: float | None
    cost_per_kg: float | None
    shop_per_kg: float | None
    plantings: tuple[PlantingLine, ...]
    crops: tuple[GroupLine, ...]
    places: tuple[GroupLine, ...]


def season_sheet(
    here: Estimate,
    season: str,
    entries: Sequence[Entry],
    weather: Sequence[WeatherSeen] = (),
    *,
    closed: bool = False,
) -> SeasonSheet:
    """The sheet of a season by its plan.

    Args:
        entries: Those of the season.
        closed: Whether all of its plantings are over.
    """
    of_planting = by_planting(entries, here.plan)
    until = max((entry.day for entry in entries), default=date.min)
    lines = tuple(
        _line(report, of_planting.get(report.id, ()), weather, here, until=until, closed=closed)
        for report in here.report.plantings
        if report.harvest_kg.p50 > 0 or report.id in of_planting
    )
    minutes = sum(entry.minutes or 0.0 for entry in entries)
    picked = sum(line.picked_kg for line in lines)
    crops = _crops(lines, here)
    priced = [line for line in crops if line.worth is not None]
    worths = [line.worth for line in priced if line.worth is not None]
    priced_kg = sum(line.picked_kg for line in priced)
    seed = shopping_list(here.plan, here.report.plantings, here.setting.year.start, here.book).cost
    build = bill_for(here, here.report.places).a_year
    costs = [cost for cost in (seed, build) if cost is not None]
    return SeasonSheet(
        season=season,
        estimated_kg=here.report.totals.harvest_kg,
        picked_kg=picked,
        worth=sum(worths) if worths else None,
        hours=minutes / 60,
        hours_planned=sum(j.minutes for j in jobs_of(here) if j.state != "left-out") / 60,
        kg_per_hour=picked * 60 / minutes if minutes > 0 else None,
        seed_cost=seed,
        build_cost=build,
        cost_per_kg=sum(costs) / picked if costs and picked > 0 else None,
        shop_per_kg=sum(worths) / priced_kg if priced_kg > 0 else None,
        plantings=lines,
        crops=crops,
        places=_places(lines, here),
    )


def _line(
    report: PlantingReport,
    told: Sequence[Entry],
    weather: Sequence[WeatherSeen],
    here: Estimate,
    *,
    until: date,
    closed: bool,
) -> PlantingLine:
    crop = here.book.crops[report.crop]
    picked = sorted((e for e in told if e.kind == "picked"), key=lambda entry: entry.day)
    kg = sum(picked_kg(entry, crop.piece_kg) for entry in picked)
    over = closed or is_over(told, until, report.last_pick)
    first = picked[0].day if picked else None
    late = (first - report.first_pick).days if first and report.first_pick else None
    where = _where(kg, report.harvest_kg, weighed=bool(picked), over=over)
    return PlantingLine(
        planting=report.id,
        name=report.name,
        place=report.place,
        cells=report.cells,
        estimated_kg=report.harvest_kg,
        picked_kg=kg,
        pickings=len(picked),
        where=where,
        first_pick=first,
        late_days=late,
        came_up=_came_up(told),
        came_up_expected=crop.emergence,
        stood=stood_of(told, report.plants),
        stand_expected=report.stand_expected,
        why=tuple(reasons(report, crop, told, weather, kg=kg)) if where == "below" else (),
    )


def _where(kg: float, estimated: Quantiles, *, weighed: bool, over: bool) -> Where:
    if not over:
        return "going on"
    if not weighed:
        return "not weighed"
    if kg < estimated.p10:
        return "below"
    return "above" if kg > estimated.p90 else "within"


def _came_up(told: Sequence[Entry]) -> float | None:
    """What came up of what was sown, where both were counted. [0-1]"""
    sown = sum(e.count or 0 for e in told if e.kind == "sown")
    up = sum(e.count or 0 for e in told if e.kind == "up")
    return min(1.0, up / sown) if sown and up else None


def _crops(lines: Iterable[PlantingLine], here: Estimate) -> tuple[GroupLine, ...]:
    of = {planting.id: planting.crop for planting in here.plan.plantings}
    prices = shop_prices(here.plan)
    sums = _sums((of.get(line.planting, ""), line) for line in lines)
    return tuple(
        GroupLine(
            id=crop,
            name=here.book.crops[crop].name if crop in here.book.crops else crop,
            estimated_kg=estimated,
            picked_kg=picked,
            kg_per_m2=None,
            kg_per_100_litres=None,
            worth=picked * prices[crop] if crop in prices else None,
        )
        for crop, (estimated, picked) in sums.items()
    )


def shop_prices(plan: p.Plan) -> Mapping[str, float]:
    """What a kilogram of each crop costs at the shop, where it is known."""
    household = plan.garden.household
    return {each.crop: each.per_kg for each in household.prices} if household else {}


def _places(lines: Iterable[PlantingLine], here: Estimate) -> tuple[GroupLine, ...]:
    sums = _sums((line.place, line) for line in lines)
    labels = {place.id: place.label for place in here.plan.places}
    return tuple(
        GroupLine(
            id=report.id,
            name=labels[report.id],
            estimated_kg=sums[report.id][0],
            picked_kg=sums[report.id][1],
            kg_per_m2=sums[report.id][1] / report.inside_area_m2,
            kg_per_100_litres=(
                sums[report.id][1] * _LITRES / report.soil_litres if report.soil_litres else None
            ),
            worth=None,
        )
        for report in here.report.places
        if report.id in sums
    )


def _sums(lines: Iterable[tuple[str, PlantingLine]]) -> Mapping[str, tuple[float, float]]:
    """Estimated and picked of each group, what gave most first. [kg]"""
    sums: dict[str, tuple[float, float]] = defaultdict(lambda: (0.0, 0.0))
    for group, line in lines:
        estimated, picked = sums[group]
        sums[group] = (estimated + line.estimated_kg.p50, picked + line.picked_kg)
    return dict(sorted(sums.items(), key=lambda item: -max(item[1])))
