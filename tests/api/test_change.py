"""What a change answers with, laid over the state before, is the state after; and it is small."""

import copy

import pytest

from ample_rows.core import plan as p
from ample_rows.demo import demo_plans
from tests.conftest import bed, planting

GARDEN = "/api/gardens/lantern-court"
MOVE = {"do": "change-planting", "id": "p3", "changes": {"start_date": "2027-04-08"}}
LONG_MOVE = {"do": "change-planting", "id": "p30", "changes": {"start_date": "2027-05-01"}}


def _parts(known, change):
    before = {part["id"]: part for part in known}
    fresh = {part["id"]: part for part in change["changed"]}
    merged = ({**before.get(i, {}), **fresh.get(i, {})} for i in change["ids"])
    return [
        {k: v for k, v in part.items() if not (k.startswith("x-") and v is None)} for part in merged
    ]


def laid_over(state, change):
    """As the page does it."""
    plan, report = change["plan"], change["report"]
    before = copy.deepcopy(state)
    notes = before["report"]["notes"]
    return {
        "head": change["head"],
        "plan": {
            **before["plan"],
            **plan["values"],
            "places": _parts(before["plan"]["places"], plan["places"]),
            "plantings": _parts(before["plan"]["plantings"], plan["plantings"]),
        },
        "report": {
            **before["report"],
            **report["values"],
            "totals": {**before["report"]["totals"], **report["totals"]},
            "notes": [notes[note] if isinstance(note, int) else note for note in report["notes"]],
            "places": _parts(before["report"]["places"], report["places"]),
            "plantings": _parts(before["report"]["plantings"], report["plantings"]),
        },
    }


@pytest.mark.parametrize(
    "edit",
    [
        MOVE,
        LONG_MOVE,
        {"do": "change-planting", "id": "p1", "changes": {"x-shed": "left", "spacing_cm": 6}},
        {"do": "remove-planting", "id": "p1"},
        {"do": "plant", "planting": planting("lettuce", ["A1"], id="new", place="long")},
        {"do": "add-place", "place": bed(id="new", at_m=[0.2, 0.2])},
        {"do": "copy-place", "id": "long", "new_id": "twin", "mirrored": True},
        {"do": "remove-place", "id": "long"},
        {"do": "change-place", "id": "tap-tub", "changes": {"wall_height_cm": 25}},
        {"do": "change-garden", "changes": {"name": "Other", "last_frost": "2027-05-02"}},
        {"do": "change-site", "changes": {"north_deg": 30}},
        {"do": "change-soil", "changes": {"x-heap": 2}},
        {"do": "keep-alternative", "id": "kept", "name": "Kept"},
    ],
    ids=lambda edit: edit["do"],
)
def test_a_change_and_its_undoing_lead_to_the_state_that_is_kept(client, lantern, edit):
    state = lantern
    for url, asked in (("edits", {"edit": edit}), ("undo", {}), ("redo", {})):
        version = {"version": state["head"]["version"]}
        answer = client.post(f"{GARDEN}/{url}", json={**asked, **version})
        assert answer.status_code == 200, answer.text
        after = laid_over(state, answer.json())
        state = client.get(GARDEN).json()
        assert after == state


def test_a_whole_plan_replaced_is_laid_over_too(client, lantern, book):
    other = {**p.document(demo_plans(book)[1]), "x-mine": 1}
    asked = {"version": 1, "edit": {"do": "replace-plan", "plan": other}}
    after = laid_over(lantern, client.post(f"{GARDEN}/edits", json=asked).json())
    assert after == client.get(GARDEN).json()


@pytest.mark.parametrize("edit", [MOVE, LONG_MOVE], ids=["south", "long"])
def test_the_answer_to_a_move_is_a_small_part_of_the_garden(client, lantern, edit):
    answer = client.post(f"{GARDEN}/edits", json={"version": 1, "edit": edit})
    assert len(answer.content) < 40_000
    assert len(client.get(GARDEN).content) > 10 * len(answer.content)
