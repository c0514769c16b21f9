"""Jobs marked in the garden: done, done in part, put off or left out."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.plan.values import Address, Ident, PlanDate, PlanValue


class JobMark(PlanValue):
    """What became of one job: of a planting, or of a place where no planting is named.

    `nth` tells the times apart where a job comes again, counting from 1. `on` is the day it was
    done, or is put off to; `cells` the squares done so far. A mark of a job that is not there, as
    when another layout is taken, is kept and does nothing.
    """

    place: Ident
    planting: Ident | None = None
    job: Ident
    nth: Annotated[int, Field(ge=1, le=400)] = 1
    state: Literal["done", "part", "put-off", "left-out"]
    on: PlanDate
    cells: tuple[Address, ...] = ()

    @property
    def key(self) -> tuple[str, str | None, str, int]:
        return (self.place, self.planting, self.job, self.nth)
