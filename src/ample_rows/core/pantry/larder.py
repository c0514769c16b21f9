"""The larder: what is picked week by week is eaten fresh, kept for later, or spoils.

Each season is followed by itself: the oldest is eaten first, fresh before kept; a week that
wants more than both goes short.
"""

from collections import deque
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.pantry.wants import Wanted

Floats = NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class Larder:
    """What became of a year's picking, by week and season. [kg]

    `fresh` and `kept` are eaten, `stored` is there at the week's end; `spoils` is by season,
    what is still stored at the year's end not among it.
    """

    fresh: Floats
    kept: Floats
    stored: Floats
    spoils: Floats


def larder(picked: Floats, need: Floats, wanted: Wanted) -> Larder:
    """Follow what is picked through the year.

    Args:
        picked: By week and season. [kg]
        need: What is eaten by week. [kg]
    """
    weeks, seasons = picked.shape
    fresh, kept, stored = (np.zeros((weeks, seasons)) for _ in range(3))
    spoils = np.zeros(seasons)
    at_hand: deque[Floats] = deque()
    away: deque[Floats] = deque()
    for week in range(weeks):
        at_hand.append(picked[week].copy())
        fresh[week] = _eat(at_hand, np.full(seasons, need[week]))
        kept[week] = _eat(away, need[week] - fresh[week])
        # What has lain its time is kept by the way that was chosen, or is lost.
        while len(at_hand) >= max(1, round(wanted.fresh_weeks)):
            old = at_hand.popleft()
            if wanted.keep is None:
                spoils += old
            else:
                away.append(old * wanted.share_kept)
                spoils += old * (1 - wanted.share_kept)
        while len(away) > max(1, round(wanted.keep_weeks)):
            spoils += away.popleft()
        stored[week] = sum(away, start=np.zeros(seasons))
    return Larder(fresh, kept, stored, spoils)


def _eat(lots: deque[Floats], want: Floats) -> Floats:
    """Take what is wanted from some lots, in place, the oldest first."""
    eaten = np.zeros_like(want)
    for lot in lots:
        taken = np.minimum(lot, want - eaten)
        np.subtract(lot, taken, out=lot)
        eaten += taken
    return eaten
