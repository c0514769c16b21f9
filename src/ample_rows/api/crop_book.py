"""Routes of the crop book as one garden sees it, and of crop files."""

from typing import Annotated, Any

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, ConfigDict, Field

from ample_rows.api.gardens import Catalogue, Garden, file_answer
from ample_rows.api.problems import RESPONSES
from ample_rows.core.ask.crop_book.files import (
    CropFile,
    Kind,
    book_csv,
    own_toml,
    read_crop_file,
)
from ample_rows.core.ask.crop_book.pages import (
    CropLine,
    CropPage,
    crop_index,
    crop_page,
)
from ample_rows.core.ask.seed_box.saving import SavedSeed, saved_seed
from ample_rows.core.ask.seed_box.shopping import ShoppingList, shopping_list

router = APIRouter(prefix="/api/gardens/{slug}", tags=["crop book"], responses=RESPONSES)


class CropFileText(BaseModel):
    """A crop file as it was read, whichever way it is written."""

    model_config = ConfigDict(extra="forbid")

    kind: Kind
    text: Annotated[str, Field(max_length=2_000_000)]


def _as(media_type: str) -> dict[str, Any]:
    return {
        "response_class": Response,
        "responses": {200: {"content": {media_type: {}}}},
    }


@router.get("/crop-book")
def index(here: Garden, place: Annotated[str | None, Query()] = None) -> list[CropLine]:
    """Every crop by name; with a place, whether it bears the crop and why not."""
    return list(crop_index(here, place))


@router.get("/crop-book/{crop}")
def page(crop: str, here: Garden, book: Catalogue) -> CropPage:
    """One crop: its figures, its windows on this year, where it fits, its neighbours."""
    return crop_page(here, crop, book)


@router.get("/crops.csv", **_as("text/csv"))
def export_book(slug: str, here: Garden) -> Response:
    """The whole book as this garden has it: a row for each crop, a column for each figure."""
    text = book_csv(here.plan.crops, here.book)
    return file_answer(text, "text/csv; charset=utf-8", f"{slug}-crops.csv")


@router.get("/own-crops.toml", **_as("application/toml"))
def export_own(slug: str, here: Garden) -> Response:
    """The garden's own crops and the figures that it has changed."""
    text = own_toml(here.plan.crops)
    return file_answer(text, "application/toml", f"{slug}-own-crops.toml")


@router.post("/crop-file")
def read_file(asked: CropFileText, here: Garden, book: Catalogue) -> CropFile:
    """What a crop file would bring, and what in it cannot be used. Nothing is kept yet."""
    return read_crop_file(asked.text, asked.kind, book)


@router.get("/seed-box")
def seed_box(here: Garden) -> ShoppingList:
    """What to buy of seed, plants and sets, and every packet as it is this year."""
    report = here.report
    return shopping_list(here.plan, report.plantings, report.year.start, here.book)


@router.get("/plantings/{planting}/seed")
def seed_of(planting: str, here: Garden) -> SavedSeed:
    """What saving seed of a planting takes: until when, from how many plants, what would cross."""
    return saved_seed(here, planting)
