"""What can still be read of a damaged file, garden by garden, with its day book and its closed
seasons; the file is only read."""

import contextlib
import io
import json
import sqlite3
import zipfile
from collections import defaultdict
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from ample_rows.store.backups import opened
from ample_rows.store.errors import StoreError

_MOST_ROWS = 1_000_000
_MOST_GARDENS = 1_000
_SUFFIX = ".amplerows.json"
_ENTRIES = ".entries.json"
_SEASONS = ".seasons.json"
_PARTS = ".record-parts.json"

Documents = list[dict[str, Any]]


@dataclass(frozen=True)
class _Row:
    values: sqlite3.Row
    document: dict[str, Any]


def readable_zip(path: Path) -> bytes:
    """An archive of every garden that can be read, each as a plan document, and beside it the
    entries of its day book, its closed seasons and the other parts of its record."""
    out = io.BytesIO()
    beside = {
        _ENTRIES: _readable_entries(path),
        _SEASONS: _readable_seasons(path),
        _PARTS: _readable_parts(path),
    }
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        for slug, document in readable_gardens(path).items():
            text = json.dumps(document, ensure_ascii=False, indent=1)
            archive.writestr(f"{slug}{_SUFFIX}", text)
            for suffix, found in beside.items():
                if slug in found:
                    text = json.dumps(found[slug], ensure_ascii=False, indent=1)
                    archive.writestr(f"{slug}{suffix}", text)
    return out.getvalue()


@dataclass(frozen=True)
class Salvaged:
    """What an archive holds of one garden: its plan, the entries of its day book, its closed
    seasons, each with its plan, and the other parts of its record, each with its kind and id."""

    plan: dict[str, Any]
    entries: Documents
    seasons: Documents
    parts: Documents


def salvaged_documents(path: Path) -> list[Salvaged]:
    """The gardens of an archive that `readable_zip` wrote.

    Raises:
        StoreError: A part of it is not what its name says; the message names it.
    """
    with zipfile.ZipFile(path) as archive:
        stems = [n.removesuffix(_SUFFIX) for n in archive.namelist() if n.endswith(_SUFFIX)]
        return [
            Salvaged(
                _plan(archive, stem + _SUFFIX),
                _beside(archive, stem + _ENTRIES),
                _beside(archive, stem + _SEASONS),
                _beside(archive, stem + _PARTS),
            )
            for stem in stems
        ]


def _plan(archive: zipfile.ZipFile, name: str) -> dict[str, Any]:
    document = _json(archive, name)
    if not isinstance(document, dict):
        raise StoreError(f"{name} in it holds no garden.")
    return document


def _beside(archive: zipfile.ZipFile, name: str) -> Documents:
    found = _json(archive, name) if name in archive.namelist() else []
    if not isinstance(found, list):
        raise StoreError(f"{name} in it holds no list.")
    return found


def _json(archive: zipfile.ZipFile, name: str) -> Any:
    try:
        return json.loads(archive.read(name))
    except (ValueError, zipfile.BadZipFile) as error:
        raise StoreError(f"{name} in it cannot be read ({error}).") from error


def _readable_entries(path: Path) -> dict[str, Documents]:
    """Entries that stand and can be read, by the addresses of their gardens."""
    return _by_garden(
        path, "entries", lambda row: None if row.values["removed_at"] else row.document
    )


def _readable_seasons(path: Path) -> dict[str, Documents]:
    """Closed seasons that can be read, by the addresses of their gardens."""
    return _by_garden(
        path, "seasons", lambda row: {"id": row.values["ident"], "plan": row.document}
    )


def _readable_parts(path: Path) -> dict[str, Documents]:
    """Parts of records that stand and can be read, by the addresses of their gardens."""
    return _by_garden(path, "record_parts", _part)


def _part(row: _Row) -> dict[str, Any] | None:
    if row.values["removed_at"]:
        return None
    return {**{key: row.values[key] for key in ("kind", "ident", "day")}, "part": row.document}


def _by_garden(
    path: Path, table: str, told: Callable[[_Row], dict[str, Any] | None]
) -> dict[str, Documents]:
    """What the rows of a table that can be read tell, by the addresses of their gardens."""
    found: dict[str, Documents] = defaultdict(list)
    with contextlib.suppress(sqlite3.Error), opened(path) as connection:
        slugs = {row.values["pk"]: row.values["slug"] for row in _rows(connection, "gardens")}
        for row in _rows(connection, table):
            slug, document = slugs.get(row.values["garden_pk"]), told(row)
            if slug is not None and document is not None:
                found[slug].append(document)
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
