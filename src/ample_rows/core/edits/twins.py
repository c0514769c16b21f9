"""Twins: a place set up again beside itself, as it is or in the mirror, to compare two ways."""

import copy
import json
import math
from typing import Any

from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import address_of, grid_of
from ample_rows.core.plan.links import rename

Document = dict[str, Any]

PATH_BETWEEN_M = 0.6
_OPPOSITE = {
    "east": "west",
    "west": "east",
    "northeast": "northwest",
    "northwest": "northeast",
    "southeast": "southwest",
    "southwest": "southeast",
}


def twin_of(
    place: Document, plantings: list[Document], new_id: str, *, mirrored: bool
) -> tuple[Document, list[Document]]:
    """A twin of a place with its plantings, linked to it by `twin_of`.

    The mirror stands between them from pole to equator, so that what is pole-ward stays so:
    cells, held squares, drawn outlines and what stands to the east or west change sides.
    """
    original = p.Place.model_validate_json(json.dumps(place))
    twin = copy.deepcopy(place) | {"id": new_id, "twin_of": place["id"]}
    twin.pop("stands_on", None)
    twin["name"] = f"{original.label}, twin"
    if original.at_m is not None:
        twin["at_m"] = _beside(original, original.at_m)
    if mirrored:
        _mirror_place(twin, original)
    planted = []
    names = {planting["id"]: f"{planting['id']}-{new_id}" for planting in plantings}
    for planting in plantings:
        again = copy.deepcopy(planting) | {"id": names[planting["id"]], "place": new_id}
        rename(again, names)
        if mirrored and isinstance(again["cells"], list):
            again["cells"] = [across(address, original) for address in again["cells"]]
        if mirrored and again.get("spots_cm"):
            again["spots_cm"] = [_flipped(spot, original) for spot in again["spots_cm"]]
        if mirrored and again.get("run_cm"):
            edge = next((s.edge for s in original.supports if s.id == again.get("support")), None)
            again["run_cm"] = _run_across(again["run_cm"], edge, original)
        planted.append(again)
    return twin, planted


def _lies_east_west(place: p.Place) -> bool:
    """Whether the place's length runs east and west more than north and south."""
    return abs(math.sin(math.radians(place.heading_deg or 0.0))) > math.sqrt(0.5)


def _beside(place: p.Place, at_m: p.PointM) -> list[float]:
    """The spot one path's width further east or west, along whichever side lies so."""
    x0, y0, x1, y1 = shapes.outer_outline(place.shape).bounds
    turn = math.radians(place.heading_deg or 0.0)
    if _lies_east_west(place):
        step, along = (y1 - y0) / 100 + PATH_BETWEEN_M, (math.sin(turn), math.cos(turn))
    else:
        step, along = (x1 - x0) / 100 + PATH_BETWEEN_M, (math.cos(turn), -math.sin(turn))
    return [round(at_m[0] + step * along[0], 3), round(at_m[1] + step * along[1], 3)]


def _mirror_place(twin: Document, place: p.Place) -> None:
    shape = twin["shape"]
    for key in ("outline_cm", "holes_cm"):
        rings = shape.get(key)
        if rings:
            drawn = [rings] if key == "outline_cm" else rings
            flipped = [[_flipped(point, place) for point in reversed(ring)] for ring in drawn]
            shape[key] = flipped[0] if key == "outline_cm" else flipped
    for part in (*twin.get("held", []), *twin.get("covers", [])):
        if isinstance(part["cells"], list):
            part["cells"] = [across(address, place) for address in part["cells"]]
    for support in twin.get("supports", []):
        if support.get("run_cm"):
            support["run_cm"] = _run_across(support["run_cm"], support.get("edge"), place)
        if support.get("line_cm"):
            support["line_cm"] = [_flipped(point, place) for point in support["line_cm"]]
        if support.get("edge") in _OPPOSITE:
            support["edge"] = _OPPOSITE[support["edge"]]


def _flipped(point: list[float], place: p.Place) -> list[float]:
    box, (x, y) = shapes.bounds(place.shape), point
    if _lies_east_west(place):
        return [x, box.y0 + box.y1 - y]
    return [box.x0 + box.x1 - x, y]


def _run_across(run: list[float], edge: str | None, place: p.Place) -> list[float]:
    """A stretch of an edge in the mirror, which turns east and west about: sides that face east
    or west keep theirs."""
    if edge in ("east", "west"):
        return run
    box = shapes.bounds(place.shape)
    length = box.length if _lies_east_west(place) else box.width
    return [length - run[1], length - run[0]]


def across(address: str, place: p.Place) -> str:
    """The cell as far from one end as this one is from the other."""
    grid = grid_of(place)
    column, row = grid.cells[address].spot
    if _lies_east_west(place):
        return address_of((column, grid.rows - 1 - row))
    return address_of((grid.columns - 1 - column, row))
