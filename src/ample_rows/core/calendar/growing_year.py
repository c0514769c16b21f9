"""The growing year of a garden: its twelve months, frosts, warmth and weeks of growth."""

from dataclasses import dataclass, fields, replace
from datetime import date, timedelta
from functools import cached_property

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.weather.response import Normals, daily_means_c, row_of
from ample_rows.core.weather.warmth import days_to_pick


@dataclass(frozen=True)
class GrowingYear:
    """What dates depend on: one garden's year, frosts and temperatures; and, by crop, how many
    days later than the book says it learnt to pick first."""

    latitude: float
    start: date
    end: date
    last_frost: date
    first_frost: date
    spread_days: float
    mean_c: tuple[float, ...] | None
    tmin_c: tuple[float, ...] | None = None
    tmax_c: tuple[float, ...] | None = None
    rain_mm: tuple[float, ...] | None = None
    winter_low_c: float | None = None
    thermal: bool = False
    soil_warmer_c: float = 0.0
    cover_warmer_c: float = 0.0
    frost_free: bool = False
    likely_ends: tuple[p.LikelyEnd, ...] = ()
    learnt_days: tuple[tuple[str, int, int], ...] = ()

    def __hash__(self) -> int:
        return self._hashed

    @cached_property
    def _hashed(self) -> int:
        """Asked for with every date, and the same for all of them."""
        return hash(tuple(getattr(self, field.name) for field in fields(self)))

    @cached_property
    def normals(self) -> Normals:
        """How far north the garden lies, and its monthly lows and highs."""
        known = self.tmin_c is not None and self.tmax_c is not None
        return Normals(
            self.latitude, self.tmin_c if known else None, self.tmax_c if known else None
        )


def days(count: float) -> timedelta:
    return timedelta(days=round(count))


def move_years(day: date, years: int) -> date:
    """The same day in another year; 29 February becomes the 28th."""
    try:
        return day.replace(year=day.year + years)
    except ValueError:
        return day.replace(year=day.year + years, day=28)


def growing_year(garden: p.Garden, book: Book) -> GrowingYear:
    """The plan's year: twelve months from the month nearest 12 weeks before last frost."""
    start = garden.season_start or _nearest_month_start(garden.last_frost - timedelta(weeks=12))
    climate = garden.climate
    mean = None
    if climate and climate.tmin_c and climate.tmax_c:
        mean = tuple(
            (low + high) / 2 for low, high in zip(climate.tmin_c, climate.tmax_c, strict=True)
        )
    spread = garden.frost_spread_days
    return GrowingYear(
        latitude=garden.latitude,
        start=start,
        end=move_years(start, 1) - timedelta(days=1),
        last_frost=garden.last_frost,
        first_frost=garden.first_frost,
        spread_days=book.value("frost_spread_days") if spread is None else spread,
        mean_c=mean,
        tmin_c=climate.tmin_c if climate else None,
        tmax_c=climate.tmax_c if climate else None,
        rain_mm=climate.rain_mm if climate else None,
        winter_low_c=garden.winter_low_c,
        thermal=garden.policies.time == "thermal",
        frost_free=is_frost_free(climate, book),
        likely_ends=garden.likely_ends,
        learnt_days=_learnt_days(garden.own),
    )


def _learnt_days(own: p.OwnFactors | None) -> tuple[tuple[str, int, int], ...]:
    """How many days later crops are first picked here, and how many days longer: a last pick that
    was not learnt comes as much later as the first."""
    learnt = []
    for crop, of in ((own.crops if own else None) or {}).items():
        first = round(of.first_pick_shift_days or 0.0)
        last = first if of.last_pick_shift_days is None else round(of.last_pick_shift_days)
        if first or last:
            learnt.append((crop, first, last - first))
    return tuple(sorted(learnt))


def is_frost_free(climate: p.Climate | None, book: Book) -> bool:
    """Whether a garden's normals are those of a place without frost."""
    lows = climate.tmin_c if climate else None
    return lows is not None and min(lows) >= book.value("frost_free_c")


def frosts_at_odds(year: GrowingYear, book: Book) -> tuple[tuple[date, float], ...]:
    """Frost dates that the usual lows do not bear out, each with the usual low of its night: far
    too mild for frost there, or long in hard frost. [°C]"""
    if year.tmin_c is None or year.frost_free:
        return ()
    lows = daily_means_c(year.tmin_c)
    least, most = book.value("frost_night_least_c"), book.value("frost_night_most_c")
    nights = [(day, float(lows[row_of(day)])) for day in (year.last_frost, year.first_frost)]
    return tuple((day, low) for day, low in nights if not least <= low <= most)


def sheltered(year: GrowingYear, covered: tuple[tuple[date, date], ...]) -> GrowingYear:
    """The year of a place that is under cover over some spells of every year.

    A spell over the last frost moves that back to its beginning, one over the first frost
    moves that on to its end, both within the plan's year.
    """
    for since, until in covered:
        span = (until - since).days % 365 or 365
        spring = yearly_on_or_after(since, year.last_frost - timedelta(days=span - 1))
        if spring <= year.last_frost:
            year = replace(year, last_frost=max(spring, year.start))
        autumn = yearly_on_or_after(since, year.first_frost - timedelta(days=span - 1))
        if autumn <= year.first_frost:
            year = replace(year, first_frost=min(autumn + timedelta(days=span), year.end))
    return year


def _nearest_month_start(day: date) -> date:
    first = day.replace(day=1)
    following = (first + timedelta(days=32)).replace(day=1)
    return first if day - first <= following - day else following


def mean_temperature_c(year: GrowingYear, day: date) -> float | None:
    """Daily mean from monthly means, straight between mid-months. None without a climate."""
    if year.mean_c is None:
        return None
    doy = min(365, day.timetuple().tm_yday)
    return float(daily_means_c(year.mean_c)[doy - 1])


def grow_days(
    year: GrowingYear, crop: Crop, start: p.Start, start_date: date, book: Book
) -> float | None:
    """Days from a start to the first pick: the book's, or until the crop has had its warmth where
    the garden counts so, and as many more or fewer as the garden goes by from its own record; None
    where the book knows no such start."""
    usual = days_to_pick(year.normals, crop, start, start_date, book, thermal=year.thermal)
    return usual if usual is None else max(1.0, usual + _learnt_of(year, crop)[0])


def longer_picked_days(year: GrowingYear, crop: Crop) -> int:
    """How many days longer than usual a crop is picked, as the garden goes by from its own record;
    what is picked once is picked once."""
    return 0 if crop.picking.kind == "once" else _learnt_of(year, crop)[1]


def _learnt_of(year: GrowingYear, crop: Crop) -> tuple[int, int]:
    root = crop.variety_of or crop.id
    found = ((first, longer) for known, first, longer in year.learnt_days if known == root)
    return next(found, (0, 0))


def frost_after(year: GrowingYear, day: date, lag_days: float = 0.0) -> date:
    """The first autumn frost on or after a day. [date]"""
    return yearly_on_or_after(year.first_frost + days(lag_days), day)


def yearly_on_or_after(event: date, day: date) -> date:
    """The yearly return of an event that falls on or next after a day."""
    moved = move_years(event, day.year - event.year - 1)
    while moved < day:
        moved = move_years(moved, 1)
    return moved


def growing_days(year: GrowingYear, book: Book) -> list[date]:
    """Days of the plan's year on which ground could grow something.

    Mean at least 6 deg C where the climate is known, else between the frosts.
    """
    least = book.value("growth_least_c")
    growing = []
    day = year.start
    while day <= year.end:
        mean = mean_temperature_c(year, day)
        in_season = mean >= least if mean is not None else year.last_frost <= day < year.first_frost
        if in_season:
            growing.append(day)
        day += timedelta(days=1)
    return growing
