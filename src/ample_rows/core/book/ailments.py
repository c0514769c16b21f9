"""What ails plants, as data: signs, the causes that they speak for, and what tells them apart."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.book.crop import Group
from ample_rows.core.book.record import Record, Share, Text

Month = Annotated[int, Field(ge=1, le=12)]
Factor = Literal["density", "depth", "light", "litres", "season"]


class Sign(Record):
    """What is seen on a plant, by the part that shows it; of any crop where neither families nor
    groups are named. It answers the questions that it `implies` by itself."""

    label: Text
    part: Text
    families: tuple[Text, ...] = ()
    groups: tuple[Group, ...] = ()
    implies: dict[str, bool] = Field(default_factory=dict)


class Question(Record):
    """What can be answered with yes or no in the garden, and tells causes apart."""

    text: Text


class Loss(Record):
    """What of this year's harvest a cause takes, from light to heavy. [0-1]"""

    low: Share
    high: Share


class Cause(Record):
    """What may be behind some signs, and what to do about it.

    `signs` say how strongly each speaks for it, 1 to 3. It is of some crops alone where `crops`,
    `families` or `groups` are named, in some `months` above all (of the north). A `trouble` is one
    that kinds withstand, a `factor` one that the plan reckons for each planting.
    """

    label: Text
    signs: Annotated[dict[str, Annotated[int, Field(ge=1, le=3)]], Field(min_length=1)]
    crops: tuple[Text, ...] = ()
    families: tuple[Text, ...] = ()
    groups: tuple[Group, ...] = ()
    months: tuple[Month, ...] = ()
    yes: tuple[Text, ...] = ()
    no: tuple[Text, ...] = ()
    trouble: Text | None = None
    factor: Factor | None = None
    look: Text
    remedy: Text
    lesson: Text
    next_year: Text
    loses: Loss
    source: Text
