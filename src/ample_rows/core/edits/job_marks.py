"""Marking a job, and keeping one of the grower's own: what it does to the plan."""

from collections.abc import Callable
from typing import Any

Document = dict[str, Any]

STARTS = ("sow", "set-out", "set")
"""Jobs that begin a planting: the day on which they are done is the day that it starts."""


ENDS = ("clear", "dig-in")
"""Jobs that end a planting: the day on which they are done is the day that its ground is free."""


def mark_job(document: Document, mark: Document, planned: str | None = None) -> None:
    """Keep a mark in a plan's document, in place, in the stead of an earlier one of the same job.

    A state of "open" takes the mark away. What begins a planting moves its start to the day that
    it was done, or is put off to, and with that everything after it; what ends one moves its end,
    and what follows it waits for the ground.

    Args:
        planned: The day that it was planned for: what was to start before it is a relay, and
            waits for nothing. Without it nothing waits.
    """
    key, state = _key(mark), mark.get("state")
    jobs = [other for other in document.get("jobs", []) if _key(other) != key]
    begins, ends = mark.get("job") in STARTS, mark.get("job") in ENDS
    if state in ("done", "put-off"):
        for planting in document.get("plantings", []):
            if planting["id"] == mark.get("planting"):
                if begins:
                    planting["start_date"] = mark.get("on")
                elif ends:
                    _end(document, planting, str(mark.get("on")), planned)
    # A planting that starts or ends later has no job put off: it has another day.
    if state != "open" and not ((begins or ends) and state == "put-off"):
        jobs.append(mark)
    _keep(document, jobs)


def _end(document: Document, planting: Document, on: str, planned: str | None) -> None:
    """Let a planting end on a day, in place; what is to follow it starts no sooner."""
    if on <= planting["start_date"]:
        return
    planting["clear_date"] = on
    if planned is None:
        return
    marks = document.get("jobs", [])
    begun = {mark.get("planting") for mark in marks if mark["job"] in STARTS}
    for other in document.get("plantings", []):
        follows = other.get("follows") == planting["id"] and other["id"] not in begun
        if follows and planned <= other["start_date"] < on:
            other["start_date"] = on


def forget_jobs(document: Document) -> None:
    """Take out, in place, the marks of plantings and places that are gone."""
    places = {None, *(place["id"] for place in document.get("places", []))}
    plantings = {planting["id"] for planting in document.get("plantings", [])}
    plantings_left = {None, *plantings}
    jobs = document.get("jobs", [])
    marks = [
        mark
        for mark in jobs
        if mark.get("place") in places and mark.get("planting") in plantings_left
    ]
    _keep(document, marks)


def keep_chore(document: Document, chore: Document) -> None:
    """Keep a job of the grower's own, in place, in the stead of an earlier one of the same id."""
    chores = [other for other in document.get("chores", []) if other["id"] != chore.get("id")]
    document["chores"] = [*chores, chore]


def remove_chores(document: Document, gone: Callable[[Document], bool]) -> None:
    """Take out, in place, some of the grower's own jobs, and what was marked of them."""
    every = document.pop("chores", [])
    staying = [chore for chore in every if not gone(chore)]
    if staying:
        document["chores"] = staying
    marked = {f"chore-{chore['id']}" for chore in every if gone(chore)}
    _keep(document, [mark for mark in document.get("jobs", []) if mark["job"] not in marked])


def _keep(document: Document, jobs: list[Document]) -> None:
    """A plan without marks has no list of them, as before any was made."""
    document.pop("jobs", None)
    if jobs:
        document["jobs"] = jobs


def _key(mark: Document) -> tuple[object, ...]:
    return (mark.get("place"), mark.get("planting"), mark.get("job"), mark.get("nth", 1))
