"""What a place wants of water: litres a week by month, and days between waterings."""

import math
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Mix
from ample_rows.core.geometry import shapes
from ample_rows.core.planting.report import GrowthReport, PlantingReport
from ample_rows.core.site.stays import stay_on
from ample_rows.core.weather.air import Air12
from ample_rows.core.words.message import Text, message
from ample_rows.core.words.working import Term, of_rule

_MIDDLE = 15
_MM_PER_CM = 10.0
TEN_MM = 10.0
MOST_DAYS = 60.0
"""Beyond this nobody counts: the place wants no watering."""


@dataclass(frozen=True, slots=True)
class WaterNeed:
    """By month, January first; in a dry week rain brings nothing. Days are null where rain is
    enough; `wets_cm` is how deep ten litres on a square metre go,
    `held_litres` what the soil gives between two waterings. [L/week, L/week, days, cm, L]"""

    litres_per_week: tuple[float, ...]
    dry_litres_per_week: tuple[float, ...]
    days_between: tuple[float | None, ...]
    dry_days_between: tuple[float | None, ...]
    wets_cm: float
    held_litres: float
    how: Text

    @property
    def thirstiest(self) -> int:
        """The month that wants most in a dry week, January 0."""
        return max(range(12), key=lambda month: self.dry_litres_per_week[month])


@dataclass(frozen=True, slots=True)
class Watered:
    """A place as its need is reckoned: its fill, what roots use below it, trees that drink.

    `year` is the plan's, in which plants are looked at each month's middle. [cm, 0-1]
    """

    place: p.Place
    plantings: tuple[PlantingReport, ...]
    mix: Mix
    fill_cm: float
    below_cm: float
    trees_share: float
    year: int

    @property
    def area_m2(self) -> float:
        return shapes.inside_area_m2(self.place.shape)

    def held_litres(self, book: Book) -> float:
        """What its soil gives between two waterings."""
        ground = self.below_cm * book.value("ground_available_water")
        mm = (self.fill_cm * self.mix.available_water + ground) * _MM_PER_CM
        return mm * self.depletion_share(book) * self.area_m2

    def depletion_share(self, book: Book) -> float:
        """The share of the held water that may be used before the neediest of its crops suffers.
        [0-1]"""
        usual = book.value("depletion_share")
        shares = (book.crops[planting.crop].depletion_share for planting in self.plantings)
        return min((usual if share is None else share for share in shares), default=usual)

    def dries(self, book: Book) -> float:
        """How much more it wants for its walls and the trees beside it. [times]"""
        trees = 1 + self.trees_share * book.value("tree_roots_drink")
        return dries_by(self.place, book) * trees


@dataclass(frozen=True, slots=True)
class MonthNeed:
    """One month's day: leaves over the soil, what is drunk, what rain brings. [m2, L/day]"""

    leaves_m2: float
    cover: float
    coefficient: float
    wide_m2: float
    drunk: float
    rain: float

    @property
    def daily(self) -> float:
        return max(0.0, self.drunk - self.rain)


def month_need(what: Watered, month: int, air: Air12, book: Book) -> MonthNeed:
    """A day in the middle of a month, January 0."""
    area = what.area_m2
    bare = book.value("kc_bare") * (1 - mulch_saves(what.place, book))
    leaves = _leaf_area_m2(what.plantings, month, what.year)
    cover = min(1.0, leaves / area)
    coefficient = bare + (book.value("kc_full_cover") - bare) * cover
    wide = max(area, leaves)
    rain = 0.0 if _under_cover(what.place, month, what.year) else air.rain[month]
    drunk = air.taken[month] * coefficient * wide * what.dries(book)
    return MonthNeed(leaves, cover, coefficient, wide, drunk, rain * area)


def water_need(what: Watered, air: Air12, book: Book) -> WaterNeed:
    """Litres a week and days between waterings, month by month."""
    held = what.held_litres(book)
    months = [month_need(what, month, air, book) for month in range(12)]
    return WaterNeed(
        litres_per_week=tuple(m.daily * 7 for m in months),
        dry_litres_per_week=tuple(m.drunk * 7 for m in months),
        days_between=tuple(_days(held, m.daily) for m in months),
        dry_days_between=tuple(_days(held, m.drunk) for m in months),
        wets_cm=wetted_cm(what.mix, book),
        held_litres=held,
        how=air.method,
    )


@of_rule("water")
def need_working(what: Watered, month: int, air: Air12, book: Book) -> tuple[Term, ...]:
    """How a dry week's litres of a month come to be, and how long the soil lasts."""
    at = month_need(what, month, air, book)
    source = book.coefficients["kc_full_cover"].source
    held = what.held_litres(book)
    days = _days(held, at.drunk)
    return (
        Term(
            name=message("need-air-takes"),
            value=air.taken[month],
            unit="mm per day",
            how=air.method,
            source="FAO-56",
        ),
        Term(
            name=message("need-leaves-cover"),
            value=at.cover,
            unit="",
            how=message("need-canopies-mid-month-over"),
            source="Growth curves",
        ),
        Term(
            name=message("need-here"),
            value=at.coefficient,
            unit="×",
            how=message("need-bare-soil-full-cover"),
            source=source,
        ),
        Term(
            name=message("need-ground-or-leaves"),
            value=at.wide_m2,
            unit="m²",
            how=message("need-larger-soil-canopy"),
            source="Core",
        ),
        Term(
            name=message("need-walls-trees"),
            value=what.dries(book),
            unit="×",
            how=message("need-material-roots-beside"),
            source="Judged",
        ),
        Term(
            name=message("need-dry-week"),
            value=at.drunk * 7,
            unit="L",
            how=message("need-seven-days"),
            source="Core",
        ),
        Term(
            name=message("need-rain-brings"),
            value=at.rain * 7,
            unit="L per week",
            how=message("need-useful-share-usual-rain"),
            source="FAO-56",
        ),
        Term(
            name=message("need-usual-week"),
            value=at.daily * 7,
            unit="L",
            how=message("need-less-rain"),
            source="Core",
        ),
        Term(
            name=message("need-soil-holds"),
            value=held,
            unit="L",
            how=message("need-depth-held-water-share"),
            source="FAO-56",
        ),
        Term(
            name=message("need-lasts-dry-days"),
            value=days,
            unit="days",
            how=message("need-held-day-need"),
            source="Core",
        ),
    )


def _under_cover(place: p.Place, month: int, year: int) -> bool:
    stay = stay_on(place, date(year, month + 1, _MIDDLE))
    return bool(stay and stay.under_cover)


def _days(held_litres: float, daily_litres: float) -> float | None:
    days = held_litres / daily_litres if daily_litres > 0 else math.inf
    return days if days <= MOST_DAYS else None


def dries_by(place: p.Place, book: Book) -> float:
    """How much more water a container's walls cost than tight ones. [times]"""
    material = book.materials.get(place.material or "")
    return material.dries if material is not None and place.kind == "container" else 1.0


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
    middles = _middles(month, year)
    for planting in plantings:
        middle = _in_plan(middles, planting)
        if middle is not None:
            across = canopy_cm(planting.growth, middle)
            total += planting.plants * math.pi * across**2 / 4 / 1e4
    return total


@lru_cache(maxsize=48)
def _middles(month: int, year: int) -> tuple[date, ...]:
    """The middle of a month, January 0, in the year before, in it, and after it."""
    return tuple(date(year + years, month + 1, _MIDDLE) for years in (-1, 0, 1))


def _in_plan(middles: tuple[date, ...], planting: PlantingReport) -> date | None:
    """The one of some days on which the planting stands, or None."""
    start, clear = planting.start_date, planting.clear_date
    if clear is None:
        return None
    return next((day for day in middles if start <= day < clear), None)


def canopy_cm(growth: GrowthReport, day: date) -> float:
    """Canopy across on a day, from the growth that was sampled. [cm]"""
    step = (day - growth.start) // timedelta(days=growth.step_days)
    index = min(len(growth.canopy_cm) - 1, max(0, step))
    return growth.canopy_cm[index] * growth.standing[index]
