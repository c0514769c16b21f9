"""What a running server does for its file: daily backups and checks, and emptying the bin."""

import logging
import threading
import time
from collections.abc import Callable
from datetime import timedelta

from ample_rows.store.errors import StorageError, StoreError
from ample_rows.store.gardens import GardenStore

EVERY_S = 3600.0
FIRST_AFTER_S = 2.0
CHECK_EVERY = timedelta(days=1)

log = logging.getLogger("ample_rows.keeper")


class Keeper:
    """Looks after a store from a thread of its own, until it is stopped."""

    def __init__(self, store: GardenStore, *, warn: Callable[[list[str]], None]) -> None:
        self._store = store
        self._warn = warn
        self._stop = threading.Event()
        self._thread = threading.Thread(target=self._run, name="keeper", daemon=True)
        self._checked_s: float | None = None

    def start(self) -> None:
        self._thread.start()

    def stop(self) -> None:
        self._stop.set()
        self._thread.join(timeout=5)

    def look_after(self) -> list[str]:
        """Do what is due now; returns what is wrong, in a sentence each."""
        database = self._store.database
        if self._due():
            damage = database.check()
            self._checked_s = time.monotonic()
            if damage:
                log.error("the file is damaged")
        # Looked at before today's backup is made: what was missing till now is told.
        troubles = database.backups.troubles()
        if database.damage:
            return troubles
        try:
            purged = self._store.purge_old()
            made = database.backups.make_daily()
            if purged or made:
                log.info("%d deleted for good; backup: %s", purged, made.name if made else "none")
        except (StorageError, StoreError) as error:
            log.warning("no backup could be made")
            return [f"No backup could be made. {error}", *troubles]
        return troubles

    def _due(self) -> bool:
        since = None if self._checked_s is None else time.monotonic() - self._checked_s
        return since is None or since >= CHECK_EVERY.total_seconds()

    def _run(self) -> None:
        wait_s = FIRST_AFTER_S
        while not self._stop.wait(wait_s):
            wait_s = EVERY_S
            try:
                self._warn(self.look_after())
            except Exception as error:
                log.error("looking after the file failed: %s", type(error).__name__)
