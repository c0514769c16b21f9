"""Notes on plantings that give way to a neighbour: the day to decide, and what it costs."""

from collections.abc import Iterator
from datetime import date, timedelta

import numpy as np

from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import change_planting, named
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.report import GrowthReport
from ample_rows.core.words.message import Mass, message

_WEEK = timedelta(days=7)


def giving_way(view: PlaceView) -> Iterator[Note]:
    """A planting marked as giving way: when its neighbour's leaves reach it, and what is lost."""
    by_id = {e.planting.id: e for e in view.plantings}
    for e in view.plantings:
        other = by_id.get(e.planting.gives_way_to or "")
        if other is None:
            continue
        meet = leaves_meet(e, other)
        if meet is None:
            yield Note(
                level="tip",
                code="gives-way",
                place=view.place.id,
                planting=e.planting.id,
                text=message(
                    "giving-way-can-stay-end-leaves", planting=named(e), crop=other.crop.name
                ),
                fix=None,
            )
            continue
        lost = e.report.harvest_kg.p50 - _cleared_on(view, e, meet)
        yield Note(
            level="tip",
            code="gives-way",
            place=view.place.id,
            planting=e.planting.id,
            text=message(
                "giving-way-gives-way-decide-when",
                planting=named(e),
                crop=other.crop.name,
                meet=meet,
                lost=Mass(lost),
            ),
            fix=message("giving-way-leave-longer-if-neighbour"),
            fixes=(
                Fix(
                    label=message("giving-way-clear", meet=meet),
                    edit=change_planting(e, clear_date=meet.isoformat()),
                ),
            ),
        )


def leaves_meet(one: Evaluated, other: Evaluated) -> date | None:
    """The first day, to the week, on which the leaves of two plantings touch while both stand."""
    apart = _nearest_cm(one, other)
    if apart is None:
        return None
    day = max(one.dates.start, other.dates.start)
    until = min(one.dates.clear, other.dates.clear)
    while day < until:
        if (_canopy_cm(one.report.growth, day) + _canopy_cm(other.report.growth, day)) / 2 >= apart:
            return day if day > one.dates.start else one.dates.start + timedelta(days=1)
        day += _WEEK
    return None


def _nearest_cm(one: Evaluated, other: Evaluated) -> float | None:
    """Distance between the two plants that stand nearest to each other. [cm]"""
    first, second = (np.array(e.report.positions_cm) for e in (one, other))
    if not (len(first) and len(second)):
        return None
    return float(np.sqrt(((first[:, None] - second[None]) ** 2).sum(axis=2)).min())


def _canopy_cm(growth: GrowthReport, day: date) -> float:
    age = (day - growth.start).days / growth.step_days
    return float(np.interp(age, np.arange(len(growth.canopy_cm)), growth.canopy_cm))


def _cleared_on(view: PlaceView, e: Evaluated, day: date) -> float:
    """What a planting gives when it is cleared on a day. [kg]"""
    cleared = e.planting.model_copy(update={"clear_date": day})
    return evaluate_planting(cleared, view.here).report.harvest_kg.p50
