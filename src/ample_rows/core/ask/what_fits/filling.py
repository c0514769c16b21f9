"""Filling blocks of a place: the crop that does well there first, and what follows it."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.what_fits.shelf import ShelfEntry, shelf_for
from ample_rows.core.calendar.windows import start_window, start_windows
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import Number, Text, message

SETTLE_DAYS = 2
LEAST_FACTOR = 0.4

Block = tuple[str, ...]


@dataclass(frozen=True)
class Found:
    """A crop found to do well in a block, with the day it starts and what it follows."""

    entry: ShelfEntry
    block: Block
    day: date
    follows: str | None = None
    training: str | None = None


def first_that_does_well(
    estimate: Estimate,
    place: str,
    block: Block,
    crops: Sequence[str],
    *,
    since: date | None = None,
) -> Found | None:
    """The first of some crops that does well in a block, started as its window opens, but not
    before a day."""
    for ident in crops:
        entry, day = _tried(estimate, place, block, ident, since)
        if entry.fits and entry.factor >= LEAST_FACTOR:
            return Found(entry, block, day)
    return None


def why_not(estimate: Estimate, place: str, block: Block, crop: str) -> Text:
    """What keeps a crop from doing well in a block."""
    entry, _ = _tried(estimate, place, block, crop)
    return entry.reason or message(
        "filling-would-give-what-can", factor=Number(entry.factor * 100, 0)
    )


def opening_day(estimate: Estimate, ident: str, since: date | None = None) -> date:
    """The day on which a crop is first started: some days into the first spell of its window that
    is not over by a day, once its weeks are warm enough, and not before that day."""
    year, crop = estimate.setting.year, estimate.book.crops[ident]
    since = max(since or year.start, year.start)
    spells = start_windows(year, ident, crop.starts[0], estimate.book)
    window = next((w for w in spells if w.latest >= since), spells[0])
    settled = max(window.earliest, since) + timedelta(days=SETTLE_DAYS)
    return max(window.good, settled)


def _tried(
    estimate: Estimate, place: str, block: Block, ident: str, since: date | None = None
) -> tuple[ShelfEntry, date]:
    day = opening_day(estimate, ident, since)
    (entry,) = shelf_for(estimate, place, block, day, crops=(ident,)).entries
    return entry, day


def follower(
    estimate: Estimate,
    place: str,
    block: Block,
    crops: tuple[str, ...],
    *,
    after: str | None = None,
) -> Found | None:
    """What best follows a planting, the one that was set last where none is named; of another
    family."""
    book, plantings = estimate.book, estimate.result(place).plantings
    last = next((r for r in plantings if r.id == after), plantings[-1])
    if last.clear_date is None or not crops:
        return None
    day = last.clear_date + timedelta(days=round(book.crops[last.crop].turn_round_days))
    in_season = tuple(
        ident
        for ident in crops
        if book.crops[ident].family != last.family and _in_season(estimate, ident, day)
    )
    if not in_season:
        return None
    for entry in shelf_for(estimate, place, block, day, crops=in_season).entries:
        if entry.fits:
            return Found(entry, block, day, follows=last.id)
    return None


def _in_season(estimate: Estimate, ident: str, day: date) -> bool:
    year, crop, book = estimate.setting.year, estimate.book.crops[ident], estimate.book
    return any(start_window(year, crop, s, book, near=day).holds(day) for s in crop.starts)


def planted_with(plan: p.Plan, place: str, fitting: Found) -> p.Plan:
    """The plan with one more planting, as the shelf proposed it."""
    taken = {planting.id for planting in plan.plantings}
    number = len(taken) + 1
    while f"p{number}" in taken:
        number += 1
    values: dict[str, object] = {
        "id": f"p{number}",
        "place": place,
        "crop": fitting.entry.crop,
        "cells": fitting.block,
        "start": fitting.entry.start,
        "start_date": fitting.day,
        "follows": fitting.follows,
        "support": fitting.entry.support,
        "clear_date": fitting.entry.clear_by,
        "training": fitting.training,
    }
    given = {key: value for key, value in values.items() if value is not None}
    planting = p.Planting.model_validate(given)
    return plan.model_copy(update={"plantings": (*plan.plantings, planting)})
