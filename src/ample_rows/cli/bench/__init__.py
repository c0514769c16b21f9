"""`bench`: the times and sizes the project watches, as medians and as ratios within one run.

Machines are noisy: read the ratios, and compare medians only within one run.
"""

import gzip
import json
import os
import statistics
import subprocess
import sys
import tempfile
import threading
import time
import urllib.request
from pathlib import Path
from typing import Any

from ample_rows import PROGRAM
from ample_rows.cli.bench.fill import fill_rows
from ample_rows.cli.bench.ground import drag_rows, ground_rows
from ample_rows.cli.bench.load import load_rows
from ample_rows.cli.bench.page import page_rows
from ample_rows.cli.bench.record import record_rows
from ample_rows.cli.bench.rows import Row, forget_plantings, median_ms
from ample_rows.cli.bench.squares import squares_rows
from ample_rows.cli.bench.year import year_rows
from ample_rows.cli.memory import keep_what_stands
from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.place_result import evaluate_place
from ample_rows.crops import load_book
from ample_rows.demo import demo_plans, keep_demo
from ample_rows.store import Database, GardenStore

BED_CROPS = ("carrot", "lettuce", "onion", "beetroot", "spinach", "chard", "dwarf-bean", "radish")


def many_beds(beds: int, rows: int, plantings: int) -> p.Plan:
    """A made-up garden of equal beds four cells wide, each planted all over."""
    places, planted = [], []
    for bed in range(beds):
        ident = f"bed-{bed}"
        places.append(
            {
                "id": ident,
                "kind": "framed",
                "shape": {"type": "rectangle", "width_cm": 120, "length_cm": 30 * rows},
                "wall_height_cm": 30,
                "native": "ordinary",
                "sun_hours": 7,
            }
        )
        cells = [f"{column}{row + 1}" for row in range(rows) for column in "ABCD"]
        size = len(cells) // plantings
        for index in range(plantings):
            planted.append(
                {
                    "id": f"{ident}-{index}",
                    "place": ident,
                    "crop": BED_CROPS[index % len(BED_CROPS)],
                    "cells": cells[index * size : (index + 1) * size],
                    "start": "sow",
                    "start_date": f"2027-05-{1 + index % 28:02d}",
                }
            )
    garden = {
        "name": "Bench",
        "latitude": 51.9,
        "longitude": 0,
        "last_frost": "2027-04-25",
        "first_frost": "2027-10-20",
    }
    document = {
        "format": "ample-rows/plan",
        "version": 1,
        "garden": garden,
        "places": places,
        "plantings": planted,
    }
    return read_plan(json.dumps(document), load_book())


def _evaluation(plan: p.Plan, book: Book, *, rounds: int) -> float:
    """Median of evaluating with no place remembered; draws and book stay warm. [ms]"""

    def work() -> None:
        evaluate_place.cache_clear()
        forget_plantings()
        _ = Estimate(plan, book, PROGRAM).report

    work()
    return median_ms(work, rounds=rounds)


def core_rows(book: Book) -> list[Row]:
    """Evaluation times and how they grow."""
    bed = _evaluation(many_beds(1, 8, 8), book, rounds=60)
    garden = demo_plans(book)[0]
    demo, plantings = _evaluation(garden, book, rounds=30), len(garden.plantings)
    ten = _evaluation(many_beds(10, 10, 4), book, rounds=10)
    thirty = _evaluation(many_beds(30, 10, 4), book, rounds=10)
    return [
        Row("one bed, 32 cells, 8 plantings", bed, "ms", 10, "places forgotten before each run"),
        Row("the demo garden", demo / plantings, "ms", 0.5, "a planting, places forgotten"),
        Row("30 beds x 40 cells x 4 plantings", thirty, "ms", 400, "places forgotten"),
        Row("30 beds against 10 beds", thirty / ten, "x", 3.6, "3 is linear growth"),
    ]


class Server:
    """A demo server of its own, on a free port, in a folder of its own."""

    def __init__(self, folder: Path) -> None:
        import uvicorn

        from ample_rows.api.app import create_app

        book = load_book()
        self.store = GardenStore(Database(folder), book)
        keep_demo(self.store, book)
        config = uvicorn.Config(
            create_app(self.store, book), host="127.0.0.1", port=0, log_level="error"
        )
        self.server = uvicorn.Server(config)
        self.thread = threading.Thread(target=self.server.run, daemon=True)
        self.thread.start()
        while not self.server.started:
            time.sleep(0.01)
        port = self.server.servers[0].sockets[0].getsockname()[1]
        self.base = f"http://127.0.0.1:{port}"

    def ask(self, path: str, body: object = None) -> Any:
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(
            self.base + path, data=data, headers={"content-type": "application/json"}
        )
        with urllib.request.urlopen(request, timeout=30) as answer:
            return json.load(answer)

    def stop(self) -> None:
        self.server.should_exit = True
        self.thread.join(timeout=5)


def server_rows(server: Server) -> list[Row]:
    """An edit's answer, against an empty request of the same server."""
    version = server.ask("/api/gardens/lantern-court")["head"]["version"]
    sizes = []

    def edit() -> None:
        nonlocal version
        changes = {"start_date": f"2027-04-{1 + version % 28:02d}"}
        asked = {"do": "change-planting", "id": "p3", "changes": changes}
        body = {"version": version, "edit": asked}
        change = server.ask("/api/gardens/lantern-court/edits", body)
        version = change["head"]["version"]
        sizes.append(len(json.dumps(change, separators=(",", ":"))))

    def empty() -> None:
        server.ask("/api/frosts?latitude=50")

    for _ in range(5):
        edit()
        empty()
    edits, nothing = median_ms(edit, rounds=60), median_ms(empty, rounds=60)
    kilobytes = statistics.median(sizes) / 1000
    return [
        Row("an edit's answer", edits, "ms", 30, "HTTP, saved to disk, what changed returned"),
        Row("an edit's answer, size", kilobytes, "kB", 30, "a planting moved"),
        Row("an edit against an empty request", edits / nothing, "x", None, "same server"),
    ]


def size_rows() -> list[Row]:
    """What a first visit downloads, and what the server holds in memory."""
    from ample_rows.api.app import SITE

    index = (SITE / "index.html").read_text()
    first = [f for f in (SITE / "assets").glob("*.js") if f.name in index]
    zipped = sum(len(gzip.compress(f.read_bytes())) for f in first) / 1000
    return [Row("first-load JavaScript, gzipped", zipped, "kB", 200, "scripts the page names")]


def memory_row() -> Row:
    """Peak resident memory of a server process that has answered for all demo gardens."""
    code = (
        "import tempfile, pathlib\n"
        "from starlette.testclient import TestClient\n"
        "from ample_rows.api.app import create_app\n"
        "from ample_rows.cli.serve import open_store\n"
        "from ample_rows.crops import load_book\n"
        "import uvicorn\n"
        "folder = pathlib.Path(tempfile.mkdtemp())\n"
        "store = open_store(demo=True, data=folder, reset=False)\n"
        "client = TestClient(create_app(store, load_book()), base_url='http://127.0.0.1')\n"
        "for name in ('lantern-court', 'magpie-terrace'):\n"
        "    assert client.get('/api/gardens/' + name).status_code == 200\n"
        "    assert client.get('/api/gardens/' + name + '/sun/months').status_code == 200\n"
        "from ample_rows.cli.bench.rows import own_peak_mb\n"
        "print(own_peak_mb())\n"
    )
    answer = subprocess.run(
        [sys.executable, "-c", code], capture_output=True, text=True, check=True, env=os.environ
    )
    return Row("server memory, peak", float(answer.stdout), "MB", 250, "own process")


def bench(*, chromium: str | None, long: bool = False, only: str | None = None) -> int:
    """Measure everything and print one table; figures are for reading, never a test.

    Args:
        long: Measure the load of a server for a minute rather than some seconds, and fill ten
            gardens a size rather than one.
        only: Measure one part alone: "load", "record" or "fill".
    """
    keep_what_stands()
    if only == "load":
        _print(load_rows(long=long))
        return 0
    book = load_book()
    if only == "record":
        _print(record_rows(book))
        return 0
    if only == "fill":
        _print([*fill_rows(long=long)])
        return 0
    demo = demo_plans(book)[0]
    rows = [
        *core_rows(book),
        *ground_rows(book),
        *squares_rows(demo, book),
        *year_rows(demo, many_beds(30, 10, 12), book),
    ]
    with tempfile.TemporaryDirectory() as folder:
        server = Server(Path(folder))
        rows += server_rows(server)
        if chromium:
            rows += page_rows(server.base, chromium)
            rows += drag_rows(server.base, chromium)
        server.stop()
    rows += [*record_rows(book), *size_rows(), memory_row(), *load_rows(long=long)]
    rows += fill_rows(long=long)
    _print(rows)
    return 0


def _print(rows: list[Row]) -> None:
    print(f"{PROGRAM} on {os.cpu_count()} cores, medians")
    print(f"{'':38}{'measured':>10}{'target':>9}")
    for row in rows:
        target = "" if row.target is None else f"{row.target:g}"
        print(f"{row.name:38}{row.value:10.1f}{target:>9} {row.unit:3} {row.how}")
