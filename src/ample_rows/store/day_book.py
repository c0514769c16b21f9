"""The day book of each garden: entries kept once by their id, changed, deleted and put back."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, date, datetime

from sqlalchemy import ColumnElement, or_
from sqlmodel import Session, col, select
from sqlmodel.sql.expression import SelectOfScalar

from ample_rows.core import plan as p
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.record.entries import Entry, usable_entry
from ample_rows.core.record.found import Meant
from ample_rows.store.database import Database
from ample_rows.store.gardens import row_of
from ample_rows.store.read_entries import ENTRY_TEXT, read_texts
from ample_rows.store.rows import batched, next_version, pk_of
from ample_rows.store.tables import EntryRow, GardenRow

_MOST_AT_ONCE = 200_000


class UnknownEntryError(UnknownPartError):
    """No entry of that id is in this garden's day book."""

    def __init__(self, ident: str) -> None:
        super().__init__(kind="entry", ident=ident)


@dataclass(frozen=True, slots=True)
class Wanted:
    """Which entries are asked for; what is None is not asked. Each of `words` is found anywhere
    in it."""

    since: date | None = None
    until: date | None = None
    season: str | None = None
    place: str | None = None
    planting: str | None = None
    crop: str | None = None
    kind: str | None = None
    words: tuple[Meant, ...] = ()
    most: int = _MOST_AT_ONCE


class DayBook:
    """The entries of all gardens of one database."""

    def __init__(self, database: Database) -> None:
        self._database = database

    def entries(self, slug: str, wanted: Wanted | None = None) -> list[Entry]:
        """Entries that stand, the newest day first, and of a day what was entered last.

        Raises:
            UnknownGardenError: No such garden.
        """
        with self._database.reading() as session:
            garden = row_of(session, slug)
            if wanted is None:
                return self._database.entries.of(session, garden)[::-1]
            found = _asked(_standing(garden), wanted)
            newest = (col(EntryRow.day).desc(), col(EntryRow.pk).desc())
            text = found.with_only_columns(ENTRY_TEXT).order_by(*newest).limit(wanted.most)
            return read_texts(session.execute(text).scalars().all())

    def entry(self, slug: str, ident: str) -> Entry:
        """One that stands. Raises `UnknownEntryError` where there is none."""
        with self._database.reading() as session:
            found = _found(session, row_of(session, slug), ident)
            if found is None or found.removed_at is not None:
                raise UnknownEntryError(ident)
            return _entry(found)

    def keep(self, slug: str, entry: Entry) -> bool:
        """Keep an entry, or what it was changed to; the same one sent again is kept once.

        Returns:
            Whether it is new.

        Raises:
            UnknownGardenError: No such garden.
        """
        with self._database.writing() as session:
            return _keep(session, row_of(session, slug), entry)

    def keep_all(self, slug: str, entries: Iterable[Entry]) -> None:
        """Keep some entries, all of them or none."""
        with self._database.writing() as session:
            garden, wanted = row_of(session, slug), list(entries)
            before = _by_id(session, garden, (entry.id for entry in wanted))
            number = next_version(session)
            for entry in wanted:
                row = before[entry.id] = _written(before.get(entry.id), garden, entry, number)
                session.add(row)

    def remove(self, slug: str, ident: str) -> None:
        """Take an entry out; it can be put back.

        Raises:
            UnknownEntryError: There is none; one that was taken out already stays so.
        """
        self._mark(slug, ident, datetime.now(UTC))

    def put_back(self, slug: str, ident: str) -> Entry:
        """Put back an entry that was taken out. Raises `UnknownEntryError`."""
        self._mark(slug, ident, None)
        return self.entry(slug, ident)

    def _mark(self, slug: str, ident: str, removed_at: datetime | None) -> None:
        with self._database.writing() as session:
            found = _found(session, row_of(session, slug), ident)
            if found is None:
                raise UnknownEntryError(ident)
            found.removed_at, found.written = removed_at, next_version(session)
            session.add(found)


def _entry(row: EntryRow) -> Entry:
    return usable_entry(row.document)


def _keep(session: Session, garden: GardenRow, entry: Entry) -> bool:
    before = _found(session, garden, entry.id)
    session.add(_written(before, garden, entry, next_version(session)))
    return before is None


def _written(before: EntryRow | None, garden: GardenRow, entry: Entry, number: int) -> EntryRow:
    """The row of an entry, new or as it was changed, by the number of the write."""
    row = before or EntryRow(
        garden_pk=pk_of(garden),
        ident=entry.id,
        day=entry.day,
        kind=entry.kind,
        entered_at=datetime.now(UTC),
        document={},
    )
    row.day, row.kind, row.season = entry.day, entry.kind, entry.season
    row.place, row.planting, row.crop = entry.place, entry.planting, entry.crop
    row.document, row.removed_at, row.written = p.document(entry), None, number
    return row


def _by_id(session: Session, garden: GardenRow, idents: Iterable[str]) -> dict[str, EntryRow]:
    """Those of some entries that are kept, taken out or not; read together."""
    found: dict[str, EntryRow] = {}
    for some in batched(idents):
        mine = (col(EntryRow.garden_pk) == pk_of(garden)) & col(EntryRow.ident).in_(some)
        found |= {row.ident: row for row in session.exec(select(EntryRow).where(mine))}
    return found


def _found(session: Session, garden: GardenRow, ident: str) -> EntryRow | None:
    mine = (col(EntryRow.garden_pk) == pk_of(garden)) & (col(EntryRow.ident) == ident)
    return session.exec(select(EntryRow).where(mine)).first()


def _standing(garden: GardenRow) -> SelectOfScalar[EntryRow]:
    mine = col(EntryRow.garden_pk) == pk_of(garden)
    return select(EntryRow).where(mine & col(EntryRow.removed_at).is_(None))


def _asked(found: SelectOfScalar[EntryRow], asked: Wanted) -> SelectOfScalar[EntryRow]:
    if asked.since is not None:
        found = found.where(col(EntryRow.day) >= asked.since)
    if asked.until is not None:
        found = found.where(col(EntryRow.day) <= asked.until)
    same = {
        EntryRow.season: asked.season,
        EntryRow.place: asked.place,
        EntryRow.planting: asked.planting,
        EntryRow.crop: asked.crop,
        EntryRow.kind: asked.kind,
    }
    for column, value in same.items():
        if value is not None:
            found = found.where(col(column) == value)
    for meant in asked.words:
        found = found.where(_says(meant))
    return found


def _says(meant: Meant) -> ColumnElement[bool]:
    """Whether an entry says a word: in its text, without the keys, or by what it is of."""
    document = col(EntryRow.document)
    written = [document[key].as_string() for key in ("text", "tags", "quality", "left_out")]
    return or_(
        *(text.icontains(meant.word, autoescape=True) for text in written),
        col(EntryRow.crop).in_(meant.crops),
        col(EntryRow.place).in_(meant.places),
        col(EntryRow.kind).in_(meant.kinds),
    )
