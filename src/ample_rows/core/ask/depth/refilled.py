"""A place and its plantings as another fill or school of depth would have them."""

from dataclasses import dataclass, replace

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.planting import harvest
from ample_rows.core.planting.cases import Evaluated, PlaceCase
from ample_rows.core.soil.roots import depth_policy, judge_depth, soil_depth


@dataclass(frozen=True, slots=True)
class Refilled:
    """A place with its plantings as another depth or school has them."""

    here: PlaceCase
    grown: tuple[Evaluated, ...]
    harvest_kg: float


def refilled(here: PlaceCase, grown: tuple[Evaluated, ...], changes: dict[str, object]) -> Refilled:
    """The plantings in a place of another depth or school: only depth and harvest differ."""
    place = here.place.model_copy(update=changes)
    there = replace(here, place=place)
    more = _litres_over(here.place, place)
    again = tuple(_rejudged(there, e, more) for e in grown)
    total = sum((e.counted for e in again), np.zeros(int(here.book.value("seasons"))))
    return Refilled(there, again, harvest.quantiles(total).p50)


def _litres_over(old: p.Place, new: p.Place) -> float:
    litres = shapes.soil_litres(old)
    return shapes.soil_litres(new) / litres if litres else 1.0


def _rejudged(here: PlaceCase, e: Evaluated, more_litres: float) -> Evaluated:
    litres = e.depth.litres_per_plant
    depth = judge_depth(
        e.crop,
        soil_depth(
            here.place, here.book, on=e.dates.start, trees_share=here.around.roots_share
        ).usable_cm,
        depth_policy(here.place, here.setting.policies, here.book),
        litres_per_plant=None if litres is None else litres * more_litres,
    )
    factors = replace(e.report.factors, depth=depth.factor, season=e.chances.even)
    draws = harvest.harvest_draws(
        lot=e.lot,
        crop=e.crop,
        scale=e.report.stand_expected * factors.product,
        had=e.chances.had,
        book=here.book,
    )
    return replace(e, depth=depth, draws=draws)


def filled_to(place: p.Place, fill_cm: float) -> dict[str, object]:
    """The keys of a place that give it so deep a fill, its wall as high as that needs."""
    shape = place.shape
    if isinstance(shape, p.Mound):
        return {"shape": shape.model_copy(update={"height_cm": fill_cm})}
    return {"wall_height_cm": fill_cm + shapes.rim_gap_cm(place)}
