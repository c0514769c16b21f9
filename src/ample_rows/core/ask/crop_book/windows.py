"""When a crop can be started in a garden: bare, on the windowsill before, and under covers."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import frost_day
from ample_rows.core.calendar.growing_year import GrowingYear, grow_days
from ample_rows.core.calendar.windows import Window, start_window
from ample_rows.core.structures.shelter import under_cover
from ample_rows.core.words.message import Text


@dataclass(frozen=True, slots=True)
class CropWindow:
    """One way of starting a crop here; the picks are those of the earliest start.

    Not `open` means that the season here is too short for it.
    """

    start: p.Start
    open: bool
    earliest: date
    latest: date
    first_pick: date | None
    last_pick: date | None
    how: Text
    sow_indoors: date | None
    covered: tuple["CoveredWindow", ...]


@dataclass(frozen=True, slots=True)
class CoveredWindow:
    """When a crop may be started beneath a cover, and how many weeks sooner that is."""

    cover: str
    label: str
    earliest: date
    latest: date
    weeks_sooner: float


def crop_window(year: GrowingYear, crop: Crop, start: p.Start, book: Book) -> CropWindow:
    """One way of starting a crop in a garden's year."""
    window = start_window(year, crop, start, book)
    grow = grow_days(year, crop, start, window.earliest, book)
    first = None if grow is None else window.earliest + timedelta(days=round(grow))
    last = None if first is None else first + timedelta(days=round(crop.picking.days))
    frost = frost_day(year, crop, window.earliest, book)
    return CropWindow(
        start=start,
        open=window.earliest <= window.latest,
        earliest=window.earliest,
        latest=window.latest,
        first_pick=first,
        last_pick=last if last is None or frost is None else min(last, frost),
        how=window.how,
        sow_indoors=_sow_indoors(crop, start, window.earliest),
        covered=tuple(_covered(year, crop, start, window, book)),
    )


def _sow_indoors(crop: Crop, start: p.Start, earliest: date) -> date | None:
    if start != "transplant" or not crop.weeks_indoors:
        return None
    return earliest - timedelta(days=round(7 * crop.weeks_indoors))


def _covered(
    year: GrowingYear, crop: Crop, start: p.Start, bare: Window, book: Book
) -> Iterator[CoveredWindow]:
    """The same start beneath each cover that buys a week and more."""
    for name, kind in book.covers.items():
        if kind.buys_weeks < 1:
            continue
        beneath = start_window(under_cover(year, kind.buys_weeks, book), crop, start, book)
        sooner = (bare.earliest - beneath.earliest).days / 7
        if beneath.earliest <= beneath.latest and sooner >= 1:
            yield CoveredWindow(name, kind.label, beneath.earliest, beneath.latest, sooner)
