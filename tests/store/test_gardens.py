"""Gardens kept: every edit a revision, undo and redo without limit and across restarts."""

import json

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import TypeAdapter

from ample_rows.core import plan as p
from ample_rows.core.edits import Edit
from ample_rows.core.reading import PlanFaultsError
from ample_rows.demo import demo_plans
from ample_rows.store import (
    ConflictError,
    Database,
    GardenStore,
    NothingToDoError,
    UnknownGardenError,
)
from tests.conftest import bed, document, planting, rectangle

EDIT = TypeAdapter(Edit)


def edit(do, **keys):
    return EDIT.validate_python({"do": do, **keys})


def reopened(store, book, tmp_path):
    return GardenStore(Database(tmp_path), book)


@pytest.fixture
def kept(store, read):
    """A garden of one bed and one planting; its slug."""
    return store.create(read(document(planting())))


def test_a_garden_comes_back_as_it_went(store, book, tmp_path):
    for plan in demo_plans(book):
        slug = store.create(plan)
        assert p.document(store.load(slug).plan) == p.document(plan)
        assert p.document(reopened(store, book, tmp_path).load(slug).plan) == p.document(plan)


def test_empty_lists_and_private_keys_come_back_too(store, read):
    doc = document(places=[bed(supports=[], held=[])], **{"x-mine": [1]})
    doc["x-top"] = {"kept": True}
    assert p.document(store.load(store.create(read(doc))).plan) == doc


def test_slugs_come_from_names_and_differ(store, read):
    names = ["Test yard", "Test yard", "Ü", "x" * 200]
    slugs = [store.create(read(document(name=name[:120]))) for name in names]
    assert slugs[:3] == ["test-yard", "test-yard-2", "garden"]
    assert len(set(slugs)) == 4
    assert [head.slug for head in store.list()] == slugs


def test_an_edit_is_a_revision_with_a_name(store, kept):
    stored = store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    assert stored.head.version == 2
    assert stored.head.undo_label == "change carrot"
    assert stored.before.plantings[0].spacing_cm is None
    assert store.load(kept).plan.plantings[0].spacing_cm == 9


def test_undo_and_redo_go_all_the_way_across_restarts(store, kept, book, tmp_path):
    first = p.document(store.load(kept).plan)
    version = 1
    for number in range(30):
        changes = {"spacing_cm": 5 + number}
        version = store.edit(
            kept, version, edit("change-planting", id="p1", changes=changes)
        ).head.version
    last = p.document(store.load(kept).plan)
    again = reopened(store, book, tmp_path)
    for _ in range(30):
        version = again.undo(kept, version).head.version
    assert p.document(again.load(kept).plan) == first
    with pytest.raises(NothingToDoError):
        again.undo(kept, version)
    third = reopened(store, book, tmp_path)
    for _ in range(30):
        version = third.redo(kept, version).head.version
    assert p.document(third.load(kept).plan) == last
    with pytest.raises(NothingToDoError):
        third.redo(kept, version)


def test_a_new_edit_forgets_what_was_undone(store, kept):
    store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    store.undo(kept, 2)
    stored = store.edit(kept, 3, edit("change-planting", id="p1", changes={"spacing_cm": 11}))
    assert stored.head.redo_label is None


def test_order_survives_removal_and_undo(store, read):
    doc = document(*(planting(id=f"p{i}", cells=(f"A{i}",)) for i in range(1, 6)))
    slug = store.create(read(doc))
    removed = store.edit(slug, 1, edit("remove-planting", id="p3"))
    assert [g.id for g in removed.plan.plantings] == ["p1", "p2", "p4", "p5"]
    assert p.document(store.undo(slug, 2).plan) == doc


def test_a_place_goes_with_its_plantings_and_comes_back_with_them(store, kept):
    before = p.document(store.load(kept).plan)
    gone = store.edit(kept, 1, edit("remove-place", id="bed"))
    assert gone.plan.plantings == ()
    assert p.document(store.undo(kept, 2).plan) == before


def test_a_whole_plan_replaced_is_one_edit(store, kept, book):
    lantern = p.document(demo_plans(book)[0])
    before = p.document(store.load(kept).plan)
    stored = store.edit(kept, 1, edit("replace-plan", plan=lantern))
    assert p.document(stored.plan) == lantern
    assert stored.head.name == "Lantern Court"
    assert p.document(store.undo(kept, 2).plan) == before


@pytest.mark.parametrize(
    "change",
    [
        {"do": "change-planting", "id": "p1", "changes": {"cells": ["Z9"]}},
        {"do": "change-planting", "id": "p1", "changes": {"crop": "moonfruit"}},
        {"do": "change-planting", "id": "p9", "changes": {}},
        {"do": "change-place", "id": "bed", "changes": {"shape": rectangle(15, 15)}},  # no B2 left
        {"do": "plant", "planting": planting()},  # the id stands already
    ],
)
def test_an_edit_that_fails_changes_nothing(store, kept, change):
    before = store.load(kept)
    with pytest.raises(PlanFaultsError):
        store.edit(kept, 1, EDIT.validate_python(change))
    after = store.load(kept)
    assert (after.plan, after.head) == (before.plan, before.head)


def test_the_second_of_two_tabs_is_refused(store, kept):
    store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    for late in (
        lambda: store.edit(kept, 1, edit("remove-planting", id="p1")),
        lambda: store.undo(kept, 1),
        lambda: store.redo(kept, 1),
    ):
        with pytest.raises(ConflictError) as raised:
            late()
        assert raised.value.version == 2
    assert store.load(kept).plan.plantings[0].spacing_cm == 9


def test_another_process_edits_between(store, kept, book, tmp_path):
    other = reopened(store, book, tmp_path)
    store.load(kept)
    other.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    assert store.load(kept).plan.plantings[0].spacing_cm == 9
    stored = store.edit(kept, 2, edit("change-planting", id="p1", changes={"per_cell": 4}))
    assert stored.plan.plantings[0].spacing_cm == 9


def test_a_removed_garden_is_gone_with_all_its_rows(store, kept, tmp_path):
    import sqlite3

    store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    store.remove(kept)
    for call in (store.load, store.remove):
        with pytest.raises(UnknownGardenError, match="test-yard"):
            call(kept)
    with sqlite3.connect(tmp_path / "gardens.sqlite") as file:
        for table in ("gardens", "places", "supports", "plantings", "revisions"):
            assert file.execute(f"SELECT count(*) FROM {table}").fetchone() == (0,)


steps = st.lists(
    st.one_of(
        st.tuples(st.just("spacing"), st.integers(4, 30)),
        st.tuples(st.just("plant"), st.integers(1, 8)),
        st.tuples(st.just("remove"), st.integers(0, 5)),
        st.tuples(st.just("undo"), st.just(0)),
        st.tuples(st.just("redo"), st.just(0)),
    ),
    max_size=14,
)


@settings(max_examples=15, suppress_health_check=[HealthCheck.function_scoped_fixture])
@given(steps)
def test_any_walk_through_history_ends_where_it_should(store, read, walk):
    """The stored garden against a plain list of documents: the model of undo."""
    history = [document(planting())]
    slug, at = store.create(read(history[0])), 0
    for action, number in walk:
        now = json.loads(json.dumps(history[at]))
        version = store.load(slug).head.version
        if action in ("undo", "redo"):
            to = at - 1 if action == "undo" else at + 1
            if 0 <= to < len(history):
                getattr(store, action)(slug, version)
                at = to
            continue
        change = _change(action, number, now)
        if change is not None:
            store.edit(slug, version, EDIT.validate_python(change))
            history, at = [*history[: at + 1], now], at + 1
    assert p.document(store.load(slug).plan) == history[at]


def _change(action, number, now):
    """The edit of one step, made on `now` as well."""
    plantings = now["plantings"]
    if action == "plant":
        fresh = planting("lettuce", (f"D{number}",), id=f"n{len(plantings)}-{number}")
        if any(g["id"] == fresh["id"] for g in plantings):
            return None
        plantings.append(fresh)
        return {"do": "plant", "planting": fresh}
    if not plantings:
        return None
    chosen = plantings[number % len(plantings)]
    if action == "remove":
        plantings.remove(chosen)
        return {"do": "remove-planting", "id": chosen["id"]}
    if chosen.get("spacing_cm") == number:
        return None
    chosen["spacing_cm"] = number
    return {"do": "change-planting", "id": chosen["id"], "changes": {"spacing_cm": number}}
