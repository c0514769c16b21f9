"""`estimate`: a plan document in, a report or a readable table out."""

import sys
from pathlib import Path

from ample_rows import PROGRAM
from ample_rows.core.book.own import own_book
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report import Report
from ample_rows.core.estimate.report_json import report_json
from ample_rows.core.plan import Plan
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Text, said
from ample_rows.crops import load_book
from ample_rows.wording.units import significant

FAULT = 2


def estimate(source: str, *, as_json: bool) -> int:
    """Print what a plan gives. Status 2, nothing printed, and one line a fault if it is none."""
    asked = ready(source)
    if asked is None:
        return FAULT
    if as_json:
        sys.stdout.buffer.write(report_json(asked.report) + b"\n")
    else:
        print(_table(asked.plan, asked.report))
    return 0


def ready(source: str) -> Estimate | None:
    """A plan ready to be asked; None, and its faults on standard error, where it is none."""
    try:
        book = load_book()
        plan = read_plan(read(source), book)
    except OSError as error:
        print(f"{source}: {error.strerror or error}", file=sys.stderr)
        return None
    except PlanFaultsError as error:
        print(error, file=sys.stderr)
        return None
    return Estimate(plan, own_book(book, plan), PROGRAM)


def read(source: str) -> bytes:
    """A document from a file, or from standard input where the source is a dash.

    Raises:
        OSError: The file cannot be read.
    """
    return sys.stdin.buffer.read() if source == "-" else Path(source).read_bytes()


def _table(plan: Plan, report: Report) -> str:
    lines = [f"{plan.garden.name}, growing year {report.year.start} to {report.year.end}", ""]
    header = f"{'':4}{'crop':24}{'plants':>7}{'cm':>7}{'first pick':>12}{'low':>8}{'likely':>8}"
    for place in report.places:
        label = next(p.label for p in plan.places if p.id == place.id)
        depth = f"{place.usable_depth_cm:g} cm deep"
        lines += [f"{label}: {place.inside_area_m2:.2f} m², {depth}, {place.soil_litres:.0f} L"]
        lines += [header + f"{'high':>8} kg"]
        lines += [_row(r) for r in report.plantings if r.place == place.id]
        total = place.harvest_kg
        lines += [
            f"{'':4}{'this place':50}{_kg(total)}",
            f"{'':4}idle in season: {place.idle_cell_weeks:.0f} cell-weeks",
            "",
        ]
    whole = report.totals.harvest_kg
    lines.append(f"{'The garden':54}{_kg(whole)} kg")
    lines += ["", *(_note(note.level, note.text, note.fix) for note in report.notes)]
    return "\n".join(lines)


def _row(r: PlantingReport) -> str:
    pick = r.first_pick.isoformat() if r.first_pick else "none"
    head = f"{r.mark:4}{r.name[:23]:24}{r.plants:7,d}{r.spacing_cm:7.1f}{pick:>12}"
    return head + _kg(r.harvest_kg)


def _kg(harvest: Quantiles) -> str:
    """Low, likely and high, with the two figures that an estimate has."""
    return "".join(f"{significant(kg):>8}" for kg in (harvest.p10, harvest.p50, harvest.p90))


def _note(level: str, text: Text, fix: Text | None) -> str:
    return f"{level.upper():5}{said(text)}" + (f" → {said(fix)}" if fix else "")
