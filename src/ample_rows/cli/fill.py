"""`value`: what a plan is worth to those who eat of it. `fill`: the plan that is worth most."""

import json
import os
import time
from pathlib import Path
from typing import Any

from ample_rows.cli.estimate import FAULT, ready
from ample_rows.core.ask.fill.filling import Filling, Limits, filled
from ample_rows.core.ask.fill.settled import Scope
from ample_rows.core.ask.fill.value import PlanWorth, value_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan import document
from ample_rows.core.words.message import said

FORMAT = {"format": "ample-rows/filling", "version": 1}
_BEGAN = 19
"""Which figure after the name in the system's line on a process is when it began."""


def value(source: str, *, as_json: bool) -> int:
    """Print what a plan is worth. Status 2, nothing printed, and one line a fault if it is none."""
    estimate = ready(source)
    if estimate is None:
        return FAULT
    worth = value_of(estimate)
    print(json.dumps(_document(worth), indent=1) if as_json else _table(estimate, worth))
    return 0


def fill(source: str, *, keep: bool, limits: Limits, as_json: bool) -> int:
    """Print a filled plan, or all that is said of it. Status 2, nothing printed, and one line a
    fault if the plan is none."""
    estimate = ready(source)
    if estimate is None:
        return FAULT
    # Seconds count from the start of the process: what it spent on reading the book is spent.
    begun = time.monotonic() - _running_for()
    found = filled(estimate, Scope(keep), limits=limits, clock=lambda: time.monotonic() - begun)
    plan = document(found.plan)
    answer = plan if not as_json else {**FORMAT, **_filling(found), "plan": plan, **_said(found)}
    print(json.dumps(answer, indent=1, default=str))
    return 0


def _running_for() -> float:
    """How long this process runs, as far as the system tells; else what it has worked. [s]"""
    try:
        told = Path("/proc/self/stat").read_text("ascii").rpartition(")")[2].split()
        began = int(told[_BEGAN]) / os.sysconf("SC_CLK_TCK")
        return time.clock_gettime(time.CLOCK_BOOTTIME) - began
    except (OSError, ValueError, IndexError, AttributeError):
        return time.process_time()


def _filling(found: Filling) -> dict[str, float]:
    return {
        "value": found.worth.value,
        "bound": found.bound,
        "gap": found.stage.gap,
        "seconds": found.stage.seconds,
        "first_plan_seconds": found.first_plan_seconds,
        "greedy_value": found.greedy_value,
    }


def _said(found: Filling) -> dict[str, Any]:
    return {
        "why": [{"planting": one.planting, "text": said(one.text)} for one in found.why],
        "left_out": [{"crop": one.crop, "reason": said(one.reason)} for one in found.left_out],
    }


def _document(worth: PlanWorth) -> dict[str, Any]:
    return {
        "value": worth.value,
        "by_crop": {
            crop: {"eaten_kg": of.eaten_kg, "value": of.value} for crop, of in worth.by_crop.items()
        },
        "plantings": worth.plantings,
        "idle_cell_weeks": worth.idle_cell_weeks,
        "broken": [f"{broken.rule}: {said(broken.text)}" for broken in worth.broken],
    }


def _table(estimate: Estimate, worth: PlanWorth) -> str:
    lines = [
        f"{estimate.plan.garden.name}: worth {worth.value:.1f}, {worth.plantings} plantings begun, "
        f"{worth.idle_cell_weeks:.0f} cell-weeks idle",
        f"{'':28}{'eaten, kg':>10}{'counts':>8}",
    ]
    names = {crop: estimate.book.crops[crop].name for crop in worth.by_crop}
    lines += [
        f"{names[crop]:28}{of.eaten_kg:10.2f}{of.value:8.2f}" for crop, of in worth.by_crop.items()
    ]
    lines += [f"{broken.rule}: {said(broken.text)}" for broken in worth.broken]
    return "\n".join(lines)
