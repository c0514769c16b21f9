"""The schools on soil depth side by side for one place: what each asks, costs and expects."""

import math
from dataclasses import dataclass, replace
from typing import get_args

from ample_rows.core import places
from ample_rows.core import plan as p
from ample_rows.core.cases import PlaceCase
from ample_rows.core.evaluate import PlaceResult, evaluate_place, place_case
from ample_rows.core.reading import PlanFaultsError
from ample_rows.core.reference import Book
from ample_rows.core.roots import depth_policy


@dataclass(frozen=True, slots=True)
class SchoolFigures:
    """One school for one place, filled as it is and filled for every crop's full depth.

    `short` are the crops that lack depth as it is filled. The fill for full depth, what it takes
    to pour it with the school's own mix and what it costs (null without a price), how many days
    a soaking then lasts at the thirstiest (null without a climate), and what it would give.
    [cm, L, money, days, kg]
    """

    school: p.DepthPolicyName
    label: str
    own: bool
    assumes: str
    costs: str
    harvest_kg: float
    short: tuple[str, ...]
    mix: str
    fill_cm: float
    litres: float
    cost: float | None
    days_between: float | None
    full_harvest_kg: float


def depth_schools(plan: p.Plan, place_id: str, book: Book) -> tuple[SchoolFigures, ...]:
    """Every school for one place, in the order shallow, standard, deep.

    Raises:
        PlanFaultsError: There is no such place.
    """
    if plan.place(place_id) is None:
        raise PlanFaultsError.one("place", f'there is no place "{place_id}"')
    here = place_case(plan, place_id, book)
    own = tuple(g for g in plan.plantings if g.place == place_id)
    return tuple(_figures(here, own, school) for school in get_args(p.DepthPolicyName))


def _figures(
    here: PlaceCase, plantings: tuple[p.Planting, ...], school: p.DepthPolicyName
) -> SchoolFigures:
    place, book = here.place, here.book
    policy = book.depth_policies[school]
    as_it_is = _evaluated(here, plantings, {"depth_policy": school})
    below = as_it_is.report.usable_depth_cm - as_it_is.report.layers.fill_cm
    wants = max((r.depth.full_cm for r in as_it_is.plantings), default=policy.full_scale * 30.0)
    roots = max((r.edible_root_cm or 0.0 for r in as_it_is.plantings), default=0.0)
    fill = max(0.0, math.ceil(max(wants, roots) - below))
    filled = _evaluated(
        here, plantings, {"depth_policy": school, **_filled(place, fill, policy.mix)}
    )
    soil, water = filled.report.soil, filled.report.water
    costs = [option.cost for option in soil.options if option.cost is not None]
    days = [] if water is None else [d for d in water.days_between if d is not None]
    return SchoolFigures(
        school=school,
        label=policy.label,
        own=depth_policy(place, here.setting.policies, book) is policy,
        assumes=policy.assumes,
        costs=policy.costs,
        harvest_kg=as_it_is.report.harvest_kg.p50,
        short=_short(as_it_is),
        mix=soil.label,
        fill_cm=fill,
        litres=soil.order_litres,
        cost=min(costs, default=None),
        days_between=min(days, default=None),
        full_harvest_kg=filled.report.harvest_kg.p50,
    )


def _evaluated(
    here: PlaceCase, plantings: tuple[p.Planting, ...], changes: dict[str, object]
) -> PlaceResult:
    place = here.place.model_copy(update=changes)
    return evaluate_place(replace(here, place=place), plantings)


def _filled(place: p.Place, fill_cm: float, mix: str) -> dict[str, object]:
    """The keys of a place that give it a fill of one mix, its wall as high as that needs."""
    shape = place.shape
    if isinstance(shape, p.Mound):
        return {"shape": shape.model_copy(update={"height_cm": fill_cm}), "mix": mix}
    wall = fill_cm + places.rim_gap_cm(place)
    return {"wall_height_cm": wall, "mix": mix, "base_cm": None}


def _short(found: PlaceResult) -> tuple[str, ...]:
    names = (
        r.name for r in found.plantings if r.depth.governed_by == "depth" and r.depth.factor < 1
    )
    return tuple(dict.fromkeys(names))
