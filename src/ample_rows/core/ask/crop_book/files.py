"""Crop files: own crops out as TOML, the whole book as CSV, and either of them in again.

What cannot be used is told with its line, record, field and reason; the rest is taken.
"""

import json
import re
import tomllib
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any, Literal

import tomli_w
from pydantic import ValidationError

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.crop_fields import BY_KEY, FIELDS, figure
from ample_rows.core.book.own_crops import book_with
from ample_rows.core.plan.reading import PlanFaultsError, faults_of
from ample_rows.core.words import csv_text
from ample_rows.core.words.message import Text

Kind = Literal["toml", "csv"]
Figures = dict[str, Any]


@dataclass(frozen=True, slots=True)
class FileFault:
    """Why one record of a crop file was not taken."""

    line: int
    record: str
    field: str
    text: Text


@dataclass(frozen=True)
class CropFile:
    """What a crop file holds that differs from the book, and what in it cannot be used."""

    crops: tuple[p.OwnCrop, ...]
    faults: tuple[FileFault, ...]


def own_toml(own: tuple[p.OwnCrop, ...]) -> str:
    """A garden's own crops and changed figures, each figure under its own name."""
    records = [_own_record(crop) for crop in own]
    nested = any(isinstance(part, dict) for r in records for v in r.values() for part in _parts(v))
    if nested:
        # Tables within a figure need their full path, which the writer gives only from the root.
        return tomli_w.dumps({"crops": records})
    return "\n".join("[[crops]]\n" + tomli_w.dumps(record) for record in records)


def _own_record(crop: p.OwnCrop) -> Figures:
    begun = {} if crop.like is None else {"like": crop.like}
    return {"id": crop.id, **begun, **crop.figures}


def _parts(value: object) -> list[object]:
    return value if isinstance(value, list) else [value]


def book_csv(own: tuple[p.OwnCrop, ...], book: Book) -> str:
    """Every crop as a garden has it: a row each, a column for each figure."""
    begun = {crop.id: crop.like for crop in own if crop.like is not None}
    rows: list[list[object]] = [["id", "like", *(field.key for field in FIELDS)]]
    for crop in book.crops.values():
        values = [figure(crop, field.key) for field in FIELDS]
        rows.append([crop.id, begun.get(crop.id, ""), *("" if v is None else v for v in values)])
    return csv_text.written(rows)


def read_crop_file(text: str, kind: Kind, book: Book) -> CropFile:
    """The own crops that a file holds: each record for itself, against the book that ships.

    Raises:
        PlanFaultsError: The text is no such file at all.
    """
    records = _toml_records(text) if kind == "toml" else _csv_records(text)
    crops: list[p.OwnCrop] = []
    faults: list[FileFault] = []
    for record in records:
        try:
            own = _own_crop(record, book_with(book, tuple(crops)))
            if own is None:
                continue
            book_with(book, (*crops, own))
        except PlanFaultsError as error:
            faults += [_told(record, fault.path, fault.text) for fault in error.faults]
        else:
            crops.append(own)
    return CropFile(tuple(crops), tuple(faults))


@dataclass(frozen=True)
class _Record:
    """One crop of a file, its figures by dotted key, and the line that each stands on."""

    line: int
    ident: str
    like: str | None
    figures: Figures
    lines: dict[str, int]


def _own_crop(record: _Record, book: Book) -> p.OwnCrop | None:
    """A record as an own crop, or null where it says nothing that the book does not."""
    if record.like is None and record.ident not in book.crops:
        text = f'"{record.ident}" is not in the book; name with `like` the crop it begins from'
        raise PlanFaultsError.one("like", text)
    begun = book.crops.get(record.like or record.ident)
    figures = {
        key: value
        for key, value in record.figures.items()
        if begun is None or key not in BY_KEY or figure(begun, key) != value
    }
    if not figures and record.like is None:
        return None
    values: Figures = {"id": record.ident, "figures": figures}
    if record.like is not None:
        values["like"] = record.like
    try:
        return p.OwnCrop.model_validate_json(json.dumps(values))
    except ValidationError as error:
        raise PlanFaultsError(faults_of(error)) from error


def _told(record: _Record, path: str, text: Text) -> FileFault:
    field = re.sub(r"^crops\[\d+\]\.?", "", path).removeprefix("figures").lstrip(".")
    return FileFault(record.lines.get(field, record.line), record.ident, field, text)


def _toml_records(text: str) -> Iterator[_Record]:
    try:
        raw = tomllib.loads(text)
    except tomllib.TOMLDecodeError as error:
        raise PlanFaultsError.one("file", f"not TOML: {error}") from error
    records = raw.get("crops")
    if not isinstance(records, list):
        raise PlanFaultsError.one("file", "holds no [[crops]]")
    lines = text.splitlines()
    heads = [i for i, line in enumerate(lines) if re.match(r"\s*\[\[\s*crops\s*\]\]", line)]
    for index, record in enumerate(records):
        head = heads[index] if index < len(heads) else 0
        end = heads[index + 1] if index + 1 < len(heads) else len(lines)
        figures = dict(_flat(record, ""))
        ident, like = figures.pop("id", ""), figures.pop("like", None)
        where = {key: _line_of(key, lines, head, end) for key in figures}
        yield _Record(head + 1, str(ident), None if like is None else str(like), figures, where)


def _flat(record: Figures, path: str) -> Iterator[tuple[str, Any]]:
    for key, value in record.items():
        full = f"{path}{key}"
        if isinstance(value, dict) and key != "sources":
            yield from _flat(value, f"{full}.")
        else:
            yield full, value


def _line_of(key: str, lines: list[str], head: int, end: int) -> int:
    last = re.escape(key.rsplit(".", 1)[-1])
    for number in range(head, end):
        if re.match(rf"\s*(\w+\.)*\"?{last}\"?\s*=", lines[number]):
            return number + 1
    return head + 1


def _csv_records(text: str) -> Iterator[_Record]:
    head = text.partition("\n")[0]
    if "id" not in re.split(r"[,;\t]", head.strip().removeprefix("\ufeff")):
        raise PlanFaultsError.one("file", "its first line must name the columns, one of them id")
    for line, cells in csv_text.read(text):
        ident, like = cells.pop("id", ""), cells.pop("like", None)
        if ident:
            figures = {key: _cell(key, value) for key, value in cells.items()}
            yield _Record(line, ident, like, figures, {})


def _cell(key: str, text: str) -> float | int | str:
    """A cell as the figure it stands for; what is no number is left for the check to name."""
    field = BY_KEY.get(key)
    if field is None or field.kind != "number":
        return text
    try:
        value = float(text.replace(",", "."))
    except ValueError:
        return text
    return int(value) if value.is_integer() and "." not in text else value
