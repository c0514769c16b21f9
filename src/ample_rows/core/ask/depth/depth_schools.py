"""The schools on soil depth side by side for one place: what each asks, costs and expects."""

import math
from dataclasses import dataclass
from typing import get_args

from ample_rows.core import plan as p
from ample_rows.core.ask.depth.refilled import Refilled, filled_to, refilled
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.place.view import place_view
from ample_rows.core.planting.cases import Evaluated, PlaceCase
from ample_rows.core.soil.order import options_for
from ample_rows.core.soil.roots import depth_policy, soil_depth


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


def depth_schools(estimate: Estimate, place_id: str) -> tuple[SchoolFigures, ...]:
    """Every school for one place, in the order shallow, standard, deep.

    Raises:
        UnknownPartError: There is no such place.
    """
    here = estimate.place(place_id)
    grown = estimate.evaluated(place_id)
    return tuple(_figures(here, grown, school) for school in get_args(p.DepthPolicyName))


def _figures(
    here: PlaceCase, grown: tuple[Evaluated, ...], school: p.DepthPolicyName
) -> SchoolFigures:
    place, book = here.place, here.book
    policy = book.depth_policies[school]
    as_it_is = refilled(here, grown, {"depth_policy": school})
    soil = soil_depth(
        as_it_is.here.place,
        book,
        on=here.setting.year.last_frost,
        trees_share=here.around.roots_share,
    )
    wants = max((e.depth.full_cm for e in as_it_is.grown), default=policy.full_scale * 30.0)
    roots = max((e.crop.edible_root_cm or 0.0 for e in grown), default=0.0)
    cm = max(0.0, math.ceil(max(wants, roots) - (soil.usable_cm - soil.fill_cm)))
    filled = refilled(
        here,
        grown,
        {"depth_policy": school, **filled_to(place, cm), "mix": policy.mix, "base_cm": None},
    )
    view = place_view(filled.here, filled.grown)
    fill, need = view.fill, view.need
    options = options_for(fill.order_litres, here.setting.soil, fill.recipe_litres)
    costs = [option.cost for option in options if option.cost is not None]
    days = [] if need is None else [d for d in need.days_between if d is not None]
    return SchoolFigures(
        school=school,
        label=policy.label,
        own=depth_policy(place, here.setting.policies, book) is policy,
        assumes=policy.assumes,
        costs=policy.costs,
        harvest_kg=as_it_is.harvest_kg,
        short=_short(as_it_is),
        mix=fill.label,
        fill_cm=cm,
        litres=fill.order_litres,
        cost=min(costs, default=None),
        days_between=min(days, default=None),
        full_harvest_kg=filled.harvest_kg,
    )


def _short(filled: Refilled) -> tuple[str, ...]:
    names = (
        e.crop.name for e in filled.grown if e.depth.governed_by == "depth" and e.depth.factor < 1
    )
    return tuple(dict.fromkeys(names))
