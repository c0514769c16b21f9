"""A job, and the lists that a gardener reads it from."""

from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.words.message import Text, message

State = Literal["open", "done", "part", "put-off", "left-out"]


@dataclass(frozen=True, slots=True)
class Job:
    """One thing to do, from a day up to another, both included.

    `place` is null where it is of the garden as a whole.
    `latest` is the last day that it can wait; null where putting it off costs little. `nth`
    counts the times of a job that comes again. `minutes` are of one person who knows the work,
    `done_cells` the squares done so far. `kind` is its row in the book; `cautions` are what can
    hurt at it.
    """

    key: str
    job: str
    kind: str
    nth: int
    verb: Text
    place: str | None
    place_label: Text
    planting: str | None
    cells: tuple[str, ...]
    where: str
    about: Text
    why: Text
    sign: Text | None
    first: tuple[str, ...]
    on: date
    until: date
    latest: date | None
    minutes: float
    state: State = "open"
    marked_on: date | None = None
    done_cells: tuple[str, ...] = ()
    cautions: tuple[str, ...] = ()

    @property
    def closed(self) -> bool:
        return self.state in ("done", "left-out")


def ground_job(
    place: p.Place | None,
    name: str,
    *,
    kind: str | None = None,
    verb: Text,
    about: Text,
    why: Text,
    span: tuple[date, date],
    minutes: float,
    sign: Text | None = None,
    nth: int = 1,
    latest: date | None = None,
) -> Job:
    """A job that no planting asks for: of a place, or of the garden as a whole.

    Args:
        kind: Its row in the book, where its name is longer.
    """
    return Job(
        key=f"{place.id if place else ''}//{name}/{nth}",
        job=name,
        kind=kind or name,
        nth=nth,
        verb=verb,
        place=place.id if place else None,
        place_label=place.label if place else message("job-garden"),
        planting=None,
        cells=(),
        where="",
        about=about,
        why=why,
        sign=sign,
        first=(),
        on=span[0],
        until=max(span),
        latest=latest,
        minutes=minutes,
    )
