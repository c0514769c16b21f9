"""This week by the days ahead: frost on what is tender, heat, drought, soil too cold to sow."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.geometry.cells import span_words
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.weather.days import DayWeather
from ample_rows.core.words.message import Listed, Message, Rain, Temperature, Text, listed, message

# What a cold night takes; what is hardy stands any that comes.
_TAKEN_BELOW = {"tender": "frost_tender_c", "half-hardy": "frost_half_hardy_c"}


@dataclass(frozen=True, slots=True)
class Advice:
    """What the days ahead ask for: where, and why."""

    kind: str
    words: Text
    plantings: tuple[str, ...]


def advice_for(
    days: Sequence[DayWeather],
    standing: Sequence[PlantingReport],
    places: Sequence[p.Place],
    book: Book,
) -> tuple[Advice, ...]:
    """What the days ahead ask for of the plantings that stand or start then."""
    if not days:
        return ()
    there = [r for r in standing if _stands(r, days[0].day, days[-1].day)]
    labels = {place.id: place.label for place in places}
    return (
        *_frost(days, there, labels, book),
        *_heat(days, there, labels, book),
        *_rain(days, book),
    )


def _stands(report: PlantingReport, since: date, until: date) -> bool:
    return report.start_date <= until and (report.clear_date or until) > since


def _named(report: PlantingReport, labels: dict[str, str]) -> Message:
    where = f" {span_words(report.cells)}" if report.cells else ""
    return message("days-ahead-planting", crop=report.name, place=labels[report.place], where=where)


def _crop(report: PlantingReport, book: Book) -> Crop:
    return book.crops[report.crop]


def _frost(
    days: Sequence[DayWeather],
    there: Sequence[PlantingReport],
    labels: dict[str, str],
    book: Book,
) -> Iterator[Advice]:
    """Each cold night with all that it would take, told once."""
    taken: dict[DayWeather, list[PlantingReport]] = {}
    for report in there:
        below = _TAKEN_BELOW.get(_crop(report, book).frost)
        if below is None:
            continue
        least = book.value(below)
        cold = [d for d in days if d.low_c <= least and _stands(report, d.day, d.day)]
        if cold:
            taken.setdefault(min(cold, key=lambda d: d.low_c), []).append(report)
    for night, reports in taken.items():
        words = message("days-ahead-cold-night", low=Temperature(night.low_c), day=night.day)
        out = [r for r in reports if r.start_date < night.day]
        wait = [r for r in reports if r.start_date >= night.day]
        does = [
            message("days-ahead-does", does=does, plantings=_listed(some, labels))
            for does, some in (
                (message("days-ahead-cover"), out),
                (message("days-ahead-wait"), wait),
            )
            if some
        ]
        yield Advice(
            "frost",
            message("days-ahead-frost", night=words, does=listed(does, "semicolon")),
            tuple(r.id for r in reports),
        )


def _heat(
    days: Sequence[DayWeather],
    there: Sequence[PlantingReport],
    labels: dict[str, str],
    book: Book,
) -> Iterator[Advice]:
    over = book.value("heat_over_ceiling_c")
    hottest = max(days, key=lambda d: d.high_c)
    suffers = [r for r in there if _suffers(_crop(r, book), hottest.high_c - over)]
    if suffers:
        words = message(
            "days-ahead-heat",
            high=Temperature(hottest.high_c),
            day=hottest.day,
            plantings=_listed(suffers, labels),
        )
        yield Advice("heat", words, tuple(r.id for r in suffers))


def _suffers(crop: Crop, high_c: float) -> bool:
    """Whether heat makes a crop run to seed: leaves and heads, not fruit that likes it."""
    eaten = crop.yield_kg_per_plant is not None
    return eaten and crop.group in ("leaf", "flower") and high_c >= crop.ceiling_temperature_c


def _listed(reports: Sequence[PlantingReport], labels: dict[str, str]) -> Listed:
    return listed((_named(r, labels) for r in reports), "semicolon")


def _rain(days: Sequence[DayWeather], book: Book) -> Iterator[Advice]:
    """Rain that waters for you, or none at all."""
    fallen = sum(d.rain_mm for d in days)
    if fallen >= book.value("rain_waters_mm"):
        yield Advice(
            "rain", message("days-ahead-rain-likely-leave-watering", fallen=Rain(fallen)), ()
        )
    elif fallen < book.value("rain_counts_mm"):
        yield from _drought(days, book)


def _drought(days: Sequence[DayWeather], book: Book) -> Iterator[Advice]:
    """Dry days ask for water in growing weather; pots each day only while it is warm."""
    mean_c = sum((d.low_c + d.high_c) / 2 for d in days) / len(days)
    high_c = sum(d.high_c for d in days) / len(days)
    if mean_c >= book.value("dry_growing_c"):
        pots = (
            message("days-ahead-pots-each-day") if high_c >= book.value("pots_daily_high_c") else ""
        )
        yield Advice("dry", message("days-ahead-hardly-any-rain-likely", pots=pots), ())
