"""The garden as a whole: where it lies, its frosts and climate, its schools, its household."""

from typing import Annotated, Literal

from pydantic import AfterValidator, Field

from ample_rows.core.plan.own import OwnFactors
from ample_rows.core.plan.values import (
    ByCrop,
    DepthPolicyName,
    Ident,
    Layout,
    Litres,
    Measure,
    Month,
    Name,
    Normal,
    PlanDate,
    PlanValue,
    Positive,
    Rain,
    SquareCount,
    Walls,
    Weekday,
    WorkerName,
)


class Climate(PlanValue):
    """Monthly normals, January first. [deg C, deg C, mm, kPa, m/s at 2 m, hours a day]"""

    tmin_c: Annotated[tuple[Normal, ...], Field(min_length=12, max_length=12)] | None = None
    tmax_c: Annotated[tuple[Normal, ...], Field(min_length=12, max_length=12)] | None = None
    rain_mm: Annotated[tuple[Rain, ...], Field(min_length=12, max_length=12)] | None = None
    vapour_kpa: Annotated[tuple[Positive, ...], Field(min_length=12, max_length=12)] | None = None
    wind_m_per_s: Annotated[tuple[Positive, ...], Field(min_length=12, max_length=12)] | None = None
    sunshine_hours: Annotated[tuple[Positive, ...], Field(min_length=12, max_length=12)] | None = (
        None
    )


class Policies(PlanValue):
    depth: DepthPolicyName | None = None
    layout: Layout | None = None
    time: Literal["calendar", "thermal"] | None = None
    walls: Walls | None = None


class Want(PlanValue):
    """What the household eats of a crop in a year, by weight or by pieces, and when and how.

    `months` are those in which it is eaten, all where none are named; `keep` is the way in which
    what is not eaten fresh is kept, for `keep_weeks` where they are not the usual ones.
    `in_store_kg` of last year's lies in store as the plan's year begins, good until a day; as
    long as it keeps where none is named.
    """

    crop: Ident
    kg_per_year: Positive | None = None
    pieces_per_year: Positive | None = None
    months: Annotated[tuple[Month, ...], Field(max_length=12)] = ()
    keep: Ident | None = None
    keep_weeks: Annotated[float, Field(gt=0, le=104, allow_inf_nan=False)] | None = None
    in_store_kg: Positive | None = None
    in_store_until: PlanDate | None = None


class CropPrice(PlanValue):
    """What a crop costs at the shop, in whatever money is used here."""

    crop: Ident
    per_kg: Positive


class Away(PlanValue):
    """Days on which nobody is in the garden: from a day up to another."""

    since: PlanDate
    until: PlanDate


class Household(PlanValue):
    """Who eats, and who works: `arm_cm` is the shortest arm's own easy reach.

    `hours_per_week` is the time that there is for the garden; `visits` the days of the week on
    which someone comes there, where it lies away from home. `worth` of a crop is what a kilogram
    counts for, against one of carrots; `likes` are the kinds of food that it likes.
    """

    people: Positive | None = None
    hours_per_week: Annotated[float, Field(gt=0, le=168, allow_inf_nan=False)] | None = None
    visits: Annotated[tuple[Weekday, ...], Field(max_length=7)] = ()
    away: Annotated[tuple[Away, ...], Field(max_length=30)] = ()
    prices: Annotated[tuple[CropPrice, ...], Field(max_length=300)] = ()
    workers: tuple[WorkerName, ...] = ()
    arm_cm: Measure | None = None
    wants: tuple[Want, ...] = ()
    worth: Annotated[dict[Ident, Positive], AfterValidator(ByCrop)] | None = None
    likes: Annotated[tuple[Name, ...], Field(max_length=20)] | None = None


class Fill(PlanValue):
    """What a filled garden is to hold: crops that `must` be in and that `never` may, how many
    `kinds` at most, whether supports may be added, which part of the eaten is to be fresh, and
    what may be spent. [kinds, 0-1, money]"""

    must: Annotated[tuple[Ident, ...], Field(max_length=100)] = ()
    never: Annotated[tuple[Ident, ...], Field(max_length=300)] = ()
    kinds: Annotated[int, Field(ge=1, le=300)] | None = None
    supports: bool | None = None
    fresh_share: Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)] | None = None
    spend: Positive | None = None


class LikelyEnd(PlanValue):
    """The day of the year about which a crop usually ends here, by a trouble where it is known.

    What `spares_young` takes old plants and leaves young ones; where it is not said, as the
    trouble is known to.
    """

    crop: Ident
    on: PlanDate
    trouble: Ident | None = None
    spares_young: bool | None = None


class OwnMeasures(PlanValue):
    """What the grower's own measures hold, each filled once and poured out again. [L]"""

    handful: Litres | None = None
    scoop: Litres | None = None
    can: Litres | None = None
    bucket: Litres | None = None
    barrow: Litres | None = None


class Garden(PlanValue):
    """Where the garden lies, its frosts, and the schools it follows.

    `per_square` are its own counts for a square of 30 cm, by crop, where they are not the book's.
    `units` and `words` are those in which the grower reads and types. `winter_low_c` is the
    coldest night of a usual winter, `zone` a growing zone as the grower names it. `measures` are
    the grower's own handful, scoop, can, bucket and barrow; `own` what was learnt and accepted of
    how much more or less comes here.
    """

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
    units: Literal["metric", "imperial"] | None = None
    words: Literal["en-GB", "en-US"] | None = None
    per_square: Annotated[dict[Ident, SquareCount], AfterValidator(ByCrop)] | None = None
    winter_low_c: Normal | None = None
    zone: Name | None = None
    measures: OwnMeasures | None = None
    policies: Policies = Policies()
    likely_ends: Annotated[tuple[LikelyEnd, ...], Field(max_length=60)] = ()
    household: Household | None = None
    fill: Fill | None = None
    own: OwnFactors | None = None
