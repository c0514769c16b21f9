"""The entries of gardens as they were last read, so that of a long record only what was written
since then is read again."""

import json
from collections import OrderedDict
from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import date
from threading import Lock

from pydantic import TypeAdapter, ValidationError
from sqlalchemy import String, cast
from sqlmodel import Session, col, select

from ample_rows.core.record.entries import Entry, usable_entry
from ample_rows.store.rows import pk_of
from ample_rows.store.tables import EntryRow, GardenRow

_MOST_HELD = 100_000
_TOGETHER = 1_000
_ENTRIES = TypeAdapter(list[Entry])

Place = tuple[date, int]
"""Where an entry stands among the others: its day, and of a day the order of entering."""

ENTRY_TEXT = cast(col(EntryRow.document), String)


@dataclass
class _Read:
    """A garden's entries that stand, and the last write that was seen."""

    until: int = -1
    places: dict[int, Place] = field(default_factory=dict)
    standing: dict[Place, Entry] = field(default_factory=dict)


class ReadEntries:
    """Of some gardens, the ones last asked for; of one database, whoever writes to it."""

    def __init__(self) -> None:
        self._gardens: OrderedDict[str, _Read] = OrderedDict()
        self._lock = Lock()

    def of(self, session: Session, garden: GardenRow) -> list[Entry]:
        """All entries of a garden that stand, the oldest day first."""
        with self._lock:
            held = self._gardens.setdefault(garden.slug, _Read())
            self._gardens.move_to_end(garden.slug)
            _bring_up_to_date(held, session, pk_of(garden))
            while len(self._gardens) > 1 and self._count() > _MOST_HELD:
                self._gardens.popitem(last=False)
            return list(held.standing.values())

    def _count(self) -> int:
        return sum(len(held.standing) for held in self._gardens.values())


def _bring_up_to_date(held: _Read, session: Session, garden_pk: int) -> None:
    since = (col(EntryRow.garden_pk) == garden_pk) & (col(EntryRow.written) > held.until)
    columns = (col(EntryRow.pk), col(EntryRow.written), col(EntryRow.removed_at), ENTRY_TEXT)
    found = session.execute(select(EntryRow).with_only_columns(*columns).where(since)).all()
    for start in range(0, len(found), _TOGETHER):
        some = found[start : start + _TOGETHER]
        for (pk, _, removed, _), entry in zip(some, read_texts([r[3] for r in some]), strict=True):
            before = held.places.pop(pk, None)
            if before is not None:
                del held.standing[before]
            if removed is None:
                held.places[pk] = (entry.day, pk)
                held.standing[entry.day, pk] = entry
    if found:
        held.until = max(written for _, written, _, _ in found)
        held.standing = dict(sorted(held.standing.items(), key=lambda of: of[0]))


def read_texts(texts: Sequence[str]) -> list[Entry]:
    """Entries read together; where one is none that this version can use, each by itself."""
    try:
        return _ENTRIES.validate_json(f"[{','.join(texts)}]")
    except ValidationError:
        return [usable_entry(json.loads(text)) for text in texts]
