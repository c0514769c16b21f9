"""The words that the note rules share.

Lengths are always said in cm and weights in kg: the interface turns them into the
grower's units.
"""

from collections.abc import Iterable

from ample_rows.core import edits
from ample_rows.core.geometry import cells as grid_words
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated


def named(e: Evaluated) -> str:
    where = grid_words.span_words(e.report.cells) if e.report.cells else e.planting.id
    return f"{e.crop.name} in {where}"


def capital(text: str) -> str:
    return text[:1].upper() + text[1:]


def change_planting(e: Evaluated, **changes: object) -> edits.Edit:
    return edits.ChangePlanting(id=e.planting.id, changes=changes)


def change_place(view: PlaceView, **changes: object) -> edits.Edit:
    return edits.ChangePlace(id=view.place.id, changes=changes)


def percent_lost(factor: float) -> int:
    return round((1 - factor) * 100)


def span_lost(factors: Iterable[float]) -> str:
    """Losses in words: "about 12 %", or "12–35 %" for several."""
    lost = sorted({percent_lost(f) for f in factors})
    return f"about {lost[0]} %" if len(lost) == 1 else f"{lost[0]}–{lost[-1]} %"


def all_cells(plantings: Iterable[Evaluated]) -> tuple[str, ...]:
    return tuple(dict.fromkeys(c for e in plantings for c in e.report.cells))
