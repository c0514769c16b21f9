"""Mixed start: half of a planting set out as plants, half sown on the same day, to spread the
picking without a second day of work."""

from ample_rows.core.ask.succession.waves import (
    Waves,
    shared_out,
    sown_edit,
    wave_of,
)
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import cells_of
from ample_rows.core.plan.idents import free_ident
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.planting.set_out import crop_grown


def mixed_start(estimate: Estimate, planting_id: str) -> Waves:
    """A planting as plants in its first squares and seed in the others, begun on one day.

    Raises:
        UnknownPartError: There is no such planting, it grows along a support, has a single square,
            or its crop is not begun both ways.
    """
    plan, book = estimate.plan, estimate.book
    planting = estimate.planting(planting_id)
    here = estimate.place(planting.place)
    cells, crop = cells_of(here.place, planting.cells), crop_grown(planting, book)
    if not {"sow", "transplant"} <= set(crop.starts):
        raise PlanFaultsError.one("planting", f"{crop.name} is not begun both from seed and plants")
    if planting.support is not None or len(cells) < 2:
        raise PlanFaultsError.one("planting", "two squares and more make a mixed start")
    first, second = shared_out(here.place, cells, 2)
    ident = free_ident(planting.id, {planting.id for planting in plan.plantings})
    parts = [
        planting.model_copy(update={"cells": first, "start": "transplant"}),
        planting.model_copy(update={"id": ident, "cells": second, "start": "sow"}),
    ]
    waves = tuple(wave_of(number, part, here) for number, part in enumerate(parts, 1))
    return Waves(waves, "", sown_edit(planting, parts))
