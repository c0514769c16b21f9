"""Power cuts: the process is killed outright at any moment; nothing that was answered is lost."""

import contextlib
import http.client
import json
import random
import shutil
import sqlite3
import time

import pytest
import uvicorn

from ample_rows.api.app import create_app
from ample_rows.crops import load_book
from ample_rows.demo import NAMES, demo_plans
from ample_rows.store import Database, GardenStore
from ample_rows.store.backups import fault_of
from tests.conftest import document, planting
from tests.endurance.conftest import kill_after, started
from tests.serving import free_port
from tests.store.test_database import WRITTEN, write_old


def serve(app, folder, port):
    """A server in a process of its own, until it is killed; the application is made before."""
    app.state.store = GardenStore(Database(folder), load_book())
    uvicorn.Server(uvicorn.Config(app, port=port, log_level="critical")).run()


def edited(port, slug, version, number):
    """Make one edit that counts to a number; the version after it."""
    edit = {"do": "change-planting", "id": "p1", "changes": {"x-count": number}}
    body = json.dumps({"version": version, "edit": edit})
    return asked(port, "POST", f"/api/gardens/{slug}/edits", body)["head"]["version"]


def asked(port, method, path, body=None):
    connection = http.client.HTTPConnection("127.0.0.1", port, timeout=30)
    with contextlib.closing(connection):
        connection.request(method, path, body, {"content-type": "application/json"})
        answer = connection.getresponse()
        assert answer.status in (200, 201)
        return json.load(answer)


def once_there(port, slug):
    """The garden's version, as soon as the server answers."""
    while True:
        with contextlib.suppress(ConnectionError):
            return asked(port, "GET", f"/api/gardens/{slug}")["head"]["version"]
        time.sleep(0.005)


def entered(port, slug, number):
    """Keep an entry that counts to a number."""
    entry = {"id": f"e{number}", "day": "2026-11-01", "kind": "note", "count": number}
    asked(port, "PUT", f"/api/gardens/{slug}/entries/{entry['id']}", json.dumps(entry))


def entries_kept(folder):
    """What each entry that was kept had counted to."""
    with sqlite3.connect(folder / "gardens.sqlite") as file:
        rows = file.execute("SELECT document FROM entries ORDER BY pk").fetchall()
    return [json.loads(row[0])["count"] for row in rows]


def counts_kept(folder):
    """What each edit that was kept had counted to, in their order."""
    with sqlite3.connect(folder / "gardens.sqlite") as file:
        assert file.execute("PRAGMA integrity_check").fetchone() == ("ok",)
        rows = file.execute("SELECT after FROM revisions ORDER BY number").fetchall()
    return [json.loads(row[0])["plantings"]["p1"][1]["x-count"] for row in rows]


def test_nothing_that_was_answered_is_lost_and_nothing_is_made_twice(tmp_path, book, read, times):
    store = GardenStore(Database(tmp_path), book)
    slug = store.create(read(document(planting())))
    store.database.close()
    app = create_app(store, book)
    chance, port = random.Random(15), free_port()
    answered, entries = 0, set()
    for _ in range(times(12, 1000)):
        with started(serve, app, tmp_path, port) as process:
            version = once_there(port, slug)
            killing = kill_after(chance.uniform(0.0, 0.1), process)
            with contextlib.suppress(ConnectionError, http.client.HTTPException, ValueError):
                while True:
                    version = edited(port, slug, version, answered + 1)
                    answered += 1
                    entered(port, slug, answered)
                    entries.add(answered)
            killing.join()
        kept = counts_kept(tmp_path)
        # The one that was under way may be kept or not; it counted to one more.
        assert kept in (list(range(1, answered + 1)), list(range(1, answered + 2)))
        noted = entries_kept(tmp_path)
        assert len(noted) == len(set(noted))
        assert entries <= set(noted)
        answered = len(kept)
    assert answered > 0


def first_start(folder):
    GardenStore(Database(folder), load_book()).create_all(demo_plans(load_book()))


def importing(folder):
    store = GardenStore(Database(folder), load_book())
    for _ in range(50):
        store.database.backups.make("before-import")
        store.create(demo_plans(load_book())[1])


def migrating(folder):
    Database(folder)


def backing_up(folder):
    database = Database(folder)
    for _ in range(50):
        database.backups.make("asked")


@pytest.mark.parametrize("work", [first_start, importing, migrating, backing_up])
def test_after_a_kill_there_is_always_a_next_start(tmp_path, book, work, times):
    chance = random.Random(9)
    for number in range(times(3, 25)):
        folder = tmp_path / str(number)
        folder.mkdir()
        if work in (migrating, backing_up):
            write_old(folder, WRITTEN[-1])
        with started(work, folder) as process:
            kill_after(chance.uniform(0.0, 0.4), process).join()
        database = Database(folder)
        store = GardenStore(database, book)
        heads = store.list()
        assert all(store.load(head.slug).plan.set_aside == () for head in heads)
        if work is first_start:
            assert len(heads) in (0, len(NAMES))
        elif work in (migrating, backing_up):
            assert [head.name for head in heads] == ["Magpie Terrace"]
        assert database.check() is None
        kept = database.backups.every()
        assert [b.name for b in kept if fault_of(database.backups.folder / b.name)] == []
        database.close()
        shutil.rmtree(folder)
