"""What free ground offers: the yard it lies in, and the sun on it."""

import numpy as np
import shapely
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.site.bears import best_months
from ample_rows.core.site.place_sun import sky_over
from ample_rows.core.site.shade import hours_of_sun
from ample_rows.core.site.sun_path import sample_days, sun_path
from ample_rows.core.words.message import message

NO_YARD = message("yard-not-drawn")

Floats = NDArray[np.float64]


def drawn_yard(plan: p.Plan) -> shapely.Polygon:
    """The yard's outline. [m]

    Raises:
        CannotBeDoneError: No yard is drawn.
    """
    if plan.site is None or plan.site.outline_m is None:
        raise CannotBeDoneError(NO_YARD)
    return shapely.Polygon(plan.site.outline_m)


def sun_at(estimate: Estimate, points_m: Floats) -> list[float]:
    """Mean daily sun of the six sunniest months at points of the ground. [h]"""
    plan, book = estimate.plan, estimate.book
    if not len(points_m):
        return []
    year = estimate.setting.year.start.year
    sky = sky_over(plan.garden, plan.site or p.Site(), year, book)
    path = sun_path(sky.where, sample_days(year))
    hours = hours_of_sun(points_m, np.zeros(len(points_m)), sky.yard, path).sum(axis=2)
    months = hours.reshape(len(points_m), 12, -1).mean(axis=2, dtype=np.float64)
    return [best_months(row) for row in months.tolist()]
