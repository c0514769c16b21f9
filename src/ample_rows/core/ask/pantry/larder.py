"""The larder: what is picked week by week is eaten fresh, kept for later, or spoils.

Each season is followed by itself: the oldest is eaten first, fresh before kept; a week that
wants more than both goes short.
"""

from collections import deque
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.ask.pantry.wants import Wanted

Floats = NDArray[np.float64]
Lot = tuple[int, Floats]


@dataclass(frozen=True, eq=False)
class Larder:
    """What became of a year's picking, by week and season. [kg]

    `fresh` and `kept` are eaten, `stored` is there at the week's end; `spoils` is by season,
    what is still stored at the year's end not among it. What lies in store from last year is
    eaten as kept.
    """

    fresh: Floats
    kept: Floats
    stored: Floats
    spoils: Floats


def larder(picked: Floats, need: Floats, wanted: Wanted, store_weeks: int = 0) -> Larder:
    """Follow what is picked through the year.

    Args:
        picked: By week and season. [kg]
        need: What is eaten by week. [kg]
        store_weeks: For how many weeks from the first what lies in store is good.
    """
    weeks, seasons = picked.shape
    fresh, kept, stored = (np.zeros((weeks, seasons)) for _ in range(3))
    spoils, level = np.zeros(seasons), np.zeros(seasons)
    at_hand: deque[Lot] = deque()
    keeps = max(1, round(wanted.keep_weeks))
    away: deque[Lot] = deque()
    if wanted.in_store_kg and store_weeks:
        away.append((store_weeks - 1 - keeps, np.full(seasons, float(wanted.in_store_kg))))
        level += wanted.in_store_kg
    for week, any_picked in enumerate(np.any(picked, axis=1)):
        if any_picked:
            at_hand.append((week, picked[week].copy()))
        if need[week] and at_hand:
            fresh[week] = _eat(at_hand, np.full(seasons, need[week]))
        if need[week] and away:
            kept[week] = _eat(away, need[week] - fresh[week])
            level -= kept[week]
        # What has lain its time is kept by the way that was chosen, or is lost.
        while at_hand and week - at_hand[0][0] + 1 >= max(1, round(wanted.fresh_weeks)):
            old = at_hand.popleft()[1]
            share = wanted.share_kept if wanted.keep is not None else 0.0
            spoils += old * (1 - share)
            if share:
                away.append((week, old * share))
                level += old * share
        gone = [old for since, old in away if week - since >= keeps]
        for old in gone:
            spoils += old
            level -= old
        if gone:
            away = deque(lot for lot in away if week - lot[0] < keeps)
        stored[week] = level
    return Larder(fresh, kept, stored, spoils)


def _eat(lots: deque[Lot], want: Floats) -> Floats:
    """Take what is wanted from some lots, in place, the oldest first; empty ones go."""
    lacking = want.copy()
    for _, lot in lots:
        taken = np.minimum(lot, lacking)
        np.subtract(lot, taken, out=lot)
        np.subtract(lacking, taken, out=lacking)
        # In no season is anything wanted of the younger ones.
        if not lacking.any():
            break
    while lots and not lots[0][1].any():
        lots.popleft()
    return want - lacking
