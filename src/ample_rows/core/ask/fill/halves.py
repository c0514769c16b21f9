"""The plan's year in half-months: the days on which a filled plan begins and ends things."""

from bisect import bisect_left, bisect_right
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.ask.pantry.table import weeks_of
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.planting.harvest import WeekKg

COUNT = 24


@dataclass(frozen=True)
class Halves:
    """The half-months of one year."""

    year: GrowingYear

    @cached_property
    def begins(self) -> tuple[date, ...]:
        """The first day of each, and the day after the last."""
        length = (self.year.end - self.year.start).days + 1
        return tuple(
            self.year.start + timedelta(days=round(n * length / COUNT)) for n in range(COUNT + 1)
        )

    def of(self, day: date) -> int:
        """The half-month that a day lies in: below 0 or `COUNT` where it is not in the year."""
        return -1 if day < self.begins[0] else bisect_right(self.begins, day) - 1

    def after(self, day: date) -> int:
        """The first half-month that begins on or after a day; `COUNT` where none does."""
        return min(COUNT, bisect_left(self.begins, day))

    @cached_property
    def weeks(self) -> tuple[date, ...]:
        """The Mondays of the year, by which its table goes."""
        return weeks_of(self.year)

    def picked(self, weeks: Sequence[WeekKg]) -> NDArray[np.float64]:
        """What is picked in each week of the year; what lies outside it is not. [kg]"""
        gives = np.zeros(len(self.weeks))
        for week in weeks:
            at = (week.week - self.weeks[0]).days // 7
            if 0 <= at < len(gives):
                gives[at] += week.kg
        return gives
