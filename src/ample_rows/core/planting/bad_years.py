"""Bad years of a planting: how likely each is here, and what the grower does against it."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import BadYear, Book, Crop
from ample_rows.core.calendar.dates import Dates
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.structures.cover_light import share_covered

_WITHSTANDS = {"little": None, "some": "withstands_some_leaves", "well": "withstands_well_leaves"}


@dataclass(frozen=True, slots=True)
class Risk:
    """A bad year as a planting has it: its chance for an average gardener, here, and the share
    that it takes. [0-1]"""

    name: str
    usual: float
    chance: float
    loses: float


def risks_of(
    year: GrowingYear,
    place: p.Place,
    crop: Crop,
    cells: tuple[str, ...],
    dates: Dates,
    *,
    book: Book,
) -> tuple[Risk, ...]:
    """The bad years that threaten a planting in some squares."""
    found = []
    for name, bad in book.bad_years.items():
        if crop.id not in bad.crops:
            continue
        chance = bad.chance
        if bad.wet_chance is not None and wet_summer(year, dates, book):
            chance = bad.wet_chance
        chance *= _left_by_covers(place, bad, cells, dates) * _left_by_kind(crop, bad, book)
        found.append(Risk(name, bad.chance, round(chance, 4), bad.loses))
    return tuple(found)


def wet_summer(year: GrowingYear, dates: Dates, book: Book) -> bool:
    """Whether the warm months of a planting's time are wet ones."""
    rain, means = year.rain_mm, year.mean_c
    if rain is None or means is None:
        return False
    months = {(dates.start.month - 1 + n) % 12 for n in range(_months(dates))}
    low, high = book.value("blight_warm_from_c"), book.value("blight_warm_to_c")
    warm = [rain[month] for month in months if low <= means[month] <= high]
    return bool(warm) and sum(warm) / len(warm) >= book.value("wet_month_mm")


def _months(dates: Dates) -> int:
    return min(12, max(1, round((dates.clear - dates.start).days / 30)))


def _left_by_covers(place: p.Place, bad: BadYear, cells: tuple[str, ...], dates: Dates) -> float:
    left = 1.0
    for cover in place.covers:
        if cover.kind in bad.covers:
            covered = share_covered(cover, cells, dates)
            left = min(left, 1 - covered * (1 - bad.covers[cover.kind]))
    return left


def _left_by_kind(crop: Crop, bad: BadYear, book: Book) -> float:
    grade = book.withstands(crop).get(bad.trouble) if bad.trouble else None
    spared = _WITHSTANDS[grade] if grade else None
    return book.value(spared) if spared else 1.0
