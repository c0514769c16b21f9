"""Edits of own crops and of a crop's own figures."""

from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.edits.crops import change_crop
from ample_rows.core.edits.edit import Changes, EditBase, part_of


class ChangeCrop(EditBase):
    """Set some figures of a crop, or begin an own kind with `like`; a figure set to null goes
    back to what the crop began from."""

    do: Literal["change-crop"] = "change-crop"
    id: str
    like: str | None = None
    figures: Changes

    def apply_to(self, document: Changes) -> None:
        change_crop(document, self.id, self.like, self.figures)

    def named(self, before: p.Plan) -> str:
        return f"change {self.id}" if self.like is None else f"add {self.id}"


class RemoveCrop(EditBase):
    """Delete an own kind, or all own figures of a crop of the book."""

    do: Literal["remove-crop"] = "remove-crop"
    id: str

    def apply_to(self, document: Changes) -> None:
        crops = document.get("crops", [])
        crops.remove(part_of(crops, self.id, "crop"))

    def named(self, before: p.Plan) -> str:
        return f"delete your own figures of {self.id}"
