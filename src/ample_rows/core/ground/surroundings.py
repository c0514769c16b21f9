"""What lies round a place in its yard: other places, walls, water, the door, roots, the fall."""

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.ground.frame import outer_ring_m, to_yard
from ample_rows.core.ground.reach import Reach, reach_of
from ample_rows.core.ground.routes import route_m
from ample_rows.core.ground.yard import LEAFY, rise_of
from ample_rows.core.places import bounds
from ample_rows.core.reference import Book

_LEAST_OVERLAP_M2 = 1e-3


@dataclass(frozen=True)
class WaterWay:
    """The nearest water by the way a hose lies: metres to it, and the hose that hangs there."""

    source: str
    route_m: float
    hose_m: float | None

    @property
    def short_m(self) -> float:
        """Metres that the hose wants; 0 where it reaches. [m]"""
        return max(0.0, self.route_m - (self.hose_m or 0.0))


@dataclass(frozen=True)
class Surroundings:
    """A place among all else in its yard. Hashable: a place is evaluated anew when it changes."""

    reach: Reach
    path_cm: float | None = None
    path_beside: str | None = None
    outside_share: float = 0.0
    overlaps: tuple[str, ...] = ()
    stands_in: tuple[str, ...] = ()
    on_paths: tuple[str, ...] = ()
    roots: tuple[str, ...] = ()
    water: WaterWay | None = None
    door_m: float | None = None
    in_sight: bool | None = None
    fall_width_cm: float = 0.0
    fall_length_cm: float = 0.0


@lru_cache(maxsize=64)
def surroundings(
    site: p.Site | None, all_places: tuple[p.Place, ...], household: p.Household | None, book: Book
) -> dict[str, Surroundings]:
    """Every place's surroundings by its id."""
    yard = site or p.Site()
    ground = _Ground(yard, {place.id: _outline(place) for place in all_places}, all_places, book)
    return {place.id: _around(place, ground, household) for place in all_places}


@dataclass(frozen=True, eq=False)
class _Ground:
    site: p.Site
    outlines: dict[str, shapely.Polygon | None]
    places: tuple[p.Place, ...]
    book: Book

    def others(self, place: p.Place) -> list[tuple[str, shapely.Polygon]]:
        return [
            (other.label, outline)
            for other in self.places
            if other.id != place.id and (outline := self.outlines[other.id]) is not None
        ]

    def solids(self) -> list[tuple[str, shapely.Polygon]]:
        return [
            (o.name or o.kind or "obstacle", shapely.Polygon(o.outline_m))
            for o in self.site.obstacles
            if o.kind not in LEAFY
        ]

    def paths(self) -> list[tuple[str, shapely.Polygon]]:
        return [
            (
                path.name or "path",
                shapely.LineString(path.line_m).buffer(path.width_cm / 200, cap_style="flat"),
            )
            for path in self.site.paths
        ]


def _outline(place: p.Place) -> shapely.Polygon | None:
    ring = outer_ring_m(place)
    return None if ring is None else shapely.Polygon(ring)


def _around(place: p.Place, ground: _Ground, household: p.Household | None) -> Surroundings:
    outline = ground.outlines[place.id]
    site, book = ground.site, ground.book
    if outline is None:
        return Surroundings(reach_of(place, household, book))
    others, solids = ground.others(place), ground.solids()
    in_the_way = [o for _, o in others] + [o for _, o in solids]
    yard = shapely.Polygon(site.outline_m) if site.outline_m else None
    path = min(
        ((outline.distance(o) * 100, label) for label, o in others + solids),
        default=(None, None),
    )
    outside = outline.difference(yard).area / outline.area if yard is not None else 0.0
    fall = _fall_cm(place, site)
    return Surroundings(
        reach=reach_of(place, household, book, in_the_way=in_the_way, yard=yard),
        path_cm=path[0],
        path_beside=path[1],
        outside_share=round(outside, 4) if outside > _LEAST_OVERLAP_M2 else 0.0,
        overlaps=_met(outline, others),
        stands_in=_met(outline, solids),
        on_paths=_met(outline, ground.paths()),
        roots=_roots(outline, site, book),
        water=_water(outline, site, in_the_way),
        door_m=_door_m(outline, site, in_the_way),
        in_sight=_in_sight(outline, site, book),
        fall_width_cm=fall[0],
        fall_length_cm=fall[1],
    )


def _met(outline: shapely.Polygon, others: list[tuple[str, shapely.Polygon]]) -> tuple[str, ...]:
    return tuple(label for label, o in others if outline.intersection(o).area > _LEAST_OVERLAP_M2)


def _middle(outline: shapely.Polygon) -> p.PointM:
    inner = outline.representative_point()
    return (inner.x, inner.y)


def _roots(outline: shapely.Polygon, site: p.Site, book: Book) -> tuple[str, ...]:
    found = []
    for obstacle in site.obstacles:
        if obstacle.kind in LEAFY:
            reach = obstacle.root_reach_m
            if reach is None:
                reach = obstacle.height_m * book.value("root_reach_per_height")
            if shapely.Polygon(obstacle.outline_m).distance(outline) < reach:
                found.append(obstacle.name or str(obstacle.kind))
    return tuple(found)


def _water(
    outline: shapely.Polygon, site: p.Site, in_the_way: list[shapely.Polygon]
) -> WaterWay | None:
    middle = _middle(outline)
    ways = [
        WaterWay(tap.name or "tap", route_m(tap.at_m, middle, in_the_way), tap.hose_m)
        for tap in site.taps
    ]
    ways += [
        WaterWay(tank.name or "butt", route_m(tank.at_m, middle, in_the_way), None)
        for tank in site.tanks
    ]
    return min(ways, key=lambda w: (w.short_m, w.route_m), default=None)


def _door_m(
    outline: shapely.Polygon, site: p.Site, in_the_way: list[shapely.Polygon]
) -> float | None:
    if site.door_m is None:
        return None
    return route_m(site.door_m, _middle(outline), in_the_way)


def _in_sight(outline: shapely.Polygon, site: p.Site, book: Book) -> bool | None:
    if site.door_m is None:
        return None
    line = shapely.LineString([site.door_m, _middle(outline)])
    eyes = book.value("sight_height_m")
    tall = [shapely.Polygon(o.outline_m) for o in site.obstacles if o.height_m > eyes]
    return not any(line.intersection(o).length > 0.05 for o in tall)


def _fall_cm(place: p.Place, site: p.Site) -> tuple[float, float]:
    """How much the ground falls across the place, along its width and its length. [cm]"""
    box = bounds(place.shape)
    corners = np.array([[box.x0, box.y0], [box.x1, box.y0], [box.x0, box.y1]])
    ends = to_yard(place, corners)
    if site.slope is None or ends is None:
        return (0.0, 0.0)
    rise = rise_of(site.slope)
    origin, across, along = (100 * (x * rise[0] + y * rise[1]) for x, y in ends)
    return (_clean(origin - across), _clean(origin - along))


def _clean(cm: float) -> float:
    return 0.0 if math.isclose(cm, 0.0, abs_tol=1e-6) else round(cm, 3)
