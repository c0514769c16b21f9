"""The sums of a whole plan over its places, as one report."""

from collections import defaultdict
from dataclasses import replace
from datetime import date, timedelta
from functools import lru_cache

from ample_rows.core import notes
from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.own_measures import measures_of
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.estimate.place_result import PlaceResult, sum_of
from ample_rows.core.estimate.report import Report, Totals, YearReport
from ample_rows.core.place.place_cases import setting_of
from ample_rows.core.place.tanks import tank_reports
from ample_rows.core.place.total_order import order_for
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import Setting
from ample_rows.core.planting.harvest import WeekKg
from ample_rows.core.weather.day_length import (
    day_length_hours,
    noon_altitude_deg,
    noon_azimuth_deg,
)

_WEEK = timedelta(days=7)


def report_of(
    plan: p.Plan, setting: Setting, results: list[PlaceResult], book: Book, *, program: str
) -> Report:
    """The report of a plan whose places are evaluated."""
    reports = {r.id: r for result in results for r in result.plantings}
    return Report(
        format="ample-rows/report",
        version=1,
        program=program,
        crop_book=book.digest,
        seed=setting.seed,
        seasons=int(book.value("seasons")),
        year=_year_report(setting.year, notes.guessed_keys(plan.garden)),
        measures=measures_of(book),
        places=tuple(result.report for result in results),
        plantings=tuple(
            reports[planting.id] for planting in plan.plantings if planting.id in reports
        ),
        totals=_totals(results, plan, setting.year, book),
        notes=(
            *(note for result in results for note in result.notes),
            *notes.garden_notes(plan, book),
        ),
    )


def without_figures(plan: p.Plan, book: Book, *, program: str) -> Report:
    """What can be said of a plan whose figures fail by a fault of the program: that they do."""
    report = report_of(plan, setting_of(plan, book), [], book, program=program)
    return replace(report, notes=(notes.no_figures(), *report.notes))


def _water_of(results: list[PlaceResult]) -> tuple[float, ...] | None:
    needs = [r.report.water.litres_per_week for r in results if r.report.water]
    return tuple(sum(month) for month in zip(*needs, strict=True)) if needs else None


def _totals(results: list[PlaceResult], plan: p.Plan, year: GrowingYear, book: Book) -> Totals:
    weeks: dict[date, float] = defaultdict(float)
    for result in results:
        for week, kg in result.weekly_kg.items():
            if week + _WEEK > year.start:
                weeks[week] += kg
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
        harvest_kg=harvest.quantiles(sum_of([r.draws for r in results], book)),
        weekly_kg=tuple(WeekKg(week, kg) for week, kg in sorted(weeks.items())),
    )


@lru_cache(maxsize=64)
def _year_report(year: GrowingYear, guessed: tuple[str, ...]) -> YearReport:
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
