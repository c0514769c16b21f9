"""What a place wants of water: litres a week by month, and days between waterings."""

import math
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import places, roots
from ample_rows.core import plan as p
from ample_rows.core.reference import Book
from ample_rows.core.report import GrowthReport, PlantingReport
from ample_rows.core.water.air import Air12

_MIDDLE = 15
_MM_PER_CM = 10.0
MOST_DAYS = 60.0
"""Beyond this nobody counts: the place wants no watering."""


@dataclass(frozen=True, slots=True)
class WaterNeed:
    """By month, January first; in a dry week rain brings nothing. Days are null where rain is
    enough. [L/week, L/week, days]"""

    litres_per_week: tuple[float, ...]
    dry_litres_per_week: tuple[float, ...]
    days_between: tuple[float | None, ...]
    how: str


def water_need(
    place: p.Place,
    plantings: tuple[PlantingReport, ...],
    air: Air12,
    book: Book,
    *,
    available_water: float,
    year: int,
) -> WaterNeed:
    """Litres a week and days between waterings, month by month.

    Args:
        available_water: Share of the mix's volume that plants can take. [0-1]
        year: The plan's year, in which plants are looked at each month's middle.
    """
    area = places.inside_area_m2(place.shape)
    held_mm = (
        roots.soil_depth(place, book).usable_cm
        * _MM_PER_CM
        * available_water
        * book.value("depletion_share")
    )
    bare, full = book.value("kc_bare"), book.value("kc_full_cover")
    litres, dry, between = [], [], []
    for month in range(12):
        leaves = _leaf_area_m2(plantings, month, year)
        cover = min(1.0, leaves / area)
        wide = max(area, leaves)
        drunk = air.taken[month] * (bare + (full - bare) * cover) * wide
        daily = max(0.0, drunk - air.rain[month] * area)
        dry.append(drunk * 7)
        litres.append(daily * 7)
        days = held_mm * area / daily if daily > 0 else math.inf
        between.append(days if days <= MOST_DAYS else None)
    return WaterNeed(tuple(litres), tuple(dry), tuple(between), air.method)


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
