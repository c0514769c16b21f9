"""Jobs of a place as such: getting it ready, putting supports up, covers on and off, watering."""

import itertools
import math
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.job import Job, ground_job
from ample_rows.core.book import Book
from ample_rows.core.estimate.report import YearReport
from ample_rows.core.geometry.cells import grid_of, span_words
from ample_rows.core.place.report import PlaceReport, WaterReport
from ample_rows.core.planting.put_up import put_up_day
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Length, Volume, message

_WEEK = timedelta(days=7)
_BY_HAND = "cans"


@dataclass(frozen=True, eq=False)
class Kept:
    """A place with what grows there, as its own jobs are worked out from it."""

    place: p.Place
    report: PlaceReport
    plantings: Sequence[tuple[p.Planting, PlantingReport]]
    year: YearReport
    book: Book

    def minutes(self, job: str, area_m2: float) -> float:
        """How long a job of the place takes over so much ground. [min]"""
        return self.book.place_minutes[job].of(area_m2=area_m2)

    def ground_m2(self, cells: Iterable[str]) -> float:
        """The ground of some of its squares. [m²]"""
        squares = grid_of(self.place).cells
        return sum(squares[a].area_cm2 for a in cells) / 1e4


def place_jobs(there: Kept) -> Iterator[Job]:
    """Every job of a place that no planting asks for by itself."""
    for index, job in enumerate(there.report.jobs, 1):
        yield ground_job(
            there.place,
            f"ready-{index}",
            kind="ready",
            verb="Ready",
            about=job.what,
            why=job.why,
            span=(job.on, job.latest),
            minutes=there.minutes("ready", there.report.inside_area_m2),
        )
    yield from _supports(there)
    yield from _covers(there)
    yield from _waterings(there)


def _supports(there: Kept) -> Iterator[Job]:
    labels = {report.id: report for report in there.report.supports}
    for support in there.place.supports:
        on_it = [r for planting, r in there.plantings if planting.support == support.id]
        when = put_up_day(on_it, there.book)
        if when is None or support.id not in labels:
            continue
        put_up = labels[support.id]
        about = message("of-place-high", support=put_up.label, height=Length(put_up.height_cm))
        name = f"put-up-{support.id}"[:64]
        run_m = sum(itertools.starmap(math.dist, itertools.pairwise(put_up.line_cm))) / 100
        yield ground_job(
            there.place,
            name,
            kind="put-up",
            verb=message("of-place-put-up"),
            about=about,
            why=when.why,
            span=(when.first, when.latest),
            minutes=there.minutes("put-up", run_m * put_up.height_cm / 100),
        )


def _covers(there: Kept) -> Iterator[Job]:
    for cover in there.report.covers:
        where, what = span_words(cover.cells), cover.label
        for verb, day, why in (
            ("Cover", cover.since, message("of-place-kept-until", until=cover.until)),
            ("Uncover", cover.until, message("of-place-needed-no-longer")),
        ):
            name = f"{verb.lower()}-{cover.id}"[:64]
            about, span = message("of-place-over", what=what, where=where), (day, day + _WEEK)
            minutes = there.minutes(verb.lower(), there.ground_m2(cover.cells))
            yield ground_job(
                there.place,
                name,
                kind=verb.lower(),
                verb=verb,
                about=about,
                why=why,
                span=span,
                minutes=minutes,
            )


def _waterings(there: Kept) -> Iterator[Job]:
    """What a place drinks beyond the usual rain, week by week while it wants any."""
    water = there.report.water
    if water is None:
        return
    monday, nth = there.year.start - timedelta(days=there.year.start.weekday()), 1
    while monday <= there.year.end:
        litres = water.litres_per_week[(monday + timedelta(days=3)).month - 1]
        if litres >= 1:
            about = message("of-place-week-beyond-usual-rain", litres=Volume(litres))
            why = message("of-place-usual-year-less-after")
            span = (monday, monday + timedelta(days=6))
            minutes = _watering_minutes(there, water, litres)
            yield ground_job(
                there.place,
                "water",
                verb="Water",
                about=about,
                why=why,
                span=span,
                minutes=minutes,
                nth=nth,
            )
        monday, nth = monday + _WEEK, nth + 1


def _watering_minutes(there: Kept, water: WaterReport, litres: float) -> float:
    """What so much water in a week asks of a person, by the way that the place is watered."""
    most = max(water.dry_litres_per_week)
    named = there.place.watered_by or _BY_HAND
    own = next((way.own_minutes for way in water.ways if way.way == named), 0.0)
    return own * litres / most if most else 0.0
