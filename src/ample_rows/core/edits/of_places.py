"""Edits of places."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core import plan as p
from ample_rows.core.edits.edit import Changes, EditBase, merge, part_of, place_name
from ample_rows.core.edits.fit_grid import fit_grid, keep_spots_inside
from ample_rows.core.edits.job_marks import forget_jobs, remove_chores
from ample_rows.core.edits.risers import stand_riser
from ample_rows.core.edits.several import add_places
from ample_rows.core.edits.twins import twin_of
from ample_rows.core.plan.links import forget
from ample_rows.core.site.rows import RowOfPlaces

MOST_IN_A_ROW = 100
MOST_RISER_CELLS = 500
MOST_RISER_WALL_CM = 300


class AddPlace(EditBase):
    do: Literal["add-place"] = "add-place"
    place: Changes

    def apply_to(self, document: Changes) -> None:
        document["places"].append(self.place)

    def named(self, before: p.Plan) -> str:
        return f"add {self.place.get('name') or self.place.get('id', 'a place')}"


class ChangePlace(EditBase):
    do: Literal["change-place"] = "change-place"
    id: str
    changes: Changes

    def apply_to(self, document: Changes) -> None:
        merge(part_of(document["places"], self.id, "place"), self.changes)

    def named(self, before: p.Plan) -> str:
        return f"change {place_name(before, self.id)}"


class RemovePlace(EditBase):
    """Delete a place with everything planted in it; what stood on it stands on the ground."""

    do: Literal["remove-place"] = "remove-place"
    id: str

    def apply_to(self, document: Changes) -> None:
        places, plantings = document["places"], document["plantings"]
        places.remove(part_of(places, self.id, "place"))
        gone = {planting["id"] for planting in plantings if planting["place"] == self.id}
        plantings[:] = [planting for planting in plantings if planting["place"] != self.id]
        forget(plantings, gone)
        remove_chores(document, lambda chore: chore.get("place") == self.id)
        forget_jobs(document)
        for place in places:
            if place.get("stands_on", {}).get("place") == self.id:
                del place["stands_on"]

    def named(self, before: p.Plan) -> str:
        return f"delete {place_name(before, self.id)}"


class CopyPlace(EditBase):
    """Set up a twin of a place, with all that is planted there, as it is or in the mirror."""

    do: Literal["copy-place"] = "copy-place"
    id: str
    new_id: str
    mirrored: bool = False

    def apply_to(self, document: Changes) -> None:
        place = part_of(document["places"], self.id, "place")
        own = [planting for planting in document["plantings"] if planting["place"] == self.id]
        twin, planted = twin_of(place, own, self.new_id, mirrored=self.mirrored)
        document["places"].append(twin)
        document["plantings"].extend(planted)

    def named(self, before: p.Plan) -> str:
        return f"{'mirror' if self.mirrored else 'copy'} {place_name(before, self.id)}"


class AddPlaces(EditBase):
    """Add several places of one kind in a row or a grid, named in order, from the first of them.

    `abreast` stand side by side, the others behind them, `gap_cm` apart; in a drawn yard the ways
    between are laid as paths, with a `covering` or bare, where asked. A `name` is numbered: "Bed
    1", "Bed 2".
    """

    do: Literal["add-places"] = "add-places"
    place: Changes
    count: Annotated[int, Field(ge=1, le=MOST_IN_A_ROW)]
    abreast: Annotated[int, Field(ge=1, le=MOST_IN_A_ROW)] = MOST_IN_A_ROW
    gap_cm: Annotated[float, Field(ge=0, le=1_000, allow_inf_nan=False)] = 0.0
    paths: bool = False
    covering: p.Ident | None = None

    def apply_to(self, document: Changes) -> None:
        row = RowOfPlaces(self.count, min(self.abreast, self.count), self.gap_cm)
        add_places(document, self.place, row, paths=self.paths, covering=self.covering)

    def named(self, before: p.Plan) -> str:
        return f"add {self.count} places"


class FitGrid(EditBase):
    """Fit the squares of a bed so that no strip is left; what stands in them moves along."""

    do: Literal["fit-grid"] = "fit-grid"
    id: str

    def apply_to(self, document: Changes) -> None:
        fit_grid(document, part_of(document["places"], self.id, "place"))
        for planting in document["plantings"]:
            if planting["place"] == self.id:
                keep_spots_inside(document, planting)

    def named(self, before: p.Plan) -> str:
        return f"fit the grid of {place_name(before, self.id)}"


class StandRiser(EditBase):
    """Stand a box of boards on squares of a place; what grows on just those moves up with it."""

    do: Literal["stand-riser"] = "stand-riser"
    id: str
    cells: Annotated[list[str], Field(max_length=MOST_RISER_CELLS)]
    new_id: str
    wall_height_cm: Annotated[float, Field(ge=5, le=MOST_RISER_WALL_CM, allow_inf_nan=False)]

    def apply_to(self, document: Changes) -> None:
        place = part_of(document["places"], self.id, "place")
        stand_riser(document, place, self.cells, self.new_id, self.wall_height_cm)

    def named(self, before: p.Plan) -> str:
        return f"stand a box on {place_name(before, self.id)}"
