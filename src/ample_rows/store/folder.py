"""The data folder: made for its owner alone, writable, and held by one server."""

import contextlib
import os
from collections.abc import Iterator
from pathlib import Path

from ample_rows.store.errors import StoreError

OWNER_FOLDER = 0o700
OWNER_FILE = 0o600
LOCK_NAME = "in-use.lock"


def prepare_folder(folder: Path) -> None:
    """Make a folder that only its owner can enter, and see that it can be written.

    Raises:
        StoreError: It cannot be made or written.
    """
    try:
        folder.mkdir(parents=True, exist_ok=True)
        _restrict(folder, OWNER_FOLDER)
        probe = folder / f".writable-{os.getpid()}"
        probe.touch()
        probe.unlink(missing_ok=True)
    except OSError as error:
        raise StoreError(
            f"The data folder {folder} cannot be written ({error.strerror}). "
            "Choose another with --data DIR, or change its permissions."
        ) from error


def own_file(path: Path) -> None:
    """Let only the owner read and write a file."""
    _restrict(path, OWNER_FILE)


def write_own(path: Path, content: str | bytes) -> None:
    """Write a file that only the owner can read, whole or not at all."""
    part = path.with_name(f".{path.name}.{os.getpid()}.part")
    descriptor = os.open(part, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, OWNER_FILE)
    with os.fdopen(descriptor, "wb") as file:
        file.write(content.encode() if isinstance(content, str) else content)
        file.flush()
        os.fsync(file.fileno())
    part.replace(path)


def _restrict(path: Path, mode: int) -> None:
    # Some disks keep no permissions; what lies there is as open as the disk is.
    with contextlib.suppress(OSError):
        path.chmod(mode)


@contextlib.contextmanager
def only_owner(folder: Path) -> Iterator[bool]:
    """Hold a folder while a server runs on it.

    Yields:
        Whether no other server holds it. Where one does, both still work: every edit
        names the version that it was made on, and every write takes the file's own lock.
    """
    with (folder / LOCK_NAME).open("a+", encoding="utf-8") as file:
        own_file(folder / LOCK_NAME)
        yield _locked(file.fileno())


def _locked(descriptor: int) -> bool:
    try:
        import fcntl
    except ImportError:
        return _locked_on_windows(descriptor)
    try:
        fcntl.flock(descriptor, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        return False
    return True


def _locked_on_windows(descriptor: int) -> bool:
    import msvcrt

    try:
        msvcrt.locking(descriptor, msvcrt.LK_NBLCK, 1)  # type: ignore[attr-defined]
    except OSError:
        return False
    return True
