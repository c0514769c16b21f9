"""The butts of a plan, each for the places that it is nearest to."""

from collections.abc import Sequence

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.place.report import PlaceReport, TankReport
from ample_rows.core.site.surroundings import TANK_NAME
from ample_rows.core.water.tank import tank_year


def tank_reports(
    plan: p.Plan, reports: Sequence[PlaceReport], book: Book
) -> tuple[TankReport, ...]:
    """Every butt with a roof, where the rain is known; for all places if it is nearest to none."""
    climate, site = plan.garden.climate, plan.site
    if site is None or climate is None or climate.rain_mm is None:
        return ()
    tank_by_tank = []
    for tank in site.tanks:
        name = tank.name or TANK_NAME
        served = [r for r in reports if r.water and r.ground.water == name]
        served = _soonest_dry(served or [r for r in reports if r.water])
        run_off = (tank.roof_m2 or 0.0) * book.value("roof_run_off")
        year = tank_year(
            tank.litres,
            [mm * run_off for mm in climate.rain_mm],
            [sum(_week(r, month) for r in served) for month in range(12)],
            rainy_share=book.value("rainy_share_of_month"),
        )
        labels = {place.id: place.label for place in plan.places}
        names = tuple(labels[r.id] for r in served)
        tank_by_tank.append(
            TankReport(
                name=name,
                litres=tank.litres,
                places=names,
                caught=year.caught,
                used=year.used,
                short=year.short,
                caught_a_year=sum(year.caught),
                used_a_year=sum(year.used),
                short_a_year=sum(year.short),
                weeks_dry=year.weeks_dry,
            )
        )
    return tuple(tank_by_tank)


def _week(report: PlaceReport, month: int) -> float:
    return report.water.dry_litres_per_week[month] if report.water else 0.0


def _soonest_dry(reports: list[PlaceReport]) -> list[PlaceReport]:
    def days(report: PlaceReport) -> float:
        between = report.water.days_between if report.water else ()
        return min((d for d in between if d is not None), default=365.0)

    return sorted(reports, key=days)
