"""The plan document: one garden as immutable, validated values.

These models are both the open file format and the values that the rest of the
core computes on. An absent key means `None`: work it out, or take the default.
"""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.plan.alternative import Alternative
from ample_rows.core.plan.build import Board, Build, MaterialPrice
from ample_rows.core.plan.crops import OwnCrop
from ample_rows.core.plan.garden import (
    Away,
    Climate,
    CropPrice,
    Fill,
    Garden,
    Household,
    LikelyEnd,
    OwnMeasures,
    Policies,
    Want,
)
from ample_rows.core.plan.jobs import Chore, JobMark, Per
from ample_rows.core.plan.obstacle import Obstacle
from ample_rows.core.plan.own import OwnFactor, OwnFactors
from ample_rows.core.plan.place import (
    Added,
    Breaking,
    Circle,
    Cover,
    Grew,
    Held,
    Mound,
    Pattern,
    Place,
    Polygon,
    Rectangle,
    Rest,
    Shape,
    StandsOn,
    Stay,
    Support,
)
from ample_rows.core.plan.planting import LedOver, Planting, VarietyRun, by_place
from ample_rows.core.plan.seeds import SeedBox, SeedChoice, SeedPacket
from ample_rows.core.plan.set_aside import SetAside
from ample_rows.core.plan.site import (
    Path,
    Site,
    Slope,
    SunSeen,
    Tank,
    Tap,
)
from ample_rows.core.plan.soil import (
    Bag,
    Bulk,
    Ingredient,
    Level3,
    LiquidFeed,
    Own,
    OwnMaterial,
    Packet,
    Part,
    Recipe,
    Soil,
    SoilTest,
    Vehicle,
)
from ample_rows.core.plan.values import (
    Address,
    Bottom,
    ByCrop,
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
    Walls,
    Weekday,
    WorkerName,
    document,
    shared_document,
)

__all__ = [
    "Added",
    "Address",
    "Alternative",
    "Away",
    "Bag",
    "Board",
    "Bottom",
    "Breaking",
    "Build",
    "Bulk",
    "ByCrop",
    "Chore",
    "Circle",
    "Climate",
    "Compass",
    "Coordinate",
    "Cover",
    "CropPrice",
    "Depth",
    "DepthPolicyName",
    "Fill",
    "Garden",
    "Grew",
    "Held",
    "HorizonAngle",
    "Household",
    "Ident",
    "Ingredient",
    "JobMark",
    "Kind",
    "Layout",
    "LedOver",
    "Level3",
    "LikelyEnd",
    "LiquidFeed",
    "MaterialPrice",
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
    "OwnCrop",
    "OwnFactor",
    "OwnFactors",
    "OwnMaterial",
    "OwnMeasures",
    "Packet",
    "Part",
    "Path",
    "PathUse",
    "Pattern",
    "Per",
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
    "Recipe",
    "Rectangle",
    "Rest",
    "SeedBox",
    "SeedChoice",
    "SeedPacket",
    "SetAside",
    "Shape",
    "Site",
    "Slope",
    "Soil",
    "SoilTest",
    "Spacing",
    "Stage",
    "StandsOn",
    "Start",
    "Stay",
    "SunSeen",
    "Support",
    "Tank",
    "Tap",
    "VarietyRun",
    "Vehicle",
    "Walls",
    "Want",
    "Weekday",
    "WorkerName",
    "by_place",
    "document",
    "shared_document",
]


class Plan(PlanValue):
    """A whole garden: the unit of import, export, backup and the command line."""

    format: Literal["ample-rows/plan"]
    version: Annotated[int, Field(ge=1, le=1)]
    garden: Garden
    site: Site | None = None
    soil: Soil | None = None
    build: Build | None = None
    seed_box: SeedBox | None = None
    crops: Annotated[tuple[OwnCrop, ...], Field(max_length=500)] = ()
    places: tuple[Place, ...] = ()
    plantings: tuple[Planting, ...] = ()
    chores: Annotated[tuple[Chore, ...], Field(max_length=500)] = ()
    jobs: Annotated[tuple[JobMark, ...], Field(max_length=5000)] = ()
    alternatives: Annotated[tuple[Alternative, ...], Field(max_length=12)] = ()
    set_aside: tuple[SetAside, ...] = ()

    def with_alternative(self, drawing: Alternative) -> "Plan":
        """The plan as it would be with another drawing in force, and none beside it."""
        site = self.site.model_copy(update={"paths": drawing.paths}) if self.site else None
        parts = {"places": drawing.places, "plantings": drawing.plantings}
        return self.model_copy(update={"site": site, "alternatives": (), **parts})

    def planting(self, ident: str) -> Planting | None:
        return next((each for each in self.plantings if each.id == ident), None)

    def place(self, ident: str) -> Place | None:
        return next((p for p in self.places if p.id == ident), None)
