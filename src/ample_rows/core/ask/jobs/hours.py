"""Hours: the jobs of each week against the time that the household has for the garden."""

from collections import defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.job import Job
from ample_rows.core.words.message import Area, Message, Number, Text, message

_WEEK = timedelta(days=7)
_DAYS = ("monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday")
_MOST_NAMED = 8
_BUSY = 0.9
"""A garden is sized by its weeks but for the busiest tenth: those can be spread a little."""


@dataclass(frozen=True, slots=True)
class WeekHours:
    """One week's work, and the hours that there are for it; null where nobody has said."""

    week: date
    hours: float
    able: float | None
    away_days: int


@dataclass(frozen=True, slots=True)
class CannotWait:
    """A job that falls into days on which nobody is there, and the day to do it by instead."""

    job: Job
    words: Text


@dataclass(frozen=True, slots=True)
class Hours:
    """A year's work. `fits_m2` is the ground of such a garden that the household's hours keep,
    null where these are not known; `over` counts the weeks that ask for more. [hours, m²]"""

    weeks: tuple[WeekHours, ...]
    year_hours: float
    over: int
    fits_m2: float | None
    words: Text
    cannot_wait: tuple[CannotWait, ...]


def hours_of(
    jobs: Sequence[Job], household: p.Household | None, area_m2: float, span: tuple[date, date]
) -> Hours:
    """The work of every week of a plan's year.

    Args:
        area_m2: Ground of all places.
        span: First and last day of the plan's year.
    """
    people = household or p.Household()
    minutes: dict[date, float] = defaultdict(float)
    for job in jobs:
        if job.state != "left-out":
            minutes[_monday(max(job.on, span[0]))] += job.minutes
    weeks = []
    monday = _monday(span[0])
    while monday <= span[1]:
        away = sum(_is_away(people, monday + timedelta(days=day)) for day in range(7))
        weeks.append(WeekHours(monday, minutes[monday] / 60, _able(people, monday), away))
        monday += _WEEK
    worked = sum(week.hours for week in weeks)
    over = sum(week.able is not None and week.hours > week.able for week in weeks)
    fits = _fits_m2(weeks, people.hours_per_week, area_m2)
    return Hours(
        weeks=tuple(weeks),
        year_hours=worked,
        over=over,
        fits_m2=fits,
        words=_words(weeks, fits, area_m2),
        cannot_wait=tuple(_cannot_wait(jobs, people))[:_MOST_NAMED],
    )


def _monday(day: date) -> date:
    return day - timedelta(days=day.weekday())


def _is_away(household: p.Household, day: date) -> bool:
    return any(away.since <= day < away.until for away in household.away)


def _comes(household: p.Household, day: date) -> bool:
    """Whether someone is in the garden on a day."""
    visits = not household.visits or _DAYS[day.weekday()] in household.visits
    return visits and not _is_away(household, day)


def _able(household: p.Household, monday: date) -> float | None:
    """The hours of a week: all of them, less for the days of it that nobody comes."""
    if household.hours_per_week is None:
        return None
    days = [monday + timedelta(days=day) for day in range(7)]
    usual = len(household.visits) or len(days)
    return household.hours_per_week * sum(_comes(household, day) for day in days) / usual


def _fits_m2(weeks: Sequence[WeekHours], hours: float | None, area_m2: float) -> float | None:
    busy = _busy(weeks)
    if hours is None or not busy or not area_m2:
        return None
    return area_m2 * hours / busy


def _busy(weeks: Sequence[WeekHours]) -> float:
    """What the busiest weeks ask, the very busiest tenth of those with work left out."""
    worked = sorted(week.hours for week in weeks if week.hours > 0)
    return worked[min(len(worked) - 1, int(_BUSY * len(worked)))] if worked else 0.0


def _words(weeks: Sequence[WeekHours], fits_m2: float | None, area_m2: float) -> Message:
    if not any(week.hours for week in weeks):
        return message("hours-nothing-do-yet")
    busiest = max(weeks, key=lambda week: week.hours)
    busy = message("hours-most-week-hours", week=busiest.week, hours=Number(busiest.hours, 1))
    if fits_m2 is None:
        return busy
    if fits_m2 >= area_m2:
        return message("hours-time-such-garden-has", busy=busy, fits=Area(fits_m2))
    return message("hours-time-such-garden-here", busy=busy, fits=Area(fits_m2), area=Area(area_m2))


def _cannot_wait(jobs: Iterable[Job], household: p.Household) -> Iterable[CannotWait]:
    """Jobs whose whole time falls into days away, the most pressing first; each water job of an
    absence is told once."""
    named: set[tuple[str | None, str]] = set()
    for job in jobs:
        last = max(job.until, job.latest or job.until)
        length = (last - job.on).days + 1
        days = [job.on + timedelta(days=day) for day in range(length)]
        key = job.place, job.job if job.planting is None else job.key
        if job.closed or key in named or any(not _is_away(household, day) for day in days):
            continue
        named.add(key)
        yield CannotWait(job, _instead(job, household))


def _instead(job: Job, household: p.Household) -> Message:
    leave = min((a.since for a in household.away if a.since <= job.on < a.until), default=job.on)
    if job.job == "water":
        return message("hours-ask-someone-or-set", leave=leave)
    if job.job == "pick":
        return message("hours-pick-all-ready-before", leave=leave)
    return message("hours-do-before-or-ask", leave=leave)
