"""The report: what a plan gives, as values that go out as JSON."""

from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample_rows.core.edits import Edit
from ample_rows.core.ground.reach import Reach
from ample_rows.core.harvest import Factors, Quantiles, WeekKg
from ample_rows.core.lattice import Point
from ample_rows.core.roots import DepthResult, Verdict
from ample_rows.core.soil.feed import Feed
from ample_rows.core.soil.fill import Layer
from ample_rows.core.soil.jobs import PrepJob
from ample_rows.core.soil.order import Loads, Option
from ample_rows.core.soil.soft import SoftLayer
from ample_rows.core.soil.weight import Weight
from ample_rows.core.water.lines import WaterLines
from ample_rows.core.water.ways import Way
from ample_rows.core.working import Term

Level = Literal["stop", "care", "tip"]


@dataclass(frozen=True, slots=True)
class Fix:
    """Something to press: words, and the edit that it makes."""

    label: str
    edit: Edit


@dataclass(frozen=True, slots=True)
class Note:
    """A margin note: a fault, a caution or a tip, with its cause and what would mend it."""

    level: Level
    code: str
    place: str | None
    planting: str | None
    text: str
    fix: str | None
    fixes: tuple[Fix, ...] = ()
    cells: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class CellReport:
    address: str
    area_m2: float
    whole: bool
    held: str | None


@dataclass(frozen=True, slots=True)
class SupportReport:
    """Where a support stands, in the place's frame. [cm]"""

    id: str
    system: str
    label: str
    line_cm: tuple[Point, Point]
    facing_deg: float
    height_cm: float
    footprint_cm: float
    posts: int
    post_length_cm: float
    caution: str | None


@dataclass(frozen=True, slots=True)
class CoverReport:
    """A cover over some squares, from a day up to another."""

    id: str
    label: str
    cells: tuple[str, ...]
    since: date
    until: date


@dataclass(frozen=True, slots=True)
class IdleSpell:
    """Cells that stand empty together through growing weather, from a day up to another."""

    cells: tuple[str, ...]
    start: date
    end: date
    cell_weeks: float


@dataclass(frozen=True, slots=True)
class RestSpell:
    """Cells that are left without a crop on purpose, from a day up to another, and why."""

    cells: tuple[str, ...]
    since: date
    until: date
    reason: str


@dataclass(frozen=True, slots=True)
class Standing:
    """What stands in a place from a day until the next entry."""

    start: date
    cells_taken: int
    plants: int


@dataclass(frozen=True, slots=True)
class DepthLayers:
    fill_cm: float
    loosened_cm: float
    native_cm: float


@dataclass(frozen=True, slots=True)
class SunReport:
    """Mean daily direct sun on a place in each month, January first, the mean of its six
    sunniest, and what it bears. [hours]"""

    hours: tuple[float, ...]
    best_months_hours: float
    bears: str


@dataclass(frozen=True, slots=True)
class SpotReport:
    """Another spot of a container: from one day of every year up to another. [m]

    `outer_m` is its outline there; water and sight are as in `GroundReport`.
    """

    since: date
    until: date
    outer_m: tuple[Point, ...]
    water: str | None
    water_m: float | None
    hose_m: float | None
    in_sight: bool | None


@dataclass(frozen=True, slots=True)
class GroundReport:
    """Where a place lies in the yard: paths, water, the door, the fall. Unknown is null.

    `outside_cm` is its width and length with walls, `outer_m` its outline with them and
    `inner_m` the rings round its soil, in yard metres; `beyond_m` outlines the squares that
    nobody reaches.
    """

    path_cm: float | None
    path_beside: str | None
    water: str | None
    water_m: float | None
    hose_m: float | None
    door_m: float | None
    in_sight: bool | None
    fall_width_cm: float
    fall_length_cm: float
    outside_cm: tuple[float, float]
    outer_m: tuple[Point, ...]
    inner_m: tuple[tuple[Point, ...], ...]
    beyond_m: tuple[tuple[Point, ...], ...]
    spots: tuple[SpotReport, ...]


@dataclass(frozen=True, slots=True)
class SoilReport:
    """A place's fill and what it takes to pour it. [L]"""

    mix: str
    label: str
    settling: float
    fill_litres: float
    order_litres: float
    layers: tuple[Layer, ...]
    recipe_litres: dict[str, float]
    options: tuple[Option, ...]
    top_up_litres: float
    soft: tuple[SoftLayer, ...]
    working: tuple[Term, ...]


@dataclass(frozen=True, slots=True)
class WaterReport:
    """What a place wants of water by month, January first; in a dry week rain brings nothing.
    Days are null where rain is enough. `wets_cm` is how deep ten litres on a square metre go,
    `ways` bring a dry week's water in the thirstiest month. [L/week, L/week, days, cm]"""

    litres_per_week: tuple[float, ...]
    dry_litres_per_week: tuple[float, ...]
    days_between: tuple[float | None, ...]
    dry_cans_per_week: tuple[float, ...]
    wets_cm: float
    lines: WaterLines
    ways: tuple[Way, ...]
    how: str


@dataclass(frozen=True, slots=True)
class TankReport:
    """A butt through the year for the places nearest to it, the soonest dry ones first.
    By month, January first, and over the year. [L]"""

    name: str
    litres: float
    places: tuple[str, ...]
    caught: tuple[float, ...]
    used: tuple[float, ...]
    short: tuple[float, ...]
    caught_a_year: float
    used_a_year: float
    short_a_year: float
    weeks_dry: float


@dataclass(frozen=True, slots=True)
class PlaceReport:
    id: str
    inside_area_m2: float
    soil_litres: float
    usable_depth_cm: float
    layers: DepthLayers
    depth_policy: str
    bounds_cm: tuple[float, float, float, float]
    outline_cm: tuple[Point, ...]
    wall_cm: float
    rim_gap_cm: float
    bottom: str
    heading_deg: float
    cell_cm: float
    cells: tuple[CellReport, ...]
    supports: tuple[SupportReport, ...]
    covers: tuple[CoverReport, ...]
    plants: int
    idle_cell_weeks: float
    rested_cell_weeks: float
    idle: tuple[IdleSpell, ...]
    rests: tuple[RestSpell, ...]
    cells_usable: int
    standing: tuple[Standing, ...]
    harvest_kg: Quantiles
    sun: SunReport | None
    reach: Reach
    ground: GroundReport
    soil: SoilReport
    weight: Weight
    water: WaterReport | None
    feed: Feed
    jobs: tuple[PrepJob, ...]
    working: tuple[Term, ...]


@dataclass(frozen=True, slots=True)
class DepthReport:
    verdict: Verdict
    factor: float
    usable_cm: float
    least_cm: float
    full_cm: float
    litres_per_plant: float | None
    governed_by: str

    @classmethod
    def of(cls, depth: DepthResult) -> "DepthReport":
        return cls(
            depth.verdict,
            depth.factor,
            depth.usable_cm,
            depth.least_cm,
            depth.full_cm,
            depth.litres_per_plant,
            depth.governed_by,
        )


@dataclass(frozen=True, slots=True)
class LightReport:
    """Mean daily sun from start to clearing, and the useful part that its need is met by:
    the sun above ten degrees, long days counting most. `lost_to_neighbours` of it stay behind
    supports and tall crops, most behind `behind`. [hours]"""

    hours: float | None
    useful_hours: float | None
    factor: float
    lost_to_neighbours: float
    behind: str


@dataclass(frozen=True, slots=True)
class WindowReport:
    earliest: date
    latest: date
    how: str


@dataclass(frozen=True, slots=True)
class GrowthReport:
    """Size through time, sampled at even steps from the start. [cm, share 0-1]"""

    start: date
    step_days: int
    canopy_cm: tuple[float, ...]
    height_cm: tuple[float, ...]
    root_cm: tuple[float, ...]
    standing: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class VarietyReport:
    """Some plants of a planting that are of one variety type; plants count from 1 as set out."""

    variety: str
    name: str
    mark: str
    first_plant: int
    plants: int
    seeds_to_sow: int
    sets_to_plant: int
    first_pick: date | None
    last_pick: date | None
    harvest_kg: Quantiles


@dataclass(frozen=True, slots=True)
class PlantingReport:
    """What one planting comes to. `by_variety` is empty where all plants are of one type."""

    id: str
    place: str
    crop: str
    name: str
    mark: str
    family: str
    plants: int
    positions_cm: tuple[Point, ...]
    stand_expected: float
    spacing_cm: float
    layout: str
    between: str | None
    setting_out: str
    seeds_to_sow: int
    sets_to_plant: int
    sow_indoors: date | None
    sowing_depth_cm: float | None
    soil_c: float | None
    comes_up_days: float | None
    buried_stem_cm: float | None
    edible_root_cm: float | None
    before_sowing: str | None
    cells: tuple[str, ...]
    depth: DepthReport
    light: LightReport
    training: str | None
    window: WindowReport
    start_date: date
    first_pick: date | None
    last_pick: date | None
    clear_date: date | None
    harvest_kg: Quantiles
    kg_per_plant: float
    pieces: float | None
    weekly_kg: tuple[WeekKg, ...]
    factors: Factors
    casts_shade: bool
    growth: GrowthReport
    by_variety: tuple[VarietyReport, ...]
    working: tuple[Term, ...]


@dataclass(frozen=True, slots=True)
class MixOrder:
    """One mix for all places that take it, summed first and rounded once. [L]"""

    mix: str
    label: str
    litres: float
    barrows: int
    buckets: int
    recipe_litres: dict[str, float]
    options: tuple[Option, ...]
    fetched: Loads | None


@dataclass(frozen=True, slots=True)
class OrderReport:
    """What several places take together, mix by mix, the largest first, and weigh soaked.
    [L, kg]"""

    litres: float
    kg_wet: float
    mixes: tuple[MixOrder, ...]


@dataclass(frozen=True, slots=True)
class Totals:
    places: int
    plants: int
    inside_area_m2: float
    soil_litres: float
    order: OrderReport
    kg_wet: float
    water_litres_per_week: tuple[float, ...] | None
    tanks: tuple[TankReport, ...]
    idle_cell_weeks: float
    rested_cell_weeks: float
    harvest_kg: Quantiles
    weekly_kg: tuple[WeekKg, ...]


@dataclass(frozen=True, slots=True)
class YearReport:
    """The season ruler's own figures."""

    start: date
    end: date
    last_frost: date
    first_frost: date
    spread_days: float
    guessed: tuple[str, ...]
    day_hours: tuple[float, ...]
    noon_altitude_deg: tuple[float, ...]
    noon_azimuth_deg: tuple[float, ...]


@dataclass(frozen=True, slots=True)
class Report:
    """One evaluated plan. `year.day_hours` and the noon sun are weekly from the year's start."""

    format: Literal["ample-rows/report"]
    version: Literal[1]
    program: str
    crop_book: str
    seed: int
    seasons: int
    year: YearReport
    places: tuple[PlaceReport, ...]
    plantings: tuple[PlantingReport, ...]
    totals: Totals
    notes: tuple[Note, ...]
