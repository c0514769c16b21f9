"""Ways to water a place side by side: litres, trips, minutes, wet leaves, and the tap's share."""

import math
from dataclasses import dataclass

from ample_rows.core.book import Book, WaterWay
from ample_rows.core.water.lines import WaterLines
from ample_rows.core.words.message import Count, Distance, message
from ample_rows.core.words.working import Term, of_rule

_CANS_A_TRIP = 2


@dataclass(frozen=True, slots=True)
class Way:
    """One way to water a place for a week. [L/week, min/week, L/min]

    `running_minutes` is how long water flows, `own_minutes` what it asks of a person;
    `tap_share` above 1 means that the place is watered in that many parts.
    """

    way: str
    label: str
    litres: float
    waterings: float
    trips: int | None
    running_minutes: float
    own_minutes: float
    flow_l_per_min: float
    tap_share: float
    wets_leaves: str
    suits: str


@dataclass(frozen=True, slots=True)
class Wanted:
    """What a place wants in a week, and where from. [L/week, 1/week, m2, m, L/min]"""

    litres: float
    waterings: float
    area_m2: float
    route_m: float | None
    tap_l_per_min: float | None


def ways_for(wanted: Wanted, lines: WaterLines, book: Book) -> tuple[Way, ...]:
    """Every way that the tables know, in their order."""
    return tuple(_way(name, way, wanted, lines, book) for name, way in book.water_ways.items())


def _way(name: str, way: WaterWay, wanted: Wanted, lines: WaterLines, book: Book) -> Way:
    poured = wanted.litres / way.reaches_roots
    tap = wanted.tap_l_per_min or book.value("tap_flow_l_per_min")
    # A place too small for one outlet is watered by the tap's own flow.
    asked = _flow(way, wanted, lines, tap) or tap
    running = poured / min(asked, tap)
    begin = way.minutes_each * wanted.waterings
    trips = None
    own = begin
    if way.by == "carried":
        trips = math.ceil(poured / (_CANS_A_TRIP * book.value("can_litres")))
        walk = 2 * (wanted.route_m or 0.0) / book.value("walk_m_per_min")
        own = trips * (walk + way.minutes_each) + running
    elif way.by == "held":
        own = begin + running
    return Way(
        way=name,
        label=way.label,
        litres=poured,
        waterings=wanted.waterings,
        trips=trips,
        running_minutes=running,
        own_minutes=own,
        flow_l_per_min=asked,
        tap_share=asked / tap,
        wets_leaves=way.wets_leaves,
        suits=way.suits,
    )


@of_rule("ways")
def way_working(name: str, wanted: Wanted, lines: WaterLines, book: Book) -> tuple[Term, ...]:
    """How one way's litres, trips and minutes come to be."""
    way = book.water_ways[name]
    report = _way(name, way, wanted, lines, book)
    tap = wanted.tap_l_per_min or book.value("tap_flow_l_per_min")
    own = {
        "carried": message(
            "ways-trips-two-cans-over",
            trips=Count(report.trips or 0, "trip"),
            route=Distance(2 * (wanted.route_m or 0)),
        ),
        "held": message("ways-begun-each-time-held"),
    }.get(way.by, message("ways-turned-off-each-time"))
    return (
        Term(
            name=message("ways-roots-want"),
            value=wanted.litres,
            unit="L",
            how=message("ways-dry-week-thirstiest-month"),
            source="Core",
        ),
        Term(
            name=message("ways-what-poured-reach-them"),
            value=way.reaches_roots,
            unit="×",
            how=way.label,
            source=way.source,
        ),
        Term(
            name=message("ways-pour"),
            value=report.litres,
            unit="L",
            how=message("ways-wanted-share"),
            source="Core",
        ),
        Term(
            name=message("ways-flows"),
            value=min(report.flow_l_per_min, tap),
            unit="L per min",
            how=message("ways-no-more-than-tap"),
            source="Tap",
        ),
        Term(
            name=message("ways-water-runs"),
            value=report.running_minutes,
            unit="min",
            how=message("ways-pour-flow"),
            source="Core",
        ),
        Term(
            name=message("ways-times-week"),
            value=report.waterings,
            unit="",
            how=message("ways-days-soil-lasts"),
            source="Core",
        ),
        Term(
            name=message("ways-your-own-time"),
            value=report.own_minutes,
            unit="min",
            how=own,
            source="Judged",
        ),
    )


def _flow(way: WaterWay, wanted: Wanted, lines: WaterLines, tap: float) -> float:
    """What the way lets out of itself; a can or a hose takes what the tap gives. [L/min]"""
    if way.l_per_hour_per_m is not None:
        return way.l_per_hour_per_m * lines.line_m / 60
    if way.l_per_hour_per_m2 is not None:
        return way.l_per_hour_per_m2 * wanted.area_m2 / 60
    return tap
