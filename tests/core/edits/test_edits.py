"""Edits: their effect, and that what goes wrong changes nothing."""

import pytest
from pydantic import TypeAdapter

from ample_rows.core import plan as p
from ample_rows.core.edits import Edit, apply_edit, describe
from ample_rows.core.errors import AmpleRowsError
from tests.conftest import document, planting

EDIT = TypeAdapter(Edit)
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
                [g["id"] for g in d["plantings"]] == ["p2"] and "follows" not in d["plantings"][0]
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
            "remove bed",
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
    assert describe(made, plan) == words
    assert p.document(plan) == DOC


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
