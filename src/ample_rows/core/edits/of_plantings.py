"""Edits of plantings."""

from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.edits.edit import Changes, EditBase, merge, part_of
from ample_rows.core.edits.fit_grid import keep_spots_inside
from ample_rows.core.edits.job_marks import forget_jobs
from ample_rows.core.plan.links import forget


class Plant(EditBase):
    do: Literal["plant"] = "plant"
    planting: Changes

    def apply_to(self, document: Changes) -> None:
        document["plantings"].append(self.planting)

    def named(self, before: p.Plan) -> str:
        return f"plant {self.planting.get('crop', 'a crop')}"


class ChangePlanting(EditBase):
    """Set some keys of a planting; a key set to null is taken out. Where its squares change, the
    spots of plants that are no longer in them go."""

    do: Literal["change-planting"] = "change-planting"
    id: str
    changes: Changes

    def apply_to(self, document: Changes) -> None:
        planting = part_of(document["plantings"], self.id, "planting")
        merge(planting, self.changes)
        if "spots_cm" not in self.changes and self.changes.keys() & {"cells", "place"}:
            keep_spots_inside(document, planting)

    def named(self, before: p.Plan) -> str:
        return f"change {_crop_of(before, self.id)}"


class RemovePlanting(EditBase):
    do: Literal["remove-planting"] = "remove-planting"
    id: str

    def apply_to(self, document: Changes) -> None:
        plantings = document["plantings"]
        plantings.remove(part_of(plantings, self.id, "planting"))
        forget(plantings, {self.id})
        forget_jobs(document)

    def named(self, before: p.Plan) -> str:
        return f"clear {_crop_of(before, self.id)}"


def _crop_of(before: p.Plan, ident: str) -> str:
    return next((planting.crop for planting in before.plantings if planting.id == ident), ident)
