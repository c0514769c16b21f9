"""One day's sun, minute by minute: on each cell of each place, and on points of the ground."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.site.place_sun import hours_on_day, mean_by_area, sky_over
from ample_rows.core.site.risers import placed
from ample_rows.core.site.shade import hours_of_sun
from ample_rows.core.site.sun_path import sun_path

STEP_MINUTES = 1.0


@dataclass(frozen=True)
class PlaceDay:
    """Hours on a place: the mean by area, and each cell's. None and empty where unknown."""

    id: str
    label: str
    hours: float | None
    cells: dict[str, float]


@dataclass(frozen=True)
class PointDay:
    at_m: p.PointM
    hours: float


@dataclass(frozen=True)
class SunOfDay:
    day: date
    places: tuple[PlaceDay, ...]
    points: tuple[PointDay, ...]


def sun_of_day(plan: p.Plan, day: date, points_m: Sequence[p.PointM], book: Book) -> SunOfDay:
    """Hours while the sun's centre is above the horizon and no obstacle stands before it.

    Args:
        plan: A sound plan; without a yard the sky is open all round.
        points_m: Points of the ground. [m]
    """
    sky = sky_over(plan.garden, plan.site or p.Site(), day.year, book)
    path = sun_path(sky.where, (day,), STEP_MINUTES)
    ground = np.array(points_m, dtype=np.float64).reshape(-1, 2)
    hours = hours_of_sun(ground, np.zeros(len(ground)), sky.yard, path)[:, 0].sum(axis=1)
    places = []
    for place in placed(plan, book).places:
        cells = hours_on_day(place, sky, path)
        mean = mean_by_area(place, cells) if cells else None
        places.append(PlaceDay(place.id, place.label, mean, cells))
    found = [PointDay(at, float(h)) for at, h in zip(points_m, hours, strict=True)]
    return SunOfDay(day, tuple(places), tuple(found))
