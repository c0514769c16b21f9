"""One evaluated place written up: ground, soil, weight, water, feed and their workings."""

import numpy as np

from ample_rows.core import harvest, notes, places, roots, supports
from ample_rows.core import plan as p
from ample_rows.core.cells import grid_of
from ample_rows.core.ground.bears import bears_words, best_months
from ample_rows.core.ground.frame import Points, inner_rings_m, laid, outer_ring_m
from ample_rows.core.ground.place_sun import PlaceSun
from ample_rows.core.ground.stays import spot_of
from ample_rows.core.ground.surroundings import Surroundings
from ample_rows.core.harvest import Draws
from ample_rows.core.lattice import Point
from ample_rows.core.planting import Evaluated, Setting
from ample_rows.core.reference import Book
from ample_rows.core.report import (
    CellReport,
    DepthLayers,
    GroundReport,
    PlaceReport,
    SoilReport,
    SpotReport,
    Standing,
    SunReport,
    SupportReport,
    WaterReport,
)
from ample_rows.core.soil.feed import Eater, Feed, feed_of
from ample_rows.core.soil.fill import Fill, fill_of, order_working
from ample_rows.core.soil.jobs import prep_jobs
from ample_rows.core.soil.order import options_for
from ample_rows.core.soil.soft import soft_layers
from ample_rows.core.soil.weight import weight_of
from ample_rows.core.water.lines import lines_over
from ample_rows.core.water.need import water_need
from ample_rows.core.water.ways import Wanted, ways_for
from ample_rows.core.working import Term


def place_report(view: notes.PlaceView, idle_weeks: float, draws: Draws) -> PlaceReport:
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
    lines = lines_over(view.place.shape, _rows_apart(view.plantings), book)
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


def _rows_apart(plantings: tuple[Evaluated, ...]) -> tuple[float, ...]:
    """Distances between rows, where all that grows here stands in rows. [cm]"""
    in_rows = [e for e in plantings if e.report.layout == "rows"]
    if len(in_rows) < len(plantings):
        return ()
    return tuple(e.planting.row_spacing_cm or e.crop.between_row_cm for e in in_rows)


def _ground_report(place: p.Place, around: Surroundings) -> GroundReport:
    outer = outer_ring_m(place)
    x0, y0, x1, y1 = places.outer_outline(place.shape).bounds
    return GroundReport(
        outside_cm=(x1 - x0, y1 - y0),
        outer_m=() if outer is None else _points(outer),
        inner_m=tuple(_points(ring) for ring in inner_rings_m(place)),
        spots=_spots(place),
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


def _spots(place: p.Place) -> tuple[SpotReport, ...]:
    """The other spots of a container that lie in the yard."""
    found = []
    ring = np.asarray(places.outer_outline(place.shape).exterior.coords[:-1])
    for stay in place.stays:
        spot = spot_of(place, stay)
        if spot is not None and stay.at_m is not None:
            outer = laid(place.shape, spot.at_m, spot.heading_deg, ring)
            found.append(SpotReport(stay.since, stay.until, _points(outer)))
    return tuple(found)


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


def supports_of(place: p.Place, setting: Setting, book: Book) -> tuple[SupportReport, ...]:
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
