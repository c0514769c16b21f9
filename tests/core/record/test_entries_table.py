"""The day book as a table: out and in again, and from the columns of a grower's own."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.table import entries_csv, read_table
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting

LOW = bed(id="low", name="Low bed")
PLANT = planting("carrot", id="c", place="low", start_date="2027-04-10")


@pytest.fixture
def taken(read, book):
    """What a table would bring to a garden with one bed of carrots."""

    def make(text, kept=(), columns=None, **garden):
        plan = read(document(PLANT, places=[LOW], **garden))
        return read_table(text, plan, book, kept, columns)

    return make


def only(found):
    assert found.refused == ()
    [entry] = found.entries
    return entry


def test_a_growers_own_columns_are_matched_by_what_they_are_called(taken):
    found = taken(
        'Date;Bed;Vegetable;Weight (kg);Weather;Notes\n3.8.2027;low bed;Carrot;"1,25";dry;first\n'
    )
    entry = only(found)
    assert (entry.day, entry.place, entry.crop, entry.kg, entry.text, entry.kind) == (
        date(2027, 8, 3),
        "low",
        "carrot",
        1.25,
        "first",
        "picked",
    )
    assert [(c.head, c.key) for c in found.columns if c.key is None] == [("Weather", None)]


@pytest.mark.parametrize(
    ("head", "cell", "kg"),
    [
        ("kg", "1.2", 1.2),
        ("weight", "350 g", 0.35),
        ("Weight lb", "2", 0.9072),
        ("oz", "8", 0.2268),
        ("Harvest (g)", "1 250", 1.25),
    ],
)
def test_weights_are_read_in_the_unit_of_their_column_or_their_own(taken, head, cell, kg):
    assert only(taken(f"day,crop,{head}\n2027-08-03,carrot,{cell}\n")).kg == pytest.approx(kg)


@pytest.mark.parametrize(
    ("days", "words", "first"),
    [
        (("3/8/2027", "25/8/2027"), "en-US", date(2027, 8, 3)),
        (("3/8/2027", "8/25/2027"), "en-GB", date(2027, 3, 8)),
        (("3/8/27",), "en-GB", date(2027, 8, 3)),
        (("3/8/2027",), "en-US", date(2027, 3, 8)),
        (("3 Aug 2027",), "en-GB", date(2027, 8, 3)),
        (("August 3, 2027",), "en-US", date(2027, 8, 3)),
        (("2027-08-03T07:10:00",), "en-GB", date(2027, 8, 3)),
    ],
)
def test_days_are_read_in_the_order_that_the_column_bears_out(taken, days, words, first):
    rows = "".join(f'"{day}",carrot,1\n' for day in days)
    found = taken(f"day,crop,kg\n{rows}", words=words)
    assert found.entries[0].day == first


@pytest.mark.parametrize(
    ("row", "column", "words"),
    [
        ("yesterday,low,carrot,1", "day", "is no day"),
        ("2027-08-03,far bed,carrot,1", "bed", "is no place of this garden"),
        ("2027-08-03,low,moonflower,1", "crop", "is no crop of the book"),
        ("2027-08-03,low,carrot,a lot", "kg", "is no amount"),
        ("2027-08-03,low,carrot,-2", "kg", "is no amount"),
    ],
)
def test_what_cannot_be_used_is_told_by_line_and_column_and_the_rest_is_taken(
    taken, row, column, words
):
    found = taken(f"day,bed,crop,kg\n2027-08-01,low,carrot,0.5\n{row}\n")
    [refused] = found.refused
    assert (refused.line, refused.column) == (3, column)
    assert words in said(refused.text)
    assert len(found.entries) == 1


def test_columns_are_what_the_grower_says(taken):
    text = "Tag,Ort,Kultur,Menge,Gewicht\n2027-08-03,low bed,carrot,3,1.2\n"
    assert taken(text).entries == ()
    columns = {"Tag": "day", "Ort": "place", "Kultur": "crop", "Menge": None, "Gewicht": "kg"}
    entry = only(taken(text, columns=columns))
    assert (entry.day, entry.place, entry.kg) == (date(2027, 8, 3), "low", 1.2)
    # What is said of one column is no longer guessed of another.
    found = taken("day,kg,net\n2027-08-03,2,1.5\n", columns={"net": "kg"})
    assert only(found).kg == 1.5
    assert {c.head: c.key for c in found.columns} == {"day": "day", "kg": None, "net": "kg"}


@pytest.mark.parametrize(
    ("columns", "words"),
    [({"a": "moon"}, "nothing that a column can be"), ({"a": "kg", "b": "kg"}, "cannot both be")],
)
def test_a_column_that_nothing_can_be_is_named(taken, columns, words):
    with pytest.raises(PlanFaultsError) as raised:
        taken("a,b\n1,2\n", columns=columns)
    assert raised.value.faults[0].path == "columns.a"
    assert words in said(raised.value.faults[0].text)


def test_the_same_file_twice_brings_nothing_new_and_the_same_line_twice_is_two_entries(taken):
    text = "day,crop,kg\n2027-08-03,carrot,1\n2027-08-03,carrot,1\n"
    first = taken(text)
    assert len({entry.id for entry in first.entries}) == 2
    again = taken(text, kept=first.entries)
    assert (again.entries, again.known) == ((), 2)
    more = taken(text + "2027-08-03,carrot,1\n", kept=first.entries)
    assert (len(more.entries), more.known) == (1, 2)


@given(
    entries=st.lists(
        st.builds(
            Entry,
            id=st.from_regex(r"[a-z]{1,8}-[0-9]{1,4}", fullmatch=True),
            day=st.dates(date(2026, 1, 1), date(2028, 12, 31)),
            kind=st.sampled_from(["picked", "note", "seen", "sown", "verdict"]),
            place=st.sampled_from([None, "low"]),
            planting=st.sampled_from([None, "gone"]),
            crop=st.sampled_from([None, "carrot", "tomato"]),
            cells=st.sampled_from([None, ("A1", "B2")]),
            kg=st.none() | st.integers(0, 90_000).map(lambda grams: grams / 1000),
            pieces=st.none() | st.integers(0, 500),
            text=st.none() | st.sampled_from(["=cmd", "hail, and more", 'she said "no"', "+1"]),
            left_out=st.sampled_from([None, True, "deer"]),
        ),
        max_size=8,
        unique_by=lambda entry: entry.id,
    )
)
def test_what_goes_out_comes_in_again_as_it_was(entries, read, book):
    found = read_table(entries_csv(entries), read(document(PLANT, places=[LOW])), book, ())
    assert found.refused == ()
    assert found.entries == tuple(entries)


def test_plurals_name_a_crop_and_what_is_counted_is_no_weight(taken):
    found = taken("Date;Veg;Weight (g)\n2027-08-01;Broad beans;450\n2027-08-02;Lettuces;2 heads\n")
    assert [(e.crop, e.kg, e.pieces) for e in found.entries] == [
        ("broad-bean", 0.45, None),
        ("lettuce", None, 2),
    ]
    (refused,) = taken("Date;Veg;Weight\n2027-08-01;Broad beans;3 bags\n").refused
    assert (refused.column, refused.value) == ("Weight", "3 bags")
