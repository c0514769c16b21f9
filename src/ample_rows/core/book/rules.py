"""Numbers, schools and ways of growing that the rules read."""

from ample_rows.core.book.record import (
    Record,
    Share,
    Size,
    Status,
    Text,
)


class Coefficient(Record):
    """One number with what makes it trustworthy."""

    value: float
    unit: Text
    low: float | None = None
    high: float | None = None
    status: Status
    source: Text


class Rule(Record):
    """One rule of the job, for the page of methods; `coefficients` are those that it reads."""

    part: Text
    title: Text
    says: Text
    formula: Text
    units: Text
    coefficients: tuple[Text, ...]
    source: Text


class DepthPolicy(Record):
    """One school on how deep soil must be. Scales multiply the standard depths; it fills with
    a mix of its own."""

    label: Text
    least_scale: Size
    full_scale: Size
    mix: Text
    assumes: Text
    costs: Text
    status: Status
    source: Text


class LayoutWay(Record):
    """A way of setting plants out, and what it is like to live with.

    `most_spacing_cm` is the widest spacing of crops that anyone sets out so, null for any.
    """

    label: Text
    most_spacing_cm: Size | None = None
    hoe: Text
    drip: Text
    suits: Text
    source: Text


class AirBand(Record):
    """What a stand's air is like while the usual spacing over its own is at most `up_to`."""

    up_to: Size
    words: Text
    status: Status
    source: Text


class PickingShape(Record):
    """How a picking spell runs: evenly, or rising to a peak and falling again.

    `kept_standing` is the share of the plant that picking leaves in the ground, `hangs_at_once`
    the most of a harvest that hangs on the plants on one day.
    """

    label: Text
    peaked: bool
    kept_standing: Share
    how_often: Text
    hangs_at_once: Share
    source: Text
