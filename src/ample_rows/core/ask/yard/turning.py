"""Which way should it run? A place as it lies, and turned a quarter about its middle."""

from dataclasses import dataclass

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.edits import ChangePlace, Changes
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.place_result import PlaceResult
from ample_rows.core.geometry import shapes
from ample_rows.core.notes.note import Fix
from ample_rows.core.site.frame import on_the_ground
from ample_rows.core.structures import supports
from ample_rows.core.words.message import Mass, Message, Number, Text, message

_QUARTER = 90.0
_HOURS_SAID = 0.05


@dataclass(frozen=True)
class Turned:
    """Sun through the six sunniest months and likely harvest, as it lies and turned."""

    hours_now: float
    hours_turned: float
    kg_now: float
    kg_turned: float
    words: Text
    turn: Fix


def turned(estimate: Estimate, place_id: str) -> Turned:
    """A place computed both ways, with what the difference comes to in words.

    Raises:
        UnknownPartError: There is no such place.
        CannotBeDoneError: Its sun cannot be calculated.
    """
    plan, book = estimate.plan, estimate.book
    place = estimate.place(place_id).place
    if place.at_m is None or plan.site is None:
        raise CannotBeDoneError(message("turning-no-spot-yet", place=place.label))
    other = _turned_place(plan, place, place.at_m)
    changes: Changes = {"at_m": other.at_m, "heading_deg": other.heading_deg}
    if other.supports:
        changes["supports"] = [p.document(support) for support in other.supports]
    now, then = _result(estimate, place), _result(estimate, other)
    hours_now, hours_then = _hours(now), _hours(then)
    kg_now, kg_then = now.report.harvest_kg.p50, then.report.harvest_kg.p50
    return Turned(
        hours_now,
        hours_then,
        kg_now,
        kg_then,
        _words(place.label, hours_then - hours_now, kg_now, kg_then, book),
        Fix(label=message("turning-turn-quarter"), edit=ChangePlace(id=place_id, changes=changes)),
    )


def _turned_place(plan: p.Plan, place: p.Place, at_m: p.PointM) -> p.Place:
    """The place turned a quarter clockwise about its middle, its supports on the same sides."""
    box = shapes.bounds(place.shape)
    middle = np.array([[(box.x0 + box.x1) / 2, (box.y0 + box.y1) / 2]])
    heading = place.heading_deg or 0.0
    before = on_the_ground(place.shape, at_m, heading, middle)[0]
    after = on_the_ground(place.shape, at_m, heading + _QUARTER, middle)[0]
    moved = np.round(np.array(at_m) + before - after, 3)
    return place.model_copy(
        update={
            "at_m": (float(moved[0]), float(moved[1])),
            "heading_deg": (heading + _QUARTER) % 360,
            "supports": tuple(_turned_support(plan, place, s) for s in place.supports),
        }
    )


def _turned_support(plan: p.Plan, place: p.Place, support: p.Support) -> p.Support:
    north = (plan.site.north_deg if plan.site else None) or 0.0
    edge = supports.edge_of(place, support, latitude=plan.garden.latitude, north_deg=north)
    if edge is None or support.line_cm is not None:
        return support
    turned_to = shapes.compass_point(edge.facing_deg + _QUARTER)
    return support.model_copy(update={"edge": turned_to})


def _result(estimate: Estimate, place: p.Place) -> PlaceResult:
    plan = estimate.plan
    # Both ways are reckoned from the yard, so that they can be compared.
    reckoned = place.model_copy(update={"sun_hours": None})
    others = tuple(reckoned if other.id == place.id else other for other in plan.places)
    drawn = plan.model_copy(update={"places": others})
    return estimate.trying(drawn).result(place.id)


def _hours(result: PlaceResult) -> float:
    return result.report.sun.best_months_hours if result.report.sun else 0.0


def _words(label: str, hours: float, kg_now: float, kg_then: float, book: Book) -> Message:
    kg = kg_then - kg_now
    small_kg = abs(kg) <= book.value("turning_worth_kg_share") * max(kg_now, kg_then)
    sun = message(
        "turning-sun-day", change="gain" if hours > 0 else "lose", hours=Number(abs(hours), 1)
    )
    if abs(hours) < _HOURS_SAID:
        sun = message("turning-get-same-sun")
    if small_kg:
        end = message("turning-harvest-would-hardly-differ")
    else:
        change = "more" if kg > 0 else "less"
        end = message("turning-give", kg=Mass(abs(kg)), change=change)
    return message("turning-turned-quarter-would", label=label, sun=sun, end=end)
