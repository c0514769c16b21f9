"""The crop book in the words of a region: each crop by the name that it has there."""

from dataclasses import replace
from functools import lru_cache
from typing import Literal

from ample_rows.core.book import Book, Crop

Region = Literal["en-GB", "en-US"]


@lru_cache(maxsize=64)
def book_in(book: Book, region: Region | None) -> Book:
    """The book with the names of a region; every other name of a crop still finds it."""
    if region != "en-US":
        return book
    crops = {ident: _american(crop) for ident, crop in book.crops.items()}
    return replace(book, crops=crops)


def _american(crop: Crop) -> Crop:
    if crop.american is None or crop.american == crop.name:
        return crop
    others = tuple(name for name in crop.names if name != crop.american)
    return crop.model_copy(update={"name": crop.american, "names": (crop.name, *others)})
