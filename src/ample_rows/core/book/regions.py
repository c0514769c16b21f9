"""The book in the words of a region: each crop by the name that it has there, and the words of
all its tables."""

from dataclasses import fields, replace
from functools import lru_cache
from typing import Any, Literal, TypeVar

from ample_rows.core.book import Book, Crop
from ample_rows.core.book.record import Record
from ample_rows.core.words.american import american

R = TypeVar("R", bound=Record)

Region = Literal["en-GB", "en-US"]

# Fields that hold prose; all others are names that one table calls another's rows by.
_PROSE = frozenset(
    (
        *("about", "along", "assumes", "at", "at_the_top", "before_sowing", "caution", "costs"),
        *(
            "does",
            "drip",
            "effect",
            "flower",
            "formula",
            "fruit",
            "growth",
            "heat",
            "hoe",
            "how_often",
        ),
        *("keeps_down", "leaf", "lesson", "look", "next_year", "part", "remedy", "text", "dry"),
        *("keeps_off", "keeps_out", "label", "lessens", "root", "says", "shades", "shows", "suits"),
        *("title", "why", "words"),
    )
)


@lru_cache(maxsize=64)
def book_in(book: Book, region: Region | None) -> Book:
    """The book with the words of a region; every other name of a crop still finds it."""
    if region != "en-US":
        return book
    tables: dict[str, Any] = {
        table.name: {ident: _record(row) for ident, row in getattr(book, table.name).items()}
        for table in fields(Book)
        if _holds_records(getattr(book, table.name))
    }
    crops = {ident: _named(crop) for ident, crop in tables.pop("crops").items()}
    return replace(book, crops=crops, **tables)


def _holds_records(table: Any) -> bool:
    return isinstance(table, dict) and isinstance(next(iter(table.values()), None), Record)


def _record(row: R) -> R:
    changed = {
        name: value
        for name, was in row
        if (value := _value(was, prose=name in _PROSE)) is not was and value != was
    }
    return row.model_copy(update=changed) if changed else row


def _value(value: Any, *, prose: bool) -> Any:
    match value:
        case str():
            return american(value) if prose else value
        case Record():
            return _record(value)
        case tuple():
            return tuple(_value(part, prose=prose) for part in value)
        case dict():
            return {key: _value(part, prose=prose) for key, part in value.items()}
    return value


def _named(crop: Crop) -> Crop:
    if crop.american is None or crop.american == crop.name:
        return crop
    others = tuple(name for name in crop.names if name != crop.american)
    return crop.model_copy(update={"name": crop.american, "names": (crop.name, *others)})
