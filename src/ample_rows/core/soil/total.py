"""One order for several places: summed first, rounded once."""

from collections import defaultdict
from collections.abc import Iterable

from ample_rows.core import plan as p
from ample_rows.core.report import MixOrder, OrderReport, PlaceReport, SoilReport
from ample_rows.core.soil.order import options_for, summed


def order_for(places: Iterable[PlaceReport], soil: p.Soil | None) -> OrderReport:
    """All that some places take, mix by mix. Material of one's own goes into the largest."""
    by_mix: dict[str, list[SoilReport]] = defaultdict(list)
    for place in places:
        by_mix[place.soil.mix].append(place.soil)
    largest = sorted(by_mix.values(), key=lambda fills: -sum(f.order_litres for f in fills))
    bought = soil.model_copy(update={"own": None}) if soil else None
    orders = tuple(
        _mix_order(fills, soil if index == 0 else bought) for index, fills in enumerate(largest)
    )
    return OrderReport(sum(order.litres for order in orders), orders)


def _mix_order(fills: list[SoilReport], soil: p.Soil | None) -> MixOrder:
    litres = sum(fill.order_litres for fill in fills)
    recipe = summed(fill.recipe_litres for fill in fills)
    return MixOrder(fills[0].mix, fills[0].label, litres, recipe, options_for(litres, soil))
