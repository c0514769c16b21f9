"""What can still be read of a damaged file, garden by garden; the file is only read."""

import contextlib
import io
import json
import sqlite3
import zipfile
from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from ample_rows.store.backups import opened
from ample_rows.store.errors import StoreError

_MOST_ROWS = 1_000_000
_MOST_GARDENS = 1_000
_SUFFIX = ".amplerows.json"


@dataclass(frozen=True)
class _Row:
    values: sqlite3.Row
    document: dict[str, Any]


def readable_zip(path: Path) -> bytes:
    """An archive of every garden that can be read, each as a plan document."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for slug, document in readable_gardens(path).items():
            text = json.dumps(document, ensure_ascii=False, indent=1)
            archive.writestr(f"{slug}{_SUFFIX}", text)
    return out.getvalue()


def salvaged_documents(path: Path) -> list[dict[str, Any]]:
    """The plan documents of an archive that `readable_zip` wrote.

    Raises:
        StoreError: A part of it is no plan document; the message names it.
    """
    found = []
    with zipfile.ZipFile(path) as archive:
        for name in archive.namelist():
            if name.endswith(_SUFFIX):
                try:
                    document = json.loads(archive.read(name))
                except (ValueError, zipfile.BadZipFile) as error:
                    raise StoreError(f"{name} in it cannot be read ({error}).") from error
                if not isinstance(document, dict):
                    raise StoreError(f"{name} in it holds no garden.")
                found.append(document)
    return found


def readable_gardens(path: Path) -> dict[str, dict[str, Any]]:
    """Plan documents put together from the rows that can be read, by the gardens' addresses."""
    with contextlib.suppress(sqlite3.Error), opened(path) as connection:
        gardens = {row.values["pk"]: row for row in _rows(connection, "gardens")}
        places = {row.values["pk"]: row for row in _rows(connection, "places")}
        for support in _rows(connection, "supports"):
            place = places.get(support.values["place_pk"])
            if place is not None:
                place.document.setdefault("supports", []).append(support.document)
        _hang_on(gardens, "places", places.values())
        _hang_on(gardens, "plantings", _rows(connection, "plantings"))
        return {row.values["slug"]: row.document for row in gardens.values()}
    return {}


def _hang_on(gardens: dict[int, _Row], key: str, parts: Any) -> None:
    """Give each garden its parts in their order."""
    by_garden: dict[int, list[_Row]] = defaultdict(list)
    for part in parts:
        by_garden[part.values["garden_pk"]].append(part)
    for pk, rows in by_garden.items():
        if pk in gardens:
            ordered = sorted(rows, key=lambda row: row.values["ordinal"])
            gardens[pk].document[key] = [row.document for row in ordered]


def _rows(connection: sqlite3.Connection, table: str) -> Iterator[_Row]:
    """Every row of a table that can be read, each looked up for itself."""
    last = _MOST_GARDENS
    with contextlib.suppress(sqlite3.Error):
        last = connection.execute(f"SELECT max(pk) FROM {table}").fetchone()[0] or 0
    for pk in range(1, min(last, _MOST_ROWS) + 1):
        with contextlib.suppress(sqlite3.Error, ValueError, TypeError):
            row = connection.execute(f"SELECT * FROM {table} WHERE pk = ?", (pk,)).fetchone()
            if row is not None:
                yield _Row(row, json.loads(row["document"]))
