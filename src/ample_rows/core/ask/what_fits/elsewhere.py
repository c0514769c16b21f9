"""Other places for a planting: where as many squares are free for its time, and it does better."""

from collections.abc import Iterator
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.edits import ChangePlanting, Edit, Together
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.place.free_block import free_block
from ample_rows.core.plan.links import LINKS
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.report import PlantingReport


@dataclass(frozen=True, slots=True)
class Elsewhere:
    """A planting as it would do in another place, and the edit that moves it there."""

    place: str
    label: str
    cells: tuple[str, ...]
    plants: int
    kg: float
    gain_kg: float
    edit: Edit


def elsewhere(estimate: Estimate, planting_id: str) -> tuple[Elsewhere, ...]:
    """Where else a planting could stand for its whole time and give more, the best first.

    Raises:
        UnknownPartError: There is no such planting.
    """
    plan = estimate.plan
    planting = estimate.planting(planting_id)
    own = evaluate_planting(planting, estimate.place(planting.place)).report
    gains = [
        there
        for place in plan.places
        if place.id != planting.place
        for there in _in_place(estimate, planting, own, place)
    ]
    return tuple(sorted(gains, key=lambda there: -there.gain_kg))


def _in_place(
    estimate: Estimate, planting: p.Planting, own: PlantingReport, place: p.Place
) -> Iterator[Elsewhere]:
    here, standing = estimate.place(place.id), estimate.result(place.id)
    block = free_block(here.place, own, standing.plantings)
    if not block:
        return
    changes: dict[str, object] = {
        "support": None,
        "run_cm": None,
        "spots_cm": None,
        **dict.fromkeys(LINKS),
    }
    moved = planting.model_copy(update={"place": place.id, "cells": block, **changes})
    there = evaluate_planting(moved, here)
    short = there.depth.verdict in ("too-shallow", "root-too-long")
    gain = there.report.harvest_kg.p50 - own.harvest_kg.p50
    if short or there.climbs_without_support or there.report.plants == 0 or gain <= 0:
        return
    yield Elsewhere(
        place=place.id,
        label=place.label,
        cells=block,
        plants=there.report.plants,
        kg=there.report.harvest_kg.p50,
        gain_kg=gain,
        edit=_move(estimate.plan, planting, {"place": place.id, "cells": list(block), **changes}),
    )


def _move(plan: p.Plan, planting: p.Planting, changes: dict[str, object]) -> Edit:
    """The move, and the parting from what followed it in its old place."""
    move = ChangePlanting(id=planting.id, changes=changes)
    parted = [
        ChangePlanting(id=other.id, changes={key: None})
        for other in plan.plantings
        for key in LINKS
        if getattr(other, key) == planting.id
    ]
    if not parted:
        return move
    return Together(edits=[move, *parted])
