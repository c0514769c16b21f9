"""How many squares a garden may have in all, so that its figures come in good time."""

from collections.abc import Sequence

from ample_rows.core import plan as p
from ample_rows.core.geometry.cells import cells_about
from ample_rows.core.plan.reading import Fault

MOST_CELLS = 60_000


def cells_in_all(places: Sequence[p.Place]) -> int:
    return sum(cells_about(place) for place in places)


def too_many_cells(plan: p.Plan) -> Fault | None:
    """What is wrong where a plan has more squares than can be computed, at its largest place."""
    counts = [cells_about(place) for place in plan.places]
    total = sum(counts)
    if total <= MOST_CELLS:
        return None
    return Fault(
        f"places[{counts.index(max(counts))}].cell_cm",
        f"the garden has {total:,} squares in all, and at most {MOST_CELLS:,} can be computed; "
        "make the squares larger, or the places smaller",
    )
