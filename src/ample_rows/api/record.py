"""Routes of the day book: entries in and out, what they say of this garden, the record itself."""

import json
from collections.abc import Collection
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from itertools import chain
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Depends, Query, Response
from pydantic import BaseModel, ConfigDict, Field

from ample_rows.api.gardens import Body, Catalogue, Garden, Store, body_of, file_answer
from ample_rows.api.problems import RESPONSES, problem
from ample_rows.api.weather_seen import Measured, measured_on
from ample_rows.core.ask.tape import Tape, tape_csv, tape_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan import Ident, PlanDate, document
from ample_rows.core.plan.reading import Fault, PlanFaultsError, read_as
from ample_rows.core.record.compared import season_on
from ample_rows.core.record.doubts import doubts, require_entry, season_id
from ample_rows.core.record.entries import EntriesTogether, Entry, GardenRecord, Kind, SeasonPlan
from ample_rows.core.record.figures import Figures
from ample_rows.core.record.found import meant_by
from ample_rows.core.record.likely import LATELY, ripe_on
from ample_rows.core.record.marked import entries_of_jobs
from ample_rows.core.record.outcomes import outcomes_of
from ample_rows.core.record.own_factors import Learnt, learnt
from ample_rows.core.record.table import TableRead, entries_csv, read_table
from ample_rows.core.record.typed.line import Typed, typed_line
from ample_rows.core.record.typed.which import LineContext
from ample_rows.store.day_book import DayBook, Wanted
from ample_rows.store.record_parts import with_parts
from ample_rows.store.season_figures import FiguresOfSeasons
from ample_rows.store.seasons import Seasons

router = APIRouter(prefix="/api/gardens/{slug}", tags=["record"], responses=RESPONSES)

# Somewhere it is tomorrow already.
_AHEAD = timedelta(days=1)
_KEPT: dict[int | str, dict[str, Any]] = {200: {"model": Entry}, 201: {"model": Entry}}


def day_book_of(store: Store) -> DayBook:
    return DayBook(store.database)


def seasons_of(store: Store, catalogue: Catalogue) -> Seasons:
    return Seasons(store.database, catalogue)


Book = Annotated[DayBook, Depends(day_book_of)]
Closed = Annotated[Seasons, Depends(seasons_of)]


def record_of(slug: str, book: Book, seasons: Closed, here: Garden) -> GardenRecord:
    """All that is kept of a garden: its closed seasons, the one that runs, and its entries, those
    of jobs that were marked done among them."""
    runs = SeasonPlan(id=season_id(here.setting.year.start), plan=here.plan)
    before = [season for season in seasons.closed(slug) if season.id != runs.id]
    done = chain(*(entries_of_jobs(season.plan, here.book) for season in (*before, runs)))
    # Each part was checked when it was read; to check fifty thousand again takes longer than all
    # that is asked of them.
    return GardenRecord.model_construct(
        format="ample-rows/record",
        version=1,
        garden=here.plan.garden.name,
        seasons=(*before, runs),
        entries=(*reversed(book.entries(slug)), *done),
    )


def figures_in(slug: str, store: Store, here: Garden, catalogue: Catalogue) -> Figures:
    return FiguresOfSeasons(store.database, slug, here.setting.year.start, catalogue)


SeasonsFigures = Annotated[Figures, Depends(figures_in)]
Record = Annotated[GardenRecord, Depends(record_of)]


@router.get("/entries")
def list_entries(
    slug: str,
    book: Book,
    here: Garden,
    *,
    since: date | None = None,
    until: date | None = None,
    season: str | None = None,
    place: str | None = None,
    planting: str | None = None,
    crop: str | None = None,
    kind: Kind | None = None,
    words: Annotated[str | None, Query(max_length=200)] = None,
    most: Annotated[int, Query(ge=1, le=100_000)] = 1000,
) -> list[Entry]:
    """Entries, the newest day first; of a day, what was entered last. Each of `words` is found
    in what was entered, its tags, or the name of its crop, its place or what was done."""
    meant = tuple(meant_by(word, here.plan, here.book) for word in (words or "").split())
    return book.entries(
        slug, Wanted(since, until, season, place, planting, crop, kind, meant, most)
    )


@router.get("/entries/of-jobs")
def list_entries_of_jobs(here: Garden) -> list[Entry]:
    """What is in the day book because its job was marked done; opened again, it goes."""
    return list(entries_of_jobs(here.plan, here.book))


@router.put("/entries/{entry}", openapi_extra=body_of("Entry"), responses=_KEPT)
def keep_entry(
    slug: str,
    entry: str,
    body: Body,
    *,
    book: Book,
    seasons: Closed,
    here: Garden,
    sure: Annotated[bool, Query(description="Keep it though something is odd about it")] = False,
) -> Response:
    """Keep an entry under its id, or what it was changed to. Sent twice, it is kept once.

    What is odd about it is asked about first, as a problem of its own kind; `sure` keeps it.
    """
    read = read_as(Entry, body)
    if read.id != entry:
        raise PlanFaultsError.one("id", f'is "{read.id}", and the address says "{entry}"')
    report = next((r for r in here.report.plantings if r.id == read.planting), None)
    require_entry(read, here.plan, here.book, report)
    odd = [] if sure else _odd(read, here)
    if odd:
        return _doubtful(odd)
    read = _in_season(read, here, seasons.ids(slug))
    new = book.keep(slug, read)
    return Response(read.model_dump_json(), 201 if new else 200, media_type="application/json")


def _odd(entry: Entry, here: Estimate) -> list[Fault]:
    now = datetime.now(UTC).date() + _AHEAD
    begins = here.setting.year.start
    today = now if now >= begins else None
    # What is entered of a season that is closed was planned otherwise.
    running = entry.season in (None, season_id(begins))
    reports = here.report.plantings if running else ()
    return doubts(entry, here.plan, reports, here.book, today=today)


@router.post(
    "/entries/together",
    openapi_extra=body_of("EntriesTogether"),
    responses={200: {"model": EntriesTogether}},
)
def keep_together(
    slug: str,
    body: Body,
    *,
    book: Book,
    seasons: Closed,
    here: Garden,
    sure: Annotated[bool, Query(description="Keep them though something is odd")] = False,
) -> Response:
    """Keep entries that were typed or weighed together, all of them or none."""
    read = read_as(EntriesTogether, body).entries
    reports = {report.id: report for report in here.report.plantings}
    odd = []
    for entry in read:
        report = reports.get(entry.planting or "")
        require_entry(entry, here.plan, here.book, report)
        odd += [] if sure else _odd(entry, here)
    if odd:
        return _doubtful(odd)
    closed = seasons.ids(slug)
    kept = EntriesTogether(entries=tuple(_in_season(entry, here, closed) for entry in read))
    book.keep_all(slug, kept.entries)
    return Response(kept.model_dump_json(), media_type="application/json")


def _doubtful(odd: list[Fault]) -> Response:
    words = "; ".join(str(fault) for fault in odd)
    return problem(422, "doubtful", f"{words}. It was not kept yet.", faults=odd)


@router.delete("/entries/{entry}", status_code=204)
def remove_entry(slug: str, entry: str, book: Book) -> None:
    """Take an entry out; it can be put back."""
    book.remove(slug, entry)


@router.post("/entries/{entry}/put-back")
def put_back_entry(slug: str, entry: str, book: Book) -> Entry:
    """Put back an entry that was taken out."""
    return book.put_back(slug, entry)


@router.get("/own-factors")
def own_factors(
    record: Record, here: Garden, catalogue: Catalogue, figures: SeasonsFigures
) -> Learnt:
    """How much more or less than estimated comes here, by what was weighed so far."""
    crops = here.book.crops
    planned = {planting.crop: crops[planting.crop].family for planting in here.plan.plantings}
    outcomes = outcomes_of(record, here.plan, figures)
    return learnt(outcomes, catalogue, also=planned)


@router.get("/record.amplerows.json", responses={200: {"model": GardenRecord}})
def export_record(slug: str, record: Record, store: Store) -> Response:
    """The whole record as the open document: seasons, entries, and what else there is."""
    whole = document(with_parts(store.database, slug, record))
    text = json.dumps(whole, ensure_ascii=False, separators=(",", ":"))
    return Response(text + "\n", media_type="application/json")


@router.get(
    "/entries.csv",
    response_class=Response,
    responses={200: {"content": {"text/csv": {}}}},
)
def export_entries(slug: str, record: Record) -> Response:
    """The day book of all seasons as a table, one line an entry."""
    return file_answer(entries_csv(record.entries), "text/csv; charset=utf-8", f"{slug}-record.csv")


class TableRequest(BaseModel):
    """A table of entries as text; kept only where `keep` says so."""

    model_config = ConfigDict(extra="forbid")

    text: str = Field(max_length=8_000_000)
    keep: bool = False
    columns: dict[str, str | None] = Field(
        default_factory=dict,
        max_length=200,
        description="What a column is, where the grower says so; null leaves it aside",
    )


@router.post("/entries.csv")
def import_entries(
    slug: str, asked: TableRequest, book: Book, seasons: Closed, here: Garden
) -> TableRead:
    """What a table would bring, and what in it cannot be used; its new entries are kept, all of
    them or none, where that is asked."""
    kept = book.entries(slug)
    found = read_table(asked.text, here.plan, here.book, kept, asked.columns)
    if asked.keep:
        closed = seasons.ids(slug)
        book.keep_all(slug, [_in_season(entry, here, closed) for entry in found.entries])
    return found


def _in_season(entry: Entry, here: Estimate, closed: Collection[str]) -> Entry:
    if entry.season is not None:
        return entry
    season = season_on(entry.day, here.plan, closed, here.book)
    return entry.model_copy(update={"season": season})


class LineRequest(BaseModel):
    """An entry as it was typed, on a day; a bare number is in the unit typed last."""

    model_config = ConfigDict(extra="forbid")

    text: str = Field(max_length=500)
    day: PlanDate
    id: Ident
    unit: Literal["kg", "g", "lb", "oz", "pieces"] = "kg"


@dataclass(frozen=True, slots=True)
class Ripe:
    """Plantings that are likely to be picked about a day, the likeliest first."""

    plantings: tuple[str, ...]


@router.post("/entry-read")
def read_line(slug: str, line: LineRequest, book: Book, measured: Measured, here: Garden) -> Typed:
    """What a typed line would be as an entry, or as the weather of its day, said back; it is not
    kept."""
    lately = book.entries(slug, Wanted(since=line.day - LATELY, until=line.day, kind="picked"))
    reports = here.report.plantings
    context = LineContext(here.plan, reports, here.book, line.day, line.unit, lately)
    return typed_line(line.text, context, line.id, weather=measured_on(measured, slug, line.day))


@router.get("/ripe")
def ripe(slug: str, day: PlanDate, book: Book, here: Garden) -> Ripe:
    """What is likely to be picked about a day, by the plan and by what was picked of late."""
    lately = book.entries(slug, Wanted(since=day - LATELY, until=day, kind="picked"))
    found = ripe_on(here.report.plantings, day, lately)
    return Ripe(tuple(report.id for report in found))


@router.get("/tape")
def tape(slug: str, day: PlanDate, book: Book, here: Garden) -> Tape:
    """Pickings as they came over the band that was estimated, for each crop, up to a day."""
    return _tape(slug, day, book, here)


@router.get(
    "/tape.csv",
    response_class=Response,
    responses={200: {"content": {"text/csv": {}}}},
)
def export_tape(slug: str, day: PlanDate, book: Book, here: Garden) -> Response:
    """The same week by week and crop by crop, as a table."""
    text = tape_csv(_tape(slug, day, book, here))
    return file_answer(text, "text/csv; charset=utf-8", f"{slug}-weeks.csv")


def _tape(slug: str, day: date, book: DayBook, here: Estimate) -> Tape:
    season = season_id(here.setting.year.start)
    return tape_of(here, book.entries(slug, Wanted(season=season, kind="picked")), day)
