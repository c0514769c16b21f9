"""Reports and documents as JSON, and the schemas that the project publishes."""

from functools import cache
from typing import Any

from pydantic import TypeAdapter

from ample_rows.core.estimate.report import Report
from ample_rows.core.plan import Plan


@cache
def _report_adapter() -> TypeAdapter[Report]:
    return TypeAdapter(Report)


def report_json(report: Report) -> bytes:
    """The report as UTF-8 JSON."""
    return _report_adapter().dump_json(report)


def schemas() -> dict[str, Any]:
    """JSON Schemas of the plan document and of the report."""
    return {
        "plan": Plan.model_json_schema(),
        "report": _report_adapter().json_schema(mode="serialization"),
    }
