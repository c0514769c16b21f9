"""Filling at the API: plans line by line, in a process that goes when nobody waits for it."""

import asyncio
import json
import multiprocessing

import pytest

from ample_rows.api.fill_process import Task, found_by
from tests.conftest import bed, block, document, planting, rectangle

WANTS = [{"crop": "carrot", "kg_per_year": 4}, {"crop": "lettuce", "kg_per_year": 5}]
CHARD = planting("chard", block("A1", "D2"), id="c", start_date="2027-04-20")


@pytest.fixture
def garden(client):
    """The address of a garden of one small bed, kept with some plantings."""

    def kept(*plantings, wants=WANTS, **rules):
        small = bed(shape=rectangle(120, 120))
        doc = document(*plantings, places=[small], household={"wants": wants}, **rules)
        made = client.post("/api/gardens", content=json.dumps(doc))
        assert made.status_code == 201, made.text
        return f"/api/gardens/{made.json()['head']['slug']}"

    return kept


def lines(client, url, **asked):
    answer = client.post(f"{url}/fill", json=asked)
    assert answer.status_code == 200, answer.text
    assert answer.headers["content-type"] == "application/x-ndjson"
    return [json.loads(line) for line in answer.text.splitlines()]


def test_nothing_is_begun_before_a_day_and_what_was_begun_by_then_stays(client, garden):
    url = garden(CHARD)
    plan = lines(client, url, seconds=1, since="2027-06-10")[-1]["plan"]
    begun = {planting["id"]: planting["start_date"] for planting in plan}
    assert begun.pop("c") == "2027-04-20"
    assert begun
    assert min(begun.values()) >= "2027-06-10"


def test_plans_come_line_by_line_and_the_last_can_be_taken_as_one_edit(client, garden):
    url = garden(CHARD)
    found = lines(client, url, seconds=2)
    values = [line["value"] for line in found]
    assert values == sorted(values)
    last = found[-1]
    assert last["gap"] is not None
    assert last["bound"] >= last["value"]
    compared = client.post(f"{url}/fill/compared", json={"plantings": last["plan"]}).json()
    assert compared["offered"]["value"] == pytest.approx(last["value"])
    offered = {p["id"]: p for p in last["plan"]}
    edits = [
        {"do": "plant", "planting": offered[one["planting"]["id"]]}
        for one in compared["differences"]
        if one["comes"]
    ]
    gone = {ident for one in compared["differences"] for ident in one["replaces"]}
    gone |= {one["planting"]["id"] for one in compared["differences"] if not one["comes"]}
    edits += [{"do": "remove-planting", "id": ident} for ident in sorted(gone)]
    head = client.get(url).json()["head"]
    asked = {"version": head["version"], "edit": {"do": "together", "edits": edits}}
    taken = client.post(f"{url}/edits", json=asked)
    assert taken.status_code == 200, taken.text
    after = client.get(url).json()
    assert {p["id"] for p in after["plan"]["plantings"]} == set(offered)
    assert not [note for note in after["report"]["notes"] if note["level"] == "stop"]
    again = client.post(f"{url}/fill/compared", json={"plantings": last["plan"]}).json()
    assert again["differences"] == []


def test_what_is_planted_stays_where_it_is_asked_to(client, garden):
    found = lines(client, garden(CHARD), seconds=0, keep=True)
    assert "c" in {p["id"] for p in found[-1]["plan"]}


def test_nothing_wanted_is_answered_in_words(client, garden):
    (*_, last) = lines(client, garden(wants=[]), seconds=0)
    assert last["why_none"].startswith("Nobody has said what is eaten")
    assert last["plan"] == []


@pytest.mark.parametrize(
    ("asked", "status"),
    [
        ({"seconds": -1}, 422),
        ({"seconds": 1e9}, 422),
        ({"place": "nowhere", "seconds": 0}, 404),
        ({"cells": [], "seconds": 0}, 422),
        ({"for": "me"}, 422),
    ],
)
def test_what_cannot_be_filled_so_is_refused(client, garden, asked, status):
    assert client.post(f"{garden()}/fill", json=asked).status_code == status


def test_a_plan_that_is_none_is_not_compared(client, garden):
    odd = {**CHARD, "place": "nowhere"}
    answer = client.post(f"{garden()}/fill/compared", json={"plantings": [odd]})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"] == "plantings[0].place"


def test_whoever_goes_away_takes_the_work_along(read):
    doc = document(places=[bed()], household={"wants": WANTS})
    task = Task(plan=read(doc), saying=("metric", "en-GB"), seconds=60)

    async def first_alone():
        found = found_by(task)
        line = await anext(found)
        await found.aclose()
        return json.loads(line)

    assert asyncio.run(first_alone())["value"] > 0
    assert multiprocessing.active_children() == []


def test_thousands_of_faults_are_told_at_once(client, garden):
    answer = client.post(f"{garden()}/fill/compared", json={"plantings": [{}] * 5_000})
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["path"] == "plantings[0].id"
