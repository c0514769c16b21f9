"""A trailing crop led over more ground than it grows in: how much room that gives it."""

from ample_rows.core.calendar.dates import dates_of
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.planting.cases import Case
from ample_rows.core.words.message import Area, Message, Number, message


def rooms(case: Case, own_m2: float) -> float:
    """How many times its own ground a planting's leaves have in the end; 1 where it is not led.

    Ground counts in full from the day its vines run, less the later it is free, and not at all
    once the first fruit is ripe.
    """
    led = case.planting.led_over
    if led is None or own_m2 <= 0 or case.support is not None:
        return 1.0
    dates = dates_of(case.planting, case.crop, case.setting.year, case.book)
    grows = (dates.due - dates.start).days
    runs = dates.start + days(grows * case.book.value("vines_run_share"))
    left = (dates.due - max(runs, led.since)).days / max(1, (dates.due - runs).days)
    return 1.0 + max(0.0, min(1.0, left)) * led.m2 / own_m2


def led_words(case: Case, roomy: float) -> Message | None:
    """What is said of it beside the crowding."""
    led = case.planting.led_over
    if led is None or roomy <= 1.0:
        return None
    where = message("led-over-of", where=led.where) if led.where else ""
    return message(
        "led-over-led-over-another-times", m2=Area(led.m2), where=where, roomy=Number(roomy, 2)
    )
