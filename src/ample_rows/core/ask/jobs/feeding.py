"""Feeding as jobs: a bed's grams in two goes, a pot's dose by the can, as the label has them."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.job import Job, ground_job
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.estimate.report import YearReport
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.soil.feed import by_measure
from ample_rows.core.soil.soft import by_day, strewn_g
from ample_rows.core.words.message import (
    Count,
    Dose,
    Message,
    Number,
    Share,
    Text,
    Volume,
    listed,
    message,
)

_MOST_NAMED = 3
_LATER = timedelta(days=14)
_ALL = 0.995


def dose_words(place: PlaceReport, soil: p.Soil | None, book: Book, *, share: float = 1.0) -> Text:
    """A liquid feed's dose: so much in a can, and how much of that a pot takes; else nothing.

    Args:
        share: Of the label's strength.
    """
    liquid = soil.liquid if soil else None
    if liquid is None:
        return ""
    can = book.value("can_litres")
    dose = liquid.ml_per_10_l * can / 10 * share
    pour = place.soil_litres * book.value("feed_pour_share")
    return message(
        "feeding-ml-can",
        dose=Number(dose, 1),
        feed=liquid.name or message("feeding-feed"),
        can=Volume(can),
        pour=Volume(pour, 1),
    )


def wait_words(wait_days: int | None) -> Text:
    """What a label asks for between feeding and picking."""
    if not wait_days:
        return ""
    return message("feeding-label-asks-days-before", wait_days=wait_days)


def bed_feeds(
    place: p.Place,
    report: PlaceReport,
    plantings: Sequence[PlantingReport],
    year: YearReport,
    *,
    soil: p.Soil | None,
    book: Book,
) -> Iterator[Job]:
    """The packet's grams for a bed: half before its first crop, raked in, or in the holes of what
    is planted out hungry later; half when growth is strong and weeks before frost, since what is
    given late is washed out by winter. What is strewn between layers is given by then.

    Pots are fed by the can with their plantings; a bed without a packet's analysis has none.
    """
    packet = soil.packet if soil else None
    laid = by_day(report.soil.soft).values()
    strewn = sum(strewn_g(layers, packet, book) for layers in laid)
    grams = (report.feed.packet_g or 0.0) - strewn
    if (
        packet is None
        or place.kind == "container"
        or grams < book.value("feed_least_g")
        or not plantings
    ):
        return
    times = _feeding_times(report, plantings, year, book)
    wait = wait_words(packet.wait_days)
    for nth, one in enumerate(times, 1):
        amount = _amount(grams * one.share, packet, report, book)
        part = _part(one.share)
        yield ground_job(
            place,
            "feed",
            nth=nth,
            verb="Feed",
            about=message("feeding-amount-how", amount=amount, how=one.how),
            why=message("feeding-crops-take-year", part=part, why=one.why, wait=wait),
            span=(one.on, one.on + days(book.value("feed_job_days"))),
            minutes=book.place_minutes["feed"].of(area_m2=report.inside_area_m2),
        )


def _part(share: float) -> Message:
    if share > _ALL:
        return message("feeding-all")
    if abs(share - 0.5) < 1 - _ALL:
        return message("feeding-half")
    return message("feeding-share", share=Share(share))


@dataclass(frozen=True, slots=True)
class _Feeding:
    """One go of a bed's feed: its share of the year's, how it is given, and why then."""

    on: date
    share: float
    how: Message
    why: Message


def _feeding_times(
    report: PlaceReport, plantings: Sequence[PlantingReport], year: YearReport, book: Book
) -> list[_Feeding]:
    """On which days a bed is fed, how, and why then."""
    takes = {crop.planting: crop.packet_g or 0.0 for crop in report.feed.crops}
    hungry = sorted(plantings, key=lambda planting: -takes.get(planting.id, 0.0))
    last = year.first_frost - days(book.value("feed_last_before_frost_days"))
    strong = next((planting for planting in hungry if _half_grown(planting) <= last), None)
    begun = [planting for planting in plantings if planting.start_date >= year.start]
    first = min((planting.start_date for planting in begun), default=None)
    early = 0.0 if first is None else 0.5 if strong else 1.0
    times = []
    if first is not None:
        all_takes = sum(takes.values()) or 1.0
        later = [e for e in begun if _fed_in_its_hole(e, first, book)]
        holes = {e.id: early * takes.get(e.id, 0.0) / all_takes for e in later}
        raked = early - sum(holes.values())
        if raked > 0:
            why = message("feeding-before-first-crop")
            times.append(_Feeding(first, raked, message("feeding-raked"), why))
        times += [
            _Feeding(
                e.start_date,
                holes[e.id],
                message("feeding-in-holes", plants=Count(e.plants, "plant"), crop=e.name),
                message("feeding-as-it-is-planted", crop=e.name),
            )
            for e in later
            if holes[e.id] > 0
        ]
    if strong:
        on = _half_grown(strong)
        most = message("feeding-most", most=listed(_standing(hungry, on)[:_MOST_NAMED]))
        why = message("feeding-half-grown", strong=strong.name)
        times.append(_Feeding(on, 1 - early, most, why))
    return sorted(times, key=lambda one: one.on)


def _fed_in_its_hole(planting: PlantingReport, first: date, book: Book) -> bool:
    """Whether a planting gets its first dose as it is planted: hungry, and planted out later."""
    set_out = planting.sow_indoors is not None or planting.sets_to_plant > 0
    hungry = book.crops[planting.crop].feeder == "heavy"
    return hungry and set_out and planting.start_date > first + _LATER


def _standing(plantings: Sequence[PlantingReport], day: date) -> list[str]:
    """Crops that stand on a day, in the order of the plantings."""
    names = [
        planting.name
        for planting in plantings
        if planting.start_date <= day < (planting.clear_date or date.max)
    ]
    return list(dict.fromkeys(names))


def _half_grown(planting: PlantingReport) -> date:
    """Half way from its start to its first pick, or to its end where it is never picked."""
    end = planting.first_pick or planting.clear_date or planting.start_date
    return planting.start_date + days((end - planting.start_date).days / 2)


def _amount(grams: float, packet: p.Packet, report: PlaceReport, book: Book) -> Message:
    """So much of the packet, and how often the label's most at once has to be given for it."""
    amount = message(
        "feeding-of",
        mass=Dose(grams),
        packet=report.feed.packet or "",
        measure=by_measure(grams, packet, book),
    )
    if packet.at_once_g_per_m2 is None:
        return amount
    most = packet.at_once_g_per_m2 * report.inside_area_m2
    times = math.ceil(grams / most) if most else 1
    allowed = message("feeding-label-allows-once", mass=Dose(most))
    if times <= 1:
        return message("feeding-allowed", amount=amount, allowed=allowed)
    apart = message("feeding-days-apart", every_days=packet.every_days) if packet.every_days else ""
    return message("feeding-goes", amount=amount, times=times, apart=apart, allowed=allowed)
