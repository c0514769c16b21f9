"""The one door to SQLite: where the file lies, how it is opened, migrated and backed up."""

import contextlib
import sqlite3
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import event
from sqlalchemy.engine import Engine
from sqlmodel import Session, create_engine

FILE_NAME = "gardens.sqlite"
BACKUPS_KEPT = 10
MIGRATIONS = Path(__file__).parent / "migrations"
HEAD = "0001"


class StoreError(RuntimeError):
    """The data folder or file cannot be used; the message says what to do."""


class Database:
    """An open database, migrated to the newest schema."""

    def __init__(self, folder: Path) -> None:
        """Open or create the database of a folder.

        Raises:
            StoreError: The folder cannot be made or written, or the file is no database
                of ours or of a newer version.
        """
        self.folder = folder
        self.path = folder / FILE_NAME
        _prepare_folder(folder)
        self._migrate()
        self.engine = _engine(self.path)

    @contextlib.contextmanager
    def reading(self) -> Iterator[Session]:
        with Session(self.engine) as session:
            yield session

    @contextlib.contextmanager
    def writing(self) -> Iterator[Session]:
        """One transaction that holds the write lock from its first statement."""
        with Session(self.engine) as session:
            session.connection().exec_driver_sql("BEGIN IMMEDIATE")
            yield session
            session.commit()

    def close(self) -> None:
        self.engine.dispose()

    def _migrate(self) -> None:
        version = self._version()
        if version == HEAD:
            return
        if self._has_content():
            self._backup()
        # Alembic is slow to import, and needed only when something changes.
        from alembic import command
        from alembic.config import Config
        from alembic.util.exc import CommandError

        config = Config()
        config.set_main_option("script_location", str(MIGRATIONS).replace("%", "%%"))
        config.attributes["engine"] = engine = _engine(self.path)
        try:
            command.upgrade(config, HEAD)
        except CommandError as error:
            raise StoreError(
                f"{self.path} was written by a newer version of Ample Rows ({version}); "
                "start that version, or choose another folder with --data."
            ) from error
        finally:
            engine.dispose()

    def _version(self) -> str | None:
        """The schema's version, None for a new file."""
        if not self._has_content():
            return None
        try:
            with contextlib.closing(sqlite3.connect(self.path)) as connection:
                row = connection.execute("SELECT version_num FROM alembic_version").fetchone()
        except sqlite3.DatabaseError as error:
            raise StoreError(
                f"{self.path} is not a database of Ample Rows ({error}). It was left as it is; "
                "move it away, or choose another folder with --data."
            ) from error
        return str(row[0]) if row else None

    def _has_content(self) -> bool:
        return self.path.exists() and self.path.stat().st_size > 0

    def _backup(self) -> None:
        """Copy the file, whole, before its schema changes."""
        folder = self.folder / "backups"
        folder.mkdir(exist_ok=True)
        stamp = datetime.now(UTC).strftime("%Y%m%dT%H%M%S")
        target = folder / f"{self.path.stem}-{stamp}.sqlite"
        with (
            contextlib.closing(sqlite3.connect(self.path)) as source,
            contextlib.closing(sqlite3.connect(target)) as copy,
        ):
            source.backup(copy)
        for old in sorted(folder.glob("*.sqlite"))[:-BACKUPS_KEPT]:
            old.unlink()


def _prepare_folder(folder: Path) -> None:
    try:
        folder.mkdir(parents=True, exist_ok=True)
        probe = folder / ".writable"
        probe.touch()
        probe.unlink()
    except OSError as error:
        raise StoreError(
            f"The data folder {folder} cannot be written ({error.strerror}). "
            "Choose another with --data DIR, or mend its permissions."
        ) from error


def _engine(path: Path) -> Engine:
    engine = create_engine(f"sqlite:///{path}", connect_args={"timeout": 15})

    @event.listens_for(engine, "connect")
    def _on_connect(connection: sqlite3.Connection, _record: object) -> None:
        # Transactions are begun by hand, so that a write takes its lock at once.
        connection.isolation_level = None
        connection.execute("PRAGMA journal_mode=WAL")
        connection.execute("PRAGMA foreign_keys=ON")
        connection.execute("PRAGMA synchronous=FULL")

    return engine
