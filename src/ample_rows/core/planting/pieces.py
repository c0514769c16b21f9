"""Pieces of a harvest: heads, roots and fruits."""

from dataclasses import dataclass

from ample_rows.core.book import Crop
from ample_rows.core.planting.chances import Chances
from ample_rows.core.planting.harvest import Quantiles, quantiles

_ONE_EACH = (0.4, 2.5)
_NONE = Quantiles(0.0, 0.0, 0.0)


@dataclass(frozen=True, slots=True)
class Standing:
    """What pieces are counted from: the plants that are expected to live, what the seasons leave
    of them, and what they weigh together. [kg]"""

    expected: float
    chances: Chances
    harvest_kg: Quantiles


def gives_one_each(crop: Crop) -> bool:
    """Whether each plant is one piece, lifted once: a head, a root, a bulb."""
    spread, low, high = crop.yield_kg_per_plant, *_ONE_EACH
    if crop.picking.kind != "once" or spread is None or not crop.piece_kg:
        return False
    return low <= spread.typical / crop.piece_kg <= high


def pieces_of(crop: Crop, standing: Standing) -> Quantiles | None:
    """Pieces low, likely and high; None where a crop is not counted.

    Where each plant is one piece they are the plants that live, lighter or heavier; of others so
    many as the weight makes.
    """
    piece, kg = crop.piece_kg, standing.harvest_kg
    if not piece or crop.yield_kg_per_plant is None:
        return None
    if not gives_one_each(crop):
        return Quantiles(kg.p10 / piece, kg.p50 / piece, kg.p90 / piece)
    if kg.p90 <= 0:
        return _NONE
    plants, had = standing.expected, standing.chances.had
    if had is None:
        return Quantiles(plants, plants, plants)
    lived = quantiles((had > 0) * had.clip(0, 1))
    return Quantiles(plants * lived.p10, plants * lived.p50, plants * lived.p90)
