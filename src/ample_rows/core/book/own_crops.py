"""The crop book as one garden has it: with its own kinds, and with figures that it has changed."""

import hashlib
import itertools
import json
import string
from collections.abc import Mapping
from dataclasses import replace
from functools import lru_cache
from typing import Any

from pydantic import ValidationError

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.book.crop_fields import BY_KEY, FIELDS
from ample_rows.core.book.record import OWN_FIGURE
from ample_rows.core.book.together import disagreements
from ample_rows.core.plan.reading import Fault, PlanFaultsError, faults_of

Record = dict[str, Any]
_YIELD = "yield_kg_per_plant"
_WHOLE = ("names", "starts", "trainings", "relatives", "cautions", "traits", "before_sowing")


def figure_keys() -> tuple[str, ...]:
    """Every key that figures of an own crop may have."""
    return (*(field.key for field in FIELDS), "mark", "variety_of", "overwinters", *_WHOLE)


@lru_cache(maxsize=64)
def book_with(book: Book, own: tuple[p.OwnCrop, ...]) -> Book:
    """The book with a garden's own crops; the book itself where there are none.

    Raises:
        PlanFaultsError: A figure that a crop cannot have, or crops that do not agree.
    """
    if not own:
        return book
    crops = dict(book.crops)
    faults: list[Fault] = []
    for index, entry in enumerate(own):
        try:
            crops[entry.id] = _crop_of(entry, f"crops[{index}]", crops, book)
        except PlanFaultsError as error:
            faults += error.faults
    if not faults:
        at = {entry.id: index for index, entry in enumerate(own)}
        faults = [
            Fault(f"crops[{at[d.crop]}].figures.{d.field}" if d.crop in at else "crops", d.text)
            for d in disagreements(crops.values(), book.trainings, book.traits, book.troubles)
        ]
    if faults:
        raise PlanFaultsError(faults)
    entries = book.digest + json.dumps([p.document(entry) for entry in own], sort_keys=True)
    digest = hashlib.sha256(entries.encode()).hexdigest()[:16]
    return replace(book, crops=dict(sorted(crops.items())), digest=digest)


def _crop_of(entry: p.OwnCrop, path: str, crops: dict[str, Crop], book: Book) -> Crop:
    begun = _begun_from(entry, path, crops, book)
    record: Record = begun.model_dump(mode="json")
    if entry.like is not None:
        record["id"] = entry.id
        record["variety_of"] = begun.variety_of or begun.id
        record["mark"] = _free_mark(entry.id, {crop.mark for crop in crops.values()})
        record["name"] = f"{begun.name}, own kind"
    keys = set(figure_keys())
    for key, value in entry.figures.items():
        if key not in keys:
            raise PlanFaultsError.one(f"{path}.figures.{key}", _unknown_key(key))
        _set(record, key, value)
        field = BY_KEY.get(key)
        if field is not None:
            note = begun.sources.get(field.group, "")
            record["sources"][field.group] = f"{OWN_FIGURE} The book's note: {note}"
    _keep_spread(record, begun, entry.figures)
    try:
        return Crop.model_validate_json(json.dumps(record))
    except ValidationError as error:
        raise PlanFaultsError([_under(path, fault) for fault in faults_of(error)]) from error


def _keep_spread(record: Record, begun: Crop, figures: Mapping[str, object]) -> None:
    """Where only the likely harvest is the grower's own and lies beyond the book's low or high,
    these keep their distance to it."""
    spread = begun.yield_kg_per_plant
    own = figures.get(f"{_YIELD}.typical")
    given = any(f"{_YIELD}.{end}" in figures for end in ("low", "high"))
    if spread is None or given or not isinstance(own, int | float):
        return
    if spread.low < own < spread.high:
        return
    times = own / spread.typical
    record[_YIELD] |= {"low": spread.low * times, "high": spread.high * times}


def _under(path: str, fault: Fault) -> Fault:
    return Fault(f"{path}.figures.{fault.path}" if fault.path else f"{path}.figures", fault.text)


def _begun_from(entry: p.OwnCrop, path: str, crops: dict[str, Crop], book: Book) -> Crop:
    if entry.like is None:
        if entry.id not in crops:
            text = f'"{entry.id}" is not in the book; name with `like` the crop it begins from'
            raise PlanFaultsError.one(f"{path}.id", text)
        return crops[entry.id]
    if entry.id in book.crops:
        text = f'"{entry.id}" is a crop of the book; give your own kind another id'
        raise PlanFaultsError.one(f"{path}.id", text)
    if entry.like not in crops:
        raise PlanFaultsError.one(f"{path}.like", f'there is no crop "{entry.like}"')
    return crops[entry.like]


def _unknown_key(key: str) -> str:
    stem = key.rsplit("_", 1)[0]
    near = [one for one in figure_keys() if one.rsplit("_", 1)[0] == stem]
    hint = f'; "{near[0]}" is, in that unit' if near else ""
    return f"is not a figure of a crop{hint}"


def _set(record: Record, key: str, value: object) -> None:
    *parents, last = key.split(".")
    for parent in parents:
        if not isinstance(record.get(parent), dict):
            record[parent] = {}
        record = record[parent]
    record[last] = value


def _free_mark(ident: str, taken: set[str]) -> str:
    """Two letters that no crop has: from the id where it can be, else the next that are free."""
    letters = [c for c in ident if c.isalpha()]
    tried = (a.upper() + b for a in letters for b in letters)
    others = map("".join, itertools.product(string.ascii_uppercase, string.ascii_lowercase))
    return next(mark for mark in itertools.chain(tried, others) if mark not in taken)
