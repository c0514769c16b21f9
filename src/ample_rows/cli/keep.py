"""`backup`, `restore`, `salvage` and `doctor`: what is kept, from the command line."""

import contextlib
import sys
import zipfile
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

from ample_rows.cli.folders import base_folder
from ample_rows.cli.log import log_path, programs
from ample_rows.core.book import Book
from ample_rows.core.checks.sound import usable_plan
from ample_rows.core.errors import AmpleRowsError
from ample_rows.core.plan import Plan
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.entries import Entry, SeasonPlan, usable_entry
from ample_rows.crops import load_book
from ample_rows.store import Database, GardenStore, StorageError, StoreError, restore
from ample_rows.store.backups import Backups, copy_checked, gardens_in
from ample_rows.store.database import FILE_NAME, damage_of
from ample_rows.store.day_book import DayBook
from ample_rows.store.folder import only_owner, prepare_folder
from ample_rows.store.migrate import schema_of
from ample_rows.store.record_parts import keep_documents
from ample_rows.store.restore import replace_damaged
from ample_rows.store.salvage import Documents, readable_zip, salvaged_documents
from ample_rows.store.seasons import Seasons


def backup(file: Path | None, data: Path | None) -> int:
    """Copy all gardens, checked, to a file or among the folder's backups."""
    folder = base_folder(data)
    source = folder / FILE_NAME
    if not source.is_file():
        return _failed(f"There are no gardens in {folder} yet. Choose a folder with --data DIR.")
    if file is not None and file.exists():
        return _failed(f"{file} is there already and was left as it is. Choose another name.")
    try:
        if file is None:
            backups = Backups(folder / "backups", source)
            file = backups.folder / backups.make("asked").name
        else:
            copy_checked(source, file)
    except (StorageError, StoreError, OSError) as error:
        return _failed(f"No backup was made. {error}")
    print(f"Backed up {_counted(len(gardens_in(file)))} to {file}")
    return 0


def restored(file: Path, data: Path | None) -> int:
    """Bring back every garden of a backup or of what was salvaged, beside those that are there."""
    if not file.is_file():
        return _failed(f"There is no file {file}.")
    folder = base_folder(data)
    try:
        salvaged = _salvaged(file)
        if salvaged is None:
            gardens_in(file)
        moved = _out_of_the_way(folder)
        database = Database(folder)
        store = GardenStore(database, load_book())
        slugs = restore(database, file) if salvaged is None else _kept(store, salvaged)
        heads = [store.head(slug) for slug in slugs]
        database.close()
    except (AmpleRowsError, OSError) as error:
        return _failed(f"Nothing was restored. {error}")
    if moved is not None:
        print(f"The damaged file was kept as {moved}")
    for head in heads:
        print(f"Restored {head.name} at /gardens/{head.slug}")
    if not heads:
        print("The backup holds no gardens.")
    return 0


@dataclass(frozen=True)
class _Garden:
    """A garden of an archive, what cannot be used of it set aside."""

    plan: Plan
    entries: tuple[Entry, ...]
    seasons: tuple[SeasonPlan, ...]
    parts: Documents


def _salvaged(file: Path) -> list[_Garden] | None:
    """The gardens of an archive that `salvage` wrote; None where a file is none."""
    if not zipfile.is_zipfile(file):
        return None
    book = load_book()
    return [
        _Garden(
            usable_plan(found.plan, book),
            tuple(_usable(found.entries)),
            tuple(_seasons(found.seasons, book)),
            found.parts,
        )
        for found in salvaged_documents(file)
    ]


def _usable(entries: Documents) -> Iterator[Entry]:
    """Entries but for those that say neither which nor of when they are."""
    for entry in entries:
        with contextlib.suppress(PlanFaultsError):
            yield usable_entry(entry)


def _seasons(documents: Documents, book: Book) -> Iterator[SeasonPlan]:
    for document in documents:
        if isinstance(document.get("id"), str) and isinstance(document.get("plan"), dict):
            yield SeasonPlan(id=document["id"], plan=usable_plan(document["plan"], book))


def _kept(store: GardenStore, salvaged: list[_Garden]) -> list[str]:
    slugs = list(store.create_all(garden.plan for garden in salvaged))
    for slug, garden in zip(slugs, salvaged, strict=True):
        DayBook(store.database).keep_all(slug, garden.entries)
        Seasons(store.database, load_book()).keep_all(slug, garden.seasons)
        keep_documents(store.database, slug, garden.parts)
    return slugs


def _out_of_the_way(folder: Path) -> Path | None:
    """Move a file that cannot be used aside; raises `StoreError` while a server holds it."""
    path = folder / FILE_NAME
    if not path.is_file() or path.stat().st_size == 0:
        return None
    try:
        schema_of(path)
        sound = damage_of(path, quick=True) is None
    except StoreError:
        sound = False
    if sound:
        return None
    prepare_folder(folder)
    with only_owner(folder) as alone:
        if not alone:
            raise StoreError("Stop Ample Rows first: it still holds the damaged file.")
        return replace_damaged(folder)


def salvage(file: Path, data: Path | None) -> int:
    """Write every garden that can still be read to an archive of plan documents."""
    source = base_folder(data) / FILE_NAME
    if not source.is_file():
        return _failed(f"There is no file {source}.")
    if file.exists():
        return _failed(f"{file} is there already and was left as it is. Choose another name.")
    file.write_bytes(readable_zip(source))
    print(f"Wrote what can be read of {source} to {file}")
    return 0


def doctor(data: Path | None) -> int:
    """Say what is kept where, and whether it is sound; nothing is changed."""
    folder = base_folder(data)
    path = folder / FILE_NAME
    print(programs())
    print(f"Crop book {load_book().digest}")
    print(f"Data folder {folder}")
    if not path.is_file():
        print("No gardens yet.")
        return 0
    damage = damage_of(path)
    print(f"Gardens file {path.stat().st_size:,} bytes: {damage or 'sound'}")
    backups = Backups(folder / "backups", path)
    every, troubles = backups.every(), backups.troubles()
    newest = f"the newest {every[0].made_at:%Y-%m-%d %H:%M} UTC" if every else "none yet"
    print(f"Backups {len(every)}, {newest}")
    for trouble in troubles:
        print(trouble)
    if damage is None:
        try:
            print(f"Schema {schema_of(path)}, {_counted(len(gardens_in(path)))}")
        except StoreError as error:
            return _failed(str(error))
    print(f"Log {log_path(folder)}")
    return 1 if damage or troubles else 0


def _counted(gardens: int) -> str:
    return f"{gardens} garden" if gardens == 1 else f"{gardens} gardens"


def _failed(words: str) -> int:
    print(words, file=sys.stderr)
    return 1
