"""The one entry of the core: evaluate a plan, get a report.

Each place is evaluated for itself and cached by its content, so that an edit in one
bed recomputes that bed and the sums.
"""

from collections import defaultdict
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

import numpy as np

from ample_rows.core import harvest, notes, places, roots, season, sun, supports
from ample_rows.core import plan as p
from ample_rows.core.cells import grid_of
from ample_rows.core.ground.bears import bears_words, best_months
from ample_rows.core.ground.frame import Points, inner_rings_m, outer_ring_m
from ample_rows.core.ground.place_sun import PlaceSun, place_sun, sky_of
from ample_rows.core.ground.surroundings import Surroundings, surroundings
from ample_rows.core.harvest import Draws, WeekKg
from ample_rows.core.idle import idle_ground
from ample_rows.core.lattice import Point
from ample_rows.core.planting import Evaluated, PlaceCase, Setting, evaluate_planting
from ample_rows.core.reference import Book
from ample_rows.core.report import (
    CellReport,
    DepthLayers,
    GroundReport,
    Note,
    PlaceReport,
    PlantingReport,
    Report,
    SoilReport,
    Standing,
    SunReport,
    SupportReport,
    Totals,
    WaterReport,
    YearReport,
)
from ample_rows.core.soil.feed import Eater, Feed, feed_of
from ample_rows.core.soil.fill import Fill, fill_of, order_working
from ample_rows.core.soil.jobs import prep_jobs
from ample_rows.core.soil.order import options_for
from ample_rows.core.soil.soft import soft_layers
from ample_rows.core.soil.total import order_for
from ample_rows.core.soil.weight import weight_of
from ample_rows.core.water.air import air_of
from ample_rows.core.water.lines import lines_over
from ample_rows.core.water.need import water_need
from ample_rows.core.water.tanks import tank_reports
from ample_rows.core.water.ways import Wanted, ways_for
from ample_rows.core.working import Term

DEFAULT_SEED = 1


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
        plan: A sound plan (`faults.require_sound`).
        program: Name and version that go into the report.
    """
    setting = setting_of(plan, book)
    by_place: dict[str, list[p.Planting]] = defaultdict(list)
    for planting in plan.plantings:
        by_place[planting.place].append(planting)
    results = [
        evaluate_place(here, tuple(by_place[here.place.id]))
        for here in place_cases(plan, setting, book)
    ]
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
        plantings=tuple(reports[planting.id] for planting in plan.plantings),
        totals=_totals(results, plan, book),
        notes=(
            *(note for result in results for note in result.notes),
            *notes.garden_notes(plan, book),
        ),
    )


def setting_of(plan: p.Plan, book: Book) -> Setting:
    """What all places of a plan share."""
    garden = plan.garden
    return Setting(
        year=season.growing_year(garden, book),
        policies=garden.policies,
        latitude=garden.latitude,
        north_deg=(plan.site.north_deg if plan.site else None) or 0.0,
        seed=DEFAULT_SEED if garden.seed is None else garden.seed,
        soil=plan.soil,
        air=air_of(garden, book),
    )


def place_cases(plan: p.Plan, setting: Setting, book: Book) -> list[PlaceCase]:
    """Every place of a plan with the sun that falls on it and what lies round it."""
    sky = sky_of(plan, setting.year.start.year, book)
    around = surroundings(plan.site, plan.places, plan.garden.household, book)
    return [
        PlaceCase(place, setting, place_sun(place, sky), around[place.id], book)
        for place in plan.places
    ]


def place_case(plan: p.Plan, place_id: str, book: Book) -> PlaceCase:
    """One place of a plan with all that bears on it."""
    cases = place_cases(plan, setting_of(plan, book), book)
    return next(case for case in cases if case.place.id == place_id)


@lru_cache(maxsize=1024)
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
    weeks, spells = idle_ground(grid, held, taken, setting.year, book)
    draws = _sum_of([e.draws for e in evaluated], book)
    view = notes.PlaceView(
        place,
        evaluated,
        spells,
        _supports(place, setting, book),
        here.sun,
        here.around,
        setting,
        book,
    )
    return PlaceResult(
        _place_report(view, weeks, draws),
        tuple(e.report for e in evaluated),
        notes.place_notes(view),
        draws,
    )


def _sum_of(draws: list[Draws], book: Book) -> Draws:
    total = np.zeros(int(book.value("seasons")))
    for part in draws:
        total += part
    return total


def _place_report(view: notes.PlaceView, idle_weeks: float, draws: Draws) -> PlaceReport:
    place, setting, book = view.place, view.setting, view.book
    grid = grid_of(place)
    held = {a: h.reason or "held" for h in place.held for a in h.cells}
    depth = _depth(view)
    box = places.bounds(place.shape)
    policy = place.depth_policy or setting.policies.depth or "standard"
    outline = places.outline(place.shape).exterior.coords[:-1]
    filled = fill_of(place, setting.soil, book)
    return PlaceReport(
        id=place.id,
        inside_area_m2=places.inside_area_m2(place.shape),
        soil_litres=places.soil_litres(place),
        usable_depth_cm=depth.usable_cm,
        layers=DepthLayers(depth.fill_cm, depth.loosened_cm, depth.native_cm),
        depth_policy=policy,
        bounds_cm=(box.x0, box.y0, box.x1, box.y1),
        outline_cm=tuple((round(x, 2), round(y, 2)) for x, y in outline),
        wall_cm=places.wall_cm(place),
        rim_gap_cm=places.rim_gap_cm(place),
        bottom=places.bottom(place),
        heading_deg=((place.heading_deg or 0.0) + setting.north_deg) % 360,
        cell_cm=grid.cell_cm,
        cells=tuple(
            CellReport(c.address, c.area_cm2 / 1e4, c.whole, held.get(c.address))
            for c in grid.cells.values()
        ),
        supports=view.supports,
        plants=sum(e.report.plants for e in view.plantings),
        idle_cell_weeks=idle_weeks,
        idle=view.idle,
        cells_usable=len(grid.cells) - len(held),
        standing=_standing(view.plantings),
        harvest_kg=harvest.quantiles(draws),
        sun=_sun_report(view.sun, book),
        reach=view.around.reach,
        ground=_ground_report(place, view.around),
        soil=_soil_report(place, filled, setting.soil, book),
        weight=weight_of(place, filled, book),
        water=_water_report(view, filled, book),
        feed=_feed(view, filled, book),
        jobs=prep_jobs(place, [e.dates.start for e in view.plantings], filled, setting.year, book),
        working=_place_working(place, depth, policy, book),
    )


def _depth(view: notes.PlaceView) -> roots.SoilDepth:
    """A place's depth on the day its season opens."""
    return roots.soil_depth(
        view.place,
        view.book,
        on=view.setting.year.last_frost,
        trees_share=view.around.roots_share,
    )


def _sun_report(found: PlaceSun | None, book: Book) -> SunReport | None:
    if found is None:
        return None
    hours = found.monthly()
    return SunReport(hours, best_months(hours), bears_words(hours, book))


def _soil_report(place: p.Place, filled: Fill, soil: p.Soil | None, book: Book) -> SoilReport:
    return SoilReport(
        mix=filled.mix,
        label=filled.label,
        settling=filled.settling,
        fill_litres=filled.fill_litres,
        order_litres=filled.order_litres,
        layers=filled.layers,
        recipe_litres=filled.recipe_litres,
        options=options_for(filled.order_litres, soil, filled.recipe_litres),
        top_up_litres=filled.top_up_litres,
        soft=soft_layers(place, book),
        working=order_working(filled),
    )


def _water_report(view: notes.PlaceView, filled: Fill, book: Book) -> WaterReport | None:
    air = view.setting.air
    if air is None:
        return None
    need = water_need(
        view.place,
        tuple(e.report for e in view.plantings),
        air,
        book,
        mix=filled.kind,
        usable_cm=_depth(view).usable_cm,
        trees_share=view.around.roots_share,
        year=view.setting.year.last_frost.year,
    )
    can = book.value("can_litres")
    lines = lines_over(view.place, _rows_apart(view.plantings), book)
    month = max(range(12), key=lambda m: need.dry_litres_per_week[m])
    way = view.around.water
    days = need.dry_days_between[month]
    wanted = Wanted(
        litres=need.dry_litres_per_week[month],
        waterings=7 / max(1.0, min(7.0, days or 7.0)),
        area_m2=places.inside_area_m2(view.place.shape),
        route_m=way.route_m if way else None,
        tap_l_per_min=way.flow_l_per_min if way else None,
    )
    return WaterReport(
        litres_per_week=need.litres_per_week,
        dry_litres_per_week=need.dry_litres_per_week,
        days_between=need.days_between,
        dry_cans_per_week=tuple(litres / can for litres in need.dry_litres_per_week),
        wets_cm=need.wets_cm,
        lines=lines,
        ways=ways_for(wanted, lines, book),
        how=need.how,
    )


def _feed(view: notes.PlaceView, filled: Fill, book: Book) -> Feed:
    cells = grid_of(view.place).cells
    eaters = [
        Eater(e.planting.id, e.crop, sum(cells[a].area_cm2 for a in e.report.cells) / 1e4)
        for e in view.plantings
    ]
    area = places.inside_area_m2(view.place.shape)
    return feed_of(view.place, eaters, filled, view.setting.soil, book, area_m2=area)


def _rows_apart(plantings: tuple[Evaluated, ...]) -> list[float]:
    """Distances between rows, where all that grows here stands in rows. [cm]"""
    in_rows = [e for e in plantings if e.report.layout == "rows"]
    if len(in_rows) < len(plantings):
        return []
    return [e.planting.row_spacing_cm or e.crop.between_row_cm for e in in_rows]


def _ground_report(place: p.Place, around: Surroundings) -> GroundReport:
    outer = outer_ring_m(place)
    x0, y0, x1, y1 = places.outer_outline(place.shape).bounds
    return GroundReport(
        outside_cm=(x1 - x0, y1 - y0),
        outer_m=() if outer is None else _points(outer),
        inner_m=tuple(_points(ring) for ring in inner_rings_m(place)),
        path_cm=around.path_cm,
        path_beside=around.path_beside,
        water=around.water.source if around.water else None,
        water_m=around.water.route_m if around.water else None,
        hose_m=around.water.hose_m if around.water else None,
        door_m=around.door_m,
        in_sight=around.in_sight,
        fall_width_cm=around.fall_width_cm,
        fall_length_cm=around.fall_length_cm,
    )


def _points(ring: Points) -> tuple[Point, ...]:
    return tuple((x, y) for x, y in np.round(ring, 4).tolist())


def _standing(plantings: tuple[Evaluated, ...]) -> tuple[Standing, ...]:
    """Cells taken and plants standing, from each day on which either changes."""
    days = sorted({day for e in plantings for day in (e.dates.start, e.dates.clear)})
    entries = []
    for day in days:
        there = [e for e in plantings if e.dates.start <= day < e.dates.clear]
        taken = {cell for e in there for cell in e.report.cells}
        entries.append(Standing(day, len(taken), sum(e.report.plants for e in there)))
    return tuple(entries)


def _place_working(
    place: p.Place, depth: roots.SoilDepth, policy: str, book: Book
) -> tuple[Term, ...]:
    school = book.depth_policies[policy]
    source = "Inside measures"
    native = book.coefficients["native_rootable_cm"].source
    return (
        Term("wall", places.wall_cm(place), "cm", "inside height", source),
        Term("gap below the rim", places.rim_gap_cm(place), "cm", "kept topped up", source),
        Term("fill", depth.fill_cm, "cm", "wall less gap", source),
        Term("loosened below", depth.loosened_cm, "cm", places.bottom(place) + " bottom", source),
        Term("undug ground offers", depth.native_cm, "cm", place.native or "not described", native),
        Term("usable depth", depth.usable_cm, "cm", "added up", "Core"),
        Term("soil", places.soil_litres(place), "L", "inside area × fill, by shape", "Core"),
        Term("depth school", school.label, "", f"assumes {school.assumes}", school.source),
    )


def _supports(place: p.Place, setting: Setting, book: Book) -> tuple[SupportReport, ...]:
    found = []
    for support in place.supports:
        edge = supports.edge_of(
            place, support, latitude=setting.latitude, north_deg=setting.north_deg
        )
        if edge is None:
            continue
        system = book.trainings[support.system]
        height = supports.height_cm(support, system)
        found.append(
            SupportReport(
                id=support.id,
                system=support.system,
                label=system.label,
                line_cm=(edge.start, edge.end),
                facing_deg=edge.facing_deg,
                height_cm=height,
                footprint_cm=system.footprint_cm,
                posts=supports.post_count(edge.length_cm, system),
                post_length_cm=height + (system.post_buried_cm or 0.0),
                caution=system.caution,
            )
        )
    return tuple(found)


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
        day_hours=tuple(round(sun.day_length_hours(year.latitude, d), 2) for d in days),
        noon_altitude_deg=tuple(round(sun.noon_altitude_deg(year.latitude, d), 1) for d in days),
        noon_azimuth_deg=tuple(sun.noon_azimuth_deg(year.latitude, d) for d in days),
    )
