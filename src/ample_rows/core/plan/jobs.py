"""Jobs of the grower's own, and jobs marked: done, done in part, put off or left out."""

from typing import Annotated, Literal

from pydantic import AfterValidator, Field, StringConstraints

from ample_rows.core.plan.values import (
    Address,
    Ident,
    PlanDate,
    PlanValue,
    one_line,
)

Per = Literal["week", "month", "year"]


class Chore(PlanValue):
    """A job of the grower's own, for the whole garden where no place is named.

    It is first done from the day `on`; with `every` and `per` it comes again every so many weeks,
    months or years, else once. `minutes` are of one person. [min]
    """

    id: Annotated[Ident, Field(max_length=50)]
    what: Annotated[
        str,
        StringConstraints(min_length=1, max_length=120, strip_whitespace=True),
        AfterValidator(one_line),
    ]
    place: Ident | None = None
    on: PlanDate
    every: Annotated[int, Field(ge=1, le=100)] | None = None
    per: Per | None = None
    minutes: Annotated[float, Field(ge=0, le=10_000, allow_inf_nan=False)] | None = None


class JobOf(PlanValue):
    """One job: of a planting, of a place where no planting is named, or of the garden as a whole
    where no place is.

    `nth` tells the times apart where a job comes again, counting from 1. `on` is the day it was
    done, or is put off to; `cells` the squares done so far.
    """

    place: Ident | None = None
    planting: Ident | None = None
    job: Ident
    nth: Annotated[int, Field(ge=1, le=20_000)] = 1
    on: PlanDate
    cells: tuple[Address, ...] = ()

    @property
    def key(self) -> tuple[str | None, str | None, str, int]:
        return (self.place, self.planting, self.job, self.nth)


class JobMark(JobOf):
    """What became of a job. A mark of a job that is not there, as when another layout is in use,
    is kept and does nothing."""

    state: Literal["done", "part", "put-off", "left-out"]
