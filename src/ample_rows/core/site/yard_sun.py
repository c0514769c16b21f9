"""A day's sun over a yard and on its places, reckoned on one path so that they agree."""

from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.site.place_sun import Sky, hours_on_day, mean_by_area
from ample_rows.core.site.sun_map import DAY_MINUTES, SunMap, sun_on_day
from ample_rows.core.site.sun_path import sun_path
from ample_rows.core.site.sun_seen import hours_painted


@dataclass(frozen=True)
class YardSun:
    """Hours over the yard's ground, and the mean on each place at its soil's height."""

    map: SunMap | None
    places: dict[str, float]


def yard_sun(plan: p.Plan, sky: Sky, day: date, book: Book) -> YardSun:
    """Direct sun on one day; the map is left out where the yard has no outline. What was painted
    as it was seen goes before what is reckoned."""
    outline = plan.site.outline_m if plan.site else None
    path = sun_path(sky.where, (day,), DAY_MINUTES)
    found = {}
    for place in plan.places:
        painted = hours_painted(place, plan.site, book)
        cells = None if painted is not None else hours_on_day(place, sky, path)
        if painted is not None:
            found[place.id] = round(painted, 2)
        if cells:
            found[place.id] = round(mean_by_area(place, cells), 2)
    return YardSun(sun_on_day(outline, sky, day) if outline else None, found)
