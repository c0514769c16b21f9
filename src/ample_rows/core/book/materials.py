"""What things in a garden are made of."""

from typing import Literal

from ample_rows.core.book.record import (
    Record,
    Size,
    Status,
    Text,
)

Unit = Literal["m", "m2", "piece", "L"]


class Years(Record):
    """A span of years."""

    low: Size
    high: Size

    @property
    def middle(self) -> float:
        return (self.low + self.high) / 2


class Material(Record):
    """A material by what it is used for, the unit it is priced in, and the years it lasts.

    `dries` is the water that a container of it wants, against a tight wall; `roll_cm` are the
    widths in which a sheet is usually sold; twine spans `most_span_cm` at most between posts.
    """

    label: Text
    used_for: Literal["frame", "post", "bottom", "support", "cover", "container", "water"]
    unit: Unit
    life_years: Years
    dries: Size = 1.0
    roll_cm: tuple[Size, ...] = ()
    most_span_cm: Size | None = None
    heat: str | None = None
    caution: str | None = None
    status: Status
    source: Text
