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


class _Shelf:
    """Lots that came week by week, the oldest eaten first, each good for some weeks after.

    As the oldest always goes first, sums are enough: all that came, what had come with each lot,
    and what has gone of it.
    """

    def __init__(self, seasons: int, good_weeks: int) -> None:
        self._good_weeks = good_weeks
        self._came = np.zeros(seasons)
        self._gone = np.zeros(seasons)
        self._lots: deque[tuple[int, Floats]] = deque()

    def __bool__(self) -> bool:
        return bool(self._lots)

    def lay_by(self, week: int, kg: Floats) -> None:
        self._came = self._came + kg
        self._lots.append((week, self._came))

    def eat(self, want: Floats | float) -> Floats:
        """What is eaten of it where so much is wanted. [kg]"""
        eaten = np.minimum(self.level, want)
        self._gone += eaten
        return eaten

    def take_old(self, week: int) -> Floats | None:
        """What is left of the lots that are good no longer after a week goes; None where all that
        is there is good. [kg]"""
        until = None
        while self._lots and week - self._lots[0][0] >= self._good_weeks:
            until = self._lots.popleft()[1]
        if until is None:
            return None
        left = np.maximum(until - self._gone, 0.0)
        self._gone += left
        return left

    @property
    def level(self) -> Floats:
        """What is there. [kg]"""
        return np.maximum(self._came - self._gone, 0.0)


def larder(picked: Floats, need: Floats, wanted: Wanted, store_weeks: int = 0) -> Larder:
    """Follow what is picked through the year.

    Args:
        picked: By week and season. [kg]
        need: What is eaten by week. [kg]
        store_weeks: For how many weeks from the first what lies in store is good.
    """
    weeks, seasons = picked.shape
    fresh, kept, stored = (np.zeros((weeks, seasons)) for _ in range(3))
    spoils = np.zeros(seasons)
    at_hand = _Shelf(seasons, max(1, round(wanted.fresh_weeks)) - 1)
    away = _Shelf(seasons, max(1, round(wanted.keep_weeks)))
    last_year = np.full(seasons, float(wanted.in_store_kg or 0.0) if store_weeks else 0.0)
    share = wanted.share_kept if wanted.keep is not None else 0.0
    for week, any_picked in enumerate(np.any(picked, axis=1)):
        if any_picked:
            at_hand.lay_by(week, picked[week])
        if need[week]:
            if at_hand:
                fresh[week] = at_hand.eat(need[week])
            if week < store_weeks:
                kept[week] = np.minimum(last_year, need[week] - fresh[week])
                last_year -= kept[week]
            if away:
                kept[week] += away.eat(need[week] - fresh[week] - kept[week])
        # What has lain its time is kept by the way that was chosen, or is lost.
        old = at_hand.take_old(week)
        if old is not None:
            spoils += old * (1 - share)
            if share:
                away.lay_by(week, old * share)
        gone = away.take_old(week)
        if gone is not None:
            spoils += gone
        if week == store_weeks - 1:
            spoils += last_year
            last_year[:] = 0.0
        stored[week] = away.level + last_year if away else last_year
    return Larder(fresh, kept, stored, spoils)
