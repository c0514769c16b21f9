"""Growth drawn through time: canopy, height and root from start to clearing."""

import itertools
import math
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.dates import Dates, growth_share
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.planting.report import GrowthReport

STEP_DAYS = 7
_YEAR_DAYS, _SHOWN_DAYS = 365, 550


def growth_of(
    planting: p.Planting, crop: Crop, dates: Dates, *, full_height_cm: float, book: Book
) -> GrowthReport:
    """Sizes every week from start to clearing, both included; the last years of what stays."""
    since = max(dates.start, dates.clear - timedelta(days=_SHOWN_DAYS))
    steps = math.ceil((dates.clear - since).days / STEP_DAYS) + 1
    ages = (since - dates.start).days + np.arange(steps, dtype=np.float64) * STEP_DAYS
    sizes = size_shares(planting, crop, dates, ages, book)
    return GrowthReport(
        start=since,
        step_days=STEP_DAYS,
        canopy_cm=_rounded(crop.canopy_cm * sizes),
        height_cm=_rounded(_heights_cm(planting, crop, sizes, full_height_cm, book)),
        root_cm=_rounded(crop.rooting_cm * np.sqrt(sizes)),
        standing=tuple(standing_of(crop, dates, ages, book).round(3).tolist()),
    )


def grown_to(growth: GrowthReport, height_cm: float) -> date | None:
    """The day on which a planting has grown so high; None where it stays below."""
    steps = itertools.pairwise(growth.height_cm)
    for step, (below, above) in enumerate(steps):
        if below < height_cm <= above:
            into = step + (height_cm - below) / (above - below)
            return growth.start + days(into * growth.step_days)
    return growth.start if growth.height_cm and growth.height_cm[0] >= height_cm else None


def size_shares(
    planting: p.Planting, crop: Crop, dates: Dates, ages: NDArray[np.float64], book: Book
) -> NDArray[np.float64]:
    """Share of full size at ages in days from the start. [0-1]"""
    begin = _start_share(planting, crop, book)
    to_pick = max(1, (dates.due - dates.start).days)
    if crop.perennial is not None:
        to_pick = _YEAR_DAYS * max(1, crop.perennial.years_to_full)
    return begin + (1 - begin) * growth_share(ages / to_pick)


def _heights_cm(
    planting: p.Planting, crop: Crop, sizes: NDArray[np.float64], full_cm: float, book: Book
) -> NDArray[np.float64]:
    """Heights as the plants fill out: what is sown comes up no higher than it is wide."""
    begin = _start_share(planting, crop, book)
    first = begin * full_cm
    if planting.start in ("sow", "set"):
        first = min(first, book.value("canopy_start_cm"))
    grown = (sizes - begin) / (1 - begin) if begin < 1 else np.ones(len(sizes))
    heights: NDArray[np.float64] = first + (full_cm - first) * grown
    return heights


def _rounded(values: NDArray[np.float64]) -> tuple[float, ...]:
    return tuple(values.round(1).tolist())


def _start_share(planting: p.Planting, crop: Crop, book: Book) -> float:
    if planting.start in ("transplant", "division"):
        return book.value("canopy_transplant_share")
    return min(1.0, book.value("canopy_start_cm") / crop.canopy_cm)


def standing_of(
    crop: Crop, dates: Dates, ages: NDArray[np.float64], book: Book
) -> NDArray[np.float64]:
    """Share of the stand's leaf still there at each age as picking takes it. [0-1]"""
    if dates.first_pick is None:
        return np.ones(len(ages))
    shape = book.picking_shapes[crop.picking.kind]
    before = (dates.first_pick - dates.start).days
    u = np.clip((ages - before) / dates.pick_days, 0.0, 1.0)
    taken = u * u * (3 - 2 * u) if shape.peaked else u
    left: NDArray[np.float64] = 1 - (1 - shape.kept_standing) * taken
    return left
