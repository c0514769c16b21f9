"""Errors as problem details (RFC 9457): HTTP appears here and nowhere below."""

from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from ample_rows.core.reading import Fault, PlanFaultsError, path_of
from ample_rows.store import ConflictError, NothingToDoError, UnknownGardenError

MEDIA_TYPE = "application/problem+json"


class FieldFault(BaseModel):
    """What is wrong with one field, and what is wanted."""

    path: str
    text: str


class Problem(BaseModel):
    """Problem details. `errors` names each field; `version` is the newer one after a conflict."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    errors: list[FieldFault] = []
    version: int | None = None


RESPONSES: dict[int | str, dict[str, Any]] = {
    status: {"model": Problem, "description": text, "content": {MEDIA_TYPE: {}}}
    for status, text in (
        (400, "The request cannot be read"),
        (404, "No such garden"),
        (409, "Changed elsewhere, or nothing to undo"),
        (413, "Too large"),
        (422, "A field is wrong"),
    )
}


def problem(
    status: int,
    title: str,
    detail: str,
    *,
    faults: list[Fault] | None = None,
    version: int | None = None,
) -> JSONResponse:
    """One problem as a response."""
    errors = [FieldFault(path=f.path, text=f.text) for f in faults or []]
    body = Problem(title=title, status=status, detail=detail, errors=errors, version=version)
    return JSONResponse(body.model_dump(mode="json"), status, media_type=MEDIA_TYPE)


def install(app: FastAPI) -> None:
    """Answer every known error of the layers below as problem details."""

    @app.exception_handler(PlanFaultsError)
    def _faults(_: Request, error: PlanFaultsError) -> JSONResponse:
        return problem(
            422,
            "The plan cannot hold this",
            f"{error} Nothing was changed.",
            faults=error.faults,
        )

    @app.exception_handler(RequestValidationError)
    def _invalid(_: Request, error: RequestValidationError) -> JSONResponse:
        faults = [
            Fault(path_of(tuple(detail["loc"])[1:]), str(detail["msg"]))
            for detail in error.errors()
        ]
        words = "; ".join(str(fault) for fault in faults)
        return problem(422, "A field is wrong", f"{words}. Nothing was changed.", faults=faults)

    @app.exception_handler(UnknownGardenError)
    def _unknown(_: Request, error: UnknownGardenError) -> JSONResponse:
        return problem(404, "No such garden", str(error))

    @app.exception_handler(ConflictError)
    def _conflict(_: Request, error: ConflictError) -> JSONResponse:
        return problem(409, "Changed elsewhere", str(error), version=error.version)

    @app.exception_handler(NothingToDoError)
    def _nothing(_: Request, error: NothingToDoError) -> JSONResponse:
        return problem(409, "Nothing to do", str(error))

    @app.exception_handler(HTTPException)
    def _http(_: Request, error: HTTPException) -> JSONResponse:
        return problem(error.status_code, "The request cannot be answered", str(error.detail))
