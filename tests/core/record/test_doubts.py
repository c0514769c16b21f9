"""What is asked about before an entry is kept."""

from datetime import date

import pytest

from ample_rows.core.record.doubts import doubts
from ample_rows.core.record.entries import Entry
from tests.conftest import document, planting

DAY = date(2027, 8, 1)


@pytest.fixture
def asked(read, reported, book):
    doc = document(planting(id="c", start_date="2027-04-10"))
    plan, report = read(doc), reported(doc).plantings[0]

    def ask(today=DAY, **keys):
        entry = Entry(id="e", **{"day": DAY, "kind": "picked", "planting": "c", "kg": 0.5, **keys})
        return {fault.path for fault in doubts(entry, plan, [report], book, today=today)}

    return ask


@pytest.mark.parametrize(
    ("keys", "paths"),
    [
        ({}, set()),
        ({"kg": 400.0}, {"kg"}),
        ({"day": date(2027, 3, 1)}, {"day"}),
        ({"day": date(2027, 3, 1), "kind": "soil"}, set()),
        ({"day": date(2029, 3, 1), "today": date(2029, 3, 1)}, {"day"}),
        ({"day": date(2029, 3, 1), "kind": "note", "today": date(2029, 3, 1)}, set()),
        ({"day": date(2027, 8, 2)}, {"day"}),
        ({"day": date(2027, 8, 2), "today": None}, set()),
        ({"planting": "gone"}, {"planting"}),
        ({"place": "gone"}, {"place"}),
        # Without a planting it is of all that grow of its crop, where that is said to be.
        ({"planting": None, "crop": "carrot"}, set()),
        ({"planting": None, "crop": "carrot", "place": "bed", "kg": 400.0}, {"kg"}),
        ({"planting": None, "crop": "carrot", "day": date(2027, 3, 1)}, {"day"}),
        ({"planting": None, "crop": "radish", "kg": 400.0}, {"crop"}),
        ({"planting": None, "crop": "radish", "kind": "note", "kg": None}, set()),
    ],
)
def test_what_is_odd_is_told_at_its_field(asked, keys, paths):
    assert asked(**keys) == paths
