"""What of a plan stays when its ground is filled."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.estimate.estimate import Estimate


@dataclass(frozen=True)
class Scope:
    """What may be filled. What is planted stays where it is to `keep`; `within` are the squares
    to fill by place, all of them where it is None; nothing is begun before the day `since`, and
    what has been begun by then stays."""

    keep: bool = False
    within: Mapping[str, frozenset[str]] | None = None
    since: date | None = None


WHOLE = Scope()


def settled_in(estimate: Estimate, scope: Scope) -> tuple[p.Planting, ...]:
    """What stays: locked, left for seed, begun before the year or the day, there for years, or all
    where it is kept; and what stands in other squares than those to fill."""
    year, book = estimate.setting.year, estimate.book
    since = max(year.start, scope.since or year.start)

    def stays(planting: p.Planting) -> bool:
        begun = planting.start_date < since or planting.came_by_itself
        if scope.keep or planting.locked or planting.for_seed or begun:
            return True
        if book.crops[planting.crop].perennial is not None:
            return True
        return scope.within is not None and not _lies(estimate, planting, scope.within)

    return tuple(planting for planting in estimate.plan.plantings if stays(planting))


def _lies(estimate: Estimate, planting: p.Planting, within: Mapping[str, frozenset[str]]) -> bool:
    """Whether a planting stands wholly in the squares to fill."""
    result = estimate.result(planting.place)
    cells = next((r.cells for r in result.plantings if r.id == planting.id), ())
    return bool(cells) and set(cells) <= within.get(planting.place, frozenset())
