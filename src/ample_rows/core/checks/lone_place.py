"""A place by itself, before it is in a plan."""

import json
from typing import Any

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.checks.place import place_faults
from ample_rows.core.geometry.budget import too_many_cells
from ample_rows.core.plan.reading import PlanFaultsError, read_document

_HEAD = ("format", "version", "garden")


def lone_place(plan: p.Plan, record: dict[str, Any], book: Book) -> p.Place:
    """A record as a place of this plan.

    Raises:
        PlanFaultsError: It is none, or has more squares than can be computed; with the fields.
    """
    document = p.document(plan)
    alone = {**{key: document[key] for key in _HEAD}, "places": [record]}
    read = read_document(json.dumps(alone))
    place = read.places[0]
    too_many = too_many_cells(read)
    faults = [too_many] if too_many else list(place_faults(place, "places[0]", plan.soil, book))
    if faults:
        raise PlanFaultsError(faults)
    return place
