"""What one planting comes to, as values that go out as JSON."""

from dataclasses import dataclass
from datetime import date

from ample_rows.core.calendar.season import Season
from ample_rows.core.geometry.lattice import Point
from ample_rows.core.planting.harvest import Factors, Quantiles, WeekKg, YearParts
from ample_rows.core.soil.roots import DepthResult, Verdict
from ample_rows.core.words.message import Text
from ample_rows.core.words.working import Term


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
    how: Text


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
    """What one planting comes to. `by_variety` is empty where all plants are of one type.

    `season` is what the factor of that name is made of; `survival` the share of seasons in which
    frost and cold leave something of it; `year` which parts of the harvest are picked before the
    plan's year, in it and after it: what was picked before is last year's. [0-1]
    """

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
    setting_out: Text
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
    pieces_low: float | None
    pieces_high: float | None
    weekly_kg: tuple[WeekKg, ...]
    year: YearParts
    factors: Factors
    season: Season
    survival: float
    casts_shade: bool
    growth: GrowthReport
    by_variety: tuple[VarietyReport, ...]
    working: tuple[Term, ...]
