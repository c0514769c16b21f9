"""How the weeks of a planting suit its crop here, against those that the book's yield holds for."""

from dataclasses import dataclass

import numpy as np

from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import Dates
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.weather.reference import reference_of
from ample_rows.core.weather.response import (
    DAYS,
    Normals,
    course_of,
    daily_means_c,
    need_of,
    response,
    row_of,
    warmer,
)
from ample_rows.core.weather.ripening import ripening_from
from ample_rows.core.weather.suited import Suited, left_of, suited_over

_LEAST_WARMTH = 0.05


@dataclass(frozen=True, slots=True)
class Season:
    """What the season leaves of a harvest: the share of the picking that is had, how warm its
    weeks are for it against the book's, and what winter leaves: short days, frost and cold."""

    picked: float
    warmth: float
    winter: float

    @property
    def product(self) -> float:
        return self.picked * self.warmth * self.winter


@dataclass(frozen=True, slots=True)
class WeeksHere:
    """How the weeks of a planting suit it against the book's: by warmth and all that follows from
    it, and by their light.

    Of the former, `heat` is the share of growth that days above its best take, `sets` the share
    of flowers that set, `kept` what running to seed leaves of the book's; `in_heat` is what a hot
    spell leaves of a usual season's, `chilled` what a mild winter leaves. [0-1]
    """

    warmth: float
    light: float
    heat: float = 0.0
    sets: float = 1.0
    kept: float = 1.0
    in_heat: float = 1.0
    chilled: float = 1.0


def weeks_here(year: GrowingYear, crop: Crop, dates: Dates, book: Book) -> WeeksHere:
    """The mean response of a planting's weeks to warmth over that of the book's own weeks, at
    most so much above it; by light alone where no climate is known."""
    here = _suited(year, year.normals, crop, dates)
    there = reference_of(crop.id, book).suited
    light = min(1.0, float(here.light / there.light)) if there.light > 0 else 1.0
    kept = float(here.kept / there.kept)
    if year.normals.tmin_c is None:
        return WeeksHere(min(1.0, kept), light, kept=kept)
    warmth = float(here.warmth / np.maximum(_LEAST_WARMTH, there.warmth))
    return WeeksHere(
        warmth=min(book.value("warmth_most"), warmth),
        light=light,
        heat=float(here.heat),
        sets=float(here.sets),
        kept=kept,
        chilled=min(1.0, here.chilled / there.chilled),
        in_heat=_hot_spell_leaves(year, crop, dates, here, book),
    )


def _hot_spell_leaves(
    year: GrowingYear, crop: Crop, dates: Dates, usual: Suited, book: Book
) -> float:
    """What a hot spell leaves of a harvest here against a usual season; what the book's own climate
    loses in one is in its low already. [0-1]"""
    warmer_by = book.value("hot_spell_c")
    feels_heat = crop.fruit_set is not None or any(bolting.by == "heat" for bolting in crop.bolts)
    if year.mean_c is None:
        return 1.0
    if not feels_heat and max(year.mean_c) + warmer_by <= crop.optimum_high_c:
        return 1.0
    in_heat = _suited(year, warmer(year.normals, warmer_by), crop, dates)
    there = reference_of(crop.id, book).hot_spell_leaves
    return min(1.0, left_of(in_heat, usual) / there) if there > 0 else 1.0


def _suited(year: GrowingYear, normals: Normals, crop: Crop, dates: Dates) -> Suited:
    """How well a planting's weeks suit it in a year as warm as some normals."""
    course = course_of(normals, need_of(crop))
    end = max(dates.due, dates.last_pick or dates.due)
    to_pick, picked = (dates.due - dates.start).days, (end - dates.due).days
    first = row_of(dates.start)
    due = first + to_pick
    if crop.perennial is not None:
        due = row_of(dates.due) + DAYS
    grows = ripening_from(year.normals, crop, first, due)
    return suited_over(course, crop, grows, due, picked)


def relief(year: GrowingYear, crop: Crop, dates: Dates, late_share: float, book: Book) -> float:
    """What a crop gains when it is spared part of its hot afternoons: growth on days that are too
    warm for it, as they would be so much cooler, over that in the open. [×]

    Args:
        late_share: Share of its afternoon sun that is taken. [0-1]
    """
    if year.mean_c is None or late_share <= 0 or max(year.mean_c) <= crop.optimum_high_c:
        return 1.0
    first = row_of(dates.start)
    rows = np.arange(first, first + max(1, (dates.clear - dates.start).days)) % DAYS
    means = daily_means_c(year.mean_c)[rows]
    need = need_of(crop)
    open_air = response(means, need)
    cooler = response(means - late_share * book.value("shade_cooler_c"), need)
    grows = np.where(means > crop.optimum_high_c, np.maximum(open_air, cooler), open_air)
    gain = float(grows.sum() / max(1e-6, open_air.sum())) - 1
    return 1.0 + min(book.value("shade_gain_most"), gain)
