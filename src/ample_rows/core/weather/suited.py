"""How well the weeks of a planting suit its crop: warmth, flowers that set, running to seed, bulbs
that want long days. For one start, or for many at once."""

from dataclasses import dataclass

import numpy as np

from ample_rows.core.book import Bolting, Crop
from ample_rows.core.weather.response import Course, Means, Rows, mean_over, within_one

_RIPENS_OVER_DAYS = 14
_YOUNG_DAYS = 30
_LEAFY_DAYS = 60
_ALL, _NONE, _DUST = np.float64(1.0), np.float64(0.0), 1e-12
_WARMTH_OVER_C, _BULBS_OVER_H, _SOON_OVER_H = 4.0, 1.0, 1.0

LONG_OVER_H = 2.0
"""How much longer than its limit days are when a crop has wholly run to seed; judged. [h]"""


@dataclass(frozen=True, slots=True)
class Suited:
    """How well some weeks suit a crop: by warmth and all that follows from it, and what the short
    days of winter leave of that. [0-1]

    Of the former `heat` is what days above the best take, `sets` the share of flowers that set,
    `kept` what running to seed leaves, `chilled` what a mild winter leaves.
    """

    warmth: Means
    light: Means
    heat: Means
    sets: Means
    kept: Means
    chilled: float = 1.0


def left_of(changed: Suited, usual: Suited) -> float:
    """What other weather leaves of how well some weeks suit a crop, at most all. [0-1]"""
    before = float(usual.warmth)
    return min(1.0, float(changed.warmth) / before) if before > 0 else 1.0


def suited_over(course: Course, crop: Crop, first: Rows, due: Rows, picked_days: float) -> Suited:
    """How well the weeks of plantings suit a crop, from a start to the end of its picking.

    Args:
        first, due: Rows from which growth makes the harvest, and of the first pick.
        picked_days: Length of the picking; what is lifted in one go grows no more by then.
    """
    picked = round(picked_days)
    end = due if crop.picking.kind == "once" else due + picked
    warm = mean_over(course.warm, first, end)
    grown = mean_over(course.grown, first, end)
    kept = _kept(course, crop, first, due, picked)
    sets = _sets(course, crop, first, due, picked)
    chilled = _chilled(course, crop)
    whole = warm * sets * _by_day_length(course, crop, first, due) * chilled
    light = np.where(warm > 0, grown / np.maximum(warm, _DUST), 0.0)
    heat = mean_over(course.hot, first, end)
    return Suited(whole * kept, light, heat, sets, kept, chilled)


def _sets(course: Course, crop: Crop, first: Rows, due: Rows, picked: int) -> Means:
    if crop.fruit_set is None:
        return _ALL
    flower = round(crop.fruit_set.days_to_pick)
    return mean_over(course.set, _later(first, due - flower), due + picked - flower)


def _chilled(course: Course, crop: Crop) -> float:
    """What the winter leaves of a crop whose buds want cold: all in a cold one, little in none."""
    wants, coldest = crop.chill, course.coldest_c
    if wants is None or coldest is None:
        return 1.0
    opens = (wants.none_c - coldest) / max(0.1, wants.none_c - wants.full_c)
    return wants.without + (1 - wants.without) * min(1.0, max(0.0, opens))


def _by_day_length(course: Course, crop: Crop, first: Rows, due: Rows) -> Means:
    """What a crop gives by the length of its days: of the longest for its bulbs, of its young
    weeks for what then comes too soon or too late."""
    given: Means = _ALL
    wants = crop.day_length
    if wants is None:
        return given
    if wants.hours is not None:
        given = _bulbs(course, wants.hours, wants.without, first, due)
    if wants.young_hours is not None:
        young = mean_over(course.hours, first, _sooner(due, first + _LEAFY_DAYS))
        over = within_one((young - wants.young_hours) / _SOON_OVER_H)
        given = given * (1 - (1 - wants.beyond) * over)
    return given


def _bulbs(course: Course, hours_wanted: float, without: float, first: Rows, due: Rows) -> Means:
    """What a crop gives by the longest of its days, against the length that its bulbs want."""
    month = _later(first, due - _YOUNG_DAYS)
    hours = np.maximum(
        mean_over(course.hours, month, due), mean_over(course.hours, month - _YOUNG_DAYS, month)
    )
    swell = within_one((hours - hours_wanted) / _BULBS_OVER_H + 1)
    return without + (1 - without) * swell


def _kept(course: Course, crop: Crop, first: Rows, due: Rows, picked: int) -> Means:
    kept: Means = _ALL
    for bolting in crop.bolts:
        kept = kept * (1 - bolting.takes * _bolts(course, bolting, first, due, picked))
    return kept


def _bolts(course: Course, bolting: Bolting, first: Rows, due: Rows, picked: int) -> Means:
    """How far a crop runs to seed: not at all at the limit, altogether some way beyond. [0-1]"""
    if bolting.by == "cold":
        if course.mean is None:
            return _NONE
        young = mean_over(course.mean, first, _sooner(due, first + _YOUNG_DAYS))
        return within_one((bolting.limit - young) / _WARMTH_OVER_C)
    # A third of its growth, and no more than the last weeks of what stood through a winter.
    ripens = _later(due - (due - first) // 3, due - _YOUNG_DAYS)
    until = due + min(picked, _RIPENS_OVER_DAYS)
    if bolting.by == "long days":
        hours = mean_over(course.hours, ripens, until)
        return within_one((hours - bolting.limit) / LONG_OVER_H)
    if course.mean is None:
        return _NONE
    mean = mean_over(course.mean, ripens, until)
    return within_one((mean - bolting.limit) / _WARMTH_OVER_C)


def _later(one: Rows, other: Rows) -> Rows:
    """The later row of each two."""
    if isinstance(one, int) and isinstance(other, int):
        return max(one, other)
    return np.maximum(one, other)


def _sooner(one: Rows, other: Rows) -> Rows:
    """The sooner row of each two."""
    if isinstance(one, int) and isinstance(other, int):
        return min(one, other)
    return np.minimum(one, other)
