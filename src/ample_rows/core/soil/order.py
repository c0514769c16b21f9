"""Ways to buy so many litres, costed side by side."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.words.message import Bulk, Text, message

LITRES_PER_M3 = 1000.0
DEFAULT_STEP_M3 = 0.1
_DUST = 1e-9


@dataclass(frozen=True, slots=True)
class Option:
    """One way to buy: how many units, what they cost, and what is left over. [L]

    The cost is null until its price is entered.
    """

    name: Text
    units: float
    unit: str
    cost: float | None
    over_litres: float


@dataclass(frozen=True, slots=True)
class Loads:
    """Loads of the grower's own vehicle, by whichever of volume and weight limits. [kg]"""

    vehicle: str
    count: int
    kg: float
    limited_by: str


def loads_for(litres: float, kg_per_litre: float, vehicle: p.Vehicle | None) -> Loads | None:
    """How often a vehicle goes for so many litres; None where it has no limit entered."""
    if vehicle is None or (vehicle.litres is None and vehicle.kg is None):
        return None
    by_volume = litres / vehicle.litres if vehicle.litres else 0.0
    by_weight = litres * kg_per_litre / vehicle.kg if vehicle.kg else 0.0
    limited = "weight" if by_weight > by_volume else "volume"
    count = math.ceil(max(by_volume, by_weight) - _DUST)
    return Loads(vehicle.name or "vehicle", count, litres * kg_per_litre, limited)


def options_for(
    litres: float, soil: p.Soil | None, recipe_litres: dict[str, float] | None = None
) -> tuple[Option, ...]:
    """Every way that the grower has entered, cheapest first, unpriced ones last.

    What is there already is used first, and its price added to each way.

    Args:
        recipe_litres: What it would be mixed from, for mixing it oneself.
    """
    if soil is None or litres <= 0:
        return ()
    own = min(litres, soil.own.litres) if soil.own else 0.0
    own_cost = own * (soil.own.price_per_litre or 0.0) if soil.own else 0.0
    rest = litres - own
    options = [_by_bag(bag, rest, own_cost) for bag in soil.bags]
    if soil.bulk is not None:
        options.append(_by_bulk(soil.bulk, rest, own_cost))
    if soil.ingredients and recipe_litres:
        share = rest / litres
        options.append(_by_parts(soil, {k: v * share for k, v in recipe_litres.items()}, own_cost))
    if soil.own is not None and rest <= _DUST:
        options = [Option(message("order-own-material"), own, "L", own_cost, soil.own.litres - own)]
    return tuple(sorted(options, key=lambda o: (o.cost is None, o.cost or 0.0)))


def _by_bag(bag: p.Bag, litres: float, added: float) -> Option:
    holds = bag.opened_litres or bag.litres
    count = math.ceil(litres / holds - _DUST)
    cost = None if bag.price is None else count * bag.price + added
    pressed = bag.opened_litres is not None
    words = (
        message("order-bales-opened", litres=Bulk(bag.litres), holds=Bulk(holds))
        if pressed
        else message("order-bags", holds=Bulk(holds))
    )
    unit = "bales" if pressed else "bags"
    return Option(bag.name or words, count, unit, cost, count * holds - litres)


def _by_bulk(bulk: p.Bulk, litres: float, added: float) -> Option:
    step = bulk.step_m3 or DEFAULT_STEP_M3
    m3 = max(math.ceil(litres / LITRES_PER_M3 / step - _DUST) * step, bulk.least_m3 or 0.0)
    cost = None
    if bulk.price_per_m3 is not None:
        cost = m3 * bulk.price_per_m3 + (bulk.delivery or 0.0) / (bulk.shared_by or 1) + added
    name = message("order-loose")
    if bulk.shared_by and bulk.shared_by > 1:
        name = message("order-loose-shared", shared_by=bulk.shared_by)
    return Option(name, round(m3, 6), "m³", cost, m3 * LITRES_PER_M3 - litres)


def _by_parts(soil: p.Soil, recipe_litres: dict[str, float], added: float) -> Option:
    """Mixed at home: what is there of each ingredient first, the rest at its price."""
    there = {i.name: i for i in soil.ingredients}
    cost: float | None = added
    for what, wanted in recipe_litres.items():
        have = there.get(what)
        short = max(0.0, wanted - ((have.litres or 0.0) if have else 0.0))
        if short <= _DUST:
            continue
        if have is None or have.price_per_litre is None or cost is None:
            cost = None
        else:
            cost += short * have.price_per_litre
    return Option(
        message("order-mixed-here-from-parts"), round(sum(recipe_litres.values())), "L", cost, 0.0
    )


def summed(parts: Iterable[dict[str, float]]) -> dict[str, float]:
    """Litres of each ingredient over several places."""
    total: dict[str, float] = {}
    for part in parts:
        for what, litres in part.items():
            total[what] = total.get(what, 0.0) + litres
    return total
