"""What the crop book's days and yields hold for: a start on a usual day in a made-up climate."""

from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

from ample_rows.core.book import Book, Crop, MadeUpClimate
from ample_rows.core.plan import Start
from ample_rows.core.weather.response import (
    DAYS,
    Normals,
    course_of,
    need_of,
    row_of,
    warmer,
)
from ample_rows.core.weather.ripening import ripe_after, ripening_from
from ample_rows.core.weather.suited import Suited, left_of, suited_over

_YEAR = 2001
_SLOW_DAYS = 300.0


@dataclass(frozen=True, slots=True)
class Reference:
    """A crop where the book's figures hold: how well its weeks suit it there, what a hot spell
    leaves of that, and for each start the growth that it has had by the first pick, in days at
    its best and in days awake."""

    suited: Suited
    hot_spell_leaves: float
    grown_days: dict[Start, float]
    awake_days: dict[Start, float]


def grows_for_years(crop: Crop, start: Start) -> bool:
    """Whether a crop stands over a winter before its first pick, which no sum of warmth tells."""
    slow = (crop.days_to_pick(start) or 0.0) >= _SLOW_DAYS
    return crop.overwinters or crop.perennial is not None or slow


@lru_cache(maxsize=1024)
def reference_of(crop_id: str, book: Book) -> Reference:
    """The reference of a crop of the book, by id."""
    crop = book.crops[crop_id]
    climate = book.climates[crop.days_from]
    normals = Normals(climate.latitude, climate.tmin_c, climate.tmax_c)
    course = course_of(normals, need_of(crop))
    begun = date.fromisoformat(f"{_YEAR}-{crop.usual_start}")
    usual_days = crop.days_to_pick(crop.starts[0]) or 0.0
    pick = begun + timedelta(days=round(usual_days))
    due = row_of(begun) + round(usual_days)
    if crop.perennial is not None:
        ripe = ripe_after(normals, crop, 0) or due
        pick, due = date(_YEAR, 1, 1) + timedelta(days=ripe), ripe + DAYS
    first = ripening_from(normals, crop, row_of(begun), due)
    grown, awake = {}, {}
    for start in crop.starts:
        begins, until = due - round(crop.days_to_pick(start) or 0.0), due
        if begins < 0:
            begins, until = begins + DAYS, until + DAYS
        grown[start] = float(course.grown[until] - course.grown[begins])
        awake[start] = float(course.awake[until] - course.awake[begins])
    picked = _picked(crop, pick, climate)
    suited = suited_over(course, crop, first, due, picked)
    hot = course_of(warmer(normals, book.value("hot_spell_c")), need_of(crop))
    in_heat = suited_over(hot, crop, first, due, picked)
    return Reference(
        suited=suited,
        hot_spell_leaves=left_of(in_heat, suited),
        grown_days=grown,
        awake_days=awake,
    )


def _picked(crop: Crop, pick: date, climate: MadeUpClimate) -> float:
    """Days of picking where the figures hold, before the first frost for what that ends."""
    whole = crop.picking.days
    if crop.frost == "hardy":
        return whole
    frost = date.fromisoformat(f"{_YEAR}-{climate.first_frost}")
    return max(1.0, min(whole, (frost - pick).days)) if pick < frost else whole
