"""The plan document: one garden as immutable, validated values.

These models are both the open file format and the values that the rest of the
core computes on. An absent key means `None`: work it out, or take the default.
"""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.plan.build import Board, Build
from ample_rows.core.plan.garden import (
    Climate,
    Garden,
    Household,
    Policies,
    Want,
)
from ample_rows.core.plan.place import (
    Circle,
    Held,
    Mound,
    Place,
    Polygon,
    Rectangle,
    Shape,
    Support,
)
from ample_rows.core.plan.planting import (
    Planting,
)
from ample_rows.core.plan.site import (
    Obstacle,
    Path,
    Site,
    Slope,
    Tank,
    Tap,
)
from ample_rows.core.plan.soil import (
    Bag,
    Bulk,
    Own,
    Soil,
)
from ample_rows.core.plan.values import (
    Address,
    Bottom,
    Compass,
    Coordinate,
    Depth,
    DepthPolicyName,
    HorizonAngle,
    Ident,
    Kind,
    Layout,
    Measure,
    Metres,
    Month,
    Name,
    Native,
    Normal,
    ObstacleKind,
    PathUse,
    PlanDate,
    PlanValue,
    PointCm,
    PointM,
    Positive,
    Rain,
    Spacing,
    Stage,
    Start,
    WorkerName,
    document,
)

__all__ = [
    "Address",
    "Bag",
    "Board",
    "Bottom",
    "Build",
    "Bulk",
    "Circle",
    "Climate",
    "Compass",
    "Coordinate",
    "Depth",
    "DepthPolicyName",
    "Garden",
    "Held",
    "HorizonAngle",
    "Household",
    "Ident",
    "Kind",
    "Layout",
    "Measure",
    "Metres",
    "Month",
    "Mound",
    "Name",
    "Native",
    "Normal",
    "Obstacle",
    "ObstacleKind",
    "Own",
    "Path",
    "PathUse",
    "Place",
    "Plan",
    "PlanDate",
    "PlanValue",
    "Planting",
    "PointCm",
    "PointM",
    "Policies",
    "Polygon",
    "Positive",
    "Rain",
    "Rectangle",
    "Shape",
    "Site",
    "Slope",
    "Soil",
    "Spacing",
    "Stage",
    "Start",
    "Support",
    "Tank",
    "Tap",
    "Want",
    "WorkerName",
    "document",
]


class Plan(PlanValue):
    """A whole garden: the unit of import, export, backup and the command line."""

    format: Literal["ample-rows/plan"]
    version: Annotated[int, Field(ge=1, le=1)]
    garden: Garden
    site: Site | None = None
    soil: Soil | None = None
    build: Build | None = None
    places: tuple[Place, ...] = ()
    plantings: tuple[Planting, ...] = ()

    def place(self, ident: str) -> Place | None:
        return next((p for p in self.places if p.id == ident), None)
