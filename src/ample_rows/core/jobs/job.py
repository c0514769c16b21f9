"""A job, and the lists that a gardener reads it from."""

from dataclasses import dataclass
from datetime import date
from typing import Literal

State = Literal["open", "done", "part", "put-off", "left-out"]


@dataclass(frozen=True, slots=True)
class Job:
    """One thing to do, from a day up to another, both included.

    `latest` is the last day that it can wait; null where putting it off costs little. `nth`
    counts the times of a job that comes again. `minutes` are of one person who knows the work,
    `done_cells` the squares done so far.
    """

    key: str
    job: str
    nth: int
    verb: str
    place: str
    place_label: str
    planting: str | None
    cells: tuple[str, ...]
    where: str
    about: str
    why: str
    sign: str | None
    first: tuple[str, ...]
    on: date
    until: date
    latest: date | None
    minutes: float
    state: State = "open"
    marked_on: date | None = None
    done_cells: tuple[str, ...] = ()

    @property
    def closed(self) -> bool:
        return self.state in ("done", "left-out")
