"""What things in a garden are made of."""

from typing import Literal, Self

from pydantic import Field, model_validator

from ample_rows.core.book.record import (
    Record,
    Share,
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


class Walling(Record):
    """How a wall goes up from what is not cut from boards: in pieces laid course by course, by
    the face that it covers, or bought whole; and whether posts hold it. [cm, h per unit]"""

    by: Literal["pieces", "face", "whole"]
    piece_cm: Size | None = None
    course_cm: Size | None = None
    posts: bool = False
    hours_each: Size

    @model_validator(mode="after")
    def _pieces_have_sizes(self) -> Self:
        if self.by == "pieces" and not (self.piece_cm and self.course_cm):
            raise ValueError("pieces need piece_cm and course_cm")
        return self


class Collects(Record):
    """What a path's covering rots to: soft matter, and so much of its own volume in a year."""

    matter: Text
    share: Share
    status: Status
    source: Text


class Material(Record):
    """A material by what it is used for, the unit it is priced in, and the years it lasts. A
    frame without `walling` is cut from boards.

    `dries` is the water that a container of it wants, against a tight wall; `roll_cm` are the
    widths in which a sheet is usually sold; twine spans `most_span_cm` at most between posts. A
    post `across_cm` thick is as strong as a round wooden one of `strong_as_cm`, and takes so
    many `fittings`. A path's loose covering is `laid_cm` deep, and laid anew as its life ends.
    """

    label: Text
    used_for: Literal[
        "frame", "post", "bottom", "support", "cover", "container", "water", "ground", "path"
    ]
    unit: Unit
    life_years: Years
    dries: Size = 1.0
    roll_cm: tuple[Size, ...] = ()
    most_span_cm: Size | None = None
    walling: Walling | None = None
    laid_cm: Size | None = None
    collects: Collects | None = None
    across_cm: Size | None = None
    strong_as_cm: Size | None = None
    fittings: dict[str, Size] = Field(default_factory=dict)
    heat: str | None = None
    caution: str | None = None
    status: Status
    source: Text
