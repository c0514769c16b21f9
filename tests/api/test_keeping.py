"""Backups, what was deleted, and a damaged file, as the page asks for them."""

import io
import json
import sqlite3
import zipfile

import pytest

from ample_rows.store.salvage import readable_gardens
from tests.conftest import bed, document, planting


@pytest.fixture
def kept(client):
    """A garden's head after it was kept."""
    return client.post("/api/gardens", json=document(planting())).json()["head"]


def test_a_backup_is_made_listed_downloaded_and_restored_beside(client, kept, tmp_path):
    made = client.post("/api/backups").json()
    assert [b["name"] for b in client.get("/api/keeping").json()["backups"]] == [made["name"]]
    held = client.get(f"/api/backups/{made['name']}/gardens").json()
    assert held == [{"slug": kept["slug"], "name": "Test yard", "version": kept["version"]}]
    file = client.get(f"/api/backups/{made['name']}")
    (tmp_path / "copy.sqlite").write_bytes(file.content)
    with sqlite3.connect(tmp_path / "copy.sqlite") as copy:
        assert copy.execute("SELECT name FROM gardens").fetchone() == ("Test yard",)
    restored = client.post(
        f"/api/backups/{made['name']}/restore", json={"garden": kept["slug"]}
    ).json()
    assert [head["slug"] for head in restored] == ["test-yard-2"]
    again = client.get("/api/gardens/test-yard-2").json()
    assert again["plan"] == client.get(f"/api/gardens/{kept['slug']}").json()["plan"]


def test_a_backup_that_is_not_there_is_told(client):
    for path in ("gardens-20270101T000000-daily.sqlite", "..%2Fgardens.sqlite", "x"):
        answer = client.get(f"/api/backups/{path}")
        assert answer.status_code == 404
        assert client.post(f"/api/backups/{path}/restore", json={}).status_code in (404, 405)


def test_an_import_backs_up_what_is_there(client, kept):
    assert client.get("/api/keeping").json()["backups"] == []
    client.post("/api/gardens", json=document(name="Second"))
    (backup,) = client.get("/api/keeping").json()["backups"]
    assert backup["reason"] == "before-import"


def test_a_deleted_garden_is_listed_put_back_or_deleted_for_good(client, kept):
    slug = kept["slug"]
    client.delete(f"/api/gardens/{slug}?version={kept['version']}")
    (gone,) = client.get("/api/keeping").json()["removed"]
    assert (gone["slug"], gone["name"]) == (slug, "Test yard")
    back = client.post(f"/api/removed/{slug}/put-back").json()
    assert back["plan"]["plantings"][0]["id"] == "p1"
    client.delete(f"/api/gardens/{slug}?version={back['head']['version']}")
    (gone,) = client.get("/api/keeping").json()["removed"]
    assert client.delete(f"/api/removed/{slug}?version=1").status_code == 409
    assert client.delete(f"/api/removed/{slug}?version={gone['version']}").status_code == 204
    assert client.get("/api/keeping").json()["removed"] == []
    assert client.post(f"/api/removed/{slug}/put-back").status_code == 404


def documents_of(answer):
    with zipfile.ZipFile(io.BytesIO(answer.content)) as archive:
        return {name: json.loads(archive.read(name)) for name in archive.namelist()}


def test_many_imports_in_one_second_are_all_backed_up_and_the_newest_kept(client, kept):
    for number in range(15):
        made = client.post("/api/gardens", json=document(name=f"Garden {number}"))
        assert made.status_code == 201, made.text
    newest = client.get("/api/keeping").json()["backups"][0]["name"]
    held = client.get(f"/api/backups/{newest}/gardens").json()
    assert [garden["name"] for garden in held][-1] == "Garden 13"


def test_every_garden_that_can_be_read_comes_as_a_plan_document(client, kept):
    supported = bed(supports=[{"id": "net", "system": "net", "height_cm": 180}])
    more = document(planting(), name="With a net", places=[supported])
    client.post("/api/gardens", json=more)
    found = documents_of(client.get("/api/readable.zip"))
    assert found["with-a-net.amplerows.json"] == more
    assert len(found) == 2


def test_of_a_damaged_file_what_can_be_read_is_offered_and_nothing_written(client, store, kept):
    for number in range(30):
        made = client.post("/api/gardens", json=document(planting(), name=f"Garden {number}"))
        assert made.status_code == 201, made.text
    client.get(f"/api/gardens/{kept['slug']}")
    database = store.database
    database.close()
    page = 4096
    size = database.path.stat().st_size // page
    with database.path.open("r+b") as file:
        file.seek((size - 2) * page)
        file.write(b"\xff" * 2 * page)
    assert database.check() is not None
    told = client.get("/api/keeping").json()
    assert told["damage"]
    refused = client.post("/api/gardens", json=document())
    assert refused.status_code == 503
    assert refused.json()["type"].endswith(":storage-damaged")
    assert "Backups" in refused.json()["detail"]
    found = documents_of(client.get("/api/readable.zip"))
    assert f"{kept['slug']}.amplerows.json" in found
    assert len(readable_gardens(database.path)) == len(found)


def test_a_full_disk_is_told_with_its_own_status(client, store, kept, monkeypatch):
    error = sqlite3.OperationalError("database or disk is full")
    error.sqlite_errorname = "SQLITE_FULL"

    def fails(*_, **__):
        raise error

    monkeypatch.setattr("ample_rows.store.gardens.write", fails)
    answer = client.post("/api/gardens", json=document(name="Other"))
    assert answer.status_code == 507
    assert "still there" in answer.json()["detail"]
