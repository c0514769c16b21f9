"""Messages as sentences: in either system of units, with their plurals and lists."""

from datetime import date

import pytest
from pydantic import TypeAdapter

from ample_rows.core.words.message import (
    Area,
    Bulk,
    Count,
    Distance,
    Dose,
    Length,
    Listed,
    Load,
    Mass,
    Message,
    Money,
    Number,
    Rain,
    Share,
    Span,
    Speed,
    Squares,
    Temperature,
    Volume,
    clauses,
    message,
    of_table,
    rendered_by,
    sentences,
    verbatim,
)
from ample_rows.wording import METRIC, renderer_for
from ample_rows.wording.renderer import WordsMissingError

IMPERIAL = renderer_for("imperial")


@pytest.mark.parametrize(
    ("value", "metric", "imperial"),
    [
        (Length(13), "13 cm", "5.1 in"),
        (Length(30.48), "30.5 cm", "12 in"),
        (Length(58.2), "58.2 cm", "23 in"),
        (Distance(1.5), "1.5 m", "4.9 ft"),
        (Distance(15), "15 m", "49 ft"),
        (Area(2.88), "2.88 m²", "31 sq ft"),
        (Length(91.44), "91.4 cm", "3 ft"),
        (Length(-137.2), "−137.2 cm", "−4 ft 6 in"),
        (Length(243.84), "243.8 cm", "8 ft"),
        (Volume(1396.4), "1,396 L", "369 gal"),
        (Bulk(8), "8 L", "7 qt"),
        (Bulk(84.95), "85 L", "3 cu ft"),
        (Bulk(1529.1), "1,529 L", "2 cu yd"),
        (Speed(22), "22 m/s", "49 mph"),
        (Volume(6.149, 1), "6.1 L", "1.6 gal"),
        (Mass(0.0081), "8.1 g", "0.29 oz"),
        (Mass(0.1523), "0.15 kg", "5.4 oz"),
        (Mass(2.449), "2.4 kg", "5.4 lb"),
        (Mass(68.4), "68 kg", "150 lb"),
        (Mass(1396), "1,400 kg", "3,100 lb"),
        (Dose(413.6), "414 g", "14.6 oz"),
        (Load(393.5), "394 kg per m²", "81 lb per sq ft"),
        (Rain(25.4), "25.4 mm", "1 in"),
        (Temperature(6), "6 °C", "43 °F"),
        (Temperature(-2.4), "−2.4 °C", "28 °F"),
        (Temperature(10, difference=True), "10 K", "18 °F"),
        (Money(1250.4), "1,250", "1,250"),
        (Share(0.124), "12 %", "12 %"),
        (Number(1.8042), "1.8", "1.8"),
        (Count(1, "plant"), "1 plant", "1 plant"),
        (Count(1396, "plant"), "1,396 plants", "1,396 plants"),
        (Squares(("A1", "A2", "B1", "B2")), "A1–B2", "A1–B2"),
        (Span(Share(0.12), Share(0.35)), "12–35 %", "12–35 %"),
        (Span(Share(0.12), Share(0.121)), "12 %", "12 %"),
        (Span(Length(20), Length(30)), "20–30 cm", "7.9–11.8 in"),
        (Listed(("peas", "beans", "leek"), "and"), "peas, beans and leek", "peas, beans and leek"),
        (date(2027, 5, 1), "1 May", "1 May"),
    ],
)
def test_each_kind_of_value_in_either_units(value, metric, imperial):
    said = message("verbatim", text=value)
    assert (METRIC.say(said), IMPERIAL.say(said)) == (metric, imperial)


def test_a_day_in_the_order_of_its_region():
    said = message("verbatim", text=date(2027, 5, 1))
    assert renderer_for("imperial", "en-US").say(said) == "May 1"
    assert renderer_for("metric", "en-US").say(said) == "May 1"
    assert renderer_for("imperial").say(said) == "1 May"


def test_a_message_within_a_message():
    planting = message("planting-named", crop="leek", where=Squares(("A1",)))
    said = message("timing-frost-ends-when-picking", planting=planting, share=40)
    assert METRIC.say(said) == "Frost ends leek in A1 when 40 % of its picking is done."


def test_sentences_and_clauses_leave_out_what_is_empty():
    one, two = verbatim("One."), verbatim("Two.")
    assert METRIC.say(sentences(one, None, "", two)) == "One. Two."
    assert METRIC.say(clauses("one", None, "two")) == "one; two"


def test_a_sentence_of_the_books_tables_takes_what_it_asks():
    said = of_table("{name}, {deep} deep", name="leek", deep=Length(2), other=Length(9))
    assert IMPERIAL.say(said) == "leek, 0.8 in deep"
    assert ("other", Length(9)) not in said.values


def test_a_list_may_be_as_long_as_a_garden_makes_it():
    cells = ", ".join(f"A{n}" for n in range(1, 2000))
    fix = message("stand-no-spot", where=cells)
    assert cells in METRIC.say(fix)


@pytest.mark.parametrize("lacking", [message("no-such-key"), Message("verbatim")])
def test_what_has_no_words_is_an_error_and_no_empty_sentence(lacking):
    with pytest.raises(WordsMissingError):
        METRIC.say(lacking)


def test_json_holds_the_words_of_whoever_renders():
    adapter = TypeAdapter(Message)
    note = message("depth-loosen-deeper", missing=Length(13))
    with rendered_by(IMPERIAL):
        assert adapter.dump_json(note) == b'"Loosen 5.1 in deeper"'
    assert adapter.dump_json(note) == b'"Loosen 13 cm deeper"'
    assert adapter.json_schema(mode="serialization") == {"type": "string"}
