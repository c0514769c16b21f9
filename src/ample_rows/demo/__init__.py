"""Three made-up gardens that ship, and the database of their own that they live in."""

from importlib.resources import files

from ample_rows.core.book import Book
from ample_rows.core.checks import read_plan
from ample_rows.core.plan import Plan

NAMES = ("lantern-court", "magpie-terrace", "kettle-corner")


def demo_plans(book: Book) -> list[Plan]:
    """The gardens that the demo starts with."""
    folder = files("ample_rows.demo")
    return [read_plan((folder / f"{n}.amplerows.json").read_bytes(), book) for n in NAMES]
