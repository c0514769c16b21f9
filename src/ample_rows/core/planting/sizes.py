"""Sizes of single plants: what a crowded stand leaves of each, and what is too small to use."""

import math
from statistics import NormalDist

from ample_rows.core.book import Book, Crop

_MOST_PIECES = 1.6


def one_piece(crop: Crop) -> bool:
    """Whether a plant is one root, head or bulb: then crowding makes it smaller, not fewer."""
    yields = crop.yield_kg_per_plant
    if yields is None or crop.piece_kg is None or crop.picking.kind != "once":
        return False
    return yields.typical / crop.piece_kg <= _MOST_PIECES


def piece_kg(crop: Crop, kg_per_plant: float) -> float | None:
    """Mean weight of a piece where a plant bears `kg_per_plant`; null where it bears many."""
    yields = crop.yield_kg_per_plant
    if yields is None or crop.piece_kg is None or not one_piece(crop):
        return None
    return crop.piece_kg * kg_per_plant / yields.typical


def too_small_share(mean_kg: float, least_kg: float, spread: float) -> float:
    """Share of the weight in pieces below a least weight.

    Sizes within a stand are taken as lognormal; by weight the same law stands a squared spread
    further to the right (Benjamin and Hardwick 1986 on sizes within even-aged stands).

    Args:
        mean_kg, least_kg: Mean piece, and the least that is worth having. [kg]
        spread: Standard deviation of the logarithm of single sizes.
    """
    if mean_kg <= 0:
        return 0.0
    return NormalDist().cdf((math.log(least_kg / mean_kg) - spread**2 / 2) / spread)


def too_small_kg(crop: Crop, kg_per_plant: float, total_kg: float, book: Book) -> float | None:
    """Weight of a harvest in pieces too small to use; null where size is not the question."""
    mean = piece_kg(crop, kg_per_plant)
    if mean is None or crop.least_piece_kg is None:
        return None
    return total_kg * too_small_share(mean, crop.least_piece_kg, book.value("piece_spread"))
