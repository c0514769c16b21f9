"""One planting by each way of setting out, for the same squares."""

import math
from dataclasses import dataclass
from typing import Any, get_args

from ample_rows.core import plan as p
from ample_rows.core.ask.spacing.dial import NO_NUMBER, Closeness, closeness
from ample_rows.core.book import Book, Crop
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.planting.set_out import crop_grown


@dataclass(frozen=True, slots=True)
class OtherWay:
    """A planting by one layout; `changes` are the planting's keys that bring it about."""

    layout: p.Layout
    label: str
    own: bool
    per_station: int
    closeness: Closeness
    hoe: str
    drip: str
    suits: str
    changes: dict[str, Any]


def side_by_side(estimate: Estimate, planting_id: str) -> tuple[OtherWay, ...]:
    """A planting by its own layout, then by every other that growers use for such a crop.

    None along a support, which holds one row.

    Raises:
        UnknownPartError: There is no such planting.
    """
    book = estimate.book
    planting = estimate.planting(planting_id)
    if planting.support is not None:
        return ()
    here = estimate.place(planting.place)
    crop = crop_grown(planting, book)
    own = evaluate_planting(planting, here).report.layout
    ways = []
    for layout in get_args(p.Layout):
        way = book.layouts[layout]
        if layout != own and crop.spacing_cm > (way.most_spacing_cm or crop.spacing_cm):
            continue
        changes = {} if layout == own else _changes(planting, crop, layout, book)
        tried = planting.model_copy(update=changes)
        reference = crop.in_row_cm if layout == "rows" else crop.spacing_cm
        ways.append(
            OtherWay(
                layout=layout,
                label=way.label,
                own=layout == own,
                per_station=tried.plants_per_station or 1,
                closeness=closeness(evaluate_planting(tried, here).report, crop, reference, book),
                hoe=way.hoe,
                drip=way.drip,
                suits=way.suits,
                changes=changes,
            )
        )
    return tuple(sorted(ways, key=lambda one: not one.own))


def _changes(planting: p.Planting, crop: Crop, layout: p.Layout, book: Book) -> dict[str, Any]:
    """The keys of a planting that turn it to a layout, each plant keeping its ground."""
    own_distance = planting.layout not in {"stations", "rows"}
    changes: dict[str, Any] = {
        "layout": layout,
        **NO_NUMBER,
        "spacing_cm": planting.spacing_cm if own_distance and layout != "rows" else None,
        "plants_per_station": None,
    }
    if layout == "stations":
        count = round(book.value("shared_station_plants"))
        spacing = (planting.spacing_cm if own_distance else None) or crop.spacing_cm
        changes["plants_per_station"] = count
        changes["spacing_cm"] = round(spacing * math.sqrt(count), 1)
    return changes
