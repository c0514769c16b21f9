"""What a place's sun bears, month by month, in words."""

from collections.abc import Sequence

from ample_rows.core.book import Book
from ample_rows.core.words.message import Message, listed, message

_MONTHS = (
    "January",
    "February",
    "March",
    "April",
    "May",
    "June",
    "July",
    "August",
    "September",
    "October",
    "November",
    "December",
)
GROWING_MONTHS = 6
_NEEDS = (
    (message("bears-fruit-crops"), "sun_for_fruit"),
    (message("bears-roots"), "sun_for_roots"),
    (message("bears-leaves"), "sun_for_leaves"),
)


def best_months(hours: Sequence[float]) -> float:
    """Mean over the six sunniest of twelve months. [hours]"""
    best = sorted(hours, reverse=True)[:GROWING_MONTHS]
    return sum(best) / len(best)


def halves(hours: Sequence[float], afternoons: Sequence[float]) -> tuple[float, float]:
    """Mean hours before and after noon over the six sunniest of twelve months. [hours]"""
    best = sorted(range(len(hours)), key=lambda month: -hours[month])[:GROWING_MONTHS]
    after = sum(afternoons[month] for month in best) / len(best)
    return best_months(hours) - after, after


def bears_words(hours: Sequence[float], book: Book) -> Message:
    """A sentence on the months whose sun is enough for each kind of crop.

    Args:
        hours: Mean daily direct sun of twelve months, January first. [hours]
    """
    if min(hours) >= book.value(_NEEDS[0][1]):
        return message("bears-sun-enough-any-crop")
    parts = [
        message("bears-part", what=what, when=_when([h >= book.value(need) for h in hours]))
        for what, need in _NEEDS
    ]
    return message("bears-sun-enough", crops=listed(parts))


def _when(enough: list[bool]) -> Message:
    if all(enough):
        return message("bears-all-year")
    if not any(enough):
        return message("bears-no-month")
    spans = _spans(enough)
    words = [
        message("bears-in", months=_MONTHS[first])
        if first == last
        else message("bears-from", months=_MONTHS[first], until=_MONTHS[last])
        for first, last in spans
    ]
    return message("bears-spans", spans=listed(words, "and"))


def _spans(enough: list[bool]) -> list[tuple[int, int]]:
    """Runs of months, first and last; a run may pass the new year."""
    starts = [m for m in range(12) if enough[m] and not enough[m - 1]]
    spans = []
    for first in starts:
        last = first
        while enough[(last + 1) % 12]:
            last = (last + 1) % 12
        spans.append((first, last))
    return spans
