"""The light that covers take from what grows beneath them, and how much of it they are over."""

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.dates import Dates


def light_taken(place: p.Place, cells: tuple[str, ...], dates: Dates, book: Book) -> float:
    """Share of a planting's light that covers take, over its squares and its days. [0-1]"""
    passed = 1.0
    for cover in place.covers:
        share = share_covered(cover, cells, dates)
        passed *= 1 - share * (1 - book.covers[cover.kind].passes)
    return 1 - passed


def share_covered(cover: p.Cover, cells: tuple[str, ...], dates: Dates) -> float:
    """The part of a planting's squares and days that a cover is over. [0-1]"""
    days = max(1, (dates.clear - dates.start).days)
    together = (min(cover.until, dates.clear) - max(cover.since, dates.start)).days
    if together <= 0 or not cells:
        return 0.0
    under = len(cells) if cover.cells == "all" else len(set(cells) & set(cover.cells))
    return together / days * under / len(cells)
