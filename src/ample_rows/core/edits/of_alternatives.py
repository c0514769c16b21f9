"""Edits of other drawings of the yard, kept beside the plan."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core import plan as p
from ample_rows.core.edits.alternatives import alternative_of, take_alternative
from ample_rows.core.edits.edit import Changes, EditBase, part_of


class KeepAlternative(EditBase):
    """Keep the places, paths and plantings as they are beside the plan, under a name."""

    do: Literal["keep-alternative"] = "keep-alternative"
    id: str
    name: str

    def apply_to(self, document: Changes) -> None:
        _alternatives(document).append(alternative_of(document, self.id, self.name))

    def named(self, before: p.Plan) -> str:
        return f"save {self.name}"


class TakeAlternative(EditBase):
    """Put a kept drawing into force, and keep what was there in its place; or take over only some
    of its places with what is planted there, replacing those of the same id."""

    do: Literal["take-alternative"] = "take-alternative"
    id: str
    places: Annotated[list[str], Field(max_length=500)] | None = None

    def apply_to(self, document: Changes) -> None:
        take_alternative(
            document, part_of(_alternatives(document), self.id, "drawing"), self.places
        )

    def named(self, before: p.Plan) -> str:
        return f"use {_name_of(before, self.id)}"


class ForgetAlternative(EditBase):
    do: Literal["forget-alternative"] = "forget-alternative"
    id: str

    def apply_to(self, document: Changes) -> None:
        kept_drawings = _alternatives(document)
        kept_drawings.remove(part_of(kept_drawings, self.id, "drawing"))

    def named(self, before: p.Plan) -> str:
        return f"delete {_name_of(before, self.id)}"


def _alternatives(document: Changes) -> list[Changes]:
    kept_drawings: list[Changes] = document.setdefault("alternatives", [])
    return kept_drawings


def _name_of(before: p.Plan, ident: str) -> str:
    return next((drawing.name for drawing in before.alternatives if drawing.id == ident), ident)
