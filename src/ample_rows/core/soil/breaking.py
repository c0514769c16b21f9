"""Breaking ground: what is done with turf, passes of a tool with their hours, and levelling."""

from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, GroundTool, TurfWay

SPIT_CM = 20.0


@dataclass(frozen=True, slots=True)
class Broken:
    """What breaking the ground of a place takes: the turf's way, its sods, and the hours of
    turf and tool; those of a machine are hired. [L, h]"""

    turf: TurfWay | None
    tool: GroundTool | None
    sods_litres: float
    hours: float
    machine_hours: float


def broken(place: p.Place, area_m2: float, loosened_cm: float, book: Book) -> Broken:
    """What it takes to break the ground of a place down to what is loosened there.

    Args:
        area_m2: Ground inside the place.
        loosened_cm: How deep it is loosened.
    """
    asked = place.breaking or p.Breaking()
    turf = None if asked.turf is None else book.turf_ways[asked.turf]
    tool = None if asked.tool is None else book.ground_tools[asked.tool]
    each = book.value("hours_per_m2_loosened") if tool is None else tool.hours_per_m2
    worked = area_m2 * loosened_cm / SPIT_CM * each * (asked.passes or 1)
    of_turf = area_m2 * turf.hours_per_m2 if turf else 0.0
    return Broken(
        turf=turf,
        tool=tool,
        sods_litres=area_m2 * turf.sods_l_per_m2 if turf else 0.0,
        hours=worked + of_turf,
        machine_hours=worked if tool and tool.hired else 0.0,
    )


def levelled_litres(area_m2: float, falls_cm: tuple[float, float]) -> float:
    """Earth moved from the high half of a rectangle of ground to the low one, to level it.

    Half the mean height off the middle of a plane that falls so far along its two sides:
    ½ (a ÷ 4 + b² ÷ 12 a), a the greater fall. [L]

    >>> levelled_litres(2.0, (8.0, 0.0))
    20.0
    """
    greater, less = sorted(map(abs, falls_cm), reverse=True)
    if greater == 0:
        return 0.0
    return area_m2 * 10 * (greater / 4 + less**2 / (12 * greater)) / 2
