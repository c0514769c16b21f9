"""The day book as a table: one line an entry, out, and in again from whatever columns a grower's
own table has."""

import hashlib
import re
from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from typing import Any, get_args

from pydantic import ValidationError

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.plan.reading import PlanFaultsError, faults_of
from ample_rows.core.record.entries import Entry, Kind
from ample_rows.core.record.typed.amounts import KG, PIECES
from ample_rows.core.record.typed.deeds import KINDS
from ample_rows.core.record.typed.words import stem
from ample_rows.core.words import csv_text
from ample_rows.core.words.message import Text, message

_OUT = (
    *("id", "day", "season", "kind", "place", "planting", "crop", "cells"),
    *("kg", "pieces", "quality", "count", "minutes", "text", "left_out"),
    *("variety", "plant_number", "tags", "support"),
)
# What each of them holds of an entry, where it is not called so; lists are parted by spaces.
_HOLDS = {"plant_number": "plant"}
_LISTS = frozenset({"cells", "tags"})
# What other tables call the same, without capitals, signs and what stands in brackets.
_CALLED: dict[str, str] = {
    **{key: key for key in _OUT},
    **dict.fromkeys(("date", "when", "picked on", "harvest date", "harvested"), "day"),
    **dict.fromkeys(("what", "activity", "action", "job", "type"), "kind"),
    **dict.fromkeys(("bed", "container", "where", "location", "plot"), "place"),
    **dict.fromkeys(
        ("plant", "vegetable", "vegetables", "veg", "veggie", "variety", "fruit", "produce"), "crop"
    ),
    **dict.fromkeys(("squares", "square"), "cells"),
    **dict.fromkeys(("weight", "weight kg", "harvest", "yield", "harvest kg", "kilograms"), "kg"),
    **dict.fromkeys(("g", "grams", "weight g", "harvest g"), "g"),
    **dict.fromkeys(("lb", "lbs", "pounds", "weight lb", "weight lbs", "harvest lb"), "lb"),
    **dict.fromkeys(("oz", "ounces", "weight oz"), "oz"),
    **dict.fromkeys(("number", "piece", "items"), "pieces"),
    **dict.fromkeys(("plants",), "count"),
    **dict.fromkeys(("min", "time minutes"), "minutes"),
    **dict.fromkeys(("notes", "note", "comment", "comments", "remarks", "words"), "text"),
    "left out": "left_out",
    **dict.fromkeys(("plant number", "plant no"), "plant_number"),
    **dict.fromkeys(("tag", "labels"), "tags"),
}
TABLE_KEYS = tuple(dict.fromkeys((*_OUT, "g", "lb", "oz")))
"""What a column of a grower's own table can be."""

_ENTRY_KINDS = frozenset(get_args(Kind))
_WEIGHTS = ("kg", "g", "lb", "oz")
_AMOUNT = re.compile(r"^\s*(\d[\d\s]*(?:[.,]\d+)?|[.,]\d+)\s*([a-z]*)\.?\s*$", re.I)
_NUMERIC_DAY = re.compile(r"^(\d{1,2})[./-](\d{1,2})[./-](\d{2}|\d{4})$")
_NAMED_DAYS = ("%d %B %Y", "%d %b %Y", "%B %d, %Y", "%b %d, %Y", "%B %d %Y", "%b %d %Y")


def entries_csv(entries: Iterable[Entry]) -> str:
    """Entries as CSV, one line each; weights in kilograms, squares parted by spaces."""
    rows: list[list[object]] = [list(_OUT)]
    for entry in entries:
        values = dict(entry)
        rows.append([_cell(values[_HOLDS.get(key, key)]) for key in _OUT])
    return csv_text.written(rows)


def _cell(value: object) -> object:
    if isinstance(value, tuple):
        return " ".join(value)
    return "" if value is None or value is False else "yes" if value is True else value


@dataclass(frozen=True, slots=True)
class HeadRead:
    """A column of a table, and what of an entry it was read as; null where it was left aside."""

    head: str
    key: str | None


@dataclass(frozen=True, slots=True)
class LineRefused:
    """A line that is no entry, and why."""

    line: int
    column: str
    value: str
    text: Text


@dataclass(frozen=True, slots=True)
class TableRead:
    """What a table would bring: entries that are new, how many are in the book already, and the
    lines that cannot be used."""

    columns: tuple[HeadRead, ...]
    entries: tuple[Entry, ...]
    known: int
    refused: tuple[LineRefused, ...]


class _RefusedError(Exception):
    def __init__(self, key: str, text: Text) -> None:
        self.key, self.text = key, text


def read_table(
    text: str,
    plan: p.Plan,
    book: Book,
    kept: Sequence[Entry],
    columns: Mapping[str, str | None] | None = None,
) -> TableRead:
    """A table of entries, its columns matched by what they are called.

    The same line twice is two entries; a line of which as many are kept already is known. Days
    as 3/8/2027 are read in the order that the whole column bears out, else that of the garden's
    region.

    Args:
        columns: What a column is, where the grower says so: one of `TABLE_KEYS`, or None to leave
            it aside.

    Raises:
        PlanFaultsError: A column is said to be what none can be, or two are said to be the same.
    """
    rows = list(csv_text.read(text))
    heads = dict.fromkeys(head for _, row in rows for head in row)
    keys = _matched(heads, columns or {})
    said = [
        (line, {key: cell for head, cell in row.items() if (key := keys[head])})
        for line, row in rows
    ]
    reading = _Reading(plan, book, _month_first([row.get("day", "") for _, row in said], plan))
    have = Counter(map(_alike, kept))
    ids = {entry.id for entry in kept}
    entries: list[Entry] = []
    refused: list[LineRefused] = []
    known, seen = 0, Counter[tuple[Any, ...]]()
    for line, row in said:
        try:
            entry = reading.entry(row)
        except _RefusedError as error:
            head = next((head for head, key in keys.items() if key == error.key), error.key)
            refused.append(LineRefused(line, head, row.get(error.key, ""), error.text))
            continue
        like = _alike(entry)
        seen[like] += 1
        if entry.id in ids or (not row.get("id") and seen[like] <= have[like]):
            known += 1
            continue
        if not row.get("id"):
            entry = entry.model_copy(update={"id": _ident(like, seen[like])})
        ids.add(entry.id)
        entries.append(entry)
    read_as = tuple(HeadRead(head, key) for head, key in keys.items())
    return TableRead(read_as, tuple(entries), known, tuple(refused))


def _matched(heads: Iterable[str], said: Mapping[str, str | None]) -> dict[str, str | None]:
    """What each column is: as the grower says, else by what it is called."""
    for head, key in said.items():
        if key is not None and key not in TABLE_KEYS:
            raise PlanFaultsError.one(f"columns.{head}", message("fault-table-no-such", key=key))
    twice = Counter(key for key in said.values() if key is not None)
    for head, key in said.items():
        if key is not None and twice[key] > 1:
            raise PlanFaultsError.one(f"columns.{head}", message("fault-table-twice", key=key))
    taken = {key for key in said.values() if key is not None}
    called = {head: _CALLED.get(_plain(head)) for head in heads}
    return {
        head: said[head] if head in said else (None if called[head] in taken else called[head])
        for head in heads
    }


def _plain(head: str) -> str:
    return " ".join(re.sub(r"[^a-z]+", " ", head.lower()).split())


def _alike(entry: Entry) -> tuple[Any, ...]:
    return (entry.day, entry.kind, entry.place, entry.crop, entry.kg, entry.pieces, entry.text)


def _ident(like: tuple[Any, ...], nth: int) -> str:
    """The same for the same line of the same table, so that it is kept once."""
    return "csv-" + hashlib.sha256(repr((like, nth)).encode()).hexdigest()[:20]


def _month_first(days: Iterable[str], plan: p.Plan) -> bool:
    """Whether days of figures alone begin with the month."""
    found = [match for day in days if (match := _NUMERIC_DAY.match(day.strip()))]
    if any(int(match[1]) > 12 for match in found):
        return False
    return any(int(match[2]) > 12 for match in found) or plan.garden.words == "en-US"


class _Reading:
    """How the cells of a line become an entry of a garden."""

    def __init__(self, plan: p.Plan, book: Book, month_first: bool) -> None:
        self._plan, self._month_first = plan, month_first
        places = [(place.id, (place.id, place.label)) for place in plan.places]
        self._places = _by_name(places)
        crops = [(crop.id, (crop.id, crop.name, *crop.names)) for crop in book.crops.values()]
        self._crops = _by_name(crops)

    def entry(self, row: Mapping[str, str]) -> Entry:
        kg, counted = self._weight(row)
        pieces = counted if counted is not None else _whole(row, "pieces")
        weighed = kg is not None or pieces is not None
        planting = next((q for q in self._plan.plantings if q.id == row.get("planting")), None)
        crop = _known(row, "crop", self._crops, message("fault-table-crop"))
        place = _known(row, "place", self._places, message("fault-table-place"))
        values = {
            "id": row.get("id") or "new",
            "day": self._day(row.get("day", "")),
            "kind": self._kind(row.get("kind"), weighed),
            "season": row.get("season"),
            "place": place or (planting.place if planting else None),
            "planting": row.get("planting"),
            "crop": crop or (planting.crop if planting else None),
            "variety": row.get("variety"),
            "support": row.get("support"),
            "plant": _whole(row, "plant_number"),
            **{key: tuple(row[key].split()) for key in _LISTS if row.get(key)},
            "kg": kg,
            "pieces": pieces,
            "quality": row.get("quality"),
            "count": _whole(row, "count"),
            "minutes": _number(row, "minutes"),
            "text": row.get("text"),
            "left_out": True if row.get("left_out") == "yes" else row.get("left_out"),
        }
        try:
            return Entry.model_validate(values)
        except ValidationError as error:
            (first, *_) = faults_of(error)
            raise _RefusedError(first.path.partition("[")[0], first.text) from error

    def _day(self, text: str) -> date:
        said = text.strip()
        figures = _NUMERIC_DAY.match(said)
        try:
            if figures:
                one, two, year = (int(part) for part in figures.groups())
                month, day = (one, two) if self._month_first else (two, one)
                return date(year + 2000 if year < 100 else year, month, day)
            return date.fromisoformat(said[:10])
        except ValueError:
            return _named_day(said)

    @staticmethod
    def _kind(said: str | None, weighed: bool) -> str:
        if not said:
            return "picked" if weighed else "note"
        word = said.strip().lower().replace(" ", "-")
        known = KINDS.get(word) or (word if word in _ENTRY_KINDS else None)
        if known is None:
            raise _RefusedError("kind", message("fault-table-kind"))
        return known

    @staticmethod
    def _weight(row: Mapping[str, str]) -> tuple[float | None, int | None]:
        """What was weighed, or counted where the cell says so: "2 heads"."""
        for unit in _WEIGHTS:
            if row.get(unit):
                value, named = _amount(row, unit)
                if named in PIECES:
                    return None, round(value)
                if named and named not in KG:
                    raise _RefusedError(unit, message("fault-table-amount"))
                return round(value * KG[named or unit], 4), None
        return None, None


def _known(row: Mapping[str, str], key: str, names: Mapping[str, str], fault: Text) -> str | None:
    said = row.get(key)
    if not said:
        return None
    found = names.get(_name(said))
    if found is None:
        raise _RefusedError(key, fault)
    return found


def _by_name(named: Iterable[tuple[str, tuple[str, ...]]]) -> dict[str, str]:
    """Ids by all that they are called; of two of one name the first."""
    found: dict[str, str] = {}
    for ident, names in named:
        for name in names:
            found.setdefault(_name(name), ident)
    return found


def _name(said: str) -> str:
    """A name without its plurals: "Broad beans" is the broad bean."""
    return " ".join(stem(word) for word in said.split())


def _named_day(said: str) -> date:
    for way in _NAMED_DAYS:
        try:
            return datetime.strptime(said, way).date()
        except ValueError:
            continue
    raise _RefusedError("day", message("fault-table-day"))


def _amount(row: Mapping[str, str], key: str) -> tuple[float, str]:
    match = _AMOUNT.match(row[key])
    if match is None:
        raise _RefusedError(key, message("fault-table-amount"))
    return float(match[1].replace(" ", "").replace(",", ".")), match[2].lower()


def _number(row: Mapping[str, str], key: str) -> float | None:
    return _amount(row, key)[0] if row.get(key) else None


def _whole(row: Mapping[str, str], key: str) -> int | None:
    value = _number(row, key)
    return None if value is None else round(value)
