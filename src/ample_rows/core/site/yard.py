"""The yard as the sun meets it: what casts shadows, how high, and what light comes through."""

import math
from dataclasses import dataclass
from functools import lru_cache

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book

LEAFY = ("tree", "shrub", "hedge")
_SIMPLIFY_M = 0.02
_NORTH_LEAF, _SOUTH_LEAF = (4, 11), (10, 5)


@dataclass(frozen=True)
class Caster:
    """An outline carried up from `base_m` to `top_m`, over the yard's level at its origin.

    `passes` is the share of sunlight that comes through, January first; all zero is solid.
    """

    ring_m: tuple[p.PointM, ...]
    base_m: float | None
    top_m: float
    passes: tuple[float, ...]

    @property
    def solid(self) -> bool:
        return self.base_m is None and not any(self.passes)


@dataclass(frozen=True, eq=False)
class Yard:
    """Everything that stands between a point of the yard and the sun.

    Compared by identity: `yard_of` gives the same one for the same site, and hashing all of its
    corners for each place would cost more than the lookup saves.
    """

    casters: tuple[Caster, ...]
    north_deg: float
    horizon_deg: tuple[float, ...]
    rise_per_m: tuple[float, float]

    def level_m(self, x: float, y: float) -> float:
        """Height of the ground over the yard's origin. [m]"""
        return self.rise_per_m[0] * x + self.rise_per_m[1] * y


@lru_cache(maxsize=64)
def yard_of(site: p.Site, latitude: float, book: Book) -> Yard:
    """A site as shadows see it; without obstacles the sky is open."""
    rise = rise_of(site.slope)
    return Yard(
        casters=tuple(_caster(o, rise, latitude, book) for o in site.obstacles if o.height_m > 0),
        north_deg=site.north_deg or 0.0,
        horizon_deg=site.horizon_deg or (),
        rise_per_m=rise,
    )


def rise_of(slope: p.Slope | None) -> tuple[float, float]:
    """How much higher the ground is for each metre along x and y. [m/m]"""
    if slope is None:
        return (0.0, 0.0)
    fall, towards = slope.fall_percent / 100, math.radians(slope.downhill_deg)
    return (-fall * math.sin(towards), -fall * math.cos(towards))


def _caster(obstacle: p.Obstacle, rise: tuple[float, float], latitude: float, book: Book) -> Caster:
    whole = shapely.Polygon(obstacle.outline_m)
    simple = whole.simplify(_SIMPLIFY_M)
    outline = simple if isinstance(simple, shapely.Polygon) else whole
    ring = shapely.geometry.polygon.orient(outline).exterior.coords[:-1]
    middle = outline.centroid
    foot = rise[0] * middle.x + rise[1] * middle.y
    crown = obstacle.crown_base_m
    return Caster(
        ring_m=tuple((x, y) for x, y in ring),
        base_m=foot + crown if crown else None,
        top_m=foot + obstacle.height_m,
        passes=_passes(obstacle, latitude, book),
    )


def _passes(obstacle: p.Obstacle, latitude: float, book: Book) -> tuple[float, ...]:
    if obstacle.kind not in LEAFY:
        return (0.0,) * 12
    leafy, bare = book.value("crown_passes_in_leaf"), book.value("crown_passes_bare")
    if obstacle.leaf != "deciduous":
        return (leafy,) * 12
    first, last = obstacle.leaf_months or usual_leaf_months(latitude)
    in_leaf = [m for m in range(1, 13) if _within(m, first, last)]
    return tuple(leafy if m in in_leaf else bare for m in range(1, 13))


def usual_leaf_months(latitude: float) -> tuple[int, int]:
    """First and last month in which deciduous trees carry leaves, where nothing is entered."""
    return _NORTH_LEAF if latitude >= 0 else _SOUTH_LEAF


def _within(month: int, first: int, last: int) -> bool:
    return first <= month <= last if first <= last else month >= first or month <= last
