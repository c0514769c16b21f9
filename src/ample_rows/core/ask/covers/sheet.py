"""The covers of a place: each sized and billed, and those that its crops would usually get."""

from collections import defaultdict
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.ask.covers.advice import CoverAdvice, cover_advice
from ample_rows.core.book import Book, CoverKind
from ample_rows.core.carpentry.bill_report import BillLine
from ample_rows.core.carpentry.cover_size import (
    CoverSize,
    amounts,
    beneath,
    cells_under,
    size_of,
)
from ample_rows.core.carpentry.lines import bill_lines
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import grid_of, span_words
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.message import Text, message
from ample_rows.core.words.working import Term, Terms, of_rule


@dataclass(frozen=True, slots=True)
class CoverSheet:
    """A cover as it is planned, with its bill."""

    id: str
    kind: str
    label: str
    keeps_off: str
    where: str
    since: date
    until: date
    size: CoverSize
    holes: int
    hole_cm: float | None
    lines: tuple[BillLine, ...]
    missing: tuple[Text, ...]
    cost: float | None
    words: str
    working: Terms


@dataclass(frozen=True, slots=True)
class PlaceCovers:
    """The covers of a place, and those that its crops would usually get."""

    covers: tuple[CoverSheet, ...]
    advice: tuple[CoverAdvice, ...]


def place_covers(estimate: Estimate, place_id: str) -> PlaceCovers:
    """Every cover of a place worked out.

    Raises:
        UnknownPartError: There is no such place.
    """
    plan, book = estimate.plan, estimate.book
    place, grown = _grown(estimate, place_id)
    covers = tuple(_sheet(place, cover, grown, plan.build, book) for cover in place.covers)
    return PlaceCovers(covers, tuple(cover_advice(place, grown, book)))


def _grown(estimate: Estimate, place_id: str) -> tuple[p.Place, tuple[Evaluated, ...]]:
    return estimate.place(place_id).place, estimate.evaluated(place_id)


def covers_of_place(estimate: Estimate, place_id: str) -> dict[str, float]:
    """What all covers of a place take of each material."""
    plan, book = estimate.plan, estimate.book
    total: dict[str, float] = defaultdict(float)
    covered = plan.place(place_id)
    if covered is None or not covered.covers:
        return total
    place, grown = _grown(estimate, place_id)
    for cover in place.covers:
        kind = book.covers[cover.kind]
        for name, amount in amounts(size_of(place, cover, grown, kind, book), kind, book).items():
            total[name] += amount
    return total


def _sheet(
    place: p.Place,
    cover: p.Cover,
    grown: tuple[Evaluated, ...],
    build: p.Build | None,
    book: Book,
) -> CoverSheet:
    kind = book.covers[cover.kind]
    size = size_of(place, cover, grown, kind, book)
    lines, missing = bill_lines(amounts(size, kind, book), build, book)
    cells = cells_under(place, cover)
    under = [e for e in grown if beneath(e, cover, cells)]
    holes = sum(sum(_inside(place, point, cells) for point in e.report.positions_cm) for e in under)
    return CoverSheet(
        id=cover.id,
        kind=cover.kind,
        label=kind.label,
        keeps_off=kind.keeps_off,
        where=span_words(list(cells)),
        since=cover.since,
        until=cover.until,
        size=size,
        holes=holes if kind.hole_cm else 0,
        hole_cm=kind.hole_cm,
        lines=lines,
        missing=missing,
        cost=None if missing else sum(line.cost or 0.0 for line in lines),
        words=kind.words,
        working=_working(size, kind),
    )


def _inside(place: p.Place, point: tuple[float, float], cells: tuple[str, ...]) -> bool:
    grid = grid_of(place)
    boxes = (grid.box(grid.cells[a].spot) for a in cells)
    x, y = point
    return any(b.x0 <= x < b.x1 and b.y0 <= y < b.y1 for b in boxes)


@of_rule("covers")
def _working(size: CoverSize, kind: CoverKind) -> Terms:
    source = kind.source
    return (
        Term(
            name=message("sheet-across"),
            value=size.width_cm,
            unit="cm",
            how=message("sheet-short-side-squares"),
            source="Plan",
        ),
        Term(
            name=message("sheet-along"),
            value=size.length_cm,
            unit="cm",
            how=message("sheet-long-side"),
            source="Plan",
        ),
        Term(
            name=message("sheet-high"),
            value=size.height_cm,
            unit="cm",
            how=message("sheet-over-crop-half-what"),
            source=source,
        ),
        Term(
            name=message("sheet-cloth-across"),
            value=size.cloth_width_cm,
            unit="cm",
            how=message("sheet-over-hoop-tucked"),
            source=source,
        ),
        Term(
            name=message("sheet-cloth-along"),
            value=size.cloth_length_cm,
            unit="cm",
            how=message("sheet-both-ends-down"),
            source=source,
        ),
        Term(
            name=message("sheet-cloth"),
            value=size.cloth_m2,
            unit="m²",
            how=message("sheet-across-along"),
            source="Core",
        ),
    )
