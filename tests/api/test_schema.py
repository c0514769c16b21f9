"""The API against its own description, and the front end's types against the API."""

import json
import os
import subprocess
import tempfile
import time
import warnings
from pathlib import Path

import jsonschema_rs
import pytest
import schemathesis
from hypothesis import HealthCheck, settings

from ample_rows.api.app import create_app
from ample_rows.api.openapi import openapi_text
from ample_rows.core import plan as p
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.report_json import report_json, schemas
from ample_rows.crops import load_book
from ample_rows.demo import demo_plans
from ample_rows.store import Database, GardenStore

HOST = {"host": "127.0.0.1"}
# The long form makes some ten thousand calls.
LONG = os.environ.get("AMPLE_LONG") == "1"
EXAMPLES = 120 if LONG else 8
ROOT = Path(__file__).resolve().parents[2]


@pytest.fixture(scope="module")
def api():
    book = load_book()
    store = GardenStore(Database(Path(tempfile.mkdtemp())), book)
    store.create(demo_plans(book)[1])
    return schemathesis.openapi.from_asgi(
        "/api/openapi.json", create_app(store, book), headers=HOST
    )


# A whole plan, a place, or an edit with a plan in it, is too rich to invent at random in a
# minute: `core/plan/test_reading.py` and `store/test_gardens.py` do that by rules of their own.
# What is filled takes a process and seconds each time: `test_fill_api.py`.
schema = schemathesis.pytest.from_fixture("api").exclude(
    path=[
        "/api/gardens",
        "/api/gardens/{slug}/edits",
        "/api/gardens/{slug}/free-spot",
        "/api/gardens/{slug}/fill",
        "/api/gardens/{slug}/fill/compared",
    ],
    method="POST",
)


@pytest.fixture(scope="module")
def seconds():
    """The longest that an answer of each operation took; the long run tells the slowest."""
    longest: dict[str, float] = {}
    yield longest
    if LONG:
        slowest = sorted(longest.items(), key=lambda item: -item[1])[:5]
        told = ", ".join(f"{operation} {taken:.2f} s" for operation, taken in slowest)
        warnings.warn(f"slowest answers: {told}", stacklevel=1)


@schema.parametrize()
@settings(max_examples=EXAMPLES, suppress_health_check=list(HealthCheck))
def test_every_operation_keeps_to_its_description(case, seconds):
    from schemathesis.checks import not_a_server_error
    from schemathesis.specs.openapi.checks import (
        content_type_conformance,
        response_schema_conformance,
        status_code_conformance,
    )

    since = time.perf_counter()
    answer = case.call(headers=HOST)
    taken = time.perf_counter() - since
    seconds[case.operation.label] = max(taken, seconds.get(case.operation.label, 0.0))
    case.validate_response(
        answer,
        checks=[
            not_a_server_error,
            status_code_conformance,
            content_type_conformance,
            response_schema_conformance,
        ],
    )


def test_the_description_kept_for_the_front_end_is_current():
    kept = (ROOT / "web" / "openapi.json").read_text()
    assert kept == openapi_text(), "run ./ample types"


def test_the_front_ends_types_are_made_from_that_description():
    scripts = json.loads((ROOT / "web" / "package.json").read_text())["scripts"]
    command, _, _ = scripts["api-types"].partition(" -o ")
    made = subprocess.run(
        ["npx", "--no-install", *command.split()],
        cwd=ROOT / "web",
        capture_output=True,
        text=True,
        check=True,
    )
    kept = (ROOT / "web" / "src" / "api" / "schema.gen.ts").read_text()
    assert kept.strip() == made.stdout.strip(), "run ./ample types"


def test_published_schemas_hold_for_what_is_read_and_written(book):
    """An independent validator agrees with the reader and the writer."""
    published = schemas()
    plan_schema = jsonschema_rs.validator_for(published["plan"])
    report_schema = jsonschema_rs.validator_for(published["report"])
    for plan in demo_plans(book):
        document = p.document(plan)
        plan_schema.validate(document)
        report = Estimate(plan, book, "x").report
        report_schema.validate(json.loads(report_json(report)))
        document["garden"]["latitude"] = 200
        assert not plan_schema.is_valid(document)
