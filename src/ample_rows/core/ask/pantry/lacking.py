"""What the plan leaves the household lacking, crop by crop."""

from collections import defaultdict
from collections.abc import Iterable, Mapping

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.ask.pantry.wants import root_of, wants_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.harvest import Draws, median_of
from ample_rows.core.planting.set_out import crop_grown


def grown(estimate: Estimate) -> list[tuple[p.Place, list[Evaluated]]]:
    """Every place with its plantings evaluated."""
    cases = estimate.cases
    return [(here.place, list(estimate.evaluated(ident))) for ident, here in cases.items()]


def of_each_crop(every: Iterable[Evaluated]) -> dict[str, list[Evaluated]]:
    """Plantings by crop, kinds taken together."""
    by_crop: dict[str, list[Evaluated]] = defaultdict(list)
    for e in every:
        by_crop[root_of(e.crop)].append(e)
    return by_crop


def lacking_kg(estimate: Estimate) -> dict[str, tuple[float, float]]:
    """Of every crop that is wanted, what is lacking at the likely harvest, and what is wanted.

    Nothing is lacking where the plan gives enough. [kg, kg]
    """
    plan, book = estimate.plan, estimate.book
    wants = wants_of(plan, book)
    totals: Mapping[str, list[Draws]] = {crop: [] for crop in wants}
    wanted = [
        planting for planting in plan.plantings if root_of(crop_grown(planting, book)) in wants
    ]
    for planting in wanted:
        e = evaluate_planting(planting, estimate.place(planting.place))
        totals[root_of(e.crop)].append(e.counted)
    return {
        crop: (max(0.0, want.kg - _likely(totals[crop])), want.kg) for crop, want in wants.items()
    }


def _likely(draws: list[Draws]) -> float:
    return median_of(np.sum(draws, axis=0)) if draws else 0.0
