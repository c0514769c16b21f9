"""Jobs of a place as such: getting it ready, putting supports up, covers on and off, watering."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.cells import span_words
from ample_rows.core.jobs.job import Job
from ample_rows.core.reference import Book
from ample_rows.core.report import PlaceReport, PlantingReport, YearReport
from ample_rows.core.said import day_words
from ample_rows.core.season import days

_WEEK = timedelta(days=7)


@dataclass(frozen=True, eq=False)
class Kept:
    """A place with what grows there, as its own jobs are worked out from it."""

    place: p.Place
    report: PlaceReport
    plantings: Sequence[tuple[p.Planting, PlantingReport]]
    year: YearReport
    book: Book


def place_jobs(kept: Kept) -> Iterator[Job]:
    """Every job of a place that no planting asks for by itself."""
    for index, job in enumerate(kept.report.jobs, 1):
        yield _job(
            kept,
            f"ready-{index}",
            verb="Ready",
            about=job.what,
            why=job.why,
            span=(job.on, job.latest),
        )
    yield from _supports(kept)
    yield from _covers(kept)
    yield from _waterings(kept)


def _supports(kept: Kept) -> Iterator[Job]:
    labels = {report.id: report for report in kept.report.supports}
    for support in kept.place.supports:
        on_it = [r.start_date for g, r in kept.plantings if g.support == support.id]
        if not on_it or support.id not in labels:
            continue
        first, known = min(on_it), labels[support.id]
        before = first - days(kept.book.value("put_up_before_days"))
        about = f"{known.label}, {known.height_cm:g} cm high"
        why = f"before what climbs it starts on {first.day} {first:%B}; roots are not hurt then"
        name = f"put-up-{support.id}"[:64]
        yield _job(kept, name, verb="Put up", about=about, why=why, span=(before, first))


def _covers(kept: Kept) -> Iterator[Job]:
    for cover in kept.report.covers:
        where, what = span_words(cover.cells), cover.label
        for verb, day, why in (
            ("Cover", cover.since, "kept on until " + day_words(cover.until)),
            ("Uncover", cover.until, "it is needed no longer"),
        ):
            name = f"{verb.lower()}-{cover.id}"[:64]
            about, span = f"{what} over {where}", (day, day + _WEEK)
            yield _job(kept, name, verb=verb, about=about, why=why, span=span)


def _waterings(kept: Kept) -> Iterator[Job]:
    """What a place drinks beyond the usual rain, week by week while it wants any."""
    water = kept.report.water
    if water is None:
        return
    monday, nth = kept.year.start - timedelta(days=kept.year.start.weekday()), 1
    while monday <= kept.year.end:
        litres = water.litres_per_week[(monday + timedelta(days=3)).month - 1]
        if litres >= 1:
            about = f"{litres:.0f} L in the week, beyond the usual rain"
            why = "a usual year; less after rain, more in a dry spell"
            span = (monday, monday + timedelta(days=6))
            yield _job(kept, "water", verb="Water", about=about, why=why, span=span, nth=nth)
        monday, nth = monday + _WEEK, nth + 1


def _job(
    kept: Kept,
    name: str,
    *,
    verb: str,
    about: str,
    why: str,
    span: tuple[date, date],
    nth: int = 1,
) -> Job:
    return Job(
        key=f"{kept.place.id}//{name}/{nth}",
        job=name,
        nth=nth,
        verb=verb,
        place=kept.place.id,
        place_label=kept.place.label,
        planting=None,
        cells=(),
        where="",
        about=about,
        why=why,
        sign=None,
        first=(),
        on=span[0],
        until=max(span),
        latest=None,
    )
