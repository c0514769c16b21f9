"""Places: what holds soil."""

from typing import Annotated, Literal

from pydantic import Field

from ample_rows.core.plan.values import (
    Address,
    Bottom,
    Compass,
    Coordinate,
    Depth,
    DepthPolicyName,
    Floor,
    Ident,
    Kind,
    Layout,
    Measure,
    Name,
    Native,
    PlanDate,
    PlanValue,
    PointCm,
    PointM,
    Positive,
    Stage,
    Walls,
)


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
    """Something to climb on, along one edge of a place or, with `line_cm`, along a line in it.

    A line may bend; rows stand on it, or on both `sides` of it, `rows_apart_cm` from each other.
    `run_cm` is the stretch of the edge it stands on, the whole edge where it is left out. An
    arch spans `span_cm` between its feet from a mesh of `mesh_cm`. `posts` are of this material;
    what is `made` as a kit is bought whole, what is standing costs nothing.
    """

    id: Ident
    edge: Compass | None = None
    height_cm: Annotated[float, Field(ge=10, le=1_000, allow_inf_nan=False)] | None = None
    system: Ident
    line_cm: Annotated[tuple[PointCm, ...], Field(min_length=2, max_length=100)] | None = None
    sides: Literal[1, 2] | None = None
    rows_apart_cm: Annotated[float, Field(ge=1, le=500, allow_inf_nan=False)] | None = None
    run_cm: tuple[Coordinate, Coordinate] | None = None
    opening_cm: Annotated[float, Field(ge=1, le=60, allow_inf_nan=False)] | None = None
    post_spacing_cm: Annotated[float, Field(ge=20, le=500, allow_inf_nan=False)] | None = None
    post_diameter_cm: Annotated[float, Field(ge=1, le=30, allow_inf_nan=False)] | None = None
    footing: Ident | None = None
    posts: Ident | None = None
    made: Literal["built", "kit", "standing"] | None = None
    twine: Ident | None = None
    mesh_cm: Measure | None = None
    span_cm: Measure | None = None


class Cover(PlanValue):
    """A cover over some squares, from one day up to another."""

    id: Ident
    kind: Ident
    cells: tuple[Address, ...] | Literal["all"]
    since: PlanDate
    until: PlanDate
    height_cm: Annotated[float, Field(ge=0, le=300, allow_inf_nan=False)] | None = None


class Stay(PlanValue):
    """Another spot where a container stands from one day of every year up to another.

    `under_cover` keeps frost and rain off: a porch, a greenhouse, a light room.
    """

    since: PlanDate
    until: PlanDate
    at_m: PointM | None = None
    heading_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] | None = None
    under_cover: bool | None = None
    load_limit_kg_per_m2: Positive | None = None


class Added(PlanValue):
    """Soft matter on a place: laid on top, dug in, or buried in a trench; `cm` as it is laid,
    `fine` where it was chopped or shredded first."""

    material: Ident
    cm: Annotated[float, Field(gt=0, le=200, allow_inf_nan=False)]
    how: Literal["laid", "dug-in", "trench"]
    on: PlanDate
    fine: bool | None = None


class Breaking(PlanValue):
    """How the ground of a new place is broken: what becomes of its turf, what it is worked with,
    and in how many passes."""

    turf: Ident | None = None
    tool: Ident | None = None
    passes: Annotated[int, Field(ge=1, le=10)] | None = None


class Pattern(PlanValue):
    """Lines laid over a place, and the spots along them that plants stand at: drippers, holes.

    Lines run along the longer side, or `across` it; every other one is shifted by half the
    distance of its spots where they are `staggered`. What is left over is shared by both ends.
    """

    kind: Ident
    lines_apart_cm: Annotated[float, Field(ge=2, le=500, allow_inf_nan=False)]
    spots_apart_cm: Annotated[float, Field(ge=2, le=500, allow_inf_nan=False)]
    across: bool | None = None
    staggered: bool | None = None


class StandsOn(PlanValue):
    """The squares of another place that a place stands on, its soil upon the soil there."""

    place: Ident
    cells: Annotated[tuple[Address, ...], Field(min_length=1)]


class Rest(PlanValue):
    """Squares left without a crop on purpose, from one day up to another, and why."""

    cells: tuple[Address, ...] | Literal["all"]
    since: PlanDate
    until: PlanDate
    reason: Name


class Grew(PlanValue):
    """What grew in an earlier year: in all squares of a place where none are named."""

    year: Annotated[int, Field(ge=1900, le=2200)]
    crops: Annotated[tuple[Ident, ...], Field(min_length=1, max_length=60)]
    cells: tuple[Address, ...] | Literal["all"] = "all"


class Place(PlanValue):
    """What holds soil: a bed or a container; a riser stands on squares of another place.

    A `fitted` grid stretches its squares a little, so that no strip is left at the far edges.
    `layout` and `walls` are the schools that it follows where they are not the garden's. Pots of
    one kind share a `group`. `own_earth_litres` of its fill are dug on the spot.
    Plants stand by the `pattern` of what is laid over it. `probe` names the thermometer in its
    soil, where it has one. `floor` is what carries it, where that is not the ground.
    """

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
    grid: Literal["exact", "fitted"] | None = None
    layout: Layout | None = None
    walls: Walls | None = None
    group: Name | None = None
    own_earth_litres: Annotated[float, Field(ge=0, le=1e6, allow_inf_nan=False)] | None = None
    depth_policy: DepthPolicyName | None = None
    twin_of: Ident | None = None
    probe: Literal["stand-in"] | None = None
    stands_on: StandsOn | None = None
    at_m: PointM | None = None
    heading_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] | None = None
    material: Ident | None = None
    stage: Stage | None = None
    watered_by: Ident | None = None
    pattern: Pattern | None = None
    mulch_cm: Depth | None = None
    added: Annotated[tuple[Added, ...], Field(max_length=10)] = ()
    breaking: Breaking | None = None
    bottom_laid: PlanDate | None = None
    mix: Ident | None = None
    base_cm: Depth | None = None
    empty_kg: Positive | None = None
    floor: Floor | None = None
    load_limit_kg_per_m2: Positive | None = None
    stays: Annotated[tuple[Stay, ...], Field(max_length=12)] = ()
    sun_hours: Annotated[float, Field(ge=0, le=24, allow_inf_nan=False)] | None = None
    held: tuple[Held, ...] = ()
    supports: tuple[Support, ...] = ()
    covers: Annotated[tuple[Cover, ...], Field(max_length=50)] = ()
    rests: Annotated[tuple[Rest, ...], Field(max_length=50)] = ()
    grew: Annotated[tuple[Grew, ...], Field(max_length=60)] = ()

    @property
    def label(self) -> str:
        return self.name or self.id
