"""The log in the data folder: what happened and where, never what stands in a plan."""

import logging
import platform
import sqlite3
from logging.handlers import RotatingFileHandler
from pathlib import Path

from ample_rows import PROGRAM
from ample_rows.store.folder import own_file, prepare_folder

LOG_NAME = "ample-rows.log"
log = logging.getLogger("ample_rows")
_BYTES, _OLDER = 500_000, 3
_NAMES = ("ample_rows", "uvicorn.error", "asyncio")


class _WithoutContents(logging.Formatter):
    """An exception by its kind alone: its words may quote a plan."""

    def formatException(self, ei: object) -> str:  # noqa: N802
        kind = ei[0] if isinstance(ei, tuple) else None
        return f"  {kind.__name__}" if isinstance(kind, type) else ""


def programs() -> str:
    """What runs, by its versions: the first line of a report."""
    return f"{PROGRAM}, Python {platform.python_version()}, SQLite {sqlite3.sqlite_version}"


def log_path(folder: Path) -> Path:
    return folder / "log" / LOG_NAME


def open_log(folder: Path) -> logging.Handler:
    """Write warnings and errors of this process to the folder's log, in files that rotate."""
    path = log_path(folder)
    prepare_folder(path.parent)
    handler = RotatingFileHandler(path, maxBytes=_BYTES, backupCount=_OLDER, encoding="utf-8")
    own_file(path)
    form = _WithoutContents("%(asctime)s %(levelname)s %(name)s: %(message)s")
    handler.setFormatter(form)
    for name in _NAMES:
        logger = logging.getLogger(name)
        logger.setLevel(logging.INFO if name == "ample_rows" else logging.WARNING)
        logger.addHandler(handler)
        logger.propagate = False
    return handler
