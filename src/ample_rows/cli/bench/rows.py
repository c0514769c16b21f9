"""One measured figure, and how times are taken."""

import resource
import statistics
import sys
import time
from collections.abc import Callable
from dataclasses import dataclass
from pathlib import Path

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


def own_peak_mb() -> float:
    """The most memory that this process has had. [MB]"""
    # One that was forked starts its count at its parent's; Linux keeps its own elsewhere.
    status = Path("/proc/self/status")
    if status.exists():
        own = [line for line in status.read_text().splitlines() if line.startswith("VmHWM")]
        if own:
            return int(own[0].split()[1]) / 1024
    per_mb = 1024 * 1024 if sys.platform == "darwin" else 1024
    return resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / per_mb


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
