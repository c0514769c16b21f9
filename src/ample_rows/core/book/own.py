"""The book as one garden has it, with all that is its own."""

from ample_rows.core import plan as p
from ample_rows.core.book.book import Book
from ample_rows.core.book.own_crops import book_with
from ample_rows.core.book.own_measures import with_measures
from ample_rows.core.book.own_soil import with_materials


def own_book(book: Book, plan: p.Plan) -> Book:
    """The book with a garden's own crops, soil materials and measures.

    Raises:
        PlanFaultsError: A figure that a crop cannot have, or crops that do not agree.
    """
    own = with_materials(book_with(book, plan.crops), plan.soil.materials if plan.soil else ())
    return with_measures(own, plan.garden.measures) if plan.garden.measures else own
