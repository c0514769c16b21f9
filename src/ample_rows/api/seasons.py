"""Routes of seasons: those that are closed, side by side, and the year that comes next."""

import json

from fastapi import APIRouter, Response

from ample_rows.api.gardens import CHANGED, Catalogue, Computed, Garden, Store, file_answer
from ample_rows.api.problems import RESPONSES
from ample_rows.api.record import Record
from ample_rows.api.state import VersionRequest, change_response
from ample_rows.core.ask.next_year.draft import Draft, Drafted, NextYear, next_year
from ample_rows.core.edits.of_garden import BeginYear
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan import Plan, document
from ample_rows.core.record.compared import Compared, compared
from ample_rows.core.record.entries import GardenRecord, SeasonPlan
from ample_rows.core.record.verdicts import CropVerdict, not_again, verdicts_of

router = APIRouter(prefix="/api/gardens/{slug}", tags=["seasons"], responses=RESPONSES)


@router.get("/seasons")
def list_seasons(record: Record, catalogue: Catalogue) -> Compared:
    """Seasons side by side: what was estimated and what was picked, crop by crop."""
    return compared(record, catalogue)


@router.get("/seasons/{season}/plan.amplerows.json", responses={200: {"model": Plan}})
def read_season(season: str, record: Record) -> Response:
    """The plan that a season was grown by, as an open document: the start of a new plan, too."""
    found = next((each.plan for each in record.seasons if each.id == season), None)
    if found is None:
        raise UnknownPartError(kind="season", ident=season)
    text = json.dumps(document(found), ensure_ascii=False, separators=(",", ":"))
    return file_answer(text + "\n", "application/json", f"season-{season}.amplerows.json")


@router.get("/next-year")
def show_next_year(record: Record, here: Garden, draft: Draft = "moved") -> NextYear:
    """What closing the season would do, and a draft of the next year; nothing is kept."""
    return _drafted(record, here, draft).told


def _drafted(record: GardenRecord, here: Estimate, draft: Draft) -> Drafted:
    return next_year(here, draft, not_again=not_again(verdicts_of(record.entries, here.book)))


@router.get("/verdicts")
def list_verdicts(record: Record, here: Garden) -> dict[str, CropVerdict]:
    """The last verdict on each crop, for the moment when it is chosen again."""
    return verdicts_of(record.entries, here.book)


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
    record: Record,
) -> Response:
    """Close the season that `version` has seen, and begin the next with a draft; undone as any
    edit is."""
    drafted = _drafted(record, here, asked.draft)
    edit = BeginYear(plan=document(drafted.plan), year=drafted.told.year)
    closing = SeasonPlan(id=drafted.told.season, plan=here.plan)
    return change_response(store.edit(slug, asked.version, edit, closing=closing), estimates)
