"""A grid fitted to its bed: squares change a little, and all that names them moves along."""

import json
from typing import Any

import shapely

from ample_rows.core import plan as p
from ample_rows.core.geometry.cells import Grid, address_of, cells_of, grid_of

Document = dict[str, Any]


def fit_grid(document: Document, place: Document) -> None:
    """Fit the grid of a place, in place: every square takes over what the old square under its
    middle held; what stood in a sliver alone moves to the square that it joins."""
    before = grid_of(_read(place))
    place["grid"] = "fitted"
    after = grid_of(_read(place))
    under = {new: _holding(before, after, new) for new in after.cells}
    for record in _naming(document, place):
        cells = record.get("cells")
        if isinstance(cells, list) and cells:
            record["cells"] = _moved(cells, under, before, after)


def keep_spots_inside(document: Document, planting: Document) -> None:
    """Leave out the spots of plants that are no longer in their planting's squares, in place; all
    of them where none is left."""
    spots = planting.get("spots_cm")
    place = next((one for one in document["places"] if one["id"] == planting["place"]), None)
    if not spots or place is None:
        return
    bed = _read(place)
    cells = planting["cells"]
    listed = cells_of(bed, "all" if cells == "all" else tuple(cells))
    grid = grid_of(bed)
    ground = grid.region(address for address in listed if address in grid.cells)
    inside = [spot for spot in spots if ground.covers(shapely.Point(spot))]
    if inside:
        planting["spots_cm"] = inside
    else:
        del planting["spots_cm"]


def _read(place: Document) -> p.Place:
    return p.Place.model_validate_json(json.dumps(place))


def _naming(document: Document, place: Document) -> list[Document]:
    """Every record that names squares of the place."""
    own: list[Document] = [
        planting for planting in document["plantings"] if planting["place"] == place["id"]
    ]
    for key in ("held", "covers", "rests", "grew"):
        own += place.get(key, [])
    above = (other.get("stands_on") for other in document["places"])
    return own + [record for record in above if record and record["place"] == place["id"]]


def _holding(before: Grid, after: Grid, new: str) -> str:
    """The old square under the middle of a new one."""
    box, whole = after.box(after.cells[new].spot), before.bounds
    column = int(((box.x0 + box.x1) / 2 - whole.x0) // before.pitch.x_cm)
    row = int(((box.y0 + box.y1) / 2 - whole.y0) // before.pitch.y_cm)
    return address_of((min(column, before.columns - 1), min(row, before.rows - 1)))


def _moved(cells: list[str], under: dict[str, str], before: Grid, after: Grid) -> list[str]:
    old = set(cells)
    moved = [new for new, held in under.items() if held in old]
    return moved or [_joined(before, after, cells[0])]


def _joined(before: Grid, after: Grid, old: str) -> str:
    """The new square under the middle of an old one."""
    return _holding(after, before, old)
