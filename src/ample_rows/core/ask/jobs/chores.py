"""Jobs of the grower's own, each time that they come; and usual ones to take over."""

import calendar
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.job import Job, ground_job
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import days, growing_year
from ample_rows.core.words.message import Count, Message, message

_LASTS = timedelta(days=13)
_WEEK = timedelta(days=6)


def chore_jobs(plan: p.Plan, since: date, until: date, book: Book) -> Iterator[Job]:
    """The plan's own jobs that fall between two days, both included.

    One of a place that this drawing lacks is of the garden.
    """
    places = {place.id: place for place in plan.places}
    usual = book.place_minutes["chore"].of()
    known = {chore.what: f"chore-{key}" for key, chore in book.usual_chores.items()}
    for chore in plan.chores:
        for nth, on in _times(chore, since, until):
            yield ground_job(
                places.get(chore.place) if chore.place else None,
                f"chore-{chore.id}",
                kind=known.get(chore.what, "chore"),
                nth=nth,
                verb=message("chores-see"),
                about=chore.what,
                why=_why(chore, nth),
                span=(on, on + (_WEEK if chore.per == "week" else _LASTS)),
                minutes=usual if chore.minutes is None else chore.minutes,
            )


def day_of_time(chore: p.Chore, nth: int) -> date:
    """The day on which a chore comes for the nth time; a day that a month lacks is its last."""
    steps = (nth - 1) * (chore.every or 0)
    if chore.per == "week":
        return chore.on + timedelta(weeks=steps)
    months = chore.on.month - 1 + steps * (12 if chore.per == "year" else 1)
    year, month = chore.on.year + months // 12, months % 12 + 1
    return date(year, month, min(chore.on.day, calendar.monthrange(year, month)[1]))


def _times(chore: p.Chore, since: date, until: date) -> Iterator[tuple[int, date]]:
    """Each time that falls into a span, with its number."""
    if chore.every is None or chore.per is None:
        if since <= chore.on <= until:
            yield 1, chore.on
        return
    nth, on = 1, chore.on
    while on <= until:
        if on >= since:
            yield nth, on
        nth += 1
        on = day_of_time(chore, nth)


def _why(chore: p.Chore, nth: int) -> Message:
    if chore.every is None or chore.per is None:
        return message("chores-job-your-own-once")
    span = Count(chore.every, f"every-{chore.per}")
    following = day_of_time(chore, nth + 1)
    return message("chores-every-next", every=span, on=following, year=f"{following.year}")


@dataclass(frozen=True, slots=True)
class ProposedChore:
    """A usual job that the plan lacks, with the day of this garden's year that it suits."""

    key: str
    what: str
    on: date
    every: int
    per: p.Per
    why: str


def usual_chores(plan: p.Plan, book: Book) -> tuple[ProposedChore, ...]:
    """Usual jobs of a garden that come with the season or after some years, by their day."""
    year = growing_year(plan.garden, book)
    entered = {chore.what for chore in plan.chores}
    anchors = {"last_frost": year.last_frost, "first_frost": year.first_frost}
    proposed = [
        ProposedChore(
            key=key,
            what=usual.what,
            on=anchors[usual.anchor] + days(usual.after_days),
            every=usual.every,
            per=usual.per,
            why=usual.why,
        )
        for key, usual in book.usual_chores.items()
        if usual.what not in entered
    ]
    return tuple(sorted(proposed, key=lambda one: one.on))
