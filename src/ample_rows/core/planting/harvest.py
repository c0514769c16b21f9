"""Harvest: stand x yield x factors, and its range over two thousand seasons.

Low and high of the crop book are the 10th and 90th percentile of the mean per plant
over gardens and years. Their log-variance is split between season, crop and planting;
draws are keyed by the garden's seed and an id, never by content, so that an edit is
compared on the same seasons.
"""

import hashlib
import math
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache
from statistics import NormalDist

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Book, Crop, Range3
from ample_rows.core.calendar.dates import Dates, picking_curve
from ample_rows.core.planting.bad_years import Risk

Draws = NDArray[np.float64]
_WEEK = timedelta(days=7)
_Z90 = NormalDist().inv_cdf(0.9)


@dataclass(frozen=True, slots=True)
class Quantiles:
    """Low, likely and high of a harvest. [kg]"""

    p10: float
    p50: float
    p90: float


@dataclass(frozen=True, slots=True)
class WeekKg:
    """Kilograms picked in the week that begins on a Monday; splits the median."""

    week: date
    kg: float


@dataclass(frozen=True, slots=True)
class Factors:
    """What moves the estimate away from the book's yield; 1 leaves it alone."""

    density: float
    depth: float
    light: float
    season: float
    training: float
    own: float

    @property
    def product(self) -> float:
        return self.product_in(self.season)

    def product_in(self, season: float) -> float:
        """The product with another factor of the season."""
        return self.density * self.depth * self.light * season * self.training * self.own


def weight_in_plants(
    stand: float, factors: Factors, season: float, *, for_seed: bool | None
) -> float:
    """What a planting weighs in plants of the book's yield; what is left for seed gives none."""
    return 0.0 if for_seed else stand * factors.product_in(season)


def density_factor(*, stand_density: float, reference_density: float, crowding: float) -> float:
    """Reciprocal law of yield and density (Shinozaki and Kira 1956), per plant.

    Args:
        stand_density, reference_density: Plants per area or per metre, in the same unit.
        crowding: Share of a lone plant's yield lost at reference. [0-1]
    """
    return 1 / ((1 - crowding) + crowding * stand_density / reference_density)


def light_factor(crop: Crop, hours: float | None) -> float:
    """1 at full sun, linear to the crop's factor at least sun, then to 0 in the dark."""
    if hours is None or hours >= crop.full_sun_hours:
        return 1.0
    least = crop.least_sun_hours
    if hours >= least:
        gain = (1 - crop.least_sun_factor) * (hours - least) / (crop.full_sun_hours - least)
        return crop.least_sun_factor + gain
    return crop.least_sun_factor * hours / least


def hours_of_light(crop: Crop, factor: float) -> float:
    """The hours of useful sun at which a crop's light factor is so much, below full sun. [h]"""
    least = crop.least_sun_hours
    if factor >= crop.least_sun_factor:
        gain = (factor - crop.least_sun_factor) / (1 - crop.least_sun_factor)
        return least + gain * (crop.full_sun_hours - least)
    return least * factor / crop.least_sun_factor


def expected_stand(crop: Crop, plants: int, start: str, per_station: int) -> float:
    """Plants that live to be picked: gaps where nothing came up, and later losses."""
    if start != "sow" or crop.seeds_per_station is None:
        return plants * crop.survival
    # Sown thick enough, a station fails only if every seed in it does.
    seeds = max(crop.seeds_per_station, per_station)
    gap = math.pow(1 - crop.emergence, seeds / per_station)
    return plants * (1 - gap) * crop.survival


@lru_cache(maxsize=8)
def _stratified(count: int) -> Draws:
    normal = NormalDist()
    return np.array([normal.inv_cdf((i + 0.5) / count) for i in range(count)])


@lru_cache(maxsize=1024)
def stream(seed: int, key: str, count: int) -> Draws:
    """One source of chance: stratified standard normals in an order of its own for each key."""
    digest = hashlib.sha256(f"{seed}/{key}".encode()).digest()
    rng = np.random.Generator(np.random.PCG64(int.from_bytes(digest[:16], "big")))
    return rng.permutation(_stratified(count))


@lru_cache(maxsize=512)
def luck(seed: int, key: str, plants: int, chance: float, count: int) -> Draws:
    """The share of some plants that live in each season, drawn plant by plant. [0-1]"""
    digest = hashlib.sha256(f"{seed}/{key}".encode()).digest()
    rng = np.random.Generator(np.random.PCG64(int.from_bytes(digest[:16], "big")))
    return rng.binomial(plants, chance, count) / plants


@dataclass(frozen=True, slots=True)
class Lot:
    """All plants of a crop in a place in a season: they have one luck together, and the fewer
    they are the more it swings; the less, the more of it the garden's record has made `known`.
    [0-1]"""

    seed: int
    crop: str
    place: str
    plants: int
    risks: tuple[Risk, ...] = ()
    known: float = 0.0

    @property
    def as_usual(self) -> bool:
        """Whether its bad years are those of an average gardener, which the book's low holds."""
        return all(risk.chance == risk.usual for risk in self.risks)


_SHARES = (0.1, 0.5, 0.9)
_SWING_PLANTS, _SWING_MOST = 10.0, 3.0
_FAR_BELOW = 100.0
_Z = NormalDist()


def swing(plants: int) -> float:
    """Variance of a lot's own luck against that of ten plants: half for very many, at most three
    times for one."""
    return min(_SWING_MOST, (1 + _SWING_PLANTS / max(1, plants)) / 2)


@lru_cache(maxsize=1024)
def _mixed(lot: Lot, book: Book) -> Draws:
    """A lot's standing in each season: its shared streams summed."""
    count = int(book.value("seasons"))
    own = book.value("variance_share_planting") * swing(lot.plants)
    of_place = f"{lot.crop}/{lot.place}"
    mixed = (
        math.sqrt(book.value("variance_share_season")) * stream(lot.seed, "season", count)
        + math.sqrt(book.value("variance_share_crop")) * stream(lot.seed, f"crop/{lot.crop}", count)
        + math.sqrt(book.value("variance_share_bed")) * stream(lot.seed, f"bed/{of_place}", count)
        + math.sqrt(own) * stream(lot.seed, f"planting/{of_place}", count)
    )
    return mixed


def _ranked(values: Draws) -> Draws:
    """Values put back on exact normal scores by rank."""
    scores = np.empty(len(values))
    scores[np.argsort(values, kind="stable")] = _stratified(len(values))
    return scores


def _variance(lot: Lot, book: Book) -> float:
    """Variance of a lot's scores against that of ten plants of which nothing is known."""
    own = book.value("variance_share_planting")
    return (1 + own * (swing(lot.plants) - 1)) * (1 - lot.known)


@lru_cache(maxsize=1024)
def unit_draws(lot: Lot, spread: Range3, book: Book) -> Draws:
    """Kilograms a plant in each season: lognormal, with its own spread on either side, its bad
    years the lowest.

    Scores stand on exact normal ones by rank, so that P10 and P90 of ten plants are the book's
    with the bad years of an average gardener, and what lots share stays shared.
    """
    swings = math.sqrt(_variance(lot, book))
    mixed = _mixed(lot, book)
    if not lot.risks:
        return _yields(spread, swings * _ranked(mixed))
    count = len(mixed)
    usual, here, left = np.zeros(count, dtype=bool), np.zeros(count, dtype=bool), np.ones(count)
    for risk in lot.risks:
        luck_of_bed = stream(lot.seed, f"bad/{risk.name}/{lot.place}", count)
        usual |= luck_of_bed > _threshold(risk.usual)
        struck = luck_of_bed > _threshold(risk.chance)
        here |= struck
        left = np.where(struck, np.minimum(left, 1 - risk.loses), left)
    lowest = _ranked(np.where(usual, mixed - _FAR_BELOW, mixed))
    # What is done against a bad year gives back the season that it would have been.
    averted = usual & ~here
    yields = _yields(spread, swings * np.where(averted, _ranked(mixed), lowest))
    lost = np.minimum(yields, spread.typical * left)
    more = yields * left
    return np.where(here & usual, lost, np.where(here, more, yields))


def _threshold(chance: float) -> float:
    return _Z.inv_cdf(1 - chance) if chance > 0 else math.inf


def _yields(spread: Range3, z: Draws) -> Draws:
    below = math.log(spread.typical / spread.low) / _Z90
    above = math.log(spread.high / spread.typical) / _Z90
    return spread.typical * np.exp(z * np.where(z < 0, below, above))


def harvest_draws(*, lot: Lot, crop: Crop, scale: float, had: Draws | None, book: Book) -> Draws:
    """Kilograms of one planting in each simulated season.

    Args:
        scale: Expected stand times the product of all factors but what frost and cold leave.
        had: What frost and cold leave in each season; None where they leave all in every one.

    Returns:
        One value a season; where nothing is lost, P10, P50 and P90 of ten plants are low, typical
        and high times the scale. [kg]
    """
    spread = crop.yield_kg_per_plant
    if spread is None or scale <= 0:
        return np.zeros(int(book.value("seasons")))
    draws = scale * unit_draws(lot, spread, book)
    return draws if had is None else draws * had


def planting_quantiles(
    lot: Lot, crop: Crop, scale: float, *, had: Draws | None, draws: Draws, book: Book
) -> Quantiles:
    """Quantiles of one planting's draws; where every season leaves the same, its scores are
    stratified, so only the scale differs."""
    spread = crop.yield_kg_per_plant
    if spread is None or scale <= 0:
        return Quantiles(0.0, 0.0, 0.0)
    if had is not None or not lot.as_usual:
        return quantiles(draws)
    unit = _unit_quantiles(spread, _variance(lot, book), int(book.value("seasons")))
    return Quantiles(scale * unit.p10, scale * unit.p50, scale * unit.p90)


@lru_cache(maxsize=1024)
def _unit_quantiles(spread: Range3, variance: float, seasons: int) -> Quantiles:
    return quantiles(_yields(spread, _stratified(seasons) * math.sqrt(variance)))


def quantiles(draws: Draws) -> Quantiles:
    """P10, P50 and P90 of a harvest, by linear interpolation between order statistics."""
    return Quantiles(*(float(at) for at in at_shares(draws, _SHARES)))


def at_shares(draws: Draws, shares: Sequence[float]) -> list[Draws]:
    """The quantiles of some draws along their last axis, one for each share of them, by linear
    interpolation between order statistics."""
    # A whole sort is several times faster than parting at each of the order statistics.
    ordered = np.sort(draws, axis=-1)
    found = []
    for share in shares:
        place = share * (ordered.shape[-1] - 1)
        below, above = ordered[..., math.floor(place)], ordered[..., math.ceil(place)]
        found.append(below + (above - below) * (place - math.floor(place)))
    return found


def median_of(draws: Draws) -> float:
    """The median of some draws."""
    return float(at_shares(draws, (0.5,))[0])


@dataclass(frozen=True, slots=True)
class YearParts:
    """Which part of a harvest is picked before the plan's year, in it, and after it; all of it in
    the year where nothing is weighed. [0-1]"""

    before: float = 0.0
    within: float = 1.0
    after: float = 0.0


def year_parts(weeks: Sequence[WeekKg], first: date, last: date) -> YearParts:
    """The parts of a picking by its weeks, each counted where it ends or begins within the year."""
    whole = sum(week.kg for week in weeks)
    if not whole:
        return YearParts()
    before = sum(week.kg for week in weeks if week.week + _WEEK <= first) / whole
    after = sum(week.kg for week in weeks if week.week > last) / whole
    return YearParts(before, 1 - before - after, after)


def weekly(dates: Dates, peaked: bool, total_kg: float) -> tuple[WeekKg, ...]:
    """The median split over the weeks of its picking; the parts add up to it."""
    if dates.first_pick is None or dates.last_pick is None or total_kg <= 0:
        return ()
    first, after = dates.first_pick, dates.last_pick + timedelta(days=1)

    whole = picking_curve(peaked, (after - first).days / dates.pick_days) or 1.0
    weeks, before = [], 0.0
    monday = first - timedelta(days=first.weekday())
    while monday < after:
        following = monday + _WEEK
        until = min(following, after)
        share = picking_curve(peaked, (until - first).days / dates.pick_days) / whole
        weeks.append(WeekKg(monday, total_kg * (share - before)))
        monday, before = following, share
    return tuple(weeks)
