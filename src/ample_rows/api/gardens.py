"""Routes of gardens: list, make, read, edit, undo, ask the shelf, take out."""

import json
from datetime import UTC, datetime
from typing import Annotated, Any, cast

from fastapi import APIRouter, Depends, Query, Request, Response
from starlette.concurrency import run_in_threadpool

from ample_rows.api.answers import Answers
from ample_rows.api.change import GardenChange
from ample_rows.api.estimates import Estimates
from ample_rows.api.gate import Gates, in_turn, one_at_a_time
from ample_rows.api.problems import RESPONSES
from ample_rows.api.state import (
    EditRequest,
    FirstBedRequest,
    GardenState,
    ShelfRequest,
    VersionRequest,
    change_response,
    garden_answer,
    garden_response,
    json_response,
)
from ample_rows.api.units import preferred_saying
from ample_rows.core.ask.what_fits.first_bed import FirstBed, first_garden
from ample_rows.core.ask.what_fits.shelf import ShelfAnswer, shelf_for
from ample_rows.core.book import Book
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report import Report
from ample_rows.core.geometry.budget import too_many_cells
from ample_rows.core.plan import Climate, Plan, document
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.weather.climate import climate_csv
from ample_rows.core.words import csv_text
from ample_rows.store import GardenStore, Head, Stored
from ample_rows.wording.units import CM_PER_INCH, LB_PER_KG

Responses = dict[int | str, dict[str, Any]]

router = APIRouter(prefix="/api", tags=["gardens"], responses=RESPONSES)

STATE: Responses = {200: {"model": GardenState}}
CHANGED: Responses = {200: {"model": GardenChange}}
MADE: Responses = {201: {"model": GardenState}}


def store_of(request: Request) -> GardenStore:
    return cast(GardenStore, request.app.state.store)


def book_of(request: Request) -> Book:
    return cast(Book, request.app.state.book)


Store = Annotated[GardenStore, Depends(store_of)]
Catalogue = Annotated[Book, Depends(book_of)]


def estimates_of(request: Request) -> Estimates:
    return cast(Estimates, request.app.state.estimates)


Computed = Annotated[Estimates, Depends(estimates_of)]


def garden_of(
    slug: str, store: Store, estimates: Computed, _: Annotated[None, in_turn]
) -> Estimate:
    """A garden whose figures can be computed."""
    return _computable(store.load(slug), estimates)


def heavy_garden_of(
    slug: str, store: Store, estimates: Computed, _: Annotated[None, one_at_a_time]
) -> Estimate:
    """The same for what takes long to answer."""
    return _computable(store.load(slug), estimates)


def _computable(stored: Stored, estimates: Estimates) -> Estimate:
    too_many = too_many_cells(stored.plan)
    if too_many is not None:
        raise PlanFaultsError([too_many])
    return estimates.of(stored.head.version, stored.plan)


Garden = Annotated[Estimate, Depends(garden_of)]
HeavyGarden = Annotated[Estimate, Depends(heavy_garden_of)]


async def whole_body(request: Request) -> bytes:
    return await request.body()


Body = Annotated[bytes, Depends(whole_body)]


def body_of(model: str) -> dict[str, Any]:
    """What describes a body that the core reads itself, so that every fault has its path."""
    schema = {"$ref": f"#/components/schemas/{model}"}
    return {"requestBody": {"required": True, "content": {"application/json": {"schema": schema}}}}


Seen = Annotated[int, Query(description="The version that the page shows")]


@router.get("/gardens")
def list_gardens(store: Store) -> list[Head]:
    """Every garden kept here."""
    return store.list()


@router.post(
    "/gardens",
    status_code=201,
    responses=MADE,
    openapi_extra=body_of("Plan"),
)
def import_garden(
    body: Body, store: Store, book: Catalogue, estimates: Computed, _: Annotated[None, in_turn]
) -> Response:
    """Keep a garden from a plan document; the gardens that are there are backed up before."""
    plan = read_plan(body, book)
    if store.list():
        store.database.backups.make("before-import")
    return garden_response(store.load(store.create(plan)), estimates, status=201)


@router.post("/first-bed", status_code=201, responses=MADE)
def make_first_bed(
    answers: FirstBedRequest,
    store: Store,
    book: Catalogue,
    estimates: Computed,
    _: Annotated[None, in_turn],
) -> Response:
    """A garden with one planted bed from a few answers."""
    today = datetime.now(UTC).date()
    plan = first_garden(FirstBed(**answers.model_dump()), book, today=today)
    return garden_response(store.load(store.create(plan)), estimates, status=201)


@router.get("/gardens/{slug}", responses=STATE)
async def read_garden(slug: str, request: Request, store: Store, estimates: Computed) -> Response:
    """A garden with its plan and report."""
    answers, gates = cast(Answers, request.app.state.answers), cast(Gates, request.app.state.gates)

    async def written() -> bytes:
        async with gates.common.turn():
            return await run_in_threadpool(lambda: garden_answer(store.load(slug), estimates))

    version = await run_in_threadpool(store.version, slug)
    return json_response(await answers.once(version, preferred_saying(request.scope), written))


@router.delete("/gardens/{slug}", status_code=204)
def remove_garden(slug: str, version: Seen, store: Store) -> None:
    """Delete a garden; it waits for thirty days and can be put back."""
    store.remove(slug, version)


@router.post("/gardens/{slug}/edits", responses=CHANGED)
def edit_garden(
    slug: str, asked: EditRequest, store: Store, estimates: Computed, _: Annotated[None, in_turn]
) -> Response:
    """Make one edit; 409 when the garden was changed since `version`."""
    return change_response(store.edit(slug, asked.version, asked.edit), estimates)


@router.post("/gardens/{slug}/undo", responses=CHANGED)
def undo(
    slug: str, asked: VersionRequest, store: Store, estimates: Computed, _: Annotated[None, in_turn]
) -> Response:
    """Take back the last edit."""
    return change_response(store.undo(slug, asked.version), estimates)


@router.post("/gardens/{slug}/redo", responses=CHANGED)
def redo(
    slug: str, asked: VersionRequest, store: Store, estimates: Computed, _: Annotated[None, in_turn]
) -> Response:
    """Make the edit last taken back again."""
    return change_response(store.redo(slug, asked.version), estimates)


@router.post("/gardens/{slug}/shelf")
def shelf(asked: ShelfRequest, here: Garden) -> ShelfAnswer:
    """What fits some squares on a day, best first, and why the rest does not."""
    return shelf_for(here, asked.place, tuple(asked.cells), asked.day)


@router.get(
    "/gardens/{slug}/plan.amplerows.json",
    responses={200: {"model": Plan, "description": "The plan document"}},
)
def export_plan(slug: str, store: Store) -> Response:
    """The garden as a plan document, every value as it was given."""
    text = json.dumps(document(store.load(slug).plan), ensure_ascii=False, separators=(",", ":"))
    return file_answer(text + "\n", "application/json", f"{slug}.amplerows.json")


@router.get(
    "/gardens/{slug}/climate.csv",
    response_class=Response,
    responses={200: {"content": {"text/csv": {}}}},
)
def export_climate(slug: str, store: Store) -> Response:
    """The garden's monthly normals, as far as they are entered."""
    garden = store.load(slug).plan.garden
    table = climate_csv(garden.climate or Climate(), imperial=garden.units == "imperial")
    return file_answer(table, "text/csv; charset=utf-8", f"{slug}-climate.csv")


@router.get(
    "/gardens/{slug}/harvest.csv",
    response_class=Response,
    responses={200: {"content": {"text/csv": {}}}},
)
def export_harvest(slug: str, here: Garden) -> Response:
    """The harvest table: a row for each planting."""
    return file_answer(
        harvest_csv(here.plan, here.report),
        "text/csv; charset=utf-8",
        f"{slug}-harvest.csv",
    )


def harvest_csv(plan: Plan, report: Report) -> str:
    """One row a planting in the garden's own measures, units in the column names."""
    imperial = plan.garden.units == "imperial"
    mass, length = ("lb", "in") if imperial else ("kg", "cm")
    pounds, per_inch = (LB_PER_KG, CM_PER_INCH) if imperial else (1.0, 1.0)
    head = (
        f"place planting crop cells plants spacing_{length} start_date first_pick last_pick"
        f" clear_date low_{mass} likely_{mass} high_{mass}"
    )
    labels = {place.id: place.label for place in plan.places}
    rows: list[list[object]] = [[*head.split()]]
    for r in report.plantings:
        kg = r.harvest_kg
        rows.append(
            [
                labels[r.place],
                r.id,
                r.name,
                " ".join(r.cells),
                r.plants,
                round(r.spacing_cm / per_inch, 2),
                r.start_date,
                r.first_pick or "",
                r.last_pick or "",
                r.clear_date or "",
                round(kg.p10 * pounds, 3),
                round(kg.p50 * pounds, 3),
                round(kg.p90 * pounds, 3),
            ]
        )
    return csv_text.written(rows)


def file_answer(text: str, media_type: str, name: str) -> Response:
    return Response(
        text,
        media_type=media_type,
        headers={"content-disposition": f'attachment; filename="{name}"'},
    )
