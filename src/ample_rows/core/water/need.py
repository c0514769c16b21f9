"""What a place wants of water: litres a week by month, and days between waterings."""

import math
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import places
from ample_rows.core import plan as p
from ample_rows.core.ground.stays import stay_on
from ample_rows.core.reference import Book, Mix
from ample_rows.core.report import GrowthReport, PlantingReport
from ample_rows.core.water.air import Air12

_MIDDLE = 15
_MM_PER_CM = 10.0
TEN_MM = 10.0
MOST_DAYS = 60.0
"""Beyond this nobody counts: the place wants no watering."""


@dataclass(frozen=True, slots=True)
class WaterNeed:
    """By month, January first; in a dry week rain brings nothing. Days are null where rain is
    enough; `wets_cm` is how deep ten litres on a square metre go. [L/week, L/week, days, cm]"""

    litres_per_week: tuple[float, ...]
    dry_litres_per_week: tuple[float, ...]
    days_between: tuple[float | None, ...]
    dry_days_between: tuple[float | None, ...]
    wets_cm: float
    how: str


def water_need(
    place: p.Place,
    plantings: tuple[PlantingReport, ...],
    air: Air12,
    book: Book,
    *,
    mix: Mix,
    usable_cm: float,
    trees_share: float,
    year: int,
) -> WaterNeed:
    """Litres a week and days between waterings, month by month.

    Args:
        mix: What the place is filled with.
        usable_cm: Depth that roots use. [cm]
        trees_share: Share of its ground that roots of trees and shrubs drink from. [0-1]
        year: The plan's year, in which plants are looked at each month's middle.
    """
    area = places.inside_area_m2(place.shape)
    held_mm = usable_cm * _MM_PER_CM * mix.available_water * book.value("depletion_share")
    full, dries = book.value("kc_full_cover"), dries_by(place, book)
    dries *= 1 + trees_share * book.value("tree_roots_drink")
    bare = book.value("kc_bare") * (1 - mulch_saves(place, book))
    litres, dry, between, dry_between = [], [], [], []
    for month in range(12):
        leaves = _leaf_area_m2(plantings, month, year)
        cover = min(1.0, leaves / area)
        wide = max(area, leaves)
        drunk = air.taken[month] * (bare + (full - bare) * cover) * wide * dries
        rain = 0.0 if _under_cover(place, month, year) else air.rain[month]
        daily = max(0.0, drunk - rain * area)
        dry.append(drunk * 7)
        litres.append(daily * 7)
        between.append(_days(held_mm * area, daily))
        dry_between.append(_days(held_mm * area, drunk))
    return WaterNeed(
        litres_per_week=tuple(litres),
        dry_litres_per_week=tuple(dry),
        days_between=tuple(between),
        dry_days_between=tuple(dry_between),
        wets_cm=wetted_cm(mix, book),
        how=air.method,
    )


def _under_cover(place: p.Place, month: int, year: int) -> bool:
    stay = stay_on(place, date(year, month + 1, _MIDDLE))
    return bool(stay and stay.under_cover)


def _days(held_litres: float, daily_litres: float) -> float | None:
    days = held_litres / daily_litres if daily_litres > 0 else math.inf
    return days if days <= MOST_DAYS else None


def dries_by(place: p.Place, book: Book) -> float:
    """How much more water a container's walls cost than tight ones. [times]"""
    known = book.materials.get(place.material or "")
    return known.dries if known is not None and place.kind == "container" else 1.0


def mulch_saves(place: p.Place, book: Book) -> float:
    """Share of what bare soil loses that a mulch holds back; thin mulch in proportion. [0-1]"""
    whole = book.value("mulch_whole_cm")
    return book.value("mulch_saves_share") * min(1.0, (place.mulch_cm or 0.0) / whole)


def wetted_cm(mix: Mix, book: Book) -> float:
    """How deep ten litres on a square metre wet a mix that wants water. [cm]"""
    return TEN_MM / (mix.available_water * book.value("depletion_share")) / _MM_PER_CM


def _leaf_area_m2(plantings: tuple[PlantingReport, ...], month: int, year: int) -> float:
    """Ground under leaves in the middle of a month of the plan's year. [m2]"""
    total = 0.0
    for planting in plantings:
        middle = _in_plan(date(year, month + 1, _MIDDLE), planting)
        if middle is not None:
            across = canopy_cm(planting.growth, middle)
            total += planting.plants * math.pi * across**2 / 4 / 1e4
    return total


def _in_plan(middle: date, planting: PlantingReport) -> date | None:
    """The middle of that month in whichever year the planting stands, or None."""
    for years in (-1, 0, 1):
        day = middle.replace(year=middle.year + years)
        if planting.start_date <= day and planting.clear_date and day < planting.clear_date:
            return day
    return None


def canopy_cm(growth: GrowthReport, day: date) -> float:
    """Canopy across on a day, from the growth that was sampled. [cm]"""
    step = (day - growth.start) // timedelta(days=growth.step_days)
    index = min(len(growth.canopy_cm) - 1, max(0, step))
    return growth.canopy_cm[index] * growth.standing[index]
