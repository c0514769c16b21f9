"""Covers over a block of squares."""

from pydantic import Field

from ample_rows.core.book.record import (
    Amount,
    Record,
    Share,
    Size,
    Status,
    Text,
)


class CoverKind(Record):
    """A kind of cover: what it keeps off, how it is held up, and the light it lets through.

    `hoop_every_cm` is 0 for one that lies flat; `families` are those it is usually put up for,
    with what it keeps off them. `buys_weeks` is how much sooner things may start beneath it,
    and how much later they may stand.
    [cm, 0-1]
    """

    label: Text
    keeps_off: Text
    families: dict[str, Text] = Field(default_factory=dict)
    material: Text
    hoop_every_cm: Amount
    clearance_cm: Amount
    tucked_cm: Amount
    hole_cm: Size | None = None
    passes: Share
    buys_weeks: Amount
    words: Text
    status: Status
    source: Text
