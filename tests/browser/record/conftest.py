"""The record that the first demo garden ships with."""

import pytest

from ample_rows.demo import demo_record
from ample_rows.store.day_book import DayBook
from ample_rows.store.seasons import Seasons


@pytest.fixture
def recorded(demo_store, book, base_url):
    """The demo garden with the record that ships."""
    record = demo_record(book)
    Seasons(demo_store.database, book).keep_all("lantern-court", record.seasons)
    DayBook(demo_store.database).keep_all("lantern-court", record.entries)
    return base_url
