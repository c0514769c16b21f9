"""The days of a planting: up, first and last pick, cleared; what frost and troubles take."""

import math
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.cold import cold_day
from ample_rows.core.calendar.growing_year import (
    GrowingYear,
    days,
    frost_after,
    grow_days,
    longer_picked_days,
    mean_temperature_c,
    move_years,
    yearly_on_or_after,
)
from ample_rows.core.calendar.perennials import harvest_of_year
from ample_rows.core.calendar.seeding import hurried_days, seeding_day
from ample_rows.core.weather.evapotranspiration import daylight_hours

Floats = NDArray[np.float64]


@dataclass(frozen=True, slots=True)
class PickingCourse:
    """The whole picking of a crop, and the days that it grows before. [days]"""

    whole_days: float
    grow_days: int


@dataclass(frozen=True)
class Dates:
    """When one planting starts, is picked and is cleared in a usual year, and what frost takes.

    `ends` is the day by which it is over whatever the weather, `frost` the usual day of a frost
    that ends it, `dies` the usual day on which the cold of winter kills it, `up` the day on which
    it stands above ground, `course` what its picking would be. It `seeds` on the day on which long
    days end its picking, where they do.
    What stays for years `bears` a share of its full yield in a `year_of_life`, the first being 0.
    """

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
    ends: date
    frost: date | None
    dies: date | None
    up: date
    course: PickingCourse
    seeds: date | None = None
    bears: float = 1.0
    year_of_life: int | None = None


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


def grows_in_heat(year: GrowingYear, crop: Crop, dates: Dates) -> bool:
    """Whether the weeks up to a first pick are warmer on average than a crop grows best in; not
    without a climate."""
    means = [mean_temperature_c(year, day) for day in _sampled(dates.start, dates.due)]
    known = [mean for mean in means if mean is not None]
    return bool(known) and sum(known) / len(known) > crop.optimum_high_c


def frost_day(year: GrowingYear, crop: Crop, start: date, book: Book) -> date | None:
    """The autumn day that ends a crop, None for a hardy one and where there is no frost."""
    if crop.frost == "hardy" or year.frost_free:
        return None
    lag = 0.0 if crop.frost == "tender" else book.value("half_hardy_lag_days")
    return frost_after(year, start, lag)


def usual_end(year: GrowingYear, crop: Crop, start: date, book: Book) -> date | None:
    """The day about which a crop usually ends here by what troubles it, a year later for plants
    that are still young then and are spared; None for a kind that withstands it well."""
    for likely in year.likely_ends:
        spared = likely.trouble and book.withstands(crop).get(likely.trouble) == "well"
        if likely.crop in (crop.id, crop.variety_of) and not spared:
            usual = yearly_on_or_after(likely.on, start + timedelta(days=1))
            young = spares_young(likely, book) and usual - start < days(book.value("young_days"))
            return move_years(usual, 1) if young else usual
    return None


def spares_young(likely: p.LikelyEnd, book: Book) -> bool:
    """Whether what usually ends a crop takes its old plants and leaves the young."""
    if likely.spares_young is None:
        return likely.trouble is not None and book.troubles[likely.trouble].spares_young
    return likely.spares_young


def under_ground_days(crop: Crop, start: p.Start) -> float:
    """Days from a start until something stands above ground that frost can take: of seed the
    fewest, of what is set deep in cold ground the mean."""
    if start == "set":
        return (crop.germination_days.low + crop.germination_days.high) / 2
    return crop.germination_days.low if start == "sow" else 0.0


def frost_leaves(crop: Crop, book: Book) -> float:
    """What a spring frost leaves of a crop that stands above ground. [0-1]

    Few plants live; one that sprouts again from below gives less, and later.
    """
    again = crop.after_frost_share
    return 1 - book.value("frost_kills_share") if again is None else again


def spring_frost(
    year: GrowingYear, crop: Crop, start: p.Start, start_date: date, book: Book
) -> tuple[date, date] | None:
    """The day on which a crop stands above ground and the usual last frost that it fears then;
    None where it fears none."""
    if crop.frost == "hardy" or year.frost_free:
        return None
    lead = 0.0 if crop.frost == "tender" else book.value("half_hardy_lead_days")
    up = start_date + days(under_ground_days(crop, start))
    # In autumn the coming spring's frost is no threat: frost_day has ended the crop by then.
    autumn = frost_day(year, crop, start_date, book)
    spring = yearly_on_or_after(year.last_frost - days(lead), up - timedelta(days=182))
    return None if autumn is not None and spring >= autumn else (up, spring)


def frost_survival(
    year: GrowingYear, crop: Crop, start: p.Start, start_date: date, book: Book
) -> float:
    """Chance that no spring frost comes once the crop stands above ground. [0-1]"""
    fears = spring_frost(year, crop, start, start_date, book)
    if fears is None:
        return 1.0
    up, spring = fears
    if year.spread_days == 0:
        return 1.0 if up >= spring else 0.0
    return NormalDist(0, year.spread_days).cdf((up - spring).days)


_LIES_AT_MOST = 200
_SHORTEST_PICKING = 7.0
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
_RIPE_OR_LOST = ("fruit", "seed", "pod", "flower")
_WINTER_BEFORE_DAYS, _SPRING_DAYS = 270, 90


_AT_START = 1 / (1 + math.exp(_STEEPNESS * _MIDDLE))


_GAIN = 1 / (1 + math.exp(-_STEEPNESS * (1 - _MIDDLE))) - _AT_START


def growth_share(day_share: NDArray[np.float64] | float) -> NDArray[np.float64]:
    """Logistic growth: the share of full size at a share of the time to first pick."""
    u = np.clip(day_share, 0.0, 1.0)
    grown: NDArray[np.float64] = 1 / (1 + np.exp(-_STEEPNESS * (u - _MIDDLE)))
    return (grown - _AT_START) / _GAIN


@lru_cache(maxsize=4096)
def dates_of(
    planting: p.Planting, crop: Crop, year: GrowingYear, book: Book, *, picking: float = 1.0
) -> Dates:
    """All dates of one planting and the shares that frost and clearing leave of its picking.

    Args:
        picking: Length of its picking against the crop's own, by how it is trained.
    """
    whole = crop.picking.days * picking
    start = planting.start_date
    if crop.perennial is not None:
        return _staying(planting, crop, year, book)
    grow = grow_days(year, crop, planting.start, start, book)
    if grow is None:
        # A start that the book gives no time for: the crop's slowest known one.
        growths = [grow_days(year, crop, s, start, book) for s in crop.starts]
        grow = max(d for d in growths if d is not None)
    due = start + days(grow)
    whole = max(min(whole, _SHORTEST_PICKING), whole + longer_picked_days(year, crop))
    finish = due + days(whole)
    frost = frost_day(year, crop, start, book)
    usual = usual_end(year, crop, start, book)
    seeds = seeding_day(crop, year.latitude, due, finish)
    if seeds is not None:
        whole = hurried_days(whole, (seeds - due).days)
    ends = min(d for d in (finish, usual, seeds, planting.clear_date) if d is not None)
    up = _up(year, crop, planting.start, start)
    dies = cold_day(year, crop, up, ends, book)
    end = min(d for d in (ends, frost, dies) if d is not None)
    spell = (end - due).days
    cold = end in (frost, dies) and end < finish
    course = PickingCourse(whole, (due - start).days)
    share = _picked_at(crop, course, spell, book, cold)
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
        killed_by_frost=cold,
        cleared_early=planting.clear_date == end and end < finish,
        ends=ends,
        frost=frost,
        dies=dies,
        up=up,
        course=course,
        seeds=seeds if seeds == end else None,
    )


def _up(year: GrowingYear, crop: Crop, start: p.Start, start_date: date) -> date:
    """The day from which something stands above ground: seed and sets of a hardy crop lie in cold
    soil until it has their least warmth, unharmed."""
    under = days(under_ground_days(crop, start))
    if crop.frost != "hardy" or start not in ("sow", "set") or year.mean_c is None:
        return start_date + under
    least = crop.germination_least_c
    wakes = (
        day for n in range(_LIES_AT_MOST) if _soil_c(year, day := start_date + days(n)) >= least
    )
    return next(wakes, start_date) + under


def _soil_c(year: GrowingYear, day: date) -> float:
    """The mean of a day with what the soil of the place is warmer; a known climate. [°C]"""
    mean = mean_temperature_c(year, day)
    assert mean is not None
    return mean + year.soil_warmer_c * sun_share(year.latitude, day)


def _staying(planting: p.Planting, crop: Crop, year: GrowingYear, book: Book) -> Dates:
    """Dates of what stays for years: its harvest of the plan's year. It is cleared when it is told
    to, or holds its ground for all of the year."""
    start, whole = planting.start_date, crop.picking.days
    harvest = harvest_of_year(year, crop, planting.start, start, book)
    due = harvest.first
    ends = min(d for d in (harvest.over, planting.clear_date) if d is not None)
    # The winter before its harvest may kill it; later the first cold that its leaves do not bear
    # ends the picking.
    up = max(start, due - timedelta(days=_WINTER_BEFORE_DAYS))
    dies = cold_day(year, crop, up, ends, book)
    leaf_dies = cold_day(year, crop, due, ends, book, stage="leaf")
    end = min(d for d in (ends, dies, leaf_dies) if d is not None)
    course = PickingCourse(whole, _SPRING_DAYS)
    spell = (end - due).days
    share = _picked_at(crop, course, spell, book, True) * harvest.share if spell > 0 else 0.0
    # The plan looks no further than its own year.
    stands = max(year.end, start) + timedelta(days=1)
    return Dates(
        start=start,
        first_pick=due if share > 0 else None,
        last_pick=end - timedelta(days=1) if share > 0 else None,
        clear=planting.clear_date or max(stands, end),
        due=due,
        pick_days=_pick_days(crop, whole, spell),
        picked_share=share,
        frost_survival=frost_survival(year, crop, planting.start, start, book),
        killed_by_frost=False,
        cleared_early=planting.clear_date == end and spell < whole,
        ends=end if dies is None else ends,
        frost=None,
        dies=dies,
        up=up,
        course=course,
        bears=harvest.share,
        year_of_life=harvest.year_of_life,
    )


# Every day that is tried of every crop asks for one of a few hundred endings.
@lru_cache(maxsize=8192)
def _picked_at(crop: Crop, course: PickingCourse, spell: int, book: Book, killed: bool) -> float:
    return float(picked_by(crop, course, np.array([float(spell)]), book, killed=killed)[0])


def picked_by(
    crop: Crop, course: PickingCourse, spell_days: Floats, book: Book, *, killed: bool
) -> Floats:
    """The share of its picking that a crop has had when it ends some days after its first pick.

    What is lifted in one go is whole once it is ready. Cleared before, it weighs its growth;
    killed before, so do roots, bulbs and leaves, while unripe fruit and seed are lost.
    """
    if crop.picking.kind != "once":
        shape = book.picking_shapes[crop.picking.kind]
        u = np.clip(spell_days / course.whole_days, 0.0, 1.0)
        return u * u * (3 - 2 * u) if shape.peaked else u
    ready = (spell_days > 0).astype(np.float64)
    if ready.all() or (killed and crop.group in _RIPE_OR_LOST):
        return ready
    grow = max(1, course.grow_days)
    early = growth_share((grow + spell_days) / grow)
    if crop.piece_kg and crop.least_piece_kg:
        early = np.where(early * crop.piece_kg < crop.least_piece_kg, 0.0, early)
    return np.where(spell_days > 0, 1.0, early)


def _pick_days(crop: Crop, whole: float, spell: int) -> float:
    """Days over which the picking runs: a once-picked crop fits itself to what it has."""
    if crop.picking.kind == "once":
        return min(whole, max(1, spell))
    return whole
