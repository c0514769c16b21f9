"""Three made-up gardens that ship, the first with a record of its seasons, and the database of
their own that they live in."""

from importlib.resources import files

from ample_rows.core.book import Book
from ample_rows.core.checks import read_plan
from ample_rows.core.plan import Plan
from ample_rows.core.record.entries import GardenRecord, read_record
from ample_rows.store import GardenStore
from ample_rows.store.day_book import DayBook
from ample_rows.store.record_parts import keep_parts
from ample_rows.store.seasons import Seasons

NAMES = ("lantern-court", "magpie-terrace", "kettle-corner")


def demo_plans(book: Book) -> list[Plan]:
    """The gardens that the demo starts with."""
    folder = files("ample_rows.demo")
    return [read_plan((folder / f"{n}.amplerows.json").read_bytes(), book) for n in NAMES]


def demo_record(book: Book) -> GardenRecord:
    """What was entered in the first of them: two closed seasons and one that runs."""
    file = files("ample_rows.demo") / f"{NAMES[0]}.record.json"
    return read_record(file.read_bytes(), book)


def keep_demo(store: GardenStore, book: Book) -> None:
    """Keep the demo's gardens, all or none, and the first one's record."""
    first, *_ = store.create_all(demo_plans(book))
    record = demo_record(book)
    Seasons(store.database, book).keep_all(first, record.seasons)
    DayBook(store.database).keep_all(first, record.entries)
    keep_parts(store.database, first, record)
