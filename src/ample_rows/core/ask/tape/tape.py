"""Pickings of each crop as they came, with their sum, over the band that was estimated."""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np

from ample_rows.core.ask.pantry.lacking import grown, of_each_crop
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import Draws, Quantiles, at_shares
from ample_rows.core.record.entries import Entry, picked_kg
from ample_rows.core.words import csv_text

_WEEK = timedelta(days=7)
_DECIMALS = 3
Standing = Literal["below", "within", "above"]


@dataclass(frozen=True, slots=True)
class BandPoint:
    """What is estimated to be picked by a day, low, likely and high. [kg]"""

    day: date
    kg: Quantiles


@dataclass(frozen=True, slots=True)
class Step:
    """One day's pickings, and all up to them. [kg]"""

    day: date
    kg: float
    sum_kg: float


@dataclass(frozen=True, slots=True)
class TapeWeek:
    """One week from its Monday: what is estimated to be picked in it, and what was. [kg]"""

    week: date
    estimated_kg: Quantiles
    picked_kg: float


@dataclass(frozen=True, slots=True)
class CropTape:
    """A crop's season, or that of all of them: the estimate of the whole, by and in each week, what
    was picked, and how that stands against what was estimated by the day asked for; null before
    the first of it."""

    crop: str
    name: str
    mark: str
    estimate_kg: Quantiles
    by_day_kg: Quantiles
    band: tuple[BandPoint, ...]
    weeks: tuple[TapeWeek, ...]
    picked: tuple[Step, ...]
    picked_kg: float
    standing: Standing | None


@dataclass(frozen=True, slots=True)
class Tape:
    """All crops that were picked or are to be, in the order in which they begin; `whole` is all of
    them together. [kg]"""

    day: date
    picked_kg: float
    by_day_kg: Quantiles
    whole: CropTape
    crops: tuple[CropTape, ...]


def tape_of(estimate: Estimate, entries: Sequence[Entry], day: date) -> Tape:
    """The tape of a garden's season.

    Args:
        entries: Those of the season; pickings are taken from them.
        day: The day up to which pickings are counted against the estimate.
    """
    every = [e for _, plantings in grown(estimate) for e in plantings]
    by_crop = of_each_crop(e for e in every if float(np.sum(e.draws)) > 0)
    picked = _by_crop(entries, {e.planting.id: e for e in every}, estimate.book)
    book = estimate.book
    crops = [
        _strip(
            (crop, book.crops[crop].name, book.crops[crop].mark),
            by_crop.get(crop, []),
            picked.get(crop, {}),
            day,
        )
        for crop in {**by_crop, **picked}
    ]
    in_all: dict[date, float] = defaultdict(float)
    for of_crop in picked.values():
        for when, kg in of_crop.items():
            in_all[when] += kg
    whole = _strip(("", "all crops", ""), every, in_all, day)
    return Tape(
        day=day,
        picked_kg=whole.picked_kg,
        by_day_kg=whole.by_day_kg,
        whole=whole,
        crops=tuple(sorted(crops, key=_begins)),
    )


def _begins(tape: CropTape) -> date:
    days = [*(point.day for point in tape.band[:1]), *(step.day for step in tape.picked[:1])]
    return min(days, default=date.max)


def _strip(
    of: tuple[str, str, str],
    plantings: Sequence[Evaluated],
    picked: Mapping[date, float],
    day: date,
) -> CropTape:
    """One strip: of a crop, or of all of them; `of` is its id, name and mark."""
    had = {_monday(when) for when in picked} | {
        week.week for e in plantings for week in e.report.weekly_kg
    }
    mondays = sorted(had)
    steps, total = [], 0.0
    for when in sorted(picked):
        total += picked[when]
        steps.append(Step(when, picked[when], total))
    sum_kg = sum(kg for when, kg in picked.items() if when <= day)
    draws = np.array([e.draws for e in plantings])
    starts = _shares(plantings, mondays)
    ends = _shares(plantings, [monday + _WEEK for monday in mondays])
    (by_day,) = _spread(draws, _shares(plantings, [day]))
    (whole,) = _spread(draws, np.ones((1, len(plantings))))
    by_week = defaultdict[date, float](float)
    for when, kg in picked.items():
        by_week[_monday(when)] += kg
    estimated = {week.week for e in plantings for week in e.report.weekly_kg}
    band = [(monday + _WEEK, kg) for monday, kg in zip(mondays, _spread(draws, ends), strict=True)]
    if estimated:
        band.insert(0, (min(estimated), Quantiles(0.0, 0.0, 0.0)))
    ident, name, mark = of
    return CropTape(
        crop=ident,
        name=name,
        mark=mark,
        estimate_kg=whole,
        by_day_kg=by_day,
        band=tuple(
            BandPoint(end, kg)
            for end, kg in band
            if estimated and min(estimated) <= end <= max(estimated) + _WEEK
        ),
        weeks=tuple(
            TapeWeek(monday, kg, by_week[monday])
            for monday, kg in zip(mondays, _spread(draws, ends - starts), strict=True)
        ),
        picked=tuple(steps),
        picked_kg=sum_kg,
        standing=_standing(sum_kg, by_day),
    )


def _monday(day: date) -> date:
    return day - timedelta(days=day.weekday())


def _shares(plantings: Sequence[Evaluated], days: Sequence[date]) -> Draws:
    """The share of each planting's harvest that is picked before each of some days. [0-1]"""
    at = [day.toordinal() for day in days]
    shares = np.zeros((len(days), len(plantings)))
    for column, e in enumerate(plantings):
        weeks = e.report.weekly_kg
        sums = np.cumsum([0.0, *(week.kg for week in weeks)])
        if sums[-1] > 0:
            ends = [week.week.toordinal() for week in weeks]
            ends.append(ends[-1] + _WEEK.days)
            shares[:, column] = np.interp(at, ends, sums / sums[-1])
    return shares


def _spread(draws: Draws, shares: Draws) -> list[Quantiles]:
    """Low, likely and high of some draws of which only shares count, for each row of shares."""
    if not draws.size:
        return [Quantiles(0.0, 0.0, 0.0)] * len(shares)
    lows, likelies, highs = at_shares(shares @ draws, (0.1, 0.5, 0.9))
    return [
        Quantiles(float(low), float(likely), float(high))
        for low, likely, high in zip(lows, likelies, highs, strict=True)
    ]


def _standing(kg: float, by_day: Quantiles) -> Standing | None:
    if by_day.p50 <= 0:
        return None
    return "below" if kg < by_day.p10 else "above" if kg > by_day.p90 else "within"


def _by_crop(
    entries: Iterable[Entry], plantings: dict[str, Evaluated], book: Book
) -> dict[str, dict[date, float]]:
    """Pickings by crop and day; pieces by what one of them weighs."""
    found: dict[str, dict[date, float]] = defaultdict(lambda: defaultdict(float))
    for entry in entries:
        of = plantings.get(entry.planting or "")
        crop = of.crop if of else book.crops.get(entry.crop or "")
        if entry.kind != "picked" or crop is None:
            continue
        found[crop.variety_of or crop.id][entry.day] += picked_kg(entry, crop.piece_kg)
    return found


def tape_csv(tape: Tape) -> str:
    """A row for each week of each crop: what was estimated for it and what was picked. [kg]"""
    rows: list[list[object]] = [
        [
            "week",
            "crop",
            "estimated_low_kg",
            "estimated_likely_kg",
            "estimated_high_kg",
            "picked_kg",
        ]
    ]
    for crop in tape.crops:
        for week in crop.weeks:
            kg = week.estimated_kg
            figures = (kg.p10, kg.p50, kg.p90, week.picked_kg)
            rows.append([week.week, crop.crop, *(round(each, _DECIMALS) for each in figures)])
    return csv_text.written(rows)
