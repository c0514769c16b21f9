"""Jobs of a planting, as data: when each falls, for which crops, why then, and its sign."""

from typing import Literal

from ample_rows.core.plan import Kind, Start
from ample_rows.core.reference.crop import Feeder
from ample_rows.core.reference.record import Record, Share, Size, Status, Text

Anchor = Literal["sow_indoors", "start", "up", "first_pick", "last_pick", "clear"]


class JobRule(Record):
    """One kind of job. Where `starts`, `crops` and the like are empty it is for any.

    `about` and `why` are filled with the planting's own figures. A job that `waits` may be done
    up to the end of the planting's window; any other within `lasts_days`. One with `every_days`
    comes again until the day that `until` names. `first` are the jobs that come before it.
    """

    verb: Text
    about: Text
    anchor: Anchor
    after_days: float = 0.0
    share_indoors: Share | None = None
    lasts_days: Size
    every_days: Size | None = None
    until: Anchor | None = None
    waits: bool = False
    starts: tuple[Start, ...] = ()
    crops: tuple[Text, ...] = ()
    systems: tuple[Text, ...] = ()
    feeders: tuple[Feeder, ...] = ()
    place_kinds: tuple[Kind, ...] = ()
    trouble: Text | None = None
    least_weeks_indoors: float = 0.0
    thinned: bool = False
    first: tuple[Text, ...] = ()
    why: Text
    sign: Text | None = None
    status: Status
    source: Text
