"""Own crops and changed figures: in the sums, in files, and back again."""

import json
import tomllib

import pytest

from ample_rows.core.ask.crop_book.files import book_csv, own_toml, read_crop_file
from ample_rows.core.ask.crop_book.pages import crop_page
from ample_rows.core.book.own_crops import book_with
from ample_rows.core.checks import check_plan, read_plan
from ample_rows.core.edits import ChangeCrop, RemoveCrop, apply_edit
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.words.message import said
from tests.conftest import document, planting

CLOSE = {"id": "carrot", "figures": {"spacing_cm": 10, "yield_kg_per_plant.typical": 0.03}}
OWN = {"id": "frost-carrot", "like": "carrot", "figures": {"name": "frost carrot", "canopy_cm": 9}}


def with_crops(*crops, what=None):
    return {**document(what or planting()), "crops": list(crops)}


@pytest.fixture
def own_book(book, read):
    return lambda *crops: book_with(book, read(with_crops(*crops)).crops)


def test_a_changed_figure_goes_into_the_sums(book, read, own_book):
    plan = read(with_crops(CLOSE))
    changed = own_book(CLOSE)
    (before,) = Estimate(plan, book, "x").report.plantings
    (after,) = Estimate(plan, changed, "x").report.plantings
    assert (before.plants, after.plants) == (64, 36)
    assert after.kg_per_plant == pytest.approx(before.kg_per_plant * 40 / 28, rel=0.2)
    terms = {said(term.name): said(term.source) for term in after.working}
    assert "This garden's own figure" in terms["typical yield"]
    assert "This garden's own figure" not in terms["depth"]
    assert changed.digest != book.digest


def test_an_own_kind_is_its_forebear_but_for_its_own_figures(book, own_book):
    kind = own_book(OWN).crops["frost-carrot"]
    like = book.crops["carrot"]
    assert (kind.name, kind.canopy_cm, kind.variety_of) == ("frost carrot", 9, "carrot")
    assert kind.mark not in {crop.mark for crop in book.crops.values()}
    same = {"id", "name", "canopy_cm", "variety_of", "mark", "sources"}
    assert kind.model_dump(exclude=same) == like.model_dump(exclude=same)


def test_an_own_kind_is_planted_and_printed_by_the_command(book, own_book, read):
    plan = read(with_crops(OWN, what=planting("frost-carrot")))
    (report,) = Estimate(plan, own_book(OWN), "x").report.plantings
    assert (report.crop, report.name, report.plants) == ("frost-carrot", "frost carrot", 64)


@pytest.mark.parametrize(
    ("crop", "path", "words"),
    [
        ({"id": "triffid"}, "crops[0].id", "is not in the book"),
        ({"id": "mine", "like": "triffid"}, "crops[0].like", 'no crop "triffid"'),
        ({"id": "leek", "like": "onion"}, "crops[0].id", "is a crop of the book"),
        (
            {"id": "leek", "figures": {"spacing_in": 4}},
            "crops[0].figures.spacing_in",
            '"spacing_cm" is, in that unit',
        ),
        (
            {"id": "leek", "figures": {"spacing_cm": "4 in"}},
            "crops[0].figures.spacing_cm",
            "must be a number",
        ),
        (
            {"id": "leek", "figures": {"yield_kg_per_plant.low": -1}},
            "crops[0].figures.yield_kg_per_plant.low",
            "more than 0",
        ),
        (
            {"id": "leek", "figures": {"least_depth_cm": 90}},
            "crops[0].figures",
            "least_depth_cm is above full_depth_cm",
        ),
        ({"id": "leek", "figures": {"mark": "Ct"}}, "crops[0].figures.mark", "belongs to carrot"),
        ({"id": "leek", "figures": {"spacing_cm": 0}}, "crops[0].figures.spacing_cm", "more than"),
    ],
)
def test_what_no_crop_can_be_is_named_at_its_figure(book, crop, path, words):
    with pytest.raises(PlanFaultsError) as caught:
        read_plan(json.dumps(with_crops(crop)), book)
    fault = caught.value.faults[0]
    assert fault.path == path
    assert words in said(fault.text)


def test_the_same_crop_twice_is_a_fault(book):
    with pytest.raises(PlanFaultsError, match=r"crops\[1\]"):
        read_plan(json.dumps(with_crops(CLOSE, CLOSE)), book)


def test_figures_are_changed_and_taken_back_by_edits(book, read):
    plan = read(document(planting()))
    plan = apply_edit(plan, ChangeCrop(id="carrot", figures={"spacing_cm": 9, "canopy_cm": 8}))
    plan = apply_edit(plan, ChangeCrop(id="carrot", figures={"canopy_cm": None}))
    assert plan.crops[0].figures == {"spacing_cm": 9}
    plan = apply_edit(plan, ChangeCrop(id="carrot", figures={"spacing_cm": None}))
    assert plan.crops == ()
    plan = apply_edit(plan, ChangeCrop(id="mine", like="leek", figures={"name": "mine"}))
    assert book_with(book, plan.crops).crops["mine"].name == "mine"
    assert apply_edit(plan, RemoveCrop(id="mine")).crops == ()


def test_an_own_kind_that_is_planted_cannot_go(book, read):
    plan = read(with_crops(OWN, what=planting("frost-carrot")))
    left = apply_edit(plan, RemoveCrop(id="frost-carrot"))
    assert [fault.path for fault in check_plan(left, book)] == ["plantings[0].crop"]


def test_the_page_shows_what_differs_and_from_what(book, read, own_book):
    plan = read(with_crops(CLOSE, OWN))
    here = own_book(CLOSE, OWN)
    page = crop_page(Estimate(plan, here), "carrot", book)
    own = {f.field.key: (f.book, f.value) for f in page.figures if f.own}
    assert own == {"spacing_cm": (7.5, 10.0), "yield_kg_per_plant.typical": (0.023, 0.03)}
    assert page.like is None
    kind = crop_page(Estimate(plan, here), "frost-carrot", book)
    assert kind.like == "carrot"
    assert {f.field.key for f in kind.figures if f.own} == {"name", "canopy_cm"}


def test_own_crops_go_out_as_toml_and_come_in_again(book, read):
    plan = read(with_crops(CLOSE, OWN))
    text = own_toml(plan.crops)
    assert text.startswith('[[crops]]\nid = "carrot"\nspacing_cm = 10\n')
    assert len(tomllib.loads(text)["crops"]) == 2
    back = read_crop_file(text, "toml", book)
    assert back.crops == plan.crops
    assert back.faults == ()


def test_the_whole_book_goes_out_as_csv_and_only_changes_come_in(book, read, own_book):
    plan = read(with_crops(CLOSE, OWN))
    text = book_csv(plan.crops, own_book(CLOSE, OWN))
    back = read_crop_file(text, "csv", book)
    assert {crop.id: crop for crop in back.crops} == {crop.id: crop for crop in plan.crops}
    assert back.faults == ()
    assert read_crop_file(book_csv((), book), "csv", book).crops == ()


FILE = """# A friend's seed list
[[crops]]
id = "carrot"
spacing_cm = 9

[[crops]]
id = "leek"
full_depth_cm = 30
spacing_cm = "6 in"

[[crops]]
id = "giant-leek"
like = "leek"
name = "giant leek"
[crops.yield_kg_per_plant]
low = -0.1
"""


def test_a_wrong_record_is_told_with_its_line_and_the_rest_is_taken(book):
    found = read_crop_file(FILE, "toml", book)
    assert [crop.id for crop in found.crops] == ["carrot"]
    told = [(f.line, f.record, f.field) for f in found.faults]
    assert told == [
        (9, "leek", "spacing_cm"),
        (16, "giant-leek", "yield_kg_per_plant.low"),
    ]
    assert '"6 in" was given' in found.faults[0].text


def test_a_csv_with_a_wrong_cell_names_its_row(book):
    text = "id,like,spacing_cm,crowding\ncarrot,,nine,\nleek,,16,\nmine,,3,\n"
    found = read_crop_file(text, "csv", book)
    assert [crop.id for crop in found.crops] == ["leek"]
    assert [(f.line, f.record, f.field) for f in found.faults] == [
        (2, "carrot", "spacing_cm"),
        (4, "mine", "like"),
    ]


def test_a_table_with_semicolons_and_commas_for_points_reads_alike(book):
    text = "\ufeffid;spacing_cm;yield_kg_per_plant.typical\ncarrot;9,5;0,03\n"
    (crop,) = read_crop_file(text, "csv", book).crops
    assert crop.figures == {"spacing_cm": 9.5, "yield_kg_per_plant.typical": 0.03}


def test_a_name_that_looks_like_a_formula_comes_back_as_it_was(book, read, own_book):
    plan = read(with_crops({**OWN, "figures": {"name": "=1+1"}}))
    text = book_csv(plan.crops, own_book({**OWN, "figures": {"name": "=1+1"}}))
    assert "'=1+1" in text
    assert read_crop_file(text, "csv", book).crops == plan.crops


@pytest.mark.parametrize(
    ("text", "kind"), [("= nothing", "toml"), ("a = 1", "toml"), ("name,depth\n", "csv")]
)
def test_what_is_no_crop_file_is_said(book, text, kind):
    with pytest.raises(PlanFaultsError, match="file"):
        read_crop_file(text, kind, book)
