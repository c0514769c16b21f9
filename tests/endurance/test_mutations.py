"""Whatever is made of a valid plan, the server answers it, and every question on what it kept."""

import json
import logging
import random
import time
from urllib.parse import quote

import pytest

from ample_rows.core import plan as p
from ample_rows.core.checks import read_plan
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.demo import demo_plans
from tests.endurance.mutations import DAYS, WILD, mutated

OF_GARDEN = [
    "jobs?day={day}",
    "jobs.ics",
    "hours",
    "sun?day={day}",
    "sun/months",
    "borders",
    "set-out",
    "order",
    "build",
    "alternatives",
    "crop-book",
    "crop-book/carrot",
    "seed-box",
    "ahead?day={day}",
    "pantry",
    "earnings",
    "pantry/carrot/remedies",
    "pantry/lettuce/plantings",
    "pantry/tomato/factors",
    "labels.pdf",
    "chores/usual",
    "harvest.csv",
    "crops.csv",
    "own-crops.toml",
    "climate.csv",
    "plan.amplerows.json",
]
OF_PLACE = [
    "turned",
    "workings",
    "starters",
    "depth-schools",
    "marking",
    "covers",
    "filled?fill_cm=25",
]
OF_PLANTING = [
    "waves",
    "waves?count=5&every_days=7",
    "mixed-start",
    "leads",
    "setting-out",
    "elsewhere",
    "working",
]


@pytest.fixture
def documents(book):
    """Each place of the demo gardens as a garden of its own, and the smaller garden whole."""
    every = [p.document(plan) for plan in demo_plans(book)]
    alone = [
        {
            **document,
            "places": [place],
            "plantings": [g for g in document["plantings"] if g["place"] == place["id"]],
            "alternatives": [],
        }
        for document in every
        for place in document["places"]
        if "stands_on" not in place
    ]
    return [*alone, every[1]]


def strange(documents, book, chance):
    """A demo plan with some changes that it still holds, and now and then one that it may not."""
    document = chance.choice(documents)
    for _ in range(chance.choice([1, 3, 8, 15])):
        trial = mutated(document, chance)
        try:
            read_plan(json.dumps(trial), book)
        except PlanFaultsError:
            continue
        document = trial
    return mutated(document, chance) if chance.random() < 0.2 else document


def questions(state, chance):
    """Some of what the page asks of a garden, as method, path and body."""
    garden = f"/api/gardens/{state['head']['slug']}"
    day = chance.choice(DAYS[:-1])
    for path in chance.sample(OF_GARDEN, 5):
        yield "GET", f"{garden}/{path.format(day=day)}", None
    places, plantings = state["plan"].get("places"), state["plan"].get("plantings")
    if places:
        place = chance.choice(places)
        for path in chance.sample(OF_PLACE, 3):
            yield "GET", f"{garden}/places/{quote(place['id'], safe='')}/{path}", None
        for support in place.get("supports") or []:
            sheet = f"{garden}/places/{quote(place['id'], safe='')}/supports"
            yield "GET", f"{sheet}/{quote(support['id'], safe='')}", None
        asked = {"place": place["id"], "cells": chance.choice([["A1"], ["A1", "B2"], ["Z9"], []])}
        for word in ("shelf", "follow"):
            yield "POST", f"{garden}/{word}", {**asked, "day": chance.choice(DAYS)}
        yield "POST", f"{garden}/free-spot", chance.choice([place, {**place, "id": "new"}, {}])
    if plantings:
        planting = quote(chance.choice(plantings)["id"], safe="")
        for path in chance.sample(OF_PLANTING, 2):
            yield "GET", f"{garden}/plantings/{planting}/{path}", None


@pytest.mark.parametrize("seed", range(20, 30))
def test_every_mutation_of_a_plan_is_kept_or_refused_and_what_is_kept_answers(
    client, documents, book, times, caplog, seed
):
    chance = random.Random(seed)
    kept = 0
    slowest: list[tuple[float, str]] = []

    def timed(method, path, **body):
        begun = time.process_time()
        answer = client.request(method, path, **body)
        slowest.append((time.process_time() - begun, path))
        slowest.sort(reverse=True)
        del slowest[10:]
        return answer

    for _ in range(times(4, 500)):
        body = json.dumps(strange(documents, book, chance))
        answer = timed("POST", "/api/gardens", content=body)
        assert answer.status_code in (201, 422), body
        if answer.status_code == 422:
            assert answer.json()["errors"], body
            continue
        kept += 1
        state = answer.json()
        for method, path, asked in questions(state, chance):
            told = timed(method, path, json=asked)
            assert told.status_code < 500, (path, body)
        head = state["head"]
        client.delete(f"/api/gardens/{head['slug']}?version={head['version']}")
    # Seconds of processor of the slowest, to be read in a long run.
    print(kept, "kept;", *(f"{seconds:.2f} s {path}" for seconds, path in slowest), sep="\n")
    assert kept > 0
    # A figure that fails is written down even where the garden still opens.
    assert [record for record in caplog.records if record.levelno >= logging.ERROR] == []


@pytest.mark.parametrize("first", ["plant", "add-place", "replace-plan", "keep-chore", "mark-job"])
def test_edits_with_anything_in_them_are_made_or_refused(client, lantern, first):
    chance = random.Random(first)
    parts = {
        "plant": "planting",
        "add-place": "place",
        "replace-plan": "plan",
        "keep-chore": "chore",
        "mark-job": "mark",
    }
    seconds = (
        {"do": "remove-place", "id": "south"},
        {"do": "change-planting", "id": "p1", "changes": {"spacing_cm": 9}},
        {"do": "remove-chore", "id": "c"},
        {"do": "copy-place", "id": "south", "new_id": "twin"},
        {"do": "keep-alternative", "id": "l", "name": "l"},
        {"do": "forget-set-aside"},
    )
    for wild in (*WILD, {"id": "z"}, {"id": []}, {"places": [3]}, {"places": {}}, {"jobs": 5}):
        value = wild if isinstance(wild, dict) else {"id": "z", chance.choice("abc"): wild}
        version = client.get("/api/gardens/lantern-court").json()["head"]["version"]
        for second in seconds:
            edits = [{"do": first, parts[first]: value}, second]
            asked = {"version": version, "edit": {"do": "together", "edits": edits}}
            headers = {"content-type": "application/json"}
            answer = client.post(
                "/api/gardens/lantern-court/edits", content=json.dumps(asked), headers=headers
            )
            assert answer.status_code in (200, 404, 409, 422), (value, second)
