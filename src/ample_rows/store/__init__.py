"""The grower's gardens in SQLite: every edit one transaction and one revision."""

from ample_rows.store.backups import Backup, Backups, KeptGarden, gardens_in
from ample_rows.store.database import Database
from ample_rows.store.errors import StorageError, StoreError, UnknownBackupError
from ample_rows.store.gardens import (
    ChangedElsewhereError,
    GardenStore,
    Head,
    NothingToDoError,
    Removed,
    Stored,
    UnknownGardenError,
)
from ample_rows.store.restore import restore

__all__ = [
    "Backup",
    "Backups",
    "ChangedElsewhereError",
    "Database",
    "GardenStore",
    "Head",
    "KeptGarden",
    "NothingToDoError",
    "Removed",
    "StorageError",
    "StoreError",
    "Stored",
    "UnknownBackupError",
    "UnknownGardenError",
    "gardens_in",
    "restore",
]
