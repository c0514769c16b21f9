"""Plantings: one crop in some cells, or along a support, for a time."""

from collections import defaultdict
from collections.abc import Iterable
from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.plan.values import (
    Address,
    Coordinate,
    Ident,
    Layout,
    Name,
    PerCell,
    PlanDate,
    PlanValue,
    PointCm,
    Spacing,
    Start,
    Walls,
)


class VarietyRun(PlanValue):
    """So many plants of one variety type, one beside the other as they are set out."""

    variety: Ident
    plants: Annotated[int, Field(ge=1, le=20_000)]


class LedOver(PlanValue):
    """Ground beside its own that a trailing crop is led over from a day on. [m2]"""

    m2: Annotated[float, Field(gt=0, le=200, allow_inf_nan=False)]
    since: PlanDate
    where: Name | None = None


class Planting(PlanValue):
    """One crop in some cells, or along a support, for a time.

    A support is planted along `sides`: one (the default), both opposite each other, or both in
    turn. `between` names a planting whose squares it shares on purpose: it stands between those
    plants. `gives_way_to` names the neighbour it is cleared for. `varieties` assigns its first
    plants to other types, run by run; the rest are of its own. `led_over` is ground that its
    vines run over besides.

    How many: `spots_cm` says where each plant stands; else `plants` how many there are, spread
    evenly; else `per_cell` how many a square holds, below 1 the part of a plant; else the
    spacing decides, or the garden's count for each square. What is `locked` is settled.
    What `came_by_itself` is there from its start: nothing is sown, raised or bought for it. What
    is left `for_seed` stands until its seed is gathered, and gives the kitchen nothing.
    """

    id: Ident
    place: Ident
    crop: Ident
    variety: Ident | None = None
    varieties: tuple[VarietyRun, ...] = ()
    cells: tuple[Address, ...] | Literal["all"]
    layout: Layout | None = None
    spacing_cm: Spacing | None = None
    row_spacing_cm: Spacing | None = None
    per_cell: PerCell | None = None
    plants: Annotated[int, Field(ge=1, le=20_000)] | None = None
    spots_cm: Annotated[tuple[PointCm, ...], Field(min_length=1, max_length=20_000)] | None = None
    walls: Walls | None = None
    plants_per_station: Annotated[int, Field(ge=1, le=50)] | None = None
    support: Ident | None = None
    run_cm: tuple[Coordinate, Coordinate] | None = None
    sides: Literal["one", "both", "alternate"] | None = None
    training: Ident | None = None
    start: Start
    start_date: PlanDate
    clear_date: PlanDate | None = None
    follows: Ident | None = None
    between: Ident | None = None
    gives_way_to: Ident | None = None
    led_over: LedOver | None = None
    locked: bool | None = None
    came_by_itself: bool | None = None
    for_seed: bool | None = None


def by_place(plantings: Iterable[Planting]) -> dict[str, tuple[Planting, ...]]:
    """The plantings of each place that has any, in their order."""
    there: dict[str, list[Planting]] = defaultdict(list)
    for planting in plantings:
        there[planting.place].append(planting)
    return {place: tuple(own) for place, own in there.items()}
