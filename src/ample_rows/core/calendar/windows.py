"""When a crop can be started here, and why then."""

from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache
from statistics import NormalDist

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import sun_share
from ample_rows.core.calendar.growing_year import (
    GrowingYear,
    days,
    mean_temperature_c,
    move_years,
    yearly_on_or_after,
)
from ample_rows.core.weather.warmth import (
    MID_MONTH,
    MOST_DAYS,
    daily_means_c,
    days_in_warmth,
)
from ample_rows.core.words.message import Message, Temperature, Text, message


@dataclass(frozen=True)
class Window:
    """Earliest and latest sensible start; `latest` before `earliest` means never here."""

    earliest: date
    latest: date
    how: Text


def start_window(year: GrowingYear, crop: Crop, start: p.Start, book: Book) -> Window:
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
    first = yearly_on_or_after(middle, year.last_frost - timedelta(days=250))
    warming = (first + timedelta(days=ahead) for ahead in range(200))
    for day in warming:
        mean = mean_temperature_c(year, day)
        warmer = year.soil_warmer_c * sun_share(year.latitude, day) if in_soil else 0.0
        if mean is not None and mean + warmer >= least_c:
            return day
    return first + timedelta(days=200)
