"""An entry typed in one line: what is understood, what is said back, what is left open."""

from datetime import date

import pytest

from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.likely import likely_picked, ripe_on
from ample_rows.core.record.typed.line import typed_entry, typed_line
from ample_rows.core.record.typed.which import LineContext
from ample_rows.core.words.message import said
from tests.conftest import bed, block, document, planting, tub

DAY = date(2027, 8, 10)
LOW = bed(id="low", name="Low bed")
SOUTH = bed(id="south", name="South bed")
PLANTS = [
    planting("carrot", block("A1", "B2"), id="c1", place="low", start_date="2027-04-10"),
    planting("carrot", block("A1", "B2"), id="c2", place="south", start_date="2027-06-20"),
    planting("tomato", ("C3",), id="t", place="south", start="transplant", start_date="2027-05-20"),
    planting("dwarf-bean", ("D1", "D2"), id="b", place="low", start_date="2027-05-20"),
]


def two_beds(read, run, book):
    """Carrots in four squares of one bed, and in two of another."""
    small = planting("carrot", ("A1", "A2"), id="c2", place="south", start_date="2027-04-10")
    plan = read(document(PLANTS[0], small, places=[LOW, SOUTH]))
    return LineContext(plan, run(plan).plantings, book, DAY)


@pytest.fixture(scope="module")
def plan(read):
    return read(document(*PLANTS, places=[LOW, SOUTH]))


@pytest.fixture(scope="module")
def reports(run, plan):
    return run(plan).plantings


@pytest.fixture(scope="module")
def line(plan, reports, book):
    def reading(text, day=DAY, unit="kg"):
        return typed_entry(text, LineContext(plan, reports, book, day, unit), "e1")

    return reading


@pytest.mark.parametrize(
    ("text", "kind", "planting", "amount"),
    [
        ("carrots low bed 1.2 kg", "picked", "c1", 1.2),
        ("1,2 kg of carrots from the south bed", "picked", "c2", 1.2),
        ("tomatoes 850 g", "picked", "t", 0.85),
        ("tomato 1 lb 4 oz", "picked", "t", 0.567),
        ("beans .5", "picked", "b", 0.5),
        ("dwarf beans 0.5", "picked", "b", 0.5),
        ("French beans 300g", "picked", "b", 0.3),
        ("low A1 carrots 2", "picked", "c1", 2),
        ("thinned carrots low 10 min", "thinned", "c1", None),
        ("cleared the beans", "cleared", "b", None),
    ],
)
def test_a_line_is_read(line, text, kind, planting, amount):
    entry = line(text).entry
    assert (entry.kind, entry.planting) == (kind, planting)
    assert entry.kg == (None if amount is None else pytest.approx(amount, abs=5e-4))
    assert (entry.day, entry.id) == (DAY, "e1")


@pytest.mark.parametrize(
    ("text", "kind", "count", "minutes", "told"),
    [
        ("carrots low bed 24 up", "up", 24, None, None),
        ("thinned carrots low 12 plants 1.5 h", "thinned", 12, 90, None),
        ("planted 6 tomatoes", "set-out", 6, None, None),
        ("watered south bed 30 L", "watered", None, None, "30 L"),
        ("added 40 L compost to low bed", "soil", None, None, "40 L compost"),
        ("fed tomatoes 2 cans of nettle tea", "fed", None, None, "2 cans of nettle tea"),
        ("seen tomatoes: blight on 3 leaves", "seen", None, None, "blight on 3 leaves"),
        ("seen frost on the low bed, -3 °C", "seen", None, None, "frost -3 °C"),
    ],
)
def test_what_is_no_weight_is_not_read_as_one(line, text, kind, count, minutes, told):
    entry = line(text).entry
    assert (entry.kind, entry.kg, entry.count) == (kind, None, count)
    assert (entry.minutes, entry.text) == (minutes, told)


@pytest.mark.parametrize(
    ("text", "count", "told"),
    [
        ("beans lost 3", 3, None),
        ("3 beans eaten by slugs", 3, "eaten by slugs"),
        ("tomatoes 2 plants died, wilted at once", 2, "died, wilted at once"),
        ("seen beans: 4 gone", 4, "gone"),
    ],
)
def test_plants_that_are_lost_are_counted_and_weigh_nothing(line, text, count, told):
    entry = line(text).entry
    assert (entry.kind, entry.quality, entry.count) == ("seen", "lost", count)
    assert (entry.kg, entry.text) == (None, told)
    assert said(line("beans lost 3").words) == (
        "lost dwarf French bean; Low bed D1–D2; 3 plants; 10 August"
    )
    assert line("tomatoes lost their lower leaves").entry.kind == "note"


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("weeded south bed 20", "weeded 20"),
        ("carrots left 10 for seed", "left 10 for seed"),
        ("low bed rained on 3 times", "rained on 3 times"),
    ],
)
def test_the_number_of_what_is_told_in_words_stays_with_them(line, text, told):
    entry = line(text).entry
    assert (entry.kind, entry.kg, entry.text) == ("note", None, told)


def test_a_crop_that_grows_nowhere_is_not_taken_for_one_that_shares_a_word(line):
    read = line("runner beans 0.4")
    assert (read.entry.crop, read.entry.planting, read.entry.kg) == ("runner-bean", None, 0.4)
    assert said(read.words).startswith("picked runner bean; grows nowhere in this plan; ")
    assert line("verdict runner beans drop").entry.crop == "runner-bean"
    assert line("French beans 0.4").entry.planting == "b"


def test_a_bare_number_is_in_the_unit_typed_last_and_heads_are_counted(line, plan, reports, book):
    assert line("carrots low 350", unit="g").entry.kg == 0.35
    assert line("carrots low 0.35", unit="g").entry.kg == 0.35
    assert line("carrots low 12.5", unit="g").entry.kg == pytest.approx(0.0125)
    assert line("pumpkin 2").entry.pieces == 2
    assert line("pumpkin 3500", unit="g").entry.kg == 3.5
    assert line("pumpkin 2.5").entry.kg == 2.5
    assert line("tomatoes 3").entry.kg == 3

    def after(**amount):
        picked = Entry(id="e", day=DAY, kind="picked", planting="t", crop="tomato", **amount)
        here = LineContext(plan, reports, book, DAY, lately=[picked])
        return typed_entry("tomatoes 3", here, "e1").entry

    assert (after(pieces=4).pieces, after(kg=4).kg) == (3, 3)


@pytest.mark.parametrize(
    ("text", "told"),
    [
        ("carrots low bed 1.2 kg, beans 0.8", [("c1", 1.2), ("b", 0.8)]),
        ("carrots low bed 1,2 kg, south bed 0,8", [("c1", 1.2), ("c2", 0.8)]),
        ("tomatoes 1 kg and 200 g beans", [("t", 1), ("b", 0.2)]),
        ("tomatoes 1 kg, split, and poor", [("t", 1)]),
        ("tomatoes 1 lb, 4 oz", [("t", 0.567)]),
        ("tomatoes and beans cleared", [("t", None)]),
    ],
)
def test_a_comma_parts_two_pickings_and_no_words(plan, reports, book, text, told):
    read = typed_line(text, LineContext(plan, reports, book, DAY), "e1")
    assert [(e.planting, e.kg) for e in read.entries] == [
        (ident, kg and pytest.approx(kg, abs=5e-4)) for ident, kg in told
    ]


def test_what_is_counted_of_one_part_is_counted_of_the_next(plan, reports, book):
    read = typed_line(
        "sown carrots south 40, beans 12", LineContext(plan, reports, book, DAY), "e1"
    )
    assert [(e.kind, e.planting, e.count) for e in read.entries] == [
        ("sown", "c2", 40),
        ("sown", "b", 12),
    ]


def test_what_was_understood_is_said_back(line):
    assert said(line("carrots low bed 1.2 kg").words) == (
        "picked maincrop carrot; Low bed A1–B2; 1.2 kg; 10 August"
    )
    assert said(line("watered south bed 15 min").words) == ("watered; South bed; 15 min; 10 August")
    assert "Name a crop or a bed" in said(line("hello").words)
    assert line("hello").entry is None


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("picked xyz 3 kg", "Name a crop or a bed"),
        ("3 kg", "Name a crop or a bed"),
        ("carrots low bed", "Say how much was picked"),
    ],
)
def test_what_says_too_little_is_asked_about(line, text, words):
    read = line(text)
    assert read.entry is None
    assert words in said(read.words)


@pytest.mark.parametrize(
    ("text", "place", "kg"),
    [
        ("picked pot 2 300 g", "p2", 0.3),
        ("basil pot 2 0.1", "p2", 0.1),
        ("basil pot 1 .2 kg", "p1", 0.2),
        ("basil pot 2 kg", "p1", 2),
    ],
)
def test_a_numbered_place_is_not_an_amount(read, run, book, text, place, kg):
    pots = [tub(id=f"p{n}", name=f"Pot {n}") for n in (1, 2)]
    grown = [planting("basil", "all", id=f"b{n}", place=f"p{n}") for n in (1, 2)]
    plan = read(document(*grown, places=pots))
    reports = run(plan).plantings
    entry = typed_entry(text, LineContext(plan, reports, book, DAY), "e1").entry
    assert (entry.place, entry.kg) == (place, pytest.approx(kg))


@pytest.mark.parametrize("text", ["carrots -2 kg", "carrots low bed −200 g", "-3 tomatoes"])
def test_less_than_nothing_is_refused(line, text):
    with pytest.raises(PlanFaultsError, match="kg"):
        line(text)


def test_what_could_be_meant_as_well_comes_behind_the_likeliest(line):
    both = line("carrots 0.4 kg")
    assert (both.entry.planting, both.among) == ("c1", ("c2",))
    assert line("carrots 0.4 kg", day=date(2027, 11, 1)).entry.planting == "c2"
    assert line("tomatoes 1").among == ()


def test_pieces_minutes_and_what_else_is_said(line):
    heads = line("3 pieces tomato, split after rain").entry
    assert (heads.pieces, heads.kg, heads.text) == (3, None, "split after rain")
    assert line("tomato 3", unit="pieces").entry.pieces == 3
    poor = line("carrots 0.4 kg poor, forked in the low bed, and at the end").entry
    assert (poor.quality, poor.text) == ("poor", "forked end")
    assert (
        line("tomato 1 kg: split, in the heat and rain").entry.text == "split, in the heat and rain"
    )
    watered = line("watered low bed 12 minutes").entry
    assert (watered.minutes, watered.place, watered.planting) == (12, "low", None)
    assert line("low bed looks dry").entry.kind == "note"


def test_one_plant_one_kind_and_tags_are_read(read, run, book):
    cherry = [{"variety": "tomato-cherry", "plants": 2}]
    row = planting("tomato", block("A1", "A4"), id="row", place="bed", plants=4, varieties=cherry)
    plan = read(document(row, places=[bed(id="bed")]))

    def line(text):
        return typed_entry(text, LineContext(plan, run(plan).plantings, book, DAY), "e1")

    one = line("tomato plant 3 0.4 kg #blight #first-2027")
    assert (one.entry.plant, one.entry.kg) == (3, 0.4)
    assert (one.entry.variety, one.entry.text) == (None, None)
    assert one.entry.tags == ("blight", "first-2027")
    assert "plant 3; 0.4 kg; tagged blight first-2027" in said(one.words)
    assert line("verdict cherry tomato drop: splits").entry.crop == "tomato-cherry"
    kind = line("cherry tomatoes 0.3")
    assert (kind.entry.planting, kind.entry.variety) == ("row", "tomato-cherry")
    assert said(kind.words).startswith("picked cherry cordon tomato")


def test_one_weighing_of_two_beds_is_shared_out_by_their_squares(read, run, book):
    both = typed_line("carrots 1 kg 20 min", two_beds(read, run, book), "e1")
    assert [(e.id, e.planting, e.kg, e.minutes) for e in both.shared] == [
        ("e1", "c1", 0.667, pytest.approx(20 * 4 / 6)),
        ("e1-2", "c2", 0.333, pytest.approx(20 * 2 / 6)),
    ]
    pieces = typed_line("carrots 10 pieces", two_beds(read, run, book), "e1")
    assert [e.pieces for e in pieces.shared] == [7, 3]
    one = typed_line("carrots low bed 1 kg", two_beds(read, run, book), "e1")
    assert (one.shared, [e.kg for e in one.entries]) == ((), [1])
    assert typed_line("carrots", two_beds(read, run, book), "e1").shared == ()


def test_a_line_of_several_parts_is_several_entries(read, run, book):
    text = "carrots low bed 1.2 kg; south bed 0.8; watered south bed 5 min;"
    told = typed_line(text, two_beds(read, run, book), "e1")
    assert [(e.id, e.kind, e.planting, e.kg) for e in told.entries] == [
        ("e1", "picked", "c1", 1.2),
        ("e1-2", "picked", "c2", 0.8),
        ("e1-3", "watered", None, None),
    ]
    unread = typed_line("carrots low bed 1; hello", two_beds(read, run, book), "e1")
    assert [e.kind for e in unread.entries] == ["picked", "note"]
    nothing = typed_line("hello; carrots 1", two_beds(read, run, book), "e1")
    assert (nothing.entry, nothing.entries) == (None, ())


def test_ripe_comes_first_and_what_was_picked_of_late_before_it(reports):
    assert likely_picked(reports, DAY)[0].id in ("c1", "b", "t")
    lately = [Entry(id="e", day=date(2027, 8, 8), kind="picked", planting="c2", kg=0.1)]
    assert likely_picked(reports, DAY, lately)[0].id == "c2"
    assert "c2" not in {r.id for r in ripe_on(reports, date(2027, 7, 1))}
    assert ripe_on(reports, DAY, lately)[0].id == "c2"
    assert ripe_on(reports, date(2027, 3, 1)) == []


@pytest.mark.parametrize("text", [f"carrots {'9' * 400} kg", f"tomato {'9' * 400} pieces"])
def test_more_than_any_entry_holds_is_named(line, text):
    with pytest.raises(PlanFaultsError) as raised:
        line(text)
    assert raised.value.faults[0].path in ("kg", "pieces")


def test_a_bed_that_is_called_after_a_crop_and_a_square_tell_two_crops_apart(read, run, book):
    """As the line is begun by a press: the planting's name, its bed and its first square."""
    stands = [
        planting("rhubarb", block("A1", "B2"), id="r", start="set", start_date="2025-03-20"),
        planting("asparagus", block("C1", "D2"), id="a", start="set", start_date="2024-04-01"),
        planting("carrot", block("A3", "B4"), id="c3", start_date="2027-04-10"),
        planting("carrot", block("C5", "D6"), id="c5", start_date="2027-04-10"),
    ]
    plan = read(document(*stands, places=[bed(name="Rhubarb bed")]))
    for text, meant in (
        ("asparagus Rhubarb bed C1 0.35", "a"),
        ("asparagus Rhubarb bed 0.35", "a"),
        ("rhubarb Rhubarb bed A1 0.9", "r"),
        ("rhubarb 0.9", "r"),
        ("carrot Rhubarb bed C5 0.2", "c5"),
        ("carrot Rhubarb bed A3 0.2", "c3"),
    ):
        read_as = typed_entry(text, LineContext(plan, run(plan).plantings, book, DAY), "e")
        assert (read_as.entry.planting, read_as.among) == (meant, ())
