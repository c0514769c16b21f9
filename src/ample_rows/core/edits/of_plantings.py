"""Edits of plantings."""

from typing import Literal

from pydantic import BaseModel, ConfigDict, Field

from ample_rows.core import plan as p
from ample_rows.core.edits.edit import Changes, EditBase, merge, part_of
from ample_rows.core.edits.fit_grid import keep_spots_inside
from ample_rows.core.edits.job_marks import forget_jobs
from ample_rows.core.plan.links import forget

# What ties a planting to others, or says where each of its plants stands.
_OF_THE_WHOLE = frozenset({"follows", "gives_way_to", "led_over", "locked", "spots_cm"})


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


class SplitOff(BaseModel):
    """The squares of a planting that become one of their own, and those that stay its own."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    id: str
    cells: tuple[str, ...] = Field(min_length=1)
    rest: tuple[str, ...] = Field(min_length=1)


class LeaveForSeed(EditBase):
    """Leave a planting for seed until a day, or some squares of it as a planting of their own; what
    was done of the whole is done of these."""

    do: Literal["leave-for-seed"] = "leave-for-seed"
    id: str
    until: str
    split: SplitOff | None = None

    def apply_to(self, document: Changes) -> None:
        planting = part_of(document["plantings"], self.id, "planting")
        left = planting
        if self.split is not None:
            left = self._apart(planting, self.split)
            planting["cells"] = list(self.split.rest)
            keep_spots_inside(document, planting)
            document["plantings"].append(left)
            marks = [mark for mark in document.get("jobs", []) if mark.get("planting") == self.id]
            document.setdefault("jobs", []).extend(
                {**mark, "planting": self.split.id} for mark in marks
            )
            if not document["jobs"]:
                del document["jobs"]
        left["for_seed"] = True
        left["clear_date"] = self.until

    @staticmethod
    def _apart(planting: Changes, split: SplitOff) -> Changes:
        """Those squares with their share of the plants, tied to no other planting."""
        left = {key: value for key, value in planting.items() if key not in _OF_THE_WHOLE}
        left |= {"id": split.id, "cells": list(split.cells)}
        if planting.get("plants"):
            share = len(split.cells) / (len(split.cells) + len(split.rest))
            left["plants"] = max(1, round(planting["plants"] * share))
            planting["plants"] = max(1, planting["plants"] - left["plants"])
        return left

    def named(self, before: p.Plan) -> str:
        return f"leave {_crop_of(before, self.id)} for seed"


def _crop_of(before: p.Plan, ident: str) -> str:
    return next((planting.crop for planting in before.plantings if planting.id == ident), ident)
