"""All reference data together."""

from dataclasses import dataclass, field

from ample_rows.core.book.ailments import Cause, Question, Sign
from ample_rows.core.book.bad_years import BadYear
from ample_rows.core.book.climate import MadeUpClimate
from ample_rows.core.book.covers import CoverKind
from ample_rows.core.book.crop import (
    Crop,
    Grade,
    Trait,
    Trouble,
)
from ample_rows.core.book.families import FamilyRest
from ample_rows.core.book.ground import Animal, PathNeed, Worker
from ample_rows.core.book.growing_up import Footing, TrainingSystem
from ample_rows.core.book.jobs import DoneAs, JobMinutes, JobRule, PlaceRound, UsualChore
from ample_rows.core.book.keeping import CropKeeping, KeepingWay
from ample_rows.core.book.labels import LabelSheet
from ample_rows.core.book.materials import Material
from ample_rows.core.book.rules import (
    AirBand,
    Coefficient,
    DepthPolicy,
    LayoutWay,
    PickingShape,
    Rule,
)
from ample_rows.core.book.safety import Caution
from ample_rows.core.book.seed_saving import SeedSaving
from ample_rows.core.book.soil import (
    FeederClass,
    GroundTool,
    HarvestedPart,
    Mix,
    SoftMatter,
    SoilIngredient,
    TurfWay,
)
from ample_rows.core.book.starters import Eaten, Like, Starter
from ample_rows.core.book.water import PatternKind, WaterWay


@dataclass(frozen=True, eq=False)
class Book:
    """All reference data. Compared and hashed by identity: one is loaded per process."""

    crops: dict[str, Crop]
    coefficients: dict[str, Coefficient]
    rules: dict[str, Rule]
    depth_policies: dict[str, DepthPolicy]
    layouts: dict[str, LayoutWay]
    airs: dict[str, AirBand]
    picking_shapes: dict[str, PickingShape]
    trainings: dict[str, TrainingSystem]
    jobs: dict[str, JobRule]
    place_minutes: dict[str, JobMinutes]
    rounds: dict[str, PlaceRound]
    usual_chores: dict[str, UsualChore]
    done_as: dict[str, DoneAs]
    families: dict[str, FamilyRest]
    keeping_ways: dict[str, KeepingWay]
    crop_keeping: dict[str, CropKeeping]
    label_sheets: dict[str, LabelSheet]
    footings: dict[str, Footing]
    covers: dict[str, CoverKind]
    traits: dict[str, Trait]
    troubles: dict[str, Trouble]
    signs: dict[str, Sign]
    questions: dict[str, Question]
    causes: dict[str, Cause]
    seed_saving: dict[str, SeedSaving]
    workers: dict[str, Worker]
    animals: dict[str, Animal]
    path_needs: dict[str, PathNeed]
    mixes: dict[str, Mix]
    ingredients: dict[str, SoilIngredient]
    soft: dict[str, SoftMatter]
    turf_ways: dict[str, TurfWay]
    ground_tools: dict[str, GroundTool]
    feeders: dict[str, FeederClass]
    parts: dict[str, HarvestedPart]
    materials: dict[str, Material]
    water_ways: dict[str, WaterWay]
    patterns: dict[str, PatternKind]
    starters: dict[str, Starter]
    likes: dict[str, Like]
    eaten: dict[str, Eaten]
    climates: dict[str, MadeUpClimate]
    bad_years: dict[str, BadYear]
    cautions: dict[str, Caution]
    circle_packings: dict[int, tuple[tuple[float, float], ...]]
    square_packings: dict[int, tuple[tuple[float, float], ...]]
    packing_source: str
    digest: str = field(default="")

    def value(self, name: str) -> float:
        return self.coefficients[name].value

    def keeping(self, crop: Crop) -> CropKeeping:
        """How long a crop keeps; a variety type as its crop where nothing is said of it, what
        nothing is known of for days."""
        keeping = self.crop_keeping.get(crop.id)
        if keeping is None and crop.variety_of:
            keeping = self.crop_keeping.get(crop.variety_of)
        return keeping or CropKeeping(fresh_weeks=1.0)

    def withstands(self, crop: Crop) -> dict[str, Grade]:
        """How well a crop withstands what troubles it; a variety type as its crop where it is
        not graded itself."""
        parent = self.crops.get(crop.variety_of) if crop.variety_of else None
        return {**(parent.withstands if parent else {}), **crop.withstands}
