"""The growing year: frosts, windows, and the dates of one planting.

A planting holds its cells from `start` up to but not including `clear`, so that
ground cleared in the morning may be sown again the same day.
"""

import math
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import lru_cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.weather.evapotranspiration import daylight_hours
from ample_rows.core.weather.warmth import (
    MID_MONTH,
    MOST_DAYS,
    daily_means_c,
    days_in_warmth,
)
from ample_rows.core.words.message import Message, Temperature, Text, message


@dataclass(frozen=True)
class GrowingYear:
    """What dates depend on: one garden's year, frosts and temperatures."""

    latitude: float
    start: date
    end: date
    last_frost: date
    first_frost: date
    spread_days: float
    mean_c: tuple[float, ...] | None
    tmax_c: tuple[float, ...] | None = None
    thermal: bool = False
    soil_warmer_c: float = 0.0
    frost_free: bool = False
    likely_ends: tuple[p.LikelyEnd, ...] = ()


@dataclass(frozen=True)
class Window:
    """Earliest and latest sensible start; `latest` before `earliest` means never here."""

    earliest: date
    latest: date
    how: Text


@dataclass(frozen=True)
class Dates:
    """When one planting starts, is picked and is cleared, and what frost takes."""

    start: date
    first_pick: date | None
    last_pick: date | None
    clear: date
    due: date
    pick_days: float
    picked_share: float
    frost_survival: float
    killed_by_frost: bool
    cleared_early: bool


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
        tmax_c=climate.tmax_c if climate else None,
        thermal=garden.policies.time == "thermal",
        frost_free=is_frost_free(climate, book),
        likely_ends=garden.likely_ends,
    )


def is_frost_free(climate: p.Climate | None, book: Book) -> bool:
    """Whether a garden's normals are those of a place without frost."""
    lows = climate.tmin_c if climate else None
    return lows is not None and min(lows) >= book.value("frost_free_c")


def sheltered(year: GrowingYear, covered: tuple[tuple[date, date], ...]) -> GrowingYear:
    """The year of a place that is under cover over some spells of every year.

    A spell over the last frost moves that back to its beginning, one over the first frost
    moves that on to its end, both within the plan's year.
    """
    for since, until in covered:
        span = (until - since).days % 365 or 365
        spring = _yearly_on_or_after(since, year.last_frost - timedelta(days=span - 1))
        if spring <= year.last_frost:
            year = replace(year, last_frost=max(spring, year.start))
        autumn = _yearly_on_or_after(since, year.first_frost - timedelta(days=span - 1))
        if autumn <= year.first_frost:
            year = replace(year, first_frost=min(autumn + timedelta(days=span), year.end))
    return year


def _nearest_month_start(day: date) -> date:
    first = day.replace(day=1)
    following = (first + timedelta(days=32)).replace(day=1)
    return first if day - first <= following - day else following


def hottest_c(year: GrowingYear, dates: Dates) -> float | None:
    """Mean daily maximum of the months in which a planting stands. [°C]"""
    if year.tmax_c is None:
        return None
    there = _sampled(dates.start, dates.clear)
    return sum(year.tmax_c[day.month - 1] for day in there) / len(there)


@lru_cache(maxsize=1024)
def _sampled(start: date, clear: date) -> tuple[date, ...]:
    """Every fifth day of a planting's time."""
    span = max(1, (clear - start).days)
    return tuple(start + timedelta(days=i) for i in range(0, span, 5))


def hottest_month(year: GrowingYear, dates: Dates) -> tuple[date, float] | None:
    """A day in the hottest month in which a planting stands, and that month's mean daily maximum;
    None without a climate. [°C]"""
    if year.tmax_c is None:
        return None
    highs = year.tmax_c
    hottest = max(_sampled(dates.start, dates.clear), key=lambda day: highs[day.month - 1])
    return hottest, highs[hottest.month - 1]


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
    the garden counts so; None where the book knows no such start."""
    by_book = crop.days_to_pick(start)
    if by_book is None or not year.thermal or year.mean_c is None:
        return by_book
    return days_in_warmth(year.mean_c, crop, by_book, start_date, book)


def frost_after(year: GrowingYear, day: date, lag_days: float = 0.0) -> date:
    """The first autumn frost on or after a day. [date]"""
    return _yearly_on_or_after(year.first_frost + days(lag_days), day)


def _yearly_on_or_after(event: date, day: date) -> date:
    """The yearly return of an event that falls on or next after a day."""
    moved = move_years(event, day.year - event.year - 1)
    while moved < day:
        moved = move_years(moved, 1)
    return moved


def frost_day(year: GrowingYear, crop: Crop, start: date, book: Book) -> date | None:
    """The autumn day that ends a crop, None for a hardy one and where there is no frost."""
    if crop.frost == "hardy" or year.frost_free:
        return None
    lag = 0.0 if crop.frost == "tender" else book.value("half_hardy_lag_days")
    return frost_after(year, start, lag)


def likely_end(year: GrowingYear, crop: Crop, start: date, book: Book) -> date | None:
    """The day about which a crop usually ends here by what troubles it, a year later for plants
    that are still young then and are spared; None for a kind that withstands it well."""
    for known in year.likely_ends:
        spared = known.trouble and book.withstands(crop).get(known.trouble) == "well"
        if known.crop in (crop.id, crop.variety_of) and not spared:
            usual = _yearly_on_or_after(known.on, start + timedelta(days=1))
            young = spares_young(known, book) and usual - start < days(book.value("young_days"))
            return move_years(usual, 1) if young else usual
    return None


def spares_young(known: p.LikelyEnd, book: Book) -> bool:
    """Whether what usually ends a crop takes its old plants and leaves the young."""
    if known.spares_young is None:
        return known.trouble is not None and book.troubles[known.trouble].spares_young
    return known.spares_young


def frost_survival(
    year: GrowingYear, crop: Crop, start: p.Start, start_date: date, book: Book
) -> float:
    """Chance that no spring frost comes once the crop stands above ground. [0-1]"""
    if crop.frost == "hardy" or year.frost_free:
        return 1.0
    lead = 0.0 if crop.frost == "tender" else book.value("half_hardy_lead_days")
    up = start_date + days(crop.germination_days.low if start in ("sow", "set") else 0)
    # In autumn the coming spring's frost is no threat: frost_day has ended the crop by then.
    autumn = frost_day(year, crop, start_date, book)
    spring = _yearly_on_or_after(year.last_frost - days(lead), up - timedelta(days=182))
    if autumn is not None and spring >= autumn:
        return 1.0
    if year.spread_days == 0:
        return 1.0 if up >= spring else 0.0
    return NormalDist(0, year.spread_days).cdf((up - spring).days)


def window(year: GrowingYear, crop: Crop, start: p.Start, book: Book) -> Window:
    """When a start makes sense this year, by frost class, soil warmth and time to pick; where
    there is no frost, by heat."""
    if year.frost_free:
        return _frost_free_window(year, crop, start, book)
    if crop.overwinters:
        return Window(
            earliest=year.first_frost - days(book.value("overwinter_early_days")),
            latest=year.first_frost + days(book.value("overwinter_late_days")),
            how=message("season-set-about-first-frost"),
        )
    earliest, how = _earliest(year, crop, start, book)
    spell = min(crop.picking.days, book.value("worthwhile_pick_days"))
    allowance = book.value("short_day_allowance_days")
    if crop.frost == "tender":
        end = year.first_frost
    elif crop.frost == "half-hardy":
        end = year.first_frost + days(book.value("half_hardy_lag_days"))
    else:
        end = year.first_frost + days(book.value("winter_standing_days"))
        spell = 0.0
    return Window(earliest, _latest(year, crop, start, end - days(spell + allowance), book), how)


def _frost_free_window(year: GrowingYear, crop: Crop, start: p.Start, book: Book) -> Window:
    """All year for what bears the heat; what does not is picked before it, or begun after."""
    hot = heat_gap(year, crop, book)
    if hot is None:
        return Window(year.start, year.end, message("season-no-frost-here-all"))
    by_book = crop.days_to_pick(start) or 0.0
    spell = min(crop.picking.days, book.value("worthwhile_pick_days"))
    since, until = hot
    latest = since - days(by_book + spell)
    earliest = move_years(until, -1) if until > year.end - days(by_book) else until
    if latest < earliest:
        earliest, latest = until, move_years(since, 1) - days(by_book + spell)
    return Window(earliest, latest, message("season-no-frost-here-out"))


def heat_gap(year: GrowingYear, crop: Crop, book: Book) -> tuple[date, date] | None:
    """The longest stretch of the plan's year whose usual highs are too hot for a cool crop, from
    a day up to another; None where there is none, or without a climate."""
    if year.tmax_c is None or crop.ceiling_temperature_c > book.value("cool_ceiling_c"):
        return None
    highs = daily_means_c(year.tmax_c)
    longest: tuple[date, date] | None = None
    since: date | None = None
    day = year.start
    while day <= year.end + timedelta(days=1):
        row = min(365, day.timetuple().tm_yday) - 1
        hot = day <= year.end and highs[row] > crop.ceiling_temperature_c
        if hot and since is None:
            since = day
        if not hot and since is not None:
            if longest is None or day - since > longest[1] - longest[0]:
                longest = (since, day)
            since = None
        day += timedelta(days=1)
    return longest


def _latest(year: GrowingYear, crop: Crop, start: p.Start, picked_by: date, book: Book) -> date:
    """The last day of starting from which a crop still comes to its first pick by a day."""
    by_book = crop.days_to_pick(start) or 0.0
    if not year.thermal or year.mean_c is None:
        return picked_by - days(by_book)
    # A later start is never ready sooner: halve the span until one day is left.
    low, high = picked_by - timedelta(days=MOST_DAYS), picked_by
    while (high - low).days > 1:
        middle = low + (high - low) // 2
        ready = middle + days(days_in_warmth(year.mean_c, crop, by_book, middle, book))
        low, high = (middle, high) if ready <= picked_by else (low, middle)
    return low


def _earliest(year: GrowingYear, crop: Crop, start: p.Start, book: Book) -> tuple[date, Message]:
    under_ground = crop.germination_days.low if start in ("sow", "set") else 0.0
    if crop.frost == "hardy":
        return _earliest_hardy(year, crop, start, book)
    risk_days = year.spread_days * NormalDist().inv_cdf(1 - book.value("frost_risk_accepted"))
    lead = 0.0 if crop.frost == "tender" else book.value("half_hardy_lead_days")
    day = year.last_frost + days(risk_days - lead - under_ground)
    warm = _warm_enough(year, crop.germination_least_c, in_soil=True) if start == "sow" else None
    if warm is not None and warm > day:
        return warm, message(
            "season-soil-reaches", germination_least=Temperature(crop.germination_least_c)
        )
    if crop.frost == "tender":
        return day, message("season-up-when-one-spring")
    return day, message("season-up-when-nights-below")


def _earliest_hardy(
    year: GrowingYear, crop: Crop, start: p.Start, book: Book
) -> tuple[date, Message]:
    """By warmth where the climate is known, else so many weeks before the last frost."""
    in_soil = start in ("sow", "set")
    least_c = crop.germination_least_c if in_soil else book.value("growth_least_c")
    warm = _warm_enough(year, least_c, in_soil=in_soil)
    if warm is not None:
        return warm, message("season-ground-reaches", least=Temperature(least_c))
    lead = book.value("hardy_set_out_lead_days")
    if in_soil:
        # Soil warms by about so much a week: what germinates cold is sown sooner.
        colder_c = crop.germination_least_c - book.value("hardy_lead_c")
        lead = book.value("hardy_lead_days") - 7 * colder_c / book.value("soil_warming_c_a_week")
    return year.last_frost - days(lead), message(
        "season-about-weeks-before-last", lead=round(lead / 7)
    )


@lru_cache(maxsize=1024)
def _warm_enough(year: GrowingYear, least_c: float, *, in_soil: bool) -> date | None:
    """The day that the mean first reaches a temperature as the year warms, in the soil of the
    place or in the air.

    The start of the year where it never falls below; None without a climate.
    """
    if year.mean_c is None:
        return None
    if min(year.mean_c) >= least_c:
        return year.start
    coldest = year.mean_c.index(min(year.mean_c))
    middle = date(year.last_frost.year, 1, 1) + timedelta(days=MID_MONTH[coldest] - 1)
    first = _yearly_on_or_after(middle, year.last_frost - timedelta(days=250))
    warming = (first + timedelta(days=ahead) for ahead in range(200))
    for day in warming:
        mean = mean_temperature_c(year, day)
        warmer = year.soil_warmer_c * sun_share(year.latitude, day) if in_soil else 0.0
        if mean is not None and mean + warmer >= least_c:
            return day
    return first + timedelta(days=200)


_SHORT_HOURS, _LONG_HOURS = 8.0, 16.0


def sun_share(latitude: float, day: date) -> float:
    """How far the sun warms what stands in it: not at all on short days, fully on long ones."""
    hours = daylight_hours(latitude, day.timetuple().tm_yday)
    return min(1.0, max(0.0, (hours - _SHORT_HOURS) / (_LONG_HOURS - _SHORT_HOURS)))


def picking_curve(peaked: bool, share: float) -> float:
    """Cumulative share picked at a share of the spell: even, or rising to a peak."""
    u = 0.0 if share < 0 else 1.0 if share > 1 else share
    return u * u * (3 - 2 * u) if peaked else u


_STEEPNESS, _MIDDLE = 10.0, 0.55
_AT_START = 1 / (1 + math.exp(_STEEPNESS * _MIDDLE))
_GAIN = 1 / (1 + math.exp(-_STEEPNESS * (1 - _MIDDLE))) - _AT_START


def growth_share(day_share: NDArray[np.float64] | float) -> NDArray[np.float64]:
    """Logistic growth: the share of full size at a share of the time to first pick."""
    u = np.clip(day_share, 0.0, 1.0)
    grown: NDArray[np.float64] = 1 / (1 + np.exp(-_STEEPNESS * (u - _MIDDLE)))
    return (grown - _AT_START) / _GAIN


def dates_of(
    planting: p.Planting, crop: Crop, year: GrowingYear, book: Book, *, picking: float = 1.0
) -> Dates:
    """All dates of one planting and the shares that frost and clearing leave of its picking.

    Args:
        picking: Length of its picking against the crop's own, by how it is trained.
    """
    whole = crop.picking.days * picking
    start = planting.start_date
    grow = grow_days(year, crop, planting.start, start, book)
    if grow is None:
        # A start that the book gives no time for: the crop's slowest known one.
        known = [grow_days(year, crop, s, start, book) for s in crop.starts]
        grow = max(d for d in known if d is not None)
    due = start + days(grow)
    finish = due + days(whole)
    frost = frost_day(year, crop, start, book)
    usual = likely_end(year, crop, start, book)
    end = min(d for d in (finish, frost, usual, planting.clear_date) if d is not None)
    shape = book.picking_shapes[crop.picking.kind]
    spell = (end - due).days
    if crop.picking.kind == "once":
        # All of it is lifted by the day it must be out: whole once it is ready.
        share = 1.0 if spell > 0 else _early_share(crop, grow, (end - start).days)
    else:
        share = picking_curve(shape.peaked, spell / whole) if spell > 0 else 0.0
    picked = share > 0
    first = (due if spell > 0 else end - timedelta(days=1)) if picked else None
    return Dates(
        start=start,
        first_pick=first,
        last_pick=end - timedelta(days=1) if picked else None,
        # What frost meets on its first day still held its ground for that day.
        clear=planting.clear_date or max(end, start + timedelta(days=1)),
        due=due,
        pick_days=_pick_days(crop, whole, spell),
        picked_share=share,
        frost_survival=frost_survival(year, crop, planting.start, start, book),
        killed_by_frost=frost is not None and frost == end and end < finish,
        cleared_early=planting.clear_date == end and end < finish,
    )


def _pick_days(crop: Crop, whole: float, spell: int) -> float:
    """Days over which the picking runs: a once-picked crop fits itself to what it has."""
    if crop.picking.kind == "once":
        return min(whole, max(1, spell))
    return whole


def _early_share(crop: Crop, grow_days: float, stood_days: int) -> float:
    """What a once-picked crop weighs when it is cleared before its time; 0 if too small to use."""
    share = float(growth_share(stood_days / grow_days))
    if crop.piece_kg and crop.least_piece_kg and share * crop.piece_kg < crop.least_piece_kg:
        return 0.0
    return share


def growing_days(year: GrowingYear, book: Book) -> list[date]:
    """Days of the plan's year on which ground could grow something.

    Mean at least 6 deg C where the climate is known, else between the frosts.
    """
    least = book.value("growth_least_c")
    found = []
    day = year.start
    while day <= year.end:
        mean = mean_temperature_c(year, day)
        in_season = mean >= least if mean is not None else year.last_frost <= day < year.first_frost
        if in_season:
            found.append(day)
        day += timedelta(days=1)
    return found
