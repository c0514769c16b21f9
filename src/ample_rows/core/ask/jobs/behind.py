"""Jobs that nobody has done in time: what it costs to begin a planting on a later day."""

from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core.ask.jobs.job import Job
from ample_rows.core.edits import Changes, Edit, MarkJob
from ample_rows.core.edits.job_marks import STARTS
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.words.message import Mass, Message, Text, message

_SAID_KG = 0.05


@dataclass(frozen=True, slots=True)
class Behind:
    """A job that is behind, what doing it on the day costs, and the edit that puts it there."""

    job: Job
    words: Text
    edit: Edit


def replanned(estimate: Estimate, job: Job, day: date) -> Behind:
    """A job that is behind, put to a day."""
    mark: Changes = {
        "job": job.job,
        "nth": job.nth,
        "state": "put-off",
        "on": day.isoformat(),
    }
    named = (("place", job.place), ("planting", job.planting))
    mark |= {key: value for key, value in named if value is not None}
    late = (day - job.on).days
    words = message("behind-days-late", late=late)
    if job.job in STARTS:
        words = message("behind-values", words=words, cost=_cost(estimate, job, day))
    return Behind(job, words, MarkJob(mark=mark, planned=job.on))


def _cost(estimate: Estimate, job: Job, day: date) -> Message:
    planting = estimate.planting(str(job.planting))
    here = estimate.place(planting.place)
    before = evaluate_planting(planting, here).report
    moved = planting.model_copy(update={"start_date": day})
    if planting.clear_date is not None and planting.clear_date <= day:
        moved = moved.model_copy(update={"clear_date": day + timedelta(days=1)})
    after = evaluate_planting(moved, here).report
    lost = before.harvest_kg.p50 - after.harvest_kg.p50
    if after.first_pick is None:
        return message("behind-too-late-pick-anything")
    if lost < _SAID_KG:
        return message("behind-costs-little")
    return message("behind-costs-about", lost=Mass(lost))
