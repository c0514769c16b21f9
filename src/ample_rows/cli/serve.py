"""`start` and `demo`: the server on this machine's own address."""

import contextlib
import os
import shutil
import signal
import socket
import sys
import threading
import webbrowser
from pathlib import Path
from typing import Any

from ample_rows.api.door import TOKEN_NAME, Door, token_of
from ample_rows.cli.folders import base_folder, data_folder
from ample_rows.cli.log import log, open_log, programs
from ample_rows.cli.memory import keep_what_stands
from ample_rows.crops import load_book
from ample_rows.demo import keep_demo
from ample_rows.store import Database, GardenStore, StoreError
from ample_rows.store.folder import only_owner, prepare_folder, write_own
from ample_rows.store.keeper import Keeper

ADDRESS = "127.0.0.1"
DEFAULT_PORT = 8437
DEV_DATA = "AMPLE_DEV_DATA"
STOP_WITHIN_S = 3

SHARED = (
    "Another Ample Rows is running on this folder. Both work, and an edit made in one is refused "
    "in the other until its page is loaded again; it is simpler to use one."
)


def open_store(*, demo: bool, data: Path | None, reset: bool) -> GardenStore:
    """The store of a folder; a new demo gets its gardens and their record.

    Raises:
        StoreError: The folder or file cannot be used.
    """
    folder = data_folder(demo=demo, data=data)
    if demo and reset and folder.exists():
        _clear(folder)
    book = load_book()
    store = GardenStore(Database(folder), book)
    damage = store.database.check(quick=True)
    if demo and damage is None and not store.list() and not store.removed():
        keep_demo(store, book)
    return store


def _clear(folder: Path) -> None:
    """Empty the demo's folder; raises `StoreError` while a server runs on it."""
    with only_owner(folder) as alone:
        if not alone:
            raise StoreError("The demo is running. Stop it with Ctrl-C, then reset it.")
        shutil.rmtree(folder)


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
    folder = data_folder(demo=demo, data=data)
    try:
        prepare_folder(base_folder(data))
        store = open_store(demo=demo, data=data, reset=reset)
        door = Door(_token(folder, base_folder(data)))
    except (StoreError, OSError) as error:
        print(error, file=sys.stderr)
        return 1
    handler = open_log(folder)
    # Asked to end by the system, it ends as after Ctrl-C.
    signal.signal(signal.SIGTERM, signal.default_int_handler)
    with only_owner(folder) as alone:
        log.info("%s starts%s", programs(), "" if alone else "; another runs on this folder")
        if store.database.damage:
            log.error("the file is damaged")
        _greet(store, door, wanted, alone=alone)
        if browser and _has_browser():
            link = f"http://{ADDRESS}:{wanted}/open?key={door.link_once()}"
            threading.Timer(0.8, webbrowser.open, [link]).start()
        with contextlib.suppress(KeyboardInterrupt):
            _run(store, door, wanted, reload, [] if alone else [SHARED])
        store.database.close()
        log.info("stopped")
    handler.close()
    print(f"\nStopped. All is saved in {folder}", flush=True)
    return 0


def _token(folder: Path, base: Path) -> str:
    """The token of the data folder; the demo's folder within it has the same."""
    token = token_of(base)
    if folder != base:
        write_own(folder / TOKEN_NAME, token + "\n")
    return token


def _greet(store: GardenStore, door: Door, port: int, *, alone: bool) -> None:
    database = store.database
    print(
        f"Ample Rows is at http://{ADDRESS}:{port}/open?key={door.page_key}\n"
        f"Gardens are kept in {database.folder}\nCtrl-C stops.",
        flush=True,
    )
    if not alone:
        print(SHARED, file=sys.stderr, flush=True)
    if database.damage:
        newest = next(iter(database.backups.every()), None)
        backup = f" The newest backup is {newest.name}." if newest else ""
        print(
            f"The file {database.path} is damaged. Nothing is written to it; the page shows what "
            f"can still be read.{backup} `./ample restore FILE` brings one back and keeps the "
            "damaged file beside it.",
            file=sys.stderr,
            flush=True,
        )


def _run(store: GardenStore, door: Door, port: int, reload: bool, warnings: list[str]) -> None:
    import uvicorn

    from ample_rows.api.app import create_app
    from ample_rows.core.words.message import verbatim
    from ample_rows.wording import METRIC

    app: Any = create_app(store, load_book(), door)
    # The first who asks need not wait for the templates to be read.
    METRIC.say(verbatim(""))
    keep_what_stands()
    state = app.state
    state.warnings = warnings

    def warn(more: list[str]) -> None:
        for words in more:
            if words not in state.warnings:
                print(words, file=sys.stderr, flush=True)
        state.warnings = [*warnings, *more]

    keeper = Keeper(store, warn=warn)
    if reload:
        os.environ[DEV_DATA] = str(store.database.folder)
        app = "ample_rows.cli.serve:reloading_app"
    else:
        keeper.start()
    uvicorn.run(
        app,
        host=ADDRESS,
        port=port,
        log_config=None,
        access_log=False,
        factory=reload,
        reload=reload,
        timeout_graceful_shutdown=STOP_WITHIN_S,
    )
    keeper.stop()


def reloading_app() -> object:
    """The application for `./ample dev`, made anew at each reload."""
    from ample_rows.api.app import create_app

    folder = Path(os.environ[DEV_DATA])
    store = GardenStore(Database(folder), load_book())
    return create_app(store, load_book(), Door(token_of(folder)))


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
