"""The one entry of the core: evaluate a plan, get a report.

Each place is evaluated for itself and cached by its content, so that an edit in one
bed recomputes that bed and the sums.
"""

from collections import defaultdict
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import lru_cache

import numpy as np

from ample_rows.core import notes
from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar import season
from ample_rows.core.estimate.report import Report, Totals, YearReport
from ample_rows.core.geometry.budget import too_many_cells
from ample_rows.core.geometry.cells import cells_of, grid_of
from ample_rows.core.notes.note import Note
from ample_rows.core.place.idle import idle_ground
from ample_rows.core.place.place_cases import place_cases, setting_of
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.place.tanks import tank_reports
from ample_rows.core.place.total_order import order_for
from ample_rows.core.place.view import place_view
from ample_rows.core.place.written_up import place_report
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import PlaceCase, Setting
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.harvest import Draws, WeekKg
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.weather.day_length import (
    day_length_hours,
    noon_altitude_deg,
    noon_azimuth_deg,
)


@dataclass(frozen=True, eq=False)
class PlaceResult:
    """One place evaluated, with its seasons for the garden's own sums."""

    report: PlaceReport
    plantings: tuple[PlantingReport, ...]
    notes: tuple[Note, ...]
    draws: Draws


def evaluate(plan: p.Plan, book: Book, *, program: str) -> Report:
    """Everything the product can say of a plan.

    Args:
        plan: A sound plan (`checks.require_sound`).
        program: Name and version that go into the report.
    """
    setting = setting_of(plan, book)
    by_place: dict[str, list[p.Planting]] = defaultdict(list)
    for planting in plan.plantings:
        by_place[planting.place].append(planting)
    # A kept garden of too many squares still opens: its figures alone are left out.
    cases = [] if too_many_cells(plan) else place_cases(plan, setting, book)
    results = [evaluate_place(here, tuple(by_place[here.place.id])) for here in cases]
    return _report(plan, setting, results, book, program)


def without_figures(plan: p.Plan, book: Book, *, program: str) -> Report:
    """What can be said of a plan whose figures fail by a fault of the program: that they do."""
    report = _report(plan, setting_of(plan, book), [], book, program)
    return replace(report, notes=(notes.no_figures(), *report.notes))


def _report(
    plan: p.Plan, setting: Setting, results: list[PlaceResult], book: Book, program: str
) -> Report:
    reports = {r.id: r for result in results for r in result.plantings}
    return Report(
        format="ample-rows/report",
        version=1,
        program=program,
        crop_book=book.digest,
        seed=setting.seed,
        seasons=int(book.value("seasons")),
        year=_year_report(setting.year, notes.guessed_keys(plan.garden)),
        places=tuple(result.report for result in results),
        plantings=tuple(reports[g.id] for g in plan.plantings if g.id in reports),
        totals=_totals(results, plan, book),
        notes=(
            *(note for result in results for note in result.notes),
            *notes.garden_notes(plan, book),
        ),
    )


@lru_cache(maxsize=256)
def evaluate_place(here: PlaceCase, plantings: tuple[p.Planting, ...]) -> PlaceResult:
    """One place with its plantings, independent of all others."""
    place, setting, book = here.place, here.setting, here.book
    evaluated = tuple(evaluate_planting(g, here) for g in plantings)
    grid = grid_of(place)
    held = frozenset(a for h in place.held for a in h.cells)
    taken: dict[str, list[tuple[date, date]]] = defaultdict(list)
    for e in evaluated:
        for address in e.report.cells:
            taken[address].append((e.dates.start, e.dates.clear))
    rests: dict[str, list[tuple[date, date]]] = defaultdict(list)
    for rest in place.rests:
        for address in cells_of(place, rest.cells):
            rests[address].append((rest.since, rest.until))
    weeks, rested, spells = idle_ground(grid, held, taken, setting.year, book, rests=rests)
    draws = _sum_of([e.draws for e in evaluated], book)
    view = place_view(here, evaluated, spells)
    return PlaceResult(
        place_report(view, (weeks, rested), draws),
        tuple(e.report for e in evaluated),
        notes.place_notes(view),
        draws,
    )


def _sum_of(draws: list[Draws], book: Book) -> Draws:
    total = np.zeros(int(book.value("seasons")))
    for part in draws:
        total += part
    return total


def _water_of(results: list[PlaceResult]) -> tuple[float, ...] | None:
    needs = [r.report.water.litres_per_week for r in results if r.report.water]
    return tuple(sum(month) for month in zip(*needs, strict=True)) if needs else None


def _totals(results: list[PlaceResult], plan: p.Plan, book: Book) -> Totals:
    weeks: dict[date, float] = defaultdict(float)
    for result in results:
        for planting in result.plantings:
            for week in planting.weekly_kg:
                weeks[week.week] += week.kg
    return Totals(
        places=len(results),
        plants=sum(r.report.plants for r in results),
        inside_area_m2=sum(r.report.inside_area_m2 for r in results),
        soil_litres=sum(r.report.soil_litres for r in results),
        order=order_for([r.report for r in results], plan.soil, book),
        kg_wet=sum(r.report.weight.kg for r in results),
        water_litres_per_week=_water_of(results),
        tanks=tank_reports(plan, [r.report for r in results], book),
        idle_cell_weeks=sum(r.report.idle_cell_weeks for r in results),
        rested_cell_weeks=sum(r.report.rested_cell_weeks for r in results),
        harvest_kg=harvest.quantiles(_sum_of([r.draws for r in results], book)),
        weekly_kg=tuple(WeekKg(week, kg) for week, kg in sorted(weeks.items())),
    )


@lru_cache(maxsize=64)
def _year_report(year: season.GrowingYear, guessed: tuple[str, ...]) -> YearReport:
    days = [year.start + timedelta(days=7 * i) for i in range(54)]
    return YearReport(
        start=year.start,
        end=year.end,
        last_frost=year.last_frost,
        first_frost=year.first_frost,
        spread_days=year.spread_days,
        guessed=guessed,
        day_hours=tuple(round(day_length_hours(year.latitude, d), 2) for d in days),
        noon_altitude_deg=tuple(round(noon_altitude_deg(year.latitude, d), 1) for d in days),
        noon_azimuth_deg=tuple(noon_azimuth_deg(year.latitude, d) for d in days),
    )
