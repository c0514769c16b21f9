"""Routes of the nursery shelf: lots of seedlings, and what stands of each."""

from typing import Annotated

from fastapi import APIRouter, Depends, Response

from ample_rows.api.gardens import Body, Garden, Store, body_of
from ample_rows.api.problems import RESPONSES
from ample_rows.api.record import Book
from ample_rows.core.plan.reading import PlanFaultsError, read_as
from ample_rows.core.record.doubts import season_id
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.germination import CameUp, came_up
from ample_rows.core.record.nursery import Gap, LotState, gaps, nursery
from ample_rows.core.record.parts import SeedlingLot
from ample_rows.store import record_parts
from ample_rows.store.day_book import Wanted
from ample_rows.store.record_parts import RecordParts

router = APIRouter(prefix="/api/gardens/{slug}", tags=["record"], responses=RESPONSES)


def lots_of(store: Store) -> RecordParts[SeedlingLot]:
    return record_parts.seedling_lots(store.database)


Lots = Annotated[RecordParts[SeedlingLot], Depends(lots_of)]


def entries_of_season(slug: str, book: Book, here: Garden) -> list[Entry]:
    """What was entered of the season that runs."""
    return book.entries(slug, Wanted(season=season_id(here.setting.year.start)))


InSeason = Annotated[list[Entry], Depends(entries_of_season)]


def states_of(slug: str, lots: Lots, entries: InSeason, here: Garden) -> tuple[LotState, ...]:
    since = here.setting.year.start
    return nursery(lots.every(slug), here.report.plantings, here.book, entries, since)


States = Annotated[tuple[LotState, ...], Depends(states_of)]


@router.get("/nursery")
def list_lots(states: States) -> tuple[LotState, ...]:
    """Every lot as it stands, those that still have plants first."""
    return states


@router.get("/nursery/gaps")
def list_gaps(states: States, entries: InSeason, here: Garden) -> tuple[Gap, ...]:
    """Plantings that lost plants which were not replaced since, and what the shelf has for
    them."""
    return gaps(states, here.report.plantings, entries)


@router.get("/germination")
def list_germination(slug: str, lots: Lots, book: Book, here: Garden) -> dict[str, CameUp]:
    """What came up of each crop in the last year in which it was counted."""
    told = [*book.entries(slug, Wanted(kind="sown")), *book.entries(slug, Wanted(kind="up"))]
    crops = {planting.id: planting.crop for planting in here.plan.plantings}
    return came_up(told, lots.every(slug), crops)


@router.put(
    "/nursery/{lot}",
    openapi_extra=body_of("SeedlingLot"),
)
def keep_lot(slug: str, lot: str, body: Body, lots: Lots, here: Garden) -> SeedlingLot:
    """Keep a lot, or what became of it."""
    read = read_as(SeedlingLot, body)
    if read.id != lot:
        raise PlanFaultsError.one("id", f'is "{read.id}", and the address says "{lot}"')
    if read.crop not in here.book.crops:
        raise PlanFaultsError.one("crop", f'"{read.crop}" is not in the crop book')
    lots.keep(slug, read, ident=lot, day=read.day)
    return read


@router.delete("/nursery/{lot}", status_code=204, response_class=Response)
def remove_lot(slug: str, lot: str, lots: Lots) -> None:
    """Take a lot out; it can be put back."""
    lots.remove(slug, lot)


@router.post("/nursery/{lot}/put-back")
def put_back_lot(slug: str, lot: str, lots: Lots) -> SeedlingLot:
    """Put back a lot that was taken out."""
    return lots.put_back(slug, lot)
