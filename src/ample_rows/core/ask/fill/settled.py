"""What of a plan stays when its ground is filled."""

from collections.abc import Mapping

from ample_rows.core import plan as p
from ample_rows.core.estimate.estimate import Estimate

Within = Mapping[str, frozenset[str]]
"""Squares that may be filled, by place."""


def settled_in(estimate: Estimate, *, keep: bool, within: Within | None) -> tuple[p.Planting, ...]:
    """What stays: locked, begun before the year, there for years, or all where it is kept; and
    what stands in other squares than those to fill."""
    year, book = estimate.setting.year, estimate.book

    def stays(planting: p.Planting) -> bool:
        begun = planting.start_date < year.start or planting.came_by_itself
        if keep or planting.locked or begun or book.crops[planting.crop].perennial is not None:
            return True
        return within is not None and not _lies(estimate, planting, within)

    return tuple(planting for planting in estimate.plan.plantings if stays(planting))


def _lies(estimate: Estimate, planting: p.Planting, within: Within) -> bool:
    """Whether a planting stands wholly in the squares to fill."""
    result = estimate.result(planting.place)
    cells = next((r.cells for r in result.plantings if r.id == planting.id), ())
    return bool(cells) and set(cells) <= within.get(planting.place, frozenset())
