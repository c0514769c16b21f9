"""Plants by the lines, drippers or holes that are laid over a place.

A crop that is set about as far apart as the spots, or farther, takes every so many of them: the
fullest even choice that keeps its distance. One that is set closer stands in rows along the
lines, where the kind of pattern lets it, and else at every spot.
"""

import itertools
import math
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import cached_property

import numpy as np
import shapely
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book, PatternKind
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM, Grid
from ample_rows.core.geometry.laid_lines import Laid, inside_of, laid_over
from ample_rows.core.geometry.lattice import Point, evenly, fits
from ample_rows.core.patience import carry_on
from ample_rows.core.planting.exact_number import least_distance_cm
from ample_rows.core.planting.ground import Ground
from ample_rows.core.planting.setting_out import SettingOut
from ample_rows.core.planting.walls import grown_over, narrower_of, over_the_wall_cm

Flags = NDArray[np.bool_]


@dataclass(frozen=True, slots=True)
class Placed:
    """Where plants stand by a pattern, how far apart at the least, and how that is said. [cm]"""

    points: tuple[Point, ...]
    apart_cm: float
    where: str


@dataclass(frozen=True, slots=True)
class _Steps:
    """Every so many lines, every so many spots on each; on every other line so many later."""

    lines: int
    spots: int
    shift: int


@dataclass(frozen=True, eq=False)
class Bed:
    """Some squares of a place that lines are laid over."""

    pattern: p.Pattern
    grid: Grid
    ground: Ground

    def kind(self, book: Book) -> PatternKind:
        return book.patterns[self.pattern.kind]

    @cached_property
    def laid(self) -> Laid:
        return laid_over(self.ground.shape, self.pattern)

    @cached_property
    def _squares(self) -> frozenset[tuple[int, int]]:
        return frozenset(self.grid.cells[address].spot for address in self.ground.cells)

    def holds(self, point: Point) -> bool:
        """Whether a point lies in these squares; of two that meet in it, in the later one."""
        box, pitch = self.grid.bounds, self.grid.pitch
        column = math.floor((point[0] - box.x0 + FIT_TOLERANCE_CM) / pitch.x_cm)
        row = math.floor((point[1] - box.y0 + FIT_TOLERANCE_CM) / pitch.y_cm)
        return (min(column, self.grid.columns - 1), min(row, self.grid.rows - 1)) in self._squares

    def free_spots(self, out: SettingOut, spacing_cm: float, book: Book) -> list[tuple[int, int]]:
        """The spots in these squares that are far enough from walls and from other crops; all of
        them where none is. A crop that takes every spot keeps off the walls alone: the spots of
        its neighbours are far enough."""
        own = [key for key, spot in self.laid.spots.items() if self.holds(spot)]
        if not own:
            return []
        inside = shapes.outline(self.ground.shape)
        least = book.value("pattern_closeness") * spacing_cm
        every = least <= min(self.pattern.lines_apart_cm, self.pattern.spots_apart_cm)
        region = inside if every else self.grid.region(self.ground.cells)
        if out.walls == "near":
            over = over_the_wall_cm(spacing_cm, narrower_of(region), book)
            region = grown_over(region, inside, over)
        clear = region.buffer(-book.value("pattern_edge_share") * spacing_cm / 2)
        shapely.prepare(clear)
        within = shapely.covers(clear, shapely.points([self.laid.spots[key] for key in own]))
        return [key for key, lies in zip(own, within, strict=True) if lies] or own


def placed_by(bed: Bed, out: SettingOut, spacing_cm: float, book: Book) -> Placed:
    """The plants of some squares by what is laid over their place; none where no spot and no
    line lies in them.

    Args:
        spacing_cm: The distance in force between two plants in a row.
    """
    kind = bed.kind(book)
    close = spacing_cm < book.value("pattern_closeness") * bed.pattern.spots_apart_cm
    if kind.along is not None and (close or kind.at is None):
        return _along_lines(bed, out, spacing_cm, book)
    return _at_spots(bed, out, spacing_cm, book)


def taken_to_spots(points: Iterable[Point], bed: Bed) -> tuple[Point, ...]:
    """Some plants, each at the free spot that is nearest to it while there are any."""
    free = np.array([spot for spot in bed.laid.spots.values() if bed.holds(spot)]).reshape(-1, 2)
    taken: list[Point] = []
    for point in points:
        if not len(free):
            taken.append(point)
            continue
        nearest = int(np.argmin(np.hypot(*(free - np.asarray(point)).T)))
        taken.append((float(free[nearest, 0]), float(free[nearest, 1])))
        free = np.delete(free, nearest, axis=0)
    return tuple(taken)


def _at_spots(bed: Bed, out: SettingOut, spacing_cm: float, book: Book) -> Placed:
    laid = bed.laid
    free = np.zeros((len(laid.lines_cm), laid.numbers), dtype=np.bool_)
    for line, number in bed.free_spots(out, spacing_cm, book):
        free[line, number] = True
    share = book.value("pattern_closeness")
    rows_cm = share * out.row_spacing_cm if out.layout == "rows" else None
    steps = _even_steps(bed.pattern, share * spacing_cm, rows_cm, most_lines=len(free))
    choices = (_fullest(free, step) for step in steps)
    points = tuple(laid.spots[spot] for spot in max(choices, key=len, default=()))
    return Placed(points, least_distance_cm(points) or spacing_cm, bed.kind(book).at or "")


def _even_steps(
    pattern: p.Pattern, least_cm: float, rows_cm: float | None, *, most_lines: int
) -> Iterator[_Steps]:
    """Even choices that keep a distance; in straight rows, rows so far apart. Every so many lines
    as there are at most is one line alone."""
    between, along = pattern.lines_apart_cm, pattern.spots_apart_cm
    straight = max(1, math.ceil((least_cm - FIT_TOLERANCE_CM) / along))
    if rows_cm is not None:
        yield _Steps(max(1, math.ceil((rows_cm - FIT_TOLERANCE_CM) / between)), straight, 0)
        return
    last = max(1, math.ceil((least_cm - FIT_TOLERANCE_CM) / between))
    if last >= most_lines:
        yield _Steps(most_lines, straight, 0)
    for lines in range(1, min(last, most_lines) + 1):
        for shifted in (0, 2):
            ways = (
                _Steps(lines, spots, spots // shifted if shifted else 0)
                for spots in range(straight, 2 * straight + 2)
            )
            # Of those alike the closest leaves the most.
            yield from itertools.islice((w for w in ways if _keeps(w, pattern, least_cm)), 1)


def _keeps(steps: _Steps, pattern: p.Pattern, least_cm: float) -> bool:
    """Whether lines that follow each other, and every other one, keep a distance."""
    along, deep = pattern.spots_apart_cm, steps.lines * pattern.lines_apart_cm
    pitch = steps.spots * along
    half = along / 2 if pattern.staggered and steps.lines % 2 else 0.0
    later = steps.shift * along
    off = min(_remainder(later + way, pitch) for way in (half, -half))
    return (
        pitch >= least_cm - FIT_TOLERANCE_CM
        and math.hypot(deep, off) >= least_cm - FIT_TOLERANCE_CM
        and 2 * deep >= least_cm - FIT_TOLERANCE_CM
    )


def _remainder(offset_cm: float, pitch_cm: float) -> float:
    """How far an offset is from the nearest whole pitch. [cm]"""
    return abs(math.remainder(offset_cm, pitch_cm))


def _fullest(free: Flags, steps: _Steps) -> list[tuple[int, int]]:
    """The spots taken from the line and the spot to begin with that leave the most."""
    best: list[tuple[int, int]] = []
    most = 0
    for first_line in range(min(steps.lines, len(free))):
        lines = range(first_line, len(free), steps.lines)
        carry_on()
        for first in range(min(steps.spots, free.shape[1])):
            starts = [(first + (nth % 2) * steps.shift) % steps.spots for nth in range(len(lines))]
            rows = [
                (line, start + steps.spots * np.flatnonzero(free[line, start :: steps.spots]))
                for line, start in zip(lines, starts, strict=True)
            ]
            count = sum(len(numbers) for _, numbers in rows)
            if count > most:
                most = count
                best = [(line, int(number)) for line, numbers in rows for number in numbers]
    return best


def _along_lines(bed: Bed, out: SettingOut, spacing_cm: float, book: Book) -> Placed:
    """Rows beside each line, within what it wets; each plant at its own distance in the row."""
    laid, between = bed.laid, bed.pattern.lines_apart_cm
    rows_cm = out.row_spacing_cm if out.layout == "rows" else spacing_cm
    band = min(between, 2 * book.value("line_wets_cm"))
    beside = max(1, fits(band, rows_cm))
    share = book.value("pattern_closeness")
    every = max(1, math.ceil((share * rows_cm - FIT_TOLERANCE_CM) / between))
    plants = max(1, fits(laid.field.along_cm, spacing_cm))
    ways = []
    for first in range(min(every, len(laid.lines_cm))):
        spots = [
            laid.field.at(across, cm)
            for line in laid.lines_cm[first::every]
            for across in evenly(line - band / 2, band, beside)
            for cm in evenly(0, laid.field.along_cm, plants)
        ]
        ways.append(inside_of(bed.ground.shape, [spot for spot in spots if bed.holds(spot)]))
    fullest = max(ways, key=len)
    return Placed(tuple(fullest), laid.field.along_cm / plants, bed.kind(book).along or "")
