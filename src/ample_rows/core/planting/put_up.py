"""When what plants climb or lean on is put up, by the crop that needs it first."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from ample_rows.core.book import Book, Crop
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.planting.growth import grown_to
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Length, Message, message


@dataclass(frozen=True, slots=True)
class PutUpDay:
    """From when a support can be put up, by when it has to stand, and why then."""

    first: date
    latest: date
    why: Message


def put_up_day(on_it: Iterable[PlantingReport], book: Book) -> PutUpDay | None:
    """When a support is put up for all that grows on it; None where nothing does."""
    wished = [_for_one(report, book.crops[report.crop], book) for report in on_it]
    return min(wished, key=lambda one: one.latest, default=None)


def _for_one(report: PlantingReport, crop: Crop, book: Book) -> PutUpDay:
    start, name = report.start_date, report.name
    ahead = days(book.value("put_up_before_days"))
    if crop.put_up.when == "same-day":
        why = message("put-up-same-day", crop=name, start=start)
        return PutUpDay(start - ahead, start, why)
    if crop.put_up.grown_cm is not None:
        tall = grown_to(report.growth, crop.put_up.grown_cm) or start
        high = Length(crop.put_up.grown_cm)
        why = message("put-up-grown", crop=name, high=high, day=tall)
        return PutUpDay(max(start, tall - ahead), tall, why)
    why = message("of-place-before-what-climbs-starts", first=start)
    return PutUpDay(start - ahead, start, why)
