"""Varieties plant by plant: the plants of one planting shared out to variety types in runs."""

from collections import defaultdict
from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass, replace
from datetime import date

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.calendar.season import Season
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import Case, Evaluated, SetOut
from ample_rows.core.planting.harvest import Draws, Factors, WeekKg
from ample_rows.core.planting.report import PlantingReport, VarietyReport
from ample_rows.core.words.message import Count, Mass, Number, message
from ample_rows.core.words.working import Term, crop_source


@dataclass(frozen=True, slots=True)
class Run:
    """Stations from one up to but not including another that are of one variety type."""

    variety: str
    start: int
    stop: int


Part = tuple[Run, Evaluated]


def runs_of(planting: p.Planting, stands: SetOut) -> list[Run]:
    """The runs that plants are there for; what is left over is of the planting's own kind."""
    stations, per_station = len(stands.positions), stands.per_station
    wanted = [(run.variety, -(-run.plants // per_station)) for run in planting.varieties]
    runs, start = [], 0
    for variety, count in [*wanted, (planting.variety or planting.crop, stations)]:
        stop = min(stations, start + count)
        if stop > start:
            runs.append(Run(variety, start, stop))
        start = stop
    return runs


def together(case: Case, parts: Sequence[Part]) -> Evaluated:
    """One planting of several variety types: sums, the first and the last of dates, the least
    favourable of depth and light."""
    evaluated = [part for _, part in parts]
    longest = max(evaluated, key=lambda e: e.dates.clear)
    shallow = min(evaluated, key=lambda e: e.depth.factor)
    draws = sum((e.draws for e in evaluated), start=np.zeros_like(evaluated[0].draws))
    first = _least(e.dates.first_pick for e in evaluated)
    last = _most(e.dates.last_pick for e in evaluated)
    return Evaluated(
        planting=case.planting,
        crop=case.crop,
        report=_report(case, parts, draws),
        dates=replace(longest.dates, first_pick=first, last_pick=last),
        depth=shallow.depth,
        lot=longest.lot,
        chances=longest.chances,
        draws=draws,
        climbs_without_support=any(e.climbs_without_support for e in evaluated),
        lone_support=all(e.lone_support for e in evaluated),
    )


def _report(case: Case, parts: Sequence[Part], draws: Draws) -> PlantingReport:
    reports = [part.report for _, part in parts]
    longest = max(reports, key=lambda r: r.clear_date or r.start_date)
    total = harvest.quantiles(draws)
    stand = sum(r.plants for r in reports)
    weeks = _weeks(reports, total.p50)

    def mean(value: Callable[[PlantingReport], float]) -> float:
        return sum(value(r) * r.plants for r in reports) / stand

    return replace(
        longest,
        crop=case.crop.id,
        name=case.crop.name,
        mark=case.crop.mark,
        plants=stand,
        positions_cm=tuple(point for r in reports for point in r.positions_cm),
        stand_expected=sum(r.stand_expected for r in reports),
        seeds_to_sow=sum(r.seeds_to_sow for r in reports),
        sets_to_plant=sum(r.sets_to_plant for r in reports),
        sow_indoors=_least(r.sow_indoors for r in reports),
        depth=min((r.depth for r in reports), key=lambda depth: depth.factor),
        light=min((r.light for r in reports), key=lambda light: light.factor),
        first_pick=_least(r.first_pick for r in reports),
        last_pick=_most(r.last_pick for r in reports),
        harvest_kg=total,
        kg_per_plant=mean(lambda r: r.kg_per_plant),
        pieces=_together(r.pieces for r in reports),
        pieces_low=_together(r.pieces_low for r in reports),
        pieces_high=_together(r.pieces_high for r in reports),
        weekly_kg=weeks,
        year=harvest.year_parts(weeks, case.setting.year.start, case.setting.year.end),
        factors=Factors(
            density=mean(lambda r: r.factors.density),
            depth=mean(lambda r: r.factors.depth),
            light=mean(lambda r: r.factors.light),
            season=mean(lambda r: r.factors.season),
            training=mean(lambda r: r.factors.training),
            own=mean(lambda r: r.factors.own),
        ),
        season=Season(
            picked=mean(lambda r: r.season.picked),
            warmth=mean(lambda r: r.season.warmth),
            winter=mean(lambda r: r.season.winter),
        ),
        survival=mean(lambda r: r.survival),
        casts_shade=any(r.casts_shade for r in reports),
        by_variety=_by_variety(parts),
        working=_working(parts, total.p50),
    )


def _together(pieces: Iterable[float | None]) -> float | None:
    """A sum, None where any part is not counted."""
    known = list(pieces)
    return None if None in known else sum(filter(None, known))


def _by_variety(parts: Sequence[Part]) -> tuple[VarietyReport, ...]:
    kinds, first = [], 1
    for run, part in parts:
        report = part.report
        kinds.append(
            VarietyReport(
                variety=run.variety,
                name=part.crop.name,
                mark=part.crop.mark,
                first_plant=first,
                plants=report.plants,
                seeds_to_sow=report.seeds_to_sow,
                sets_to_plant=report.sets_to_plant,
                first_pick=report.first_pick,
                last_pick=report.last_pick,
                harvest_kg=report.harvest_kg,
            )
        )
        first += report.plants
    return tuple(kinds)


def _working(parts: Sequence[Part], total_kg: float) -> tuple[Term, ...]:
    terms = []
    for _, part in parts:
        report = part.report
        source = crop_source(part.crop.sources, "yield")
        how = message(
            "varieties-plants-expected-each",
            stand_expected=Number(report.stand_expected, 1),
            kg_per_plant=Mass(report.kg_per_plant),
        )
        name = message(
            "varieties-values", crop=part.crop.name, plants=Count(report.plants, "plant")
        )
        terms.append(
            Term(
                name=name,
                value=report.harvest_kg.p50,
                unit="kg",
                how=how,
                source=source,
                rule="yield",
            )
        )
    how = message("varieties-varieties-added-up-season")
    return (
        *terms,
        Term(
            name=message("varieties-likely-harvest"),
            value=total_kg,
            unit="kg",
            how=how,
            source="Median of all seasons",
            rule="range",
        ),
    )


def _weeks(reports: Sequence[PlantingReport], total_kg: float) -> tuple[WeekKg, ...]:
    """The weeks of all varieties, in their shares of the median of the sum."""
    weeks: dict[date, float] = defaultdict(float)
    for report in reports:
        for week in report.weekly_kg:
            weeks[week.week] += week.kg
    added = sum(weeks.values())
    return tuple(WeekKg(week, kg * total_kg / added) for week, kg in sorted(weeks.items()))


def _least(days: Iterable[date | None]) -> date | None:
    return min((day for day in days if day is not None), default=None)


def _most(days: Iterable[date | None]) -> date | None:
    return max((day for day in days if day is not None), default=None)
