"""Outlines that can be grown in: simple rings with some ground inside."""

import shapely
from shapely.validation import explain_validity

from ample_rows.core import plan as p

LEAST_AREA_CM2 = 1.0
LEAST_AREA_M2 = 1e-4


def outline_fault(shape: p.Polygon) -> tuple[str, str] | None:
    """The field and reason that a polygon cannot be a place, or None."""
    ring = shapely.Polygon(shape.outline_cm)
    if not ring.is_valid:
        return "outline_cm", f"the outline crosses or touches itself ({explain_validity(ring)})"
    if ring.area < LEAST_AREA_CM2:
        return "outline_cm", "the outline holds no ground"
    whole = shapely.Polygon(shape.outline_cm, shape.holes_cm or ())
    if not whole.is_valid or whole.area < LEAST_AREA_CM2:
        return "holes_cm", f"the holes do not lie inside the outline ({explain_validity(whole)})"
    return None


def ring_fault(ring_m: tuple[p.PointM, ...]) -> str | None:
    """Why a ring of the yard encloses no ground, or None."""
    ring = shapely.Polygon(ring_m)
    if not ring.is_valid:
        return f"the outline crosses or touches itself ({explain_validity(ring)})"
    if ring.area < LEAST_AREA_M2:
        return "the outline holds no ground"
    return None
