"""Seasons over the wire: closed in one press, undone as an edit is, side by side, kept for good."""

import json

import pytest

from ample_rows.core.plan import document
from ample_rows.core.record.entries import SeasonPlan
from ample_rows.demo import demo_plans
from ample_rows.store import restore
from ample_rows.store.seasons import Seasons

GARDEN = "/api/gardens/lantern-court"


def version(client):
    return client.get(GARDEN).json()["head"]["version"]


@pytest.fixture
def begin(client, lantern):
    """Begin the next year."""

    def send(draft="same", seen=None):
        asked = {"version": version(client) if seen is None else seen, "draft": draft}
        return client.post(f"{GARDEN}/next-year", json=asked)

    return send


def pick(client, ident, day, **keys):
    entry = {"id": ident, "day": day, "kind": "picked", "kg": 1.5, "crop": "carrot", **keys}
    return client.put(
        f"{GARDEN}/entries/{ident}", params={"sure": "true"}, content=json.dumps(entry)
    )


def test_a_draft_is_told_before_it_is_kept(client, lantern):
    told = client.get(f"{GARDEN}/next-year", params={"draft": "same"}).json()
    assert (told["season"], told["year"]) == ("2027", "2028")
    assert told["planted"] > 40
    assert told["left_out"]
    assert client.get(GARDEN).json() == lantern


def test_a_year_is_begun_and_undone(client, begin, lantern):
    begun = begin()
    assert begun.status_code == 200
    assert begun.json()["head"]["undo_label"] == "begin 2028"
    now = client.get(GARDEN).json()
    assert now["plan"]["garden"]["last_frost"].startswith("2028")
    undone = client.post(f"{GARDEN}/undo", json={"version": now["head"]["version"]})
    assert undone.status_code == 200
    assert client.get(GARDEN).json()["plan"] == lantern["plan"]
    # The season runs again: it is not its own past.
    assert [s["id"] for s in client.get(f"{GARDEN}/seasons").json()["seasons"]] == ["2027"]


def test_a_year_begun_on_what_another_changed_is_refused_and_closes_nothing(
    client, begin, store, book
):
    seen = version(client)
    rename = {"do": "change-garden", "changes": {"name": "Changed meanwhile"}}
    client.post(f"{GARDEN}/edits", json={"version": seen, "edit": rename})
    assert begin(seen=seen).status_code == 409
    assert Seasons(store.database, book).closed("lantern-court") == ()


def test_seasons_stand_side_by_side_with_what_was_picked_in_each(client, begin):
    pick(client, "a", "2027-08-01")
    begin()
    # A day of the closed season belongs to it, also when it is entered later.
    assert pick(client, "b", "2027-09-01").json()["season"] == "2027"
    assert pick(client, "c", "2028-08-01").json()["season"] == "2028"
    told = client.get(f"{GARDEN}/seasons").json()
    assert [(s["id"], s["picked_kg"]) for s in told["seasons"]] == [("2027", 3.0), ("2028", 1.5)]
    carrot = next(row for row in told["crops"] if row["crop"] == "carrot")
    assert [s["picked_kg"] for s in carrot["seasons"]] == [3.0, 1.5]
    assert all(s["estimated_kg"] > 0 for s in carrot["seasons"])


def test_a_closed_season_is_read_as_the_plan_it_was(client, begin, lantern):
    begin()
    plan = client.get(f"{GARDEN}/seasons/2027/plan.amplerows.json").json()
    assert [each["id"] for each in plan["plantings"]] == [
        each["id"] for each in lantern["plan"]["plantings"]
    ]
    assert plan["garden"]["last_frost"].startswith("2027")
    assert client.get(f"{GARDEN}/seasons/1999/plan.amplerows.json").status_code == 404
    record = client.get(f"{GARDEN}/record.amplerows.json").json()
    assert [season["id"] for season in record["seasons"]] == ["2027", "2028"]


def test_a_closed_season_is_opened_with_all_that_was_estimated(client, begin, lantern):
    begin()
    season = client.get(f"{GARDEN}/seasons/2027").json()
    assert (season["id"], season["plan"]["garden"]["last_frost"][:4]) == ("2027", "2027")
    before = {each["id"]: each["plants"] for each in lantern["report"]["plantings"]}
    assert {each["id"]: each["plants"] for each in season["report"]["plantings"]} == before
    assert client.get(f"{GARDEN}/seasons/1999").status_code == 404


def test_days_that_end_before_they_begin_are_refused(client, lantern):
    told = client.get(f"{GARDEN}/span", params={"since": "2027-03-01", "until": "2027-02-01"})
    assert told.json()["errors"][0]["path"] == "until"
    whole = client.get(f"{GARDEN}/span", params={"since": "2027-01-01", "until": "2027-12-31"})
    assert whole.json()["seasons"] == ["2027"]


def test_closed_seasons_are_in_every_backup(client, begin, store, book):
    begin()
    backup = store.database.backups.make("daily")
    [slug] = restore(store.database, store.database.backups.path(backup.name))
    [season] = Seasons(store.database, book).closed(slug)
    assert isinstance(season, SeasonPlan)
    assert season.plan.garden.last_frost.year == 2027


def test_a_verdict_comes_back_and_is_obeyed_in_the_next_year(client, lantern):
    entry = {"id": "v", "day": "2027-10-01", "kind": "verdict", "crop": "carrot"}
    said = {**entry, "quality": "never again", "text": "forked"}
    client.put(f"{GARDEN}/entries/v", params={"sure": "true"}, content=json.dumps(said))
    verdict = client.get(f"{GARDEN}/verdicts").json()["carrot"]
    assert (verdict["verdict"], verdict["text"]) == ("never again", "forked")
    told = client.get(f"{GARDEN}/next-year", params={"draft": "same"}).json()
    unwanted = [left["name"] for left in told["left_out"] if left["stands"] is None]
    assert "maincrop carrot" in unwanted


def test_crops_have_the_names_of_the_gardens_region(client, book):
    client.post("/api/gardens", json=document(demo_plans(book)[2]))
    told = client.get("/api/gardens/kettle-corner/seasons").json()
    names = {row["crop"]: row["name"] for row in told["crops"]}
    assert (names["courgette"], names["rocket"]) == ("zucchini", "arugula")


def test_the_sheet_of_a_season_running_or_closed(client, begin):
    pick(client, "s1", "2027-07-20", planting="p3")
    running = client.get(f"{GARDEN}/seasons/2027/sheet").json()
    line = next(each for each in running["plantings"] if each["planting"] == "p3")
    assert line["picked_kg"] == 1.5
    assert begin().status_code == 200
    closed = client.get(f"{GARDEN}/seasons/2027/sheet").json()
    assert "going on" not in {each["where"] for each in closed["plantings"]}
    assert closed["picked_kg"] == running["picked_kg"]
    assert client.get(f"{GARDEN}/seasons/1999/sheet").status_code == 404
