"""Edits of jobs: marks of what was done, and jobs of the grower's own."""

from typing import Literal

from pydantic import ConfigDict

from ample_rows.core import plan as p
from ample_rows.core.edits.edit import Changes, EditBase, part_of
from ample_rows.core.edits.job_marks import keep_chore, mark_job, remove_chores
from ample_rows.core.plan.jobs import JobOf

OWN_JOBS = "change your own jobs"


class MarkRequest(JobOf):
    """What a job is marked as; "open" takes the mark away."""

    # A request brings days as text; the plan that it makes is read as strictly as any.
    model_config = ConfigDict(strict=False)

    state: Literal["open", "done", "part", "put-off", "left-out"]


class MarkJob(EditBase):
    """Mark a job as done, done in part, put off or left out; or as open again. `planned` is the
    day that it was planned for: what follows a crop that is cleared later than that waits."""

    do: Literal["mark-job"] = "mark-job"
    mark: MarkRequest
    planned: p.PlanDate | None = None

    def apply_to(self, document: Changes) -> None:
        planned = self.planned.isoformat() if self.planned else None
        mark = p.document(self.mark)
        if not self.mark.cells:
            mark.pop("cells", None)
        mark_job(document, mark, planned)

    def named(self, before: p.Plan) -> str:
        return f"mark a job {self.mark.state.replace('-', ' ')}"


class KeepChore(EditBase):
    """Keep a job of the grower's own, replacing an earlier one of the same id."""

    do: Literal["keep-chore"] = "keep-chore"
    chore: Changes

    def apply_to(self, document: Changes) -> None:
        keep_chore(document, self.chore)

    def named(self, before: p.Plan) -> str:
        return OWN_JOBS


class RemoveChore(EditBase):
    """Delete a job of the grower's own, with what was marked of it."""

    do: Literal["remove-chore"] = "remove-chore"
    id: str

    def apply_to(self, document: Changes) -> None:
        part_of(document.get("chores", []), self.id, "chore")
        remove_chores(document, lambda chore: bool(chore["id"] == self.id))

    def named(self, before: p.Plan) -> str:
        return OWN_JOBS
