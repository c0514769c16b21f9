"""The sheets that are asked for apart: supports, covers, a fill tried, the seed box."""

import pytest

GARDEN = "/api/gardens/lantern-court"


@pytest.fixture
def ask(client, lantern):
    """A question to the first demo garden, its answer and its status."""

    def of(path, **params):
        answer = client.get(f"{GARDEN}/{path}", params=params or None)
        return answer.status_code, answer.json()

    return of


@pytest.fixture
def edit(client, lantern):
    """One edit of the first demo garden, at the version that it has by then."""

    def of(change):
        version = client.get(GARDEN).json()["head"]["version"]
        return client.post(f"{GARDEN}/edits", json={"version": version, "edit": change})

    return of


def test_a_support_comes_with_its_bill_load_and_wind(ask):
    status, sheet = ask("places/south/supports/net")
    assert status == 200
    assert sheet["bays"]["posts_at_cm"] == [0, 90, 180, 270]
    assert sheet["cost"] == pytest.approx(sum(line["cost"] for line in sheet["lines"]))
    assert sheet["wind"]["wind_m_s"] == 22
    assert sheet["working"][-1]["rule"] == "support"


@pytest.mark.parametrize(
    "path",
    [
        "places/south/supports/ladder",
        "places/nowhere/supports/net",
        "places/south/supports/ladder/edges",
        "places/nowhere/covers",
        "places/nowhere/filled?fill_cm=20",
    ],
)
def test_what_is_not_there_is_a_fault_in_words(ask, path):
    status, problem = ask(path)
    assert status == 404
    assert any(word in problem["detail"] for word in ("no place", "no support"))


@pytest.mark.parametrize("fill", [0, -5, 1e9, "deep"])
def test_a_fill_that_cannot_be_is_refused(ask, fill):
    assert ask("places/south/filled", fill_cm=fill)[0] == 422


def test_the_move_of_a_support_can_be_taken_as_it_is_offered(ask, edit):
    _, sides = ask("places/south/supports/net/edges")
    assert [side["edge"] for side in sides if side["here_now"]] == ["north"]
    south = next(side for side in sides if side["edge"] == "south")
    assert edit(south["move"]["edit"]).status_code == 200
    _, again = ask("places/south/supports/net/edges")
    assert next(s for s in again if s["here_now"])["edge"] == "south"
    kg = {side["edge"]: side["own_kg"] + side["others_kg"] for side in again}
    assert kg["south"] == pytest.approx(south["own_kg"] + south["others_kg"], rel=0.01)


def test_a_cover_that_is_advised_can_be_put_on_as_it_is_offered(ask, edit):
    _, found = ask("places/long/covers")
    advice = found["advice"][0]
    assert edit(advice["cover"]["edit"]).status_code == 200
    _, after = ask("places/long/covers")
    assert len(after["covers"]) > len(found["covers"])
    assert advice["family"] not in {a["family"] for a in after["advice"]}


def test_a_fill_that_is_tried_changes_nothing_until_it_is_taken(ask, client, edit):
    before = client.get(GARDEN).json()["head"]["version"]
    _, tried = ask("places/low/filled", fill_cm=25)
    assert client.get(GARDEN).json()["head"]["version"] == before
    assert edit(tried["edit"]).status_code == 200
    place = next(p for p in client.get(GARDEN).json()["report"]["places"] if p["id"] == "low")
    assert place["layers"]["fill_cm"] == 25
    assert place["soil"]["order_litres"] == pytest.approx(tried["order_litres"])


def test_the_seed_box_is_changed_undone_and_refused_by_name(ask, client, edit):
    _, before = ask("seed-box")
    packet = {"id": "new", "crop": "spinach", "seeds": 900, "year": 2027}
    kept = client.get(GARDEN).json()["plan"]["seed_box"]["packets"]
    done = edit({"do": "change-seed-box", "changes": {"packets": [*kept, packet]}})
    assert done.status_code == 200
    assert done.json()["head"]["undo_label"] == "change the seed box"
    spinach = next(row for row in ask("seed-box")[1]["rows"] if row["crop"] == "spinach")
    assert (spinach["buy"], spinach["there"]) == (0, 900)
    version = client.get(GARDEN).json()["head"]["version"]
    client.post(f"{GARDEN}/undo", json={"version": version})
    assert ask("seed-box")[1] == before
    wrong = edit({"do": "change-seed-box", "changes": {"packets": [{**packet, "crop": "triffid"}]}})
    assert wrong.status_code == 422
    assert wrong.json()["errors"][0]["path"] == "seed_box.packets[0].crop"


@pytest.mark.parametrize("table", ["covers", "footings", "trainings"])
def test_the_tables_of_what_is_put_up_are_served(client, book, table):
    answer = client.get(f"/api/{table}").json()
    assert answer.keys() == getattr(book, table).keys()
    assert all(record["source"] for record in answer.values())


def test_how_a_harvest_came_to_be_is_asked_planting_by_planting(ask, lantern):
    status, terms = ask("plantings/p4/working")
    assert status == 200
    likely = next(p for p in lantern["report"]["plantings"] if p["id"] == "p4")
    assert terms[-1]["value"] == pytest.approx(likely["harvest_kg"]["p50"])
    assert not [p for p in lantern["report"]["plantings"] if "working" in p]
    assert ask("plantings/none/working")[0] == 404
