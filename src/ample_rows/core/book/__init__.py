"""Reference data the rules read: crops, policies, training systems, coefficients.

The core never opens a file; a loader builds one `Book` and hands it in. Every
published or judged number is a record with its unit, status and source.
"""

from ample_rows.core.book.bad_years import BadYear
from ample_rows.core.book.book import Book
from ample_rows.core.book.climate import MadeUpClimate
from ample_rows.core.book.covers import CoverKind
from ample_rows.core.book.crop import (
    Bolting,
    Crop,
    CropTraining,
    DaysToPick,
    Frost,
    Germination,
    Grade,
    Group,
    Perennial,
    Picking,
    PickingKind,
    Range3,
    Relative,
    Trait,
    Trouble,
)
from ample_rows.core.book.families import FamilyRest
from ample_rows.core.book.ground import Animal, PathNeed, Worker
from ample_rows.core.book.growing_up import Footing, SupportBuild, TrainingSystem
from ample_rows.core.book.jobs import DoneAs, JobMinutes, JobRule, PlaceRound, UsualChore
from ample_rows.core.book.keeping import CropKeeping, KeepingWay
from ample_rows.core.book.labels import LabelSheet
from ample_rows.core.book.materials import Material, Walling
from ample_rows.core.book.record import Status
from ample_rows.core.book.rules import (
    AirBand,
    Coefficient,
    DepthPolicy,
    LayoutWay,
    PickingShape,
    Rule,
)
from ample_rows.core.book.safety import Caution
from ample_rows.core.book.soil import (
    FeederClass,
    GroundTool,
    HarvestedPart,
    Mix,
    SoftMatter,
    SoilIngredient,
    TurfWay,
)
from ample_rows.core.book.starters import Eaten, Like, LikedEntry, Starter, StarterEntry
from ample_rows.core.book.water import PatternKind, WaterWay

__all__ = [
    "AirBand",
    "Animal",
    "BadYear",
    "Bolting",
    "Book",
    "Caution",
    "Coefficient",
    "CoverKind",
    "Crop",
    "CropKeeping",
    "CropTraining",
    "DaysToPick",
    "DepthPolicy",
    "DoneAs",
    "Eaten",
    "FamilyRest",
    "FeederClass",
    "Footing",
    "Frost",
    "Germination",
    "Grade",
    "GroundTool",
    "Group",
    "HarvestedPart",
    "JobMinutes",
    "JobRule",
    "KeepingWay",
    "LabelSheet",
    "LayoutWay",
    "Like",
    "LikedEntry",
    "MadeUpClimate",
    "Material",
    "Mix",
    "PathNeed",
    "PatternKind",
    "Perennial",
    "Picking",
    "PickingKind",
    "PickingShape",
    "PlaceRound",
    "Range3",
    "Relative",
    "Rule",
    "SoftMatter",
    "SoilIngredient",
    "Starter",
    "StarterEntry",
    "Status",
    "SupportBuild",
    "TrainingSystem",
    "Trait",
    "Trouble",
    "TurfWay",
    "UsualChore",
    "Walling",
    "WaterWay",
    "Worker",
]
