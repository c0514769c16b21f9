"""The record of a garden of many years: ten closed seasons and fifty thousand entries."""

import json
import tempfile
from collections.abc import Iterator
from itertools import count, cycle, islice
from pathlib import Path
from typing import Any

from ample_rows.cli.bench.rows import Row, median_ms
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import move_years
from ample_rows.core.record.entries import Entry, GardenRecord, SeasonPlan
from ample_rows.core.record.figures import worked_out
from ample_rows.core.record.outcomes import outcomes_of
from ample_rows.core.record.own_factors import learnt
from ample_rows.demo import demo_plans, demo_record
from ample_rows.store import Database, GardenStore
from ample_rows.store.day_book import DayBook
from ample_rows.store.seasons import Seasons

_SEASONS = 10
_ENTRIES = 50_000
_FIRST = 2017
_DAY = "2027-06-14"
_PAGES = (
    f"/entries?since={_DAY}&until={_DAY}",
    "/entries?words=carrot&most=200",
    f"/tape?day={_DAY}",
    f"/ripe?day={_DAY}",
    "/seasons",
    "/seasons/2026/sheet",
    "/span?since=2026-01-01&until=2026-12-31",
    "/own-factors",
    "/rotation",
    "/verdicts",
    "/next-year?draft=moved",
)


def record_rows(book: Book) -> list[Row]:
    """Keeping an entry, and looking at every page of the record, after ten years of it."""
    with tempfile.TemporaryDirectory() as folder:
        database = Database(Path(folder))
        _keep_ten_years(database, book)
        rows = [*_over_the_wire(database, book), _own_factors(book)]
        database.close()
    return rows


def _keep_ten_years(database: Database, book: Book) -> None:
    slug = GardenStore(database, book).create(demo_plans(book)[0])
    record = demo_record(book)
    Seasons(database, book).keep_all(slug, _seasons(record))
    DayBook(database).keep_all(slug, islice(_entries(record), _ENTRIES))


def _seasons(record: GardenRecord) -> Iterator[SeasonPlan]:
    closed = cycle(record.seasons)
    for year in range(_FIRST, _FIRST + _SEASONS):
        yield SeasonPlan(id=str(year), plan=next(closed).plan)


def _entries(record: GardenRecord) -> Iterator[Entry]:
    for number, entry in zip(count(), cycle(record.entries), strict=False):
        year = _FIRST + number * _SEASONS // _ENTRIES
        day = move_years(entry.day, year - entry.day.year)
        changed = {"id": f"e{number}", "season": str(year), "day": day}
        yield entry.model_copy(update=changed)


def _over_the_wire(database: Database, book: Book) -> list[Row]:
    # Only these two want the whole server and a client for it.
    from starlette.testclient import TestClient

    from ample_rows.api.app import create_app

    app = create_app(GardenStore(database, book), book)
    client = TestClient(app, base_url="http://127.0.0.1:8437")
    garden = "/api/gardens/lantern-court"
    numbers = count()

    def keep() -> None:
        entry: dict[str, Any] = {"id": f"n{next(numbers)}", "day": _DAY, "kind": "picked"}
        body = json.dumps({**entry, "kg": 0.3, "crop": "carrot"})
        client.put(f"{garden}/entries/{entry['id']}", content=body, params={"sure": "true"})

    client.get(garden)
    pages = {}
    for page in _PAGES:
        first = median_ms(lambda: client.get(garden + page), rounds=1)  # noqa: B023 - called at once
        again = median_ms(lambda: client.get(garden + page), rounds=3)  # noqa: B023
        pages[page] = (again, first)
    slowest = max(pages, key=lambda page: pages[page][0])
    told = f"50,000 entries: {slowest.partition('?')[0]}"
    first_look = max(first for _, first in pages.values())
    return [
        Row("an entry kept", median_ms(keep, rounds=20), "ms", 30, "50,000 before it"),
        Row("ten years of record, slowest page", pages[slowest][0], "ms", 300, told),
        Row("the same, first look of all", first_look, "ms", None, "nothing read or kept yet"),
    ]


def _own_factors(book: Book) -> Row:
    record = demo_record(book)
    seasons = tuple(_seasons(record))
    entries = tuple(islice(_entries(record), 0, _ENTRIES, _SEASONS))
    ten = record.model_copy(update={"seasons": seasons, "entries": entries})
    outcomes = outcomes_of(ten, demo_plans(book)[0], worked_out(book))
    told = f"{_SEASONS} seasons, {len(outcomes.used)} plantings"
    return Row("own factors", median_ms(lambda: learnt(outcomes, book), rounds=5), "ms", 50, told)
