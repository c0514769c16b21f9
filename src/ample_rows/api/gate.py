"""How much is reckoned at once: the rest waits its turn, or is told when to come back."""

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from typing import Annotated, cast

import anyio
from fastapi import Depends, Request


class BusyError(RuntimeError):
    """There is too much to do at the moment; nothing was begun."""

    retry_after_s = 2

    def __init__(self) -> None:
        super().__init__("Too much is being calculated at the moment. Try again in a few seconds.")


class Gate:
    """Lets so many through at once; of the rest so many wait, each for a while."""

    def __init__(self, *, at_once: int, most_waiting: int, wait_s: float) -> None:
        self._slots = anyio.Semaphore(at_once)
        self._most_waiting = most_waiting
        self._wait_s = wait_s

    @asynccontextmanager
    async def turn(self) -> AsyncIterator[None]:
        """Wait for a turn and hold it. Raises `BusyError` where it would not come in time."""
        if self._slots.value == 0 and self._slots.statistics().tasks_waiting >= self._most_waiting:
            raise BusyError
        with anyio.move_on_after(self._wait_s) as waited:
            await self._slots.acquire()
        if waited.cancelled_caught:
            raise BusyError
        try:
            yield
        finally:
            self._slots.release()


class Gates:
    """The gates of a server: for what an edit or a screen asks, for heavy questions, and for the
    filling of a garden, which goes on for as long as it is looked at."""

    def __init__(self) -> None:
        self.common = Gate(at_once=2, most_waiting=64, wait_s=20.0)
        self.heavy = Gate(at_once=1, most_waiting=12, wait_s=2.0)
        self.fills = Gate(at_once=1, most_waiting=4, wait_s=3.0)


def _gates(request: Request) -> Gates:
    return cast(Gates, request.app.state.gates)


async def _common(gates: Annotated[Gates, Depends(_gates)]) -> AsyncIterator[None]:
    async with gates.common.turn():
        yield


async def _heavy(gates: Annotated[Gates, Depends(_gates)]) -> AsyncIterator[None]:
    async with gates.heavy.turn():
        yield


async def one_fill_at_a_time(gates: Annotated[Gates, Depends(_gates)]) -> AsyncIterator[None]:
    async with gates.fills.turn():
        yield


# Left as soon as the figures are there, not when the last byte of them was fetched.
in_turn = Depends(_common, scope="function")
one_at_a_time = Depends(_heavy, scope="function")
