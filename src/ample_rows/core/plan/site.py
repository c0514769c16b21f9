"""The ground a garden lies on."""

from typing import Annotated

from pydantic import AfterValidator, Field

from ample_rows.core.plan.obstacle import Obstacle, all_known
from ample_rows.core.plan.values import (
    HorizonAngle,
    Ident,
    Measure,
    Name,
    PathUse,
    PlanValue,
    PointM,
    Positive,
    SunLevel,
)


class Tap(PlanValue):
    """Running water, with the hose that hangs on it."""

    at_m: PointM
    name: Name | None = None
    hose_m: Positive | None = None
    flow_l_per_min: Positive | None = None


class Tank(PlanValue):
    """A butt or tank, and the roof that fills it."""

    at_m: PointM
    name: Name | None = None
    litres: Positive
    roof_m2: Positive | None = None


class Path(PlanValue):
    """Ground kept free for walking: a line with a width, for feet, a barrow or a chair, covered
    with a material so deep; as deep as it is usually laid where that is left out."""

    name: Name | None = None
    line_m: Annotated[tuple[PointM, ...], Field(min_length=2, max_length=1_000)]
    width_cm: Measure
    use: PathUse | None = None
    covering: Ident | None = None
    covering_cm: Annotated[float, Field(gt=0, le=100, allow_inf_nan=False)] | None = None


class SunSeen(PlanValue):
    """A rectangle of the yard, from its least corner, with as much sun as was seen there."""

    at_m: PointM
    width_m: Annotated[float, Field(gt=0, le=1_000, allow_inf_nan=False)]
    length_m: Annotated[float, Field(gt=0, le=1_000, allow_inf_nan=False)]
    sun: SunLevel


class Slope(PlanValue):
    """An even fall: so many metres down in a hundred, towards `downhill_deg` clockwise from +y."""

    fall_percent: Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]
    downhill_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)]


class Site(PlanValue):
    """The yard. `horizon_deg`: height of the hills all round, evenly from north, clockwise;
    `wind_from_deg`: where the strongest wind comes from, clockwise from true north, and
    `design_wind_m_s` how fast a gust of it is reckoned with, from the local code. `sun_seen` is
    painted where nothing that casts shade is drawn; where two lie over each other, the later."""

    outline_m: Annotated[tuple[PointM, ...], Field(min_length=3, max_length=10_000)] | None = None
    north_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] | None = None
    slope: Slope | None = None
    horizon_deg: Annotated[tuple[HorizonAngle, ...], Field(min_length=4, max_length=360)] | None = (
        None
    )
    obstacles: Annotated[
        tuple[Obstacle, ...], Field(max_length=500), AfterValidator(all_known)
    ] = ()
    paths: tuple[Path, ...] = ()
    taps: tuple[Tap, ...] = ()
    tanks: tuple[Tank, ...] = ()
    door_m: PointM | None = None
    wind_from_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] | None = None
    design_wind_m_s: Annotated[float, Field(gt=0, le=80, allow_inf_nan=False)] | None = None
    sun_seen: Annotated[tuple[SunSeen, ...], Field(max_length=200)] = ()
    animals: Annotated[tuple[Ident, ...], Field(max_length=20)] = ()
