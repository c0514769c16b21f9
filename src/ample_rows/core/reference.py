"""Reference data the rules read: crops, policies, training systems, coefficients.

The core never opens a file; a loader builds one `Book` and hands it in. Every
published or judged number is a record with its unit, status and source.
"""

from dataclasses import dataclass, field
from typing import Annotated, Literal

from pydantic import BaseModel, ConfigDict, Field, model_validator

from ample_rows.core.plan import Start

Frost = Literal["hardy", "half-hardy", "tender"]
Group = Literal[
    "fruit", "root", "leaf", "stem", "bulb", "pod", "seed", "herb", "flower", "green manure"
]
PickingKind = Literal["once", "few", "cut-and-come-again", "continuous"]
Amount = Annotated[float, Field(ge=0, allow_inf_nan=False)]
Size = Annotated[float, Field(gt=0, allow_inf_nan=False)]
Share = Annotated[float, Field(ge=0, le=1)]
Text = Annotated[str, Field(min_length=1)]


class _Record(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False)


class Coefficient(_Record):
    """One number with what makes it trustworthy."""

    value: float
    unit: Text
    low: float | None = None
    high: float | None = None
    status: Literal["measured", "derived", "judged"]
    source: Text


class DepthPolicy(_Record):
    """One school on how deep soil must be. Scales multiply the standard depths."""

    label: Text
    least_scale: Size
    full_scale: Size
    assumes: Text
    costs: Text
    status: Literal["measured", "derived", "judged"]
    source: Text


class PickingShape(_Record):
    """How a picking spell runs: evenly, or rising to a peak and falling again.

    `kept_standing` is the share of the plant that picking leaves in the ground.
    """

    label: Text
    peaked: bool
    kept_standing: Share
    source: Text


class TrainingSystem(_Record):
    """A way of growing up, as data."""

    label: Text
    needs_support: bool
    footprint_cm: Amount
    height_cm: Amount
    at_the_top: Text
    post_spacing_cm: Amount | None = None
    post_buried_cm: Amount | None = None
    caution: str | None = None
    source: Text


class Mix(_Record):
    """A mix to fill places with: parts of loose volume, and what it is worth.

    `settling` is the share lost of what is poured; `available_water` the share of its settled
    volume that roots can take.
    """

    label: Text
    parts: Annotated[dict[str, Size], Field(min_length=1)]
    settling: Annotated[float, Field(ge=0, lt=0.6)]
    saturated_kg_per_litre: Size
    available_water: Annotated[float, Field(gt=0, lt=0.5)]
    suits: Text
    status: Literal["measured", "derived", "judged"]
    source: Text


class Worker(_Record):
    """Who works a place: easy reach and a stretch over the rim, and the rim's height for it."""

    label: Text
    arm_cm: Size
    stretch_cm: Size
    rim_cm: tuple[Amount, Amount]
    status: Literal["measured", "derived", "judged"]
    source: Text


class PathNeed(_Record):
    """What goes along a path: the least width it passes, and the width that is easy."""

    label: Text
    least_cm: Size
    easy_cm: Size
    status: Literal["measured", "derived", "judged"]
    source: Text


class CropTraining(_Record):
    """How one crop does under one training system, relative to its reference way."""

    system: Text
    harvest_factor: Size
    in_row_cm: Size | None = None


class Range3(_Record):
    """P10, P50 and P90 of a yield per plant."""

    low: Size
    typical: Size
    high: Size

    @model_validator(mode="after")
    def _ordered(self) -> "Range3":
        if not self.low < self.typical < self.high:
            raise ValueError("low, typical and high must rise")
        return self


class Germination(_Record):
    low: Amount
    high: Amount


class DaysToPick(_Record):
    sow: Size | None = None
    transplant: Size | None = None
    set: Size | None = None
    division: Size | None = None


class Picking(_Record):
    kind: PickingKind
    days: Size


class Relative(_Record):
    """A neighbour believed to matter, with the grade of the evidence."""

    crop: Text
    effect: Text
    evidence: Literal["tested", "some", "belief"]


class Crop(_Record):
    """A crop, or a variety type of one, as the rules use it."""

    id: Annotated[str, Field(pattern=r"^[a-z][a-z0-9-]*$")]
    name: Text
    mark: Annotated[str, Field(pattern=r"^[A-Z][a-z]$")]
    names: tuple[str, ...] = ()
    botanical: Text
    family: Text
    group: Group
    variety_of: str | None = None
    spacing_cm: Size
    in_row_cm: Size
    between_row_cm: Size
    canopy_cm: Size
    height_cm: Size
    least_depth_cm: Size
    full_depth_cm: Size
    least_depth_factor: Share
    edible_root_cm: Size | None = None
    rooting_cm: Size
    least_litres: Size
    full_litres: Size
    least_sun_hours: Amount
    full_sun_hours: Amount
    least_sun_factor: Share
    frost: Frost
    base_temperature_c: float
    ceiling_temperature_c: float
    germination_least_c: float
    germination_days: Germination
    sowing_depth_cm: Amount | None = None
    buried_stem_cm: Amount | None = None
    before_sowing: str | None = None
    seeds_per_station: Annotated[int, Field(ge=1)] | None = None
    emergence: Share
    survival: Share
    weeks_indoors: Amount | None = None
    starts: Annotated[tuple[Start, ...], Field(min_length=1)]
    days_to_first_pick: DaysToPick
    picking: Picking
    yield_kg_per_plant: Range3 | None = None
    piece_kg: Size | None = None
    least_piece_kg: Size | None = None
    crowding: Share
    feeder: Literal["light", "medium", "heavy", "fixes nitrogen"]
    trainings: tuple[CropTraining, ...] = ()
    overwinters: bool = False
    turn_round_days: Amount
    relatives: tuple[Relative, ...] = ()
    cautions: tuple[str, ...] = ()
    sources: dict[str, Text]

    @model_validator(mode="after")
    def _sane(self) -> "Crop":
        if self.least_depth_cm > self.full_depth_cm:
            raise ValueError("least_depth_cm is above full_depth_cm")
        if self.least_litres > self.full_litres:
            raise ValueError("least_litres is above full_litres")
        if self.least_sun_hours > self.full_sun_hours:
            raise ValueError("least_sun_hours is above full_sun_hours")
        for start in self.starts:
            if getattr(self.days_to_first_pick, start) is None:
                raise ValueError(f"days_to_first_pick.{start} is missing though starts names it")
        missing = {"spacing", "roots", "light", "time", "yield"} - self.sources.keys()
        if missing:
            raise ValueError(f"sources lacks {sorted(missing)[0]!r}")
        return self

    def days_to_pick(self, start: Start) -> float | None:
        days: float | None = getattr(self.days_to_first_pick, start)
        return days

    def training(self, system: str) -> CropTraining | None:
        return next((t for t in self.trainings if t.system == system), None)


@dataclass(frozen=True, eq=False)
class Book:
    """All reference data. Compared and hashed by identity: one is loaded per process."""

    crops: dict[str, Crop]
    coefficients: dict[str, Coefficient]
    depth_policies: dict[str, DepthPolicy]
    picking_shapes: dict[str, PickingShape]
    trainings: dict[str, TrainingSystem]
    workers: dict[str, Worker]
    path_needs: dict[str, PathNeed]
    mixes: dict[str, Mix]
    circle_packings: dict[int, tuple[tuple[float, float], ...]]
    square_packings: dict[int, tuple[tuple[float, float], ...]]
    packing_source: str
    digest: str = field(default="")

    def value(self, name: str) -> float:
        return self.coefficients[name].value
