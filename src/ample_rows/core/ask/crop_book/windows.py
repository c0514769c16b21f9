"""When a crop can be started in a garden: bare, on the windowsill before, and under covers."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import frost_day
from ample_rows.core.calendar.growing_year import GrowingYear, grow_days, move_years
from ample_rows.core.calendar.perennials import harvest_of_year
from ample_rows.core.calendar.windows import Window, start_window, start_windows
from ample_rows.core.structures.shelter import under_cover
from ample_rows.core.words.message import Text


@dataclass(frozen=True, slots=True)
class CropWindow:
    """One way of starting a crop here; the picks are those of the earliest start, or of what stays
    for years once it is grown.

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


def crop_windows(
    year: GrowingYear, crop: Crop, start: p.Start, book: Book
) -> tuple[CropWindow, ...]:
    """One way of starting a crop in a garden's year: every spell in which it makes sense."""
    spells = start_windows(year, crop.id, start, book)
    return tuple(_spell(year, crop, start, window, book) for window in spells)


def _spell(year: GrowingYear, crop: Crop, start: p.Start, window: Window, book: Book) -> CropWindow:
    first = _first_pick(year, crop, start, window.earliest, book)
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


def _first_pick(year: GrowingYear, crop: Crop, start: p.Start, on: date, book: Book) -> date | None:
    if crop.perennial is not None:
        # Its season once it is grown: of one that was set long ago.
        long_ago = move_years(on, -round(crop.perennial.years_to_full + 1))
        return harvest_of_year(year, crop, start, long_ago, book).first
    grow = grow_days(year, crop, start, on, book)
    return None if grow is None else on + timedelta(days=round(grow))


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
        covered = under_cover(year, kind.buys_weeks, book)
        beneath = start_window(covered, crop, start, book, near=bare.earliest)
        sooner = (bare.earliest - beneath.earliest).days / 7
        if beneath.earliest <= beneath.latest and sooner >= 1:
            yield CoveredWindow(name, kind.label, beneath.earliest, beneath.latest, sooner)
