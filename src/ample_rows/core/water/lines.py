"""Lines laid over a place for drip or soaker hose: where they run, how long, how many drippers."""

import math
from dataclasses import dataclass
from functools import lru_cache

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry.laid_lines import Field, Run, laid_over, length_m, runs_within


@dataclass(frozen=True, slots=True)
class WaterLines:
    """Lines along a place, each with its ends in the place's frame. [cm, m]"""

    runs_cm: tuple[Run, ...]
    apart_cm: float
    line_m: float
    header_m: float
    emitters: int


@lru_cache(maxsize=256)
def lines_over(shape: p.Shape, rows_apart_cm: tuple[float, ...], book: Book) -> WaterLines:
    """Lines along the longer side, on the crops' rows where there are rows.

    Args:
        rows_apart_cm: Distances between the rows of what stands in rows; may be empty.
    """
    wanted = min(rows_apart_cm, default=book.value("drip_lines_apart_cm"))
    field = Field.of(shape)
    count = max(1, round(field.across_cm / wanted))
    apart = field.across_cm / count
    lines = tuple((index + 0.5) * apart for index in range(count))
    runs = runs_within(shape, field, lines)
    return _lines(runs, apart, count, _drippers(runs, book))


def lines_of_pattern(shape: p.Shape, pattern: p.Pattern, book: Book) -> WaterLines:
    """The lines that are laid, with a dripper at each of their spots where they have them."""
    laid = laid_over(shape, pattern)
    drips = book.patterns[pattern.kind].at is not None
    emitters = len(laid.spots) if drips else _drippers(laid.runs, book)
    return _lines(laid.runs, pattern.lines_apart_cm, len(laid.lines_cm), emitters)


def _lines(runs: tuple[Run, ...], apart_cm: float, count: int, emitters: int) -> WaterLines:
    return WaterLines(runs, apart_cm, length_m(runs), apart_cm * (count - 1) / 100, emitters)


def _drippers(runs: tuple[Run, ...], book: Book) -> int:
    apart = book.value("emitters_apart_cm")
    return sum(max(1, round(math.dist(start, end) / apart)) for start, end in runs)
