"""Backups: checked copies, kept by age, brought back beside what is there."""

from datetime import UTC, datetime, timedelta

import pytest

from ample_rows.core.edits import RemovePlace
from ample_rows.store import Backup, StoreError, gardens_in, restore
from ample_rows.store.backups import kept_by_age
from tests.conftest import document, planting
from tests.store.test_database import WRITTEN, write_old

NOW = datetime(2027, 6, 16, 12, tzinfo=UTC)


def daily(days):
    """A backup a day, so many days back."""
    at = NOW - timedelta(days=days)
    return Backup(f"gardens-{at:%Y%m%dT%H%M%S}-daily.sqlite", at, "daily", 1)


def test_seven_days_four_weeks_and_twelve_months_are_kept():
    kept = kept_by_age(daily(days) for days in range(800))
    ages = [(NOW - backup.made_at).days for backup in kept]
    assert ages[:7] == list(range(7))
    # 16 June 2027 is a Wednesday: the last days of the weeks before are 3, 10 and 17 days ago.
    assert ages[7:10] == [10, 16, 17]
    months = {backup.made_at.strftime("%Y-%m") for backup in kept}
    assert len(months) == 12
    assert len(kept) <= 7 + 4 + 12


def test_many_of_one_day_leave_the_newest_and_the_older_days():
    today = [
        Backup(f"b{minute}", NOW - timedelta(minutes=minute), "before-import", 1)
        for minute in range(50)
    ]
    kept = {backup.name for backup in kept_by_age([*today, daily(1), daily(2)])}
    assert kept == {"b0", "b1", "b2", daily(1).name, daily(2).name}


def test_a_daily_backup_is_made_once_a_day_and_opens(store, read):
    slug = store.create(read(document(planting())))
    backups = store.database.backups
    made = backups.make_daily()
    assert backups.make_daily() is None
    assert backups.make_daily(made.made_at + timedelta(days=1)) is not None
    assert [garden.slug for garden in gardens_in(backups.path(made.name))] == [slug]
    assert backups.troubles() == []


def test_what_is_damaged_among_backups_is_named(store):
    made = store.database.backups.make("asked")
    path = store.database.backups.path(made.name)
    path.write_bytes(path.read_bytes()[:6000])
    (trouble,) = store.database.backups.troubles()
    assert made.name in trouble
    with pytest.raises(StoreError, match="cannot be read"):
        restore(store.database, path)


def test_one_garden_comes_back_beside_the_one_that_is_there(store, read):
    slug = store.create(read(document(planting())))
    other = store.create(read(document(name="Other")))
    made = store.database.backups.make("asked")
    store.edit(slug, store.head(slug).version, RemovePlace(id="bed"))
    path = store.database.backups.path(made.name)
    (back,) = restore(store.database, path, slug)
    assert back == "test-yard-2"
    assert store.load(back).plan.places[0].id == "bed"
    assert store.load(slug).plan.places == ()
    assert {head.slug for head in store.list()} == {slug, other, back}
    with pytest.raises(StoreError, match="no garden"):
        restore(store.database, path, "nobody")


def test_a_name_that_is_no_backup_leads_nowhere(store):
    store.database.backups.make("asked")
    for name in ("../gardens.sqlite", "gardens-x.sqlite", ""):
        with pytest.raises(LookupError):
            store.database.backups.path(name)


def test_a_backup_of_an_earlier_version_is_looked_at_without_a_trace(store):
    folder = store.database.backups.folder
    old = write_old(folder, WRITTEN[0])
    kept = old.rename(folder / "gardens-20261125T120000.sqlite")
    assert store.database.backups.troubles() == []
    assert [backup.reason for backup in store.database.backups.every()] == ["before-update"]
    assert list(folder.iterdir()) == [kept]
