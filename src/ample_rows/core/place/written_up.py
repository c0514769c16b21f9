"""One evaluated place written up: ground, soil, weight, water, feed and their workings."""

from collections import Counter, defaultdict
from datetime import date, timedelta
from functools import lru_cache

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.carpentry.cover_size import cells_under
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import Grid, cells_of, grid_of
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.place.laid import laid_report
from ample_rows.core.place.report import (
    CellReport,
    CoverReport,
    DepthLayers,
    GroundReport,
    PlaceReport,
    RestSpell,
    SoilReport,
    SpotReport,
    Standing,
    SunReport,
    WaterReport,
)
from ample_rows.core.place.view import PlaceView
from ample_rows.core.place.watering import lines_for, wanted_in_a_dry_week
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import Draws
from ample_rows.core.site.bears import bears_words, best_months, halves
from ample_rows.core.site.frame import Points, inner_rings_m, outer_ring_m
from ample_rows.core.site.place_sun import PlaceSun
from ample_rows.core.site.reach import beyond_rings_m
from ample_rows.core.site.surroundings import Surroundings
from ample_rows.core.soil import roots
from ample_rows.core.soil.feed import Eater, Feed, feed_of
from ample_rows.core.soil.fill import Fill, order_working
from ample_rows.core.soil.getting_ready import Begun, prep_jobs
from ample_rows.core.soil.order import options_for
from ample_rows.core.soil.soft import soft_layers
from ample_rows.core.soil.weight import weight_of
from ample_rows.core.water.ways import ways_for
from ample_rows.core.words.message import message
from ample_rows.core.words.working import Term, of_rule


def place_report(view: PlaceView, idle_weeks: tuple[float, float], draws: Draws) -> PlaceReport:
    place, setting, book = view.place, view.setting, view.book
    grid = grid_of(place)
    held = {a: h.reason or "held" for h in place.held for a in h.cells}
    depth = _depth(view)
    box = shapes.bounds(place.shape)
    policy = place.depth_policy or setting.policies.depth or "standard"
    outline = shapes.corners(shapes.outline(place.shape).exterior)
    filled = view.fill
    return PlaceReport(
        id=place.id,
        inside_area_m2=shapes.inside_area_m2(place.shape),
        soil_litres=shapes.soil_litres(place),
        usable_depth_cm=depth.usable_cm,
        layers=DepthLayers(depth.fill_cm, depth.loosened_cm, depth.native_cm),
        depth_policy=policy,
        bounds_cm=(box.x0, box.y0, box.x1, box.y1),
        outline_cm=_points(outline, 2),
        wall_cm=shapes.wall_cm(place),
        rim_gap_cm=shapes.rim_gap_cm(place),
        bottom=shapes.bottom(place),
        heading_deg=((place.heading_deg or 0.0) + setting.north_deg) % 360,
        pitch_cm=grid.pitch,
        cells=_cells(grid, tuple(held.items())),
        supports=view.supports,
        covers=tuple(
            CoverReport(c.id, book.covers[c.kind].label, cells_under(place, c), c.since, c.until)
            for c in place.covers
        ),
        laid=laid_report(place, book),
        plants=sum(e.report.plants for e in view.plantings),
        idle_cell_weeks=idle_weeks[0],
        rested_cell_weeks=idle_weeks[1],
        idle=view.idle,
        rests=tuple(
            RestSpell(cells_of(place, rest.cells), rest.since, rest.until, rest.reason)
            for rest in place.rests
        ),
        cells_usable=len(grid.cells) - len(held),
        standing=_standing(view.plantings),
        harvest_kg=harvest.quantiles(draws),
        sun=_sun_report(view.sun, book),
        sun_hours=place.sun_hours,
        reach=view.around.reach,
        ground=_ground_report(place, view.around),
        soil=_soil_report(view, filled, book),
        weight=weight_of(place, filled, book),
        water=_water_report(view, book),
        feed=_feed(view, filled, book),
        jobs=prep_jobs(place, _begun(view), filled, setting.year, soil=setting.soil, book=book),
        working=_place_working(place, depth, policy, book),
    )


def _begun(view: PlaceView) -> list[Begun]:
    """The plantings in the order in which they start, and when what is sown has come up."""
    begun = []
    for e in view.plantings:
        slowest = timedelta(days=e.crop.germination_days.high)
        sown = e.planting.start == "sow"
        begun.append(Begun(e.dates.start, e.dates.start + slowest if sown else None))
    return sorted(begun, key=lambda planting: planting.start)


def _depth(view: PlaceView) -> roots.SoilDepth:
    """A place's depth on the day its season opens."""
    return roots.soil_depth(
        view.place,
        view.book,
        on=view.setting.year.last_frost,
        trees_share=view.around.roots_share,
    )


def _sun_report(sun: PlaceSun | None, book: Book) -> SunReport | None:
    if sun is None:
        return None
    hours = sun.monthly()
    morning, afternoon = halves(hours, sun.afternoons())
    return SunReport(hours, best_months(hours), morning, afternoon, bears_words(hours, book))


def _soil_report(view: PlaceView, filled: Fill, book: Book) -> SoilReport:
    place, soil, year = view.place, view.setting.soil, view.setting.year
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
        soft=soft_layers(place, book, year.normals),
        working=order_working(filled),
    )


def _water_report(view: PlaceView, book: Book) -> WaterReport | None:
    need = view.need
    if need is None:
        return None
    can = book.value("can_litres")
    lines = lines_for(view.place, view.plantings, book)
    return WaterReport(
        litres_per_week=need.litres_per_week,
        dry_litres_per_week=need.dry_litres_per_week,
        days_between=need.days_between,
        dry_cans_per_week=tuple(litres / can for litres in need.dry_litres_per_week),
        wets_cm=need.wets_cm,
        held_litres=need.held_litres,
        lines=lines,
        ways=ways_for(wanted_in_a_dry_week(need, view.place, view.around), lines, book),
        how=need.how,
    )


@lru_cache(maxsize=64)
def _cells(grid: Grid, held: tuple[tuple[str, str], ...]) -> tuple[CellReport, ...]:
    """Every square of a grid as it is told, with why it is held; the same while both are."""
    why = dict(held)
    return tuple(
        CellReport(c.address, c.area_cm2 / 1e4, c.whole, why.get(c.address))
        for c in grid.cells.values()
    )


def eaters_of(place: p.Place, plantings: tuple[Evaluated, ...]) -> list[Eater]:
    """The plantings of a place with the ground that each stands on."""
    cells = grid_of(place).cells
    return [
        Eater(e.planting.id, e.crop, sum(cells[a].area_cm2 for a in e.report.cells) / 1e4)
        for e in plantings
    ]


def _feed(view: PlaceView, filled: Fill, book: Book) -> Feed:
    eaters = eaters_of(view.place, view.plantings)
    area = shapes.inside_area_m2(view.place.shape)
    return feed_of(view.place, eaters, filled, view.setting.soil, book, area_m2=area)


def _ground_report(place: p.Place, around: Surroundings) -> GroundReport:
    outer = outer_ring_m(place)
    x0, y0, x1, y1 = shapes.outer_outline(place.shape).bounds
    return GroundReport(
        outside_cm=(x1 - x0, y1 - y0),
        outer_m=() if outer is None else _points(outer),
        inner_m=tuple(_points(ring) for ring in inner_rings_m(place)),
        beyond_m=tuple(_points(ring) for ring in beyond_rings_m(place, around.reach)),
        spots=_spots(place, around),
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


def _spots(place: p.Place, around: Surroundings) -> tuple[SpotReport, ...]:
    """The other spots of a container that lie in the yard."""
    return tuple(
        SpotReport(
            since=there.stay.since,
            until=there.stay.until,
            outer_m=_points(shapes.corners(there.outline.exterior)),
            water=there.water.source if there.water else None,
            water_m=there.water.route_m if there.water else None,
            hose_m=there.water.hose_m if there.water else None,
            in_sight=there.in_sight,
        )
        for there in around.spots
    )


def _points(ring: Points, decimals: int = 4) -> tuple[Point, ...]:
    return tuple(map(tuple, np.round(ring, decimals).tolist()))


def _standing(plantings: tuple[Evaluated, ...]) -> tuple[Standing, ...]:
    """Cells taken and plants standing, from each day on which either changes."""
    changes: dict[date, list[tuple[int, Evaluated]]] = defaultdict(list)
    for e in plantings:
        stands = e.dates.start < e.dates.clear
        changes[e.dates.start] += [(1, e)] if stands else []
        changes[e.dates.clear] += [(-1, e)] if stands else []
    holders: Counter[str] = Counter()
    plants, taken, entries = 0, 0, []
    for day in sorted(changes):
        for by, e in changes[day]:
            plants += by * e.report.plants
            for cell in e.report.cells:
                before = holders[cell]
                holders[cell] = before + by
                taken += (before + by > 0) - (before > 0)
        entries.append(Standing(day, taken, plants))
    return tuple(entries)


@of_rule("depth")
def _place_working(
    place: p.Place, depth: roots.SoilDepth, policy: str, book: Book
) -> tuple[Term, ...]:
    school = book.depth_policies[policy]
    return (
        *_fill_terms(place, depth),
        *_rootable_terms(place, depth, book),
        Term(
            name=message("written-up-soil"),
            value=shapes.soil_litres(place),
            unit="L",
            how=message("written-up-inside-area-fill-shape"),
            source="Core",
        ),
        Term(
            name=message("written-up-depth-school"),
            value=school.label,
            unit="",
            how=message("written-up-assumes", assumes=school.assumes),
            source=school.source,
        ),
    )


def _fill_terms(place: p.Place, depth: roots.SoilDepth) -> tuple[Term, ...]:
    source = message("written-up-inside-measures")
    return (
        Term(
            name=message("written-up-wall"),
            value=shapes.wall_cm(place),
            unit="cm",
            how=message("written-up-inside-height"),
            source=source,
        ),
        Term(
            name=message("written-up-gap-below-rim"),
            value=shapes.rim_gap_cm(place),
            unit="cm",
            how=message("written-up-kept-topped-up"),
            source=source,
        ),
        Term(
            name=message("written-up-fill"),
            value=depth.fill_cm,
            unit="cm",
            how=message("written-up-wall-less-gap"),
            source=source,
        ),
    )


def _rootable_terms(place: p.Place, depth: roots.SoilDepth, book: Book) -> tuple[Term, ...]:
    native = book.coefficients["native_rootable_cm"].source
    on = place.stands_on
    below = (
        message("written-up-loosened-below")
        if on is None
        else message("written-up-soil-below", place=on.place)
    )
    return (
        Term(
            name=below,
            value=depth.loosened_cm,
            unit="cm",
            how=message("written-up-bottom", bottom=shapes.bottom(place)),
            source=message("written-up-inside-measures"),
        ),
        Term(
            name=message("written-up-undug-ground-offers"),
            value=depth.native_cm,
            unit="cm",
            how=place.native or message("written-up-not-described"),
            source=native,
        ),
        Term(
            name=message("written-up-usable-depth"),
            value=depth.usable_cm,
            unit="cm",
            how=message("written-up-added-up"),
            source="Core",
        ),
    )
