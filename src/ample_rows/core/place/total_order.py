"""One order for several places: summed first, rounded once."""

import math
from collections import defaultdict
from collections.abc import Iterable

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.place.report import (
    MixOrder,
    OrderReport,
    PlaceReport,
    SoilReport,
)
from ample_rows.core.soil.mixes import loose_kg_per_litre, mixes_of
from ample_rows.core.soil.order import loads_for, options_for, summed


def order_for(places: Iterable[PlaceReport], soil: p.Soil | None, book: Book) -> OrderReport:
    """All that some places take, mix by mix. Material of one's own goes into the largest."""
    by_mix: dict[str, list[SoilReport]] = defaultdict(list)
    chosen = list(places)
    for place in chosen:
        by_mix[place.soil.mix].append(place.soil)
    largest = sorted(by_mix.values(), key=lambda fills: -sum(f.order_litres for f in fills))
    bought = soil.model_copy(update={"own": None, "ingredients": ()}) if soil else None
    orders = tuple(
        _mix_order(fills, soil if index == 0 else bought, book)
        for index, fills in enumerate(largest)
    )
    wet = sum(place.weight.kg for place in chosen)
    parts = {part for order in orders for part in order.recipe_litres}
    cautions = tuple(c.says for c in book.cautions.values() if parts & set(c.ingredients))
    return OrderReport(sum(order.litres for order in orders), wet, orders, cautions)


def _mix_order(fills: list[SoilReport], soil: p.Soil | None, book: Book) -> MixOrder:
    litres = sum(fill.order_litres for fill in fills)
    recipe = summed(fill.recipe_litres for fill in fills)
    loose = loose_kg_per_litre(mixes_of(soil, book)[fills[0].mix], book)
    return MixOrder(
        mix=fills[0].mix,
        label=fills[0].label,
        litres=litres,
        barrows=math.ceil(litres / book.value("barrow_litres")),
        buckets=math.ceil(litres / book.value("bucket_litres")),
        recipe_litres=recipe,
        options=options_for(litres, soil, recipe),
        fetched=loads_for(litres, loose, soil.vehicle if soil else None),
    )
