"""Pickings of each crop as they came, with their sum, over the band that was estimated."""

from collections import defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np

from ample_rows.core.ask.pantry.lacking import grown, of_each_crop
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import Quantiles, quantiles
from ample_rows.core.record.entries import Entry, picked_kg

_WEEK = timedelta(days=7)
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
class CropTape:
    """A crop's season: the estimate of the whole of it and by each week, what was picked, and how
    that stands against what was estimated by the day asked for; null before the first of it."""

    crop: str
    name: str
    mark: str
    estimate_kg: Quantiles
    by_day_kg: Quantiles
    band: tuple[BandPoint, ...]
    picked: tuple[Step, ...]
    picked_kg: float
    standing: Standing | None


@dataclass(frozen=True, slots=True)
class Tape:
    """All crops that were picked or are to be, in the order in which they begin. [kg]"""

    day: date
    picked_kg: float
    by_day_kg: Quantiles
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
    crops = [
        _crop_tape(crop, by_crop.get(crop, []), picked.get(crop, {}), estimate.book, day)
        for crop in {**by_crop, **picked}
    ]
    by_day = [(e.draws, _share_by(e, day)) for e in every]
    return Tape(
        day=day,
        picked_kg=sum(tape.picked_kg for tape in crops),
        by_day_kg=_quantiles(by_day),
        crops=tuple(sorted(crops, key=_begins)),
    )


def _begins(tape: CropTape) -> date:
    days = [*(point.day for point in tape.band[:1]), *(step.day for step in tape.picked[:1])]
    return min(days, default=date.max)


def _crop_tape(
    crop: str, plantings: Sequence[Evaluated], picked: dict[date, float], book: Book, day: date
) -> CropTape:
    record = book.crops[crop]
    weeks = sorted({week.week for e in plantings for week in e.report.weekly_kg})
    ends = [weeks[0], *(week + _WEEK for week in weeks)] if weeks else []
    steps, total = [], 0.0
    for when in sorted(picked):
        total += picked[when]
        steps.append(Step(when, picked[when], total))
    sum_kg = sum(kg for when, kg in picked.items() if when <= day)
    by_day = _quantiles([(e.draws, _share_by(e, day)) for e in plantings])
    return CropTape(
        crop=crop,
        name=record.name,
        mark=record.mark,
        estimate_kg=_quantiles([(e.draws, 1.0) for e in plantings]),
        by_day_kg=by_day,
        band=tuple(
            BandPoint(end, _quantiles([(e.draws, _share_by(e, end)) for e in plantings]))
            for end in ends
        ),
        picked=tuple(steps),
        picked_kg=sum_kg,
        standing=_standing(sum_kg, by_day),
    )


def _standing(kg: float, by_day: Quantiles) -> Standing | None:
    if by_day.p50 <= 0:
        return None
    return "below" if kg < by_day.p10 else "above" if kg > by_day.p90 else "within"


def _share_by(e: Evaluated, day: date) -> float:
    """The share of a planting's harvest that is picked before the end of a day. [0-1]"""
    weeks = e.report.weekly_kg
    whole = sum(week.kg for week in weeks)
    if not whole:
        return 0.0
    had = sum(week.kg * min(1.0, max(0.0, (day - week.week) / _WEEK)) for week in weeks)
    return had / whole


def _quantiles(parts: Iterable[tuple[np.ndarray, float]]) -> Quantiles:
    """Quantiles of a sum of draws, of each only a share."""
    some = [draws * share for draws, share in parts if share > 0]
    return quantiles(np.sum(some, axis=0)) if some else Quantiles(0.0, 0.0, 0.0)


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
