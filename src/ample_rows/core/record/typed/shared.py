"""One weighing of several plantings, shared out among them."""

from collections.abc import Iterable, Sequence
from datetime import date

from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry


def shared_out(
    entry: Entry, among: Sequence[str], reports: Iterable[PlantingReport]
) -> tuple[Entry, ...]:
    """What was weighed of several plantings together, shared out by the squares of those that
    stand on the day; nothing where nothing was weighed."""
    meant = {entry.planting, *among}
    of = [r for r in reports if r.id in meant and r.cells and _stands(r, entry.day)]
    squares = sum(len(report.cells) for report in of)
    if len(of) < 2 or (entry.kg is None and entry.pieces is None):
        return ()
    shared, before, given_kg, given = [], 0, 0.0, 0
    for number, report in enumerate(of):
        before += len(report.cells)
        # By running sums, so that the parts make the whole to the gram and the piece.
        kg = None if entry.kg is None else round(entry.kg * before / squares, 3) - given_kg
        pieces = None if entry.pieces is None else round(entry.pieces * before / squares) - given
        given_kg, given = given_kg + (kg or 0.0), given + (pieces or 0)
        values = {
            "id": entry.id if number == 0 else f"{entry.id}-{number + 1}",
            "place": report.place,
            "planting": report.id,
            "crop": report.crop,
            "variety": None,
            "plant": None,
            "kg": None if kg is None else round(kg, 3),
            "pieces": pieces,
            "minutes": None
            if entry.minutes is None
            else entry.minutes * len(report.cells) / squares,
        }
        shared.append(entry.model_copy(update=values))
    return tuple(shared)


def _stands(report: PlantingReport, day: date) -> bool:
    return report.start_date <= day and (report.clear_date is None or day <= report.clear_date)
