"""How long what is picked keeps: fresh, and by the ways that suit a crop."""

from pydantic import Field

from ample_rows.core.book.record import (
    Amount,
    Record,
    Share,
    Size,
    Status,
    Text,
)


class KeepingWay(Record):
    """A way to keep what is not eaten fresh: the share that is left to eat, and the work of it."""

    label: Text
    share_kept: Share
    minutes_per_kg: Amount
    status: Status
    source: Text


class CropKeeping(Record):
    """Weeks that a crop keeps fresh at home, and by each way that suits it; `cautions` of ways
    that can hurt."""

    fresh_weeks: Size
    ways: dict[str, Size] = Field(default_factory=dict)
    cautions: dict[str, Text] = Field(default_factory=dict)
