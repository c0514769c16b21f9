"""One measured figure, and how times are taken."""

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass

from ample_rows.core.calendar.dates import dates_of
from ample_rows.core.planting.evaluated import evaluate_beside, judge_beside


@dataclass(frozen=True)
class Row:
    """One measured figure and what it should stay under."""

    name: str
    value: float
    unit: str
    target: float | None
    how: str


def forget_plantings() -> None:
    """Leave nothing of what was worked out for single plantings."""
    for kept in (evaluate_beside, judge_beside, dates_of):
        kept.cache_clear()


def median_ms(work: Callable[[], object], *, rounds: int) -> float:
    """Median wall time of some work. [ms]"""
    times = []
    for _ in range(rounds):
        began = time.perf_counter()
        work()
        times.append((time.perf_counter() - began) * 1000)
    return statistics.median(times)
