"""The application: routers, guard, error answers, and the built pages."""

from pathlib import Path
from typing import Any

from fastapi import FastAPI
from fastapi.openapi.utils import get_openapi
from fastapi.responses import FileResponse, Response
from starlette.exceptions import HTTPException

from ample_rows import __version__
from ample_rows.api import (
    ailments,
    crop_book,
    devices,
    fill,
    gardens,
    ground,
    keeping,
    nursery,
    photos,
    problems,
    record,
    reference,
    row,
    seasons,
    squares,
    twins,
    weather_seen,
    where,
    year,
)
from ample_rows.api.answers import Answers
from ample_rows.api.change import ASKED_APART
from ample_rows.api.door import Door
from ample_rows.api.estimates import Estimates
from ample_rows.api.gate import Gates
from ample_rows.api.guard import Guard
from ample_rows.api.units import InUnits
from ample_rows.core.book import Book
from ample_rows.core.estimate.report_json import schemas
from ample_rows.store import GardenStore

SITE = Path(__file__).parent / "site"
_REF = "#/components/schemas/{model}"
FOREVER = "public, max-age=31536000, immutable"


def create_app(store: GardenStore, book: Book, door: Door | None = None) -> FastAPI:
    """An application over one store.

    Args:
        door: Who may come in; everyone on this machine where there is none.
    """
    app = FastAPI(
        title="Ample Rows",
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        separate_input_output_schemas=False,
    )
    app.state.door = door
    occupy(app, store, book)
    for part in (
        gardens,
        ground,
        squares,
        crop_book,
        year,
        ailments,
        record,
        weather_seen,
        photos,
        nursery,
        twins,
        row,
        devices,
        fill,
        seasons,
        reference,
        where,
        keeping,
    ):
        # Including a router makes all its routes a second time, a second's work; these are ready.
        app.router.routes.extend(part.router.routes)
    problems.install(app)
    _serve_pages(app)
    app.add_middleware(InUnits)
    app.add_middleware(Guard, door=door)
    app.openapi = lambda: _openapi(app)  # type: ignore[method-assign]
    return app


def occupy(app: FastAPI, store: GardenStore, book: Book) -> None:
    """Set an application before a store; what it remembered of another is forgotten."""
    app.state.store, app.state.book = store, book
    app.state.estimates = Estimates(book)
    app.state.gates, app.state.answers = Gates(), Answers()
    app.state.devices = devices.attached()


def _openapi(app: FastAPI) -> dict[str, Any]:
    """FastAPI's description, with what no route names as a model of its own: the plan that imports
    take as a raw body, and the problem of every error; and without what is asked for apart."""
    if not app.openapi_schema:
        document = get_openapi(title=app.title, version=app.version, routes=app.routes)
        components = document["components"]["schemas"]
        problem = problems.Problem.model_json_schema(ref_template=_REF)
        for name, schema in (("Plan", schemas()["plan"]), ("Problem", problem)):
            for part, described in schema.pop("$defs", {}).items():
                components.setdefault(part, described)
            components.setdefault(name, schema)
        planting = components["PlantingReport"]
        for apart in ASKED_APART:
            del planting["properties"][apart]
            planting["required"].remove(apart)
        app.openapi_schema = document
    return app.openapi_schema


def _file_of_site(path: str) -> Path | None:
    """A built file by its address; None where that is no name of one."""
    try:
        wanted = (SITE / path).resolve()
        return wanted if wanted.is_relative_to(SITE) and wanted.is_file() else None
    except (OSError, ValueError):
        return None


def _serve_pages(app: FastAPI) -> None:
    """The single page for every address that is not the API's; its files beside it."""

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> Response:
        if path == "api" or path.startswith("api/"):
            raise HTTPException(404, f"There is nothing at /{path}.")
        wanted = _file_of_site(path)
        if wanted is not None:
            cache = FOREVER if path.startswith("assets/") else "no-cache"
            return FileResponse(wanted, headers={"cache-control": cache})
        if path.startswith("assets/"):
            raise HTTPException(404, f"There is no file {path}.")
        index = SITE / "index.html"
        if not index.is_file():
            raise HTTPException(503, "The pages are not built; run ./ample start or ./ample demo.")
        return FileResponse(index, headers={"cache-control": "no-cache"})
