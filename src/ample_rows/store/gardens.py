"""Gardens kept: created, read, edited, undone and redone.

`version` rises with every change, undo and redo included, and tells two browser tabs
apart; `head` is the revision that the garden stands at.
"""

import json
import re
from dataclasses import dataclass
from datetime import UTC, date, datetime
from typing import TypeVar

from sqlalchemy import delete
from sqlmodel import Session, col, select

from ample_rows.core import plan as p
from ample_rows.core.edits import Edit, ReplacePlan, apply_edit, describe
from ample_rows.core.faults import read_plan, require_sound
from ample_rows.core.reference import Book
from ample_rows.store.database import Database
from ample_rows.store.parts import (
    Change,
    Document,
    Parts,
    Placed,
    changes_between,
    put_together,
    take_apart,
    with_change,
)
from ample_rows.store.tables import GardenRow, PlaceRow, PlantingRow, RevisionRow, SupportRow

Part = TypeVar("Part", PlaceRow, PlantingRow)


class UnknownGardenError(LookupError):
    """No garden of that name is kept here."""

    def __init__(self, slug: str) -> None:
        super().__init__(f'There is no garden "{slug}" here; it may have been removed.')


class ConflictError(RuntimeError):
    """The garden was changed since the caller last saw it."""

    def __init__(self, slug: str, version: int) -> None:
        super().__init__("This garden was changed elsewhere since you last saw it.")
        self.slug, self.version = slug, version


class NothingToDoError(RuntimeError):
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
class Stored:
    """A garden as it is kept; after a change also the plan before it."""

    head: Head
    plan: p.Plan
    before: p.Plan | None = None


class GardenStore:
    """All gardens of one database. The book decides what a sound plan is."""

    def __init__(self, database: Database, book: Book) -> None:
        self._database = database
        self._book = book
        self._known: dict[str, _Known] = {}

    def list(self) -> list[Head]:
        """Every garden, in the order they were made."""
        with self._database.reading() as session:
            rows = session.exec(select(GardenRow).order_by(col(GardenRow.pk))).all()
            return [_head(session, row) for row in rows]

    def create(self, plan: p.Plan) -> str:
        """Keep a new garden; returns its slug, made from the name."""
        require_sound(plan, self._book)
        with self._database.writing() as session:
            slug = _free_slug(session, plan.garden.name)
            row = GardenRow(slug=slug, name=plan.garden.name, document={})
            session.add(row)
            session.flush()
            parts = take_apart(p.document(plan), None)
            _write(session, row, Parts({}, {}, {}), parts)
        return slug

    def remove(self, slug: str) -> None:
        with self._database.writing() as session:
            session.delete(_row(session, slug))
        self._known.pop(slug, None)

    def load(self, slug: str) -> Stored:
        """A garden with its plan.

        Raises:
            UnknownGardenError: No such garden.
        """
        with self._database.reading() as session:
            row = _row(session, slug)
            return Stored(_head(session, row), self._kept(session, row).plan)

    def edit(self, slug: str, version: int, edit: Edit) -> Stored:
        """Make one edit on the version that the caller has seen.

        Raises:
            UnknownGardenError: No such garden.
            ConflictError: The garden has changed since.
            PlanFaultsError: The result would be no sound plan; nothing was changed.
        """
        with self._database.writing() as session:
            row = _row(session, slug)
            if row.version != version:
                raise ConflictError(slug, row.version)
            old = self._kept(session, row)
            plan = apply_edit(old.plan, edit)
            require_sound(plan, self._book)
            fresh_order = isinstance(edit, ReplacePlan)
            new = take_apart(p.document(plan), None if fresh_order else old.parts)
            before, after = changes_between(old.parts, new)
            _forget_redo(session, row)
            row.head += 1
            session.add(
                RevisionRow(
                    garden_pk=_pk(row),
                    number=row.head,
                    label=describe(edit, old.plan),
                    made_at=datetime.now(UTC),
                    before=before,
                    after=after,
                )
            )
            _write(session, row, old.parts, new)
            stored = Stored(_head(session, row), plan, old.plan)
        self._known[slug] = _Known(stored.head.version, plan, new)
        return stored

    def undo(self, slug: str, version: int) -> Stored:
        """Take back the last edit. Raises `NothingToDoError` at the beginning."""
        return self._step(slug, version, forward=False)

    def redo(self, slug: str, version: int) -> Stored:
        """Make the edit last taken back again. Raises `NothingToDoError` at the end."""
        return self._step(slug, version, forward=True)

    def _step(self, slug: str, version: int, *, forward: bool) -> Stored:
        with self._database.writing() as session:
            row = _row(session, slug)
            if row.version != version:
                raise ConflictError(slug, row.version)
            revision = _revision(session, row, row.head + 1 if forward else row.head)
            if revision is None:
                raise NothingToDoError("Nothing to redo." if forward else "Nothing to undo.")
            old = self._kept(session, row)
            change: Change = revision.after if forward else revision.before
            new = with_change(old.parts, change)
            plan = self._parsed(new)
            row.head += 1 if forward else -1
            _write(session, row, old.parts, new)
            stored = Stored(_head(session, row), plan, old.plan)
        self._known[slug] = _Known(stored.head.version, plan, new)
        return stored

    def _kept(self, session: Session, row: GardenRow) -> "_Known":
        """A row's plan and parts; read and parsed once for each version."""
        known = self._known.get(row.slug)
        if known is None or known.version != row.version:
            parts = _read(session, row)
            known = _Known(row.version, self._parsed(parts), parts)
            self._known[row.slug] = known
        return known

    def _parsed(self, parts: Parts) -> p.Plan:
        return read_plan(json.dumps(put_together(parts)), self._book)


@dataclass(frozen=True)
class _Known:
    """A garden as it was last read or written."""

    version: int
    plan: p.Plan
    parts: Parts


def _pk(row: GardenRow | PlaceRow) -> int:
    if row.pk is None:
        raise RuntimeError("a row was used before it was written")
    return row.pk


def _row(session: Session, slug: str) -> GardenRow:
    row = session.exec(select(GardenRow).where(GardenRow.slug == slug)).first()
    if row is None:
        raise UnknownGardenError(slug)
    return row


def _revision(session: Session, row: GardenRow, number: int) -> RevisionRow | None:
    return session.exec(
        select(RevisionRow).where(RevisionRow.garden_pk == _pk(row), RevisionRow.number == number)
    ).first()


def _head(session: Session, row: GardenRow) -> Head:
    near = select(RevisionRow.number, RevisionRow.label).where(
        RevisionRow.garden_pk == _pk(row), col(RevisionRow.number).in_([row.head, row.head + 1])
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
    ahead = (col(RevisionRow.garden_pk) == _pk(row)) & (col(RevisionRow.number) > row.head)
    session.exec(delete(RevisionRow).where(ahead))


def _free_slug(session: Session, name: str) -> str:
    base = re.sub(r"[^a-z0-9]+", "-", name.lower()).strip("-")[:48] or "garden"
    taken = set(session.exec(select(GardenRow.slug)).all())
    number, slug = 1, base
    while slug in taken:
        number += 1
        slug = f"{base}-{number}"
    return slug


def _read(session: Session, row: GardenRow) -> Parts:
    places: dict[str, Placed] = {}
    by_pk: dict[int, Document] = {}
    for place in session.exec(select(PlaceRow).where(PlaceRow.garden_pk == _pk(row))):
        document = dict(place.document)
        places[place.ident] = (place.ordinal, document)
        by_pk[_pk(place)] = document
    supports = select(SupportRow).join(PlaceRow).where(PlaceRow.garden_pk == _pk(row))
    for support in session.exec(supports.order_by(col(SupportRow.ordinal))):
        document = by_pk[support.place_pk]
        document["supports"] = [*document.get("supports", []), support.document]
    plantings = session.exec(select(PlantingRow).where(PlantingRow.garden_pk == _pk(row)))
    return Parts(
        rest=row.document,
        places=places,
        plantings={g.ident: (g.ordinal, g.document) for g in plantings},
    )


def _write(session: Session, row: GardenRow, old: Parts, new: Parts) -> None:
    """Bring the rows from one set of parts to another, touching only what differs."""
    row.version += 1
    row.document = new.rest
    row.name = new.rest["garden"]["name"]
    gone = [i for i in old.plantings if i not in new.plantings]
    _delete(session, PlantingRow, row, gone)
    _delete(session, PlaceRow, row, [i for i in old.places if i not in new.places])
    changed_places = [i for i, placed in new.places.items() if old.places.get(i) != placed]
    changed = [i for i, placed in new.plantings.items() if old.plantings.get(i) != placed]
    standing = {new.plantings[i][1]["place"] for i in changed}
    place_rows = _rows(session, PlaceRow, row, {*changed_places, *standing})
    for ident in changed_places:
        kept_place = place_rows.get(ident)
        place_rows[ident] = _write_place(session, row, kept_place, new.places[ident])
    planting_rows = _rows(session, PlantingRow, row, set(changed))
    for ident in changed:
        document = new.plantings[ident][1]
        place_pk = _pk(place_rows[document["place"]])
        kept = planting_rows.get(ident)
        session.add(_planting_row(row, place_pk, kept, new.plantings[ident]))
    session.flush()


def _rows(
    session: Session, table: type[Part], garden: GardenRow, idents: set[str]
) -> dict[str, Part]:
    """The rows of some parts, by id."""
    if not idents:
        return {}
    mine = (col(table.garden_pk) == _pk(garden)) & col(table.ident).in_(idents)
    return {row.ident: row for row in session.exec(select(table).where(mine))}


def _planting_row(
    garden: GardenRow, place_pk: int, kept: PlantingRow | None, placed: Placed
) -> PlantingRow:
    ordinal, document = placed
    values = {
        "place_pk": place_pk,
        "ordinal": ordinal,
        "crop": document["crop"],
        "start_date": date.fromisoformat(document["start_date"]),
        "document": document,
    }
    if kept is None:
        return PlantingRow(garden_pk=_pk(garden), ident=document["id"], **values)
    for name, value in values.items():
        setattr(kept, name, value)
    return kept


def _write_place(
    session: Session, garden: GardenRow, kept: PlaceRow | None, placed: Placed
) -> PlaceRow:
    ordinal, document = placed
    row = kept or PlaceRow(
        garden_pk=_pk(garden), ident=document["id"], ordinal=0, kind="", document={}
    )
    supports = document.get("supports")
    own = {k: v for k, v in document.items() if k != "supports"}
    if supports is not None:
        own["supports"] = []
    row.ordinal, row.kind, row.document = ordinal, document["kind"], own
    session.add(row)
    session.flush()
    session.exec(delete(SupportRow).where(col(SupportRow.place_pk) == _pk(row)))
    for position, support in enumerate(supports or []):
        session.add(
            SupportRow(
                place_pk=_pk(row),
                ident=support["id"],
                ordinal=position,
                system=support["system"],
                document=support,
            )
        )
    return row


def _delete(
    session: Session,
    table: type[Part],
    garden: GardenRow,
    idents: list[str],
) -> None:
    if idents:
        mine = (col(table.garden_pk) == _pk(garden)) & col(table.ident).in_(idents)
        session.exec(delete(table).where(mine))
