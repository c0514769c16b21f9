"""The API: gardens made, read, edited and taken out; errors as problem details."""

import csv
import io
import json

import pytest

from ample_rows.core import plan as p
from ample_rows.demo import demo_plans
from tests.conftest import document, planting

PROBLEM = "application/problem+json"
FIRST_BED = {
    "name": "My garden",
    "width_cm": 120,
    "length_cm": 240,
    "depth_cm": 25,
    "sun_hours": 6,
    "latitude": 47,
}


def edits(client, version, edit, slug="lantern-court"):
    return client.post(f"/api/gardens/{slug}/edits", json={"version": version, "edit": edit})


MOVE = {"do": "change-planting", "id": "p3", "changes": {"start_date": "2027-04-08"}}


def test_an_import_and_an_export_keep_every_value(client, book):
    for plan in demo_plans(book):
        doc = p.document(plan)
        slug = client.post("/api/gardens", json=doc).json()["head"]["slug"]
        answer = client.get(f"/api/gardens/{slug}/plan.amplerows.json")
        assert answer.json() == doc
        assert "attachment" in answer.headers["content-disposition"]


def test_gardens_are_listed_and_removed(client, lantern):
    assert [head["name"] for head in client.get("/api/gardens").json()] == ["Lantern Court"]
    assert client.delete("/api/gardens/lantern-court").status_code == 422
    assert client.delete("/api/gardens/lantern-court?version=7").status_code == 409
    assert client.delete("/api/gardens/lantern-court?version=1").status_code == 204
    assert client.get("/api/gardens").json() == []
    gone = client.get("/api/gardens/lantern-court")
    assert gone.status_code == 404
    assert gone.headers["content-type"] == PROBLEM


def test_an_edit_answers_with_what_changed(client, lantern):
    change = edits(client, 1, MOVE).json()
    assert change["head"]["version"] == 2
    assert [r["id"] for r in change["report"]["places"]["changed"]] == ["south"]
    assert change["plan"]["plantings"]["changed"] == [{"id": "p3", **MOVE["changes"]}]
    assert change["plan"]["places"]["changed"] == []
    (moved,) = change["changed"]
    assert moved["place"] == "south"


def test_the_change_in_a_places_figures_is_told(client, lantern):
    before = next(r for r in lantern["report"]["places"] if r["id"] == "south")
    change = edits(client, 1, {"do": "remove-planting", "id": "p3"}).json()
    (after,) = change["report"]["places"]["changed"]
    (told,) = change["changed"]
    assert told["plants"] == after["plants"] - before["plants"] == -64
    assert told["harvest_kg"] == pytest.approx(
        after["harvest_kg"]["p50"] - before["harvest_kg"]["p50"]
    )
    assert told["idle_cell_weeks"] > 0


def test_undo_and_redo(client, lantern):
    edits(client, 1, MOVE)
    undone = client.post("/api/gardens/lantern-court/undo", json={"version": 2}).json()
    assert undone["plan"]["plantings"]["changed"] == [{"id": "p3", "start_date": "2027-04-01"}]
    assert undone["head"]["redo_label"] == "change carrot"
    redone = client.post("/api/gardens/lantern-court/redo", json={"version": 3}).json()
    assert redone["plan"]["plantings"]["changed"] == [{"id": "p3", "start_date": "2027-04-08"}]
    end = client.post("/api/gardens/lantern-court/redo", json={"version": 4})
    assert (end.status_code, end.json()["detail"]) == (409, "Nothing to redo.")


def test_a_second_tab_is_told_of_the_newer_version(client, lantern):
    edits(client, 1, MOVE)
    late = edits(client, 1, {"do": "remove-planting", "id": "p3"})
    assert late.status_code == 409
    assert late.json()["title"] == "Changed elsewhere"
    assert late.json()["version"] == 2
    assert len(client.get("/api/gardens/lantern-court").json()["plan"]["plantings"]) == len(
        lantern["plan"]["plantings"]
    )


@pytest.mark.parametrize(
    ("edit", "path"),
    [
        (
            {"do": "change-planting", "id": "p3", "changes": {"cells": ["Z9"]}},
            "plantings[2].cells[0]",
        ),
        (
            {"do": "change-planting", "id": "p3", "changes": {"spacing_cm": -1}},
            "plantings[2].spacing_cm",
        ),
        ({"do": "change-garden", "changes": {"first_frost": "2027-01-01"}}, "garden.first_frost"),
        ({"do": "dance"}, "edit"),
        ({"do": "plant", "planting": {}, "extra": 1}, "edit.plant.extra"),
    ],
)
def test_a_wrong_edit_names_the_field_and_changes_nothing(client, lantern, edit, path):
    answer = edits(client, 1, edit)
    assert answer.status_code == 422
    assert answer.headers["content-type"] == PROBLEM
    assert answer.json()["errors"][0]["path"] == path
    assert "Nothing was changed" in answer.json()["detail"]
    assert client.get("/api/gardens/lantern-court").json()["head"]["version"] == 1


def test_an_edit_of_what_is_not_there_is_told_so(client, lantern):
    answer = edits(client, 1, {"do": "change-planting", "id": "zz", "changes": {}})
    assert answer.status_code == 404
    assert answer.json()["type"].endswith(":unknown")
    assert 'no planting "zz"' in answer.json()["detail"]


@pytest.mark.parametrize(
    ("raw", "words"),
    [
        (b"", "not JSON"),
        (b"{" * 5000, "not JSON"),
        (json.dumps(document())[:-20].encode(), "not JSON"),
        (json.dumps(document()).replace("51.9", "NaN").encode(), "garden.latitude"),
        (json.dumps({**document(), "version": 7}).encode(), "version"),
        (json.dumps(document(planting(), planting())).encode(), "plantings[1].id"),
    ],
)
def test_a_broken_document_is_refused_whole(client, raw, words):
    answer = client.post("/api/gardens", content=raw)
    assert answer.status_code == 422
    assert words in answer.json()["detail"]
    assert client.get("/api/gardens").json() == []


def test_a_huge_body_is_refused(client):
    answer = client.post("/api/gardens", content=b" " * (50 * 1024 * 1024))
    assert answer.status_code == 413
    assert answer.headers["content-type"] == PROBLEM


def test_a_huge_body_without_a_length_is_refused_too(client):
    def endless():
        for _ in range(100):
            yield b" " * 100_000

    assert client.post("/api/gardens", content=endless()).status_code == 413


def test_the_harvest_table_reads_back_as_csv(client, lantern):
    text = client.get("/api/gardens/lantern-court/harvest.csv").text
    rows = list(csv.DictReader(io.StringIO(text)))
    assert len(rows) == len(lantern["report"]["plantings"])
    carrot = next(r for r in rows if r["planting"] == "p3")
    assert carrot["plants"] == "64"
    reported = lantern["report"]["plantings"][2]["harvest_kg"]["p50"]
    assert float(carrot["likely_kg"]) == pytest.approx(reported, abs=0.001)


def test_a_garden_in_feet_has_its_tables_in_pounds_and_inches(client):
    normals = {"tmin_c": [0] * 12, "tmax_c": [10] * 12}
    doc = document(planting(), units="imperial", climate=normals)
    made = client.post("/api/gardens", json=doc).json()
    files = f"/api/gardens/{made['head']['slug']}"
    (row,) = csv.DictReader(io.StringIO(client.get(f"{files}/harvest.csv").text))
    (found,) = made["report"]["plantings"]
    pounds = found["harvest_kg"]["p50"] * 2.20462
    assert float(row["likely_lb"]) == pytest.approx(pounds, abs=0.001)
    assert float(row["spacing_in"]) == pytest.approx(found["spacing_cm"] / 2.54, abs=0.01)
    assert client.get(f"{files}/climate.csv").text.splitlines()[1] == "1,32,50"


def test_a_name_that_a_spreadsheet_would_run_is_made_plain(client):
    doc = document(planting(id="=1+1"))
    doc["places"][0]["name"] = "=cmd()"
    slug = client.post("/api/gardens", json=doc).json()["head"]["slug"]
    (row,) = csv.DictReader(io.StringIO(client.get(f"/api/gardens/{slug}/harvest.csv").text))
    assert row["place"] == "'=cmd()"
    assert row["planting"] == "'=1+1"


def test_the_shelf_answers_for_squares_and_day(client, lantern):
    asked = {"place": "south", "cells": ["A1", "A2"], "day": "2027-11-01"}
    answer = client.post("/api/gardens/lantern-court/shelf", json=asked).json()
    assert answer["blocked"] is None
    assert any(entry["fits"] for entry in answer["entries"])
    asked["cells"] = ["Z9"]
    wrong = client.post("/api/gardens/lantern-court/shelf", json=asked)
    assert wrong.json()["errors"][0]["path"] == "cells[0]"


def test_a_first_bed_is_made_from_what_is_asked(client):
    made = client.post("/api/first-bed", json=FIRST_BED)
    assert made.status_code == 201
    state = made.json()
    assert state["report"]["year"]["guessed"] == ["last_frost", "first_frost"]
    assert len(state["plan"]["plantings"]) > 4


@pytest.mark.parametrize(
    ("field", "value"),
    [
        ("width_cm", 0),
        ("depth_cm", 1e9),
        ("sun_hours", 30),
        ("latitude", 89),
        ("name", ""),
        ("climate", "moon"),
    ],
)
def test_a_first_bed_that_cannot_be_is_refused_at_the_field(client, field, value):
    answers = {**FIRST_BED, field: value}
    answer = client.post("/api/first-bed", json=answers)
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"] == field


def test_frosts_out_of_order_are_refused(client):
    answers = {**FIRST_BED, "last_frost": "2027-10-01", "first_frost": "2027-05-01"}
    answer = client.post("/api/first-bed", json=answers)
    assert answer.json()["errors"][0]["path"] == "garden.first_frost"


def test_reference_data_is_served(client):
    crops = client.get("/api/crops").json()
    assert {"id", "spacing_cm", "sources", "variety_of"} <= crops[0].keys()
    assert client.get("/api/schema").json().keys() == {"plan", "report"}
    page = client.get("/api/reference")
    assert "/api/gardens/{slug}/edits" in page.text
    assert "<script" not in page.text
    assert "http" not in page.text.replace("https://www", "")


def test_pages_and_what_is_not_there(client):
    assert client.get("/api/nothing").status_code == 404
    assert client.get("/assets/nothing.js").status_code == 404
    assert client.get("/../../etc/passwd").text.startswith("<!doctype html>")
    assert client.get("/gardens/any/squares").text.startswith("<!doctype html>")


def test_sentences_come_in_the_units_that_are_asked_for(client, lantern):
    url = f"/api/gardens/{lantern['head']['slug']}"
    plain = client.get(url).json()["report"]["notes"]
    inches = client.get(url, headers={"prefer": "units=imperial"}).json()["report"]["notes"]
    assert any(" cm" in note["text"] for note in plain)
    assert not any(" cm" in note["text"] for note in inches)
    assert [note["code"] for note in plain] == [note["code"] for note in inches]
    # What was asked in inches leaves the metric answer as it was.
    assert client.get(url).json()["report"]["notes"] == plain
