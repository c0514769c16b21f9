"""Numbers, schools and ways of growing that the rules read."""

from ample_rows.core.reference.record import Amount, Record, Share, Size, Status, Text


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

    `kept_standing` is the share of the plant that picking leaves in the ground.
    """

    label: Text
    peaked: bool
    kept_standing: Share
    source: Text


class TrainingSystem(Record):
    """A way of growing up, as data.

    `footprint_cm` is the ground taken along a line of support, 0 where a plant keeps its own;
    `minutes_per_m_week` a person's time to tie, prune and lead a metre of it while it grows.
    """

    label: Text
    needs_support: bool
    footprint_cm: Amount
    height_cm: Amount
    at_the_top: Text
    minutes_per_m_week: Amount
    air: Text
    shades: Text
    post_spacing_cm: Amount | None = None
    post_buried_cm: Amount | None = None
    caution: str | None = None
    source: Text
