"""The report: what a plan gives, as values that go out as JSON."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from typing import Literal

from ample_rows.core.notes.note import Note
from ample_rows.core.place.report import OrderReport, PlaceReport, TankReport
from ample_rows.core.planting.harvest import Quantiles, WeekKg
from ample_rows.core.planting.report import PlantingReport


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
    """One evaluated plan. `year.day_hours` and the noon sun are weekly from the year's start;
    `measures` is what a handful, a scoop, a can, a bucket and a barrow hold here. [L]"""

    format: Literal["ample-rows/report"]
    version: Literal[1]
    program: str
    crop_book: str
    seed: int
    seasons: int
    year: YearReport
    measures: Mapping[str, float]
    places: tuple[PlaceReport, ...]
    plantings: tuple[PlantingReport, ...]
    totals: Totals
    notes: tuple[Note, ...]
