"""What frost, cold and the length of a season leave of one planting, in each simulated season.

Last and first frost and the coldest night are drawn once a season for the whole garden. Where no
season differs from another nothing is drawn.
"""

import math
from dataclasses import dataclass

import numpy as np

from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.cold import Nights, deadly_c, nights_of, snow_covers
from ample_rows.core.calendar.dates import Dates, frost_leaves, picked_by, spring_frost
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.calendar.season import Season, WeeksHere, weeks_here
from ample_rows.core.plan import Start
from ample_rows.core.planting.harvest import Draws, Lot, luck, stream

_FAR = 3.3
"""Spreads beyond which no season's frost or cold is looked for."""

HEAT_SAID = 0.97
"""What leaves more than this of a harvest is no loss that a season is drawn for."""


@dataclass(frozen=True, eq=False, slots=True)
class Chances:
    """What the seasons leave of a planting: how its weeks suit it, its season on the mean, what
    every season leaves alike, and what each one leaves of that; None where all leave the same.
    `survival` is the share of seasons in which it is not lost. [0-1]"""

    weeks: WeeksHere
    season: Season
    even: float
    had: Draws | None
    survival: float


def chances_of(
    year: GrowingYear, crop: Crop, start: Start, dates: Dates, *, lot: Lot, book: Book
) -> Chances:
    """What frost and cold leave of a planting of a lot, and how its weeks suit it."""
    weeks = weeks_here(year, crop, dates, book)
    drawn = _Drawn(year, crop, start, dates, lot, book)
    picked, lives, hot = drawn.picked(), drawn.lives(), drawn.heat(weeks.in_heat)
    alike = weeks.warmth * weeks.light
    if picked is None and lives is None and hot is None:
        season = Season(dates.picked_share, weeks.warmth, weeks.light)
        survival = 1.0 if dates.picked_share > 0 or dates.bears == 0 else 0.0
        return Chances(weeks, season, alike * dates.picked_share, None, survival)
    stands = np.ones(drawn.count) if picked is None else picked
    had = np.full(drawn.count, dates.picked_share) if picked is None else picked * dates.bears
    share = float(had.mean())
    if hot is not None:
        had = had * hot
    warm = float(had.mean())
    if lives is not None:
        had, stands = had * lives, stands * lives
    live = float(had.mean()) / warm if warm > 0 else 0.0
    spared = warm / share if share > 0 else 1.0
    season = Season(share, weeks.warmth * spared, weeks.light * live)
    return Chances(weeks, season, alike, had, float((stands > 0).mean()))


@dataclass(frozen=True, slots=True)
class _Drawn:
    year: GrowingYear
    crop: Crop
    start: Start
    dates: Dates
    lot: Lot
    book: Book

    @property
    def count(self) -> int:
        return int(self.book.value("seasons"))

    def picked(self) -> Draws | None:
        """The share of the picking that is had in each season before frost or cold ends it."""
        ends = self._ends()
        if ends is None:
            return None
        dates, crop, book = self.dates, self.crop, self.book
        whole = float((dates.ends - dates.due).days)
        had: Draws = picked_by(crop, dates.course, np.minimum(ends, whole), book, killed=True)
        if dates.frost is None:
            # Of a stand in deadly cold some plants live, and are picked to the end.
            full = picked_by(crop, dates.course, np.full(1, whole), book, killed=False)
            live = self._live_through()
            had = np.asarray(live * full + (1 - live) * had)
        return had

    def _ends(self) -> Draws | None:
        """Days from the first pick, due or not, to the frost or cold that ends each season."""
        dates, year = self.dates, self.year
        if dates.frost is not None:
            margin = (dates.frost - dates.ends).days
            if margin > _FAR * year.spread_days and dates.dies is None:
                return None
            chance = stream(self.lot.seed, "first-frost", self.count)
            late = np.round(year.spread_days * chance).astype(np.float64)
            ends = (dates.frost - dates.due).days + late
            hard = math.inf if dates.dies is None else (dates.dies - dates.due).days
            return np.minimum(ends, hard)
        nights = self._nights()
        edge = self.book.value("cold_edge_c") / 2
        if nights is None or nights.safe_from(deadly_c(self.crop) + edge, _FAR):
            return None
        days = nights.first_below(deadly_c(self.crop) + edge, self._winters())
        return days.astype(np.float64) - (dates.due - dates.up).days

    def _nights(self) -> Nights | None:
        up, ends = self.dates.up, self.dates.ends
        return nights_of(self.year, up, ends, self.book, under_snow=snow_covers(self.crop))

    def _winters(self) -> Draws:
        """How much milder the winter of each season is than a usual one. [spreads]"""
        return stream(self.lot.seed, "winter", self.count)

    def _live_through(self) -> Draws:
        """The share of a stand that lives through the coldest night of each season."""
        nights = self._nights()
        if nights is None:
            return np.ones(self.count)
        deadly = deadly_c(self.crop)
        above = nights.lowest_c(deadly, self._winters()) - deadly
        return np.clip(above / self.book.value("cold_edge_c") + 0.5, 0.0, 1.0)

    def heat(self, left: float) -> Draws | None:
        """What each season's summer leaves of the harvest: all of it in a cool one, less the hotter
        it is.

        Args:
            left: What a hot spell leaves. [0-1]
        """
        if left > HEAT_SAID:
            return None
        summers = stream(self.lot.seed, "summer", self.count)
        return np.asarray(
            1 - (1 - left) * np.clip(summers / self.book.value("hot_summer_spreads"), 0.0, 1.0)
        )

    def lives(self) -> Draws | None:
        """The share of its plants that live through the spring frosts of each season."""
        spring = spring_frost(self.year, self.crop, self.start, self.dates.start, self.book)
        if spring is None:
            return None
        up, frost = spring
        spread = self.year.spread_days
        if (up - frost).days > _FAR * spread:
            return None
        last = np.round(spread * stream(self.lot.seed, "last-frost", self.count))
        caught = (frost - up).days + last > 0
        spared = frost_leaves(self.crop, self.book)
        if self.crop.after_frost_share is not None:
            return np.where(caught, spared, 1.0)
        of_lot = f"spring/{self.lot.crop}/{self.lot.place}"
        live = luck(self.lot.seed, of_lot, max(1, self.lot.plants), spared, self.count)
        return np.where(caught, live, 1.0)
