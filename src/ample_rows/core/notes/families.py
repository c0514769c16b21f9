"""Notes on families that come back to the same ground too soon."""

from collections.abc import Iterator

from ample_rows.core.notes.note import Note
from ample_rows.core.notes.view import named
from ample_rows.core.place.families import too_soon
from ample_rows.core.place.view import PlaceView
from ample_rows.core.words.message import message


def family_again(view: PlaceView) -> Iterator[Note]:
    """A planting whose family grew in its squares in years that should be without it."""
    for e in view.plantings:
        year = e.dates.start.year
        again = too_soon(view.place, e.crop.family, e.report.cells, year, view.book)
        if again is not None:
            yield Note(
                level="care",
                code="family-again",
                place=view.place.id,
                planting=e.planting.id,
                text=message("families-too-soon", planting=named(e), words=again.words),
                fix=message("families-grow-where-none-family"),
                fixes=(),
                cells=again.cells,
            )
