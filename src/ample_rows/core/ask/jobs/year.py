"""All jobs of a plan's year in order, as marked so far; and the weeks about a day."""

import itertools
from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.chores import chore_jobs
from ample_rows.core.ask.jobs.feeding import bed_feeds
from ample_rows.core.ask.jobs.job import Job
from ample_rows.core.ask.jobs.of_place import Kept, place_jobs
from ample_rows.core.ask.jobs.of_planting import Grown, planting_jobs
from ample_rows.core.ask.jobs.orders import order_jobs
from ample_rows.core.ask.jobs.rounds import place_rounds
from ample_rows.core.book import Book, Crop
from ample_rows.core.book.safety import job_cautions
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.planting.report import PlantingReport

_WEEK = timedelta(days=7)
_PASSING = ("water", "pick")


@dataclass(frozen=True, slots=True)
class Weeks:
    """Jobs about a day: of its week from Monday, of the next, and what is behind the plan."""

    monday: date
    this_week: tuple[Job, ...]
    next_week: tuple[Job, ...]
    behind: tuple[Job, ...]


def jobs_of(estimate: Estimate) -> tuple[Job, ...]:
    """Every job of the plan's year, by day; those put off stand on their new day."""
    plan, book = estimate.plan, estimate.book
    report = estimate.report
    planned = {planting.id: planting for planting in plan.plantings}
    by_place: dict[str, list[tuple[p.Planting, PlantingReport]]] = defaultdict(list)
    for planting_report in report.plantings:
        by_place[planting_report.place].append((planned[planting_report.id], planting_report))
    marks = {mark.key: mark for mark in plan.jobs}
    places = {r.id: r for r in report.places}
    jobs = [*order_jobs(plan, report, book)]
    jobs += chore_jobs(plan, report.year.start, report.year.end, book)
    for place in plan.places:
        own = by_place[place.id]
        kept = Kept(place, places[place.id], own, report.year, book)
        jobs += place_jobs(kept)
        jobs += place_rounds(kept, plan.soil)
        reports = [planting_report for _, planting_report in own]
        jobs += bed_feeds(place, places[place.id], reports, report.year, soil=plan.soil, book=book)
        for grown in _grown(place, places[place.id], own, plan.soil, book):
            jobs += planting_jobs(grown)
    crops = {e.id: book.crops[e.variety or e.crop] for e in plan.plantings}
    cautions = _Cautions(crops, book)
    marked = [_marked(cautions.on(job), marks) for job in jobs]
    in_year = (j for j in marked if report.year.start <= j.until and j.on <= report.year.end)
    return tuple(sorted(in_year, key=lambda job: (job.on, job.place or "", job.key)))


def _grown(
    place: p.Place,
    here: PlaceReport,
    own: list[tuple[p.Planting, PlantingReport]],
    soil: p.Soil | None,
    book: Book,
) -> Iterator[Grown]:
    for planting, report in own:
        following = _next(report, own)
        yield Grown(
            place=place,
            planting=planting,
            report=report,
            crop=book.crops[planting.variety or planting.crop],
            next_name=following.name if following else None,
            next_on=following.start_date if following else None,
            book=book,
            here=here,
            soil=soil,
        )


def _next(
    report: PlantingReport, own: list[tuple[p.Planting, PlantingReport]]
) -> PlantingReport | None:
    """What next takes any of a planting's squares once it is cleared."""
    cells = set(report.cells)
    after = [
        r
        for _, r in own
        if report.clear_date and r.start_date >= report.clear_date and cells & set(r.cells)
    ]
    return min(after, key=lambda r: r.start_date, default=None)


class _Cautions:
    """What can hurt at the jobs of a plan, looked up once for each kind of job and crop."""

    def __init__(self, crops: Mapping[str, Crop], book: Book) -> None:
        self.crops, self.book = crops, book
        self.known: dict[tuple[str, bool, str | None], tuple[str, ...]] = {}

    def on(self, job: Job) -> Job:
        """The job with its cautions."""
        crop = self.crops[job.planting] if job.planting else None
        key = (job.kind, job.nth == 1, crop.id if crop else None)
        if key not in self.known:
            self.known[key] = job_cautions(job.kind, job.nth, crop, self.book.cautions)
        said = self.known[key]
        return replace(job, cautions=said) if said else job


def _marked(job: Job, marks: dict[tuple[str | None, str | None, str, int], p.JobMark]) -> Job:
    mark = marks.get((job.place, job.planting, job.job, job.nth))
    if mark is None:
        return job
    marked = replace(job, state=mark.state, marked_on=mark.on, done_cells=mark.cells)
    if mark.state != "put-off":
        return marked
    return replace(marked, on=mark.on, until=mark.on + (job.until - job.on))


def weeks_about(jobs: tuple[Job, ...], day: date) -> Weeks:
    """The jobs of a day's week and of the next, and those before it that nobody has done.

    Nothing is behind before the first mark was made: nobody said that the list is followed. A
    job that comes again is behind only with its last time; older times have passed.
    """
    followed = min((j.marked_on for j in jobs if j.marked_on), default=None)
    monday = day - timedelta(days=day.weekday())
    # What is watered comes last: it is there every week.
    ordered = sorted(jobs, key=lambda job: job.job == "water")
    now = _asked_in(ordered, monday)
    here = {job.key for job in now}
    after = _asked_in([job for job in ordered if job.key not in here], monday + _WEEK)
    said: set[str] = set()
    this_week = tuple(_once(job, said) for job in now)
    following = tuple(_once(job, said) for job in after)
    behind: dict[_Series, Job] = {}
    for job in jobs:
        missed = not job.closed and job.job not in _PASSING
        if followed and followed <= job.until < monday and missed:
            behind[_series(job)] = job
    newest = {_series(job) for job in (*this_week, *following)}
    left_behind = tuple(job for key, job in behind.items() if key not in newest)
    return Weeks(monday, this_week, following, left_behind)


def _asked_in(jobs: Sequence[Job], monday: date) -> tuple[Job, ...]:
    """The jobs that a week asks for, in their order: of several times of the same one that nobody
    has marked that which has most of its days in the week."""
    sunday = monday + _WEEK - timedelta(days=1)
    open_then = [job for job in jobs if job.on <= sunday and job.until >= monday]
    most: dict[_Series, Job] = {}
    for job in (job for job in open_then if job.state == "open"):
        one = most.setdefault(_series(job), job)
        if _days_between(job, monday, sunday) > _days_between(one, monday, sunday):
            most[_series(job)] = job
    asked = {job.key for job in most.values()}
    return tuple(job for job in open_then if job.key in asked or job.state != "open")


def _days_between(job: Job, first: date, last: date) -> timedelta:
    return min(job.until, last) - max(job.on, first)


_Series = tuple[str | None, str | None, str]


def _series(job: Job) -> _Series:
    """What all times of a job that comes again share."""
    return job.place, job.planting, job.job


def _once(job: Job, said: set[str]) -> Job:
    """A job without the cautions that a list has said before it, which are added to."""
    fresh = tuple(caution for caution in job.cautions if caution not in said)
    said.update(fresh)
    return replace(job, cautions=fresh) if fresh != job.cautions else job


@dataclass(frozen=True, slots=True)
class Series:
    """A job that comes so many times, every so many days."""

    job: Job
    times: int
    every_days: int


def series_of(jobs: tuple[Job, ...]) -> Iterator[Series]:
    """Jobs that are still to do for a calendar: those that come again evenly as one series.

    Watering is left out: it comes every week for every place, and by the weather.
    """
    groups: dict[_Series, list[Job]] = defaultdict(list)
    for job in jobs:
        if not job.closed and job.job != "water":
            groups[_series(job)].append(job)
    for group in groups.values():
        gaps = {(b.on - a.on).days for a, b in itertools.pairwise(group)}
        if len(gaps) == 1:
            yield Series(group[0], len(group), gaps.pop())
        else:
            yield from (Series(job, 1, 0) for job in group)
