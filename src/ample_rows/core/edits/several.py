"""Several places added in one step."""

import copy
import json
import re
from typing import Any

from ample_rows.core import plan as p
from ample_rows.core.plan.idents import free_ident
from ample_rows.core.plan.reading import read_document
from ample_rows.core.site.rows import RowOfPlaces, paths_between, spots_m

Document = dict[str, Any]


def add_places(
    document: Document,
    first: Document,
    row: RowOfPlaces,
    *,
    paths: bool,
    covering: str | None = None,
) -> None:
    """Add so many places like the first, numbered after its name, in place; in the yard each at
    its own spot, with the ways between them, covered with a material, where asked.

    Raises:
        PlanFaultsError: The first is no sound place.
    """
    place = _read(document, first)
    spots = spots_m(place, row)
    taken = {place.id, *(one["id"] for one in document["places"])}
    base, number = _numbered(place.label)
    for index in range(row.count):
        again = copy.deepcopy(first)
        if index > 0:
            again["id"] = free_ident(place.id, taken)
        if row.count > 1:
            again["name"] = f"{base} {number + index}"
        if spots:
            again["at_m"] = list(spots[index])
        document["places"].append(again)
    if paths and row.gap_cm > 0:
        for line in paths_between(place, row):
            way: Document = {"line_m": [list(point) for point in line], "width_cm": row.gap_cm}
            if covering is not None:
                way["covering"] = covering
            document.setdefault("site", {}).setdefault("paths", []).append(way)


def _read(document: Document, first: Document) -> p.Place:
    """The first as a place of this plan, so that its faults name their fields."""
    alone = {key: document[key] for key in ("format", "version", "garden")}
    return read_document(json.dumps({**alone, "places": [first]})).places[0]


def _numbered(label: str) -> tuple[str, int]:
    """A name without the number that it ends in, and that number: "Bed 3" is "Bed" and 3."""
    found = re.fullmatch(r"(.*?)\s*(\d{1,4})", label)
    return (found[1], int(found[2])) if found and found[1] else (label, 1)
