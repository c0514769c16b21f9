"""What lies round a place in its yard: other places, walls, water, the door, roots, the fall."""

import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry.shapes import bottom, bounds
from ample_rows.core.site.footprints import path_strip, place_outline, solid_outlines
from ample_rows.core.site.frame import to_yard
from ample_rows.core.site.reach import Reach, reach_of
from ample_rows.core.site.routes import Ways
from ample_rows.core.site.yard import LEAFY, rise_of

_LEAST_OVERLAP_M2 = 1e-3
_GRAZED_M = 0.05
_NEAR_CM = 100.0
# A path drawn along a bed lies this near to its outline.
_ALONG_M = 0.15
TANK_NAME = "butt"


@dataclass(frozen=True)
class WaterWay:
    """The nearest water by the way a hose lies: metres to it, and the hose that hangs there."""

    source: str
    route_m: float
    hose_m: float | None
    flow_l_per_min: float | None = None

    @property
    def short_m(self) -> float:
        """Metres that the hose wants; 0 where it reaches. [m]"""
        return max(0.0, self.route_m - (self.hose_m or 0.0))


@dataclass(frozen=True)
class SpotAround:
    """Another spot of a container: its outline there, the way to water, and the sight of it."""

    stay: p.Stay
    outline: shapely.Polygon
    water: WaterWay | None
    in_sight: bool | None


@dataclass(frozen=True)
class Surroundings:
    """A place among all else in its yard. Hashable: a place is evaluated anew when it changes.

    `path_cm` is the least gap to anything that stands; `way_cm` what people walk along it, which
    a path that is drawn beside it may narrow.
    """

    reach: Reach
    path_cm: float | None = None
    path_beside: str | None = None
    way_cm: float | None = None
    outside_share: float = 0.0
    overlaps: tuple[str, ...] = ()
    stands_in: tuple[str, ...] = ()
    on_paths: tuple[str, ...] = ()
    roots: tuple[str, ...] = ()
    roots_share: float = 0.0
    water: WaterWay | None = None
    door_m: float | None = None
    in_sight: bool | None = None
    windward: str | None = None
    exposed: bool | None = None
    animals: tuple[str, ...] = ()
    workers: tuple[str, ...] = ()
    fall_width_cm: float = 0.0
    fall_length_cm: float = 0.0
    spots: tuple[SpotAround, ...] = ()


@lru_cache(maxsize=64)
def surroundings(
    site: p.Site | None, all_places: tuple[p.Place, ...], household: p.Household | None, book: Book
) -> dict[str, Surroundings]:
    """Every place's surroundings by its id."""
    on_ground = tuple(place for place in all_places if place.stands_on is None)
    ground = _Ground.of(site or p.Site(), on_ground, book)
    found = {place.id: _around(place, ground, household) for place in on_ground}
    for place in all_places:
        if place.stands_on is not None:
            found[place.id] = _raised(place, found[place.stands_on.place], household, book)
    return found


def _raised(
    riser: p.Place, below: "Surroundings", household: p.Household | None, book: Book
) -> "Surroundings":
    """What is round a riser that the place below does not say already: its own reach."""
    return Surroundings(
        reach=reach_of(riser, household, book),
        roots=below.roots,
        roots_share=below.roots_share,
        animals=below.animals,
        workers=below.workers,
    )


@dataclass(frozen=True, eq=False)
class _Ground:
    """A yard with its outlines worked out once. Solid things come first, then places."""

    site: p.Site
    yard: shapely.Polygon | None
    solids: tuple[tuple[str, shapely.Polygon], ...]
    paths: tuple[tuple[str, shapely.Polygon], ...]
    placed: dict[str, tuple[str, shapely.Polygon]]
    ways: Ways
    book: Book

    @classmethod
    def of(cls, site: p.Site, all_places: tuple[p.Place, ...], book: Book) -> "_Ground":
        solids = solid_outlines(site)
        paths = tuple((path.name or "path", path_strip(path)) for path in site.paths)
        outlines = ((place, place_outline(place)) for place in all_places)
        placed = {place.id: (place.label, o) for place, o in outlines if o is not None}
        return cls(
            site=site,
            yard=shapely.Polygon(site.outline_m) if site.outline_m else None,
            solids=solids,
            paths=paths,
            placed=placed,
            ways=Ways.round([o for _, o in (*solids, *placed.values())]),
            book=book,
        )

    def others(self, place: p.Place) -> list[tuple[str, shapely.Polygon]]:
        return [known for ident, known in self.placed.items() if ident != place.id]

    def way_m(self, start: p.PointM, place: p.Place, middle: p.PointM) -> float:
        own = len(self.solids) + list(self.placed).index(place.id)
        return self.ways.length_m(start, middle, inside=own)


def _around(place: p.Place, ground: _Ground, household: p.Household | None) -> Surroundings:
    site, book = ground.site, ground.book
    workers = household.workers if household else ()
    if place.id not in ground.placed:
        reach = reach_of(place, household, book)
        return Surroundings(reach, animals=site.animals, workers=workers)
    _, outline = ground.placed[place.id]
    others = ground.others(place)
    in_the_way = [*others, *ground.solids]
    gaps = [(outline.distance(o) * 100, label) for label, o in in_the_way]
    path_cm, beside = min(gaps, default=(None, None))
    drawn = zip(site.paths, ground.paths, strict=True)
    along = [path.width_cm for path, (_, o) in drawn if outline.distance(o) < _ALONG_M]
    near = [o for (gap, _), (_, o) in zip(gaps, in_the_way, strict=True) if gap < _NEAR_CM]
    middle = _middle(outline)
    fall = _fall_cm(place, site)
    zones = _roots(outline, site, book)
    windward = _windward(middle, site, book)
    return Surroundings(
        reach=reach_of(place, household, book, in_the_way=tuple(near), yard=ground.yard),
        path_cm=path_cm,
        path_beside=beside,
        way_cm=min((cm for cm in (path_cm, *along) if cm is not None), default=None),
        outside_share=_share_outside(outline, ground.yard),
        overlaps=_met(outline, others),
        stands_in=_met(outline, ground.solids),
        on_paths=_met(outline, ground.paths),
        roots=tuple(name for name, _ in zones),
        roots_share=_rooted_share(place, outline, zones),
        water=_water(place, middle, ground),
        door_m=ground.way_m(site.door_m, place, middle) if site.door_m else None,
        in_sight=_in_sight(middle, site, book),
        windward=windward,
        exposed=None if site.wind_from_deg is None else windward is None,
        animals=site.animals,
        workers=workers,
        fall_width_cm=fall[0],
        fall_length_cm=fall[1],
        spots=tuple(_spots(place, ground)),
    )


def _spots(place: p.Place, ground: _Ground) -> Iterator[SpotAround]:
    for stay in place.stays:
        if stay.at_m is None:
            continue
        heading = place.heading_deg if stay.heading_deg is None else stay.heading_deg
        moved = place.model_copy(update={"at_m": stay.at_m, "heading_deg": heading})
        outline = place_outline(moved)
        if outline is not None:
            middle = _middle(outline)
            water, sight = (
                _water(place, middle, ground),
                _in_sight(middle, ground.site, ground.book),
            )
            yield SpotAround(stay, outline, water, sight)


def _share_outside(outline: shapely.Polygon, yard: shapely.Polygon | None) -> float:
    outside = 0.0 if yard is None else outline.difference(yard).area
    return round(outside / outline.area, 4) if outside > _LEAST_OVERLAP_M2 else 0.0


def _met(
    outline: shapely.Polygon, others: Iterable[tuple[str, shapely.Polygon]]
) -> tuple[str, ...]:
    return tuple(label for label, o in others if outline.intersection(o).area > _LEAST_OVERLAP_M2)


def _middle(outline: shapely.Polygon) -> p.PointM:
    inner = outline.representative_point()
    return (inner.x, inner.y)


def _roots(outline: shapely.Polygon, site: p.Site, book: Book) -> list[tuple[str, shapely.Polygon]]:
    """Trees, shrubs and hedges whose roots come under a place, with the ground they reach."""
    found = []
    for obstacle in site.obstacles:
        if obstacle.kind in LEAFY:
            reach = obstacle.root_reach_m
            if reach is None:
                reach = obstacle.height_m * book.value("root_reach_per_height")
            crown = shapely.Polygon(obstacle.outline_m)
            if crown.distance(outline) < reach:
                found.append((obstacle.name or str(obstacle.kind), crown.buffer(reach)))
    return found


def _rooted_share(
    place: p.Place, outline: shapely.Polygon, zones: list[tuple[str, shapely.Polygon]]
) -> float:
    """Share of a place's ground within reach of such roots; none where its bottom stops them."""
    if not zones or bottom(place) in ("lined", "closed"):
        return 0.0
    held = shapely.union_all([zone for _, zone in zones]).intersection(outline)
    return round(float(held.area / outline.area), 4)


def _water(place: p.Place, middle: p.PointM, ground: _Ground) -> WaterWay | None:
    site = ground.site
    sources = [(t.name or "tap", t.at_m, t.hose_m, t.flow_l_per_min) for t in site.taps]
    sources += [(tank.name or TANK_NAME, tank.at_m, None, None) for tank in site.tanks]
    ways = [
        WaterWay(name, ground.way_m(at, place, middle), hose, flow)
        for name, at, hose, flow in sources
    ]
    return min(ways, key=lambda w: (w.short_m, w.route_m), default=None)


def _in_sight(middle: p.PointM, site: p.Site, book: Book) -> bool | None:
    if site.door_m is None:
        return None
    line = shapely.LineString([site.door_m, middle])
    eyes = book.value("sight_height_m")
    tall = [shapely.Polygon(o.outline_m) for o in site.obstacles if o.height_m > eyes]
    return not any(line.intersection(o).length > _GRAZED_M for o in tall)


def _windward(middle: p.PointM, site: p.Site, book: Book) -> str | None:
    """What breaks the strongest wind before a place: the first thing tall enough for its way."""
    if site.wind_from_deg is None:
        return None
    turn = math.radians(site.wind_from_deg - (site.north_deg or 0.0))
    found = []
    for obstacle in site.obstacles:
        reach = obstacle.height_m * book.value("shelter_heights")
        far = (middle[0] + reach * math.sin(turn), middle[1] + reach * math.cos(turn))
        outline = shapely.Polygon(obstacle.outline_m)
        if shapely.LineString([middle, far]).intersects(outline):
            near = outline.distance(shapely.Point(middle))
            found.append((near, obstacle.name or obstacle.kind or "obstacle"))
    return min(found)[1] if found else None


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
