"""The supports of a place as they are put up, with what grows on them."""

from collections import defaultdict

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.carpentry.materials import (
    Stood,
    alone_amounts,
    amounts,
    carried,
    stood,
)
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.planting.cases import ON_GROUND, Evaluated, PlaceCase
from ample_rows.core.planting.evaluated import evaluate_planting
from ample_rows.core.site.footprints import place_outline
from ample_rows.core.site.frame import to_yard

_WIDEST_ARCH_CM = 250.0
_LEAST_POSTS = 2


def support_in(estimate: Estimate, place_id: str, support_id: str) -> tuple[p.Place, p.Support]:
    """A place and a support of it.

    Raises:
        UnknownPartError: There is no such place, or no such support there.
    """
    place = estimate.place(place_id).place
    support = next((s for s in place.supports if s.id == support_id), None)
    if support is None:
        raise UnknownPartError(kind="support", ident=support_id)
    return place, support


def stood_in(plan: p.Plan, here: PlaceCase, support: p.Support) -> Stood | None:
    """A support worked out, an arch's feet as far apart as the next place in the yard."""
    return stood(
        here.place,
        support,
        here.book,
        latitude=here.setting.latitude,
        north_deg=here.setting.north_deg,
        span_cm=_span_to_neighbour_cm(plan, here, support),
    )


def grown_on(plan: p.Plan, here: PlaceCase, support_id: str) -> tuple[Evaluated, ...]:
    """Every planting along a support, through the whole plan."""
    on_it = (
        planting
        for planting in plan.plantings
        if planting.place == here.place.id and planting.support == support_id
    )
    return tuple(evaluate_planting(planting, here) for planting in on_it)


def hours_of(up: Stood, book: Book) -> float:
    """Time to put a support up; none for one that stands already. [hours]"""
    if up.support.made == "standing":
        return 0.0
    return max(_LEAST_POSTS, len(up.bays.posts_at_cm)) * book.value("support_hours_a_post")


def supports_of_place(estimate: Estimate, place_id: str) -> tuple[dict[str, float], float]:
    """What all that holds plants up in a place takes, and the hours to put supports up."""
    plan, book = estimate.plan, estimate.book
    total: dict[str, float] = defaultdict(float)
    hours = 0.0
    place = plan.place(place_id)
    alone = [
        planting
        for planting in plan.plantings
        if planting.place == place_id and planting.training and not planting.support
    ]
    if place is None or not (place.supports or alone):
        return total, hours
    here = estimate.place(place_id)
    for planting in alone:
        evaluated = evaluate_planting(planting, here)
        system = book.trainings[evaluated.report.training or ON_GROUND]
        taken = alone_amounts(evaluated.report.plants, evaluated.report.spacing_cm, system)
        for name, amount in taken.items():
            # What holds an early crop up is there again for a later one.
            total[name] = max(total[name], amount)
    for support in place.supports:
        up = stood_in(plan, here, support)
        if up is not None:
            hours += hours_of(up, book)
            on_it = [carried(up, e) for e in grown_on(plan, here, support.id)]
            for name, amount in amounts(up, on_it, book).items():
                total[name] += amount
    return total, hours


def _span_to_neighbour_cm(plan: p.Plan, here: PlaceCase, support: p.Support) -> float | None:
    """From the support's edge straight out to the next place in the yard. [cm]"""
    place, setting = here.place, here.setting
    edge = shapes.edge_towards(
        place, support.edge, latitude=setting.latitude, north_deg=setting.north_deg
    )
    if edge is None or place.at_m is None or support.line_cm is not None:
        return None
    middle = ((edge.start[0] + edge.end[0]) / 2, (edge.start[1] + edge.end[1]) / 2)
    own = shapes.outline(place.shape).centroid
    dx, dy = middle[0] - own.x, middle[1] - own.y
    far = max(1.0, (dx * dx + dy * dy) ** 0.5)
    reach = (middle[0] + dx / far * _WIDEST_ARCH_CM, middle[1] + dy / far * _WIDEST_ARCH_CM)
    ends = to_yard(place, np.array([middle, reach]))
    if ends is None:
        return None
    line = shapely.LineString(ends)
    start = shapely.Point(ends[0])
    gaps = [
        start.distance(line.intersection(outline)) * 100
        for other in plan.places
        if other.id != place.id and (outline := place_outline(other)) is not None
        if line.intersects(outline)
    ]
    return min(gaps, default=None)
