"""Errors as problem details (RFC 9457): HTTP appears here and nowhere below."""

from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from ample_rows.api.gate import BusyError
from ample_rows.core.errors import CannotBeDoneError, UnknownPartError
from ample_rows.core.plan.reading import Fault, PlanFaultsError, path_of
from ample_rows.core.words.message import said
from ample_rows.devices.device import DeviceGoneError
from ample_rows.store import (
    ChangedElsewhereError,
    NothingToDoError,
    StorageError,
    StoreError,
)

MEDIA_TYPE = "application/problem+json"
KIND = "urn:ample-rows:problem:"

TITLES = {
    "plan-faults": "The plan cannot hold this",
    "field": "A field is wrong",
    "unknown": "Not here",
    "doubtful": "Is that so?",
    "cannot": "Not possible here",
    "conflict": "Changed elsewhere",
    "nothing-to-do": "Nothing to do",
    "busy": "Busy",
    "too-long": "Took too long",
    "too-large": "Too large",
    "too-slow": "Too slow",
    "unknown-host": "Unknown host",
    "foreign-page": "Foreign page",
    "unreadable": "Cannot be read",
    "closed": "Not open to you",
    "fault": "A fault of the program",
    "request": "The request cannot be answered",
    "storage-full": "The disk is full",
    "storage-locked": "The file is in use",
    "storage-read-only": "The file cannot be written",
    "storage-damaged": "The file is damaged",
    "storage-other": "The disk did not answer",
    "device": "The device does not answer",
    "backup": "The backup cannot be used",
}
_DISK_FULL = 507
# Sent with a body, and yet they change nothing.
_QUESTIONS = (
    "/entry-read",
    "/shelf",
    "/follow",
    "/free-spot",
    "/place-figures",
    "/crop-file",
    "/climate-table",
)


class FieldFault(BaseModel):
    """What is wrong with one field, and what is wanted."""

    path: str
    text: str


class Problem(BaseModel):
    """Problem details. `errors` names each field; `version` is the newer one after a conflict."""

    type: str
    title: str
    status: int
    detail: str
    errors: list[FieldFault] = []
    version: int | None = None


# By reference, not as a model: it would be made ready anew for every answer of every route.
_PROBLEM = {MEDIA_TYPE: {"schema": {"$ref": "#/components/schemas/Problem"}}}
RESPONSES: dict[int | str, dict[str, Any]] = {
    status: {"description": text, "content": _PROBLEM}
    for status, text in (
        (400, "The request cannot be read"),
        (401, "Neither the page's session nor the token was sent"),
        (404, "No such garden, or no such part of it"),
        (409, "Changed elsewhere, or nothing to undo"),
        (413, "Too large"),
        (422, "A field is wrong"),
        (503, "Busy, or the file of the gardens cannot be used now"),
        (507, "The disk is full"),
    )
}


def problem(
    status: int,
    kind: str,
    detail: str,
    *,
    faults: list[Fault] | None = None,
    version: int | None = None,
) -> JSONResponse:
    """One problem as a response."""
    body = Problem(
        type=KIND + kind,
        title=TITLES[kind],
        status=status,
        detail=_written(detail),
        errors=[
            FieldFault(path=_written(f.path), text=_written(said(f.text))) for f in faults or []
        ],
        version=version,
    )
    retry = {"retry-after": str(BusyError.retry_after_s)} if status == 503 else None
    return JSONResponse(body.model_dump(mode="json"), status, headers=retry, media_type=MEDIA_TYPE)


def _written(text: str) -> str:
    """A text that can be sent: halves of characters, which JSON may hold, are replaced."""
    return text.encode("utf-8", "replace").decode("utf-8")


def _listed(faults: list[Fault], request: Request) -> str:
    """Faults as one text; what was to be kept or changed was not, and that is said."""
    words = "; ".join(str(fault) for fault in faults)
    asks = request.method in ("GET", "HEAD") or request.url.path.endswith(_QUESTIONS)
    return f"{words}." if asks else f"{words}. Nothing was changed."


def install(app: FastAPI) -> None:
    """Answer every known error of the layers below as problem details."""

    @app.exception_handler(PlanFaultsError)
    def _faults(request: Request, error: PlanFaultsError) -> JSONResponse:
        words = _listed(error.faults, request)
        return problem(422, "plan-faults", words, faults=error.faults)

    @app.exception_handler(RequestValidationError)
    def _invalid(request: Request, error: RequestValidationError) -> JSONResponse:
        faults = [
            Fault(path_of(tuple(detail["loc"])[1:]), str(detail["msg"]))
            for detail in error.errors()
        ]
        return problem(422, "field", _listed(faults, request), faults=faults)

    @app.exception_handler(UnknownPartError)
    def _unknown(_: Request, error: UnknownPartError) -> JSONResponse:
        return problem(404, "unknown", str(error))

    @app.exception_handler(CannotBeDoneError)
    def _cannot(_: Request, error: CannotBeDoneError) -> JSONResponse:
        return problem(422, "cannot", said(error.message))

    @app.exception_handler(ChangedElsewhereError)
    def _conflict(_: Request, error: ChangedElsewhereError) -> JSONResponse:
        return problem(409, "conflict", str(error), version=error.version)

    @app.exception_handler(NothingToDoError)
    def _nothing(_: Request, error: NothingToDoError) -> JSONResponse:
        return problem(409, "nothing-to-do", str(error))

    @app.exception_handler(BusyError)
    def _busy(_: Request, error: BusyError) -> JSONResponse:
        return problem(503, "busy", str(error))

    @app.exception_handler(StorageError)
    def _storage(_: Request, error: StorageError) -> JSONResponse:
        status = _DISK_FULL if error.kind == "full" else 503
        return problem(status, f"storage-{error.kind}", str(error))

    @app.exception_handler(StoreError)
    def _store(_: Request, error: StoreError) -> JSONResponse:
        return problem(422, "backup", str(error))

    @app.exception_handler(DeviceGoneError)
    def _device(_: Request, error: DeviceGoneError) -> JSONResponse:
        return problem(503, "device", str(error))

    @app.exception_handler(HTTPException)
    def _http(_: Request, error: HTTPException) -> JSONResponse:
        answer = problem(error.status_code, "request", str(error.detail))
        answer.headers.update(error.headers or {})
        return answer
