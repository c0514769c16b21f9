"""Ways of growing up: what each asks of the crop, and what it is built from."""

from typing import Literal

from ample_rows.core.book.record import (
    Amount,
    Record,
    Share,
    Size,
    Status,
    Text,
)


class SupportBuild(Record):
    """What a way of growing up is built from, and how it meets the wind and the sun.

    A `sheet` of net or mesh hangs between posts, its openings as they are sold, the usual one
    first; `rails` lines of `rail` run along them. Tiers of twine follow the crop up. What needs
    no line of support takes pieces for each plant or square metre. `stops_wind` is the share of
    a leafed face that the wind meets; `passes_leafed` and `passes_bare` the sun that comes
    through. Planted on both sides its rows stand `both_sides_cm` apart, and it takes as much more
    ground.
    """

    both_sides_cm: Size = 20.0
    sheet: Text | None = None
    openings_cm: tuple[Size, ...] = ()
    rail: Text | None = None
    rails: int = 0
    twine_tier_every_cm: Amount = 0
    string_per_plant: bool = False
    tie_every_cm: Amount = 0
    lean_deg: Amount = 0
    bent: bool = False
    piece: Text | None = None
    pieces_a_plant: Amount = 0
    pieces_a_m2: Amount = 0
    stops_wind: Share
    passes_leafed: Share
    passes_bare: Share
    status: Status
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
    build: SupportBuild


class Footing(Record):
    """How a post stands, and what takes the push of the wind on it."""

    label: Text
    holds_across: Literal["ground", "concrete", "frame", "stays"]
    piece: Text | None = None
    pieces_a_post: Amount = 0
    words: Text
    caution: str | None = None
    status: Status
    source: Text
