"""`learn`: what a garden's record says of it."""

import json
import sys
from dataclasses import asdict
from typing import Any

from ample_rows.cli.estimate import FAULT, read
from ample_rows.core.book.own import own_book
from ample_rows.core.checks import read_plan
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.entries import read_record
from ample_rows.core.record.figures import worked_out
from ample_rows.core.record.outcomes import outcomes_of
from ample_rows.core.record.own_factors import Learnt, learnt
from ample_rows.crops import load_book

FORMAT = {"format": "ample-rows/own-factors", "version": 1}


def learn(plan_source: str, record_source: str, *, as_json: bool) -> int:
    """Print a garden's own factors. Status 2, nothing printed, and one line a fault where the plan
    or the record is none."""
    book = load_book()
    try:
        plan = read_plan(read(plan_source), book)
        record = read_record(read(record_source), book)
    except OSError as error:
        print(f"{error.filename}: {error.strerror or error}", file=sys.stderr)
        return FAULT
    except PlanFaultsError as error:
        print(error, file=sys.stderr)
        return FAULT
    own = own_book(book, plan)
    planned = {planting.crop: own.crops[planting.crop].family for planting in plan.plantings}
    factors = learnt(outcomes_of(record, plan, worked_out(book)), book, also=planned)
    print(json.dumps(_document(factors), indent=1) if as_json else _table(factors))
    return 0


def _document(factors: Learnt) -> dict[str, Any]:
    """The own factors as the open format has them."""
    told = asdict(factors)
    del told["pickings"]
    crops = {
        crop: {key: of[key] for key in ("factor", "low", "high", "n", "first_pick_shift_days")}
        for crop, of in told["crops"].items()
    }
    return {**FORMAT, **told, "crops": crops}


def _table(factors: Learnt) -> str:
    lines = [
        f"plantings: {factors.used} used, {factors.left_out} left out",
        f"{'':28}{'factor':>8}{'80 % from':>12}{'to':>7}{'from':>6}{'first pick':>14}",
        _row("the garden", factors.garden, None),
    ]
    lines += [_row(name, one, None) for name, one in factors.families.items()]
    lines += [_row(name, one, one.first_pick_shift_days) for name, one in factors.crops.items()]
    return "\n".join(lines)


def _row(name: str, one: Any, shift_days: float | None) -> str:
    shift = "" if shift_days is None else f"{shift_days:+.0f} days"
    return f"{name:28}{one.factor:8.2f}{one.low:12.2f}{one.high:7.2f}{one.n:6}{shift:>14}"
