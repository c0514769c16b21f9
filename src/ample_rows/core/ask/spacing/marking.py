"""The marking sheet of a place: the grid's own strings, and every planting by tape and line.

All measures are inside ones from the corner of A1: across runs along the letters, along runs
with the numbers. [cm]
"""

import itertools
import math
from collections import defaultdict
from dataclasses import dataclass
from typing import Literal

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core import plan as p
from ample_rows.core.ask.spacing.labels import Label, labels_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import Grid, Pitch, address_of, grid_of
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Count, Length, Message, Text, listed, message

_CM_PER_M = 100.0
_DIGITS = 2
_EVEN_CM = 0.03
_SAME_RING_CM = 0.5
_EVEN_DEGREES = 2.0
_MOST_PATTERNS = 12

Direction = Literal["across", "along"]


@dataclass(frozen=True, slots=True)
class GridString:
    """One string or lath of the grid: it stands at `at_cm` and runs from edge to edge."""

    direction: Direction
    at_cm: float
    from_cm: float
    to_cm: float


@dataclass(frozen=True, slots=True)
class Lines:
    """Lines of plants that are marked alike: where the lines lie, and the marks on each."""

    at_cm: tuple[float, ...]
    marks_cm: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class PlantingMarks:
    """How one planting is set out by tape: lines in one direction, marks on each."""

    planting: str
    name: str
    mark: str
    plants: int
    runs: Direction
    lines: tuple[Lines, ...]
    words: Text
    template_cell: str | None
    template_cm: tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class MarkingSheet:
    """Everything to mark a place out. The last square of a side may be a part of one."""

    place: str
    pitch_cm: Pitch
    across_cm: tuple[float, ...]
    along_cm: tuple[float, ...]
    across_left_cm: float
    along_left_cm: float
    strings: tuple[GridString, ...]
    string_m: float
    lath_m: float
    fixings: int
    plantings: tuple[PlantingMarks, ...]
    labels: tuple[Label, ...]


def marking_sheet(estimate: Estimate, place_id: str) -> MarkingSheet:
    """The marking sheet of one place of a plan.

    Raises:
        UnknownPartError: There is no such place.
    """
    place = estimate.place(place_id).place
    grid = grid_of(place)
    box = shapes.bounds(place.shape)
    strings = _strings(place, grid)
    laths = sum(s.to_cm - s.from_cm for s in strings)
    reports = estimate.result(place_id).plantings
    return MarkingSheet(
        place=place_id,
        pitch_cm=grid.pitch,
        across_cm=tuple(grid.pitch.x_cm * i for i in range(1, grid.columns)),
        along_cm=tuple(grid.pitch.y_cm * i for i in range(1, grid.rows)),
        across_left_cm=box.width - grid.pitch.x_cm * (grid.columns - 1),
        along_left_cm=box.length - grid.pitch.y_cm * (grid.rows - 1),
        strings=strings,
        string_m=(laths + 2 * estimate.book.value("string_end_cm") * len(strings)) / _CM_PER_M,
        lath_m=laths / _CM_PER_M,
        fixings=2 * len(strings),
        plantings=tuple(_marks(report, grid) for report in reports if report.plants),
        labels=labels_of(reports, grid),
    )


def _strings(place: p.Place, grid: Grid) -> tuple[GridString, ...]:
    """Every line of the grid inside the outline; a hole parts one into two."""
    inside, box = shapes.outline(place.shape), shapes.bounds(place.shape)
    strings: list[GridString] = []
    for i in range(1, grid.columns):
        x = box.x0 + grid.pitch.x_cm * i
        line = shapely.LineString([(x, box.y0), (x, box.y1)])
        strings += [
            GridString("along", x - box.x0, part.bounds[1] - box.y0, part.bounds[3] - box.y0)
            for part in _parts(inside.intersection(line))
        ]
    for i in range(1, grid.rows):
        y = box.y0 + grid.pitch.y_cm * i
        line = shapely.LineString([(box.x0, y), (box.x1, y)])
        strings += [
            GridString("across", y - box.y0, part.bounds[0] - box.x0, part.bounds[2] - box.x0)
            for part in _parts(inside.intersection(line))
        ]
    return tuple(strings)


def _parts(cut: BaseGeometry) -> list[BaseGeometry]:
    return [part for part in shapely.get_parts(cut) if part.length > 0]


def _marks(report: PlantingReport, grid: Grid) -> PlantingMarks:
    box = shapes.bounds(grid.shape)
    points = [
        (round(x - box.x0, _DIGITS), round(y - box.y0, _DIGITS))
        for x, y in dict.fromkeys(report.positions_cm)
    ]
    along = len({x for x, _ in points}) <= len({y for _, y in points})
    # A line that runs along lies at one x; its marks are the plants' y.
    pairs = points if along else [(y, x) for x, y in points]
    lines = _alike(pairs)
    cell, spots = _template(report, grid)
    return PlantingMarks(
        planting=report.id,
        name=report.name,
        mark=report.mark,
        plants=report.plants,
        runs="along" if along else "across",
        lines=lines,
        words=_words_for(
            grid.shape,
            points,
            lines,
            "along" if along else "across",
            report.plants // len(points),
        ),
        template_cell=cell,
        template_cm=spots,
    )


def _alike(pairs: list[Point]) -> tuple[Lines, ...]:
    """Lines by position, those with the same marks together."""
    on_line: dict[float, list[float]] = defaultdict(list)
    for at, mark in pairs:
        on_line[at].append(mark)
    by_marks: dict[tuple[float, ...], list[float]] = defaultdict(list)
    for at in sorted(on_line):
        by_marks[tuple(sorted(on_line[at]))].append(at)
    return tuple(Lines(tuple(at), marks) for marks, at in by_marks.items())


def _words_for(
    shape: p.Shape, points: list[Point], lines: tuple[Lines, ...], runs: Direction, per: int
) -> Message:
    inner = shapes.inside_shape(shape)
    if isinstance(inner, p.Circle):
        return _rings(points, inner.diameter_cm / 2)
    return _words(lines, runs, per)


def _rings(points: list[Point], radius_cm: float) -> Message:
    """Plants of a round place by their distance from its middle."""
    polar = sorted(
        (math.dist(point, (radius_cm, radius_cm)), math.atan2(*(v - radius_cm for v in point)))
        for point in points
    )
    rings: list[list[tuple[float, float]]] = []
    for at in polar:
        if rings and at[0] - rings[-1][0][0] <= _SAME_RING_CM:
            rings[-1].append(at)
        else:
            rings.append([at])
    return message("marking-rings", rings=listed((_ring(ring) for ring in rings), "semicolon"))


def _ring(ring: list[tuple[float, float]]) -> Message:
    count, away = len(ring), ring[0][0]
    if away <= _SAME_RING_CM:
        return message("marking-middle")
    if count == 1:
        return message("marking-plant-from-middle", away=Length(away))
    angles = sorted(math.degrees(angle) for _, angle in ring)
    gaps = [b - a for a, b in itertools.pairwise([*angles, angles[0] + 360])]
    even = max(gaps) - min(gaps) <= _EVEN_DEGREES
    return message(
        "marking-plants-from-middle",
        count=Count(count, "plant"),
        away=Length(away),
        way="even" if even else "drawn",
    )


def _words(lines: tuple[Lines, ...], runs: Direction, per: int) -> Message:
    side = "A" if runs == "along" else "1"
    if len(lines) > _MOST_PATTERNS:
        return message("marking-each-line-itself-drawn")
    parts = []
    for pattern in lines:
        count = len(pattern.at_cm)
        places_of = _row(pattern.at_cm, message("marking-from-outer-side", side=side))
        plants = _counted(len(pattern.marks_cm), per)
        marks = _row(pattern.marks_cm, message("marking-from-corner"))
        parts.append(
            message(
                "marking-pattern",
                lines=Count(count, "line"),
                number=count,
                at=places_of,
                plants=plants,
                marks=marks,
            )
        )
    return message("marking-lines", runs=runs, patterns=listed(parts, "then"))


def _counted(count: int, per: int) -> Message:
    if per == 1:
        return message("marking-plants", plants=Count(count, "plant"))
    return message("marking-stations", stations=Count(count, "station"), per=per)


def _row(values: tuple[float, ...], where: Text) -> Message:
    """Even marks by their first and step; uneven ones by number."""
    if len(values) == 1:
        return message("marking-one-at", cm=Length(values[0]), where=where)
    steps = [b - a for a, b in itertools.pairwise(values)]
    if max(steps) - min(steps) <= _EVEN_CM:
        step = (values[-1] - values[0]) / len(steps)
        return message("marking-apart-first", step=Length(step), cm=Length(values[0]), where=where)
    return message("marking-at", spots=listed(map(Length, values)), where=where)


def _template(report: PlantingReport, grid: Grid) -> tuple[str | None, tuple[Point, ...]]:
    """The whole square with the most plants, and where they stand in it."""
    corner = shapes.bounds(grid.shape)
    inside: dict[str, list[Point]] = defaultdict(list)
    for x, y in dict.fromkeys(report.positions_cm):
        column, across = divmod(x - corner.x0, grid.pitch.x_cm)
        row, along = divmod(y - corner.y0, grid.pitch.y_cm)
        inside[address_of((int(column), int(row)))].append((across, along))
    whole = [a for a in report.cells if grid.cells[a].whole and a in inside]
    best = max(whole, key=lambda address: len(inside[address]), default=None)
    return (None, ()) if best is None else (best, tuple(inside[best]))
