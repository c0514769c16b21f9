"""Parts of each garden's record beside its entries: kept once by their id, deleted and put back."""

import contextlib
import json
from collections.abc import Iterable
from datetime import UTC, date, datetime
from typing import Any, Generic, TypeVar

from sqlalchemy import ColumnElement, String, cast
from sqlmodel import Session, col, select

from ample_rows.core import plan as p
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.plan.reading import PlanFaultsError, validated
from ample_rows.core.plan.values import PlanValue
from ample_rows.core.record.entries import GardenRecord
from ample_rows.core.record.parts import Photo, SeedlingLot, Trial, WeatherSeen
from ample_rows.store.database import Database
from ample_rows.store.gardens import row_of
from ample_rows.store.rows import pk_of
from ample_rows.store.tables import GardenRow, RecordPartRow

Part = TypeVar("Part", bound=PlanValue)


class RecordParts(Generic[Part]):
    """The parts of one kind of all gardens of one database."""

    def __init__(self, database: Database, kind: str, model: type[Part]) -> None:
        self._database = database
        self._kind = kind
        self._model = model

    def every(
        self, slug: str, *, since: date | None = None, until: date | None = None
    ) -> list[Part]:
        """Parts that stand, the newest day first. What this version cannot use stays kept and is
        not among them.

        Raises:
            UnknownGardenError: No such garden.
        """
        with self._database.reading() as session:
            found = select(RecordPartRow).where(
                self._mine(row_of(session, slug)) & col(RecordPartRow.removed_at).is_(None)
            )
            if since is not None:
                found = found.where(col(RecordPartRow.day) >= since)
            if until is not None:
                found = found.where(col(RecordPartRow.day) <= until)
            newest = (col(RecordPartRow.day).desc(), col(RecordPartRow.pk).desc())
            rows = session.exec(found.order_by(*newest)).all()
        return [part for row in rows if (part := self._read(row)) is not None]

    def one(self, slug: str, ident: str) -> Part:
        """One that stands.

        Raises:
            UnknownPartError: There is none.
        """
        with self._database.reading() as session:
            row = self._found(session, row_of(session, slug), ident)
            part = self._read(row) if row is not None and row.removed_at is None else None
        if part is None:
            raise UnknownPartError(kind=self._kind, ident=ident)
        return part

    def text(self, slug: str, ident: str) -> str | None:
        """The document of one that stands, as it is kept; None where there is none."""
        with self._database.reading() as session:
            mine = self._mine(row_of(session, slug)) & (col(RecordPartRow.ident) == ident)
            standing = mine & col(RecordPartRow.removed_at).is_(None)
            asked = select(cast(col(RecordPartRow.document), String)).where(standing)
            return session.exec(asked).first()

    def keep(self, slug: str, part: Part, *, ident: str, day: date) -> bool:
        """Keep a part, or what it was changed to; sent again it is kept once.

        Returns:
            Whether it is new.
        """
        with self._database.writing() as session:
            garden = row_of(session, slug)
            row = self._found(session, garden, ident)
            session.add(self._written(row, garden, part, ident, day))
            return row is None

    def keep_all(self, slug: str, parts: Iterable[tuple[Part, str, date]]) -> None:
        """Keep some parts with their ids and days, all of them or none."""
        with self._database.writing() as session:
            garden = row_of(session, slug)
            for part, ident, day in parts:
                row = self._found(session, garden, ident)
                session.add(self._written(row, garden, part, ident, day))
                session.flush()

    def remove(self, slug: str, ident: str) -> None:
        """Take a part out; it can be put back. Raises `UnknownPartError`."""
        self._mark(slug, ident, datetime.now(UTC))

    def put_back(self, slug: str, ident: str) -> Part:
        """Put back a part that was taken out. Raises `UnknownPartError`."""
        self._mark(slug, ident, None)
        return self.one(slug, ident)

    def _mark(self, slug: str, ident: str, removed_at: datetime | None) -> None:
        with self._database.writing() as session:
            row = self._found(session, row_of(session, slug), ident)
            if row is None:
                raise UnknownPartError(kind=self._kind, ident=ident)
            row.removed_at = removed_at
            session.add(row)

    def _mine(self, garden: GardenRow) -> ColumnElement[bool]:
        return (col(RecordPartRow.garden_pk) == pk_of(garden)) & (
            col(RecordPartRow.kind) == self._kind
        )

    def _found(self, session: Session, garden: GardenRow, ident: str) -> RecordPartRow | None:
        mine = self._mine(garden) & (col(RecordPartRow.ident) == ident)
        return session.exec(select(RecordPartRow).where(mine)).first()

    def _written(
        self, before: RecordPartRow | None, garden: GardenRow, part: Part, ident: str, day: date
    ) -> RecordPartRow:
        row = before or RecordPartRow(
            garden_pk=pk_of(garden), kind=self._kind, ident=ident, day=day, document={}
        )
        row.day, row.document, row.removed_at = day, p.document(part), None
        return row

    def _read(self, row: RecordPartRow) -> Part | None:
        try:
            return validated(json.dumps(row.document), self._model)
        except PlanFaultsError:
            return None


def keep_documents(database: Database, slug: str, found: Iterable[dict[str, Any]]) -> None:
    """Keep parts of any kind as documents, each with its kind, id and day, as a salvage has them;
    what lacks one of these is left."""
    with database.writing() as session:
        garden = row_of(session, slug)
        for each in found:
            with contextlib.suppress(KeyError, TypeError, ValueError):
                session.add(
                    RecordPartRow(
                        garden_pk=pk_of(garden),
                        kind=str(each["kind"]),
                        ident=str(each["ident"]),
                        day=date.fromisoformat(each["day"]),
                        document=dict(each["part"]),
                    )
                )


def weather_days(database: Database) -> RecordParts[WeatherSeen]:
    return RecordParts(database, "weather", WeatherSeen)


def seedling_lots(database: Database) -> RecordParts[SeedlingLot]:
    return RecordParts(database, "seedlings", SeedlingLot)


def trials(database: Database) -> RecordParts[Trial]:
    return RecordParts(database, "trial", Trial)


def photos(database: Database) -> RecordParts[Photo]:
    return RecordParts(database, "photo", Photo)


def with_parts(database: Database, slug: str, record: GardenRecord) -> GardenRecord:
    """A record with all its other parts, each kind where there is one."""
    parts = {
        "weather": tuple(weather_days(database).every(slug)),
        "seedlings": tuple(seedling_lots(database).every(slug)),
        "trials": tuple(trials(database).every(slug)),
        "photos": tuple(photos(database).every(slug)),
    }
    return record.model_copy(update={kind: found for kind, found in parts.items() if found})


def keep_parts(database: Database, slug: str, record: GardenRecord) -> None:
    """Keep the other parts of a record but its photos, whose pictures are files."""
    weather_days(database).keep_all(slug, ((w, w.id, w.day) for w in record.weather))
    seedling_lots(database).keep_all(slug, ((lot, lot.id, lot.day) for lot in record.seedlings))
    trials(database).keep_all(slug, ((trial, trial.id, trial.day) for trial in record.trials))
