"""What is eaten of a crop week by week: the larder's rules for one season."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.ask.fill.value import SEGMENTS, enjoyed, worth_of
from ample_rows.core.ask.pantry.larder import larder
from ample_rows.core.ask.pantry.table import weeks_of
from ample_rows.core.ask.pantry.wants import Wanted, wants_of
from ample_rows.core.estimate.estimate import Estimate

Floats = NDArray[np.float64]


@dataclass(frozen=True, eq=False)
class AtTable:
    """A wanted crop through the year. `need` is what is eaten in each week; what is picked is eaten
    within `fresh` of them, its own among them, or put away for `keeps`, `share` of it left to eat.
    Of last year's store is eaten for `in_store_weeks`. [kg, weeks, 0-1]"""

    wanted: Wanted
    worth: float
    want_kg: float
    need: Floats
    fresh: int
    keeps: int
    share: float
    in_store_kg: float
    in_store_weeks: int

    def value_of(self, picked: Floats) -> float:
        """What so much picked in each week counts."""
        return self.worth * enjoyed(self.eaten_kg(picked), self.want_kg)

    def values_of(self, picked: Floats) -> Floats:
        """The same of many at once. [by one and week]"""
        store = larder(picked.T, self.need, self.wanted, self.in_store_weeks)
        left = (store.fresh + store.kept).sum(axis=0)
        counted: Floats = np.zeros(len(picked))
        for part, slope in SEGMENTS:
            here = np.minimum(left, part * self.want_kg)
            counted += slope * here
            left = left - here
        return self.worth * counted

    def eaten_kg(self, picked: Floats) -> float:
        """What is eaten of it: the oldest first, fresh before kept."""
        # Asked for tens of thousands of times, in single figures: lists are quicker than arrays.
        at_hand, away = picked.tolist(), [0.0] * len(self.need)
        store, eaten, first_fresh, first_away = self.in_store_kg, 0.0, 0, 0
        for week, need in enumerate(self._needs):
            first_fresh = max(first_fresh, week - self.fresh + 1)
            lacking, first_fresh = _take(at_hand, first_fresh, week, need)
            if lacking > 0 and week < self.in_store_weeks:
                taken = min(lacking, store)
                store, lacking = store - taken, lacking - taken
            if self.keeps:
                first_away = max(first_away, week - self.keeps)
                lacking, first_away = _take(away, first_away, week, lacking)
                past = week - self.fresh + 1
                if past >= 0:
                    away[week] += at_hand[past] * self.share
            eaten += need - lacking
        return eaten

    @cached_property
    def _needs(self) -> list[float]:
        needs: list[float] = self.need.tolist()
        return needs


def _take(lots: list[float], first: int, last: int, wanted: float) -> tuple[float, int]:
    """Take what is wanted from some lots, the first first; what is lacking then, and the first lot
    that is not used up."""
    while wanted > 0 and first <= last:
        lot = lots[first]
        if lot > wanted:
            lots[first] = lot - wanted
            return 0.0, first
        lots[first] = 0.0
        wanted -= lot
        if first == last:
            break
        first += 1
    return wanted, first


def tables_of(estimate: Estimate) -> Mapping[str, AtTable]:
    """Every wanted crop that counts for anything, by its root."""
    wants, worth = wants_of(estimate.plan, estimate.book), worth_of(estimate.plan, estimate.book)
    weeks = weeks_of(estimate.setting.year)
    tables = {
        crop: AtTable(
            wanted=wanted,
            worth=worth[crop],
            want_kg=wanted.kg,
            need=np.array(wanted.weekly_kg(weeks)),
            fresh=max(1, round(wanted.fresh_weeks)),
            keeps=max(1, round(wanted.keep_weeks)) if wanted.keep else 0,
            share=wanted.share_kept if wanted.keep else 0.0,
            in_store_kg=wanted.in_store_kg,
            in_store_weeks=wanted.weeks_in_store(weeks[0]) if wanted.in_store_kg else 0,
        )
        for crop, wanted in wants.items()
    }
    return {crop: table for crop, table in tables.items() if table.worth * table.want_kg > 0}
