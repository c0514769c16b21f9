"""An exact number of plants, spread so that the least distance between them is the largest found.

In a rectangle every even and every staggered arrangement of rows has a closed form up to its
distance, which is found by halving; best-known packings are tried where the shape has them. In
any other outline the widest lattice that still holds the number is found by halving.
"""

import itertools
import math
from collections.abc import Callable, Iterator
from dataclasses import dataclass

import shapely
from shapely.geometry.base import BaseGeometry

from ample_rows.core.book import Book
from ample_rows.core.geometry import lattice, lattice_search
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.planting.ground import Spread
from ample_rows.core.planting.walls import (
    WalledBox,
    grown_over,
    narrower_of,
    near_wall_cm,
    over_the_wall_cm,
)

_HALVINGS = 28
_HALVINGS_IN_OUTLINE = 9
_ROWS_ROUND_THE_SQUARE_ROOT = 4
_NOTICED = 1e-6
_SQRT3 = math.sqrt(3)
_NOTHING: BaseGeometry = shapely.Polygon()


@dataclass(frozen=True)
class _Rows:
    """Plants in each of some even rows, every other one shifted by half a pitch if staggered.

    `pitches` is how many pitches lie between the first and the last plant across.
    """

    counts: tuple[int, ...]
    pitches: float
    shifts: tuple[float, float]


def spread_in_box(ground: WalledBox, plants: int, *, near: bool, book: Book) -> Spread:
    """So many plants in a rectangle; half their distance from its sides, or near its walls.

    Args:
        near: Whether they may stand near its walls.
    """
    # One plant between walls has nothing to be near to: it stands in the middle.
    near = near and not (plants == 1 and ground.walls_alone)
    best = None if near else _packed(ground.box, plants, book)
    for turned in (False, True):
        frame = _Frame.of(ground, turned=turned, near=near, book=book)
        for rows in _arrangements(plants, frame.across, frame.along):
            if best is None or frame.fits(rows, best.spacing_cm * (1 + _NOTICED)):
                reached = frame.widest(rows)
                best = Spread(tuple(frame.points(rows, reached, plants)), reached)
    assert best is not None, "one row always holds them"
    return best


@dataclass(frozen=True)
class _Frame:
    """A rectangle with rows along x, or along y where it is turned; `clear` is the distance
    that plants a distance apart keep from each of its four sides. [cm]"""

    box: Box
    turned: bool
    clear: tuple[Callable[[float], float], ...]

    @classmethod
    def of(cls, ground: WalledBox, *, turned: bool, near: bool, book: Book) -> "_Frame":
        def half(apart_cm: float) -> float:
            return apart_cm / 2

        def by_the_wall(apart_cm: float) -> float:
            return near_wall_cm(apart_cm, ground.narrower_cm, book)

        sides = (ground.x0, ground.x1, ground.y0, ground.y1)
        clear = tuple(by_the_wall if near and wall else half for wall in sides)
        return cls(ground.box, turned, (clear[2:] + clear[:2]) if turned else clear)

    @property
    def across(self) -> float:
        return self.box.length if self.turned else self.box.width

    @property
    def along(self) -> float:
        return self.box.width if self.turned else self.box.length

    def free(self, apart_cm: float) -> tuple[float, float]:
        """What is left across and along once plants keep off the sides. [cm]"""
        x0, x1, y0, y1 = (keeps(apart_cm) for keeps in self.clear)
        return self.across - x0 - x1, self.along - y0 - y1

    def widest(self, rows: _Rows) -> float:
        """The largest distance at which an arrangement fits. [cm]"""
        low, high = 0.0, 2 * max(self.across, self.along)
        for _ in range(_HALVINGS):
            middle = (low + high) / 2
            if self.fits(rows, middle):
                low = middle
            else:
                high = middle
        return low

    def fits(self, rows: _Rows, apart: float) -> bool:
        """Whether plants that far apart fit in an arrangement; if so, so do all nearer ones."""
        across, along = self.free(apart)
        if across < 0 or along < 0:
            return False
        pitch = across / rows.pitches if rows.pitches else math.inf
        between = along / (len(rows.counts) - 1) if len(rows.counts) > 1 else math.inf
        if max(rows.counts) > 1 and pitch < apart:
            return False
        if rows.shifts == (0.0, 0.0):
            return between >= apart
        return 2 * between >= apart and math.hypot(pitch / 2, between) >= apart

    def points(self, rows: _Rows, apart: float, plants: int) -> Iterator[Point]:
        """The plants; of an arrangement that holds more, some of its rows miss their last."""
        across, along = self.free(apart)
        first_x, first_y = self.clear[0](apart), self.clear[2](apart)
        spare = sum(rows.counts) - plants
        for row, full in enumerate(rows.counts):
            count = full - (1 if row >= len(rows.counts) - spare else 0)
            y = first_y + (along * row / (len(rows.counts) - 1) if len(rows.counts) > 1 else 0.0)
            if len(rows.counts) == 1:
                y = first_y + along / 2
            for x in self._in_row(rows, row, count, across):
                at = (first_x + x, y)
                x_cm, y_cm = (at[1], at[0]) if self.turned else at
                yield (self.box.x0 + x_cm, self.box.y0 + y_cm)

    def _in_row(self, rows: _Rows, row: int, count: int, across: float) -> list[float]:
        if rows.shifts == (0.0, 0.0):
            if count == 1:
                return [across / 2]
            return [across * i / (count - 1) for i in range(count)]
        pitch = across / rows.pitches if rows.pitches else 0.0
        return [(i + rows.shifts[row % 2]) * pitch for i in range(count)]


def _arrangements(plants: int, across: float, along: float) -> Iterator[_Rows]:
    """Even and staggered rows that hold so many, round the numbers of rows that suit the shape."""
    by_shape = round(math.sqrt(plants * along / across))
    near = range(by_shape - _ROWS_ROUND_THE_SQUARE_ROOT, by_shape + _ROWS_ROUND_THE_SQUARE_ROOT + 1)
    for number in sorted({1, plants, *near} & set(range(1, plants + 1))):
        least, more = divmod(plants, number)
        most = least + (more > 0)
        even = tuple(least + (row < more) for row in _spread_order(number))
        yield _Rows(even, most - 1.0, (0.0, 0.0))
        if number > 1:
            yield from _staggered(plants, number)


def _spread_order(number: int) -> list[int]:
    """Rows in the order in which fuller ones are spread among them."""
    order = sorted(range(number), key=lambda row: (row * 0.618034) % 1)
    rank = [0] * number
    for place, row in enumerate(order):
        rank[row] = place
    return rank


def _staggered(plants: int, number: int) -> Iterator[_Rows]:
    """Rows shifted by half a pitch in turn: all alike, or every other one plant shorter."""
    alike = math.ceil(plants / number)
    if alike * number - plants <= number:
        yield _Rows((alike,) * number, alike - 0.5, (0.0, 0.5))
    firsts, seconds = math.ceil(number / 2), number // 2
    longer = math.ceil((plants + seconds) / number)
    if longer > 1 and firsts * longer + seconds * (longer - 1) - plants <= number:
        counts = tuple(longer - row % 2 for row in range(number))
        yield _Rows(counts, longer - 1.0, (0.0, 0.5))
    longer = math.ceil((plants + firsts) / number)
    if longer > 1 and seconds * longer + firsts * (longer - 1) - plants <= number:
        counts = tuple(longer - 1 + row % 2 for row in range(number))
        yield _Rows(counts, longer - 1.0, (0.5, 0.0))


def _packed(box: Box, plants: int, book: Book) -> Spread | None:
    centres = book.square_packings.get(plants)
    if centres is None or abs(box.width - box.length) > FIT_TOLERANCE_CM:
        return None
    unit = lattice.packing_spacing(centres, round_outline=False)
    points = tuple((box.x0 + x * box.width, box.y0 + y * box.length) for x, y in centres)
    return Spread(points, unit * box.width)


def in_rows(box: Box, plants: int, row_spacing_cm: float) -> Spread:
    """So many plants in straight rows that far apart, as evenly among them as can be; along
    whichever side leaves them farther apart in the row, the length where both do alike."""
    ways = []
    for across, along, turned in ((box.width, box.length, False), (box.length, box.width, True)):
        rows = max(1, lattice.fits(across, row_spacing_cm))
        least, more = divmod(plants, rows)
        points = []
        for row, x in enumerate(lattice.apart(0, across, rows, row_spacing_cm)):
            for y in lattice.evenly(0, along, least + (row < more)):
                points.append((box.x0 + y, box.y0 + x) if turned else (box.x0 + x, box.y0 + y))
        ways.append(Spread(tuple(points), along / (least + (more > 0))))
    return max(ways, key=lambda way: way.spacing_cm)


def spread_in_circle(diameter_cm: float, plants: int, *, near: bool, book: Book) -> Spread | None:
    """So many plants in a round place by the best-known packing; None where none is known."""
    centres = book.circle_packings.get(plants)
    if centres is None:
        return None
    unit = lattice.packing_spacing(centres, round_outline=True)
    across = diameter_cm
    for _ in range(_HALVINGS if near and plants > 1 else 0):
        clear = near_wall_cm(unit * across, diameter_cm, book)
        across = (diameter_cm - 2 * clear) / (1 - unit)
    middle = diameter_cm / 2
    points = ((middle + (x - 0.5) * across, middle + (y - 0.5) * across) for x, y in centres)
    return Spread(tuple(points), unit * across)


def spread_in_outline(
    region: BaseGeometry,
    inside: BaseGeometry,
    plants: int,
    *,
    near: bool,
    book: Book,
    keep_off: BaseGeometry = _NOTHING,
    halvings: int = _HALVINGS_IN_OUTLINE,
) -> Spread:
    """So many plants in any outline: the widest square or triangular lattice that holds them,
    less what it holds beyond them.

    Args:
        inside: The whole place, whose outline are walls.
        halvings: How closely the widest is found.
    """
    narrower = narrower_of(region)

    def laid(apart: float) -> list[Point]:
        over = over_the_wall_cm(apart, narrower, book) if near else 0.0
        ground = grown_over(region, inside, over)
        lattices = (
            lattice_search.Lattice(apart, apart, offset=False),
            lattice_search.Lattice(apart, apart * _SQRT3 / 2, offset=True),
        )
        found = (
            lattice_search.fullest(ground, one, turns=False, keep_off=keep_off) for one in lattices
        )
        return max(found, key=len)

    high = 2 * math.sqrt(region.area / plants)
    low, best = high / 2, laid(high / 2)
    while len(best) < plants and low > 2 * FIT_TOLERANCE_CM:
        high, low = low, low / 2
        best = laid(low)
    for _ in range(halvings):
        middle = (low + high) / 2
        found = laid(middle)
        if len(found) >= plants:
            low, best = middle, found
        else:
            high = middle
    return Spread(tuple(_thinned(best, plants)), low)


def _thinned(points: list[Point], plants: int) -> list[Point]:
    """So many of some points, those taken out spread evenly among them."""
    if len(points) <= plants:
        return points
    return [points[round(i * (len(points) - 1) / max(1, plants - 1))] for i in range(plants)]


def least_distance_cm(points: tuple[Point, ...]) -> float | None:
    """The least distance between any two of some points; None of fewer than two. [cm]"""
    if len(points) < 2:
        return None
    spots = shapely.points(points)
    _, apart = shapely.STRtree(spots).query_nearest(
        spots, exclusive=True, all_matches=False, return_distance=True
    )
    return float(apart.min())


def shared_out(plants: int, areas: list[float]) -> list[int]:
    """A number shared out by area, so that the parts add up to it."""
    total = sum(areas) or 1.0
    upto = [round(plants * part / total) for part in itertools.accumulate(areas)]
    return [after - before for before, after in itertools.pairwise([0, *upto])]
