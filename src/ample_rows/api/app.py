"""The application: routers, guard, error answers, and the built pages."""

from pathlib import Path
from typing import Any

from fastapi import FastAPI
from fastapi.openapi.utils import get_openapi
from fastapi.responses import FileResponse, Response
from starlette.exceptions import HTTPException

from ample_rows import __version__
from ample_rows.api import crop_book, gardens, ground, problems, reference, squares, year
from ample_rows.api.guard import Guard
from ample_rows.core.reference import Book
from ample_rows.core.report_json import schemas
from ample_rows.store import GardenStore

SITE = Path(__file__).parent / "site"
FOREVER = "public, max-age=31536000, immutable"


def create_app(store: GardenStore, book: Book) -> FastAPI:
    """An application over one store."""
    app = FastAPI(
        title="Ample Rows",
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        separate_input_output_schemas=False,
    )
    app.state.store, app.state.book = store, book
    app.include_router(gardens.router)
    app.include_router(ground.router)
    app.include_router(squares.router)
    app.include_router(crop_book.router)
    app.include_router(year.router)
    app.include_router(reference.router)
    problems.install(app)
    _serve_pages(app)
    app.add_middleware(Guard)
    app.openapi = lambda: _openapi(app)  # type: ignore[method-assign]
    return app


def _openapi(app: FastAPI) -> dict[str, Any]:
    """FastAPI's description, with the plan document that imports take as a raw body."""
    if not app.openapi_schema:
        document = get_openapi(title=app.title, version=app.version, routes=app.routes)
        known = document["components"]["schemas"]
        plan = schemas()["plan"]
        for name, part in plan.pop("$defs", {}).items():
            known.setdefault(name, part)
        known.setdefault("Plan", plan)
        app.openapi_schema = document
    return app.openapi_schema


def _serve_pages(app: FastAPI) -> None:
    """The single page for every address that is not the API's; its files beside it."""

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> Response:
        if path == "api" or path.startswith("api/"):
            raise HTTPException(404, f"There is nothing at /{path}.")
        wanted = (SITE / path).resolve()
        if path and wanted.is_relative_to(SITE) and wanted.is_file():
            cache = FOREVER if path.startswith("assets/") else "no-cache"
            return FileResponse(wanted, headers={"cache-control": cache})
        if path.startswith("assets/"):
            raise HTTPException(404, f"There is no file {path}.")
        index = SITE / "index.html"
        if not index.is_file():
            raise HTTPException(503, "The pages are not built; run ./ample start or ./ample demo.")
        return FileResponse(index, headers={"cache-control": "no-cache"})
