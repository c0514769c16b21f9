"""Copies of the whole file, made by SQLite's own online backup, each opened and checked."""

import contextlib
import os
import re
import sqlite3
import threading
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from pathlib import Path

from ample_rows.store.errors import StoreError, UnknownBackupError, of_database, storage_error
from ample_rows.store.folder import own_file, prepare_folder

DAYS, WEEKS, MONTHS, NEWEST = 7, 4, 12, 3
_NAME = re.compile(r"gardens-(\d{8}T\d{6})(?:-(\d+))?(?:-([a-z-]+))?\.sqlite")
_STAMP = "%Y%m%dT%H%M%S"


@dataclass(frozen=True)
class Backup:
    """One copy: its file's name, when it was made, what for, and its size."""

    name: str
    made_at: datetime
    reason: str
    bytes: int

    @property
    def turn(self) -> int:
        """Which one it is of those made in the same second."""
        match = _NAME.fullmatch(self.name)
        return int((match and match[2]) or 1)


@dataclass(frozen=True)
class KeptGarden:
    """A garden as a backup holds it."""

    slug: str
    name: str
    version: int


class Backups:
    """The backups of one database file, in a folder of their own."""

    def __init__(self, folder: Path, source: Path) -> None:
        self.folder = folder
        self._source = source
        self._lock = threading.Lock()

    def every(self) -> list[Backup]:
        """Every backup, the newest first."""
        backups = [_named(path) for path in self.folder.glob("gardens-*.sqlite")]
        return _newest_first(b for b in backups if b)

    def make(self, reason: str) -> Backup:
        """Copy the file as it is, check the copy, and let the oldest go.

        Raises:
            StorageError: There is no room, or the copy is not sound.
        """
        with self._lock:
            prepare_folder(self.folder)
            target = self._free_name(reason)
            copy_checked(self._source, target)
            self._let_go()
        made = _named(target)
        if made is None:
            raise storage_error("other")
        return made

    def make_daily(self, now: datetime | None = None) -> Backup | None:
        """A backup when none is from the last day."""
        now = now or datetime.now(UTC)
        if any(now - backup.made_at < timedelta(days=1) for backup in self.every()):
            return None
        return self.make("daily")

    def path(self, name: str) -> Path:
        """Where a backup lies.

        Raises:
            UnknownBackupError: There is none of that name.
        """
        if name not in {backup.name for backup in self.every()}:
            raise UnknownBackupError(name)
        return self.folder / name

    def troubles(self) -> list[str]:
        """What is missing or damaged, in a sentence each."""
        backups = self.every()
        troubles = [
            f"The backup {backup.name} is damaged ({fault}); it cannot be restored whole."
            for backup in backups
            if (fault := fault_of(self.folder / backup.name))
        ]
        newest = backups[0].made_at if backups else None
        if newest is None and self._edited_before(datetime.now(UTC) - timedelta(days=2)):
            troubles.append(
                "There was no backup of these gardens. One is made each day from now on."
            )
        elif newest is not None and datetime.now(UTC) - newest > timedelta(days=WEEKS * 7):
            troubles.append(f"The newest backup was of {newest:%Y-%m-%d}. One is made now.")
        return troubles

    def _edited_before(self, day: datetime) -> bool:
        """Whether the gardens are older than a day; false where that cannot be read."""
        try:
            with opened(self._source) as connection:
                first = connection.execute("SELECT min(made_at) FROM revisions").fetchone()[0]
        except sqlite3.Error:
            return False
        return first is not None and str(first) < f"{day:%Y-%m-%d %H:%M:%S}"

    def _free_name(self, reason: str) -> Path:
        now = datetime.now(UTC).replace(microsecond=0)
        # Beyond the last of this second, not the first gap: a name let go is not newer again.
        turn = 1 + max((b.turn for b in self.every() if b.made_at == now), default=0)
        which = f"-{turn}" if turn > 1 else ""
        return self.folder / f"gardens-{now:{_STAMP}}{which}-{reason}.sqlite"

    def _let_go(self) -> None:
        """Remove what is older than the ages kept, and what was left unfinished."""
        made = self.every()
        keep = {backup.name for backup in kept_by_age(made)}
        for backup in made:
            if backup.name not in keep:
                (self.folder / backup.name).unlink(missing_ok=True)
        for part in self.folder.glob("*.part*"):
            with contextlib.suppress(OSError):
                part.unlink()


def kept_by_age(backups: Iterable[Backup]) -> list[Backup]:
    """The newest few, and the newest of each of the last days, weeks and months that have one."""
    newest_first = _newest_first(backups)
    keep: dict[str, Backup] = {b.name: b for b in newest_first[:NEWEST]}
    spans = ((DAYS, "%Y-%m-%d"), (WEEKS, "%G-%V"), (MONTHS, "%Y-%m"))
    for most, span in spans:
        first: dict[str, Backup] = {}
        for backup in newest_first:
            first.setdefault(backup.made_at.strftime(span), backup)
        keep |= {b.name: b for b in list(first.values())[:most]}
    return [b for b in newest_first if b.name in keep]


def _newest_first(backups: Iterable[Backup]) -> list[Backup]:
    return sorted(backups, key=lambda b: (b.made_at, b.turn, b.name), reverse=True)


def copy_checked(source: Path, target: Path) -> None:
    """Copy a database while it may be in use; the target is there whole and sound, or not at all.

    Raises:
        StorageError: There is no room, the source cannot be read, or the copy is not sound.
    """
    part = target.with_name(f"{target.name}.part")
    try:
        with (
            contextlib.closing(sqlite3.connect(_uri(source, "rw"), uri=True)) as original,
            contextlib.closing(sqlite3.connect(part)) as copy,
        ):
            original.backup(copy)
            copy.execute("PRAGMA journal_mode=DELETE")
        own_file(part)
        fault = fault_of(part)
        if fault is not None:
            raise storage_error("damaged")
        with part.open("rb+") as file:
            os.fsync(file.fileno())
        part.replace(target)
    except sqlite3.Error as error:
        raise of_database(error) from error
    finally:
        part.unlink(missing_ok=True)


def _uri(path: Path, mode: str) -> str:
    return f"{path.resolve().as_uri()}?mode={mode}"


def fault_of(path: Path) -> str | None:
    """What is wrong with a backup; None where it opens and is sound."""
    try:
        with opened(path, at_rest=True) as connection:
            connection.execute("SELECT count(*) FROM gardens").fetchone()
            answer = connection.execute("PRAGMA integrity_check(1)").fetchone()
    except (sqlite3.Error, OSError) as error:
        return str(error)
    return None if answer[0] == "ok" else str(answer[0])


@contextlib.contextmanager
def opened(path: Path, *, at_rest: bool = False) -> Iterator[sqlite3.Connection]:
    """A file opened for reading alone, rows by name.

    Args:
        at_rest: Nothing else has it open: nothing is laid beside it, whatever kind of journal it
            was written with.
    """
    mode = "ro&immutable=1" if at_rest else "ro"
    with contextlib.closing(sqlite3.connect(_uri(path, mode), uri=True)) as connection:
        connection.row_factory = sqlite3.Row
        yield connection


def gardens_in(path: Path) -> list[KeptGarden]:
    """The gardens that a backup holds, those in its bin left out.

    Raises:
        StoreError: It is no file of ours, or cannot be read.
    """
    try:
        with opened(path) as connection:
            rows = connection.execute("SELECT * FROM gardens ORDER BY pk").fetchall()
    except sqlite3.Error as error:
        raise StoreError(f"{path} cannot be read as a backup ({error}).") from error
    return [
        KeptGarden(row["slug"], row["name"], row["version"])
        for row in rows
        if "removed_at" not in row.keys() or row["removed_at"] is None  # noqa: SIM118
    ]


def _named(path: Path) -> Backup | None:
    match = _NAME.fullmatch(path.name)
    if match is None:
        return None
    try:
        made_at = datetime.strptime(match[1], _STAMP).replace(tzinfo=UTC)
        size = path.stat().st_size
    except (ValueError, OSError):
        return None
    return Backup(path.name, made_at, (match[3] or "before-update"), size)
