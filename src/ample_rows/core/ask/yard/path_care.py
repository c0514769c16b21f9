"""A path and the beds beside it: what collects in it for them, and trading places with one."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date

import numpy as np
import shapely

from ample_rows.core import plan as p
from ample_rows.core.ask.yard.free_ground import Floats
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.edits import ChangePlace, Changes, ChangeSite, Together
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry import shapes
from ample_rows.core.notes.note import Fix
from ample_rows.core.site.footprints import path_strip, place_outline
from ample_rows.core.site.path_cover import path_litres
from ample_rows.core.words.message import Bulk, message

_LITTER = "path-litter"
_PARALLEL_DEG = 3.0
_LEAST_SHARE = 0.02
_DECIMALS = 3


@dataclass(frozen=True)
class Share:
    """What one bed gets of what a path has collected. [L, cm]"""

    place: str
    litres: float
    cm: float


@dataclass(frozen=True)
class PathCare:
    """What can be done with a path. [L]

    `litres` is what a year leaves in it, or what is said to lie there; `lift` puts it onto the
    beds beside it by how much of their edge they turn to it, on a day. Each of `trades` makes it
    change places with a bed; `turn` turns it about its middle.
    """

    litres: float
    on: date
    shares: tuple[Share, ...]
    lift: Fix | None
    trades: tuple[Fix, ...]
    turn: Fix | None


def path_care(
    estimate: Estimate,
    index: int,
    *,
    litres: float | None = None,
    on: date | None = None,
    degrees: float = 0.0,
) -> PathCare:
    """What collects in a path and where it goes, and the edits that move path and beds.

    Args:
        litres: What lies in it, where it is not what its covering rots to in a year.
        on: The day on which it is lifted; late winter where none is named.
        degrees: How far it is to be turned, clockwise.

    Raises:
        UnknownPartError: There is no such path.
    """
    plan, book = estimate.plan, estimate.book
    paths = plan.site.paths if plan.site else ()
    if not 0 <= index < len(paths):
        raise UnknownPartError(kind="path", ident=str(index + 1))
    path = paths[index]
    covering = book.materials[path.covering] if path.covering else None
    collects = covering.collects if covering else None
    if litres is None:
        litres = path_litres(path, book) * collects.share if collects else 0.0
    year = estimate.setting.year
    day = on or max(year.start, year.last_frost - days(book.value("path_lifted_before_frost_days")))
    shares = _shares(plan, path, litres, book)
    return PathCare(
        litres=litres,
        on=day,
        shares=shares,
        lift=_lift(plan, shares, day, collects.matter if collects else _LITTER),
        trades=tuple(_trades(plan, index, book)),
        turn=_turn(paths, index, degrees) if degrees else None,
    )


def _beds_beside(
    plan: p.Plan, path: p.Path, book: Book
) -> Iterator[tuple[p.Place, shapely.Polygon, float]]:
    """The beds that lie along a path, each with its outline in the yard and how much of that it
    turns to the path. [m]"""
    near = path_strip(path).buffer(book.value("path_serves_m"), join_style="mitre")
    for place in plan.places:
        outline = place_outline(place)
        if place.kind == "container" or outline is None:
            continue
        edge = near.intersection(outline.exterior).length
        if edge > 0:
            yield place, outline, edge


def _shares(plan: p.Plan, path: p.Path, litres: float, book: Book) -> tuple[Share, ...]:
    if not litres:
        return ()
    edges = [(place, edge) for place, _, edge in _beds_beside(plan, path, book)]
    total = sum(edge for _, edge in edges)
    return tuple(
        Share(
            place=place.id,
            litres=litres * edge / total,
            cm=litres * edge / total / (10 * shapes.inside_area_m2(place.shape)),
        )
        for place, edge in edges
        if edge > _LEAST_SHARE * total
    )


def _lift(plan: p.Plan, shares: tuple[Share, ...], day: date, matter: str) -> Fix | None:
    if not shares:
        return None
    beds = {place.id: place for place in plan.places}
    edits = [
        ChangePlace(
            id=share.place,
            changes={
                "added": [
                    *(p.document(layer) for layer in beds[share.place].added),
                    {
                        "material": matter,
                        "cm": round(share.cm, 2),
                        "how": "laid",
                        "on": day.isoformat(),
                    },
                ]
            },
        )
        for share in shares
    ]
    total = sum(share.litres for share in shares)
    label = message("path-lift", litres=Bulk(total))
    return Fix(label=label, edit=Together(edits=list(edits)))


def _trades(plan: p.Plan, index: int, book: Book) -> Iterator[Fix]:
    """For each bed along a straight path: bed and path in the other order, as far apart."""
    assert plan.site is not None, "asked only of a yard's path"
    path = plan.site.paths[index]
    if len(path.line_m) != 2 or path.line_m[0] == path.line_m[1]:
        return
    start, end = np.array(path.line_m[0]), np.array(path.line_m[1])
    along = (end - start) / np.hypot(*(end - start))
    normal: Floats = np.array([-along[1], along[0]])
    half = path.width_cm / 200
    for place, outline, _ in _beds_beside(plan, path, book):
        off = (shapely.get_coordinates(outline) - start) @ normal
        side = math.copysign(1.0, float(off.mean()))
        near, far = sorted((float((off * side).min()), float((off * side).max())))
        if near < half - book.value("path_serves_m") or not _runs_along(place, along):
            continue
        gap = max(0.0, near - half)
        bed_by = normal * -side * (2 * half + gap)
        path_by = normal * side * (far - near + gap)
        yield Fix(
            label=message("path-trade", place=place.label),
            edit=Together(
                edits=[
                    ChangePlace(id=place.id, changes={"at_m": _moved(place.at_m, bed_by)}),
                    _with_line(plan.site.paths, index, [_moved(at, path_by) for at in path.line_m]),
                ],
            ),
        )


def _runs_along(place: p.Place, along: Floats) -> bool:
    """Whether a side of a place lies along a direction; a round one has none that does not."""
    if not shapes.is_rectangular(place.shape):
        return True
    turned = math.degrees(math.atan2(float(along[0]), float(along[1]))) - (place.heading_deg or 0)
    return abs(math.remainder(turned, 90)) <= _PARALLEL_DEG


def _moved(at_m: p.PointM | None, by: Floats) -> list[float]:
    x, y = at_m or (0.0, 0.0)
    return [round(x + float(by[0]), _DECIMALS), round(y + float(by[1]), _DECIMALS)]


def _turn(paths: tuple[p.Path, ...], index: int, degrees: float) -> Fix:
    line = shapely.LineString(paths[index].line_m)
    turned = shapely.affinity.rotate(line, -degrees, origin=line.envelope.centroid)
    points = [_moved((x, y), np.zeros(2)) for x, y in turned.coords]
    return Fix(label=message("path-turn"), edit=_with_line(paths, index, points))


def _with_line(paths: tuple[p.Path, ...], index: int, line_m: list[list[float]]) -> ChangeSite:
    records: list[Changes] = [p.document(path) for path in paths]
    records[index] = {**records[index], "line_m": line_m}
    return ChangeSite(changes={"paths": records})
