"""What free ground offers: the yard it lies in, and the sun on it."""

import numpy as np
import shapely
from numpy.typing import NDArray

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.place.place_cases import setting_of
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.site.bears import best_months
from ample_rows.core.site.place_sun import sky_over
from ample_rows.core.site.shade import hours_of_sun
from ample_rows.core.site.sun_path import sample_days, sun_path

NO_YARD = "draw the yard first; there is none yet"

Floats = NDArray[np.float64]


def drawn_yard(plan: p.Plan) -> shapely.Polygon:
    """The yard's outline. [m]

    Raises:
        PlanFaultsError: No yard is drawn.
    """
    if plan.site is None or plan.site.outline_m is None:
        raise PlanFaultsError.one("site.outline_m", NO_YARD)
    return shapely.Polygon(plan.site.outline_m)


def sun_at(plan: p.Plan, points_m: Floats, book: Book) -> list[float]:
    """Mean daily sun of the six sunniest months at points of the ground. [h]"""
    if not len(points_m):
        return []
    year = setting_of(plan, book).year.start.year
    sky = sky_over(plan.garden, plan.site or p.Site(), year, book)
    path = sun_path(sky.where, sample_days(year))
    hours = hours_of_sun(points_m, np.zeros(len(points_m)), sky.yard, path).sum(axis=2)
    months = hours.reshape(len(points_m), 12, -1).mean(axis=2, dtype=np.float64)
    return [best_months(row) for row in months.tolist()]
