"""When a crop can be started here, and why then.

Every day of the plan's year is tried: whether frost and soil allow it, whether its picking still
comes before frost, cold or the dark, and whether its weeks are warm and cool enough for it.
"""

from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.cold import coldest_nights_c, coming_nights_c, deadly_c
from ample_rows.core.calendar.dates import frost_leaves, sun_share, under_ground_days
from ample_rows.core.calendar.growing_year import (
    GrowingYear,
    days,
    mean_temperature_c,
    move_years,
    yearly_on_or_after,
)
from ample_rows.core.weather.reference import grows_for_years, reference_of
from ample_rows.core.weather.response import (
    DAYS,
    MID_MONTH,
    course_of,
    daily_means_c,
    day_hours,
    mean_over,
    need_of,
    row_of,
)
from ample_rows.core.weather.ripening import late_autumn, new_year_row, ripening_from
from ample_rows.core.weather.suited import suited_over
from ample_rows.core.weather.warmth import MOST_DAYS
from ample_rows.core.words.message import Message, Temperature, Text, message

Flags = NDArray[np.bool_]
Floats = NDArray[np.float64]

_YOUNG_DAYS = 30
_SPELL_DAYS = 5


@dataclass(frozen=True)
class Window:
    """Earliest and latest sensible start; `latest` before `earliest` means never here, and `how`
    says why. From `good` on its weeks are nearly as warm as those of any start in it, which `gives`
    at best so much of what the book says. [0-1]"""

    earliest: date
    latest: date
    how: Text
    good: date
    gives: float = 1.0

    @property
    def open(self) -> bool:
        return self.earliest <= self.latest

    def too_early_on(self, day: date) -> bool:
        """Whether a day lies before it, and last year's window is not open then either (autumn
        crops early in a plan's year)."""
        if day >= self.earliest:
            return False
        return not move_years(self.earliest, -1) <= day <= move_years(self.latest, -1)

    def holds(self, day: date) -> bool:
        """Whether something may be started on a day."""
        return self.open and day <= self.latest and not self.too_early_on(day)


def start_window(
    year: GrowingYear, crop: Crop, start: p.Start, book: Book, *, near: date | None = None
) -> Window:
    """When a start makes sense this year: of several such spells the one about a day, else the
    longest."""
    spells = start_windows(year, crop.id, start, book)
    if near is None:
        return max(spells, key=lambda w: w.latest - w.earliest)
    return min(spells, key=lambda w: max(w.earliest - near, near - w.latest, timedelta(0)))


@lru_cache(maxsize=4096)
def start_windows(
    year: GrowingYear, crop_id: str, start: p.Start, book: Book
) -> tuple[Window, ...]:
    """All spells of the plan's year in which a start makes sense, the first first; one that is
    never open where there are none."""
    crop = book.crops[crop_id]
    if crop.overwinters or crop.wintering:
        return (_about_first_frost(year, crop, book),)
    tried = _Tried(year, crop, start, book)
    open_days = tried.safe & tried.ripens & tried.suits
    hot = year.frost_free and not open_days.all()
    how = message("season-no-frost-here-out") if hot else tried.how
    found = tuple(
        Window(
            year.start + timedelta(days=a),
            year.start + timedelta(days=b),
            how,
            year.start + timedelta(days=a + tried.good_after(a, b)),
            tried.gives(a, b),
        )
        for a, b in _spells(open_days)
    )
    worth = [w for w in found if (w.latest - w.earliest).days >= _SPELL_DAYS]
    return tuple(worth) or found or (tried.never(),)


def _about_first_frost(year: GrowingYear, crop: Crop, book: Book) -> Window:
    """The window of what is set before winter, where it lives through that."""
    since, until = -book.value("overwinter_early_days"), book.value("overwinter_late_days")
    if crop.wintering is not None:
        since, until = crop.wintering.set_from_days, crop.wintering.set_to_days
    winter = _winter_comes(year, book)
    first, last = winter + days(since), winter + days(until)
    nights = coldest_nights_c(year, book)
    if nights is not None and nights.min() + year.cover_warmer_c < deadly_c(crop):
        return Window(first, first - timedelta(days=1), message("season-never-lives"), first)
    how = message("season-set-about-first-frost")
    if year.frost_free:
        how = message("season-set-before-cool-weeks")
    return Window(first, last, how, first)


def _winter_comes(year: GrowingYear, book: Book) -> date:
    """The first frost; where none comes, a day so long before the year of plants begins."""
    if not year.frost_free:
        return year.first_frost
    new_year = date(year.start.year, 1, 1) + timedelta(days=new_year_row(year.latitude))
    winter = new_year - days(book.value("frost_free_winter_days"))
    return yearly_on_or_after(winter, year.start)


def _spells(flags: Flags) -> list[tuple[int, int]]:
    """First and last index of every stretch of days that are true."""
    edges = np.flatnonzero(np.diff(np.concatenate([[False], flags, [False]]).astype(np.int8)))
    return [(int(a), int(b) - 1) for a, b in edges.reshape(-1, 2)]


class _Tried:
    """Each day of the plan's year tried as a start of a crop."""

    def __init__(self, year: GrowingYear, crop: Crop, start: p.Start, book: Book) -> None:
        self.year, self.crop, self.start, self.book = year, crop, start, book
        self.count = (year.end - year.start).days + 1
        self.day = np.arange(self.count)
        self.row = (row_of(year.start) + self.day) % DAYS
        self.course = course_of(year.normals, need_of(crop))
        self.grows = self._grows()
        self.safe, self.how = self._safe()
        self.ripens = self._ripens()
        self.warmth = self._warmth()
        self.suits = self._suits()

    def _grows(self) -> Floats:
        """Days from each day's start to the first pick."""
        by_book = self.crop.days_to_pick(self.start) or 0.0
        if grows_for_years(self.crop, self.start) or self.start not in self.crop.starts:
            return np.full(self.count, by_book)
        wanted = reference_of(self.crop.id, self.book)
        known = self.year.normals.tmin_c is not None
        warm = self._until(self.course.grown, wanted.grown_days[self.start])
        if self.year.thermal and known:
            return warm
        awake = self._until(self.course.awake, wanted.awake_days[self.start])
        if not (self.crop.before_winter and known):
            return awake
        return np.where(late_autumn(self.year.latitude)[self.row], warm, awake)

    def _until(self, gathered: Floats, wants: float) -> Floats:
        until = np.searchsorted(gathered, gathered[self.row] + wants - 1e-6)
        grows: Floats = np.minimum(MOST_DAYS, until - self.row).astype(np.float64)
        return grows

    def _safe(self) -> tuple[Flags, Text]:
        """Days on which frost and soil let it be started, and what decides the first."""
        year, crop, book = self.year, self.crop, self.book
        if year.frost_free:
            rests = crop.perennial is not None and crop.perennial.set_dormant
            open_ = self._roots_by_winter() if rests else np.ones(self.count, dtype=bool)
            return open_, message("season-no-frost-here-all")
        first, how = _earliest(year, crop, self.start, book)
        safe = self.day >= (first - year.start).days
        if crop.frost != "hardy":
            lag = 0.0 if crop.frost == "tender" else book.value("half_hardy_lag_days")
            safe &= self.day < (year.first_frost + days(lag) - year.start).days
            safe &= self._warm_by_day()
        return safe & self._lives_young() & self._roots_by_winter(), how

    def _roots_by_winter(self) -> Flags:
        """Days from which what stays for years still makes its roots before frost; what is set
        while it is dormant is set from about the first frost to some weeks after the last."""
        stays = self.crop.perennial
        if stays is None:
            return np.ones(self.count, dtype=bool)
        settles = self.book.value("perennial_settles_days")
        frost = (self.year.first_frost - self.year.start).days
        if stays.set_dormant:
            wakes = (self.year.last_frost - self.year.start).days + settles / 2
            rests: Flags = (self.day <= wakes) | (self.day >= frost - settles / 2)
            return rests
        roots: Flags = self.day + settles <= frost
        return roots

    def _lives_young(self) -> Flags:
        """Days from which a young plant lives through the cold nights that usually come yet."""
        coming = coming_nights_c(self.year, self.book)
        if coming is None:
            return np.ones(self.count, dtype=bool)
        margin = self.book.value("cold_edge_c") / 2 - self.year.cover_warmer_c
        up = (self.row + round(under_ground_days(self.crop, self.start))) % DAYS
        lives: Flags = coming[up] >= deadly_c(self.crop) + margin
        return lives

    def _warm_by_day(self) -> Flags:
        """Days whose usual mean lies far enough above the base; all without a climate."""
        if self.year.mean_c is None or self.start == "sow":
            return np.ones(self.count, dtype=bool)
        least = self.crop.base_temperature_c + self.book.value("window_above_base_c")
        warm: Flags = daily_means_c(self.year.mean_c)[self.row] >= least
        return warm

    def _ripens(self) -> Flags:
        """Days from which a picking worth having is over before frost, cold or the dark."""
        year, crop, book = self.year, self.crop, self.book
        if year.frost_free or grows_for_years(crop, self.start):
            return np.ones(self.count, dtype=bool)
        spell = min(crop.picking.days, book.value("worthwhile_pick_days"))
        if crop.picking.kind == "once":
            spell = 0.0
        allowance = 0.0 if year.thermal else book.value("short_day_allowance_days")
        frost = float((year.first_frost - year.start).days)
        if crop.frost == "tender":
            end = frost
        elif crop.frost == "half-hardy":
            end = frost + book.value("half_hardy_lag_days")
        else:
            end = min(frost + book.value("winter_standing_days"), self._dies_of_cold())
            spell = 0.0
        ripe: Flags = self.day + np.round(self.grows) + round(spell + allowance) <= round(end)
        return ripe | self._before_winter()

    def _before_winter(self) -> Flags:
        """Days of autumn from which a crop stands a winter young and is picked in spring."""
        nights, when = coldest_nights_c(self.year, self.book), self.crop.before_winter
        if when is None or nights is None:
            return np.zeros(self.count, dtype=bool)
        if nights.min() + self.year.cover_warmer_c < deadly_c(self.crop):
            return np.zeros(self.count, dtype=bool)
        after = self.day - (self.year.first_frost - self.year.start).days
        autumn: Flags = (after >= when.set_from_days) & (after <= when.set_to_days)
        return autumn

    def _dies_of_cold(self) -> float:
        """The day of the coming winter on which a hardy crop usually dies; far off if it lives."""
        nights = coldest_nights_c(self.year, self.book)
        if nights is None:
            return 2.0 * DAYS
        from_midsummer = (self.year.first_frost - self.year.start).days - 60
        days_on = np.arange(from_midsummer, from_midsummer + 240)
        lows = nights[(row_of(self.year.start) + days_on) % DAYS] + self.year.cover_warmer_c
        dead = np.flatnonzero(lows < deadly_c(self.crop))
        return float(days_on[dead[0]]) if len(dead) else 2.0 * DAYS

    def _warmth(self) -> Floats:
        """How warm the weeks of each start are for it against the book's."""
        due = self.row + np.maximum(1, np.round(self.grows)).astype(int)
        worth = min(self.crop.picking.days, self.book.value("worthwhile_pick_days"))
        grows = ripening_from(self.year.normals, self.crop, self.row, due)
        here = suited_over(self.course, self.crop, grows, due, worth)
        there = reference_of(self.crop.id, self.book).suited.warmth
        warmth: Floats = here.warmth / np.maximum(0.05, there)
        return warmth

    def _suits(self) -> Flags:
        if self.year.normals.tmin_c is None or grows_for_years(self.crop, self.start):
            return np.ones(self.count, dtype=bool)
        suits: Flags = self.warmth >= self.book.value("window_least_warmth")
        young = self.row + np.minimum(_YOUNG_DAYS, np.maximum(1, self.grows)).astype(int)
        hot = mean_over(self.course.hot, self.row, young)
        return suits & (hot <= self.book.value("young_heat_most"))

    def gives(self, first: int, last: int) -> float:
        """The warmest start of a spell against the book's, at most all. [0-1]"""
        if self.year.normals.tmin_c is None or grows_for_years(self.crop, self.start):
            return 1.0
        return min(1.0, float(self.warmth[first : last + 1].max()))

    def good_after(self, first: int, last: int) -> int:
        """Days into a spell until its weeks are nearly as warm as any start in it has."""
        if self.year.normals.tmin_c is None or grows_for_years(self.crop, self.start):
            return 0
        spell = np.minimum(1.0, self.warmth[first : last + 1])
        return int(np.argmax(spell >= self.book.value("window_good_share") * spell.max()))

    def never(self) -> Window:
        """A window that is not open, with what shuts it."""
        day = int(np.argmax(self.safe)) if self.safe.any() else 0
        first = self.year.start + timedelta(days=day)
        return Window(first, first - timedelta(days=1), self._why_never(), first)

    def _why_never(self) -> Message:
        if not self.safe.any():
            return message("season-never-warm")
        if not (self.safe & self.ripens).any():
            return message("season-never-short")
        wants = self.crop.day_length
        if wants and wants.hours and wants.hours > day_hours(round(self.year.latitude, 1)).max():
            return message("season-never-long-days")
        best = int(np.argmax(np.where(self.safe & self.ripens, self.warmth, -1)))
        until = self.row[best] + round(float(self.grows[best]))
        means = np.tile(daily_means_c(self.year.mean_c or ()), 3)[self.row[best] : until]
        if means.mean() > self.crop.optimum_high_c:
            return message("season-never-cool-enough")
        return message("season-never-warm")


def heat_gap(year: GrowingYear, crop: Crop, book: Book) -> tuple[date, date] | None:
    """The longest stretch of the plan's year in whose heat a crop hardly grows or sets, from a
    day up to another; None where there is none, or without a climate."""
    if year.normals.tmin_c is None or year.mean_c is None:
        return None
    rows = (row_of(year.start) + np.arange((year.end - year.start).days + 1)) % DAYS
    course = course_of(year.normals, need_of(crop))
    grows = np.diff(course.warm)[rows] * np.diff(course.set)[rows]
    hot = daily_means_c(year.mean_c)[rows] > crop.optimum_high_c
    spells = _spells(hot & (grows < book.value("window_least_warmth")))
    if not spells:
        return None
    first, last = max(spells, key=lambda s: s[1] - s[0])
    return year.start + timedelta(days=first), year.start + timedelta(days=last + 1)


def _earliest(year: GrowingYear, crop: Crop, start: p.Start, book: Book) -> tuple[date, Message]:
    under_ground = under_ground_days(crop, start)
    if crop.frost == "hardy":
        return _earliest_hardy(year, crop, start, book)
    # Where frost takes less than all of it, more springs with frost are worth the risk.
    all_but = 1 - book.value("frost_kills_share")
    weight = (1 - all_but) / max(1 - frost_leaves(crop, book), 0.01)
    accepted = min(book.value("frost_risk_accepted") * weight, 0.5)
    risk_days = year.spread_days * NormalDist().inv_cdf(1 - accepted)
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
