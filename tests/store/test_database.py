"""The file: migrated after a backup, safe against kills, clear about what is wrong."""

import os
import shutil
import sqlite3
import subprocess
import sys
from pathlib import Path

import pytest
from sqlalchemy import event, inspect
from sqlmodel import SQLModel

from ample_rows.core.edits import ChangePlanting
from ample_rows.store import (
    Database,
    GardenStore,
    NothingToDoError,
    StorageError,
    StoreError,
    restore,
)
from ample_rows.store.restore import replace_damaged
from tests.conftest import document, planting

WRITTEN = sorted((Path(__file__).parent / "written").glob("*.sql"))


def test_migrations_make_the_tables_that_the_code_declares(tmp_path):
    database = Database(tmp_path)
    made = inspect(database.engine)
    for name, table in SQLModel.metadata.tables.items():
        columns = {c["name"]: c for c in made.get_columns(name)}
        assert columns.keys() == {c.name for c in table.columns}
        assert all(columns[c.name]["nullable"] == c.nullable for c in table.columns)
        parents = {key["referred_table"] for key in made.get_foreign_keys(name)}
        assert parents == {key.column.table.name for key in table.foreign_keys}


def test_foreign_keys_are_on_and_the_file_holds_all_of_it(tmp_path, book, read):
    database = Database(tmp_path)
    with database.reading() as session:
        connection = session.connection()
        assert connection.exec_driver_sql("PRAGMA foreign_keys").scalar() == 1
        assert connection.exec_driver_sql("PRAGMA journal_mode").scalar() == "truncate"
        assert connection.exec_driver_sql("PRAGMA synchronous").scalar() == 2
    slug = GardenStore(database, book).create(read(document(planting())))
    alone = tmp_path / "alone"
    alone.mkdir()
    shutil.copy(tmp_path / "gardens.sqlite", alone)
    assert GardenStore(Database(alone), book).load(slug).plan.places[0].id == "bed"


def write_old(folder, dump, *, killed=False):
    """A database as an earlier version wrote it; killed: its log not yet brought in."""
    folder.mkdir(exist_ok=True)
    path = folder / "gardens.sqlite"
    with sqlite3.connect(path) as file:
        file.execute("PRAGMA journal_mode=WAL")
        file.executescript(dump.read_text())
    file.close()
    if not killed:
        return path
    code = (
        "import os, sqlite3, sys; file = sqlite3.connect(sys.argv[1]); "
        "file.execute(\"UPDATE gardens SET name = 'In the log'\"); file.commit(); os._exit(9)"
    )
    subprocess.run([sys.executable, "-c", code, str(path)], check=False)
    assert path.with_name("gardens.sqlite-wal").stat().st_size > 0
    return path


@pytest.mark.parametrize("killed", [False, True])
@pytest.mark.parametrize("dump", WRITTEN, ids=lambda dump: dump.stem)
def test_every_database_that_was_ever_written_opens_with_all_its_history(
    tmp_path, book, dump, killed
):
    write_old(tmp_path, dump, killed=killed)
    store = GardenStore(Database(tmp_path), book)
    (head,) = store.list()
    assert head.name == ("In the log" if killed else "Magpie Terrace")
    stored = store.load(head.slug)
    assert stored.plan.set_aside == ()
    assert (stored.head.undo_label, stored.head.redo_label) != (None, None)
    redone = store.redo(head.slug, head.version)
    assert len(redone.plan.plantings) == len(stored.plan.plantings) - 1
    undone = store.undo(head.slug, redone.head.version)
    first = store.undo(head.slug, undone.head.version)
    with pytest.raises(NothingToDoError):
        store.undo(head.slug, first.head.version)
    assert store.create(stored.plan) == f"{head.slug}-2"
    (backup,) = store.database.backups.every()
    assert backup.reason == "before-update"
    path = store.database.backups.path(backup.name)
    assert restore(store.database, path) == [f"{head.slug}-3"]


@pytest.mark.parametrize("dump", WRITTEN, ids=lambda dump: dump.stem)
def test_a_backup_of_every_version_restores(tmp_path, book, dump):
    old = write_old(tmp_path / "old", dump)
    store = GardenStore(Database(tmp_path / "new"), book)
    before = old.read_bytes()
    assert restore(store.database, old) == ["magpie-terrace"]
    assert restore(store.database, old) == ["magpie-terrace-2"]
    assert old.read_bytes() == before
    stored = store.load("magpie-terrace")
    assert store.redo(stored.head.slug, stored.head.version).head.redo_label is None


def test_a_migration_that_fails_in_its_middle_leaves_the_file_and_a_backup(tmp_path, book):
    path = write_old(tmp_path, WRITTEN[0])
    with sqlite3.connect(path) as file:
        file.execute("CREATE TABLE addresses (in_the_way TEXT)")
    file.close()
    with pytest.raises(StoreError, match="could not be brought to this version"):
        Database(tmp_path)
    with sqlite3.connect(path) as file:
        assert file.execute("SELECT version_num FROM alembic_version").fetchone() == ("0001",)
        columns = [row[1] for row in file.execute("PRAGMA table_info(gardens)")]
        assert "removed_at" not in columns
        file.execute("DROP TABLE addresses")
    file.close()
    assert len(list((tmp_path / "backups").glob("*.sqlite"))) == 1
    assert [head.name for head in GardenStore(Database(tmp_path), book).list()] == [
        "Magpie Terrace"
    ]


def test_a_file_of_a_newer_version_is_left_alone_and_costs_no_backup(tmp_path):
    database = Database(tmp_path)
    kept = database.backups.make("asked")
    database.close()
    with sqlite3.connect(tmp_path / "gardens.sqlite") as file:
        file.execute("UPDATE alembic_version SET version_num = '9999'")
    for _ in range(12):
        with pytest.raises(StoreError, match="newer version"):
            Database(tmp_path)
    assert database.backups.every() == [kept]


@pytest.mark.parametrize("left", ["nothing", "log", "version table"])
def test_a_first_start_that_was_interrupted_can_be_repeated(tmp_path, book, left):
    path = tmp_path / "gardens.sqlite"
    with sqlite3.connect(path) as file:
        if left == "log":
            file.execute("PRAGMA journal_mode=WAL")
        if left == "version table":
            file.execute("CREATE TABLE alembic_version (version_num VARCHAR(32) NOT NULL)")
    file.close()
    path.touch()
    assert GardenStore(Database(tmp_path), book).list() == []


def test_what_the_folder_holds_is_for_its_owner_alone(tmp_path):
    folder = tmp_path / "gardens"
    database = Database(folder)
    backup = database.backups.make("asked")
    assert folder.stat().st_mode & 0o077 == 0
    for path in (database.path, database.backups.folder, database.backups.path(backup.name)):
        assert path.stat().st_mode & 0o077 == 0


@pytest.mark.parametrize(
    ("trouble", "kind"), [("full", "full"), ("locked", "locked"), ("read-only", "read-only")]
)
def test_a_disk_that_fails_is_told_in_words_and_nothing_is_lost(
    tmp_path, book, read, trouble, kind
):
    store = GardenStore(Database(tmp_path, busy_s=0.1), book)
    slug = store.create(read(document(planting())))
    edit = ChangePlanting(id="p1", changes={"x-note": "long " * 20_000})

    def capped(connection, _record):
        connection.execute("PRAGMA max_page_count=1")
        connection.execute(f"PRAGMA query_only={trouble == 'read-only'}")

    other = sqlite3.connect(store.database.path, isolation_level=None)
    if trouble == "locked":
        other.execute("BEGIN IMMEDIATE")
    else:
        store.database.close()
        event.listen(store.database.engine, "connect", capped)
    with pytest.raises(StorageError, match="saved before is still there") as raised:
        store.edit(slug, 1, edit)
    assert raised.value.kind == kind
    other.close()
    assert GardenStore(Database(tmp_path), book).load(slug).head.version == 1


def damaged(path):
    """Overwrite the pages in the middle of a file."""
    size = path.stat().st_size
    with path.open("r+b") as file:
        file.seek(4096)
        file.write(b"\xff" * (size - 8192))


def test_a_damaged_file_is_found_and_never_written_to(tmp_path, book, read):
    store = GardenStore(Database(tmp_path), book)
    slug = store.create(read(document(planting())))
    backup = store.database.backups.make("asked")
    store.database.close()
    damaged(store.database.path)
    hurt = store.database.path.read_bytes()
    assert store.database.check(quick=True) is not None
    with pytest.raises(StorageError) as raised:
        store.create(read(document(planting())))
    assert raised.value.kind == "damaged"
    assert store.database.path.read_bytes() == hurt
    beside = replace_damaged(tmp_path)
    assert beside.read_bytes() == hurt
    fresh = Database(tmp_path)
    assert restore(fresh, fresh.backups.path(backup.name)) == [slug]


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


def test_a_migration_interrupted_anywhere_leaves_the_file_as_it_was(tmp_path, book, monkeypatch):
    """As a kill would: nothing of it is seen from outside before all of it is."""
    path = write_old(tmp_path, WRITTEN[0])
    seen = []

    def looking(self, *_, **__):
        with sqlite3.connect(path) as other:
            seen.append(other.execute("SELECT version_num FROM alembic_version").fetchone()[0])
            columns = [row[1] for row in other.execute("PRAGMA table_info(gardens)")]
            assert "removed_at" not in columns
        raise KeyboardInterrupt

    with monkeypatch.context() as interrupted:
        interrupted.setattr("sqlalchemy.engine.default.DefaultDialect.do_commit", looking)
        with pytest.raises(KeyboardInterrupt):
            Database(tmp_path)
    assert seen == ["0001"]
    assert len(GardenStore(Database(tmp_path), book).list()) == 1
