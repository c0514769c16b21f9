"""What the note rules share."""

from collections.abc import Iterable

from ample_rows.core import edits
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.message import Message, Share, Span, Squares, message


def named(e: Evaluated) -> Message:
    """A planting by its crop and its squares."""
    where = Squares(e.report.cells) if e.report.cells else e.planting.id
    return message("planting-named", crop=e.crop.name, where=where)


def change_planting(e: Evaluated, **changes: object) -> edits.Edit:
    return edits.ChangePlanting(id=e.planting.id, changes=changes)


def change_place(view: PlaceView, **changes: object) -> edits.Edit:
    return edits.ChangePlace(id=view.place.id, changes=changes)


def percent_lost(factor: float) -> int:
    return round((1 - factor) * 100)


def span_lost(factors: Iterable[float]) -> Span:
    """Losses from the least to the most: "12 %", or "12–35 %" for several."""
    lost = sorted(1 - f for f in factors)
    return Span(Share(lost[0]), Share(lost[-1]))


def all_cells(plantings: Iterable[Evaluated]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(c for e in plantings for c in e.report.cells))
