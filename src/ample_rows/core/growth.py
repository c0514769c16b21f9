"""Growth drawn through time: canopy, height and root from start to clearing."""

import math
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.reference import Book, Crop
from ample_rows.core.report import GrowthReport
from ample_rows.core.season import Dates, growth_share, picking_curve

STEP_DAYS = 7


def growth_of(
    planting: p.Planting, crop: Crop, dates: Dates, *, full_height_cm: float, book: Book
) -> GrowthReport:
    """Sizes every week from start to clearing, both included."""
    shape = book.picking_shapes[crop.picking.kind]
    steps = math.ceil((dates.clear - dates.start).days / STEP_DAYS) + 1
    days = [dates.start + timedelta(days=STEP_DAYS * i) for i in range(steps)]
    begin = _start_share(planting, crop, book)
    sizes = [_size(dates, day, begin) for day in days]
    return GrowthReport(
        start=dates.start,
        step_days=STEP_DAYS,
        canopy_cm=tuple(round(crop.canopy_cm * s, 1) for s in sizes),
        height_cm=tuple(round(full_height_cm * s, 1) for s in sizes),
        root_cm=tuple(round(crop.rooting_cm * math.sqrt(s), 1) for s in sizes),
        standing=tuple(
            round(_standing(dates, day, shape.peaked, shape.kept_standing), 3) for day in days
        ),
    )


def _start_share(planting: p.Planting, crop: Crop, book: Book) -> float:
    if planting.start in ("transplant", "division"):
        return book.value("canopy_transplant_share")
    return min(1.0, book.value("canopy_start_cm") / crop.canopy_cm)


def _size(dates: Dates, day: date, begin: float) -> float:
    """Share of full size on a day: logistic from the start to the first pick due."""
    whole = max(1, (dates.due - dates.start).days)
    grown = growth_share((day - dates.start).days / whole)
    return begin + (1 - begin) * grown


def _standing(dates: Dates, day: date, peaked: bool, kept: float) -> float:
    """Share of the stand's leaf still there as picking takes it."""
    if dates.first_pick is None or day <= dates.first_pick:
        return 1.0
    taken = picking_curve(peaked, (day - dates.first_pick).days / dates.pick_days)
    return 1 - (1 - kept) * taken
