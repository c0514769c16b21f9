"""The plan document: one garden as immutable, validated values.

These models are both the open file format and the values that the rest of the
core computes on. An absent key means `None`: work it out, or take the default.
"""

import re
from datetime import date
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, BaseModel, ConfigDict, Field, model_validator
from pydantic_core import PydanticCustomError


def _printable(text: str) -> str:
    if not text.isprintable():
        raise ValueError("an id is 1 to 64 printable characters")
    return text


Ident = Annotated[str, Field(min_length=1, max_length=64), AfterValidator(_printable)]
Name = Annotated[str, Field(max_length=120)]
Measure = Annotated[float, Field(ge=1, le=10_000, allow_inf_nan=False)]
Depth = Annotated[float, Field(ge=0, le=1_000, allow_inf_nan=False)]
Spacing = Annotated[float, Field(ge=0.5, le=2_000, allow_inf_nan=False)]
Metres = Annotated[float, Field(ge=-100_000, le=100_000, allow_inf_nan=False)]
Coordinate = Annotated[float, Field(ge=-10_000, le=10_000, allow_inf_nan=False)]
Positive = Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False)]
Normal = Annotated[float, Field(ge=-90, le=60, allow_inf_nan=False)]
Rain = Annotated[float, Field(ge=0, le=5_000, allow_inf_nan=False)]
Address = Annotated[str, Field(pattern=r"^[A-Z]{1,3}[1-9][0-9]{0,3}$")]
PointCm = tuple[Coordinate, Coordinate]
PointM = tuple[Metres, Metres]

Layout = Literal["single-squares", "merged", "offset", "rows", "band", "stations"]
Start = Literal["sow", "transplant", "set", "division"]
Bottom = Literal["open", "mesh", "rotting", "lined", "closed"]
Kind = Literal["framed", "mound", "ground", "container"]
Native = Literal["compacted", "ordinary", "loose"]
DepthPolicyName = Literal["shallow", "standard", "deep"]
Compass = Literal[
    "north", "northeast", "east", "southeast", "south", "southwest", "west", "northwest"
]

PlanDate = Annotated[date, Field(ge=date(1900, 1, 1), le=date(2200, 12, 31))]


class PlanValue(BaseModel):
    """Base of every part of the plan: frozen, strict, closed but for `x-` keys."""

    model_config = ConfigDict(frozen=True, strict=True, extra="allow", ser_json_inf_nan="null")

    @model_validator(mode="after")
    def _only_private_extras(self) -> "PlanValue":
        for key in self.__pydantic_extra__ or {}:
            if not re.match(r"x-.", key):
                raise PydanticCustomError(
                    "unknown_key", "is not a key here; keys of your own begin with x-", {"key": key}
                )
        return self


class Climate(PlanValue):
    """Monthly normals, January first. [deg C, deg C, mm]"""

    tmin_c: Annotated[tuple[Normal, ...], Field(min_length=12, max_length=12)] | None = None
    tmax_c: Annotated[tuple[Normal, ...], Field(min_length=12, max_length=12)] | None = None
    rain_mm: Annotated[tuple[Rain, ...], Field(min_length=12, max_length=12)] | None = None


class Policies(PlanValue):
    depth: DepthPolicyName | None = None
    layout: Layout | None = None
    time: Literal["calendar", "thermal"] | None = None


class Want(PlanValue):
    crop: Ident
    kg_per_year: Positive


class Household(PlanValue):
    people: Positive | None = None
    wants: tuple[Want, ...] = ()


class Garden(PlanValue):
    """Where the garden lies, its frosts, and the schools it follows."""

    name: Name
    latitude: Annotated[float, Field(ge=-90, le=90, allow_inf_nan=False)]
    longitude: Annotated[float, Field(ge=-180, le=180, allow_inf_nan=False)]
    utc_offset_hours: Annotated[float, Field(ge=-14, le=14, allow_inf_nan=False)] | None = None
    elevation_m: Annotated[float, Field(ge=-500, le=9_000, allow_inf_nan=False)] | None = None
    last_frost: PlanDate
    first_frost: PlanDate
    frost_spread_days: Annotated[float, Field(ge=0, le=90, allow_inf_nan=False)] | None = None
    season_start: PlanDate | None = None
    seed: Annotated[int, Field(ge=0, le=2**53)] | None = None
    climate: Climate | None = None
    policies: Policies = Policies()
    household: Household | None = None


class Obstacle(PlanValue):
    name: Name | None = None
    outline_m: Annotated[tuple[PointM, ...], Field(min_length=3, max_length=10_000)]
    height_m: Annotated[float, Field(ge=0, le=200, allow_inf_nan=False)]


class Tap(PlanValue):
    at_m: PointM
    hose_m: Positive | None = None


class Site(PlanValue):
    outline_m: Annotated[tuple[PointM, ...], Field(min_length=3, max_length=10_000)] | None = None
    north_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] | None = None
    obstacles: tuple[Obstacle, ...] = ()
    taps: tuple[Tap, ...] = ()
    door_m: PointM | None = None


class _Measured(PlanValue):
    measured: Literal["inside", "outside"] | None = None
    wall_thickness_cm: Annotated[float, Field(ge=0, le=1_000, allow_inf_nan=False)] | None = None


class Rectangle(_Measured):
    type: Literal["rectangle"]
    width_cm: Measure
    length_cm: Measure


class Circle(_Measured):
    type: Literal["circle"]
    diameter_cm: Measure
    bottom_diameter_cm: Measure | None = None


class Polygon(_Measured):
    type: Literal["polygon"]
    outline_cm: Annotated[tuple[PointCm, ...], Field(min_length=3, max_length=10_000)]
    holes_cm: tuple[Annotated[tuple[PointCm, ...], Field(min_length=3)], ...] | None = None


class Mound(_Measured):
    type: Literal["mound"]
    top_width_cm: Measure
    top_length_cm: Measure
    height_cm: Depth
    side_slope: Annotated[float, Field(ge=0, le=10, allow_inf_nan=False)] | None = None


Shape = Annotated[Rectangle | Circle | Polygon | Mound, Field(discriminator="type")]


class Held(PlanValue):
    """Cells kept for a post, a seat or a later project."""

    cells: tuple[Address, ...]
    reason: Name | None = None


class Support(PlanValue):
    """Something to climb on, along one edge of a place."""

    id: Ident
    edge: Compass | None = None
    height_cm: Annotated[float, Field(ge=10, le=1_000, allow_inf_nan=False)] | None = None
    system: Ident


class Place(PlanValue):
    """What holds soil: a bed or a container."""

    id: Ident
    name: Name | None = None
    kind: Kind
    bottom: Bottom | None = None
    shape: Shape
    wall_height_cm: Depth
    rim_gap_cm: Depth | None = None
    loosened_below_cm: Depth | None = None
    native: Native | None = None
    cell_cm: Annotated[float, Field(ge=15, le=60, allow_inf_nan=False)] | None = None
    depth_policy: DepthPolicyName | None = None
    at_m: PointM | None = None
    heading_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] | None = None
    sun_hours: Annotated[float, Field(ge=0, le=24, allow_inf_nan=False)] | None = None
    held: tuple[Held, ...] = ()
    supports: tuple[Support, ...] = ()

    @property
    def label(self) -> str:
        return self.name or self.id


class Planting(PlanValue):
    """One crop in some cells, or along a support, for a time."""

    id: Ident
    place: Ident
    crop: Ident
    variety: Ident | None = None
    cells: tuple[Address, ...] | Literal["all"]
    layout: Layout | None = None
    spacing_cm: Spacing | None = None
    row_spacing_cm: Spacing | None = None
    per_cell: Annotated[int, Field(ge=1, le=20)] | None = None
    plants_per_station: Annotated[int, Field(ge=1, le=50)] | None = None
    support: Ident | None = None
    run_cm: tuple[Coordinate, Coordinate] | None = None
    training: Ident | None = None
    start: Start
    start_date: PlanDate
    clear_date: PlanDate | None = None
    follows: Ident | None = None


class Plan(PlanValue):
    """A whole garden: the unit of import, export, backup and the command line."""

    format: Literal["ample-rows/plan"]
    version: Annotated[int, Field(ge=1, le=1)]
    garden: Garden
    site: Site | None = None
    places: tuple[Place, ...] = ()
    plantings: tuple[Planting, ...] = ()

    def place(self, ident: str) -> Place | None:
        return next((p for p in self.places if p.id == ident), None)


def document(plan: PlanValue) -> dict[str, Any]:
    """The JSON value of a plan or a part: what was given, nothing that was not."""
    return plan.model_dump(mode="json", exclude_unset=True)
