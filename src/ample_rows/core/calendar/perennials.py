"""Plants that stay for years: the harvest of the plan's year, and how old they are by then."""

from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.cold import coldest_nights_c
from ample_rows.core.calendar.growing_year import GrowingYear, yearly_on_or_after
from ample_rows.core.plan import Start
from ample_rows.core.weather.response import DAYS, Normals, row_of
from ample_rows.core.weather.ripening import new_year_row, ripe_after

_AGE_SLACK_YEARS = 0.25
_YEAR_DAYS = 365.25
_ANY_YEAR = 2001
_PICKED_FOR_LONG = ("cut-and-come-again", "continuous")


@dataclass(frozen=True, slots=True)
class HarvestOfYear:
    """The harvest that a plant which stays gives in the plan's year: its first day, the day after
    its last, the year of its life that it is then in, the first being 0, and its share of a full
    yield."""

    first: date
    over: date
    year_of_life: int
    share: float


def harvest_of_year(
    year: GrowingYear, crop: Crop, start: Start, start_date: date, book: Book
) -> HarvestOfYear:
    """The first harvest that ends in the plan's year or later, of a plant that has settled.

    What is picked for long may be begun late, some weeks after it was set; what has one short
    season waits for the next.
    """
    stays = crop.perennial
    assert stays is not None, f"{crop.id} does not stay"
    whole = timedelta(days=round(crop.picking.days))
    ripe = ripe_day(year, crop, book)
    settles = round(book.value("perennial_settles_days"))
    settled = start_date + timedelta(days=settles)
    since = max(settled, year.start - whole)
    if crop.picking.kind in _PICKED_FOR_LONG:
        settled = start_date + timedelta(days=round(crop.days_to_pick(start) or settles))
        since = max(settled, year.start) - whole + timedelta(days=settles)
    opens = yearly_on_or_after(ripe, since)
    first = max(opens, settled)
    age = (first - start_date).days / _YEAR_DAYS
    life = int(age + _AGE_SLACK_YEARS)
    old = life >= stays.life_years
    share = book.value("old_plant_share") if old else stays.share_in(life)
    # What the plan's year does not see is the next plan's.
    return HarvestOfYear(first, opens + whole, life, share if first <= year.end else 0.0)


def ripe_day(year: GrowingYear, crop: Crop, book: Book) -> date:
    """The day of some year on which a crop that stays is ripe here, once nights no longer kill its
    leaf; without a climate as long after the last frost as where the book's figures are from."""
    here = _ripe_in(year.normals, crop, year.start.year)
    if here is None:
        here = year.last_frost + _after_last_frost(crop, book)
    nights = coldest_nights_c(year, book)
    for _ in range(DAYS // 2):
        if nights is None or nights[row_of(here)] >= crop.kill_c["leaf"]:
            break
        here += timedelta(days=1)
    return here


def _after_last_frost(crop: Crop, book: Book) -> timedelta:
    climate = book.climates[crop.days_from]
    there = Normals(climate.latitude, climate.tmin_c, climate.tmax_c)
    ripe = _ripe_in(there, crop, _ANY_YEAR) or date(_ANY_YEAR, 6, 1)
    return ripe - date.fromisoformat(f"{_ANY_YEAR}-{climate.last_frost}")


def _ripe_in(normals: Normals, crop: Crop, calendar_year: int) -> date | None:
    row = ripe_after(normals, crop, new_year_row(normals.latitude))
    return None if row is None else date(calendar_year, 1, 1) + timedelta(days=row)
