"""Who works a garden, and what goes along its paths."""

from ample_rows.core.book.record import (
    Amount,
    Record,
    Size,
    Status,
    Text,
)
from ample_rows.core.plan import Bottom


class Worker(Record):
    """Who works a place: easy reach and a stretch over the rim, and the rim's height for it."""

    label: Text
    arm_cm: Size
    stretch_cm: Size
    rim_cm: tuple[Amount, Amount]
    status: Status
    source: Text


class Animal(Record):
    """An animal that comes to gardens: what it does, and the bottom or wall that keeps it out."""

    label: Text
    does: Text
    keeps_out: Text
    bottom: Bottom | None = None
    wall_cm: Size | None = None
    status: Status
    source: Text


class PathNeed(Record):
    """What goes along a path: the least width it passes, and the width that is easy."""

    label: Text
    least_cm: Size
    easy_cm: Size
    status: Status
    source: Text
