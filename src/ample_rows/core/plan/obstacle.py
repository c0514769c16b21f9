"""What casts a shadow in the yard: its outline there, and the shape that the outline is of."""

import math
from collections.abc import Sequence
from typing import Annotated, Any, Literal, NamedTuple

from pydantic import Field, ValidationError

from ample_rows.core.plan.idents import free_ident
from ample_rows.core.plan.place import Circle, Polygon, Rectangle
from ample_rows.core.plan.values import (
    Ident,
    Month,
    Name,
    ObstacleKind,
    PlanValue,
    PointM,
)

Ring = tuple[PointM, ...]

_CORNERS_OF_CIRCLE = 16
_LEAST_CORNERS_OF_CIRCLE = 8
# How far corners may lie off and still be taken for a rectangle's or a circle's: drawn by hand.
_UNEVEN = 0.06
_OFF_SQUARE_M = 0.005
_DECIMALS = 4


class Obstacle(PlanValue):
    """What casts a shadow: an outline carried up to a height.

    `outline_m` is what counts. `shape`, turned clockwise by `heading_deg`, is what it was drawn
    from, so that it can be changed by its measures. A tree, shrub or hedge lets some light
    through, more of it without leaves. `leaf_months` are the first and last month in leaf, and
    may wrap the new year.
    """

    id: Ident | None = None
    name: Name | None = None
    kind: ObstacleKind | None = None
    outline_m: Annotated[Ring, Field(min_length=3, max_length=10_000)]
    shape: Annotated[Rectangle | Circle | Polygon, Field(discriminator="type")] | None = None
    heading_deg: Annotated[float, Field(ge=-360, le=360, allow_inf_nan=False)] | None = None
    height_m: Annotated[float, Field(ge=0, le=200, allow_inf_nan=False)]
    crown_base_m: Annotated[float, Field(ge=0, le=200, allow_inf_nan=False)] | None = None
    leaf: Literal["evergreen", "deciduous"] | None = None
    leaf_months: tuple[Month, Month] | None = None
    root_reach_m: Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)] | None = None


class Drawn(NamedTuple):
    """A shape and how far it is turned clockwise."""

    shape: Rectangle | Circle | Polygon | None
    heading_deg: float | None


def identified(records: Sequence[dict[str, Any]]) -> list[dict[str, Any]]:
    """Obstacles' records, each with an id: its own, or its kind with the lowest free number."""
    taken = {record["id"] for record in records if record.get("id")}
    return [record if record.get("id") else _with_id(record, taken) for record in records]


def _with_id(record: dict[str, Any], taken: set[Any]) -> dict[str, Any]:
    stem = record.get("kind") or "obstacle"
    ident = free_ident(stem, taken) if stem in taken else stem
    taken.add(ident)
    return {"id": ident, **{key: value for key, value in record.items() if key != "id"}}


def all_known(obstacles: tuple[Obstacle, ...]) -> tuple[Obstacle, ...]:
    """Every obstacle with an id and a shape, also where its file gave none. What was not given
    is not written either: a file comes out as it went in until its obstacles are changed."""
    records = identified([dict(obstacle) for obstacle in obstacles])
    return tuple(map(_known, obstacles, (record["id"] for record in records)))


def _known(obstacle: Obstacle, ident: str) -> Obstacle:
    values = {**dict(obstacle), "id": ident}
    if obstacle.shape is None:
        values |= drawn_from(obstacle.outline_m)._asdict()
    return Obstacle.model_construct(obstacle.model_fields_set, **values)


def drawn_from(outline_m: Ring) -> Drawn:
    """The shape that an outline shows: a rectangle, a circle, or a ring of corners; none where
    its measures are beyond any shape's."""
    try:
        return _drawn_from(outline_m)
    except ValidationError:
        return Drawn(None, None)


def _drawn_from(outline_m: Ring) -> Drawn:
    x0, y0, x1, _ = box_of(outline_m)
    rectangle = _rectangle(outline_m)
    if rectangle is not None:
        return rectangle
    if _is_round(outline_m):
        return Drawn(Circle(type="circle", diameter_cm=_cm(x1 - x0)), 0.0)
    corners = tuple((_cm(x - x0), _cm(y - y0)) for x, y in outline_m)
    return Drawn(Polygon(type="polygon", outline_cm=corners), 0.0)


def outline_of(shape: Rectangle | Circle | Polygon, heading_deg: float, least_m: PointM) -> Ring:
    """The ring of a turned shape whose box has its least corner at a point of the yard."""
    turn = math.radians(heading_deg)
    cos, sin = math.cos(turn), math.sin(turn)
    turned = [(x * cos + y * sin, y * cos - x * sin) for x, y in _corners_m(shape)]
    x0, y0, _, _ = box_of(turned)
    return shifted(turned, (least_m[0] - x0, least_m[1] - y0))


def shifted(ring_m: Sequence[PointM], by_m: PointM) -> Ring:
    return tuple((round(x + by_m[0], _DECIMALS), round(y + by_m[1], _DECIMALS)) for x, y in ring_m)


def box_of(ring_m: Sequence[PointM]) -> tuple[float, float, float, float]:
    """Least x and y, greatest x and y. [m]"""
    xs, ys = zip(*ring_m, strict=True)
    return min(xs), min(ys), max(xs), max(ys)


def _corners_m(shape: Rectangle | Circle | Polygon) -> list[PointM]:
    if isinstance(shape, Polygon):
        return [(x / 100, y / 100) for x, y in shape.outline_cm]
    if isinstance(shape, Rectangle):
        x, y = shape.width_cm / 100, shape.length_cm / 100
        return [(0.0, 0.0), (x, 0.0), (x, y), (0.0, y)]
    turns = [2 * math.pi * n / _CORNERS_OF_CIRCLE for n in range(_CORNERS_OF_CIRCLE)]
    reach = shape.diameter_cm / 200
    return [(reach * math.cos(turn), reach * math.sin(turn)) for turn in turns]


def _rectangle(ring_m: Ring) -> Drawn | None:
    if len(ring_m) != 4:
        return None
    (ax, ay), (bx, by), (cx, cy), (dx, dy) = ring_m
    closes = math.hypot(ax + cx - bx - dx, ay + cy - by - dy) <= _OFF_SQUARE_M
    square = abs(math.dist((ax, ay), (cx, cy)) - math.dist((bx, by), (dx, dy))) <= _OFF_SQUARE_M
    sides = (bx - ax, by - ay), (cx - bx, cy - by)
    if not (closes and square and all(math.hypot(*side) > 0 for side in sides)):
        return None
    # The side that runs most nearly to the right is the width.
    across = max(sides, key=lambda side: abs(side[0]) / math.hypot(*side))
    along = sides[1] if across is sides[0] else sides[0]
    right = across if across[0] > 0 else (-across[0], -across[1])
    heading = math.degrees(math.atan2(-right[1], right[0]))
    shape = Rectangle(
        type="rectangle", width_cm=_cm(math.hypot(*across)), length_cm=_cm(math.hypot(*along))
    )
    return Drawn(shape, round(heading, 2) or 0.0)


def _is_round(ring_m: Ring) -> bool:
    x0, y0, x1, y1 = box_of(ring_m)
    reaches = [math.dist(corner, ((x0 + x1) / 2, (y0 + y1) / 2)) for corner in ring_m]
    even = max(reaches) - min(reaches) < _UNEVEN * max(reaches)
    return len(ring_m) >= _LEAST_CORNERS_OF_CIRCLE and even


def _cm(metres: float) -> float:
    return round(metres * 100, 2)
