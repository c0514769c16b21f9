"""This week by the days ahead: frost on what is tender, heat, drought, soil too cold to sow."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.cells import span_words
from ample_rows.core.reference import Book, Crop
from ample_rows.core.report import PlantingReport
from ample_rows.core.said import day_words
from ample_rows.core.weather.days import DayWeather

_FROST_C = {"tender": 1.0, "half-hardy": -2.0, "hardy": -90.0}


@dataclass(frozen=True, slots=True)
class Advice:
    """What the days ahead ask for: where, and why."""

    kind: str
    words: str
    planting: str | None


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


def _named(report: PlantingReport, labels: dict[str, str]) -> str:
    where = f" {span_words(report.cells)}" if report.cells else ""
    return f"{report.name}, {labels[report.place]}{where}"


def _crop(report: PlantingReport, book: Book) -> Crop:
    return book.crops[report.crop]


def _frost(
    days: Sequence[DayWeather],
    there: Sequence[PlantingReport],
    labels: dict[str, str],
    book: Book,
) -> Iterator[Advice]:
    for report in there:
        least = _FROST_C[_crop(report, book).frost]
        cold = [d for d in days if d.low_c <= least and report.start_date <= d.day]
        if cold and report.clear_date and cold[0].day < report.clear_date:
            first = min(cold, key=lambda d: d.low_c)
            words = f"{first.low_c:.0f} °C is likely in the night of {day_words(first.day)}: "
            does = "cover" if report.start_date < first.day else "wait with"
            yield Advice("frost", f"{words}{does} {_named(report, labels)}", report.id)


def _heat(
    days: Sequence[DayWeather],
    there: Sequence[PlantingReport],
    labels: dict[str, str],
    book: Book,
) -> Iterator[Advice]:
    over = book.value("heat_over_ceiling_c")
    hottest = max(days, key=lambda d: d.high_c)
    for report in there:
        crop = _crop(report, book)
        if hottest.high_c >= crop.ceiling_temperature_c + over and crop.group in ("leaf", "flower"):
            words = f"{hottest.high_c:.0f} °C on {day_words(hottest.day)}: shade and water "
            yield Advice("heat", f"{words}{_named(report, labels)}, or pick it before", report.id)


def _rain(days: Sequence[DayWeather], book: Book) -> Iterator[Advice]:
    """Rain that waters for you, or none at all."""
    fallen = sum(d.rain_mm for d in days)
    if fallen >= book.value("rain_waters_mm"):
        yield Advice("rain", f"{fallen:.0f} mm of rain are likely: leave the watering", None)
    elif fallen < book.value("rain_counts_mm"):
        yield Advice("dry", "hardly any rain is likely: water in full, pots each day", None)
