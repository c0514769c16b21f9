"""Labels for the garden: one for each planting, or for each kind that stands in it."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.geometry.cells import span_words
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Count, Message, Text, Value, message

_STARTED = {
    "sow": message("plant-labels-sown"),
    "transplant": message("plant-labels-set-out"),
    "set": message("plant-labels-planted"),
    "division": message("plant-labels-planted"),
}


@dataclass(frozen=True, slots=True)
class PlantLabel:
    """What stands on one label, and the planting that it leads back to."""

    place: str
    planting: str
    name: str
    where: Text
    when: Text


def plant_labels(
    plan: p.Plan, reports: Sequence[PlantingReport], place: str | None = None
) -> tuple[PlantLabel, ...]:
    """Labels of a plan in the order in which they are wanted.

    Args:
        place: Of one place alone.
    """
    labels = {one.id: one.label for one in plan.places}
    starts = {planting.id: planting.start for planting in plan.plantings}
    chosen = sorted(
        (r for r in reports if r.plants and place in (None, r.place)),
        key=lambda r: (r.start_date, r.place, r.id),
    )
    return tuple(
        PlantLabel(r.place, r.id, name, _where(r, labels, plants), _when(r, starts[r.id], pick))
        for r in chosen
        for name, plants, pick in _kinds(r)
    )


def _kinds(report: PlantingReport) -> Iterator[tuple[str, Value, date | None]]:
    """Each kind of a planting with its plants, counted as they are set out."""
    if not report.by_variety:
        # What is grown for the soil is not picked.
        picked = report.first_pick if report.harvest_kg.p50 else None
        yield report.name, Count(report.plants, "plant"), picked
    for kind in report.by_variety:
        last = kind.first_plant + kind.plants - 1
        yield (
            kind.name,
            message("plant-labels-plants", first_plant=kind.first_plant, until=last),
            kind.first_pick,
        )


def _where(report: PlantingReport, labels: dict[str, str], plants: Value) -> Message:
    cells = f" {span_words(report.cells)}" if report.cells else ""
    return message("plant-labels-values", labels=labels[report.place], cells=cells, plants=plants)


def _when(report: PlantingReport, start: str, pick: date | None) -> Text:
    begun = message(
        "plant-labels-begun",
        how=_STARTED[start],
        start=report.start_date,
        year=f"{report.start_date.year}",
    )
    return message("plant-labels-pick", begun=begun, pick=pick) if pick else begun
