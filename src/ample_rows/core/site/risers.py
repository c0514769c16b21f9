"""Risers: boxes on squares of another place, for roots that the soil there is too shallow for."""

from collections.abc import Sequence
from typing import Any

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import (
    Grid,
    as_rectangle,
    grid_of,
    span_words,
)
from ample_rows.core.geometry.shapes import Box
from ample_rows.core.site.frame import to_yard
from ample_rows.core.soil.roots import soil_depth

BOARD_CM = 2.5
LEAST_INSIDE_CM = 10.0


def placed(plan: p.Plan, book: Book) -> p.Plan:
    """A plan whose risers lie where they stand, over the soil below them; that soil counts as
    loosened. What a riser stands on is held."""
    if not any(place.stands_on for place in plan.places):
        return plan
    by_host: dict[str, list[p.Held]] = {}
    for place in plan.places:
        if place.stands_on:
            held = p.Held(cells=place.stands_on.cells, reason=place.label)
            by_host.setdefault(place.stands_on.place, []).append(held)
    found = []
    for place in plan.places:
        host = plan.place(place.stands_on.place) if place.stands_on else None
        if host is not None and place.stands_on:
            found.append(_on_top(place, host, place.stands_on, plan, book))
        elif place.id in by_host:
            found.append(place.model_copy(update={"held": (*place.held, *by_host[place.id])}))
        else:
            found.append(place)
    return plan.model_copy(update={"places": tuple(found)})


def _on_top(riser: p.Place, host: p.Place, on: p.StandsOn, plan: p.Plan, book: Book) -> p.Place:
    box = box_of(grid_of(host), on.cells)
    below = soil_depth(host, book, on=plan.garden.last_frost)
    changes: dict[str, Any] = {
        "loosened_below_cm": below.usable_cm,
        "native": None,
        "heading_deg": host.heading_deg,
        "sun_hours": host.sun_hours if riser.sun_hours is None else riser.sun_hours,
        "at_m": None if box is None else _origin_m(riser, host, box),
    }
    return riser.model_copy(update=changes)


def _origin_m(riser: p.Place, host: p.Place, box: Box) -> p.PointM | None:
    """Where a riser's origin comes to lie when it stands in the middle of its squares. [m]"""
    own = shapes.bounds(riser.shape)
    middle = np.array([(box.x0 + box.x1) / 2, (box.y0 + box.y1) / 2])
    if not isinstance(riser.shape, p.Circle):
        middle -= [(own.x0 + own.x1) / 2, (own.y0 + own.y1) / 2]
    spot = to_yard(host, middle.reshape(1, 2))
    return None if spot is None else (float(spot[0][0]), float(spot[0][1]))


def box_of(grid: Grid, cells: Sequence[str]) -> Box | None:
    """The rectangle that some cells fill; None where they do not."""
    return as_rectangle(grid, tuple(sorted(grid.cells[a].spot for a in cells)))


def riser_on(
    host: p.Place, cells: tuple[str, ...], *, ident: str, wall_height_cm: float
) -> p.Place | None:
    """A box of boards just as large as some cells; None where they fill no rectangle, or are too
    narrow a strip for one."""
    box = box_of(grid_of(host), cells)
    if box is None or min(box.width, box.length) < 2 * BOARD_CM + LEAST_INSIDE_CM:
        return None
    inherited: dict[str, Any] = {
        "cell_cm": host.cell_cm,
        "grid": host.grid,
        "depth_policy": host.depth_policy,
        "material": host.material if host.kind == "framed" else None,
    }
    return p.Place(
        id=ident,
        name=f"Box {span_words(cells)}, {host.label}"[:120],
        kind="framed",
        shape=p.Rectangle(
            type="rectangle",
            width_cm=box.width,
            length_cm=box.length,
            measured="outside",
            wall_thickness_cm=BOARD_CM,
        ),
        wall_height_cm=wall_height_cm,
        stage="this-year",
        stands_on=p.StandsOn(place=host.id, cells=cells),
        **{key: value for key, value in inherited.items() if value is not None},
    )
