"""How warm the soil of every place is on a day: read by its probe, else as usual."""

from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.calendar.soil_warmth import (
    SoilProbe,
    SoilWarmth,
    StandInProbe,
    estimated_c,
)
from ample_rows.core.words.message import message

SOWN_CM = 3.0


def soil_of_day(plan: p.Plan, day: date, seed: int, book: Book) -> tuple[SoilWarmth, ...]:
    """The soil where seed lies, place by place; none without a climate.

    Args:
        seed: Of the weather stand-in, which the stand-in probe follows.
    """
    year = growing_year(plan.garden, book)
    probe: SoilProbe = StandInProbe(plan.garden.climate, year.latitude, plan.places, seed, book)
    warmth = []
    for place in plan.places:
        read = probe.read_c(place.id, day, SOWN_CM) if place.probe else None
        usual = estimated_c(year, place, day, SOWN_CM, book)
        if read is not None:
            warmth.append(
                SoilWarmth(place.id, read, SOWN_CM, message("soil-of-day-read-probe"), probed=True)
            )
        elif usual is not None:
            warmth.append(
                SoilWarmth(place.id, usual, SOWN_CM, message("soil-of-day-usual-day"), probed=False)
            )
    return tuple(warmth)
