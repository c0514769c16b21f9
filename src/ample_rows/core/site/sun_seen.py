"""Sun painted on the yard as it was seen there, where nothing that casts shade is drawn."""

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.site.frame import outer_ring_m

# A place that lies for the most part where nobody looked has no hours of its own.
_LEAST_SHARE = 0.5


def with_sun_seen(plan: p.Plan, book: Book) -> p.Plan:
    """A plan whose places have the sun that is painted where they lie, but for those whose own
    hours are counted."""
    if plan.site is None or not plan.site.sun_seen:
        return plan
    places = []
    for place in plan.places:
        hours = hours_painted(place, plan.site, book)
        places.append(place if hours is None else place.model_copy(update={"sun_hours": hours}))
    return plan.model_copy(update={"places": tuple(places)})


def hours_painted(place: p.Place, site: p.Site | None, book: Book) -> float | None:
    """The sun painted where a place lies; None where its own hours are counted, or where what
    casts shade is drawn, which goes before what is painted. [hours a day]"""
    if site is None or site.obstacles or place.sun_hours is not None:
        return None
    return hours_seen(place, site.sun_seen, book) if site.sun_seen else None


def hours_seen(place: p.Place, seen: tuple[p.SunSeen, ...], book: Book) -> float | None:
    """The hours of sun painted over a place, the mean over its painted ground; None where less
    than half of it is painted, or its spot is not known. [hours a day]"""
    ring = outer_ring_m(place)
    if ring is None:
        return None
    ground = shapely.Polygon(ring)
    left: BaseGeometry = ground
    sum_m2 = hours_m2 = 0.0
    # The last painted lies on top.
    for patch in reversed(seen):
        x, y = patch.at_m
        painted = left.intersection(shapely.box(x, y, x + patch.width_m, y + patch.length_m))
        sum_m2 += painted.area
        hours_m2 += painted.area * book.value(f"sun_seen_{patch.sun}")
        left = left.difference(painted)
    return hours_m2 / sum_m2 if sum_m2 > _LEAST_SHARE * ground.area else None
