"""The year's times: the pantry's seasons, the jobs about a day, a planting in waves."""

import statistics
import time
from datetime import timedelta

from ample_rows import PROGRAM
from ample_rows.cli.bench.rows import Row, forget_plantings, median_ms
from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.year import jobs_of, weeks_about
from ample_rows.core.ask.pantry.pantry import pantry_of
from ample_rows.core.ask.pantry.wants import wants_of
from ample_rows.core.ask.remedies import remedies
from ample_rows.core.ask.succession.follow import following
from ample_rows.core.ask.succession.waves import waves_of
from ample_rows.core.book import Book
from ample_rows.core.edits import RemovePlanting, Together, apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.place_result import evaluate_place
from ample_rows.core.place.report import IdleSpell


def year_rows(demo: p.Plan, large: p.Plan, book: Book) -> list[Row]:
    """What the year's screens ask for, plantings forgotten before each run."""
    return [
        Row("pantry of the demo garden", _pantry_ms(demo, book, 9), "ms", 300, "2,000 seasons"),
        Row("30 beds x 40 cells x 12 plantings", _pantry_ms(large, book, 3), "ms", 3000, "pantry"),
        Row("jobs about a day", _jobs_ms(demo, book), "ms", None, "the demo's whole year"),
        Row("what can follow, slowest gap", _follow_ms(demo, book), "ms", 150, "the whole book"),
        Row("remedies for a crop, slowest", _remedies_ms(demo, book), "ms", None, "each tried"),
        Row("a planting in waves", _waves_ms(demo, book), "ms", 150, "three, the slowest"),
    ]


def _pantry_ms(plan: p.Plan, book: Book, rounds: int) -> float:
    def work() -> None:
        forget_plantings()
        pantry_of(Estimate(plan, book))

    return median_ms(work, rounds=rounds)


def _jobs_ms(demo: p.Plan, book: Book) -> float:
    report = Estimate(demo, book, PROGRAM).report
    day = report.year.start + timedelta(days=90)
    return median_ms(lambda: weeks_about(jobs_of(Estimate(demo, book)), day), rounds=9)


def _follow_ms(demo: p.Plan, book: Book) -> float:
    """The slowest of the gaps that are left when every other planting is taken out."""
    gone = [RemovePlanting(id=planting.id) for planting in demo.plantings[1::2]]
    thinned = apply_edit(demo, Together(edits=list(gone)))
    report = Estimate(thinned, book, PROGRAM).report
    times = []
    for place in report.places:
        for spell in place.idle[:2]:
            times.append(_asked_anew_ms(thinned, place.id, spell, book))
    return max(times)


def _asked_anew_ms(plan: p.Plan, place: str, spell: IdleSpell, book: Book) -> float:
    """One gap asked about with the plan itself evaluated, as it is on the screen, and no crop yet
    tried."""
    times = []
    for _ in range(3):
        forget_plantings()
        evaluate_place.cache_clear()
        estimate = Estimate(plan, book, PROGRAM)
        _ = estimate.report
        begun = time.perf_counter()
        following(estimate, place, spell.cells, spell.start)
        times.append((time.perf_counter() - begun) * 1000)
    return statistics.median(times)


def _remedies_ms(demo: p.Plan, book: Book) -> float:
    def work(crop: str) -> float:
        return median_ms(lambda: remedies(Estimate(demo, book), crop), rounds=3)

    return max(work(crop) for crop in wants_of(demo, book))


def _waves_ms(demo: p.Plan, book: Book) -> float:
    times = []
    for planting in demo.plantings:
        if planting.support is None and len(planting.cells) >= 3 and planting.cells != "all":
            ident = planting.id

            def work(ident: str = ident) -> None:
                forget_plantings()
                waves_of(Estimate(demo, book), ident, 3, 14.0)

            times.append(median_ms(work, rounds=3))
    return max(times)
