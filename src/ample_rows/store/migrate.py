"""From any database that an earlier version wrote to the newest schema, whole or not at all."""

import contextlib
import sqlite3
from collections.abc import Callable
from pathlib import Path

from sqlalchemy.engine import Engine

from ample_rows.store.backups import Backups
from ample_rows.store.errors import StorageError, StoreError

MIGRATIONS = Path(__file__).parent / "migrations"
SCHEMAS = ("0001", "0002", "0003", "0004", "0005", "0006")
NEWEST = SCHEMAS[-1]


def migrate(path: Path, backups: Backups, engine: Callable[[], Engine]) -> None:
    """Bring a file to the newest schema, in one transaction, after a backup.

    Raises:
        StoreError: It is no database of ours, of a newer version, or could not be changed; it is
            as it was.
    """
    version = schema_of(path)
    if version == NEWEST:
        return
    if version is not None and version not in SCHEMAS:
        raise StoreError(
            f"{path} was written by a newer version of Ample Rows ({version}). It was left as it "
            "is; start that version, or choose another folder with --data DIR."
        )
    if version is not None:
        _back_up(path, backups)
    # Alembic is slow to import, and needed only when something changes.
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS).replace("%", "%%"))
    config.attributes["engine"] = made = engine()
    try:
        command.upgrade(config, NEWEST)
    except Exception as error:
        raise StoreError(
            f"{path} could not be brought to this version ({error}). It is as it was"
            + (f", and a copy of it lies in {backups.folder}." if version else ".")
        ) from error
    finally:
        made.dispose()


def _back_up(path: Path, backups: Backups) -> None:
    try:
        backups.make("before-update")
    except (StorageError, OSError) as error:
        raise StoreError(
            f"{path} is of an earlier version and has to be brought to this one, but no backup "
            f"could be made before that ({error}). It was left as it is."
        ) from error


def schema_of(path: Path) -> str | None:
    """The schema's version; None for a file that is new, or was begun and never finished.

    Raises:
        StoreError: The file is no database of ours.
    """
    if not path.exists() or path.stat().st_size == 0:
        return None
    try:
        with contextlib.closing(sqlite3.connect(path)) as connection:
            tables = {row[0] for row in connection.execute("SELECT name FROM sqlite_master")}
            if not tables:
                return None
            if "alembic_version" not in tables:
                raise _not_ours(path, "it holds other tables")
            row = connection.execute("SELECT version_num FROM alembic_version").fetchone()
            if row is None and tables != {"alembic_version"}:
                raise _not_ours(path, "it has tables, but no version")
    except sqlite3.DatabaseError as error:
        raise _not_ours(path, str(error)) from error
    return str(row[0]) if row else None


def _not_ours(path: Path, why: str) -> StoreError:
    return StoreError(
        f"{path} is not a database of Ample Rows, or is damaged ({why}). It was left as it is; "
        "`./ample restore FILE` brings a backup in its place and keeps this file beside it, or "
        "choose another folder with --data DIR."
    )
