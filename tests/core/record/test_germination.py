"""What came up of what was sown: in beds, on the shelf, by the last year that was counted."""

from datetime import date

from ample_rows.core.record.entries import Entry
from ample_rows.core.record.germination import CameUp, came_up
from ample_rows.core.record.parts import LotEvent, SeedlingLot


def entry(kind, year, count, planting="c", number=[0]):  # noqa: B006 - counts its calls
    number[0] += 1
    day = date(year, 5, number[0])
    return Entry(id=f"e{number[0]}", day=day, kind=kind, planting=planting, count=count)


def test_the_last_year_that_was_counted_is_told_beds_and_shelf_together():
    told = [
        *(entry("sown", 2026, 50), entry("up", 2026, 40)),
        *(entry("sown", 2027, 40), entry("up", 2027, 22)),
        *(entry("sown", 2027, 30, "d"), entry("up", 2028, 20)),
    ]
    steps = [("sown", 10), ("up", 8), ("singled", 5)]
    events = tuple(LotEvent(day=date(2027, 3, 1), step=step, count=n) for step, n in steps)
    lots = [SeedlingLot(id="l", crop="carrot", events=events)]
    found = came_up(told, lots, {"c": "carrot", "d": "kale"})
    assert found == {"carrot": CameUp(2027, 50, 30)}
    assert came_up([], [], {}) == {}
