"""The grower's gardens in SQLite: every edit one transaction and one revision."""

from ample_rows.store.database import Database, StoreError
from ample_rows.store.gardens import (
    ConflictError,
    GardenStore,
    Head,
    NothingToDoError,
    Stored,
    UnknownGardenError,
)

__all__ = [
    "ConflictError",
    "Database",
    "GardenStore",
    "Head",
    "NothingToDoError",
    "StoreError",
    "Stored",
    "UnknownGardenError",
]
