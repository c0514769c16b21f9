"""Labels for the plants of a place: one where each planting, or each variety in it, begins."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from datetime import date

from ample_rows.core.geometry.cells import Grid, address_of
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting.report import PlantingReport


@dataclass(frozen=True, slots=True)
class Label:
    """One label: its number on the map, what it says, and where it is pushed in. [cm]

    Plants count from 1 as they are set out.
    """

    number: int
    planting: str
    name: str
    mark: str
    first_plant: int
    last_plant: int
    of_plants: int
    cell: str
    at_cm: Point
    start_date: date
    clear_date: date | None


def labels_of(reports: Iterable[PlantingReport], grid: Grid) -> tuple[Label, ...]:
    """The labels of a place through its year, numbered by the day that each goes in."""
    labels = [label for report in reports if report.plants for label in _labels(report, grid)]
    labels.sort(key=lambda label: (label.start_date, label.at_cm))
    return tuple(replace(label, number=number) for number, label in enumerate(labels, 1))


def _labels(report: PlantingReport, grid: Grid) -> Iterator[Label]:
    runs = [(v.name, v.mark, v.first_plant, v.plants) for v in report.by_variety]
    for name, mark, first, count in runs or [(report.name, report.mark, 1, report.plants)]:
        at = report.positions_cm[first - 1]
        yield Label(
            number=0,
            planting=report.id,
            name=name,
            mark=mark,
            first_plant=first,
            last_plant=first + count - 1,
            of_plants=report.plants,
            cell=_cell_at(grid, at),
            at_cm=at,
            start_date=report.start_date,
            clear_date=report.clear_date,
        )


def _cell_at(grid: Grid, point: Point) -> str:
    first = grid.box((0, 0))
    column = int((point[0] - first.x0) // grid.pitch.x_cm)
    row = int((point[1] - first.y0) // grid.pitch.y_cm)
    return address_of((min(max(column, 0), grid.columns - 1), min(max(row, 0), grid.rows - 1)))
