"""Standing a riser on squares of a place: what grows on just those squares moves up with it."""

import json
from typing import Any

from ample_rows.core import plan as p
from ample_rows.core.geometry.cells import (
    Spot,
    address_of,
    grid_of,
    span_words,
)
from ample_rows.core.plan.links import part_ways
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.site.risers import riser_on

Document = dict[str, Any]


def stand_riser(
    document: Document, place: Document, cells: list[str], ident: str, wall_height_cm: float
) -> None:
    """Add a riser to a plan's document, in place.

    Raises:
        PlanFaultsError: The squares are none of the place or fill no rectangle, or something
            grows on them and on others too, or along a support there.
    """
    host = p.Place.model_validate_json(json.dumps(place))
    grid = grid_of(host)
    wanted = set(cells)
    unknown = sorted(wanted - set(grid.cells))
    if not wanted or unknown:
        words = f'"{unknown[0]}" is not a square of {host.label}' if unknown else "choose squares"
        raise PlanFaultsError.one("cells", words)
    riser = riser_on(host, tuple(cells), ident=ident, wall_height_cm=wall_height_cm)
    if riser is None:
        words = "a box stands on squares that fill a rectangle, no narrower than 15 cm"
        raise PlanFaultsError.one("cells", words)
    least = min(grid.cells[a].spot for a in cells)
    for planting in document["plantings"]:
        if planting["place"] == host.id and wanted & _cells_of(planting, host):
            _move_up(planting, wanted, least, host, ident)
    at = document["places"].index(place)
    document["places"].insert(at + 1, p.document(riser))
    part_ways(document["plantings"])


def _cells_of(planting: Document, host: p.Place) -> set[str]:
    cells = planting["cells"]
    return set(cells) if isinstance(cells, list) else set(grid_of(host).cells)


def _move_up(planting: Document, wanted: set[str], least: Spot, host: p.Place, ident: str) -> None:
    own = _cells_of(planting, host)
    if own - wanted or planting.get("support"):
        where = "along a support" if planting.get("support") else "beyond them too"
        words = (
            f"{planting['crop']} grows on {span_words(own & wanted)} and {where}; move it first, "
            "or choose all of its squares"
        )
        raise PlanFaultsError.one("cells", words)
    planting["place"] = ident
    if isinstance(planting["cells"], list):
        spots = [grid_of(host).cells[a].spot for a in planting["cells"]]
        planting["cells"] = [address_of((c - least[0], r - least[1])) for c, r in spots]
