"""What the pages get: a garden with its history and its report, in one answer."""

from dataclasses import dataclass
from datetime import date
from functools import cache
from typing import Any, Literal

from fastapi import Response
from pydantic import BaseModel, ConfigDict, Field, TypeAdapter

from ample_rows.api.change import ASKED_APART, change_between
from ample_rows.api.estimates import Estimates
from ample_rows.api.faults_log import note_fault
from ample_rows.core.edits import Edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report import Report
from ample_rows.core.patience import GivenUpError
from ample_rows.core.plan import Name, Plan, PlanDate
from ample_rows.store import Head, Stored


@dataclass(frozen=True)
class GardenState:
    """A garden as it stands."""

    head: Head
    plan: Plan
    report: Report


@dataclass(frozen=True)
class ClosedSeason:
    """A closed season as it was: its plan, and all that was estimated of it."""

    id: str
    plan: Plan
    report: Report


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
    """The questions of a first bed: what is asked, and what may be said besides.

    A round bed is as wide as it is long. `town` is where the latitude is from, `climate` a
    made-up one, `likes` kinds of food; all of them where none is named.
    """

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
    units: Literal["metric", "imperial"] | None = None
    words: Literal["en-GB", "en-US"] | None = None
    round: bool = False
    likes: tuple[str, ...] = Field((), max_length=20)
    town: Name | None = None
    longitude: float | None = Field(None, ge=-180, le=180)
    climate: str | None = Field(None, max_length=120)
    zone: Name | None = None


# A third of a report is how its figures came to be, which is asked for figure by figure.
_APART: Any = {"report": {"plantings": {"__all__": set(ASKED_APART)}}}


@cache
def _state_adapter() -> TypeAdapter[GardenState]:
    return TypeAdapter(GardenState)


@cache
def _season_adapter() -> TypeAdapter[ClosedSeason]:
    return TypeAdapter(ClosedSeason)


def season_response(ident: str, estimate: Estimate) -> Response:
    """A closed season, to be looked at."""
    season = ClosedSeason(ident, estimate.plan, _report(estimate))
    return json_response(_season_adapter().dump_json(season, exclude=_APART))


def garden_answer(stored: Stored, estimates: Estimates) -> bytes:
    """A garden's state, serialised once; no model is built and checked a second time."""
    state = GardenState(
        stored.head, stored.plan, _report(estimates.of(stored.head.version, stored.plan))
    )
    return _state_adapter().dump_json(state, exclude=_APART)


def garden_response(stored: Stored, estimates: Estimates, *, status: int = 200) -> Response:
    return json_response(garden_answer(stored, estimates), status)


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


def change_response(stored: Stored, estimates: Estimates) -> Response:
    """What a change left different, and what it moved in each place's figures."""
    then = stored.before or stored
    before = _report(estimates.of(then.head.version, then.plan))
    after = _report(estimates.of(stored.head.version, stored.plan))
    return json_response(change_between(stored.head, (then.plan, stored.plan), (before, after)))
