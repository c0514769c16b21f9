"""Verdicts: the last word on a crop, for its kinds too, and what is wanted no more."""

from datetime import date

import pytest

from ample_rows.core.record.entries import Entry
from ample_rows.core.record.typed.line import typed_entry
from ample_rows.core.record.typed.which import LineContext
from ample_rows.core.record.verdicts import (
    not_again,
    place_verdicts,
    support_verdicts,
    verdicts_of,
)
from ample_rows.core.words.message import said
from tests.conftest import bed, document, planting

DAY = date(2027, 9, 1)


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
    ("line", "of", "quality", "text"),
    [
        ("verdict carrot never again: forked", ("carrot", None, None), "never again", "forked"),
        ("carrots never again", ("carrot", None, None), "never again", None),
        ("carrot never again: dried up", ("carrot", None, None), "never again", "dried up"),
        ("verdict carrots more", ("carrot", None, None), "more", None),
        ("verdict carrot less please", ("carrot", None, None), "fewer", "please"),
        ("verdict carrot lovely", ("carrot", None, None), None, "lovely"),
        ("verdict kale bed drop", ("kale", None, None), "drop", None),
        ("verdict bed drop, too shady", (None, "bed", None), "drop", "too shady"),
        ("verdict bed drop: mint and nets", (None, "bed", None), "drop", "mint and nets"),
        ("verdict bed more: 3 kg of 2 m", (None, "bed", None), "more", "3 kg of 2 m"),
        ("verdict net bed never again, tore", (None, "bed", "n"), "never again", "tore"),
    ],
)
def test_a_verdict_is_typed_in_a_line(read, run, book, line, of, quality, text):
    net = {"id": "n", "system": "net", "height_cm": 180}
    plan = read(document(planting(id="c"), places=[bed(supports=[net])]))
    reports = run(plan).plantings
    entry = typed_entry(line, LineContext(plan, reports, book, DAY), "e").entry
    assert (entry.kind, entry.crop, entry.place, entry.support) == ("verdict", *of)
    assert (entry.planting, entry.quality, entry.text) == (None, quality, text)


def test_a_verdict_has_its_tags(read, run, book):
    plan = read(document(planting(id="c")))
    here = LineContext(plan, run(plan).plantings, book, DAY)
    typed = typed_entry("carrot never again #fly", here, "e")
    assert (typed.entry.quality, typed.entry.tags) == ("never again", ("fly",))


@pytest.mark.parametrize(
    ("line", "words"), [("verdict carrot", "and why"), ("verdict never again", "Say what it is on")]
)
def test_a_verdict_on_nothing_or_of_nothing_is_asked_about(read, run, book, line, words):
    plan = read(document(planting(id="c")))
    typed = typed_entry(line, LineContext(plan, run(plan).plantings, book, DAY), "e")
    assert typed.entry is None
    assert words in said(typed.words)


def test_a_verdict_on_a_support_is_not_one_on_its_bed():
    of = {"kind": "verdict", "place": "low"}
    told = [
        Entry(id="a", day=date(2026, 9, 1), **of, text="too shady"),
        Entry(id="b", day=date(2027, 9, 1), **of, support="net", quality="drop"),
        Entry(id="c", day=date(2026, 9, 1), **of, support="net", quality="keep"),
    ]
    assert place_verdicts(told)["low"].text == "too shady"
    assert support_verdicts(told, "low")["net"].verdict == "drop"
    assert support_verdicts(told, "high") == {}
