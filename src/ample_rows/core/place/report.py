"""What one place comes to, as values that go out as JSON."""

from dataclasses import dataclass
from datetime import date

from ample_rows.core.geometry.cells import Pitch
from ample_rows.core.geometry.laid_lines import Run
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.site.reach import Reach
from ample_rows.core.soil.feed import Feed
from ample_rows.core.soil.fill import Layer
from ample_rows.core.soil.getting_ready import PrepJob
from ample_rows.core.soil.order import Loads, Option
from ample_rows.core.soil.soft import SoftLayer
from ample_rows.core.soil.weight import Weight
from ample_rows.core.water.lines import WaterLines
from ample_rows.core.water.ways import Way
from ample_rows.core.words.message import Text
from ample_rows.core.words.working import Term


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
    line_cm: tuple[Point, ...]
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
class LaidReport:
    """What is laid over a place: its lines from end to end, and the spots to plant at. [cm]"""

    label: str
    lines_cm: tuple[Run, ...]
    spots_cm: tuple[Point, ...]


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
    sunniest, of that what comes before and after noon, and what it bears. [hours]"""

    hours: tuple[float, ...]
    best_months_hours: float
    morning: float
    afternoon: float
    bears: Text


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
    `held_litres` what the soil gives between two waterings,
    `ways` bring a dry week's water in the thirstiest month. [L/week, L/week, days, cm, L]"""

    litres_per_week: tuple[float, ...]
    dry_litres_per_week: tuple[float, ...]
    days_between: tuple[float | None, ...]
    dry_cans_per_week: tuple[float, ...]
    wets_cm: float
    held_litres: float
    lines: WaterLines
    ways: tuple[Way, ...]
    how: Text


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
    pitch_cm: Pitch
    cells: tuple[CellReport, ...]
    supports: tuple[SupportReport, ...]
    covers: tuple[CoverReport, ...]
    laid: LaidReport | None
    plants: int
    idle_cell_weeks: float
    rested_cell_weeks: float
    idle: tuple[IdleSpell, ...]
    rests: tuple[RestSpell, ...]
    cells_usable: int
    standing: tuple[Standing, ...]
    harvest_kg: Quantiles
    sun: SunReport | None
    sun_hours: float | None
    reach: Reach
    ground: GroundReport
    soil: SoilReport
    weight: Weight
    water: WaterReport | None
    feed: Feed
    jobs: tuple[PrepJob, ...]
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
    """What several places take together, mix by mix, the largest first, and weigh soaked; and
    what can hurt in the mixes. [L, kg]"""

    litres: float
    kg_wet: float
    mixes: tuple[MixOrder, ...]
    cautions: tuple[str, ...]
