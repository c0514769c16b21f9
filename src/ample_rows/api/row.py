"""Routes of a row walked along: its plants one by one, and whose label was lost."""

from fastapi import APIRouter

from ample_rows.api.gardens import Garden
from ample_rows.api.problems import RESPONSES
from ample_rows.api.record import Book
from ample_rows.core.edits import ChangePlanting
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan import Planting
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.doubts import season_id
from ample_rows.core.record.row import Row, known_as, row_of
from ample_rows.store.day_book import Wanted

router = APIRouter(
    prefix="/api/gardens/{slug}/plantings/{planting}/row", tags=["record"], responses=RESPONSES
)


def _row_in(here: Estimate, ident: str) -> tuple[Planting, PlantingReport]:
    planting = here.plan.planting(ident)
    report = next((each for each in here.report.plantings if each.id == ident), None)
    if planting is None or report is None:
        raise UnknownPartError(kind="planting", ident=ident)
    return planting, report


@router.get("")
def read_row(slug: str, planting: str, book: Book, here: Garden) -> Row:
    """A planting plant by plant, with what was entered of each in the season that runs."""
    season = season_id(here.setting.year.start)
    told = book.entries(slug, Wanted(season=season, planting=planting))
    return row_of(*_row_in(here, planting), told, here.book)


@router.get("/{number}/known-as/{kind}")
def know_plant(planting: str, number: int, kind: str, here: Garden) -> ChangePlanting:
    """The edit by which one plant, counted from 1, is known to be of a kind after all."""
    return known_as(*_row_in(here, planting), number, kind)
