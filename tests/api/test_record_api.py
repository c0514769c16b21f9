"""The day book over the wire: kept once, asked about, taken out and put back, learnt from."""

import json
from datetime import date

import pytest

GARDEN = "/api/gardens/lantern-court"


@pytest.fixture
def put(client, lantern):
    """Keep an entry; `planting` is one of the demo garden that has begun by then."""

    def send(ident="e1", **keys):
        sure = {"sure": "true"} if keys.pop("sure", False) else {}
        entry = {"id": ident, "day": "2026-11-01", "kind": "note", **keys}
        path = f"{GARDEN}/entries/{keys.get('at', ident)}"
        entry.pop("at", None)
        return client.put(path, params=sure, content=json.dumps(entry))

    return send


def entries(client, **asked):
    return client.get(f"{GARDEN}/entries", params=asked).json()


def test_an_entry_is_kept_once_and_changed_under_its_id(client, put):
    assert put(text="slugs on the lettuce").status_code == 201
    again = put(text="slugs on the lettuce")
    assert (again.status_code, len(entries(client))) == (200, 1)
    put(text="snails")
    [kept] = entries(client)
    assert kept["text"] == "snails"
    assert kept["season"] == "2027"


def test_entries_are_found_by_day_part_and_word(client, put):
    put("a", day="2026-10-01", text="first frost on the low bed", place="low")
    put("b", day="2026-10-05", kind="watered", minutes=10, place="south")
    put("c", day="2026-10-05", text="Frost again")
    assert [e["id"] for e in entries(client)] == ["c", "b", "a"]
    assert [e["id"] for e in entries(client, since="2026-10-02", kind="watered")] == ["b"]
    assert [e["id"] for e in entries(client, words="frost")] == ["c", "a"]
    assert [e["id"] for e in entries(client, words="frost low")] == ["a"]
    assert entries(client, words="100%") == []
    assert [e["id"] for e in entries(client, place="low")] == ["a"]
    assert [e["id"] for e in entries(client, most=1)] == ["c"]


def test_entries_are_found_by_their_tags_and_by_what_they_are_of(client, put):
    put("a", kind="seen", crop="carrot", text="forked", tags=["stones", "2027-trial"])
    put("b", kind="watered", place="south", minutes=5)
    for words, found in (
        ("#stones", ["a"]),
        ("trial carrots", []),
        ("trial carrot", ["a"]),
        ("south", ["b"]),
        ("watered", ["b"]),
    ):
        assert [e["id"] for e in entries(client, words=words)] == found
    assert put("c", tags=["two words"]).status_code == 422


def test_a_row_is_walked_and_a_lost_label_resolved(client, put):
    plan = client.get(GARDEN).json()["plan"]
    mixed = next(p for p in plan["plantings"] if p.get("varieties"))
    day = mixed["start_date"]
    kept = {"planting": mixed["id"], "kind": "seen", "day": day, "text": "split"}
    assert put("a", plant=1, sure=True, **kept).status_code == 201
    beyond = put("b", plant=20_000, sure=True, **kept)
    assert beyond.json()["errors"][0]["path"] == "plant"
    stranger = put("b", variety="carrot", sure=True, **kept)
    assert stranger.json()["errors"][0]["path"] == "variety"
    path = f"{GARDEN}/plantings/{mixed['id']}/row"
    row = client.get(path).json()
    assert [entry["text"] for entry in row["plants"][0]["entries"]] == ["split"]
    other = next(k["kind"] for k in row["kinds"] if k["kind"] != row["plants"][0]["kind"])
    edit = client.get(f"{path}/1/known-as/{other}").json()
    assert (edit["do"], edit["id"]) == ("change-planting", mixed["id"])
    assert client.get(f"{GARDEN}/plantings/none/row").status_code == 404


def test_entries_of_one_line_are_kept_all_or_none(client, begun):
    asked = {"text": f"{begun['name']} 0.2 kg; 0.1 kg", "day": "2027-07-01", "id": "t"}
    read = client.post(f"{GARDEN}/entry-read", json=asked).json()["entries"]
    path = f"{GARDEN}/entries/together"
    first, second = read
    wrong = {"entries": [first, {**second, "plant": 20_000}]}
    assert client.post(path, json=wrong).json()["errors"][0]["path"] == "plant"
    assert entries(client) == []
    much = {"entries": [first, {**second, "kg": 900}]}
    assert client.post(path, json=much).json()["type"].endswith("doubtful")
    assert entries(client) == []
    kept = client.post(path, params={"sure": "true"}, json={"entries": read}).json()["entries"]
    assert [e["season"] for e in kept] == ["2027", "2027"]
    client.post(path, params={"sure": "true"}, json={"entries": read})
    assert sorted(e["id"] for e in entries(client)) == ["t", "t-2"]
    assert client.post(path, json={"entries": []}).status_code == 422


def test_what_is_taken_out_can_be_put_back(client, put):
    put(text="kept")
    assert client.delete(f"{GARDEN}/entries/e1").status_code == 204
    assert entries(client) == []
    assert client.post(f"{GARDEN}/entries/e1/put-back").json()["text"] == "kept"
    assert len(entries(client)) == 1
    assert client.delete(f"{GARDEN}/entries/none").status_code == 404
    assert client.post(f"{GARDEN}/entries/none/put-back").status_code == 404


@pytest.mark.parametrize(
    ("keys", "path", "words"),
    [
        ({"kind": "picked"}, "kg", "needs a weight"),
        ({"kind": "picked", "kg": -2}, "kg", "at least 0"),
        ({"crop": "no-crop"}, "crop", "not in the crop book"),
        ({"at": "other"}, "id", 'the address says "other"'),
        ({"day": "2026-13-01"}, "day", "a date that exists"),
    ],
)
def test_what_no_entry_can_say_is_refused_at_its_field(client, put, keys, path, words):
    answer = put(**keys)
    assert answer.status_code == 422
    [fault] = answer.json()["errors"]
    assert (fault["path"], words in fault["text"]) == (path, True)
    assert entries(client) == []


@pytest.fixture
def begun(client, lantern):
    """A planting of the demo that is picked, and its estimate."""
    reports = client.get(GARDEN).json()["report"]["plantings"]
    return next(r for r in reports if r["first_pick"] and r["harvest_kg"]["p50"] > 0.5)


@pytest.mark.parametrize(
    ("changes", "path", "words"),
    [
        ({"kg": 400}, "kg", "is far more than"),
        ({"day": "2020-01-01"}, "day", "starts on"),
        ({"day": "2199-01-01"}, "day", "was over on"),
        ({"planting": "gone"}, "planting", "there is no planting"),
        ({"place": "gone"}, "place", "there is no place"),
    ],
)
def test_what_is_odd_is_asked_about_and_kept_when_it_is_so(
    client, put, begun, changes, path, words
):
    odd = {"kind": "picked", "kg": 0.1, "planting": begun["id"], "day": begun["first_pick"]}
    asked = put(**{**odd, **changes})
    assert asked.status_code == 422
    assert asked.json()["type"].endswith("doubtful")
    assert any(f["path"] == path and words in f["text"] for f in asked.json()["errors"])
    assert entries(client) == []
    assert put(**{**odd, **changes}, sure=True).status_code == 201


def test_the_record_is_an_open_document_and_says_what_comes_here(client, put, begun):
    kg = 2 * begun["harvest_kg"]["p50"]
    put("a", kind="picked", kg=kg, planting=begun["id"], day=begun["first_pick"], sure=True)
    put("b", kind="cleared", planting=begun["id"], day=begun["clear_date"], sure=True)
    record = client.get(f"{GARDEN}/record.amplerows.json").json()
    assert [e["id"] for e in record["entries"]] == ["a", "b"]
    assert record["seasons"][0]["plan"]["garden"]["name"] == "Lantern Court"
    own = client.get(f"{GARDEN}/own-factors").json()
    assert own["used"] == 1
    assert 1.1 < own["garden"]["factor"] < 1.25
    assert date.fromisoformat(record["entries"][0]["day"]).year >= 2026


def test_a_garden_that_is_not_there_has_no_day_book(client):
    assert client.get("/api/gardens/none/entries").status_code == 404
    path = "/api/gardens/none/entries/e1"
    entry = json.dumps({"id": "e1", "day": "2026-11-01", "kind": "note"})
    assert client.put(path, content=entry).status_code == 404


def test_days_far_off_and_endless_numbers_are_refused_in_words(client, lantern):
    for path in ("ripe", "tape"):
        assert client.get(f"{GARDEN}/{path}", params={"day": "0001-01-01"}).status_code == 422
        assert client.get(f"{GARDEN}/{path}", params={"day": "9999-12-31"}).status_code == 422
        assert client.get(f"{GARDEN}/{path}", params={"day": "1900-01-01"}).status_code == 200
    line = {"text": f"carrots {'9' * 400}", "day": "2027-06-01", "id": "e"}
    assert client.post(f"{GARDEN}/entry-read", json=line).status_code == 422


def test_the_record_goes_out_as_a_table_and_comes_in_once(client, put):
    put("a", kind="picked", kg=0.4, crop="carrot", place="low", day="2027-08-01", sure=True)
    put("b", text="slugs")
    table = client.get(f"{GARDEN}/entries.csv").text
    again = client.post(f"{GARDEN}/entries.csv", json={"text": table, "keep": True}).json()
    assert (again["entries"], again["known"], again["refused"]) == ([], 2, [])
    more = table + ",2027-08-09,,picked,low,,carrot,,0.25\n"
    looked = client.post(f"{GARDEN}/entries.csv", json={"text": more}).json()
    assert len(looked["entries"]) == 1
    assert len(entries(client)) == 2
    client.post(f"{GARDEN}/entries.csv", json={"text": more, "keep": True})
    [new] = entries(client, since="2027-08-09")
    assert (new["kg"], new["season"]) == (0.25, "2027")


def test_a_job_marked_done_is_in_the_record_until_it_is_opened_again(client, lantern):
    mark = {"planting": "p1", "place": "south", "job": "tie-in", "nth": 1, "on": "2027-06-01"}
    version = lantern["head"]["version"]
    for state, count in (("done", 1), ("open", 0)):
        edit = {"do": "mark-job", "mark": {**mark, "state": state}}
        made = client.post(f"{GARDEN}/edits", json={"version": version, "edit": edit}).json()
        version = made["head"]["version"]
        tied = [e for e in client.get(f"{GARDEN}/entries/of-jobs").json() if e["kind"] == "tied"]
        assert len(tied) == count
        record = client.get(f"{GARDEN}/record.amplerows.json").json()
        assert sum(e["kind"] == "tied" for e in record["entries"]) == count
