"""What covers do to frost and soil: how much sooner a crop may start beneath, and stand later."""

from dataclasses import replace
from datetime import timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import GrowingYear, yearly_on_or_after
from ample_rows.core.geometry.cells import cells_of

_MOSTLY = 0.5


def under_cover(year: GrowingYear, weeks: float, book: Book) -> GrowingYear:
    """A garden's year beneath a cover that buys so many weeks."""
    bought = timedelta(days=round(7 * weeks))
    return replace(
        year,
        last_frost=max(year.start, year.last_frost - bought),
        first_frost=min(year.end, year.first_frost + bought),
        soil_warmer_c=year.soil_warmer_c + weeks * book.value("cover_warmer_c_week"),
        cover_warmer_c=year.cover_warmer_c + weeks * book.value("cover_warmer_night_c_week"),
    )


def year_of(year: GrowingYear, place: p.Place, planting: p.Planting, book: Book) -> GrowingYear:
    """The year as a planting has it beneath the covers of its place: its own spring frosts where
    it is covered from its start, its own autumn frosts where it is covered then, and winter's cold
    the less where it is covered as that begins."""
    for cover in place.covers:
        weeks = book.covers[cover.kind].buys_weeks
        if not weeks or not _over(place, planting, cover):
            continue
        sheltered = under_cover(year, weeks, book)
        if cover.since <= planting.start_date < cover.until:
            warmer = sheltered.soil_warmer_c
            year = replace(year, last_frost=sheltered.last_frost, soil_warmer_c=warmer)
        if cover.since <= year.first_frost < cover.until:
            year = replace(year, first_frost=sheltered.first_frost)
        stands = max(cover.since, planting.start_date)
        if yearly_on_or_after(year.first_frost, stands) < cover.until:
            year = replace(year, cover_warmer_c=sheltered.cover_warmer_c)
    return year


def _over(place: p.Place, planting: p.Planting, cover: p.Cover) -> bool:
    """Whether a cover lies over most of a planting's squares."""
    own = set(cells_of(place, planting.cells))
    under = own & set(cells_of(place, cover.cells))
    return bool(own) and len(under) >= _MOSTLY * len(own)
