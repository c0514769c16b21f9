"""Jobs of a planting, as data: when each falls, for which crops, why then, and its sign."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.book.crop import Feeder, Group
from ample_rows.core.book.record import (
    Amount,
    Record,
    Share,
    Size,
    Status,
    Text,
)
from ample_rows.core.plan import Kind, Per, Start

Anchor = Literal["sow_indoors", "start", "up", "first_pick", "last_pick", "clear"]


class JobMinutes(Record):
    """How long a job takes: by itself, for each plant, by its ground, and by what is picked."""

    once: Amount = 0.0
    per_plant: Amount = 0.0
    per_m2: Amount = 0.0
    per_kg: Amount = 0.0

    def of(self, *, plants: float = 0.0, area_m2: float = 0.0, kg: float = 0.0) -> float:
        """Minutes for so many plants, so much ground and so much picked. [min]"""
        return self.once + self.per_plant * plants + self.per_m2 * area_m2 + self.per_kg * kg


class PlaceRound(Record):
    """A job that a place asks for by itself: so many days after an anchor, once or again every so
    often until another. `about`, `why` and `sign` are filled with the place's own figures; on a
    day on which it has none, the job does not come."""

    verb: Text
    about: Text
    anchor: Literal["first_start", "last_frost", "first_frost"]
    after_days: float = 0.0
    lasts_days: Size
    every_days: Size | None = None
    until: Literal["last_clear", "first_frost"] | None = None
    place_kinds: tuple[Kind, ...]
    why: Text
    sign: Text | None = None
    minutes: JobMinutes
    status: Status
    source: Text


class UsualChore(Record):
    """A job that a garden asks for with the season or after some years, there to be taken over.

    It suits the day so many days after the garden's last or first frost.
    """

    what: Text
    every: Annotated[int, Field(ge=1, le=100)]
    per: Per
    anchor: Literal["last_frost", "first_frost"]
    after_days: float
    why: Text
    status: Status
    source: Text


class DoneAs(Record):
    """Jobs that are one kind of entry in the day book once they are done."""

    jobs: tuple[Text, ...]


class JobRule(Record):
    """One kind of job. Where `starts`, `crops` and the like are empty it is for any.

    `about` and `why` are filled with the planting's own figures. A job that `waits` may be done
    up to the end of the planting's window; any other within `lasts_days`. One with `every_days`
    comes again until the day that `until` names; one with `each_cm` each time that the crop
    has grown so much higher. What `begins` a planting is not for one that came by itself. A
    `liquid` feed comes as often as its label says, where it is known.
    `first` are the jobs that come before it. One of a `matter` lays so many centimetres of it,
    and is left out where the whole place is mulched. One of the `kitchen` is not for what is left
    for seed, one `for_seed` for nothing else. `verbs` are what it is called for a group.
    """

    verb: Text
    verbs: dict[Group, Text] = Field(default_factory=dict)
    about: Text
    anchor: Anchor
    after_days: float = 0.0
    share_indoors: Share | None = None
    lasts_days: Size
    every_days: Size | None = None
    each_cm: Size | None = None
    until: Anchor | None = None
    until_after_days: float = 0.0
    waits: bool = False
    starts: tuple[Start, ...] = ()
    crops: tuple[Text, ...] = ()
    groups: tuple[Group, ...] = ()
    systems: tuple[Text, ...] = ()
    feeders: tuple[Feeder, ...] = ()
    place_kinds: tuple[Kind, ...] = ()
    trouble: Text | None = None
    least_weeks_indoors: float = 0.0
    thinned: bool = False
    begins: bool = False
    kitchen: bool = False
    for_seed: bool = False
    liquid: bool = False
    matter: Text | None = None
    matter_cm: Size | None = None
    first: tuple[Text, ...] = ()
    why: Text
    sign: Text | None = None
    minutes: JobMinutes
    status: Status
    source: Text
