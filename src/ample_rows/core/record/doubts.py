"""What is asked about before an entry is kept: it may be a slip of the finger, or the truth."""

from collections.abc import Iterator
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.plan.reading import Fault, PlanFaultsError
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.row import kinds_of
from ample_rows.core.words.message import Count, Mass, Message, message

_AFTER_END = timedelta(days=60)


def season_id(year_start: date) -> str:
    """What the season of a growing year is called."""
    return str(year_start.year)


def require_entry(
    entry: Entry, plan: p.Plan, book: Book, report: PlantingReport | None = None
) -> None:
    """Raise `PlanFaultsError` for what no entry of this garden can say.

    Args:
        report: What was estimated of its planting, where it names one that is there.
    """
    faults = []
    if entry.kind == "picked" and entry.kg is None and entry.pieces is None:
        faults.append(Fault("kg", message("fault-needs-amount")))
    if entry.crop is not None and entry.crop not in book.crops:
        faults.append(Fault("crop", message("fault-no-crop", crop=entry.crop)))
    planting = plan.planting(entry.planting) if entry.planting else None
    if planting is not None and report is not None:
        faults += _of_its_row(entry, planting, report)
    if faults:
        raise PlanFaultsError(faults)


def _of_its_row(entry: Entry, planting: p.Planting, report: PlantingReport) -> Iterator[Fault]:
    """What is wrong with the plant or the kind that an entry names."""
    if entry.plant is not None and entry.plant > report.plants:
        there = Count(report.plants, "plant")
        yield Fault("plant", message("fault-no-such-plant", number=entry.plant, plants=there))
    if entry.variety is not None and entry.variety not in kinds_of(planting):
        yield Fault("variety", message("fault-not-its-kind", kind=entry.variety))


def doubts(
    entry: Entry, plan: p.Plan, report: PlantingReport | None, book: Book, *, today: date | None
) -> list[Fault]:
    """What is odd about an entry, each at its field.

    Args:
        report: What was estimated of its planting, where it names one that is there.
        today: The last day that has come; None where the garden's whole year is still ahead, so
            that it is only tried out.
    """
    found = list(_of_garden(entry, plan, today))
    if report is not None:
        found += _of_planting(entry, report, book)
    return found


def _of_garden(entry: Entry, plan: p.Plan, today: date | None) -> Iterator[Fault]:
    if today is not None and entry.day > today:
        yield Fault("day", message("doubt-not-yet", day=entry.day))
    plantings = {planting.id for planting in plan.plantings}
    if entry.planting is not None and entry.planting not in plantings:
        yield Fault("planting", message("doubt-planting-gone", planting=entry.planting))
    places = {place.id for place in plan.places}
    if entry.place is not None and entry.place not in places:
        yield Fault("place", message("doubt-place-gone", place=entry.place))


def _of_planting(entry: Entry, report: PlantingReport, book: Book) -> Iterator[Fault]:
    begins = report.start_date
    if entry.kind not in {"sown", "soil"} and entry.day < begins:
        yield Fault("day", message("doubt-before-start", planting=report.name, start=begins))
    if entry.kind != "picked":
        return
    if report.clear_date is not None and entry.day > report.clear_date + _AFTER_END:
        yield Fault("day", message("doubt-after-end", planting=report.name, end=report.clear_date))
    most_kg = book.value("entry_most_times_high") * report.harvest_kg.p90
    if entry.kg is not None and entry.kg > most_kg:
        yield Fault("kg", _much(entry.kg, report))


def _much(kg: float, report: PlantingReport) -> Message:
    return message(
        "doubt-much",
        kg=Mass(kg),
        planting=report.name,
        high=Mass(report.harvest_kg.p90),
    )
