"""What is asked about before an entry is kept: it may be a slip of the finger, or the truth."""

from collections.abc import Iterator, Sequence
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
    entry: Entry,
    plan: p.Plan,
    reports: Sequence[PlantingReport],
    book: Book,
    *,
    today: date | None,
) -> list[Fault]:
    """What is odd about an entry, each at its field.

    Args:
        reports: What was estimated of the plantings of its season; none where that is over.
        today: The last day that has come; None where the garden's whole year is still ahead, so
            that it is only tried out.
    """
    found = list(_of_garden(entry, plan, today))
    meant = [report for report in reports if _means(entry, report, book)]
    if meant:
        found += _of_plantings(entry, meant, book)
    elif reports and _of_a_crop(entry) and entry.crop is not None:
        found.append(Fault("crop", message("doubt-none-grown", crop=book.crops[entry.crop].name)))
    return found


def _of_a_crop(entry: Entry) -> bool:
    """Whether something was picked of a crop, and not said of which planting."""
    return entry.kind == "picked" and entry.crop is not None and entry.planting is None


def _means(entry: Entry, report: PlantingReport, book: Book) -> bool:
    """Whether an entry is of a planting: it names it; or what was picked is of its crop, and of
    its place where that is said."""
    if not _of_a_crop(entry):
        return report.id == entry.planting
    same = entry.crop in (report.crop, book.crops[report.crop].variety_of)
    return same and entry.place in (None, report.place)


def _of_garden(entry: Entry, plan: p.Plan, today: date | None) -> Iterator[Fault]:
    if today is not None and entry.day > today:
        yield Fault("day", message("doubt-not-yet", day=entry.day))
    plantings = {planting.id for planting in plan.plantings}
    if entry.planting is not None and entry.planting not in plantings:
        yield Fault("planting", message("doubt-planting-gone", planting=entry.planting))
    places = {place.id for place in plan.places}
    if entry.place is not None and entry.place not in places:
        yield Fault("place", message("doubt-place-gone", place=entry.place))


def _of_plantings(entry: Entry, reports: Sequence[PlantingReport], book: Book) -> Iterator[Fault]:
    """What is odd of the plantings that an entry means: before the first of them, after the last,
    and more than all of them."""
    name = reports[0].name
    begins = min(report.start_date for report in reports)
    if entry.kind not in {"sown", "soil"} and entry.day < begins:
        yield Fault("day", message("doubt-before-start", planting=name, start=begins))
    if entry.kind != "picked":
        return
    ends = [report.clear_date for report in reports if report.clear_date is not None]
    if len(ends) == len(reports) and entry.day > max(ends) + _AFTER_END:
        yield Fault("day", message("doubt-after-end", planting=name, end=max(ends)))
    high_kg = sum(report.harvest_kg.p90 for report in reports)
    if entry.kg is not None and entry.kg > book.value("entry_most_times_high") * high_kg:
        yield Fault("kg", _much(entry.kg, name, high_kg))


def _much(kg: float, name: str, high_kg: float) -> Message:
    return message("doubt-much", kg=Mass(kg), planting=name, high=Mass(high_kg))
