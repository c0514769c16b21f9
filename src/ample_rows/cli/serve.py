"""`start` and `demo`: the server on this machine's own address."""

import contextlib
import os
import shutil
import socket
import sys
import threading
import webbrowser
from pathlib import Path
from typing import Any

import platformdirs

from ample_rows.crops import load_book
from ample_rows.demo import demo_plans
from ample_rows.store import Database, GardenStore, StoreError

ADDRESS = "127.0.0.1"
DEFAULT_PORT = 8437
DEMO_FOLDER = "demo"
DEV_DATA = "AMPLE_DEV_DATA"


def data_folder(*, demo: bool, data: Path | None) -> Path:
    """Where gardens are kept: the platform's place or the one given; the demo's apart."""
    base = data or Path(platformdirs.user_data_dir("ample-rows", appauthor=False))
    return base / DEMO_FOLDER if demo else base


def open_store(*, demo: bool, data: Path | None, reset: bool) -> GardenStore:
    """The store of a folder; a new demo gets its gardens.

    Raises:
        StoreError: The folder or file cannot be used.
    """
    folder = data_folder(demo=demo, data=data)
    if demo and reset and folder.exists():
        shutil.rmtree(folder)
    book = load_book()
    store = GardenStore(Database(folder), book)
    if demo and not store.list():
        for plan in demo_plans(book):
            store.create(plan)
    return store


def serve(
    *, demo: bool, port: int | None, data: Path | None, browser: bool, reset: bool, reload: bool
) -> int:
    """Run the server until it is stopped; returns the exit status."""
    wanted = port or DEFAULT_PORT
    if not _free(wanted):
        print(
            f"Port {wanted} is taken by another program. Choose another: --port {wanted + 1}",
            file=sys.stderr,
        )
        return 1
    try:
        store = open_store(demo=demo, data=data, reset=reset)
    except StoreError as error:
        print(error, file=sys.stderr)
        return 1
    folder = data_folder(demo=demo, data=data)
    address = f"http://{ADDRESS}:{wanted}/"
    print(f"Ample Rows is at {address}\nGardens are kept in {folder}\nCtrl-C stops.", flush=True)
    if browser and _has_browser():
        threading.Timer(0.8, webbrowser.open, [address]).start()
    with contextlib.suppress(KeyboardInterrupt):
        _run(store, folder, wanted, reload)
    print(f"\nStopped. All is saved in {folder}", flush=True)
    return 0


def _run(store: GardenStore, folder: Path, port: int, reload: bool) -> None:
    import uvicorn

    from ample_rows.api.app import create_app

    app: Any = create_app(store, load_book())
    if reload:
        os.environ[DEV_DATA] = str(folder)
        app = "ample_rows.cli.serve:reloading_app"
    uvicorn.run(app, host=ADDRESS, port=port, log_level="warning", factory=reload, reload=reload)


def reloading_app() -> object:
    """The application for `./ample dev`, made anew at each reload."""
    from ample_rows.api.app import create_app

    store = GardenStore(Database(Path(os.environ[DEV_DATA])), load_book())
    return create_app(store, load_book())


def _free(port: int) -> bool:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((ADDRESS, port))
        except OSError:
            return False
    return True


def _has_browser() -> bool:
    """Whether there is a screen to open a page on."""
    if sys.platform in ("darwin", "win32"):
        return True
    return bool(os.environ.get("DISPLAY") or os.environ.get("WAYLAND_DISPLAY"))
