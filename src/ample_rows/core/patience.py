"""When to give up: long work asks now and then whether anyone still waits for it."""

import contextlib
from collections.abc import Callable, Iterator
from contextvars import ContextVar


class GivenUpError(RuntimeError):
    """Work was stopped because nobody waits for it any longer; nothing came of it."""


def _never() -> bool:
    return False


_asked_to_stop: ContextVar[Callable[[], bool]] = ContextVar("asked_to_stop", default=_never)


@contextlib.contextmanager
def until(asked_to_stop: Callable[[], bool]) -> Iterator[None]:
    """Let the work within, in this thread or task, be stopped from outside."""
    outer = _asked_to_stop.get()
    before = _asked_to_stop.set(lambda: outer() or asked_to_stop())
    try:
        yield
    finally:
        _asked_to_stop.reset(before)


def carry_on() -> None:
    """Raise `GivenUpError` where the work has been asked to stop; called within long loops."""
    if _asked_to_stop.get()():
        raise GivenUpError
