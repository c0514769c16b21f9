"""What a running server does for its file, each time that it looks."""

import sqlite3
from datetime import UTC, datetime, timedelta

from ample_rows.core.edits import ChangePlanting
from ample_rows.store.keeper import Keeper
from tests.conftest import document, planting


def test_a_backup_a_day_and_the_bin_emptied(store, read):
    slug = store.create(read(document(planting())))
    store.remove(slug, 1)
    with sqlite3.connect(store.database.path) as file:
        long_ago = datetime.now(UTC) - timedelta(days=31)
        file.execute("UPDATE gardens SET removed_at = ?", (f"{long_ago:%Y-%m-%d %H:%M:%S.%f}",))
    keeper = Keeper(store, warn=lambda _: None)
    assert keeper.look_after() == []
    assert store.removed() == ()
    keeper.look_after()
    assert [backup.reason for backup in store.database.backups.every()] == ["daily"]


def test_gardens_that_had_no_backup_for_days_are_told_once(store, read):
    slug = store.create(read(document(planting())))
    store.edit(slug, 1, ChangePlanting(id="p1", changes={"spacing_cm": 9}))
    with sqlite3.connect(store.database.path) as file:
        file.execute("UPDATE revisions SET made_at = '2026-01-01 00:00:00.000000'")
    keeper = Keeper(store, warn=lambda _: None)
    (words,) = keeper.look_after()
    assert "no backup" in words
    assert keeper.look_after() == []


def test_a_file_that_is_damaged_while_running_is_found_and_left_alone(store, read):
    for number in range(20):
        store.create(read(document(planting(), name=f"Garden {number}")))
    store.database.close()
    with store.database.path.open("r+b") as file:
        file.seek(-4096, 2)
        file.write(b"\xff" * 4096)
    Keeper(store, warn=lambda _: None).look_after()
    assert store.database.damage is not None
    assert store.database.backups.every() == []


def test_the_thread_tells_what_it_found_and_stops_at_once(store, monkeypatch):
    monkeypatch.setattr("ample_rows.store.keeper.FIRST_AFTER_S", 0.0)
    told = []
    keeper = Keeper(store, warn=told.append)
    keeper.start()
    while not told:
        pass
    keeper.stop()
    assert told == [[]]
