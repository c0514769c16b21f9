"""Routes of the crop book as one garden sees it."""

from typing import Annotated

from fastapi import APIRouter, Query

from ample_rows.api.gardens import Reference, Store
from ample_rows.api.problems import RESPONSES
from ample_rows.core.crop_pages import CropLine, CropPage, crop_index, crop_page

router = APIRouter(prefix="/api/gardens/{slug}", tags=["crop book"], responses=RESPONSES)


@router.get("/crop-book")
def index(
    slug: str, store: Store, book: Reference, place: Annotated[str | None, Query()] = None
) -> list[CropLine]:
    """Every crop by name; with a place, whether it bears the crop and why not."""
    return list(crop_index(store.load(slug).plan, place, book))


@router.get("/crop-book/{crop}")
def page(slug: str, crop: str, store: Store, book: Reference) -> CropPage:
    """One crop: its figures, its windows on this year, where it fits, its neighbours."""
    return crop_page(store.load(slug).plan, crop, book)
