"""Jobs that were marked done, as entries of the day book."""

import hashlib

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.record.doubts import season_id
from ample_rows.core.record.entries import Entry, Kind

_WITHOUT_WEIGHT: Kind = "picked"


def entries_of_jobs(plan: p.Plan, book: Book) -> tuple[Entry, ...]:
    """What is in the day book because a job of the plan was marked done, or done in part; opened
    again, it is in it no more. A picking is not: it is an entry once it is weighed."""
    season = season_id(growing_year(plan.garden, book).start)
    kinds = {job: kind for kind, done in book.done_as.items() for job in done.jobs}
    crops = {planting.id: planting.variety or planting.crop for planting in plan.plantings}
    found = []
    for mark in plan.jobs:
        kind = kinds.get(mark.job, "note")
        if mark.state not in ("done", "part") or kind == _WITHOUT_WEIGHT:
            continue
        entry = {
            "id": _ident(season, mark),
            "day": mark.on,
            "kind": kind,
            "season": season,
            "place": mark.place,
            "planting": mark.planting,
            "crop": crops.get(mark.planting or ""),
            "cells": mark.cells or None,
            "text": _verb(mark, plan, book) if kind == "note" else None,
        }
        found.append(Entry.model_validate(entry))
    return tuple(found)


def _ident(season: str, mark: p.JobMark) -> str:
    """The same for the same job, whenever it is asked."""
    return "job-" + hashlib.sha256(repr((season, mark.key)).encode()).hexdigest()[:16]


def _verb(mark: p.JobMark, plan: p.Plan, book: Book) -> str:
    """What was done, in the words of its job."""
    own = next((chore.what for chore in plan.chores if chore.id == mark.job), None)
    if own is not None:
        return own
    rule = book.jobs.get(mark.job) or book.rounds.get(mark.job)
    return rule.verb if rule is not None else mark.job.replace("-", " ").capitalize()
