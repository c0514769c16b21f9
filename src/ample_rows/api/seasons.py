"""Routes of seasons: those that are closed, side by side, and the year that comes next."""

import json
from collections.abc import Mapping
from typing import Annotated

from fastapi import APIRouter, Depends, Response

from ample_rows.api.gardens import CHANGED, Catalogue, Computed, Garden, Store, file_answer
from ample_rows.api.problems import RESPONSES
from ample_rows.api.record import Book, Record, SeasonsFigures
from ample_rows.api.state import ClosedSeason, VersionRequest, change_response, season_response
from ample_rows.core.ask.next_year.draft import Draft, NextYear, next_year
from ample_rows.core.ask.next_year.resized import Wish, wishes
from ample_rows.core.ask.season_sheet import SeasonSheet, season_sheet
from ample_rows.core.ask.span_sheet import SpanSheet, span_sheet
from ample_rows.core.book.own import own_book
from ample_rows.core.book.regions import book_in
from ample_rows.core.edits.of_garden import BeginYear
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan import Plan, PlanDate, document
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.compared import Compared, compared
from ample_rows.core.record.doubts import season_id
from ample_rows.core.record.entries import GardenRecord, SeasonPlan
from ample_rows.core.record.rotation import Rotation, rotation
from ample_rows.core.record.verdicts import (
    CropVerdict,
    not_again,
    place_verdicts,
    support_verdicts,
    verdicts_of,
)
from ample_rows.core.words.message import message
from ample_rows.store.day_book import Wanted
from ample_rows.store.record_parts import weather_days

router = APIRouter(prefix="/api/gardens/{slug}", tags=["seasons"], responses=RESPONSES)


def verdicts_in(slug: str, book: Book, here: Garden) -> dict[str, CropVerdict]:
    return verdicts_of(book.entries(slug, Wanted(kind="verdict")), here.book)


Verdicts = Annotated[dict[str, CropVerdict], Depends(verdicts_in)]


def wished_in(
    slug: str, book: Book, here: Garden, figures: SeasonsFigures, verdicts: Verdicts
) -> Mapping[str, Wish]:
    """Of which crops more or less is to be planted, by what was picked in the season that ends."""
    season = season_id(here.setting.year.start)
    picked = book.entries(slug, Wanted(season=season, kind="picked"))
    record = GardenRecord(
        format="ample-rows/record",
        version=1,
        garden=here.plan.garden.name,
        seasons=(SeasonPlan(id=season, plan=here.plan),),
        entries=tuple(picked),
    )
    told = compared(record, here.book, figures).crops
    gave = {crop.crop: sum(of.picked_kg for of in crop.seasons) for crop in told}
    said = {crop: found.verdict for crop, found in verdicts.items()}
    until = max((entry.day for entry in picked), default=None)
    return wishes(here, gave, said, until=until)


Wished = Annotated[Mapping[str, Wish], Depends(wished_in)]


@router.get("/seasons")
def list_seasons(
    record: Record, here: Garden, catalogue: Catalogue, figures: SeasonsFigures
) -> Compared:
    """Seasons side by side: what was estimated and what was picked, crop by crop."""
    return compared(record, book_in(catalogue, here.plan.garden.words), figures)


@router.get("/seasons/{season}/plan.amplerows.json", responses={200: {"model": Plan}})
def read_season(season: str, record: Record) -> Response:
    """The plan that a season was grown by, as an open document: the start of a new plan, too."""
    text = json.dumps(document(_plan_of(season, record)), ensure_ascii=False, separators=(",", ":"))
    return file_answer(text + "\n", "application/json", f"season-{season}.amplerows.json")


@router.get("/span")
def read_span(
    since: PlanDate,
    until: PlanDate,
    *,
    record: Record,
    here: Garden,
    catalogue: Catalogue,
    figures: SeasonsFigures,
) -> SpanSheet:
    """Any stretch of days told whole, over all the seasons that it touches."""
    if until < since:
        raise PlanFaultsError.one("until", message("fault-span-backwards"))
    book = own_book(book_in(catalogue, here.plan.garden.words), here.plan)
    return span_sheet(record, here.plan, book, figures, since=since, until=until)


@router.get("/seasons/{season}", responses={200: {"model": ClosedSeason}})
def open_season(season: str, record: Record, here: Garden, catalogue: Catalogue) -> Response:
    """A season as it was, to be looked at: its plan with all that was estimated of it."""
    plan = _plan_of(season, record)
    book = book_in(catalogue, here.plan.garden.words)
    return season_response(season, Estimate(plan, own_book(book, plan)))


def _plan_of(season: str, record: GardenRecord) -> Plan:
    found = next((each.plan for each in record.seasons if each.id == season), None)
    if found is None:
        raise UnknownPartError(kind="season", ident=season)
    return found


@router.get("/rotation")
def read_rotation(record: Record, here: Garden, catalogue: Catalogue) -> Rotation:
    """Which families stood in each place, season by season."""
    return rotation(record.seasons, book_in(catalogue, here.plan.garden.words))


@router.get("/seasons/{season}/sheet")
def read_sheet(
    slug: str, season: str, *, record: Record, store: Store, here: Garden, catalogue: Catalogue
) -> SeasonSheet:
    """A season told whole: estimate beside harvest, and what explains a miss."""
    found = _plan_of(season, record)
    runs = found == here.plan
    book = book_in(catalogue, here.plan.garden.words)
    of = here if runs else Estimate(found, own_book(book, found))
    year = of.setting.year
    entries = [entry for entry in record.entries if entry.season == season]
    weather = weather_days(store.database).every(slug, since=year.start, until=year.end)
    return season_sheet(of, season, entries, weather, closed=not runs)


@router.get("/next-year")
def show_next_year(
    verdicts: Verdicts, wished: Wished, here: Garden, draft: Draft = "moved"
) -> NextYear:
    """What closing the season would do, and a draft of the next year; nothing is kept."""
    return next_year(here, draft, not_again=not_again(verdicts), wished=wished).told


@router.get("/verdicts/of-places")
def list_place_verdicts(slug: str, book: Book) -> dict[str, CropVerdict]:
    """The last verdict on each place, for the moment when something is planted there."""
    return place_verdicts(book.entries(slug, Wanted(kind="verdict")))


@router.get("/verdicts/of-supports/{place}")
def list_support_verdicts(slug: str, place: str, book: Book) -> dict[str, CropVerdict]:
    """The last verdict on each support of a place, for the moment when it is put up again."""
    return support_verdicts(book.entries(slug, Wanted(kind="verdict")), place)


@router.get("/verdicts")
def list_verdicts(verdicts: Verdicts) -> dict[str, CropVerdict]:
    """The last verdict on each crop, for the moment when it is chosen again."""
    return verdicts


class NextYearRequest(VersionRequest):
    """Close the season and begin the next year with a draft."""

    draft: Draft


@router.post("/next-year", responses=CHANGED)
def begin_next_year(
    slug: str,
    asked: NextYearRequest,
    *,
    store: Store,
    estimates: Computed,
    here: Garden,
    verdicts: Verdicts,
    wished: Wished,
) -> Response:
    """Close the season that `version` has seen, and begin the next with a draft; undone as any
    edit is."""
    drafted = next_year(here, asked.draft, not_again=not_again(verdicts), wished=wished)
    edit = BeginYear(plan=document(drafted.plan), year=drafted.told.year)
    closing = SeasonPlan(id=drafted.told.season, plan=here.plan)
    return change_response(store.edit(slug, asked.version, edit, closing=closing), estimates)
