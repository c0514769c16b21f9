"""`backup`, `restore`, `salvage` and `doctor`, as a person at a terminal meets them."""

import json
import subprocess
import sys
import zipfile
from datetime import date

import pytest

from ample_rows.cli.serve import open_store
from ample_rows.core.record.entries import Entry, SeasonPlan
from ample_rows.crops import load_book
from ample_rows.store import Database, GardenStore
from ample_rows.store.day_book import DayBook
from ample_rows.store.seasons import Seasons
from tests.conftest import document, planting
from tests.serving import get, server


@pytest.fixture
def folder(tmp_path, read):
    """A data folder with one garden."""
    store = open_store(demo=False, data=tmp_path / "data", reset=False)
    store.create(read(document(planting())))
    store.database.close()
    return tmp_path / "data"


DAY = date(2027, 7, 1)


def ample(*words):
    command = [sys.executable, "-m", "ample_rows", *map(str, words)]
    return subprocess.run(command, capture_output=True, text=True, check=False)


def gardens(folder):
    store = open_store(demo=False, data=folder, reset=False)
    heads = [head.slug for head in store.list()]
    store.database.close()
    return heads


def test_a_backup_to_a_file_restores_into_another_folder(folder, tmp_path):
    file = tmp_path / "copy.sqlite"
    made = ample("backup", file, "--data", folder)
    assert (made.returncode, made.stdout) == (0, f"Backed up 1 garden to {file}\n")
    assert file.stat().st_mode & 0o077 == 0
    again = ample("backup", file, "--data", folder)
    assert again.returncode == 1
    assert "left as it" in again.stderr
    restored = ample("restore", file, "--data", tmp_path / "other")
    assert restored.stdout == "Restored Test yard at /gardens/test-yard\n"
    beside = ample("restore", file, "--data", tmp_path / "other")
    assert beside.stdout == "Restored Test yard at /gardens/test-yard-2\n"
    assert gardens(tmp_path / "other") == ["test-yard", "test-yard-2"]


def test_a_backup_without_a_name_lies_among_the_folders_own(folder):
    made = ample("backup", "--data", folder)
    assert made.returncode == 0
    (kept,) = (folder / "backups").glob("*-asked.sqlite")
    assert str(kept) in made.stdout


def test_a_damaged_file_is_kept_beside_what_is_restored(folder, tmp_path):
    file = tmp_path / "copy.sqlite"
    ample("backup", file, "--data", folder)
    path = folder / "gardens.sqlite"
    path.write_bytes(b"my shopping list" * 1000)
    started = ample("start", "--data", folder, "--port", "1")
    assert started.returncode == 1
    restored = ample("restore", file, "--data", folder)
    assert "kept as" in restored.stdout
    assert (folder / "gardens-damaged-1.sqlite").read_bytes().startswith(b"my shopping list")
    assert gardens(folder) == ["test-yard"]


@pytest.mark.parametrize(
    "content",
    [None, b"", b"no backup", b"SQLite format 3\x00" + b"x" * 5000],
    ids=["no file", "empty", "words", "half a database"],
)
def test_what_is_no_backup_is_refused_and_changes_nothing(folder, tmp_path, content):
    file = tmp_path / "file"
    if content is not None:
        file.write_bytes(content)
    result = ample("restore", file, "--data", folder)
    assert result.returncode == 1
    assert "Traceback" not in result.stderr
    assert gardens(folder) == ["test-yard"]


def test_what_can_be_read_is_written_as_plan_documents(folder, tmp_path):
    result = ample("salvage", tmp_path / "all.zip", "--data", folder)
    assert result.returncode == 0
    with zipfile.ZipFile(tmp_path / "all.zip") as archive:
        plan = json.loads(archive.read("test-yard.amplerows.json"))
    assert plan == document(planting())


def test_what_was_salvaged_is_brought_back_like_a_backup(folder, tmp_path):
    archive = tmp_path / "all.zip"
    assert ample("salvage", archive, "--data", folder).returncode == 0
    again = ample("restore", archive, "--data", tmp_path / "other")
    assert again.returncode == 0
    assert "Restored Test yard at /gardens/test-yard" in again.stdout
    assert gardens(tmp_path / "other") == ["test-yard"]


def test_the_day_book_and_closed_seasons_are_salvaged_with_their_garden(folder, tmp_path):
    database = Database(folder)
    for ident in ("stands", "gone"):
        DayBook(database).keep("test-yard", Entry(id=ident, day=DAY, kind="picked", kg=1.5))
    DayBook(database).remove("test-yard", "gone")
    seasons = Seasons(database, load_book())
    plan = GardenStore(database, load_book()).load("test-yard").plan
    seasons.keep_all("test-yard", [SeasonPlan(id="2026", plan=plan)])
    database.close()
    archive = tmp_path / "all.zip"
    assert ample("salvage", archive, "--data", folder).returncode == 0
    assert ample("restore", archive, "--data", tmp_path / "other").returncode == 0
    brought = Database(tmp_path / "other")
    assert [(e.id, e.kg) for e in DayBook(brought).entries("test-yard")] == [("stands", 1.5)]
    [season] = Seasons(brought, load_book()).closed("test-yard")
    assert (season.id, season.plan) == ("2026", plan)
    brought.close()


def test_an_archive_that_holds_no_garden_is_refused_by_name(folder, tmp_path):
    archive = tmp_path / "odd.zip"
    with zipfile.ZipFile(archive, "w") as odd:
        odd.writestr("yard.amplerows.json", "[1, 2")
    result = ample("restore", archive, "--data", folder)
    assert result.returncode == 1
    assert "yard.amplerows.json in it cannot be read" in result.stderr
    assert gardens(folder) == ["test-yard"]


def test_doctor_says_what_is_kept_and_whether_it_is_sound(folder):
    well = ample("doctor", "--data", folder)
    assert well.returncode == 0
    for words in ("SQLite", str(folder), "sound", "1 garden", "none yet", "ample-rows.log"):
        assert words in well.stdout
    ample("backup", "--data", folder)
    (backup,) = (folder / "backups").glob("*.sqlite")
    backup.write_bytes(backup.read_bytes()[:5000])
    ill = ample("doctor", "--data", folder)
    assert ill.returncode == 1
    assert f"{backup.name} is damaged" in ill.stdout


def test_a_folder_without_gardens_has_nothing_to_back_up(tmp_path):
    assert ample("backup", "--data", tmp_path / "none").returncode == 1
    assert ample("doctor", "--data", tmp_path / "none").returncode == 0
    assert not (tmp_path / "none").exists()


def test_backup_and_restore_while_the_server_runs(tmp_path):
    with server("demo", tmp_path) as (_, address, token):
        file = tmp_path / "copy.sqlite"
        assert ample("backup", file, "--data", tmp_path / "demo").returncode == 0
        assert ample("restore", file, "--data", tmp_path / "demo").returncode == 0
        slugs = [head["slug"] for head in get(address, "/api/gardens", token)]
        assert slugs[3:] == ["lantern-court-2", "magpie-terrace-2", "kettle-corner-2"]
        there, again = (get(address, f"/api/gardens/{slug}", token) for slug in slugs[::3])
        assert again["plan"] == there["plan"]
