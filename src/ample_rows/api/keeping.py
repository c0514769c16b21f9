"""Routes of how gardens are kept: backups, what was deleted, and the state of the file."""

from dataclasses import dataclass
from typing import Annotated

from fastapi import APIRouter, Request, Response
from fastapi.responses import FileResponse
from pydantic import BaseModel, ConfigDict

from ample_rows.api.gardens import STATE, Computed, Seen, Store
from ample_rows.api.gate import one_at_a_time
from ample_rows.api.problems import RESPONSES
from ample_rows.api.state import garden_response
from ample_rows.store import Backup, Head, KeptGarden, Removed, gardens_in, restore
from ample_rows.store.salvage import readable_zip

router = APIRouter(prefix="/api", tags=["keeping"], responses=RESPONSES)


@dataclass(frozen=True)
class Keeping:
    """How the gardens are kept: backups, the newest first, what was deleted, and what is wrong."""

    folder: str
    backups: list[Backup]
    removed: list[Removed]
    damage: str | None
    warnings: list[str]


class RestoreRequest(BaseModel):
    """One garden of a backup by its address there, or all of them."""

    model_config = ConfigDict(extra="forbid")

    garden: str | None = None


@router.get("/keeping")
def keeping(request: Request, store: Store) -> Keeping:
    """Backups, deleted gardens, and what is wrong with the file, if anything is."""
    database = store.database
    return Keeping(
        folder=str(database.folder),
        backups=database.backups.every(),
        removed=[] if database.damage else list(store.removed()),
        damage=database.damage,
        warnings=list(getattr(request.app.state, "warnings", [])),
    )


@router.post("/backups", status_code=201)
def make_backup(store: Store) -> Backup:
    """Make a backup now."""
    return store.database.backups.make("asked")


@router.get("/backups/{name}", response_class=FileResponse)
def download_backup(name: str, store: Store) -> FileResponse:
    """A backup as a file of its own."""
    path = store.database.backups.path(name)
    return FileResponse(path, media_type="application/vnd.sqlite3", filename=name)


@router.get("/backups/{name}/gardens")
def gardens_of_backup(name: str, store: Store) -> list[KeptGarden]:
    """The gardens that a backup holds."""
    return gardens_in(store.database.backups.path(name))


@router.post("/backups/{name}/restore")
def restore_backup(name: str, asked: RestoreRequest, store: Store) -> list[Head]:
    """Bring gardens back beside those that are there; nothing that is there is changed."""
    path = store.database.backups.path(name)
    return [store.head(slug) for slug in restore(store.database, path, asked.garden)]


@router.post("/removed/{slug}/put-back", responses=STATE)
def put_back(slug: str, store: Store, estimates: Computed) -> Response:
    """Bring back a garden that was deleted."""
    return garden_response(store.put_back(slug), estimates)


@router.delete("/removed/{slug}", status_code=204)
def purge(slug: str, version: Seen, store: Store) -> None:
    """Delete for good a garden that waits to be."""
    store.purge(slug, version)


@router.get(
    "/readable.zip",
    response_class=Response,
    responses={200: {"content": {"application/zip": {}}}},
)
def readable(store: Store, _: Annotated[None, one_at_a_time]) -> Response:
    """Every garden that can be read, each as a plan document, whatever became of the file."""
    return Response(
        readable_zip(store.database.path),
        media_type="application/zip",
        headers={"content-disposition": 'attachment; filename="gardens.zip"'},
    )
