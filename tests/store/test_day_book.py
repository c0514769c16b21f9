"""The day book as it is kept: once by its id, beside its garden, in every backup."""

from datetime import date

import pytest
from sqlmodel import select

from ample_rows.core.record.entries import Entry
from ample_rows.store import Database, GardenStore, UnknownGardenError, restore
from ample_rows.store.day_book import DayBook, UnknownEntryError, Wanted
from ample_rows.store.tables import EntryRow
from tests.conftest import document

DAY = date(2027, 7, 1)


def entry(ident, **keys):
    return Entry(id=ident, **{"day": DAY, "kind": "picked", "kg": 1.5, **keys})


@pytest.fixture
def kept(tmp_path, book, read):
    """A store with two gardens, their day books, and the addresses of both."""
    database = Database(tmp_path)
    store = GardenStore(database, book)
    slugs = [store.create(read(document(name=name))) for name in ("One", "Other")]
    yield store, DayBook(database), slugs
    database.close()


def test_gardens_have_day_books_of_their_own(kept):
    _, days, (one, other) = kept
    assert days.keep(one, entry("e", text="here"))
    assert days.keep(other, entry("e", text="there"))
    assert not days.keep(one, entry("e", text="here, changed"))
    assert [e.text for e in days.entries(one)] == ["here, changed"]
    assert days.entry(other, "e").text == "there"
    days.remove(one, "e")
    with pytest.raises(UnknownEntryError):
        days.entry(one, "e")
    assert len(days.entries(other)) == 1


def test_a_deleted_garden_takes_its_day_book_along_and_brings_it_back(kept):
    store, days, (one, other) = kept
    days.keep(one, entry("e"))
    removed = store.load(one)
    store.remove(one, removed.head.version)
    with pytest.raises(UnknownGardenError):
        days.entries(one)
    store.put_back(one)
    assert len(days.entries(one)) == 1
    assert days.entries(other) == []


def test_a_backup_holds_the_day_book_with_what_was_taken_out(kept, tmp_path, book):
    store, days, (one, _) = kept
    days.keep(one, entry("stands"))
    days.keep(one, entry("gone"))
    days.remove(one, "gone")
    backups = store.database.backups
    path = backups.path(backups.make("asked").name)
    elsewhere = Database(tmp_path / "elsewhere")
    restore(elsewhere, path)
    brought = DayBook(elsewhere)
    assert [e.id for e in brought.entries(one)] == ["stands"]
    assert brought.put_back(one, "gone").kg == 1.5
    elsewhere.close()


def test_an_entry_sent_again_after_it_was_taken_out_stands(kept):
    _, days, (one, _) = kept
    days.keep(one, entry("e"))
    days.remove(one, "e")
    days.keep(one, entry("e"))
    assert len(days.entries(one)) == 1


@pytest.mark.parametrize("wrong", [{"kind": "eaten"}, {"kg": -1}, {"weighed": 3}, {"place": 5}])
def test_what_a_later_version_cannot_use_is_kept_and_stands_as_a_note(kept, wrong):
    store, days, (one, _) = kept
    days.keep(one, entry("other"))
    days.keep(one, entry("e", planting="p"))
    with store.database.writing() as session:
        row = session.exec(select(EntryRow).where(EntryRow.ident == "e")).one()
        row.document = {**row.document, **wrong}
    odd = next(e for e in days.entries(one) if e.id == "e")
    assert (odd.kind, odd.day, odd.left_out, odd.kg) == ("note", DAY, True, None)
    assert "was kept as it is" in odd.text
    assert len(days.entries(one)) == 2


def test_entries_are_asked_for_by_what_they_are_of(kept):
    _, days, (one, _) = kept
    days.keep(one, entry("a", planting="p", crop="carrot", place="bed", season="2027"))
    days.keep(one, entry("b", planting="q", kind="cleared", season="2026"))
    for wanted in (
        Wanted(planting="p"),
        Wanted(crop="carrot"),
        Wanted(place="bed"),
        Wanted(season="2027"),
        Wanted(kind="picked"),
    ):
        assert [e.id for e in days.entries(one, wanted)] == ["a"]


def test_many_are_kept_together_once_and_in_the_stead_of_what_was_taken_out(kept):
    _, days, (one, other) = kept
    days.keep(one, entry("a"))
    days.remove(one, "a")
    days.keep(other, entry("b", text="there"))
    days.keep_all(one, [entry("a", kg=2.0), entry("b"), entry("b", kg=3.0)])
    assert {e.id: e.kg for e in days.entries(one)} == {"a": 2.0, "b": 3.0}
    assert [e.text for e in days.entries(other)] == ["there"]


def test_a_long_day_book_is_read_on_from_what_was_read_before(kept, tmp_path):
    """Two programs write into one file, each having read it: both find what stands."""
    store, days, (one, other) = kept
    second = Database(tmp_path)
    theirs = DayBook(second)

    def agree():
        for book, slug in ((days, one), (theirs, one), (days, other), (theirs, other)):
            assert book.entries(slug) == book.entries(slug, Wanted())
        return [e.id for e in days.entries(one)]

    assert agree() == []
    days.keep_all(one, [entry("a"), entry("b", day=DAY.replace(day=3)), entry("c")])
    assert agree() == ["b", "c", "a"]
    theirs.keep(one, entry("a", day=DAY.replace(day=9)))
    theirs.keep(other, entry("x"))
    assert agree() == ["a", "b", "c"]
    days.remove(one, "b")
    assert agree() == ["a", "c"]
    theirs.put_back(one, "b")
    days.keep(one, entry("c", text="again"))
    assert agree() == ["a", "b", "c"]
    backup = store.database.backups.make("asked")
    days.remove(one, "a")
    brought = restore(store.database, store.database.backups.path(backup.name))
    again = next(slug for slug in brought if slug.startswith(one))
    assert agree() == ["b", "c"]
    assert [e.id for e in days.entries(again)] == ["a", "b", "c"]
    days.keep(again, entry("d"))
    assert [e.id for e in days.entries(again)] == ["a", "b", "d", "c"]
    second.close()
