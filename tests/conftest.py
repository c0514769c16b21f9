"""Fixtures that every kind of test shares: the book, plans in few words, a store, a server."""

import contextlib
import copy
import json
import os
import shutil
import threading
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import hypothesis
import pytest
import uvicorn
from fastapi import FastAPI
from starlette.testclient import TestClient
from starlette.types import ASGIApp

from ample_rows import PROGRAM
from ample_rows.api.app import create_app, occupy
from ample_rows.api.door import Door
from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.own import own_book
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report import Report
from ample_rows.core.notes.note import Note
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import rendered_by
from ample_rows.crops import load_book
from ample_rows.demo import demo_plans
from ample_rows.store import Database, GardenStore
from ample_rows.wording import METRIC

Document = dict[str, Any]

# Commands that tests start find the package as the tests themselves do.
os.environ["PYTHONPATH"] = str(Path(__file__).resolve().parents[1] / "src")

# Machines are noisy: a slow run is no fault. The same examples on every machine, so that a change
# is judged by what it changes; the long run looks for new ones.
hypothesis.settings.register_profile("ample", deadline=None, max_examples=60, derandomize=True)
hypothesis.settings.register_profile("long", deadline=None, max_examples=600)
hypothesis.settings.load_profile("long" if os.environ.get("AMPLE_LONG") else "ample")


@pytest.fixture(autouse=True, scope="session")
def _in_metric() -> Iterator[None]:
    """Messages are put into words as the command line does."""
    with rendered_by(METRIC):
        yield


GARDEN: Document = {
    "name": "Test yard",
    "latitude": 51.9,
    "longitude": -2.1,
    "last_frost": "2027-04-25",
    "first_frost": "2027-10-20",
    "frost_spread_days": 12,
}
BED: Document = {
    "id": "bed",
    "kind": "framed",
    "shape": {"type": "rectangle", "width_cm": 120, "length_cm": 240},
    "wall_height_cm": 33,
    "rim_gap_cm": 3,
    "native": "ordinary",
    "sun_hours": 8,
}
TUB: Document = {
    "id": "tub",
    "kind": "container",
    "shape": {"type": "circle", "diameter_cm": 46},
    "wall_height_cm": 40,
    "rim_gap_cm": 3,
    "sun_hours": 8,
}


def bed(**changes: Any) -> Document:
    """A framed bed 120 x 240 cm, 30 cm of soil, in full sun, with some keys changed."""
    return {**copy.deepcopy(BED), **changes}


def tub(**changes: Any) -> Document:
    return {**copy.deepcopy(TUB), **changes}


def rectangle(width_cm: float, length_cm: float) -> Document:
    return {"type": "rectangle", "width_cm": width_cm, "length_cm": length_cm}


def planting(
    crop: str = "carrot", cells: Any = ("A1", "A2", "B1", "B2"), **changes: Any
) -> Document:
    """A planting of the bed, sown on 10 April unless told otherwise."""
    return {
        "id": "p1",
        "place": "bed",
        "crop": crop,
        "cells": list(cells) if isinstance(cells, tuple) else cells,
        "start": "sow",
        "start_date": "2027-04-10",
        **changes,
    }


def document(
    *plantings: Document,
    places: list[Document] | None = None,
    site: Document | None = None,
    **garden: Any,
) -> Document:
    """A plan document of some plantings; without places it has the bed alone."""
    return {
        **({} if site is None else {"site": site}),
        "format": "ample-rows/plan",
        "version": 1,
        "garden": {**GARDEN, **garden},
        "places": [bed()] if places is None else places,
        "plantings": list(plantings),
    }


def block(first: str, last: str) -> tuple[str, ...]:
    """The cells of a rectangle, single letters only: block("A1", "B3")."""
    columns = range(ord(first[0]), ord(last[0]) + 1)
    rows = range(int(first[1:]), int(last[1:]) + 1)
    return tuple(f"{chr(c)}{r}" for c in columns for r in rows)


@pytest.fixture(scope="session")
def book() -> Book:
    return load_book()


@pytest.fixture(scope="session")
def read(book: Book) -> Callable[[Document], p.Plan]:
    """A document as a sound plan."""
    return lambda doc: read_plan(json.dumps(doc), book)


@pytest.fixture(scope="session")
def run(book: Book) -> Callable[[p.Plan], Report]:
    """A plan evaluated."""
    return lambda plan: Estimate(plan, own_book(book, plan), PROGRAM).report


@pytest.fixture(scope="session")
def reported(
    read: Callable[[Document], p.Plan], run: Callable[[p.Plan], Report]
) -> Callable[[Document], Report]:
    """A document evaluated."""
    return lambda doc: run(read(doc))


@pytest.fixture(scope="session")
def grown(reported: Callable[[Document], Report]) -> Callable[..., PlantingReport]:
    """The report of one planting in a plan of its own: `grown(planting(...), places=[...])`."""

    def one(what: Document, **context: Any) -> PlantingReport:
        return reported(document(what, **context)).plantings[0]

    return one


@pytest.fixture(scope="session")
def noted(reported: Callable[[Document], Report]) -> Callable[..., dict[str, Note]]:
    """The notes of a document by their code."""
    return lambda doc: {note.code: note for note in reported(doc).notes}


@pytest.fixture(scope="session")
def templates(tmp_path_factory: pytest.TempPathFactory, book: Book) -> dict[str, Path]:
    """Folders to copy: an empty database, and one with both demo gardens."""
    folders = {name: tmp_path_factory.mktemp(name) for name in ("empty", "demo")}
    for folder in folders.values():
        database = Database(folder)
        if folder is folders["demo"]:
            for plan in demo_plans(book):
                GardenStore(database, book).create(plan)
        database.close()
    return folders


@pytest.fixture
def store(tmp_path: Path, book: Book, templates: dict[str, Path]) -> Iterator[GardenStore]:
    shutil.copytree(templates["empty"], tmp_path, dirs_exist_ok=True)
    database = Database(tmp_path)
    yield GardenStore(database, book)
    database.close()


@pytest.fixture(scope="session")
def application(
    book: Book, templates: dict[str, Path], tmp_path_factory: pytest.TempPathFactory
) -> Iterator[FastAPI]:
    """The application, which each test sets before a store of its own: making its routes ready
    takes a second."""
    folder = tmp_path_factory.mktemp("nobody")
    shutil.copytree(templates["empty"], folder, dirs_exist_ok=True)
    database = Database(folder)
    yield create_app(GardenStore(database, book), book)
    database.close()


@pytest.fixture
def client(store: GardenStore, book: Book, application: FastAPI) -> TestClient:
    """An API client over an empty store."""
    occupy(application, store, book)
    return TestClient(application, base_url="http://127.0.0.1:8437")


@pytest.fixture
def lantern(client: TestClient, book: Book) -> Document:
    """The first demo garden, kept and read back: its state."""
    plan = demo_plans(book)[0]
    made = client.post("/api/gardens", json=p.document(plan))
    state: Document = made.json()
    return state


@pytest.fixture(scope="session")
def long_run() -> bool:
    """Whether the longer forms of tests were asked for."""
    return os.environ.get("AMPLE_LONG") == "1"


def serving(
    store: GardenStore, book: Book, door: Door | None = None
) -> contextlib.AbstractContextManager[str]:
    """A real server over a store, on a free port; its address."""
    return listening(create_app(store, book, door))


@contextlib.contextmanager
def listening(app: ASGIApp) -> Iterator[str]:
    """A real server of an application, on a free port; its address."""
    config = uvicorn.Config(app, port=0, log_level="error")
    server = uvicorn.Server(config)
    thread = threading.Thread(target=server.run, daemon=True)
    thread.start()
    while not server.started:
        time.sleep(0.01)
    port = server.servers[0].sockets[0].getsockname()[1]
    yield f"http://127.0.0.1:{port}"
    server.should_exit = True
    thread.join(timeout=10)


@pytest.fixture
def demo_store(tmp_path: Path, book: Book, templates: dict[str, Path]) -> Iterator[GardenStore]:
    """A store with both demo gardens."""
    shutil.copytree(templates["demo"], tmp_path, dirs_exist_ok=True)
    database = Database(tmp_path)
    yield GardenStore(database, book)
    database.close()


@pytest.fixture
def base_url(demo_store: GardenStore, book: Book) -> Iterator[str]:
    """A real server with both demo gardens, on a free port."""
    with serving(demo_store, book) as address:
        yield address
