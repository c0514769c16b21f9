"""What a handful, a scoop, a can, a bucket and a barrow hold: the grower's own, else usual ones."""

from dataclasses import replace
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book.book import Book
from ample_rows.core.book.record import OWN_FIGURE

MEASURES = tuple(p.OwnMeasures.model_fields)


def litres_of(measure: str, book: Book) -> float:
    """What one of a measure holds. [L]"""
    return book.value(f"{measure}_litres")


def measures_of(book: Book) -> dict[str, float]:
    """What each measure holds. [L]"""
    return {measure: litres_of(measure, book) for measure in MEASURES}


@lru_cache(maxsize=64)
def with_measures(book: Book, own: p.OwnMeasures) -> Book:
    """The book with what a grower's own measures hold in place of the usual ones."""
    usual = book.coefficients
    figures = {f"{measure}_litres": getattr(own, measure) for measure in MEASURES}
    changed = {
        name: usual[name].model_copy(
            update={
                "value": litres,
                "low": None,
                "high": None,
                "status": "measured",
                "source": OWN_FIGURE,
            }
        )
        for name, litres in figures.items()
        if litres is not None
    }
    return replace(book, coefficients={**usual, **changed})
