"""The record document: seasons with their plans, and what was entered day by day."""

import json
from typing import Annotated, Any, Literal

from pydantic import Field

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.checks import check_plan
from ample_rows.core.checks.words import twice
from ample_rows.core.plan.reading import MOST_FAULTS, Fault, PlanFaultsError, read_as, validated
from ample_rows.core.plan.values import Address, Ident, Name, PlanDate, PlanValue
from ample_rows.core.record.parts import Photo, SeedlingLot, Trial, WeatherSeen

Kind = Literal[
    "sown",
    "up",
    "thinned",
    "set-out",
    "tied",
    "fed",
    "watered",
    "seen",
    "picked",
    "cleared",
    "soil",
    "note",
    "verdict",
]

LOST = "lost"
"""The quality of what was `seen` where its `count` plants are gone."""

_MOST_TEXT = 4_000
_MOST_ENTRIES = 200_000
_MOST_DAYS = 40_000
_MOST_PARTS = 20_000

Kilograms = Annotated[float, Field(ge=0, le=10_000, allow_inf_nan=False)]
Amount = Annotated[int, Field(ge=0, le=1_000_000)]
Tag = Annotated[str, Field(pattern=r"^[^\W_][\w-]{0,39}$")]
Minutes = Annotated[float, Field(ge=0, le=100_000, allow_inf_nan=False)]


class Entry(PlanValue):
    """One thing that was done, seen or picked on a day.

    `kg` and `pieces` are of a picking, `count` of plants (come up, thinned, set out, divided; lost
    where `quality` says so of what was seen).
    `plant` is one plant of the planting, counted from 1 as the plan sets them out, `variety` one
    of its kinds; `support` what stands on its place, where it is told of that. `tags` are the
    grower's own words to find it by.
    `left_out` keeps it out of what is learnt, in words where there is a reason: "hail".
    """

    id: Ident
    day: PlanDate
    kind: Kind
    season: Ident | None = None
    place: Ident | None = None
    planting: Ident | None = None
    crop: Ident | None = None
    cells: tuple[Address, ...] | None = None
    variety: Ident | None = None
    support: Ident | None = None
    plant: Annotated[int, Field(ge=1, le=20_000)] | None = None
    kg: Kilograms | None = None
    pieces: Amount | None = None
    quality: Name | None = None
    count: Amount | None = None
    minutes: Minutes | None = None
    text: Annotated[str, Field(max_length=_MOST_TEXT)] | None = None
    left_out: bool | Name | None = None
    photo: Name | None = None
    tags: Annotated[tuple[Tag, ...], Field(max_length=20)] | None = None


def tells_loss(entry: Entry) -> bool:
    """Whether an entry counts plants that are gone."""
    return entry.kind == "seen" and entry.quality == LOST and entry.count is not None


class EntriesTogether(PlanValue):
    """Entries of one line, or of one weighing, that stand or fall together."""

    entries: Annotated[tuple[Entry, ...], Field(min_length=1, max_length=100)]


def picked_kg(entry: Entry, piece_kg: float | None) -> float:
    """What was weighed of a picking, else what so many pieces of the kind weigh. [kg]"""
    if entry.kg is not None:
        return entry.kg
    return (entry.pieces or 0) * (piece_kg or 0.0)


# Of an entry that this version cannot use, what still says when and of what it was.
_WHERE = ("season", "place", "planting", "crop")
_OPENING = "This version cannot use this entry; it was kept as it is: "


def usable_entry(document: dict[str, Any]) -> Entry:
    """A kept entry as it is; what this version cannot use stands as a note of its day, so that it
    can be read and counts in no sum.

    Raises:
        PlanFaultsError: It has neither an id nor a day.
    """
    try:
        return validated(json.dumps(document), Entry)
    except PlanFaultsError:
        text = _OPENING + json.dumps(document, ensure_ascii=False)
        note = {"id": document.get("id"), "day": document.get("day"), "kind": "note"}
        where = {key: document[key] for key in _WHERE if isinstance(document.get(key), str)}
        whole = {**note, "text": text[:_MOST_TEXT], "left_out": True}
        try:
            return validated(json.dumps({**whole, **where}), Entry)
        except PlanFaultsError:
            return validated(json.dumps(whole), Entry)


class SeasonPlan(PlanValue):
    """One growing year of the garden, with the plan that it was grown by."""

    id: Ident
    plan: p.Plan


class GardenRecord(PlanValue):
    """All that was entered of a garden; what there is none of is left out of its document."""

    format: Literal["ample-rows/record"]
    version: Literal[1]
    garden: Name
    seasons: Annotated[tuple[SeasonPlan, ...], Field(max_length=200)] = ()
    entries: Annotated[tuple[Entry, ...], Field(max_length=_MOST_ENTRIES)] = ()
    weather: Annotated[tuple[WeatherSeen, ...], Field(max_length=_MOST_DAYS)] = ()
    seedlings: Annotated[tuple[SeedlingLot, ...], Field(max_length=_MOST_PARTS)] = ()
    trials: Annotated[tuple[Trial, ...], Field(max_length=_MOST_PARTS)] = ()
    photos: Annotated[tuple[Photo, ...], Field(max_length=_MOST_PARTS)] = ()


def read_record(raw: bytes | str, book: Book) -> GardenRecord:
    """A record whose plans can be computed, from a document's text.

    An entry is never refused for its day, nor for a planting that is no longer there.

    Raises:
        PlanFaultsError: One fault a line, each with its path.
    """
    record = read_as(GardenRecord, raw)
    faults: list[Fault] = []
    for index, season in enumerate(record.seasons):
        path = f"seasons[{index}].plan"
        found = check_plan(season.plan, book)
        faults += [Fault(f"{path}.{fault.path}", fault.text) for fault in found]
    faults += twice([season.id for season in record.seasons], "seasons")
    faults += twice([entry.id for entry in record.entries], "entries")
    if faults:
        raise PlanFaultsError(faults[:MOST_FAULTS])
    return record
