"""What a plan remembers by itself: plantings that are over before its year begins."""

from collections.abc import Sequence

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.dates import dates_of
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.geometry.cells import cells_of
from ample_rows.core.planting.set_out import crop_grown


def remembering(
    place: p.Place, plantings: Sequence[p.Planting], year: GrowingYear, book: Book
) -> p.Place:
    """A place that has in its history what grew there last, whether or not it was entered.

    Args:
        plantings: Its own.
    """
    over = []
    for planting in plantings:
        if planting.start_date >= year.start:
            continue
        crop = crop_grown(planting, book)
        last = dates_of(planting, crop, year, book).clear
        cells = cells_of(place, planting.cells)
        if last <= year.start and cells:
            over.append(p.Grew(year=last.year, crops=(crop.id,), cells=cells))
    return place.model_copy(update={"grew": (*place.grew, *over)}) if over else place
