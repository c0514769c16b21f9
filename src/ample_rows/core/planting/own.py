"""What a garden's own record adds to an estimate: its factor, and what is no longer chance."""

import math
from dataclasses import dataclass
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop

Z80 = 1.2815515655446004
"""Standard deviations to either side of a mean that hold 80 % of a normal spread."""

_MOST_KNOWN = 0.5
# Effects of which a factor says nothing, by what it is of.
_UNSAID = {"crops": (), "families": ("crop",), "garden": ("crop", "family")}


@dataclass(frozen=True, slots=True)
class Own:
    """A crop's own factor, the plantings that it rests on, and the share of a planting's log
    variance that is known by it. [0-1]"""

    factor: float = 1.0
    n: int = 0
    known: float = 0.0


_NONE = Own()


@lru_cache(maxsize=1024)
def own_of(own: p.OwnFactors | None, crop: Crop, book: Book) -> Own:
    """What a garden goes by for a crop: its own, else its family's, else the garden's."""
    if own is None:
        return _NONE
    root = crop.variety_of or crop.id
    levels = (
        ("crops", (own.crops or {}).get(root)),
        ("families", (own.families or {}).get(crop.family)),
        ("garden", own.garden),
    )
    for level, found in levels:
        if found is not None:
            return Own(found.factor, found.n, _known(level, found, book))
    return _NONE


def _known(level: str, found: p.OwnFactor, book: Book) -> float:
    """The share of a planting's variance in the model that the record has taken away."""
    variance = {
        name: book.value(f"own_{name}_sd") ** 2
        for name in ("season", "garden", "family", "crop", "season_crop", "planting")
    }
    before = variance["garden"] + variance["family"] + variance["crop"]
    after = (math.log(found.high / found.low) / (2 * Z80)) ** 2
    after += sum(variance[name] for name in _UNSAID[level])
    return min(_MOST_KNOWN, max(0.0, (before - after) / sum(variance.values())))
