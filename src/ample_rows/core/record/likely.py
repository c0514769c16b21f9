"""Which plantings are likely to be picked on a day: what is ripe by the plan, and what was picked
of late."""

from collections.abc import Iterable, Sequence
from datetime import date, timedelta

from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry

LATELY = timedelta(days=21)
_EARLY = timedelta(days=14)


def likely_picked(
    reports: Iterable[PlantingReport], day: date, entries: Sequence[Entry] = ()
) -> list[PlantingReport]:
    """Plantings, the likeliest first: picked within three weeks, the last one first; then what is
    ripe by the plan; then what soon is, and what was cleared last."""
    last: dict[str, date] = {}
    for entry in entries:
        if entry.kind == "picked" and entry.planting and entry.day <= day:
            last[entry.planting] = max(entry.day, last.get(entry.planting, entry.day))

    def rank(report: PlantingReport) -> tuple[int, int]:
        picked = last.get(report.id)
        if picked is not None and day - picked <= LATELY:
            return 0, (day - picked).days
        first, end = report.first_pick, report.last_pick
        if first is None or end is None:
            return 3, abs((report.start_date - day).days)
        if first - _EARLY <= day <= end:
            return 1, max(0, (first - day).days)
        return 2, min(abs((first - day).days), abs((day - end).days))

    return sorted(reports, key=rank)


def ripe_on(
    reports: Iterable[PlantingReport], day: date, entries: Sequence[Entry] = ()
) -> list[PlantingReport]:
    """Those of them that can be picked about a day, or were of late."""
    lately = {
        entry.planting
        for entry in entries
        if entry.kind == "picked" and timedelta(0) <= day - entry.day <= LATELY
    }
    can = [
        report
        for report in reports
        if report.id in lately
        or (
            report.first_pick is not None
            and report.last_pick is not None
            and report.first_pick - _EARLY <= day <= report.last_pick + _EARLY
        )
    ]
    return likely_picked(can, day, entries)
