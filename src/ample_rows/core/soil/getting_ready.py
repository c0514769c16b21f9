"""Getting a place ready and keeping it filled: dated jobs, each with its reason."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import GrowingYear
from ample_rows.core.geometry import shapes
from ample_rows.core.soil.fill import Fill, base_cm
from ample_rows.core.soil.soft import SoftLayer, by_day, soft_layers, strewn_g
from ample_rows.core.words.message import Bulk, Length, Mass, Text, listed, message, verbatim

_SETTLE_WEEKS, _SOD_WEEKS, _WARM_WEEKS = 4, 16, 4


@dataclass(frozen=True, slots=True)
class Begun:
    """A planting as the soil sees it: the day it starts, and by when sown seed is up."""

    start: date
    up_by: date | None


@dataclass(frozen=True, slots=True)
class PrepJob:
    """One job of a place: the day to do it from, the latest day, and why."""

    what: Text
    on: date
    latest: date
    why: Text


def prep_jobs(
    place: p.Place,
    begun: Sequence[Begun],
    fill: Fill,
    year: GrowingYear,
    *,
    soil: p.Soil | None,
    book: Book,
) -> tuple[PrepJob, ...]:
    """What a place's soil asks for in the plan's year, by date.

    Args:
        begun: Its plantings.
    """
    first = min((planting.start for planting in begun), default=year.last_frost)
    jobs: list[PrepJob] = []
    if place.stage != "standing":
        jobs += _made_ready(place, first, fill, book)
    elif fill.top_up_litres >= 1:
        jobs.append(
            PrepJob(
                message("getting-ready-top-up", top_up=Bulk(fill.top_up_litres)),
                first - timedelta(weeks=2),
                first,
                message("getting-ready-mix-sinks-rots-little"),
            )
        )
    jobs += _layered(place, year, soil, book)
    if place.mulch_cm:
        jobs += _mulched(place, begun, year, book)
    return tuple(sorted(jobs, key=lambda job: job.on))


def _layered(
    place: p.Place, year: GrowingYear, soil: p.Soil | None, book: Book
) -> Iterator[PrepJob]:
    """Soft matter of one day is laid in one go, and gets its fine layer when all of it is fit."""
    for day, layers in by_day(soft_layers(place, book, year.normals)).items():
        labels = listed(dict.fromkeys(layer.label for layer in layers), "and")
        yield PrepJob(
            message("getting-ready-lay-layers", layers=labels, feed=_fed(layers, soil, book)),
            day,
            day + timedelta(weeks=1),
            message("getting-ready-layers-of-day", litres=Bulk(sum(x.litres for x in layers))),
        )
        fit_on = max(layer.fit_on for layer in layers)
        yield PrepJob(
            message("getting-ready-fine-layer-cm-over", layer=labels),
            fit_on,
            fit_on + timedelta(weeks=4),
            _till_then(layers),
        )


def _fed(layers: Sequence[SoftLayer], soil: p.Soil | None, book: Book) -> Text:
    """The feed that is strewn between the layers of a day."""
    packet = soil.packet if soil else None
    grams = strewn_g(layers, packet, book)
    if packet is None or not grams:
        return ""
    return message("getting-ready-strew", mass=Mass(grams / 1000), packet=packet.name or "feed")


def _till_then(layers: Sequence[SoftLayer]) -> Text:
    """Why it is waited for, and what may go in before."""
    before = next((layer.meanwhile for layer in layers if layer.meanwhile), None)
    if before is None:
        return message("getting-ready-then-has-sunk-cooled")
    return message("getting-ready-then-and-before", meanwhile=before)


def _turf(place: p.Place, first: date, filled: date, book: Book) -> PrepJob:
    """What is done with the grass: as the grower has chosen, else either way."""
    turf = book.turf_ways.get(place.breaking.turf or "") if place.breaking else None
    if turf is None:
        begin = first - timedelta(weeks=_SOD_WEEKS)
        why = message("getting-ready-grass-left-alive-grows")
        return PrepJob(message("getting-ready-cover-grass-or-turn"), begin, filled, why)
    sods = shapes.inside_area_m2(place.shape) * turf.sods_l_per_m2
    what = (
        message("getting-ready-turf-gives", what=turf.what, sods=Bulk(sods))
        if sods
        else verbatim(turf.what)
    )
    begin = first - timedelta(weeks=turf.weeks_before)
    return PrepJob(what, begin, max(filled, begin), verbatim(turf.why))


def _made_ready(place: p.Place, first: date, fill: Fill, book: Book) -> list[PrepJob]:
    jobs = []
    filled = first - timedelta(weeks=_SETTLE_WEEKS)
    opens = place.kind in ("ground", "mound") or shapes.bottom(place) in ("open", "mesh")
    # Ground that has grown something bears no grass.
    if opens and place.stands_on is None and not place.grew:
        jobs.append(_turf(place, first, filled, book))
    if base_cm(place):
        jobs.append(
            PrepJob(
                message("getting-ready-lay-woody-base-tread"),
                filled - timedelta(weeks=1),
                filled,
                message("getting-ready-dry-wood-drinks-what"),
            )
        )
    if place.kind != "ground" and fill.order_litres > 0:
        jobs.append(
            PrepJob(
                message("getting-ready-fill", order=Bulk(fill.order_litres), fill=fill.label),
                filled,
                first,
                message("getting-ready-filled-autumn-or-month"),
            )
        )
    return jobs


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
                message("getting-ready-draw-mulch-back-where", thin=Length(thin)),
                seed.start,
                seed.up_by or seed.start,
                message("getting-ready-seedlings-do-not-come"),
            )
            for seed in sown[:1]
        ),
        PrepJob(
            message(
                "getting-ready-mulch-deep-settled-loose",
                cm=Length(cm),
                litres=Bulk(litres),
                loose=Bulk(loose),
            ),
            warm,
            warm + timedelta(weeks=4),
            message("getting-ready-warm-wet-soil-cold"),
        ),
        PrepJob(
            message("getting-ready-top-mulch-up", litres=Bulk(litres * lost)),
            year.first_frost,
            year.first_frost + timedelta(weeks=4),
            message("getting-ready-so-much-has-rotted"),
        ),
    ]
