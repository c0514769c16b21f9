"""Getting a place ready and keeping it filled: dated jobs, each with its reason."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.season import GrowingYear
from ample_rows.core.geometry import shapes
from ample_rows.core.soil.fill import Fill, base_cm
from ample_rows.core.soil.soft import soft_layers

_SETTLE_WEEKS, _SOD_WEEKS, _WARM_WEEKS = 4, 16, 4


@dataclass(frozen=True, slots=True)
class Begun:
    """A planting as the soil sees it: the day it starts, and by when sown seed is up."""

    start: date
    up_by: date | None


@dataclass(frozen=True, slots=True)
class PrepJob:
    """One job of a place: the day to do it from, the latest day, and why."""

    what: str
    on: date
    latest: date
    why: str


def prep_jobs(
    place: p.Place, begun: Sequence[Begun], fill: Fill, year: GrowingYear, book: Book
) -> tuple[PrepJob, ...]:
    """What a place's soil asks for in the plan's year, by date.

    Args:
        begun: Its plantings.
    """
    first = min((planting.start for planting in begun), default=year.last_frost)
    found: list[PrepJob] = []
    if place.stage != "standing":
        found += _made_ready(place, first, fill)
    elif fill.top_up_litres >= 1:
        found.append(
            PrepJob(
                f"top up with {fill.top_up_litres:.0f} L",
                first - timedelta(weeks=2),
                first,
                "the mix sinks as it rots, a little every year",
            )
        )
    for layer in soft_layers(place, book):
        found.append(
            PrepJob(
                f"a fine layer of 3 cm over the {layer.label}, then plant",
                layer.fit_on,
                layer.fit_on + timedelta(weeks=4),
                "by then it has sunk and cooled enough to plant",
            )
        )
    if place.mulch_cm:
        found += _mulched(place, begun, year, book)
    return tuple(sorted(found, key=lambda job: (job.on, job.what)))


def _made_ready(place: p.Place, first: date, fill: Fill) -> list[PrepJob]:
    found = []
    filled = first - timedelta(weeks=_SETTLE_WEEKS)
    on_ground = place.stands_on is None
    if on_ground and (
        place.kind in ("ground", "mound") or shapes.bottom(place) in ("open", "mesh")
    ):
        found.append(
            PrepJob(
                "cover the grass, or turn it under",
                first - timedelta(weeks=_SOD_WEEKS),
                filled,
                "grass left alive grows through; under cover it dies in about four months",
            )
        )
    if base_cm(place):
        found.append(
            PrepJob(
                "lay the woody base, tread it and water it in",
                filled - timedelta(weeks=1),
                filled,
                "dry wood drinks what the bed is given, and leaves holes",
            )
        )
    if place.kind != "ground" and fill.order_litres > 0:
        found.append(
            PrepJob(
                f"fill with {fill.order_litres:.0f} L of {fill.label}",
                filled,
                first,
                "filled in autumn or a month ahead, it settles and warms before it is planted",
            )
        )
    return found


def _mulched(
    place: p.Place, begun: Sequence[Begun], year: GrowingYear, book: Book
) -> list[PrepJob]:
    cm = place.mulch_cm or 0.0
    litres = shapes.inside_area_m2(place.shape) * cm * 10
    loose = litres / (1 - book.value("mulch_settles_share"))
    warm = year.last_frost + timedelta(weeks=_WARM_WEEKS)
    lost = book.value("mulch_lost_a_year")
    thin = book.value("mulch_thin_cm")
    sown = [s for s in begun if s.up_by is not None and s.up_by > warm and s.start < year.end]
    return [
        *(
            PrepJob(
                f"draw the mulch back to {thin:g} cm where seed is sown, until it is up",
                seed.start,
                seed.up_by or seed.start,
                "seedlings do not come through more, and slugs lie in it",
            )
            for seed in sown[:1]
        ),
        PrepJob(
            f"mulch {cm:g} cm deep, {litres:.0f} L settled ({loose:.0f} L loose)",
            warm,
            warm + timedelta(weeks=4),
            "on warm wet soil; on cold soil it keeps the cold, on dry soil the rain out",
        ),
        PrepJob(
            f"top the mulch up with {litres * lost:.0f} L",
            year.first_frost,
            year.first_frost + timedelta(weeks=4),
            "so much of it has rotted over the summer",
        ),
    ]
