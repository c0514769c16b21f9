"""Ways to buy so many litres, costed side by side."""

import math
from collections.abc import Iterable
from dataclasses import dataclass

from ample_rows.core import plan as p

LITRES_PER_M3 = 1000.0
DEFAULT_STEP_M3 = 0.1
_DUST = 1e-9


@dataclass(frozen=True, slots=True)
class Option:
    """One way to buy: how many units, what they cost, and what is left over. [L]

    The cost is null until its price is entered.
    """

    name: str
    units: float
    unit: str
    cost: float | None
    over_litres: float


def options_for(litres: float, soil: p.Soil | None) -> tuple[Option, ...]:
    """Every way that the grower has entered, cheapest first, unpriced ones last.

    What is there already is used first, and its price added to each way.
    """
    if soil is None or litres <= 0:
        return ()
    own = min(litres, soil.own.litres) if soil.own else 0.0
    own_cost = own * (soil.own.price_per_litre or 0.0) if soil.own else 0.0
    rest = litres - own
    found = [_by_bag(bag, rest, own_cost) for bag in soil.bags]
    if soil.bulk is not None:
        found.append(_by_bulk(soil.bulk, rest, own_cost))
    if soil.own is not None and rest <= _DUST:
        found = [Option("own material", own, "L", own_cost, soil.own.litres - own)]
    return tuple(sorted(found, key=lambda o: (o.cost is None, o.cost or 0.0)))


def _by_bag(bag: p.Bag, litres: float, added: float) -> Option:
    count = math.ceil(litres / bag.litres - _DUST)
    cost = None if bag.price is None else count * bag.price + added
    name = bag.name or f"bags of {bag.litres:g} L"
    return Option(name, count, "bags", cost, count * bag.litres - litres)


def _by_bulk(bulk: p.Bulk, litres: float, added: float) -> Option:
    step = bulk.step_m3 or DEFAULT_STEP_M3
    m3 = max(math.ceil(litres / LITRES_PER_M3 / step - _DUST) * step, bulk.least_m3 or 0.0)
    cost = None
    if bulk.price_per_m3 is not None:
        cost = m3 * bulk.price_per_m3 + (bulk.delivery or 0.0) + added
    return Option("loose, delivered", round(m3, 6), "m³", cost, m3 * LITRES_PER_M3 - litres)


def summed(parts: Iterable[dict[str, float]]) -> dict[str, float]:
    """Litres of each ingredient over several places."""
    total: dict[str, float] = {}
    for part in parts:
        for what, litres in part.items():
            total[what] = total.get(what, 0.0) + litres
    return total
