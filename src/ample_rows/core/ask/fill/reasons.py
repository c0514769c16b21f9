"""Why a planting stands in a filled plan, and why a crop that is wanted does not."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.halves import Halves
from ample_rows.core.ask.fill.table import tables_of
from ample_rows.core.ask.pantry.wants import root_of, wants_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Mass, Text, message

_CRUMB_KG = 0.02


@dataclass(frozen=True)
class Because:
    """Why a planting stands where it does."""

    planting: str
    text: Text


@dataclass(frozen=True)
class LeftOut:
    """A wanted crop of which nothing is planted, and why."""

    crop: str
    reason: Text


def reports_of(estimate: Estimate) -> list[PlantingReport]:
    """What is said of every planting of a plan, place by place."""
    return [report for place in estimate.cases for report in estimate.result(place).plantings]


def because(filled: Estimate, new: frozenset[str]) -> Iterator[Because]:
    """What each of some plantings is there for: what it alone puts on the table."""
    book, halves, tables = filled.book, Halves(filled.setting.year), tables_of(filled)
    every = reports_of(filled)
    for report in every:
        root = root_of(book.crops[report.crop])
        if report.id not in new or root not in tables:
            continue
        if report.first_pick is None or report.last_pick is None:
            continue
        others = sum(
            (
                halves.picked(other.weekly_kg)
                for other in every
                if other is not report and root_of(book.crops[other.crop]) == root
            ),
            np.zeros(len(halves.weeks)),
        )
        eaten = tables[root].eaten_kg(others + halves.picked(report.weekly_kg))
        more = max(0.0, eaten - tables[root].eaten_kg(others))
        if more < _CRUMB_KG:
            yield Because(report.id, message("fill-covers", crop=report.name))
            continue
        text = message(
            "fill-because",
            crop=report.name,
            first=report.first_pick,
            last=report.last_pick,
            more=Mass(more),
        )
        yield Because(report.id, text)


def left_out(plan: p.Plan, filled: Estimate, against: Mapping[str, Text]) -> Iterator[LeftOut]:
    """Each wanted crop of which a plan has none.

    Args:
        against: What stands against some crops, by crop.
    """
    book, fill = filled.book, plan.garden.fill or p.Fill()
    there = {root_of(book.crops[planting.crop]) for planting in plan.plantings}
    never = {root_of(book.crops[crop]) for crop in fill.never}
    for root in wants_of(plan, book):
        if root in there:
            continue
        if root in never:
            yield LeftOut(root, message("fill-asked-to-leave-out"))
            continue
        reasons = [why for crop, why in against.items() if root_of(book.crops[crop]) == root]
        yield LeftOut(root, reasons[0] if reasons else message("fill-outbid"))
