"""Beds to begin from, as data: which crops, in what share, and what follows them."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.book.record import Record, Size, Text


class StarterEntry(Record):
    """One part of a starter bed: the first of its crops that does well here is taken.

    `climbs` puts it on a support of the place, `training` gives each plant a cage or canes.
    """

    crops: Annotated[tuple[Text, ...], Field(min_length=1)]
    then: tuple[Text, ...] = ()
    share: Size = 1.0
    climbs: bool = False
    training: Text | None = None


class Starter(Record):
    """A bed to begin from; `support` is put up where the place has none."""

    label: Text
    suits: Text
    support: Text | None = None
    entries: Annotated[tuple[StarterEntry, ...], Field(min_length=1)]
    source: Text


class LikedEntry(StarterEntry):
    """One part of a first bed; `before` are quick crops that may stand there until it starts."""

    before: tuple[Text, ...] = ()


class Like(Record):
    """A kind of food that a household likes, with its crops in the order they are thought of;
    `then` may follow any of them."""

    label: Text
    entries: Annotated[tuple[LikedEntry, ...], Field(min_length=1)]
    then: tuple[Text, ...]
    source: Text


EATEN_BY = 3
"""The people of the household whose plants `Eaten` are."""


class Eaten(Record):
    """The plants of a crop that a household of three eats from, fresh through its season."""

    plants: Annotated[int, Field(ge=1)]
