"""The light that covers take from what grows beneath them."""

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.dates import Dates


def light_taken(place: p.Place, cells: tuple[str, ...], dates: Dates, book: Book) -> float:
    """Share of a planting's light that covers take, over its squares and its days. [0-1]"""
    passed = 1.0
    days = max(1, (dates.clear - dates.start).days)
    for cover in place.covers:
        together = (min(cover.until, dates.clear) - max(cover.since, dates.start)).days
        if together > 0 and cells:
            under = len(cells) if cover.cells == "all" else len(set(cells) & set(cover.cells))
            share = together / days * under / len(cells)
            passed *= 1 - share * (1 - book.covers[cover.kind].passes)
    return 1 - passed
