"""Edits of the garden's own facts: the garden, its yard, soil, materials and seed box."""

from abc import abstractmethod
from typing import Literal

from ample_rows.core import plan as p
from ample_rows.core.edits.edit import Changes, EditBase, merge

_YARD_WORDS = {
    "outline_m": "the yard's outline",
    "north_deg": "north",
    "slope": "the slope",
    "horizon_deg": "the horizon",
    "obstacles": "what casts shade",
    "paths": "the paths",
    "taps": "the taps",
    "tanks": "the butts",
    "door_m": "the door",
    "wind_from_deg": "the wind",
    "animals": "the animals",
    "sun_seen": "the sun as seen",
}


class _ChangePart(EditBase):
    """Set some keys of one part of the plan; a key set to null is taken out."""

    changes: Changes

    @property
    @abstractmethod
    def part(self) -> tuple[str, str]:
        """The part's key in the plan, and what a gardener calls it."""

    def apply_to(self, document: Changes) -> None:
        merge(document.setdefault(self.part[0], {}), self.changes)

    def named(self, before: p.Plan) -> str:
        return f"change {self.part[1]}"


class ChangeGarden(_ChangePart):
    do: Literal["change-garden"] = "change-garden"

    @property
    def part(self) -> tuple[str, str]:
        own = set(self.changes) == {"own"}
        return "garden", "what the garden learnt" if own else "the garden"


class ChangeSite(_ChangePart):
    """Set some keys of the yard; a key set to null is taken out."""

    do: Literal["change-site"] = "change-site"

    @property
    def part(self) -> tuple[str, str]:
        words = [_YARD_WORDS[key] for key in self.changes if key in _YARD_WORDS]
        return "site", words[0] if len(words) == 1 else "the yard"


class ChangeSoil(_ChangePart):
    """Set some keys of the garden's soil and prices; a key set to null is taken out."""

    do: Literal["change-soil"] = "change-soil"

    @property
    def part(self) -> tuple[str, str]:
        return "soil", "the soil"


class ChangeBuild(_ChangePart):
    """Set some keys of what frames are built from; a key set to null is taken out."""

    do: Literal["change-build"] = "change-build"

    @property
    def part(self) -> tuple[str, str]:
        return "build", "the boards and prices"


class ChangeSeedBox(_ChangePart):
    """Set some keys of the seed box; a key set to null is taken out."""

    do: Literal["change-seed-box"] = "change-seed-box"

    @property
    def part(self) -> tuple[str, str]:
        return "seed_box", "the seed box"


class ForgetSetAside(EditBase):
    """Delete what was set aside because this version cannot use it."""

    do: Literal["forget-set-aside"] = "forget-set-aside"

    def apply_to(self, document: Changes) -> None:
        document.pop("set_aside", None)

    def named(self, before: p.Plan) -> str:
        return "delete what was set aside"


class ReplacePlan(EditBase):
    do: Literal["replace-plan"] = "replace-plan"
    plan: Changes

    def apply_to(self, document: Changes) -> None:
        document.clear()
        document.update(self.plan)

    def named(self, before: p.Plan) -> str:
        return "replace the whole plan"


class BeginYear(ReplacePlan):
    """The garden's next year in place of the one that ends."""

    year: str

    def named(self, before: p.Plan) -> str:
        return f"begin {self.year}"
