"""What is laid over a place in lines: drip lines, cloth with holes, strings."""

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry.laid_lines import laid_over
from ample_rows.core.place.report import LaidReport


def laid_report(place: p.Place, book: Book) -> LaidReport | None:
    """What is laid over a place; its spots where plants stand at them."""
    if place.pattern is None:
        return None
    kind, laid = book.patterns[place.pattern.kind], laid_over(place.shape, place.pattern)
    return LaidReport(kind.label, laid.runs, tuple(laid.spots.values()) if kind.at else ())
