"""Crops of the grower's own, and figures of the book that they have changed."""

import json
from typing import Annotated

from pydantic import Field, JsonValue

from ample_rows.core.plan.values import Ident, PlanValue


class OwnCrop(PlanValue):
    """A crop as this garden has it.

    With `like` it is a kind of its own, begun from that crop; without it, `id` names a crop of
    the book and `figures` are what differs. Keys of figures are the crop's fields, those within
    another joined by a dot: `yield_kg_per_plant.typical`.
    """

    id: Annotated[str, Field(pattern=r"^[a-z][a-z0-9-]{0,63}$")]
    like: Ident | None = None
    figures: Annotated[dict[str, JsonValue], Field(max_length=100, default_factory=dict)]

    def __hash__(self) -> int:
        return hash((self.id, self.like, json.dumps(self.figures, sort_keys=True)))
