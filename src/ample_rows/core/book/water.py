"""Ways to bring water to a place, and what is laid over it for plants to stand by."""

from typing import Literal

from ample_rows.core.book.record import (
    Amount,
    Record,
    Share,
    Size,
    Status,
    Text,
)


class WaterWay(Record):
    """A way to water: what reaches the roots, what it asks of a person, what it wets.

    `by` says how its litres come: carried in cans, held in the hand, left running over the
    whole place, or along lines on the soil. `minutes_each` is a person's time to begin and end
    one watering; a line or sprinkler also gives so much for each metre or square metre.
    Of what comes by the piece one waters `piece_waters_m2` and stays there, or is carried round
    all places. [L, min, m2]
    """

    label: Text
    by: Literal["carried", "held", "left running", "lines"]
    reaches_roots: Share
    minutes_each: Amount
    l_per_hour_per_m: Size | None = None
    l_per_hour_per_m2: Size | None = None
    wets_leaves: Literal["no", "some", "yes"]
    suits: Text
    material: str | None = None
    piece_waters_m2: Size | None = None
    carried_round: bool = False
    status: Status
    source: Text


class PatternKind(Record):
    """What is laid over a place in lines, and whether it brings water. `at` its spots plants
    stand, where it has any; `along` its lines those that stand closer, where it lets them."""

    label: Text
    at: Text | None = None
    along: Text | None = None
    waters: bool
    status: Status
    source: Text
