"""Parts of a record beside its entries: kept once, changed, deleted and put back, restored."""

import io
import sqlite3
from datetime import date

import pytest
from PIL import Image
from PIL.ExifTags import GPS, IFD, Base

from ample_rows.cli.keep import restored
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.record.parts import WeatherSeen
from ample_rows.store import Database, GardenStore
from ample_rows.store.errors import StorageError
from ample_rows.store.photo_files import NoPictureError, PhotoFiles
from ample_rows.store.record_parts import RecordParts
from ample_rows.store.restore import restore
from ample_rows.store.salvage import readable_zip
from tests.conftest import document, planting

DAY = date(2027, 6, 1)


@pytest.fixture
def slug(store, read):
    return store.create(read(document(planting())))


@pytest.fixture
def weather(store):
    return RecordParts(store.database, "weather", WeatherSeen)


def keep(parts, slug, day=DAY, **figures):
    seen = WeatherSeen(day=day, **figures)
    return parts.keep(slug, seen, ident=seen.id, day=day)


def test_a_part_is_kept_once_changed_deleted_and_put_back(weather, slug):
    assert keep(weather, slug, min_c=4.0)
    assert not keep(weather, slug, min_c=5.0)
    assert [seen.min_c for seen in weather.every(slug)] == [5.0]
    weather.remove(slug, "2027-06-01")
    assert weather.every(slug) == []
    with pytest.raises(UnknownPartError):
        weather.one(slug, "2027-06-01")
    assert weather.put_back(slug, "2027-06-01").min_c == 5.0
    with pytest.raises(UnknownPartError):
        weather.remove(slug, "2027-06-02")


def test_parts_of_a_spell_are_found(weather, slug):
    for day in (1, 5, 9):
        keep(weather, slug, date(2027, 6, day), rain_mm=float(day))
    found = weather.every(slug, since=date(2027, 6, 2), until=date(2027, 6, 9))
    assert [seen.rain_mm for seen in found] == [9.0, 5.0]


def test_what_this_version_cannot_use_stays_and_is_not_told(weather, slug, store):
    keep(weather, slug, min_c=4.0)
    with sqlite3.connect(store.database.path) as file:
        file.execute("""UPDATE record_parts SET document = '{"day": "2027-06-01", "hail": 3}'""")
    file.close()
    assert weather.every(slug) == []
    with sqlite3.connect(store.database.path) as file:
        (kept,) = file.execute("SELECT document FROM record_parts").fetchone()
    file.close()
    assert "hail" in kept


def test_a_backup_restores_them_and_a_salvage_holds_them(weather, slug, store, book, tmp_path):
    keep(weather, slug, min_c=4.0, frost=True)
    backup = store.database.backups.make("asked")
    (copy,) = restore(store.database, store.database.backups.path(backup.name))
    assert weather.one(copy, "2027-06-01").frost
    archive = tmp_path / "salvaged.zip"
    archive.write_bytes(readable_zip(store.database.path))
    assert restored(archive, tmp_path / "new") == 0
    saved = RecordParts(Database(tmp_path / "new"), "weather", WeatherSeen)
    assert saved.one(slug, "2027-06-01").min_c == 4.0
    assert GardenStore(Database(tmp_path / "new"), book).load(slug)


def picture(size=(2400, 1200), kind="JPEG", mode="RGB", **options):
    out = io.BytesIO()
    Image.new(mode, size, (60, 120, 50) if mode == "RGB" else 0).save(out, kind, **options)
    return out.getvalue()


def test_a_picture_is_made_small_upright_and_tells_no_place(tmp_path):
    taken = Image.Exif()
    taken[Base.Orientation] = 6
    taken[Base.Model] = "a camera"
    taken.get_ifd(IFD.GPSInfo)[GPS.GPSLatitude] = (51.0, 0.0, 0.0)
    files = PhotoFiles(tmp_path)
    kept = files.keep(picture(exif=taken))
    assert (kept.width, kept.height) == (800, 1600)
    back = Image.open(io.BytesIO(files.read(kept.file, small=False)))
    assert back.size == (800, 1600)
    assert dict(back.getexif()) == {}
    assert max(Image.open(io.BytesIO(files.read(kept.file, small=True))).size) == 360
    assert files.keep(picture(exif=taken)) == kept
    assert len(list((tmp_path / "photos").iterdir())) == 2
    assert all(path.stat().st_mode & 0o077 == 0 for path in (tmp_path / "photos").iterdir())


@pytest.mark.parametrize("kind", ["PNG", "WEBP"])
def test_other_kinds_of_pictures_are_read(tmp_path, kind):
    assert PhotoFiles(tmp_path).keep(picture((300, 200), kind)).width == 300


@pytest.mark.parametrize(
    ("raw", "words"),
    [
        (b"my shopping list", "no picture"),
        (b"", "no picture"),
        (picture()[:2_000], "damaged"),
        (picture((10_000, 9_000), "PNG"), "10000 × 9000"),
        (picture((20_000, 20_000), "PNG", mode="1"), "too many pixels"),
    ],
)
def test_what_is_no_picture_or_a_bomb_of_pixels_is_refused(tmp_path, raw, words):
    with pytest.raises(NoPictureError, match=words):
        PhotoFiles(tmp_path).keep(raw)
    assert not (tmp_path / "photos").exists()


def test_a_full_disk_is_told(tmp_path, monkeypatch):
    def full(*_, **__):
        raise OSError(28, "No space left on device")

    monkeypatch.setattr("ample_rows.store.photo_files.write_own", full)
    with pytest.raises(StorageError, match="disk is full"):
        PhotoFiles(tmp_path).keep(picture())
