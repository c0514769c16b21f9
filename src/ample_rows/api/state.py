"""What the pages get: a garden with its history and its report, in one answer."""

from dataclasses import dataclass
from datetime import date
from functools import cache

from fastapi import Response
from pydantic import BaseModel, ConfigDict, Field, TypeAdapter

from ample_rows import PROGRAM
from ample_rows.core.edits import Edit
from ample_rows.core.evaluate import evaluate
from ample_rows.core.plan import Plan
from ample_rows.core.reference import Book
from ample_rows.core.report import Report
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
    """A garden as it stands, and what the last edit changed."""

    head: Head
    plan: Plan
    report: Report
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
    day: date


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
    last_frost: date | None = Field(None, ge=date(1900, 1, 1), le=date(2200, 12, 31))
    first_frost: date | None = Field(None, ge=date(1900, 1, 1), le=date(2200, 12, 31))


class FrostAnswer(BaseModel):
    last_frost: date
    first_frost: date
    spread_days: float


@cache
def _adapter() -> TypeAdapter[GardenState]:
    return TypeAdapter(GardenState)


def garden_response(
    stored: Stored, book: Book, *, before: Plan | None = None, status: int = 200
) -> Response:
    """A garden's state, serialised once; no model is built and checked a second time."""
    report = evaluate(stored.plan, book, program=PROGRAM)
    changed = _changes(evaluate(before, book, program=PROGRAM), report) if before else []
    state = GardenState(stored.head, stored.plan, report, changed)
    body = _adapter().dump_json(state)
    return Response(body, status, media_type="application/json")


def _changes(old: Report, new: Report) -> list[PlaceChange]:
    was = {place.id: place for place in old.places}
    changes = []
    for place in new.places:
        before = was.get(place.id)
        if before is None or before is place:
            continue
        changes.append(
            PlaceChange(
                place=place.id,
                plants=place.plants - before.plants,
                harvest_kg=place.harvest_kg.p50 - before.harvest_kg.p50,
                idle_cell_weeks=place.idle_cell_weeks - before.idle_cell_weeks,
            )
        )
    return changes
