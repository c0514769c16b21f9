"""Drawings of one yard side by side: ground won, walks, reach, sun, soil, cost and harvest."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import shapely

from ample_rows.core import plan as p
from ample_rows.core.ask.building.bill import bill_for, cheapest_cost
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report import Report
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.site.frame import outer_ring_m
from ample_rows.core.words.message import Text, message

_LEAST_STOPS = 2
_GAIN_M = 1e-9


@dataclass(frozen=True, slots=True)
class AlternativePlace:
    """A place as it lies in a drawing, for a small drawing and for taking it alone. [m]"""

    id: str
    name: str
    outer_m: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class AlternativeFigures:
    """One drawing in figures; `id` is null for the plan as it is. Unknown is null.

    `walk_m` is once round every place and from one to the next, from the door and back. Sun is
    the mean of the six best months over all growing ground.
    """

    id: str | None
    name: Text
    growing_m2: float
    growing_share: float | None
    paths_share: float | None
    cells_beyond: int
    cells: int
    walk_m: float
    sun_hours: float | None
    soil_litres: float
    soil_cost: float | None
    build_cost: float | None
    harvest_kg: float
    places: tuple[AlternativePlace, ...]


def compared(estimate: Estimate) -> tuple[AlternativeFigures, ...]:
    """The plan as it is, then every drawing kept beside it."""
    plan = estimate.plan
    now = plan.model_copy(update={"alternatives": ()})
    figures = [_figures(None, message("alternatives-now"), estimate.trying(now))]
    for drawing in plan.alternatives:
        there = plan.with_alternative(drawing)
        figures.append(_figures(drawing.id, drawing.name, estimate.trying(there)))
    return tuple(figures)


def _figures(ident: str | None, name: Text, estimate: Estimate) -> AlternativeFigures:
    plan, report = estimate.plan, estimate.report
    site = plan.site or p.Site()
    yard = shapely.Polygon(site.outline_m).area if site.outline_m else None
    growing = report.totals.inside_area_m2
    paths = shapely.union_all([_strip(path) for path in site.paths]).area if site.paths else 0.0
    return AlternativeFigures(
        id=ident,
        name=name,
        growing_m2=growing,
        growing_share=None if yard is None else growing / yard,
        paths_share=None if yard is None else paths / yard,
        cells_beyond=sum(len(r.reach.cells_beyond) for r in report.places),
        cells=sum(len(r.cells) for r in report.places),
        walk_m=_walk_m(plan, site),
        sun_hours=_sun(report.places),
        soil_litres=report.totals.order.litres,
        soil_cost=cheapest_cost(report.totals.order),
        build_cost=bill_for(estimate, report.places).cost,
        harvest_kg=report.totals.harvest_kg.p50,
        places=_places(plan, report),
    )


def _places(plan: p.Plan, report: Report) -> tuple[AlternativePlace, ...]:
    rings = {r.id: r.ground.outer_m for r in report.places}
    return tuple(AlternativePlace(place.id, place.label, rings[place.id]) for place in plan.places)


def _strip(path: p.Path) -> shapely.Geometry:
    return shapely.LineString(path.line_m).buffer(path.width_cm / 200, cap_style="flat")


def _sun(reports: Sequence[PlaceReport]) -> float | None:
    lit = [(r.inside_area_m2, r.sun.best_months_hours) for r in reports if r.sun]
    if not lit:
        return None
    return sum(area * hours for area, hours in lit) / sum(area for area, _ in lit)


def _walk_m(plan: p.Plan, site: p.Site) -> float:
    """Round every place that lies in the yard, and the shortest round from one to the next. [m]"""
    rings = [ring for place in plan.places if (ring := outer_ring_m(place)) is not None]
    outlines = [shapely.Polygon(ring) for ring in rings]
    around = sum(outline.length for outline in outlines)
    door = [shapely.Point(site.door_m)] if site.door_m else []
    stops: list[shapely.Point | shapely.Polygon] = [*door, *outlines]
    if len(stops) < _LEAST_STOPS:
        return around
    apart = [[a.distance(b) for b in stops] for a in stops]
    return around + _shortest_round(apart)


def _shortest_round(apart: list[list[float]]) -> float:
    """A round over all stops: nearest next, then crossings undone (2-opt) while that gains."""
    left, tour = set(range(1, len(apart))), [0]
    while left:
        nearest = min(left, key=lambda stop: apart[tour[-1]][stop])
        tour.append(nearest)
        left.remove(nearest)
    gained = True
    while gained:
        gained = False
        for i in range(len(tour) - 1):
            for j in range(i + 2, len(tour) + (i > 0)):
                other = [*tour[: i + 1], *reversed(tour[i + 1 : j]), *tour[j:]]
                if _length(other, apart) < _length(tour, apart) - _GAIN_M:
                    tour, gained = other, True
    return _length(tour, apart)


def _length(tour: list[int], apart: list[list[float]]) -> float:
    return math.fsum(apart[a][b] for a, b in zip(tour, [*tour[1:], tour[0]], strict=True))
