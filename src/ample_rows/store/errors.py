"""What can go wrong between the gardens and the disk, each with words of its own."""

import errno
import sqlite3

from sqlalchemy.exc import DBAPIError

from ample_rows.core.errors import AmpleRowsError, UnknownPartError


class StoreError(AmpleRowsError, RuntimeError):
    """The data folder or file cannot be used; the message says what to do."""


class UnknownBackupError(UnknownPartError):
    """There is no backup of that name; it may have made room for newer ones."""

    def __init__(self, name: str) -> None:
        super().__init__(kind="backup", ident=name)


class StorageError(AmpleRowsError, RuntimeError):
    """The disk did not do what was asked; what was kept before is still kept.

    `kind` names what is wrong, for whoever answers: full, locked, read-only, damaged, or other.
    """

    def __init__(self, kind: str, text: str) -> None:
        super().__init__(text)
        self.kind = kind


_WORDS = {
    "full": "The disk is full, so this was not saved. Everything saved before is still there. "
    "Free some space, then try again.",
    "locked": "Another program is using the file of your gardens, so this was not saved. "
    "Everything saved before is still there. Close the other program, then try again.",
    "read-only": "The file of your gardens cannot be written, so this was not saved. "
    "Everything saved before is still there. Check the permissions of the data folder, then try "
    "again.",
    "damaged": "The file of your gardens is damaged. Nothing more is written to it. Download what "
    "can be read under Backups, then restore the newest backup.",
    "other": "The disk did not answer as it should, so this was not saved. Everything saved "
    "before is still there. Check the disk, then try again.",
}
_KINDS = {
    "SQLITE_FULL": "full",
    "SQLITE_BUSY": "locked",
    "SQLITE_LOCKED": "locked",
    "SQLITE_PROTOCOL": "locked",
    "SQLITE_READONLY": "read-only",
    "SQLITE_PERM": "read-only",
    "SQLITE_AUTH": "read-only",
    "SQLITE_CANTOPEN": "read-only",
    "SQLITE_CORRUPT": "damaged",
    "SQLITE_NOTADB": "damaged",
}


_DISK_KINDS = {
    errno.ENOSPC: "full",
    errno.EDQUOT: "full",
    errno.EROFS: "read-only",
    errno.EACCES: "read-only",
    errno.EPERM: "read-only",
}


def storage_error(kind: str) -> StorageError:
    """An error of one kind with its sentence."""
    return StorageError(kind, _WORDS[kind])


def of_disk(error: OSError) -> StorageError:
    """What an error of the disk means, where a file is written beside the database."""
    return storage_error(_DISK_KINDS.get(error.errno or 0, "other"))


def of_database(error: DBAPIError | sqlite3.Error) -> StorageError:
    """What an error of SQLite means, by its own code, whole or shortened to its family."""
    raised = error.orig if isinstance(error, DBAPIError) else error
    code = str(getattr(raised, "sqlite_errorname", ""))
    family = "_".join(code.split("_")[:2])
    return storage_error(_KINDS.get(family, "other"))
