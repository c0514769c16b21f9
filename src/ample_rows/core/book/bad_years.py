"""Years in which most of a crop is lost, and what lessens their chance."""

from pydantic import Field

from ample_rows.core.book.record import Record, Share, Status, Text


class BadYear(Record):
    """A year in which a trouble takes most of some crops: its chance for an average gardener, and
    where the summer is wet enough for it; what is lost; what of the chance covers leave. [0-1]"""

    label: Text
    trouble: Text | None = None
    crops: tuple[Text, ...]
    chance: Share
    wet_chance: Share | None = None
    loses: Share
    covers: dict[str, Share] = Field(default_factory=dict)
    status: Status
    source: Text
