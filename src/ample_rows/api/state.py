"""What the pages get: a garden with its history and its report, in one answer."""

from dataclasses import dataclass, replace
from datetime import date
from functools import cache

from fastapi import Response
from pydantic import BaseModel, ConfigDict, Field, TypeAdapter

from ample_rows.api.estimates import Estimates
from ample_rows.api.faults_log import note_fault
from ample_rows.core.edits import Edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report import Report
from ample_rows.core.patience import GivenUpError
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.plan import Plan, PlanDate
from ample_rows.store import Head, Stored


@dataclass(frozen=True)
class PlaceChange:
    """What an edit changed in one place."""

    place: str
    plants: int
    harvest_kg: float
    idle_cell_weeks: float


@dataclass(frozen=True)
class GardenState:
    """A garden as it stands."""

    head: Head
    plan: Plan
    report: Report


@dataclass(frozen=True)
class GardenChange:
    """A garden after a change. Its report leaves out what is said of unchanged places:
    their own reports, those of their plantings, and their notes."""

    head: Head
    plan: Plan
    report: Report
    unchanged: list[str]
    changed: list[PlaceChange]


class EditRequest(BaseModel):
    """One edit, on the version that the page shows."""

    model_config = ConfigDict(extra="forbid")

    version: int
    edit: Edit


class VersionRequest(BaseModel):
    model_config = ConfigDict(extra="forbid")

    version: int


class ShelfRequest(BaseModel):
    model_config = ConfigDict(extra="forbid")

    place: str
    cells: list[str] = Field(max_length=5_000)
    day: PlanDate


class FirstBedRequest(BaseModel):
    """The four questions of a first bed."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    name: str = Field(min_length=1, max_length=120)
    container: bool = False
    width_cm: float = Field(ge=10, le=2_000)
    length_cm: float = Field(ge=10, le=2_000)
    depth_cm: float = Field(ge=5, le=200)
    sun_hours: float = Field(ge=0, le=24)
    latitude: float = Field(ge=-66, le=66)
    # A bed's plantings lie up to two years about its frosts, and within what a plan can hold.
    last_frost: date | None = Field(None, ge=date(1902, 1, 1), le=date(2198, 12, 31))
    first_frost: date | None = Field(None, ge=date(1902, 1, 1), le=date(2198, 12, 31))


class FrostAnswer(BaseModel):
    last_frost: date
    first_frost: date
    spread_days: float


@cache
def _state_adapter() -> TypeAdapter[GardenState]:
    return TypeAdapter(GardenState)


@cache
def _change_adapter() -> TypeAdapter[GardenChange]:
    return TypeAdapter(GardenChange)


def garden_answer(stored: Stored, known: Estimates) -> bytes:
    """A garden's state, serialised once; no model is built and checked a second time."""
    state = GardenState(
        stored.head, stored.plan, _report(known.of(stored.head.version, stored.plan))
    )
    return _state_adapter().dump_json(state)


def garden_response(stored: Stored, known: Estimates, *, status: int = 200) -> Response:
    return json_response(garden_answer(stored, known), status)


def json_response(answer: bytes, status: int = 200) -> Response:
    return Response(answer, status, media_type="application/json")


def _report(estimate: Estimate) -> Report:
    """The report of a kept plan. A fault of the program in a figure must not lock the garden: it
    opens without figures, and can be undone, changed and exported."""
    try:
        return estimate.report
    except GivenUpError:
        raise
    except Exception as error:
        note_fault("figures", error)
        return estimate.without_figures()


def change_response(stored: Stored, known: Estimates) -> Response:
    """What a change left different, and what it moved in each place's figures."""
    then = stored.before or stored
    report = _report(known.of(stored.head.version, stored.plan))
    before = _report(known.of(then.head.version, then.plan))
    was = {place.id: place for place in before.places}
    # A place that was not evaluated anew is the very same value: the cache returned it.
    unchanged = {place.id for place in report.places if was.get(place.id) is place}
    change = GardenChange(
        head=stored.head,
        plan=stored.plan,
        report=replace(
            report,
            places=tuple(r for r in report.places if r.id not in unchanged),
            plantings=tuple(r for r in report.plantings if r.place not in unchanged),
            notes=tuple(n for n in report.notes if n.place not in unchanged),
        ),
        unchanged=sorted(unchanged),
        changed=[
            _difference(was[place.id], place)
            for place in report.places
            if place.id in was and place.id not in unchanged
        ],
    )
    return json_response(_change_adapter().dump_json(change))


def _difference(before: PlaceReport, after: PlaceReport) -> PlaceChange:
    return PlaceChange(
        place=after.id,
        plants=after.plants - before.plants,
        harvest_kg=after.harvest_kg.p50 - before.harvest_kg.p50,
        idle_cell_weeks=after.idle_cell_weeks - before.idle_cell_weeks,
    )
