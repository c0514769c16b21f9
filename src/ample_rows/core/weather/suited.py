"""How well the weeks of a planting suit its crop: warmth, flowers that set, running to seed, bulbs
that want long days. For one start, or for many at once."""

from dataclasses import dataclass

import numpy as np

from ample_rows.core.book import Bolting, Crop
from ample_rows.core.weather.response import Course, Floats, Rows, mean_over

_RIPENS_OVER_DAYS = 14
_YOUNG_DAYS = 30
_LEAFY_DAYS = 60
_LONG_OVER_H, _WARMTH_OVER_C, _BULBS_OVER_H, _SOON_OVER_H = 2.0, 4.0, 1.0, 1.0


@dataclass(frozen=True, slots=True)
class Suited:
    """How well some weeks suit a crop: by warmth and all that follows from it, and what the short
    days of winter leave of that. [0-1]

    Of the former `heat` is what days above the best take, `sets` the share of flowers that set,
    `kept` what running to seed leaves, `chilled` what a mild winter leaves.
    """

    warmth: Floats
    light: Floats
    heat: Floats
    sets: Floats
    kept: Floats
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
    end = due if crop.picking.kind == "once" else np.asarray(due) + picked
    warm = mean_over(course.warm, first, end)
    grown = mean_over(course.grown, first, end)
    kept = _kept(course, crop, first, due, picked)
    sets = _sets(course, crop, first, due, picked)
    chilled = _chilled(course, crop)
    whole = warm * sets * _by_day_length(course, crop, first, due) * chilled
    light = np.divide(grown, warm, out=np.zeros_like(np.asarray(warm)), where=np.asarray(warm) > 0)
    heat = mean_over(course.hot, first, end)
    return Suited(whole * kept, light, heat, sets, kept, chilled)


def _sets(course: Course, crop: Crop, first: Rows, due: Rows, picked: int) -> Floats:
    if crop.fruit_set is None:
        return np.ones(np.shape(due))
    flower = round(crop.fruit_set.days_to_pick)
    opens = np.maximum(first, np.asarray(due) - flower)
    return mean_over(course.set, opens, np.asarray(due) + picked - flower)


def _chilled(course: Course, crop: Crop) -> float:
    """What the winter leaves of a crop whose buds want cold: all in a cold one, little in none."""
    wants, coldest = crop.chill, course.coldest_c
    if wants is None or coldest is None:
        return 1.0
    opens = (wants.none_c - coldest) / max(0.1, wants.none_c - wants.full_c)
    return wants.without + (1 - wants.without) * min(1.0, max(0.0, opens))


def _by_day_length(course: Course, crop: Crop, first: Rows, due: Rows) -> Floats:
    """What a crop gives by the length of its days: of the longest for its bulbs, of its young
    weeks for what then comes too soon or too late."""
    wants = crop.day_length
    if wants is None:
        return np.ones(np.shape(due))
    given = np.ones(np.shape(due))
    if wants.hours is not None:
        given = _bulbs(course, wants.hours, wants.without, first, due)
    if wants.young_hours is not None:
        young = mean_over(course.hours, first, np.minimum(due, np.asarray(first) + _LEAFY_DAYS))
        over = np.clip((young - wants.young_hours) / _SOON_OVER_H, 0.0, 1.0)
        given = given * (1 - (1 - wants.beyond) * over)
    return np.asarray(given)


def _bulbs(course: Course, hours_wanted: float, without: float, first: Rows, due: Rows) -> Floats:
    """What a crop gives by the longest of its days, against the length that its bulbs want."""
    month = np.maximum(first, np.asarray(due) - _YOUNG_DAYS)
    hours = np.maximum(
        mean_over(course.hours, month, due), mean_over(course.hours, month - _YOUNG_DAYS, month)
    )
    swell = np.clip((hours - hours_wanted) / _BULBS_OVER_H + 1, 0.0, 1.0)
    return np.asarray(without + (1 - without) * swell)


def _kept(course: Course, crop: Crop, first: Rows, due: Rows, picked: int) -> Floats:
    kept = np.ones(np.shape(due))
    for bolting in crop.bolts:
        kept = kept * (1 - bolting.takes * _bolts(course, bolting, first, due, picked))
    return kept


def _bolts(course: Course, bolting: Bolting, first: Rows, due: Rows, picked: int) -> Floats:
    """How far a crop runs to seed: not at all at the limit, altogether some way beyond. [0-1]"""
    due, first = np.asarray(due), np.asarray(first)
    if bolting.by == "cold":
        if course.mean is None:
            return np.zeros(np.shape(due))
        young = mean_over(course.mean, first, np.minimum(due, first + _YOUNG_DAYS))
        return np.clip((bolting.limit - young) / _WARMTH_OVER_C, 0.0, 1.0)
    ripens = due - (due - first) // 3
    until = due + min(picked, _RIPENS_OVER_DAYS)
    if bolting.by == "long days":
        hours = mean_over(course.hours, ripens, until)
        return np.clip((hours - bolting.limit) / _LONG_OVER_H, 0.0, 1.0)
    if course.mean is None:
        return np.zeros(np.shape(due))
    mean = mean_over(course.mean, ripens, until)
    return np.clip((mean - bolting.limit) / _WARMTH_OVER_C, 0.0, 1.0)
