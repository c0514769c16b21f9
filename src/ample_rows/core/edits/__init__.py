"""Edits: every change that can be made to a plan, as a value that knows its effect and its name."""

from typing import Annotated, Any, Literal

from pydantic import Field

from ample_rows.core import plan as p
from ample_rows.core.edits.applying import apply_edit
from ample_rows.core.edits.edit import EditBase
from ample_rows.core.edits.of_alternatives import (
    ForgetAlternative,
    KeepAlternative,
    TakeAlternative,
)
from ample_rows.core.edits.of_crops import ChangeCrop, RemoveCrop
from ample_rows.core.edits.of_garden import (
    ChangeBuild,
    ChangeGarden,
    ChangeSeedBox,
    ChangeSite,
    ChangeSoil,
    ForgetSetAside,
    ReplacePlan,
)
from ample_rows.core.edits.of_jobs import KeepChore, MarkJob, RemoveChore
from ample_rows.core.edits.of_obstacles import AddObstacle, ChangeObstacle, RemoveObstacle
from ample_rows.core.edits.of_places import (
    MOST_IN_A_ROW,
    MOST_RISER_CELLS,
    MOST_RISER_WALL_CM,
    AddPlace,
    AddPlaces,
    ChangePlace,
    CopyPlace,
    FitGrid,
    RemovePlace,
    StandRiser,
)
from ample_rows.core.edits.of_plantings import ChangePlanting, LeaveForSeed, Plant, RemovePlanting

Changes = dict[str, Any]


class Together(EditBase):
    """Several edits that stand or fall, and are undone, as one."""

    do: Literal["together"] = "together"
    edits: Annotated[list["Edit"], Field(min_length=1, max_length=500)]

    def apply_to(self, document: Changes) -> None:
        for part in self.edits:
            part.made_in(document)

    def named(self, before: p.Plan) -> str:
        planted = sum(isinstance(part, Plant) for part in self.edits)
        return f"plant {planted} crops" if planted > 1 else self.edits[0].named(before)


Edit = Annotated[
    Plant
    | ChangePlanting
    | RemovePlanting
    | LeaveForSeed
    | AddPlace
    | AddPlaces
    | ChangePlace
    | RemovePlace
    | CopyPlace
    | FitGrid
    | StandRiser
    | MarkJob
    | KeepChore
    | RemoveChore
    | ChangeGarden
    | ChangeSite
    | AddObstacle
    | ChangeObstacle
    | RemoveObstacle
    | ChangeSoil
    | ChangeBuild
    | ChangeSeedBox
    | ChangeCrop
    | RemoveCrop
    | KeepAlternative
    | TakeAlternative
    | ForgetAlternative
    | ForgetSetAside
    | Together
    | ReplacePlan,
    Field(discriminator="do"),
]
Together.model_rebuild()

__all__ = [
    "MOST_IN_A_ROW",
    "MOST_RISER_CELLS",
    "MOST_RISER_WALL_CM",
    "AddObstacle",
    "AddPlace",
    "AddPlaces",
    "ChangeBuild",
    "ChangeCrop",
    "ChangeGarden",
    "ChangeObstacle",
    "ChangePlace",
    "ChangePlanting",
    "ChangeSeedBox",
    "ChangeSite",
    "ChangeSoil",
    "Changes",
    "CopyPlace",
    "Edit",
    "FitGrid",
    "ForgetAlternative",
    "ForgetSetAside",
    "KeepAlternative",
    "KeepChore",
    "LeaveForSeed",
    "MarkJob",
    "Plant",
    "RemoveChore",
    "RemoveCrop",
    "RemoveObstacle",
    "RemovePlace",
    "RemovePlanting",
    "ReplacePlan",
    "StandRiser",
    "TakeAlternative",
    "Together",
    "apply_edit",
]
