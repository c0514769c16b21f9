"""Verdicts: the last word on a crop, for its kinds too, and what is wanted no more."""

from datetime import date

import pytest

from ample_rows.core.record.entries import Entry
from ample_rows.core.record.typed import typed_entry
from ample_rows.core.record.verdicts import not_again, place_verdicts, verdicts_of
from tests.conftest import document, planting


def verdict(ident, day, crop, quality=None, text=None):
    values = {"id": ident, "day": day, "kind": "verdict", "crop": crop}
    return Entry(**values, quality=quality, text=text)


def test_the_last_verdict_on_a_crop_holds_for_its_kinds_unless_they_have_a_later_one(book):
    kind = next(c.id for c in book.crops.values() if c.variety_of == "carrot")
    told = [
        verdict("b", date(2027, 9, 1), kind, "more", "sweet"),
        verdict("a", date(2026, 9, 1), "carrot", "drop"),
        verdict("c", date(2025, 9, 1), "carrot", "keep"),
    ]
    found = verdicts_of(told, book)
    assert found["carrot"].verdict == "drop"
    assert (found[kind].verdict, found[kind].text) == ("more", "sweet")
    assert "carrot" in not_again(found)
    assert kind not in not_again(found)
    assert "tomato" not in found


def test_a_verdict_on_a_place_is_not_one_on_a_crop_in_it(book):
    said = {"kind": "verdict", "place": "low", "text": "too shady"}
    told = [
        Entry(id="a", day=date(2026, 9, 1), **said),
        verdict("b", date(2027, 9, 1), "carrot", "drop").model_copy(update={"place": "low"}),
    ]
    assert place_verdicts(told)["low"].text == "too shady"
    assert list(verdicts_of(told[:1], book)) == []


def test_words_of_another_program_are_kept_but_decide_nothing(book):
    found = verdicts_of([verdict("a", date(2026, 9, 1), "kale", "so-so", "meh")], book)
    assert (found["kale"].verdict, found["kale"].text) == (None, "meh")
    assert not_again(found) == frozenset()


@pytest.mark.parametrize(
    ("line", "quality"),
    [
        ("verdict carrot never again forked", "never again"),
        ("verdict carrots more", "more"),
        ("verdict carrot drop", "drop"),
        ("verdict carrot less please", "fewer"),
        ("verdict carrot lovely", None),
    ],
)
def test_a_verdict_is_typed_in_a_line(read, run, book, line, quality):
    plan = read(document(planting(id="c")))
    reports = run(plan).plantings
    entry = typed_entry(line, plan, reports, book, day=date(2027, 9, 1), ident="e").entry
    assert (entry.kind, entry.crop, entry.quality) == ("verdict", "carrot", quality)
    assert (entry.planting, entry.text) == (None, line.partition(" ")[2].partition(" ")[2])
