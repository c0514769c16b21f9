"""Files that an earlier version wrote: plans, tables, an archive, a database with its history."""

import io
import json
import sqlite3
import zipfile
from pathlib import Path

import pytest

from ample_rows import PROGRAM
from ample_rows.core.ask.crop_book.files import read_crop_file
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.weather.climate import read_climate
from ample_rows.store import Database, GardenStore

WRITTEN = Path(__file__).parents[1] / "written"
ARCHIVE = zipfile.ZipFile(io.BytesIO((WRITTEN / "gardens.zip").read_bytes()))
PLANS = {
    **{path.name: path.read_bytes() for path in sorted(WRITTEN.glob("*.amplerows.json"))},
    **{f"zip/{name}": ARCHIVE.read(name) for name in ARCHIVE.namelist()},
}


@pytest.mark.parametrize("name", PLANS)
def test_every_plan_is_read_whole_and_has_its_figures(name, book):
    plan = read_plan(PLANS[name], book)
    written = json.loads(PLANS[name])
    assert plan.set_aside == ()
    assert [g.id for g in plan.plantings] == [g["id"] for g in written["plantings"]]
    report = Estimate(plan, book, PROGRAM).report
    assert len(report.places) == len(written["places"])
    assert report.totals.harvest_kg.p50 > 0


@pytest.mark.parametrize("path", sorted(WRITTEN.glob("*-climate.csv")), ids=lambda path: path.stem)
def test_every_table_of_normals_is_read(path):
    assert len(read_climate(path.read_text()).tmin_c) == 12


def test_a_table_of_crops_is_read(book):
    found = read_crop_file((WRITTEN / "lantern-court-crops.csv").read_text(), "csv", book)
    assert found.faults == ()


def test_a_database_opens_with_all_its_history(tmp_path, book):
    with sqlite3.connect(tmp_path / "gardens.sqlite") as file:
        file.executescript((WRITTEN / "gardens.sql").read_text())
    file.close()
    store = GardenStore(Database(tmp_path), book)
    assert sorted(head.slug for head in store.list()) == ["lantern-court", "magpie-terrace"]
    stored = store.load("magpie-terrace")
    assert stored.plan.set_aside == ()
    assert stored.plan.plantings[0].model_extra == {"x-shed": "left drawer"}
    gone = store.redo("magpie-terrace", stored.head.version)
    assert len(gone.plan.plantings) == len(stored.plan.plantings) - 1
    version, back = gone.head.version, 0
    while store.load("magpie-terrace").head.undo_label is not None:
        version, back = store.undo("magpie-terrace", version).head.version, back + 1
    assert back == 4
