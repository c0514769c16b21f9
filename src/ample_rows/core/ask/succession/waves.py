"""Waves: one planting shared out into sowings whose picks follow each other evenly.

The days between sowings are worked out from the days between picks: wide apart while it is cold,
closing up as it warms where the garden counts in warmth; even by the calendar.
"""

import itertools
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.calendar.dates import dates_of
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.calendar.windows import start_window
from ample_rows.core.edits import (
    ChangePlanting,
    Edit,
    Plant,
    Together,
)
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import cells_of, grid_of
from ample_rows.core.plan.idents import free_ident
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.planting.cases import PlaceCase
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.set_out import crop_grown
from ample_rows.core.words.message import Text, message

MOST_WAVES = 26
_FARTHEST_DAYS = 366


@dataclass(frozen=True, slots=True)
class Wave:
    """One sowing of several: its squares, when it starts and is picked, and what it gives."""

    number: int
    start_date: date
    first_pick: date | None
    last_pick: date | None
    cells: tuple[str, ...]
    plants: int
    kg: float


@dataclass(frozen=True, slots=True)
class Waves:
    """A planting in waves, and the edit that sows them so; `words` tells of those left out."""

    waves: tuple[Wave, ...]
    words: Text
    edit: Edit | None


def waves_of(estimate: Estimate, planting_id: str, count: int, every_days: float) -> Waves:
    """A planting shared out into waves, each picked so many days after the one before.

    Args:
        count: Waves wanted, the planting's own start the first.
        every_days: Days from one first pick to the next.

    Raises:
        UnknownPartError: There is no such planting, it grows along a support, or it has fewer
            squares than waves are wanted.
    """
    plan = estimate.plan
    planting = estimate.planting(planting_id)
    here = estimate.place(planting.place)
    cells = cells_of(here.place, planting.cells)
    if planting.support is not None:
        raise PlanFaultsError.one("planting", "along a support, set out rows of their own instead")
    most = min(MOST_WAVES, len(cells))
    if not 2 <= count <= most:
        words = f"{len(cells)} squares make 2 to {most} waves" if most > 1 else "one square is one"
        raise PlanFaultsError.one("count", words)
    starts = _starts(planting, here, count, every_days)
    shared = shared_out(here.place, cells, len(starts))
    taken = {planting.id for planting in plan.plantings}
    sown = [planting.model_copy(update={"cells": shared[0]})]
    for start, part in zip(starts[1:], shared[1:], strict=True):
        ident = free_ident(planting.id, taken)
        changes = {"id": ident, "cells": part, "start_date": start, "clear_date": None}
        sown.append(planting.model_copy(update=changes))
    waves = tuple(wave_of(number, planting, here) for number, planting in enumerate(sown, 1))
    return Waves(waves, _words(count, len(starts), planting, here), sown_edit(planting, sown))


def _starts(planting: p.Planting, here: PlaceCase, count: int, every_days: float) -> list[date]:
    """Days of starting whose first picks are evenly apart, as far as the season goes."""
    latest = max(_shuts(planting, here), planting.start_date)
    first = _due(planting, planting.start_date, here)
    starts = [planting.start_date]
    for number in range(1, count):
        wanted = first + days(every_days * number)
        start = _start_for(planting, wanted, starts[-1], here)
        if start > min(latest, here.setting.year.end):
            break
        starts.append(start)
    return starts


def _start_for(planting: p.Planting, wanted: date, after: date, here: PlaceCase) -> date:
    """The first day after another from which a crop is due on or after a day."""
    low, high = after, after + timedelta(days=_FARTHEST_DAYS)
    while (high - low).days > 1:
        middle = low + (high - low) // 2
        low, high = (low, middle) if _due(planting, middle, here) >= wanted else (middle, high)
    return high


def _due(planting: p.Planting, start: date, here: PlaceCase) -> date:
    crop = crop_grown(planting, here.book)
    moved = planting.model_copy(update={"start_date": start, "clear_date": None})
    return dates_of(moved, crop, here.setting.year, here.book).due


def shared_out(place: p.Place, cells: tuple[str, ...], count: int) -> list[tuple[str, ...]]:
    """Squares shared out into as many runs as evenly as they go, side by side in the bed."""
    grid = grid_of(place)
    ordered = sorted(cells, key=lambda a: (grid.cells[a].spot[1], grid.cells[a].spot[0]))
    cuts = [round(len(ordered) * i / count) for i in range(count + 1)]
    return [tuple(ordered[a:b]) for a, b in itertools.pairwise(cuts)]


def wave_of(number: int, planting: p.Planting, here: PlaceCase) -> Wave:
    """One of several as it would come out."""
    report = evaluate_planting(planting, here).report
    return Wave(
        number=number,
        start_date=report.start_date,
        first_pick=report.first_pick,
        last_pick=report.last_pick,
        cells=report.cells,
        plants=report.plants,
        kg=report.harvest_kg.p50,
    )


def _shuts(planting: p.Planting, here: PlaceCase) -> date:
    """The last day of the spell in which a planting may be started."""
    crop, near = crop_grown(planting, here.book), planting.start_date
    return start_window(here.setting.year, crop, planting.start, here.book, near=near).latest


def _words(wanted: int, made: int, planting: p.Planting, here: PlaceCase) -> Text:
    if made == wanted:
        return ""
    latest = _shuts(planting, here)
    left = wanted - made
    waves = (
        message("waves-one-wave-would-start")
        if left == 1
        else message("waves-waves-would-start", left=left)
    )
    return message("waves-after-too-late-picked", waves=waves, latest=latest)


def sown_edit(planting: p.Planting, sown: list[p.Planting]) -> Edit | None:
    """The planting as the first of some, and the others planted; None where it is the only one."""
    if len(sown) < 2:
        return None
    first = ChangePlanting(
        id=planting.id, changes={"cells": list(sown[0].cells), "start": sown[0].start}
    )
    rest = [Plant(planting=p.document(wave)) for wave in sown[1:]]
    return Together(edits=[first, *rest])
