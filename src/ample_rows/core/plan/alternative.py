"""Other drawings of the same yard, kept beside the plan."""

from typing import Annotated

from pydantic import Field

from ample_rows.core.plan.place import Place
from ample_rows.core.plan.planting import Planting
from ample_rows.core.plan.site import Path
from ample_rows.core.plan.values import Ident, Name, PlanValue


class Alternative(PlanValue):
    """One drawing of the yard: its places, its paths, and what is planted there."""

    id: Ident
    name: Name
    places: tuple[Place, ...] = ()
    paths: Annotated[tuple[Path, ...], Field(max_length=500)] = ()
    plantings: tuple[Planting, ...] = ()
