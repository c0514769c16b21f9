"""Edits: their effect, and that what goes wrong changes nothing."""

import json

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter

from ample_rows.core import plan as p
from ample_rows.core.checks import check_plan, read_plan
from ample_rows.core.edits import Edit, apply_edit
from ample_rows.core.errors import AmpleRowsError
from ample_rows.core.plan.reading import PlanFaultsError, read_document
from ample_rows.crops import load_book
from tests.conftest import document, planting, rectangle

EDIT = TypeAdapter(Edit)
BOOK = load_book()
FOLLOW = planting("leek", id="p2", start="transplant", start_date="2027-09-01", follows="p1")
DOC = document(planting(), FOLLOW)


@pytest.mark.parametrize(
    ("edit", "check", "words"),
    [
        (
            {"do": "plant", "planting": planting("onion", ("D1",), id="p3", start="set")},
            lambda d: len(d["plantings"]) == 3,
            "plant onion",
        ),
        (
            {"do": "change-planting", "id": "p1", "changes": {"spacing_cm": 10}},
            lambda d: d["plantings"][0]["spacing_cm"] == 10,
            "change carrot",
        ),
        (
            {"do": "change-planting", "id": "p2", "changes": {"follows": None}},
            lambda d: "follows" not in d["plantings"][1],
            "change leek",
        ),
        (
            {"do": "remove-planting", "id": "p1"},
            lambda d: (
                [planting["id"] for planting in d["plantings"]] == ["p2"]
                and "follows" not in d["plantings"][0]
            ),
            "clear carrot",
        ),
        (
            {
                "do": "add-place",
                "place": {
                    "id": "pot",
                    "kind": "container",
                    "wall_height_cm": 20,
                    "shape": {"type": "circle", "diameter_cm": 30},
                },
            },
            lambda d: d["places"][1]["id"] == "pot",
            "add pot",
        ),
        (
            {"do": "change-place", "id": "bed", "changes": {"name": "Long bed"}},
            lambda d: d["places"][0]["name"] == "Long bed",
            "change bed",
        ),
        (
            {"do": "remove-place", "id": "bed"},
            lambda d: d["places"] == d["plantings"] == [],
            "delete bed",
        ),
        (
            {"do": "change-garden", "changes": {"name": "Elsewhere"}},
            lambda d: d["garden"]["name"] == "Elsewhere",
            "change the garden",
        ),
        (
            {
                "do": "together",
                "edits": [
                    {"do": "remove-planting", "id": "p2"},
                    {"do": "remove-planting", "id": "p1"},
                ],
            },
            lambda d: d["plantings"] == [],
            "clear leek",
        ),
        (
            {"do": "replace-plan", "plan": document()},
            lambda d: d["plantings"] == [],
            "replace the whole plan",
        ),
    ],
)
def test_each_edit_does_what_it_says_and_is_called_by_it(read, edit, check, words):
    plan = read(DOC)
    made = EDIT.validate_python(edit)
    assert check(p.document(apply_edit(plan, made)))
    assert made.named(plan) == words
    assert p.document(plan) == DOC


@given(
    values=st.dictionaries(
        st.sampled_from(["spacing_cm", "cells", "start_date", "follows", "crop", "x-own", "depth"]),
        st.sampled_from([None, 9, -1, "2027-05-05", "p2", "carrot", ["A1", "Z9"], ["B1"], "all"]),
        min_size=1,
    ),
    other=st.sampled_from(
        [
            {"do": "change-garden", "changes": {"first_frost": "2027-01-01"}},
            {"do": "change-place", "id": "bed", "changes": {"shape": rectangle(40, 40)}},
            {"do": "remove-planting", "id": "p2"},
            {"do": "change-soil", "changes": {"x-own": 1}},
            {"do": "plant", "planting": planting("onion", ("D1",), id="p3", start="set")},
        ]
    ),
)
def test_what_an_edit_reads_and_checks_in_part_is_what_the_whole_says(values, other):
    plan = read_plan(json.dumps(DOC), BOOK)
    change = {"do": "change-planting", "id": "p1", "changes": values}
    edit = EDIT.validate_python({"do": "together", "edits": [change, other]})
    try:
        after = apply_edit(plan, edit)
    except PlanFaultsError:
        return
    assert read_document(json.dumps(p.document(after))) == after
    assert check_plan(after, BOOK, before=plan) == check_plan(after, BOOK)
    same = [planting for planting in after.plantings if planting in plan.plantings]
    assert all(any(planting is known for known in plan.plantings) for planting in same)


@pytest.mark.parametrize(
    "edit",
    [
        {"do": "change-planting", "id": "p9", "changes": {}},
        {"do": "remove-planting", "id": "p9"},
        {"do": "change-place", "id": "attic", "changes": {}},
        {"do": "remove-place", "id": "attic"},
        {"do": "change-planting", "id": "p1", "changes": {"spacing_cm": "wide"}},
        {"do": "change-garden", "changes": {"latitude": 200}},
        {
            "do": "together",
            "edits": [{"do": "remove-planting", "id": "p1"}, {"do": "remove-planting", "id": "p1"}],
        },
        {"do": "replace-plan", "plan": {"format": "other"}},
    ],
)
def test_an_edit_that_cannot_be_made_says_why(read, edit):
    with pytest.raises(AmpleRowsError) as raised:
        apply_edit(read(DOC), EDIT.validate_python(edit))
    assert str(raised.value)
