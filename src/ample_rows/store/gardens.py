"""Gardens kept: created, read, edited, undone and redone, removed and put back.

`version` rises with every change, undo and redo included, over all gardens of a folder: it
is never given twice, so that it tells apart browser tabs, and gardens of one name. `head` is
the revision that the garden stands at.
"""

import threading
from collections import OrderedDict
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from typing import cast

from slugify import slugify
from sqlalchemy import delete, insert, text
from sqlalchemy.orm import InstrumentedAttribute, defer
from sqlmodel import Session, col, select
from sqlmodel.sql.expression import SelectOfScalar

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.checks import require_sound, usable_plan
from ample_rows.core.edits import (
    Edit,
    ReplacePlan,
    apply_edit,
)
from ample_rows.core.errors import ConflictError, UnknownPartError
from ample_rows.core.record.entries import SeasonPlan
from ample_rows.store.database import Database
from ample_rows.store.parts import (
    Change,
    Document,
    Parts,
    changes_between,
    put_together,
    take_apart,
    with_change,
)
from ample_rows.store.rows import keep_season, new_address, next_version, pk_of, read, write
from ample_rows.store.tables import GardenRow, RevisionRow

_MOST_LETTERS = 48

DAYS_IN_BIN = 30
_PLANS_HELD = 16
_DOCUMENT = cast("InstrumentedAttribute[Document]", GardenRow.document)
_VERSION_OF = text("SELECT version FROM gardens WHERE slug = :slug AND removed_at IS NULL")


class UnknownGardenError(UnknownPartError):
    """No garden of that name is kept here."""

    def __init__(self, slug: str) -> None:
        super().__init__(kind="garden", ident=slug)


class ChangedElsewhereError(ConflictError):
    """The garden was changed since the caller last saw it."""

    def __init__(self, slug: str, version: int) -> None:
        super().__init__("This garden was changed elsewhere since you last saw it.")
        self.slug, self.version = slug, version


class NothingToDoError(ConflictError):
    """There is no edit left to undo or redo."""


@dataclass(frozen=True)
class Head:
    """Where a garden stands in its history."""

    slug: str
    name: str
    version: int
    undo_label: str | None
    redo_label: str | None


@dataclass(frozen=True)
class Removed:
    """A garden that was deleted, and the day after which it is gone for good."""

    slug: str
    name: str
    version: int
    removed_at: datetime
    until: datetime


@dataclass(frozen=True)
class Stored:
    """A garden as it is kept; after a change also as it was before."""

    head: Head
    plan: p.Plan
    before: "Stored | None" = None


@dataclass(frozen=True)
class _Garden:
    """A garden as it was read or written: its plan, and the rows that it came from."""

    head: Head
    plan: p.Plan
    parts: Parts


class GardenStore:
    """All gardens of one database. The book decides what a sound plan is."""

    def __init__(self, database: Database, book: Book) -> None:
        self.database = database
        self._book = book
        self._held = _Held()

    def list(self) -> list[Head]:
        """Every garden, in the order they were made."""
        with self.database.reading() as session:
            rows = session.exec(_kept().order_by(col(GardenRow.pk))).all()
            return [_head(session, row) for row in rows]

    def create(self, plan: p.Plan) -> str:
        """Keep a new garden; returns its slug, made from the name."""
        return self.create_all([plan])[0]

    def create_all(self, plans: Iterable[p.Plan]) -> tuple[str, ...]:
        """Keep some new gardens, all of them or none; returns their slugs."""
        wanted = tuple(plans)
        for plan in wanted:
            require_sound(plan, self._book)
        with self.database.writing() as session:
            return tuple(self._add(session, plan) for plan in wanted)

    def _add(self, session: Session, plan: p.Plan) -> str:
        wished = slugify(plan.garden.name, max_length=_MOST_LETTERS) or "garden"
        row = GardenRow(slug=new_address(session, wished), name=plan.garden.name, document={})
        session.add(row)
        session.flush()
        write(session, row, Parts({}, {}, {}), take_apart(p.document(plan), None))
        return row.slug

    def remove(self, slug: str, version: int) -> None:
        """Put a garden away for thirty days; it can be put back with all its history.

        Raises:
            UnknownGardenError: No such garden.
            ChangedElsewhereError: The garden has changed since that version.
        """
        with self.database.writing() as session:
            row = _row_at(session, slug, version)
            row.removed_at = datetime.now(UTC)
            row.version = next_version(session)

    def removed(self) -> tuple[Removed, ...]:
        """The gardens put away, the last first."""
        with self.database.reading() as session:
            gone = col(GardenRow.removed_at)
            rows = session.exec(select(GardenRow).where(gone.is_not(None)).order_by(gone.desc()))
            return tuple(_removed(row) for row in rows)

    def put_back(self, slug: str) -> Stored:
        """Bring back a garden that was put away."""
        with self.database.writing() as session:
            row = _removed_row(session, slug)
            row.removed_at = None
            row.version = next_version(session)
        return self.load(slug)

    def purge(self, slug: str, version: int | None = None) -> None:
        """Delete for good a garden that was put away.

        Raises:
            ChangedElsewhereError: It is not at the version named.
        """
        with self.database.writing() as session:
            row = _removed_row(session, slug)
            if version is not None and row.version != version:
                raise ChangedElsewhereError(slug, row.version)
            session.delete(row)

    def purge_old(self, now: datetime | None = None) -> int:
        """Delete for good what was put away more than thirty days ago; returns how many."""
        before = (now or datetime.now(UTC)) - timedelta(days=DAYS_IN_BIN)
        with self.database.reading() as session:
            old = select(GardenRow.slug).where(col(GardenRow.removed_at) < before)
            slugs = session.exec(old).all()
        for slug in slugs:
            self.purge(slug)
        return len(slugs)

    def head(self, slug: str) -> Head:
        """Where a garden stands, without its plan. Raises `UnknownGardenError`."""
        with self.database.reading() as session:
            return _head(session, row_of(session, slug))

    def version(self, slug: str) -> int:
        """A garden's version alone, as quickly as it can be had. Raises `UnknownGardenError`."""
        with self.database.reading() as session:
            version = session.connection().execute(_VERSION_OF, {"slug": slug}).scalar()
        if version is None:
            raise UnknownGardenError(slug)
        return int(version)

    def load(self, slug: str) -> Stored:
        """A garden with its plan.

        Raises:
            UnknownGardenError: No such garden.
        """
        garden = self._garden(slug)
        return Stored(garden.head, garden.plan)

    def document(self, slug: str) -> Document:
        """The plan document of a garden, whether or not all of it can be used."""
        with self.database.reading() as session:
            return put_together(read(session, row_of(session, slug)))

    def edit(
        self, slug: str, version: int, edit: Edit, *, closing: SeasonPlan | None = None
    ) -> Stored:
        """Make one edit on the version that the caller has seen.

        Args:
            closing: A season that the edit closes, kept with it or not at all.

        Raises:
            UnknownGardenError: No such garden.
            ChangedElsewhereError: The garden has changed since.
            PlanFaultsError: The result would be no sound plan; nothing was changed.
        """
        old = self._garden_at(slug, version)
        plan = apply_edit(old.plan, edit)
        require_sound(plan, self._book, before=old.plan)
        fresh_order = isinstance(edit, ReplacePlan)
        new = take_apart(p.shared_document(plan), None if fresh_order else old.parts)
        before, after = changes_between(old.parts, new)
        label = edit.named(old.plan)
        # Only the writing itself holds the lock; another's edit meanwhile is a conflict.
        with self.database.writing() as session:
            row = _row_at(session, slug, version)
            if old.head.redo_label is not None:
                _forget_redo(session, row)
            row.head += 1
            # A plain statement: nothing is asked of the row again.
            revision = insert(RevisionRow).values(
                garden_pk=pk_of(row),
                number=row.head,
                label=label,
                made_at=datetime.now(UTC),
                before=before,
                after=after,
            )
            session.connection().execute(revision)
            write(session, row, old.parts, new)
            if closing is not None:
                keep_season(session, row, closing)
            head = Head(row.slug, row.name, row.version, undo_label=label, redo_label=None)
        return self._changed(_Garden(head, plan, new), old)

    def undo(self, slug: str, version: int) -> Stored:
        """Take back the last edit. Raises `NothingToDoError` at the beginning."""
        return self._step(slug, version, forward=False)

    def redo(self, slug: str, version: int) -> Stored:
        """Make the edit last taken back again. Raises `NothingToDoError` at the end."""
        return self._step(slug, version, forward=True)

    def _step(self, slug: str, version: int, *, forward: bool) -> Stored:
        old = self._garden_at(slug, version)
        with self.database.reading() as session:
            row = _row_at(session, slug, version)
            revision = _revision(session, row, row.head + 1 if forward else row.head)
            if revision is None:
                raise NothingToDoError("Nothing to redo." if forward else "Nothing to undo.")
            change: Change = revision.after if forward else revision.before
        new = with_change(old.parts, change)
        plan = self._usable(new)
        with self.database.writing() as session:
            row = _row_at(session, slug, version)
            row.head += 1 if forward else -1
            write(session, row, old.parts, new)
            head = _head(session, row)
        return self._changed(_Garden(head, plan, new), old)

    def _changed(self, new: _Garden, old: _Garden) -> Stored:
        self._held.put(new)
        return Stored(new.head, new.plan, Stored(old.head, old.plan))

    def _garden_at(self, slug: str, version: int) -> _Garden:
        held = self._held.get(version)
        if held is not None and held.head.slug == slug:
            # Whether it is still the newest is seen when it is written over.
            return held
        garden = self._garden(slug)
        if garden.head.version != version:
            raise ChangedElsewhereError(slug, garden.head.version)
        return garden

    def _garden(self, slug: str) -> _Garden:
        """A garden's plan and parts; read and parsed once for each version."""
        garden = self._held.get(self.version(slug))
        if garden is not None:
            return garden
        with self.database.reading() as session:
            row = row_of(session, slug)
            head = _head(session, row)
            garden = self._held.get(head.version)
            if garden is not None:
                return garden
            parts = read(session, row)
        garden = _Garden(head, self._usable(parts), parts)
        self._held.put(garden)
        return garden

    def _usable(self, parts: Parts) -> p.Plan:
        return usable_plan(put_together(parts), self._book)


class _Held:
    """The gardens last read or written, by version: no two states ever share one."""

    def __init__(self) -> None:
        self._by_version: OrderedDict[int, _Garden] = OrderedDict()
        self._lock = threading.Lock()

    def get(self, version: int) -> _Garden | None:
        with self._lock:
            return self._by_version.get(version)

    def put(self, garden: _Garden) -> None:
        with self._lock:
            self._by_version[garden.head.version] = garden
            while len(self._by_version) > _PLANS_HELD:
                self._by_version.popitem(last=False)


def _kept() -> SelectOfScalar[GardenRow]:
    return select(GardenRow).where(col(GardenRow.removed_at).is_(None))


def row_of(session: Session, slug: str, *, unread: bool = False) -> GardenRow:
    """The row of a garden that is kept, its document read only when it is asked for where it may
    stay `unread`. Raises `UnknownGardenError`."""
    asked = _kept().where(GardenRow.slug == slug)
    if unread:
        asked = asked.options(defer(_DOCUMENT))
    row = session.exec(asked).first()
    if row is None:
        raise UnknownGardenError(slug)
    return row


def _row_at(session: Session, slug: str, version: int) -> GardenRow:
    """The row of a garden to be written over. What it holds is known by its version and not read
    again.

    Raises:
        UnknownGardenError: No such garden.
        ChangedElsewhereError: It has another version by now.
    """
    row = row_of(session, slug, unread=True)
    if row.version != version:
        raise ChangedElsewhereError(slug, row.version)
    return row


def _removed_row(session: Session, slug: str) -> GardenRow:
    gone = col(GardenRow.removed_at).is_not(None)
    row = session.exec(select(GardenRow).where(GardenRow.slug == slug, gone)).first()
    if row is None:
        raise UnknownGardenError(slug)
    return row


def _removed(row: GardenRow) -> Removed:
    at = (row.removed_at or datetime.now(UTC)).replace(tzinfo=UTC)
    until = at + timedelta(days=DAYS_IN_BIN)
    return Removed(row.slug, row.name, row.version, removed_at=at, until=until)


def _revision(session: Session, row: GardenRow, number: int) -> RevisionRow | None:
    return session.exec(
        select(RevisionRow).where(RevisionRow.garden_pk == pk_of(row), RevisionRow.number == number)
    ).first()


def _head(session: Session, row: GardenRow) -> Head:
    near = select(RevisionRow.number, RevisionRow.label).where(
        RevisionRow.garden_pk == pk_of(row), col(RevisionRow.number).in_([row.head, row.head + 1])
    )
    labels = dict(session.exec(near).all())
    return Head(
        slug=row.slug,
        name=row.name,
        version=row.version,
        undo_label=labels.get(row.head),
        redo_label=labels.get(row.head + 1),
    )


def _forget_redo(session: Session, row: GardenRow) -> None:
    ahead = (col(RevisionRow.garden_pk) == pk_of(row)) & (col(RevisionRow.number) > row.head)
    session.exec(delete(RevisionRow).where(ahead))
