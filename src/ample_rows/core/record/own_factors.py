"""This garden's own factors: what its seasons say of it, its families and its crops.

Log ratios of what was picked to what was estimated are a sum of effects that are drawn anew for
each season, garden, family, crop, crop in a season, and planting. The best linear unbiased
prediction of an effect shrinks what is seen of it by how much else can explain it (Henderson 1975,
Biometrics 31; Robinson 1991, Statistical Science 6). Outliers are weighed down as Huber 1964 does.
"""

import math
from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from ample_rows.core.book import Book
from ample_rows.core.planting.own import Z80
from ample_rows.core.record.outcomes import Outcome, Outcomes

Floats = NDArray[np.float64]

_MOST_ROUNDS = 25
_SETTLED = 1e-6
_GARDEN = ("garden", "")
_EFFECTS = ("season", "garden", "family", "crop")


@dataclass(frozen=True, slots=True)
class LearntFactor:
    """How much more or less than the estimate comes here, its 80 % interval, and the number of
    plantings that it rests on."""

    factor: float
    low: float
    high: float
    n: int


@dataclass(frozen=True, slots=True)
class LearntCrop:
    """The same for a crop; how many days later than estimated it is first and last picked, and how
    many days after its start it was first picked in the plantings that were seen, on average; not
    of what stays for years."""

    factor: float
    low: float
    high: float
    n: int
    first_pick_shift_days: float | None
    last_pick_shift_days: float | None
    days_to_pick: float | None


@dataclass(frozen=True, slots=True)
class Learnt:
    """What a garden's own record says of it. `used` and `left_out` count plantings; `pickings`
    stand behind each crop that was weighed."""

    garden: LearntFactor
    families: Mapping[str, LearntFactor]
    crops: Mapping[str, LearntCrop]
    used: int
    left_out: int
    pickings: Mapping[str, int]


Effect = tuple[str, str]


@dataclass(frozen=True)
class _Predicted:
    """Effects with their joint uncertainty, by name; what was never seen is as it was before."""

    at: Mapping[Effect, int]
    mean: Floats
    covariance: Floats
    prior: Mapping[str, float]

    def sum_of(self, effects: Sequence[Effect]) -> tuple[float, float]:
        """Mean and standard deviation of a sum of effects."""
        seen = [self.at[effect] for effect in effects if effect in self.at]
        fresh = sum(self.prior[kind] for kind, name in effects if (kind, name) not in self.at)
        variance = float(self.covariance[np.ix_(seen, seen)].sum()) + fresh
        return float(self.mean[seen].sum()), math.sqrt(variance)


def learnt(outcomes: Outcomes, book: Book, *, also: Mapping[str, str] | None = None) -> Learnt:
    """A garden's own factors from its outcomes.

    Args:
        also: Crops to be told of though they were never grown, with their families.
    """
    used = outcomes.used
    yields = _of_yields(used, book)
    first = _of_dates([(o, o.first_pick_shift_days) for o in used], book)
    last = _of_dates([(o, o.last_pick_shift_days) for o in used], book)
    took: dict[str, list[int]] = defaultdict(list)
    for o in used:
        known = book.crops.get(o.expected.crop)
        if o.days_to_pick is not None and not (known and known.perennial):
            took[o.expected.crop].append(o.days_to_pick)
    grown = Counter(o.expected.crop for o in used)
    pickings: Counter[str] = Counter()
    for o in used:
        pickings[o.expected.crop] += o.pickings
    grown_of = Counter(o.expected.family for o in used)
    families = {o.expected.crop: o.expected.family for o in used} | dict(also or {})

    def told(effects: Sequence[Effect], n: int) -> LearntFactor:
        mean, sd = yields.sum_of(effects)
        return LearntFactor(math.exp(mean), math.exp(mean - Z80 * sd), math.exp(mean + Z80 * sd), n)

    def of_crop(crop: str, family: str) -> LearntCrop:
        found = told([_GARDEN, ("family", family), ("crop", crop)], grown[crop])
        later = [
            dates.sum_of([_GARDEN, ("crop", crop)])[0] if dates.at else None
            for dates in (first, last)
        ]
        seen = took.get(crop)
        return LearntCrop(
            found.factor,
            found.low,
            found.high,
            found.n,
            first_pick_shift_days=later[0],
            last_pick_shift_days=later[1],
            days_to_pick=sum(seen) / len(seen) if seen else None,
        )

    return Learnt(
        garden=told([_GARDEN], len(used)),
        families={
            family: told([_GARDEN, ("family", family)], grown_of[family])
            for family in sorted(set(families.values()))
        },
        crops={crop: of_crop(crop, families[crop]) for crop in sorted(families)},
        used=len(used),
        left_out=outcomes.left_out,
        pickings=pickings,
    )


def _of_yields(used: Sequence[Outcome], book: Book) -> _Predicted:
    def effects(o: Outcome) -> tuple[Effect, ...]:
        family, crop = o.expected.family, o.expected.crop
        return (_GARDEN, ("season", o.season), ("family", family), ("crop", crop))

    return _predicted(
        np.array([math.log(o.kg / o.expected.kg) for o in used]),
        [effects(o) for o in used],
        prior={kind: book.value(f"own_{kind}_sd") ** 2 for kind in _EFFECTS},
        together=[(o.season, o.expected.crop) for o in used],
        together_variance=book.value("own_season_crop_sd") ** 2,
        noise_sd=book.value("own_planting_sd"),
        outlier_sds=book.value("own_outlier_sds"),
    )


def _of_dates(told: Sequence[tuple[Outcome, int | None]], book: Book) -> _Predicted:
    shifts = [(outcome, days) for outcome, days in told if days is not None]
    return _predicted(
        np.array([float(days) for _, days in shifts]),
        [(_GARDEN, ("crop", o.expected.crop)) for o, _ in shifts],
        prior={kind: book.value(f"own_{kind}_shift_days") ** 2 for kind in ("garden", "crop")},
        together=[(o.season, o.planting) for o, _ in shifts],
        together_variance=0.0,
        noise_sd=book.value("own_shift_noise_days"),
        outlier_sds=book.value("own_outlier_sds"),
    )


def _predicted(
    seen: Floats,
    effects: Sequence[Sequence[Effect]],
    *,
    prior: Mapping[str, float],
    together: Sequence[tuple[str, str]],
    together_variance: float,
    noise_sd: float,
    outlier_sds: float,
) -> _Predicted:
    """Effects predicted from values that are sums of them, by Henderson's equations.

    Args:
        seen: The values. [n]
        effects: For each value the effects that it is a sum of.
        prior: Variance of each kind of effect.
        together, together_variance: What values of one name share beyond their effects. It is
            never asked for itself, so such values are first brought together into one.
    """
    names = list(dict.fromkeys(effect for of_one in effects for effect in of_one))
    at = {effect: index for index, effect in enumerate(names)}
    groups = {name: index for index, name in enumerate(dict.fromkeys(together))}
    group = np.array([groups[name] for name in together], dtype=np.intp)
    design = np.zeros((len(groups), len(names)))
    for index, of_one in zip(group, effects, strict=True):
        design[index, [at[effect] for effect in of_one]] = 1.0
    shrink = np.diag([1 / prior[kind] for kind, _ in names])
    weights = np.ones(len(seen))
    mean: Floats = np.zeros(len(names))
    covariance: Floats = np.diag([prior[kind] for kind, _ in names])
    for _ in range(_MOST_ROUNDS):
        precision = np.bincount(group, weights, len(groups)) / noise_sd**2
        of_group = np.bincount(group, weights * seen, len(groups)) / noise_sd**2 / precision
        variance = together_variance + 1 / precision
        covariance = _inverse(design.T @ (design / variance[:, None]) + shrink)
        mean = covariance @ (design.T @ (of_group / variance))
        fitted = design @ mean
        shared = together_variance / variance * (of_group - fitted)
        beyond = np.abs(seen - (fitted + shared)[group])
        bound = outlier_sds * noise_sd
        fresh = np.where(beyond > bound, bound / np.maximum(beyond, bound), 1.0)
        settled = bool(np.all(np.abs(fresh - weights) < _SETTLED))
        weights = fresh
        if settled:
            break
    return _Predicted(at, mean, covariance, prior)


def _inverse(matrix: Floats) -> Floats:
    return np.linalg.inv(matrix).astype(np.float64)
