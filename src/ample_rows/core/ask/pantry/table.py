"""A crop at table through the plan's year: eaten fresh, eaten kept, short, and what spoils."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.ask.pantry.larder import larder
from ample_rows.core.ask.pantry.supply import Seasons, weekly_draws
from ample_rows.core.ask.pantry.wants import Wanted
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import at_shares, median_of
from ample_rows.core.words.message import Text, listed, message

Floats = NDArray[np.float64]

_WEEK = timedelta(days=7)
SHORT = 0.5
"""A week goes short where less than this share of what is wanted is there."""
_MOST_SPELLS = 3


@dataclass(frozen=True, slots=True)
class TableWeek:
    """One week at table, each at its median over all seasons; the week by its Monday. [kg]"""

    week: date
    need: float
    fresh: float
    kept: float
    stored: float
    short: bool


@dataclass(frozen=True, slots=True)
class AtTable:
    """A wanted crop's year at table; totals are medians over all seasons. [kg, weeks]"""

    weeks: tuple[TableWeek, ...]
    eaten_kg: float
    kept_kg: float
    spoils_kg: float
    weeks_short: int
    words: Text


def weeks_of(year: GrowingYear) -> tuple[date, ...]:
    """The Mondays of the plan's year."""
    monday = year.start - timedelta(days=year.start.weekday())
    count = -(-((year.end - monday).days + 1) // 7)
    return tuple(monday + _WEEK * number for number in range(count))


def at_table(
    grown: Sequence[Evaluated], wanted: Wanted, year: GrowingYear, seasons: Seasons
) -> AtTable:
    """What the household has of some plantings of a crop, week by week."""
    weeks = weeks_of(year)
    return table_of(weeks, weekly_draws(grown, weeks, seasons), wanted)


def table_of(weeks: Sequence[date], picked: Floats, wanted: Wanted) -> AtTable:
    """What the household has of what is picked, week by week.

    Of the year before only what is said to lie in store is counted.

    Args:
        picked: By week and season. [kg]
    """
    need = np.array(wanted.weekly_kg(tuple(weeks)))
    store = larder(picked, need, wanted, wanted.weeks_in_store(weeks[0]))
    fresh, stored, from_store = (_medians(part) for part in (store.fresh, store.stored, store.kept))
    eaten = store.fresh + store.kept
    short = (need > 0) & (_medians(eaten) < SHORT * need)
    rows = tuple(
        TableWeek(week, float(n), float(f), float(k), float(s), bool(gap))
        for week, n, f, k, s, gap in zip(weeks, need, fresh, from_store, stored, short, strict=True)
    )
    return AtTable(
        weeks=rows,
        eaten_kg=median_of(eaten.sum(axis=0)),
        kept_kg=median_of(store.kept.sum(axis=0)),
        spoils_kg=median_of(store.spoils),
        weeks_short=int(short.sum()),
        words=_words(rows),
    )


def _medians(by_week: Floats) -> Floats:
    """The median of each week of what is never below nothing; most weeks have none of it."""
    medians = np.zeros(len(by_week))
    there = 2 * np.count_nonzero(by_week, axis=1) >= by_week.shape[1]
    medians[there] = at_shares(by_week[there], (0.5,))[0]
    return medians


def _words(rows: Sequence[TableWeek]) -> Text:
    """When the table goes short, the longest spells in their order."""
    spells = _spells(rows)
    if not spells:
        return ""
    longest = sorted(sorted(spells, key=lambda s: s[0] - s[1])[:_MOST_SPELLS])
    said = [message("table-to", since=a, until=b + timedelta(days=6)) for a, b in longest]
    more = len(spells) - len(longest)
    rest = message("table-shorter", more=more) if more else ""
    return message("table-short", spells=listed(said), rest=rest)


def _spells(rows: Sequence[TableWeek]) -> list[tuple[date, date]]:
    """Unbroken runs of short weeks; weeks in which none is wanted do not break one."""
    spells: list[tuple[date, date]] = []
    open_since: date | None = None
    last: date | None = None
    for row in rows:
        if row.short:
            open_since, last = open_since or row.week, row.week
        elif row.need > 0 and open_since is not None and last is not None:
            spells.append((open_since, last))
            open_since = None
    if open_since is not None and last is not None:
        spells.append((open_since, last))
    return spells
