"""The file: migrated after a backup, safe against kills, clear about what is wrong."""

import contextlib
import multiprocessing
import os
import random
import signal
import sqlite3
import time

import pytest
from sqlalchemy import inspect
from sqlmodel import SQLModel

from ample_rows.core.edits import ChangePlanting
from ample_rows.crops import load_book
from ample_rows.store import Database, GardenStore, StoreError
from tests.conftest import document, planting


def test_migrations_make_the_tables_that_the_code_declares(tmp_path):
    database = Database(tmp_path)
    made = inspect(database.engine)
    for name, table in SQLModel.metadata.tables.items():
        columns = {c["name"]: c for c in made.get_columns(name)}
        assert columns.keys() == {c.name for c in table.columns}
        assert all(columns[c.name]["nullable"] == c.nullable for c in table.columns)
        parents = {key["referred_table"] for key in made.get_foreign_keys(name)}
        assert parents == {key.column.table.name for key in table.foreign_keys}


def test_foreign_keys_and_the_write_ahead_log_are_on(tmp_path):
    with Database(tmp_path).reading() as session:
        connection = session.connection()
        assert connection.exec_driver_sql("PRAGMA foreign_keys").scalar() == 1
        assert connection.exec_driver_sql("PRAGMA journal_mode").scalar() == "wal"


def test_an_older_file_is_backed_up_before_it_is_migrated(tmp_path):
    with sqlite3.connect(tmp_path / "gardens.sqlite") as file:
        file.execute("CREATE TABLE alembic_version (version_num VARCHAR(32) NOT NULL)")
        file.execute("CREATE TABLE keepsake (words TEXT)")
        file.execute("INSERT INTO keepsake VALUES ('still here')")
    Database(tmp_path)
    (backup,) = (tmp_path / "backups").glob("*.sqlite")
    with sqlite3.connect(backup) as copy:
        assert copy.execute("SELECT words FROM keepsake").fetchone() == ("still here",)


def test_a_file_of_a_newer_version_is_left_alone(tmp_path):
    Database(tmp_path).close()
    with sqlite3.connect(tmp_path / "gardens.sqlite") as file:
        file.execute("UPDATE alembic_version SET version_num = '9999'")
    with pytest.raises(StoreError, match="newer version"):
        Database(tmp_path)


def test_a_file_that_is_no_database_is_left_alone(tmp_path):
    path = tmp_path / "gardens.sqlite"
    path.write_text("my shopping list")
    with pytest.raises(StoreError, match="not a database"):
        Database(tmp_path)
    assert path.read_text() == "my shopping list"


@pytest.mark.skipif(os.geteuid() == 0, reason="root may write anywhere")
def test_a_folder_that_cannot_be_written_is_named(tmp_path):
    tmp_path.chmod(0o500)
    with pytest.raises(StoreError, match="--data DIR"):
        Database(tmp_path / "inner")
    tmp_path.chmod(0o700)


def test_a_folder_that_is_a_file_is_named(tmp_path):
    (tmp_path / "file").write_text("")
    with pytest.raises(StoreError, match="--data DIR"):
        Database(tmp_path / "file")


def edit_for_ever(folder, answers):
    """Edit after edit, each told of once it is answered."""
    store = GardenStore(Database(folder), load_book())
    version = store.load("test-yard").head.version
    for number in range(100_000):
        edit = ChangePlanting(id="p1", changes={"spacing_cm": 5 + number % 20})
        version = store.edit("test-yard", version, edit).head.version
        answers.send(version)


def test_a_kill_during_edits_loses_at_most_the_edit_not_answered(tmp_path, book, read, long_run):
    store = GardenStore(Database(tmp_path), book)
    slug = store.create(read(document(planting())))
    chance = random.Random(4)
    last = 1
    for _ in range(200 if long_run else 20):
        hears, answers = multiprocessing.Pipe(duplex=False)
        editor = multiprocessing.get_context("fork").Process(
            target=edit_for_ever, args=(tmp_path, answers)
        )
        editor.start()
        answers.close()
        last = hears.recv()
        time.sleep(chance.uniform(0.0, 0.1))
        os.kill(editor.pid, signal.SIGKILL)
        with contextlib.suppress(EOFError):
            while True:
                last = hears.recv()
        editor.join()
        with sqlite3.connect(tmp_path / "gardens.sqlite") as file:
            assert file.execute("PRAGMA integrity_check").fetchone() == ("ok",)
        stored = store.load(slug)
        assert last <= stored.head.version <= last + 1
        assert stored.plan.plantings[0].spacing_cm is not None
