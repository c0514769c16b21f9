"""What ails a planting of a garden: what the plan knows of it goes along with what is seen."""

from collections.abc import Mapping, Sequence
from datetime import date

from ample_rows.core.ask.ailments.finder import Found, Seen, causes_of
from ample_rows.core.book import Crop
from ample_rows.core.book.ailments import Factor
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.planting.report import PlantingReport

_HALF_A_YEAR, _MONTHS = 6, 12


def northern_month(day: date, latitude: float) -> int:
    """The month of the north that a day is like in its season."""
    if latitude >= 0:
        return day.month
    return (day.month - 1 + _HALF_A_YEAR) % _MONTHS + 1


def ailing(
    here: Estimate,
    signs: Sequence[str],
    answers: Mapping[str, bool],
    *,
    day: date,
    planting: str | None = None,
    crop: str | None = None,
) -> Found:
    """Likely causes of what is seen on a planting, on a crop, or on something unnamed.

    Raises:
        UnknownPartError: No such planting, crop, sign or question.
    """
    kind = crop_of(here, planting=planting, crop=crop)
    month = northern_month(day, here.plan.garden.latitude)
    report = next((r for r in here.report.plantings if r.id == planting), None)
    if report is None or planting is None:
        return causes_of(Seen(signs, answers, kind, month), here.book)
    container = here.place(here.planting(planting).place).place.kind == "container"
    factors = _factors(report, container=container)
    found = Seen(signs, answers, kind, month, factors, report.harvest_kg.p50)
    return causes_of(found, here.book)


def crop_of(here: Estimate, *, planting: str | None, crop: str | None) -> Crop | None:
    """The crop of a planting, or the one that is named.

    Raises:
        UnknownPartError: There is no such planting or crop.
    """
    ident = here.planting(planting).crop if planting is not None else crop
    if ident is None:
        return None
    if ident not in here.book.crops:
        raise UnknownPartError(kind="crop", ident=ident)
    return here.book.crops[ident]


def _factors(report: PlantingReport, *, container: bool) -> dict[Factor, float]:
    """What the plan reckons, by its factors; in a container depth and litres are one."""
    factors = report.factors
    return {
        "density": factors.density,
        "depth": 1.0 if container else factors.depth,
        "litres": factors.depth if container else 1.0,
        "light": factors.light,
        "season": factors.season,
    }
