"""The one door to SQLite: how the file is opened, read as one snapshot, and written.

The file keeps a rollback journal, not a write-ahead log: at rest all of it is in the one
file, so that a copy of that file is a copy of the gardens.
"""

import contextlib
import sqlite3
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import event
from sqlalchemy.engine import Engine
from sqlalchemy.exc import DBAPIError
from sqlmodel import Session, create_engine

from ample_rows.store.backups import Backups
from ample_rows.store.errors import StorageError, of_database, storage_error
from ample_rows.store.folder import OWNER_FILE, own_file, prepare_folder
from ample_rows.store.migrate import migrate
from ample_rows.store.read_entries import ReadEntries
from ample_rows.store.rows import leave_versions_behind

FILE_NAME = "gardens.sqlite"
BUSY_S = 10.0


class Database:
    """An open database, migrated to the newest schema."""

    def __init__(self, folder: Path, *, busy_s: float = BUSY_S) -> None:
        """Open or create the database of a folder.

        Args:
            busy_s: How long a statement waits for another program's. [s]

        Raises:
            StoreError: The folder cannot be made or written, or the file is no database
                of ours or of a newer version.
        """
        self.folder = folder
        self.path = folder / FILE_NAME
        prepare_folder(folder)
        self.backups = Backups(folder / "backups", self.path)
        self.damage: str | None = None
        self.entries = ReadEntries()
        # Made before it is opened: what SQLite lays beside it takes its permissions.
        if not self.path.exists():
            self.path.touch(mode=OWNER_FILE)
        own_file(self.path)
        migrate(self.path, self.backups, lambda: _engine(self.path, busy_s))
        self.engine = _engine(self.path, busy_s)
        # A file that cannot be written now can still be read; writing it will say why it cannot.
        with contextlib.suppress(StorageError), self.writing() as session:
            leave_versions_behind(session, datetime.now(UTC))

    @contextlib.contextmanager
    def reading(self) -> Iterator[Session]:
        """One transaction for all that is read, so that it is one state of the file.

        Raises:
            StorageError: The file could not be read.
        """
        with _told(), Session(self.engine) as session:
            session.connection().exec_driver_sql("BEGIN")
            yield session

    @contextlib.contextmanager
    def writing(self) -> Iterator[Session]:
        """One transaction that holds the write lock from its first statement.

        Raises:
            StorageError: The file could not be written; it is as it was before.
        """
        if self.damage is not None:
            raise storage_error("damaged")
        with _told(), Session(self.engine) as session:
            session.connection().exec_driver_sql("BEGIN IMMEDIATE")
            yield session
            session.commit()

    def check(self, *, quick: bool = False) -> str | None:
        """What is wrong with the file, None where it is sound; a damaged one is not written to.

        Args:
            quick: Leave out the comparing of indexes with their tables.
        """
        self.damage = damage_of(self.path, quick=quick)
        return self.damage

    def close(self) -> None:
        self.engine.dispose()


def damage_of(path: Path, *, quick: bool = False) -> str | None:
    """What SQLite finds wrong with a file; None where it is sound."""
    pragma = "PRAGMA quick_check(1)" if quick else "PRAGMA integrity_check(1)"
    try:
        with contextlib.closing(sqlite3.connect(path, timeout=BUSY_S)) as connection:
            answer = connection.execute(pragma).fetchone()
    except sqlite3.OperationalError as error:
        # A file that is busy or out of reach is not a damaged one.
        return None if of_database(error).kind in ("locked", "read-only") else str(error)
    except sqlite3.DatabaseError as error:
        return str(error)
    return None if answer == ("ok",) else str(answer[0])


@contextlib.contextmanager
def _told() -> Iterator[None]:
    try:
        yield
    except (DBAPIError, sqlite3.Error) as error:
        raise of_database(error) from error


def _engine(path: Path, busy_s: float) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": busy_s})

    @event.listens_for(engine, "connect")
    def _on_connect(connection: sqlite3.Connection, _record: object) -> None:
        # Transactions are begun by hand, so that a write takes its lock at once.
        connection.isolation_level = None
        # An older version may still hold the file open with its log; it is turned when it is free.
        with contextlib.suppress(sqlite3.OperationalError):
            connection.execute("PRAGMA journal_mode=TRUNCATE")
        connection.execute("PRAGMA foreign_keys=ON")
        connection.execute("PRAGMA synchronous=FULL")
        connection.execute("PRAGMA fullfsync=ON")

    return engine
