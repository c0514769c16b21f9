"""What the household wants of each crop: how much, in which months, and how it is kept."""

from dataclasses import dataclass, replace
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop

_MONTHS = tuple(range(1, 13))


@dataclass(frozen=True, slots=True)
class Wanted:
    """One crop as it is wanted, all its kinds together.

    What is not eaten within `fresh_weeks` is kept by `keep`, where it is, for `keep_weeks`; of
    that `share_kept` is left to eat. What lies in store from last year is good until a day, as
    long as it keeps where none is named. [kg a year, pieces a year, weeks, 0-1, kg]
    """

    crop: str
    asked_as: tuple[str, ...]
    kg: float
    pieces: float | None
    months: tuple[int, ...]
    fresh_weeks: float
    keep: str | None
    keep_weeks: float
    share_kept: float
    in_store_kg: float = 0.0
    in_store_until: date | None = None

    def weekly_kg(self, weeks: tuple[date, ...]) -> tuple[float, ...]:
        """What is eaten in each week: the year's want over the weeks of its months. [kg]"""
        eaten = [week.month in self.months for week in weeks]
        share = self.kg / sum(eaten) if any(eaten) else 0.0
        return tuple(share if here else 0.0 for here in eaten)

    def weeks_in_store(self, first: date) -> int:
        """For how many weeks from a day last year's store is good."""
        if self.in_store_until is None:
            return max(1, round(self.keep_weeks or self.fresh_weeks))
        return max(0, (self.in_store_until - first).days // 7)


def root_of(crop: Crop) -> str:
    """The crop that a variety type is a kind of; at table they are one."""
    return crop.variety_of or crop.id


def wants_of(plan: p.Plan, book: Book) -> dict[str, Wanted]:
    """What is wanted by crop; several wants of one crop add up."""
    wants: dict[str, Wanted] = {}
    household = plan.garden.household
    for want in household.wants if household else ():
        one = _wanted(want, book)
        before = wants.get(one.crop)
        wants[one.crop] = one if before is None else _both(before, one)
    return wants


def _wanted(want: p.Want, book: Book) -> Wanted:
    crop = book.crops[want.crop]
    keeping = book.keeping(crop)
    kg, keep = want.kg_per_year, want.keep
    if kg is None:
        kg = (want.pieces_per_year or 0.0) * (crop.piece_kg or 0.0)
    usual = keeping.ways.get(keep, keeping.fresh_weeks) if keep else 0.0
    return Wanted(
        crop=root_of(crop),
        asked_as=(crop.id,),
        kg=kg,
        pieces=want.pieces_per_year if want.kg_per_year is None else None,
        months=tuple(sorted(want.months)) or _MONTHS,
        fresh_weeks=keeping.fresh_weeks,
        keep=keep,
        keep_weeks=want.keep_weeks or usual,
        share_kept=book.keeping_ways[keep].share_kept if keep else 1.0,
        in_store_kg=want.in_store_kg or 0.0,
        in_store_until=want.in_store_until,
    )


def _both(one: Wanted, other: Wanted) -> Wanted:
    leading = one if one.keep or not other.keep else other
    return replace(
        leading,
        asked_as=(*one.asked_as, *other.asked_as),
        kg=one.kg + other.kg,
        pieces=None,
        months=tuple(sorted({*one.months, *other.months})),
        in_store_kg=one.in_store_kg + other.in_store_kg,
        in_store_until=one.in_store_until or other.in_store_until,
    )
