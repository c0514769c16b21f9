"""Routes of filling a garden: the best plan as it is found, and two plans side by side."""

from collections.abc import Mapping
from datetime import date
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Request
from fastapi.responses import StreamingResponse
from pydantic import BaseModel, ConfigDict, Field

from ample_rows.api.fill_process import Task, found_by
from ample_rows.api.gardens import Garden
from ample_rows.api.gate import one_fill_at_a_time
from ample_rows.api.problems import RESPONSES
from ample_rows.api.units import preferred_saying
from ample_rows.core.ask.fill.offered import OfferedPlan
from ample_rows.core.ask.fill.settled import Scope
from ample_rows.core.ask.fill.two_plans import TwoPlans, compared
from ample_rows.core.ask.pantry.usual_wants import MOST_OFTEN, usual_wants
from ample_rows.core.checks import require_sound
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.plan import Planting, Want
from ample_rows.core.plan.reading import validated
from ample_rows.core.plan.values import PlanValue

router = APIRouter(prefix="/api/gardens/{slug}", tags=["fill"], responses=RESPONSES)


class Lines(StreamingResponse):
    """One line of JSON after another."""

    media_type = "application/x-ndjson"


class FillRequest(BaseModel):
    """What to fill, and how long to look for better. [s]

    `keep`: what is planted stays, though it is not locked. Only `place` is filled where it is
    named, and of that only `cells` where these are. Nothing is begun before the day `since`; what
    has been begun by then stays.
    """

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    seconds: float = Field(10, ge=0, le=60)
    keep: bool = False
    place: str | None = Field(None, max_length=120)
    cells: list[str] | None = Field(None, min_length=1, max_length=5_000)
    since: date | None = None


class TableRequest(BaseModel):
    """So many people, and how often each kind of food is on their table: 0 never, 1 now and then,
    2 often, 3 on most days."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    people: float = Field(gt=0, le=100)
    often: dict[str, Annotated[int, Field(ge=0, le=MOST_OFTEN)]] = Field(max_length=20)


class UsualWant(BaseModel):
    """What is usually eaten of a crop: the want to take over, and the crop's name."""

    name: str
    want: Want


class CompareRequest(BaseModel):
    """All plantings of an offered plan, as in a plan document; all else is as in the garden's."""

    model_config = ConfigDict(extra="forbid")

    plantings: list[dict[str, Any]] = Field(max_length=5_000)


class _Offered(PlanValue):
    plantings: tuple[Planting, ...]


@router.post(
    "/fill",
    dependencies=[Depends(one_fill_at_a_time, scope="request")],
    response_class=Lines,
    responses={200: {"model": OfferedPlan}},
)
def fill(asked: FillRequest, here: Garden, request: Request) -> Lines:
    """The best plan as it is found, one line of JSON for each that is better, or of which more is
    proven. Whoever goes away stops it; nothing is kept of it."""
    task = Task(
        plan=here.plan,
        saying=preferred_saying(request.scope),
        seconds=asked.seconds,
        scope=Scope(asked.keep, _within(asked, here), asked.since),
    )
    return Lines(found_by(task))


def _within(asked: FillRequest, here: Estimate) -> Mapping[str, frozenset[str]] | None:
    if asked.place is None:
        return None
    place = here.place(asked.place).place
    every = frozenset(grid_of(place).cells)
    return {place.id: every if asked.cells is None else every & frozenset(asked.cells)}


@router.post("/fill/usual-wants")
def usual(asked: TableRequest, here: Garden) -> list[UsualWant]:
    """What so many people usually eat of each crop of some kinds of food; nothing is kept."""
    wants = usual_wants(here, asked.people, asked.often)
    return [UsualWant(name=here.book.crops[want.crop].name, want=want) for want in wants]


@router.post("/fill/compared")
def compare(asked: CompareRequest, here: Garden) -> TwoPlans:
    """The garden's plan beside an offered one: what each gives and asks for, and what differs."""
    read = validated(asked.model_dump_json(), _Offered)
    offered = here.plan.model_copy(update={"plantings": read.plantings})
    require_sound(offered, here.book)
    return compared(here, here.trying(offered))
