"""What a change left different, and no more: the page lays it over what it holds."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass, fields
from functools import cache
from typing import Any, TypeVar

from pydantic import TypeAdapter

from ample_rows.core.estimate.report import Report, Totals
from ample_rows.core.notes.note import Note
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.plan import Place, Plan, Planting, PlanValue
from ample_rows.core.planting.report import PlantingReport
from ample_rows.store import Head

P = TypeVar("P", Place, Planting, PlaceReport, PlantingReport)
Values = dict[str, Any]

ASKED_APART = frozenset({"working"})
"""Values of a planting's report that no answer about a whole garden holds."""

_NOTHING = object()


@dataclass(frozen=True)
class PartsChange:
    """Parts with ids: every id in its order, and of the parts that differ the values that do."""

    ids: list[str]
    changed: list[Values]


@dataclass(frozen=True)
class PlanChange:
    """A plan's values that differ, by key, and its places and plantings part by part. A key of
    the grower's own that is gone is null."""

    values: Values
    places: PartsChange
    plantings: PartsChange


@dataclass(frozen=True)
class ReportChange:
    """A report's values that differ, by key; its totals value by value; its places and plantings
    part by part. A note is the index that it had before, or the note itself."""

    values: Values
    totals: Values
    notes: list[int | Note]
    places: PartsChange
    plantings: PartsChange


@dataclass(frozen=True)
class PlaceChange:
    """What an edit changed in one place."""

    place: str
    plants: int
    harvest_kg: float
    idle_cell_weeks: float


@dataclass(frozen=True)
class GardenChange:
    """A garden after a change, as what differs from the version that was changed."""

    head: Head
    plan: PlanChange
    report: ReportChange
    changed: list[PlaceChange]


def change_between(head: Head, plans: tuple[Plan, Plan], reports: tuple[Report, Report]) -> bytes:
    """A garden's change as JSON.

    Args:
        head: Where the garden stands now.
        plans: The plan before and after.
        reports: The report before and after.
    """
    was, now = reports
    places = {place.id: place for place in was.places}
    change = GardenChange(
        head=head,
        plan=_plan_change(*plans),
        report=_report_change(was, now),
        changed=[
            _difference(places[place.id], place)
            for place in now.places
            if place.id in places and places[place.id] is not place
        ],
    )
    return _adapter(GardenChange).dump_json(change)


@cache
def _adapter(kind: Any) -> TypeAdapter[Any]:
    return TypeAdapter(kind)


def _plan_change(was: Plan, now: Plan) -> PlanChange:
    names = _different(was, now, _fields_of(now)) - {"places", "plantings"}
    return PlanChange(
        values={**_dumped(now, names), **_gone(was, now)},
        places=_parts(was.places, now.places),
        plantings=_parts(was.plantings, now.plantings),
    )


def _report_change(was: Report, now: Report) -> ReportChange:
    names = _different(was, now, _names_of(Report))
    apart = {"places", "plantings", "notes", "totals"}
    return ReportChange(
        values=_dumped(now, names - apart),
        totals=_dumped(now.totals, _different(was.totals, now.totals, _names_of(Totals))),
        notes=_notes(was.notes, now.notes),
        places=_parts(was.places, now.places),
        plantings=_parts(was.plantings, now.plantings),
    )


def _notes(was: tuple[Note, ...], now: tuple[Note, ...]) -> list[int | Note]:
    indexes_of: dict[tuple[str | None, ...], list[int]] = defaultdict(list)
    for index, note in enumerate(was):
        indexes_of[note.code, note.place, note.planting].append(index)
    return [
        next((i for i in indexes_of[note.code, note.place, note.planting] if was[i] == note), note)
        for note in now
    ]


@cache
def _names_of(kind: Any) -> tuple[str, ...]:
    return tuple(field.name for field in fields(kind))


def _different(was: object, now: object, names: Sequence[str]) -> set[str]:
    """Names of values that are neither the very same nor alike."""
    return {
        name
        for name in names
        if (before := getattr(was, name, _NOTHING)) is not getattr(now, name)
        and before != getattr(now, name)
    }


def _gone(was: object, now: object) -> Values:
    if isinstance(was, PlanValue) and isinstance(now, PlanValue):
        return dict.fromkeys((was.__pydantic_extra__ or {}).keys() - (now.__pydantic_extra__ or {}))
    return {}


def _dumped(value: object, names: set[str]) -> Values:
    if not names:
        return {}
    kind: Any = type(value)
    dumped: Values = _adapter(kind).dump_python(value, mode="json", include=names)
    return dumped


def _parts(was: tuple[P, ...], now: tuple[P, ...]) -> PartsChange:
    before = {part.id: part for part in was}
    changed = []
    for part in now:
        earlier = before.get(part.id)
        if earlier is part or earlier == part:
            continue
        names = set(_fields_of(part))
        if earlier is not None:
            names = _different(earlier, part, _fields_of(part)) | {"id"}
        changed.append({**_dumped(part, names), **_gone(earlier, part)})
    return PartsChange([part.id for part in now], changed)


def _fields_of(part: Plan | Place | Planting | PlaceReport | PlantingReport) -> tuple[str, ...]:
    if isinstance(part, PlaceReport):
        return _names_of(PlaceReport)
    if isinstance(part, PlantingReport):
        return tuple(n for n in _names_of(PlantingReport) if n not in ASKED_APART)
    return (*type(part).model_fields, *(part.__pydantic_extra__ or {}))


def _difference(before: PlaceReport, after: PlaceReport) -> PlaceChange:
    return PlaceChange(
        place=after.id,
        plants=after.plants - before.plants,
        harvest_kg=after.harvest_kg.p50 - before.harvest_kg.p50,
        idle_cell_weeks=after.idle_cell_weeks - before.idle_cell_weeks,
    )
