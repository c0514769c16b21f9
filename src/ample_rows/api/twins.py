"""Routes of twins: trials with what they say so far, and how to lay one out."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Depends, Query, Response

from ample_rows.api.gardens import Body, Catalogue, Garden, Store, body_of
from ample_rows.api.problems import RESPONSES
from ample_rows.api.record import Record, SeasonsFigures
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.plan import Start
from ample_rows.core.plan.reading import PlanFaultsError, read_as
from ample_rows.core.record.parts import Trial
from ample_rows.core.record.twins import (
    Arrangement,
    TwinResult,
    arranged,
    twin_result,
    years_by_plants,
)
from ample_rows.store import record_parts
from ample_rows.store.record_parts import RecordParts

router = APIRouter(prefix="/api/gardens/{slug}", tags=["record"], responses=RESPONSES)


def trials_of(store: Store) -> RecordParts[Trial]:
    return record_parts.trials(store.database)


Trials = Annotated[RecordParts[Trial], Depends(trials_of)]


@router.get("/twins")
def list_twins(
    slug: str,
    *,
    trials: Trials,
    record: Record,
    here: Garden,
    catalogue: Catalogue,
    figures: SeasonsFigures,
) -> tuple[TwinResult, ...]:
    """Every trial with what it says so far."""
    plants = {report.id: report.plants for report in here.report.plantings}
    found = reversed(trials.every(slug))
    return tuple(
        twin_result(trial, record, here.plan, plants=plants, book=catalogue, figures=figures)
        for trial in found
    )


@router.put(
    "/twins/{trial}",
    openapi_extra=body_of("Trial"),
)
def keep_trial(slug: str, trial: str, body: Body, trials: Trials) -> Trial:
    """Keep a trial, or what it was changed to."""
    read = read_as(Trial, body)
    if read.id != trial:
        raise PlanFaultsError.one("id", f'is "{read.id}", and the address says "{trial}"')
    trials.keep(slug, read, ident=trial, day=read.day)
    return read


@router.delete("/twins/{trial}", status_code=204, response_class=Response)
def remove_trial(slug: str, trial: str, trials: Trials) -> None:
    """Take a trial out; it can be put back."""
    trials.remove(slug, trial)


@router.post("/twins/{trial}/put-back")
def put_back_trial(slug: str, trial: str, trials: Trials) -> Trial:
    """Put back a trial that was taken out."""
    return trials.put_back(slug, trial)


@dataclass(frozen=True, slots=True)
class TrialLayout:
    """Squares for each side of a trial, how the crop is begun, and how many seasons it takes with
    so many plants."""

    start: Start
    one: tuple[str, ...]
    other: tuple[str, ...]
    years_by_plants: tuple[tuple[int, int], ...]


@router.get("/trial-layout")
def lay_out_trial(
    here: Garden,
    place: str,
    crop: str,
    cells: Annotated[list[str], Query(min_length=2, max_length=2000)],
    *,
    how: Arrangement = "alternate",
    seed: Annotated[int, Query(ge=0, le=1_000_000)] = 1,
) -> TrialLayout:
    """Where to put the two sides of a trial within some squares, and what it can show."""
    if crop not in here.book.crops:
        raise UnknownPartError(kind="crop", ident=crop)
    there = grid_of(here.place(place).place).cells
    for cell in cells:
        if cell not in there:
            raise PlanFaultsError.one("cells", f'"{cell}" is not a square of this place')
    one, other = arranged(tuple(dict.fromkeys(cells)), how, seed)
    starts = here.book.crops[crop].starts
    start = "sow" if "sow" in starts else starts[0]
    return TrialLayout(
        start, one, other, years_by_plants(here.book.crops[crop], apart=False, book=here.book)
    )
