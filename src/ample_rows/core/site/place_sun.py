"""Sun on a place: the hours each of its cells gets through the year."""

from dataclasses import dataclass, replace
from datetime import date
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import Pitch, grid_of, grid_over, pitch_of
from ample_rows.core.site.bears import GROWING_MONTHS
from ample_rows.core.site.cell_points import block_points_cm, cell_points_cm
from ample_rows.core.site.frame import on_the_ground
from ample_rows.core.site.shade import hours_of_sun, share_lit
from ample_rows.core.site.stays import (
    Spot,
    spot_of,
    spot_on,
    stay_on,
)
from ample_rows.core.site.sun_path import (
    PARTS,
    Location,
    SunPath,
    sample_days,
    sun_path,
)
from ample_rows.core.site.yard import Yard, yard_of

_DAYS = 365
LEAF_STEP_MINUTES = 12.0
_HIGH = (1, 2)
"""Parts of a day with the sun above ten degrees, which is what a crop's need counts."""

_AFTERNOON = (2, 3)

Floats = NDArray[np.float64]


@dataclass(frozen=True)
class Sky:
    """The sun over one yard: where it is, what stands round it, and the year in question."""

    where: Location
    yard: Yard
    year: int


@dataclass(frozen=True, eq=False)
class Lit:
    """The cells of a place under `high_path`: where each lies in the yard, and the share of
    direct light that obstacles leave it, positions x cells. [m, 0-1]"""

    rows: dict[str, int]
    points_m: Floats
    share: NDArray[np.float32]


@dataclass(frozen=True, eq=False)
class PlaceSun:
    """Direct sun on the cells of one place, on sample days of each month.

    `hours`, `useful_hours`, of them above ten degrees, and `afternoon_hours`, of them after noon,
    are cells x sample days in the order of `addresses`; `open_hours` are the useful ones that an
    open sky gives on those days, `open_afternoon_hours` those after noon.
    """

    addresses: dict[str, int]
    areas_cm2: Floats
    hours: Floats
    useful_hours: Floats
    afternoon_hours: Floats
    open_hours: Floats
    open_afternoon_hours: Floats
    year: int

    def monthly(self) -> tuple[float, ...]:
        """Mean daily hours of each month over the whole place, January first. [hours]"""
        return self._by_month(self.hours)

    def afternoons(self) -> tuple[float, ...]:
        """Of those the hours after noon. [hours]"""
        return self._by_month(self.afternoon_hours)

    def _by_month(self, hours: Floats) -> tuple[float, ...]:
        days = self.areas_cm2 @ hours / self.areas_cm2.sum()
        return tuple(float(x) for x in days.reshape(12, -1).mean(axis=1))

    def halves_of(self, cells: tuple[str, ...]) -> tuple[float, float]:
        """Mean daily hours over some cells before noon and after, in the six sunniest months of
        the place. [hours]"""
        best = np.argsort(self.monthly())[-GROWING_MONTHS:]
        month = np.arange(self.hours.shape[1]) // (self.hours.shape[1] // 12)
        days = np.isin(month, best)
        whole = self._over(cells, self.hours[:, days].mean(axis=1))
        after = self._over(cells, self.afternoon_hours[:, days].mean(axis=1))
        return whole - after, after

    def afternoon_taken(self, cells: tuple[str, ...], start: date, end: date) -> float:
        """The share of an open sky's afternoon sun that the yard keeps from some cells from a day
        up to another. [0-1]"""
        days = _weights(start, end, self.year)
        there = float(days @ self.open_afternoon_hours)
        if there <= 0:
            return 0.0
        return max(0.0, 1 - self._over(cells, self.afternoon_hours @ days) / there)

    def mean_between(self, cells: tuple[str, ...], start: date, end: date) -> float:
        """Mean daily hours over some cells from a day up to another; no cells mean all. [hours]"""
        return self._over(cells, self.hours @ _weights(start, end, self.year))

    def useful_between(self, cells: tuple[str, ...], start: date, end: date) -> float:
        """`mean_between` of the sun above ten degrees, days counting by what they could give.

        A crop grows when days are long: dark weeks that any open ground has in winter, when it
        only stands, are no shade. [hours]
        """
        return self._over(cells, self.useful_hours @ self._growing_days(start, end))

    def lost_between(self, daily: Floats, start: date, end: date) -> tuple[float, float]:
        """Hours lost on sample days as `mean_between` and as `useful_between` count them."""
        plain = daily @ _weights(start, end, self.year)
        return float(plain), float(daily @ self._growing_days(start, end))

    def _growing_days(self, start: date, end: date) -> Floats:
        """How much each sample day counts where days count by what they could give."""
        days = _weights(start, end, self.year)
        weights = days * self.open_hours
        total = weights.sum()
        return weights / total if total > 0 else days

    def _over(self, cells: tuple[str, ...], each: Floats) -> float:
        """Mean over cells by their ground."""
        return float(_ground_of(self, cells) @ each)


def sky_of(plan: p.Plan, year: int, book: Book) -> Sky | None:
    """The sky over a plan's yard; None where no yard is described."""
    return None if plan.site is None else sky_over(plan.garden, plan.site, year, book)


def sky_over(garden: p.Garden, site: p.Site, year: int, book: Book) -> Sky:
    """The sky over a site at a garden's latitude."""
    where = Location(garden.latitude, garden.longitude, garden.elevation_m or 0.0)
    return Sky(where, yard_of(site, garden.latitude, book), year)


def place_sun(place: p.Place, sky: Sky | None) -> PlaceSun | None:
    """The sun on a place through the year; None where its spot or its yard is not known."""
    spot = spot_of(place, None)
    if sky is None or spot is None:
        return None
    found = _sun_at(place, spot, sky)
    days = sample_days(sky.year)
    for stay in place.stays:
        there = spot_of(place, stay)
        if there is not None:
            held = np.array([stay_on(place, day) is stay for day in days])
            found = _joined(found, _sun_at(place, there, sky), held)
    return found


def _sun_at(place: p.Place, spot: Spot, sky: Sky) -> PlaceSun:
    lying = _Spot(spot.at_m, spot.heading_deg, shapes.fill_cm(place))
    return _sun_on(place.shape, pitch_of(place), lying, sky)


def _joined(here: PlaceSun, there: PlaceSun, held: NDArray[np.bool_]) -> PlaceSun:
    """The sun at one spot, but on some sample days at another."""
    return replace(
        here,
        hours=np.where(held, there.hours, here.hours),
        useful_hours=np.where(held, there.useful_hours, here.useful_hours),
        afternoon_hours=np.where(held, there.afternoon_hours, here.afternoon_hours),
    )


@dataclass(frozen=True)
class _Spot:
    at_m: p.PointM
    heading_deg: float
    soil_cm: float


@lru_cache(maxsize=1024)
def _sun_on(shape: p.Shape, pitch: Pitch, spot: _Spot, sky: Sky) -> PlaceSun:
    grid = grid_over(shape, pitch)
    points, block_of = block_points_cm(grid)
    path = sun_path(sky.where, sample_days(sky.year))
    yard_m = on_the_ground(shape, spot.at_m, spot.heading_deg, points)
    parts = hours_of_sun(yard_m, np.full(len(yard_m), spot.soil_cm / 100), sky.yard, path)
    return PlaceSun(
        addresses={address: row for row, address in enumerate(grid.cells)},
        areas_cm2=np.array([cell.area_cm2 for cell in grid.cells.values()]),
        hours=parts.sum(axis=2, dtype=np.float64)[block_of],
        useful_hours=parts[:, :, _HIGH].sum(axis=2, dtype=np.float64)[block_of],
        afternoon_hours=parts[:, :, _AFTERNOON].sum(axis=2, dtype=np.float64)[block_of],
        open_hours=_open_hours(path, _HIGH),
        open_afternoon_hours=_open_hours(path, _AFTERNOON),
        year=sky.year,
    )


def _open_hours(path: SunPath, which: tuple[int, ...]) -> Floats:
    """What an open sky gives on each sample day in some parts of it. [hours]"""
    parts = np.bincount(path.segment, minlength=len(path.days) * PARTS).reshape(-1, PARTS)
    hours: Floats = parts[:, which].sum(axis=1) * path.step_hours
    return hours


@lru_cache(maxsize=256)
def lit_on(shape: p.Shape, pitch: Pitch, spot: Spot, soil_cm: float, sky: Sky) -> Lit:
    """What the yard lets through to each cell at each useful sun position of the sample days."""
    grid = grid_over(shape, pitch)
    points, block_of = block_points_cm(grid)
    yard_m = on_the_ground(shape, spot.at_m, spot.heading_deg, points)
    path = high_path(sky)
    share = share_lit(yard_m, np.full(len(yard_m), soil_cm / 100), sky.yard, path)
    return Lit(
        {address: row for row, address in enumerate(grid.cells)},
        yard_m[block_of],
        share[:, block_of],
    )


@lru_cache(maxsize=8)
def high_path(sky: Sky) -> SunPath:
    """The sun above ten degrees on the sample days, in steps long enough for leaves."""
    whole = sun_path(sky.where, sample_days(sky.year), LEAF_STEP_MINUTES)
    high = np.isin(whole.segment % PARTS, _HIGH)
    return replace(
        whole,
        azimuth_deg=whole.azimuth_deg[high],
        elevation_deg=whole.elevation_deg[high],
        segment=whole.segment[high],
    )


def mean_by_area(place: p.Place, cells: dict[str, float]) -> float:
    """Mean hours over cells, each by its ground. [hours]"""
    areas = [grid_of(place).cells[address].area_cm2 for address in cells]
    return float(np.average(list(cells.values()), weights=areas))


def hours_on_day(place: p.Place, sky: Sky, path: SunPath) -> dict[str, float]:
    """Direct sun on each cell over the first day of a path; empty without a spot. [hours]"""
    spot = spot_on(place, path.days[0])
    if spot is None:
        return {}
    grid = grid_of(place)
    spots = on_the_ground(place.shape, spot.at_m, spot.heading_deg, cell_points_cm(grid))
    soil = np.full(len(spots), shapes.fill_cm(place) / 100)
    hours = hours_of_sun(spots, soil, sky.yard, path)[:, 0].sum(axis=1)
    return {address: float(h) for address, h in zip(grid.cells, hours, strict=True)}


@lru_cache(maxsize=2048)
def _weights(start: date, end: date, year: int) -> Floats:
    """How much each sample day counts in the mean from a day up to another."""
    first = (start - date(year, 1, 1)).days % _DAYS
    count = max(1, min(_DAYS, (end - start).days))
    summed = _summed_weights(year)
    weights: Floats = (summed[first + count] - summed[first]) / count
    return weights


@lru_cache(maxsize=8)
def _summed_weights(year: int) -> Floats:
    """How much each sample day counts, between those beside a day, added up over two years by the
    morning of each."""
    samples = [(day - date(year, 1, 1)).days for day in sample_days(year)]
    days = np.arange(_DAYS)
    each = [np.interp(days, samples, row, period=_DAYS) for row in np.eye(len(samples))]
    daily = np.tile(np.stack(each, axis=1), (2, 1))
    summed: Floats = np.vstack([np.zeros(len(samples)), np.cumsum(daily, axis=0)])
    return summed


@lru_cache(maxsize=512)
def _ground_of(sun: PlaceSun, cells: tuple[str, ...]) -> Floats:
    """How much each cell of a place counts in a mean over some by their ground; no cells mean
    all."""
    rows = [sun.addresses[address] for address in cells] or list(sun.addresses.values())
    counts = np.zeros(len(sun.areas_cm2))
    np.add.at(counts, rows, sun.areas_cm2[rows])
    ground: Floats = counts / counts.sum()
    return ground
