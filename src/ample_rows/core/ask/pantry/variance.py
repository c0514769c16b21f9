"""Which uncertainty matters most: shares of the variance of a year's whole harvest."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.harvest import stream
from ample_rows.core.words.message import Text, message

Floats = NDArray[np.float64]

_GROUPS = 40
_MOST_CROPS = 5


@dataclass(frozen=True, slots=True)
class Share:
    """What one source of uncertainty has of the variance of the whole. [0-1]"""

    name: Text
    share: float


@dataclass(frozen=True, slots=True)
class Uncertainty:
    """Shares by source: the season that all share, what differs from crop to crop, and from bed
    to bed; and by crop, the largest first."""

    sources: tuple[Share, ...]
    crops: tuple[Share, ...]


def uncertainty(grown: Sequence[Evaluated], seed: int) -> Uncertainty:
    """Where the range of a whole harvest comes from.

    By source it is the part of the variance that a source explains by itself (first-order
    Sobol index, estimated within groups of like draws); by crop a crop's covariance with the
    whole, which adds up to it.

    Args:
        grown: Every planting of a plan.
    """
    drawn: dict[str, list[Floats]] = defaultdict(list)
    for e in grown:
        drawn[e.crop.id].append(e.counted)
    names = {e.crop.id: e.crop.name for e in grown}
    totals = {crop: np.sum(draws, axis=0) for crop, draws in drawn.items()}
    whole = np.sum(list(totals.values()), axis=0) if totals else np.zeros(1)
    variance = float(whole.var())
    if variance == 0:
        return Uncertainty((), ())
    season = _explained(whole, stream(seed, "season", len(whole)))
    crops = sum(_explained(whole, stream(seed, f"crop/{crop}", len(whole))) for crop in totals)
    spreads = {
        message("variance-season"): season,
        message("variance-crop"): crops,
        message("variance-bed"): max(0.0, 1 - season - crops),
    }
    scale = sum(spreads.values())
    shares = [
        Share(names[crop], float(np.cov(total, whole, bias=True)[0, 1]) / variance)
        for crop, total in totals.items()
    ]
    largest = sorted(shares, key=lambda share: -share.share)[:_MOST_CROPS]
    return Uncertainty(
        tuple(Share(name, share / scale) for name, share in spreads.items()), tuple(largest)
    )


def _explained(whole: Floats, source: Floats) -> float:
    """The share of a variance that is explained by a source alone. [0-1]"""
    size = len(whole) // _GROUPS
    ordered = whole[np.argsort(source, kind="stable")][: size * _GROUPS]
    groups = ordered.reshape(_GROUPS, size)
    within = groups.var(axis=1, ddof=1).mean() / size
    return max(0.0, float((groups.mean(axis=1).var() - within) / whole.var()))
