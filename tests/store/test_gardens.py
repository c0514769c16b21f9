"""Gardens kept: every edit a revision, undo and redo without limit and across restarts."""

import json
import shutil
import sqlite3
import threading
from dataclasses import replace
from datetime import UTC, datetime, timedelta

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import TypeAdapter

from ample_rows.core import plan as p
from ample_rows.core.edits import Edit
from ample_rows.core.errors import AmpleRowsError, UnknownPartError
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.crops import load_book
from ample_rows.demo import demo_plans
from ample_rows.store import (
    ChangedElsewhereError,
    Database,
    GardenStore,
    NothingToDoError,
    UnknownGardenError,
    restore,
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
    names = ["Test yard", "Test yard", "Große Terrasse", "…", "x" * 200]
    slugs = [store.create(read(document(name=name[:120]))) for name in names]
    assert slugs[:4] == ["test-yard", "test-yard-2", "grosse-terrasse", "garden"]
    assert len(set(slugs)) == 5
    assert [head.slug for head in store.list()] == slugs


def test_an_edit_is_a_revision_with_a_name(store, kept):
    stored = store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    assert stored.head.version == 2
    assert stored.head.undo_label == "change carrot"
    assert stored.before.plan.plantings[0].spacing_cm is None
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
    with pytest.raises(AmpleRowsError):
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
        with pytest.raises(ChangedElsewhereError) as raised:
            late()
        assert raised.value.version == 2
    assert store.load(kept).plan.plantings[0].spacing_cm == 9


def test_another_process_edits_between(store, kept, book, tmp_path):
    other = reopened(store, book, tmp_path)
    store.load(kept)
    theirs = other.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    assert store.load(kept).plan.plantings[0].spacing_cm == 9
    version = theirs.head.version
    stored = store.edit(kept, version, edit("change-planting", id="p1", changes={"per_cell": 4}))
    assert stored.plan.plantings[0].spacing_cm == 9


def rows_left(folder):
    with sqlite3.connect(folder / "gardens.sqlite") as file:
        tables = ("gardens", "places", "supports", "plantings", "revisions")
        return [file.execute(f"SELECT count(*) FROM {table}").fetchone()[0] for table in tables]


def test_a_removed_garden_waits_and_comes_back_with_its_history(store, kept):
    before = store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    with pytest.raises(ChangedElsewhereError):
        store.remove(kept, 1)
    store.remove(kept, 2)
    assert store.list() == []
    for call in (store.load, store.head, store.document, lambda slug: store.remove(slug, 2)):
        with pytest.raises(UnknownGardenError, match="test-yard"):
            call(kept)
    (waiting,) = store.removed()
    assert waiting.slug == kept
    assert waiting.until - waiting.removed_at == timedelta(days=30)
    back = store.put_back(kept)
    assert back.plan == before.plan
    assert store.removed() == ()
    assert store.undo(kept, back.head.version).plan.plantings[0].spacing_cm is None


def test_what_was_removed_goes_for_good_after_thirty_days_or_when_told(store, kept, read, tmp_path):
    other = store.create(read(document(name="Other")))
    store.remove(kept, 1)
    store.remove(other, store.head(other).version)
    assert store.purge_old() == 0
    store.purge(other)
    assert [gone.slug for gone in store.removed()] == [kept]
    assert store.purge_old(datetime.now(UTC) + timedelta(days=31)) == 1
    assert rows_left(tmp_path) == [0, 0, 0, 0, 0]
    with pytest.raises(UnknownGardenError):
        store.put_back(kept)


def test_a_garden_made_again_never_gets_what_an_earlier_one_had(store, read):
    """Neither its address, nor a version, nor what was held of it while it was read."""
    plan = read(document(planting()))
    first = store.create(plan)
    store.edit(first, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    store.load(first)
    store.remove(first, 2)
    store.purge(first)
    again = store.create(plan)
    assert again != first
    assert store.head(again).version > 2
    with pytest.raises(ChangedElsewhereError):
        store.edit(again, 2, edit("remove-place", id="bed"))
    assert store.load(again).plan == plan


def test_a_garden_restored_while_an_old_read_is_in_flight_is_shown_as_it_is(store, kept, book):
    """What a slow read finds out last must not stand for the garden that came meanwhile."""
    store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    backup = store.database.backups.make("asked")
    gate, reached = threading.Event(), threading.Event()
    slow = GardenStore(store.database, book)
    usable = slow._usable

    def held_up(parts):
        reached.set()
        gate.wait(10)
        return usable(parts)

    slow._usable = held_up
    reader = threading.Thread(target=lambda: slow.load(kept))
    reader.start()
    reached.wait(10)
    store.remove(kept, 2)
    store.purge(kept)
    (back,) = restore(store.database, store.database.backups.path(backup.name))
    assert back == kept
    version = store.head(back).version
    store.edit(back, version, edit("remove-place", id="bed"))
    gate.set()
    reader.join()
    assert slow.load(back).plan.places == ()
    now = slow.head(back).version
    with pytest.raises(UnknownPartError, match="no planting"):
        slow.edit(back, now, edit("change-planting", id="p1", changes={"spacing_cm": 7}))


def test_two_stores_on_one_folder_never_mix_their_gardens(store, kept, book, read, tmp_path):
    other = reopened(store, book, tmp_path)
    other.load(kept)
    store.remove(kept, 1)
    store.purge(kept)
    again = store.create(read(document(places=[bed(id="new")])))
    assert other.load(again).plan.places[0].id == "new"
    version = other.head(again).version
    other.edit(again, version, edit("change-place", id="new", changes={"name": "Mine"}))
    assert store.load(again).plan.places[0].name == "Mine"


def test_a_copy_of_the_file_put_back_never_gives_a_version_again(store, kept, book, tmp_path):
    copy = tmp_path / "copy.sqlite"
    shutil.copy(tmp_path / "gardens.sqlite", copy)
    later = store.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 9}))
    store.database.close()
    shutil.copy(copy, tmp_path / "gardens.sqlite")
    again = reopened(store, book, tmp_path)
    assert again.load(kept).plan.plantings[0].spacing_cm is None
    fresh = again.edit(kept, 1, edit("change-planting", id="p1", changes={"spacing_cm": 5}))
    assert fresh.head.version > later.head.version


@pytest.mark.parametrize(
    ("value", "wanted"), [(10**400, "Infinity"), (float("nan"), "NaN"), (float("inf"), "Infinity")]
)
def test_an_own_key_that_could_not_be_read_again_is_refused(store, kept, value, wanted):
    change = edit("change-planting", id="p1", changes={"x-n": value})
    with pytest.raises(PlanFaultsError, match=wanted) as raised:
        store.edit(kept, 1, change)
    assert raised.value.faults[0].path == "plantings[0].x-n"


def rewrite(folder, table, **values):
    """Change the first row's document behind the store's back, as a later version might."""
    with sqlite3.connect(folder / "gardens.sqlite") as file:
        (text,) = file.execute(f"SELECT document FROM {table} ORDER BY pk").fetchone()
        changed = json.dumps({**json.loads(text), **values})
        file.execute(f"UPDATE {table} SET document = ? WHERE pk = 1", (changed,))
        file.execute("UPDATE gardens SET version = version + 1")


def test_what_cannot_be_used_is_set_aside_kept_through_edits_and_used_again(
    store, read, book, tmp_path
):
    doc = document(planting(), planting("lettuce", ("C1",), id="p2"))
    slug = store.create(read(doc))
    rewrite(tmp_path, "plantings", crop="moonfruit")
    stored = store.load(slug)
    assert [g.id for g in stored.plan.plantings] == ["p2"]
    (aside,) = stored.plan.set_aside
    assert (aside.path, aside.value["crop"]) == ("plantings[0]", "moonfruit")
    assert "crop book" in aside.why
    assert store.document(slug)["plantings"][0]["crop"] == "moonfruit"
    # An export is read again, and an edit keeps what is set aside.
    assert read(p.document(stored.plan)).set_aside == stored.plan.set_aside
    change = edit("change-planting", id="p2", changes={"spacing_cm": 20})
    edited = store.edit(slug, stored.head.version, change)
    assert edited.plan.set_aside == stored.plan.set_aside
    # When its crop is known again, it stands where it stood.
    crops = {**book.crops, "moonfruit": book.crops["carrot"].model_copy(update={"id": "moonfruit"})}
    wider = GardenStore(store.database, replace(book, crops=crops))
    assert [g.id for g in wider.load(slug).plan.plantings] == ["p1", "p2"]
    assert wider.load(slug).plan.set_aside == ()
    undone = store.undo(slug, edited.head.version)
    assert undone.plan.plantings[0].spacing_cm is None
    cleared = store.edit(slug, undone.head.version, edit("forget-set-aside"))
    assert cleared.plan.set_aside == ()


def test_a_garden_whose_own_facts_cannot_be_used_still_opens(store, kept, tmp_path):
    garden = {**document()["garden"], "latitude": 200.0, "x-n": 10**400}
    rewrite(tmp_path, "gardens", garden=garden)
    plan = store.load(kept).plan
    assert {part.path for part in plan.set_aside} == {"garden.latitude", "garden.x-n"}


def test_two_frosts_that_disagree_are_set_aside_and_the_rest_of_the_garden_kept(
    store, kept, tmp_path
):
    facts = document()["garden"]
    frosts = {"last_frost": "2027-12-01", "first_frost": "2027-03-01"}
    rewrite(tmp_path, "gardens", garden={**facts, **frosts})
    plan = store.load(kept).plan
    assert {part.path for part in plan.set_aside} == {f"garden.{key}" for key in frosts}
    assert (plan.garden.name, plan.garden.latitude) == (facts["name"], facts["latitude"])
    assert plan.places[0].id == "bed"


def test_a_garden_of_too_many_squares_opens_and_can_be_made_smaller(store, kept, run, tmp_path):
    rewrite(tmp_path, "places", shape=rectangle(10_000, 10_000), cell_cm=15)
    stored = store.load(kept)
    report = run(stored.plan)
    assert (report.places, report.plantings) == ((), ())
    assert "too-many-squares" in [note.code for note in report.notes]
    larger = edit("add-place", place=bed(id="more"))
    with pytest.raises(PlanFaultsError, match="squares in all") as raised:
        store.edit(kept, stored.head.version, larger)
    assert raised.value.faults[0].path == "places[0].cell_cm"
    less = edit("change-place", id="bed", changes={"cell_cm": 20})
    smaller = store.edit(kept, stored.head.version, less)
    fits = edit("change-place", id="bed", changes={"shape": rectangle(120, 240)})
    assert run(store.edit(kept, smaller.head.version, fits).plan).places[0].id == "bed"


def as_written(store):
    """The same gardens as a process that starts afresh reads them."""
    return GardenStore(store.database, load_book())


def test_plantings_that_leave_a_deleted_place_are_written(store, read):
    """The rows of a place take those of its plantings along, and these have moved by then."""
    low = planting(cells=["A1", "B1"], id="low")
    slug = store.create(read(document(low, planting(cells=["D4"], id="other"))))
    up = edit("stand-riser", id="bed", cells=["A1", "B1"], new_id="box", wall_height_cm=20)
    raised = store.edit(slug, store.load(slug).head.version, up)
    assert {g.id: g.place for g in raised.plan.plantings} == {"low": "box", "other": "bed"}
    assert p.document(as_written(store).load(slug).plan) == p.document(raised.plan)
    down = store.undo(slug, raised.head.version)
    assert {g.id: g.place for g in down.plan.plantings} == {"low": "bed", "other": "bed"}
    assert p.document(as_written(store).load(slug).plan) == p.document(down.plan)
    again = store.redo(slug, down.head.version)
    assert p.document(as_written(store).load(slug).plan) == p.document(again.plan)


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
    assert p.document(as_written(store).load(slug).plan) == history[at]


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
