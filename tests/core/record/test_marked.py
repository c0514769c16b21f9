"""Jobs marked done are in the day book; opened again they are not."""

from datetime import date

import pytest

from ample_rows.core.record.entries import Entry
from ample_rows.core.record.marked import entries_of_jobs
from tests.conftest import document, planting


@pytest.fixture
def told(read, book):
    def make(*marks, chores=()):
        plan = {**document(planting(id="c")), "jobs": list(marks), "chores": list(chores)}
        return entries_of_jobs(read(plan), book)

    return make


def mark(job="sow", state="done", **keys):
    return {"planting": "c", "place": "bed", "job": job, "state": state, "on": "2027-04-12", **keys}


@pytest.mark.parametrize(
    ("job", "kind"),
    [("sow", "sown"), ("thin", "thinned"), ("soak", "watered"), ("clear", "cleared")],
)
def test_a_job_done_is_an_entry_of_its_kind(told, job, kind):
    [entry] = told(mark(job))
    assert (entry.kind, str(entry.day), entry.planting, entry.crop) == (
        kind,
        "2027-04-12",
        "c",
        "carrot",
    )
    assert entry.season == "2027"


def test_what_is_no_kind_of_its_own_is_a_note_in_the_words_of_the_job(told):
    own = {"id": "own-1", "what": "Oil the handles", "on": "2027-03-01"}
    entries = told(
        mark("slugs"), {"job": "own-1", "state": "done", "on": "2027-03-02"}, chores=[own]
    )
    assert [(entry.kind, entry.text) for entry in entries] == [
        ("note", "Look for slugs"),
        ("note", "Oil the handles"),
    ]


@pytest.mark.parametrize("state", ["put-off", "left-out"])
def test_what_was_not_done_is_no_entry(told, state):
    assert told(mark(state=state)) == ()


def test_a_picking_is_an_entry_only_once_it_is_weighed(told):
    assert told(mark("pick")) == ()


def test_a_job_in_part_names_its_squares_and_each_job_is_one_entry(told):
    entries = told(mark(state="part", cells=["A1"]), mark("water", nth=1), mark("water", nth=2))
    assert entries[0].cells == ("A1",)
    assert len({entry.id for entry in entries}) == 3
    assert entries == told(
        mark(state="part", cells=["A1"]), mark("water", nth=1), mark("water", nth=2)
    )


def test_every_kind_that_jobs_become_is_a_kind_of_entry(book):
    jobs = [job for done in book.done_as.values() for job in done.jobs]
    assert len(jobs) == len(set(jobs))
    for kind in book.done_as:
        Entry(id="e", day=date(2027, 4, 1), kind=kind)
    assert set(jobs) <= {*book.jobs, *book.rounds, *book.place_minutes}
