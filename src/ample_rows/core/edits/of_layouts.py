"""Edits of layouts that are kept beside the plan."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core import plan as p
from ample_rows.core.edits.alternatives import layout_of, take_layout
from ample_rows.core.edits.edit import Changes, EditBase, found


class KeepLayout(EditBase):
    """Keep the places, paths and plantings as they are beside the plan, under a name."""

    do: Literal["keep-layout"] = "keep-layout"
    id: str
    name: str

    def apply_to(self, document: Changes) -> None:
        _layouts(document).append(layout_of(document, self.id, self.name))

    def named(self, before: p.Plan) -> str:
        return f"save {self.name}"


class TakeLayout(EditBase):
    """Put a kept layout into force, and keep what was there in its place; or take over only some
    of its places with what is planted there, replacing those of the same id."""

    do: Literal["take-layout"] = "take-layout"
    id: str
    places: Annotated[list[str], Field(max_length=500)] | None = None

    def apply_to(self, document: Changes) -> None:
        take_layout(document, found(_layouts(document), self.id, "layout"), self.places)

    def named(self, before: p.Plan) -> str:
        return f"use {_name_of(before, self.id)}"


class ForgetLayout(EditBase):
    do: Literal["forget-layout"] = "forget-layout"
    id: str

    def apply_to(self, document: Changes) -> None:
        layouts = _layouts(document)
        layouts.remove(found(layouts, self.id, "layout"))

    def named(self, before: p.Plan) -> str:
        return f"delete {_name_of(before, self.id)}"


def _layouts(document: Changes) -> list[Changes]:
    layouts: list[Changes] = document.setdefault("alternatives", [])
    return layouts


def _name_of(before: p.Plan, ident: str) -> str:
    return next((layout.name for layout in before.alternatives if layout.id == ident), ident)
