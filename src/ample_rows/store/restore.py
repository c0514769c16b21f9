"""Gardens brought back from a backup, each whole with its history, beside what is there."""

import shutil
import tempfile
from pathlib import Path
from typing import TypeVar

from sqlmodel import Session, SQLModel, col, select

from ample_rows.store.backups import copy_checked
from ample_rows.store.database import FILE_NAME, Database
from ample_rows.store.errors import StorageError, StoreError
from ample_rows.store.rows import next_version, old_address, pk_of
from ample_rows.store.tables import (
    EntryRow,
    GardenRow,
    PlaceRow,
    PlantingRow,
    RecordPartRow,
    RevisionRow,
    SeasonRow,
    SupportRow,
)

Row = TypeVar("Row", bound=SQLModel)


def restore(database: Database, backup: Path, only: str | None = None) -> list[str]:
    """Bring back the gardens of a backup; returns their addresses here.

    Each comes to its own address, or where a garden has that now, to a new one: nothing that
    is there is changed.

    Args:
        only: The address in the backup of the one garden wanted; all where none is named.

    Raises:
        StoreError: The backup cannot be read, or has no such garden.
    """
    with tempfile.TemporaryDirectory(prefix=".restore-", dir=database.folder) as folder:
        try:
            copy_checked(backup, Path(folder) / FILE_NAME)
        except StorageError as error:
            raise StoreError(f"{backup} cannot be read as a backup: {error}") from error
        source = Database(Path(folder))
        try:
            return _copied(source, database, only)
        finally:
            source.close()


def _copied(source: Database, target: Database, only: str | None) -> list[str]:
    with source.reading() as old, target.writing() as new:
        wanted = select(GardenRow).where(col(GardenRow.removed_at).is_(None))
        if only is not None:
            wanted = wanted.where(GardenRow.slug == only)
        gardens = old.exec(wanted.order_by(col(GardenRow.pk))).all()
        if only is not None and not gardens:
            raise StoreError(f'The backup holds no garden "{only}".')
        return [_copy_garden(garden, old, new) for garden in gardens]


def _copy_garden(garden: GardenRow, old: Session, new: Session) -> str:
    row = _like(garden, slug=old_address(new, garden.slug), version=next_version(new))
    new.add(row)
    new.flush()
    places: dict[int, int] = {}
    for place in old.exec(select(PlaceRow).where(PlaceRow.garden_pk == garden.pk)):
        copied = _like(place, garden_pk=pk_of(row))
        new.add(copied)
        new.flush()
        places[pk_of(place)] = pk_of(copied)
    for support in old.exec(select(SupportRow).where(col(SupportRow.place_pk).in_(places))):
        new.add(_like(support, place_pk=places[support.place_pk]))
    for planting in old.exec(select(PlantingRow).where(PlantingRow.garden_pk == garden.pk)):
        new.add(_like(planting, garden_pk=pk_of(row), place_pk=places[planting.place_pk]))
    for revision in old.exec(select(RevisionRow).where(RevisionRow.garden_pk == garden.pk)):
        new.add(_like(revision, garden_pk=pk_of(row)))
    for entry in old.exec(select(EntryRow).where(EntryRow.garden_pk == garden.pk)):
        new.add(_like(entry, garden_pk=pk_of(row), written=0))
    for part in old.exec(select(RecordPartRow).where(RecordPartRow.garden_pk == garden.pk)):
        new.add(_like(part, garden_pk=pk_of(row)))
    for season in old.exec(select(SeasonRow).where(SeasonRow.garden_pk == garden.pk)):
        new.add(_like(season, garden_pk=pk_of(row)))
    new.flush()
    return row.slug


def _like(row: Row, **changes: object) -> Row:
    """A new row with the values of another, some of them changed."""
    values = row.model_dump(exclude={"pk"})
    return type(row)(**{**values, **changes})


def replace_damaged(folder: Path) -> Path | None:
    """Move a file that cannot be used out of the way, kept beside; returns where it lies now."""
    path = folder / FILE_NAME
    if not path.exists():
        return None
    number = 1
    while (aside := path.with_name(f"gardens-damaged-{number}.sqlite")).exists():
        number += 1
    for suffix in ("", "-journal", "-wal", "-shm"):
        part = path.with_name(path.name + suffix)
        if part.exists():
            shutil.move(part, aside.with_name(aside.name + suffix))
    return aside
