"""The day by which long days have made a crop run to seed."""

from datetime import date, timedelta

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.calendar.seeding import hurried_days, seeding_day
from ample_rows.core.words.message import said
from ample_rows.crops import load_book
from tests.conftest import document, planting
from tests.core.estimate.test_six_climates import garden_in, grown_in

BOOK = load_book()
DAYS = st.dates(date(2027, 1, 1), date(2028, 12, 31))


# At 52 degrees north days reach 14.5 hours in the last days of April, and 14 h a week before.
@pytest.mark.parametrize(
    ("crop", "latitude", "due", "ends"),
    [
        ("corn-salad", 52, date(2028, 3, 1), date(2028, 4, 28)),
        ("corn-salad", 52, date(2028, 4, 25), date(2028, 5, 9)),
        ("corn-salad", -52, date(2027, 9, 1), date(2027, 10, 29)),
        ("corn-salad", 52, date(2027, 10, 20), None),
        ("corn-salad", 10, date(2028, 3, 1), None),
        ("carrot", 52, date(2028, 3, 1), None),
    ],
)
def test_picking_ends_once_days_are_long(crop, latitude, due, ends):
    found = seeding_day(BOOK.crops[crop], latitude, due, due + timedelta(days=90))
    assert found == ends or abs((found - ends).days) <= 2


@given(DAYS, st.floats(-66, 66), st.integers(0, 150))
def test_it_never_ends_a_picking_before_it_began_nor_makes_it_longer(due, latitude, held):
    over = due + timedelta(days=held)
    ends = seeding_day(BOOK.crops["corn-salad"], latitude, due, over)
    assert ends is None or due + timedelta(days=14) <= ends < over


@given(st.floats(1, 200), st.floats(0, 300))
def test_the_whole_of_it_is_picked_faster_but_within_reason(whole, left):
    assert whole / 2 <= hurried_days(whole, left) <= whole


def test_corn_salad_sown_late_is_over_before_the_summer_and_says_why(noted):
    garden = garden_in("mild-coast")
    sown = planting("corn-salad", start="sow", start_date="2027-10-10")
    note = noted(document(sown, **garden))["runs-to-seed"]
    assert "run to seed: its picking ends about 28 April" in said(note.text)
    late, early = (grown_in(garden, "corn-salad", date(2027, 10, day)) for day in (10, 1))
    assert late.last_pick < date(2028, 5, 10)
    assert late.harvest_kg.p50 < early.harvest_kg.p50
