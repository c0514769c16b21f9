"""Filling a garden in a process of its own: the server stays quick meanwhile, whoever goes away
stops it at once, and its memory goes back with it."""

import multiprocessing
import signal
import traceback
from collections.abc import AsyncIterator
from dataclasses import dataclass
from functools import cache
from multiprocessing.connection import Connection
from multiprocessing.context import BaseContext

from anyio import CancelScope, to_thread
from pydantic import TypeAdapter

from ample_rows.api.estimates import Estimates
from ample_rows.api.units import Saying
from ample_rows.core.ask.fill.filling import Limits, stages
from ample_rows.core.ask.fill.offered import OfferedPlan, offered_by
from ample_rows.core.ask.fill.settled import WHOLE, Scope
from ample_rows.core.plan import Plan
from ample_rows.core.words.message import rendered_by
from ample_rows.crops import load_book
from ample_rows.wording import renderer_for

_ASKED_EACH_S = 0.2
_FAULT = b"!"
_OFFERED = TypeAdapter(OfferedPlan)


@dataclass(frozen=True)
class Task:
    """A plan to fill, how long to look for better, and how to say what is found. [s]"""

    plan: Plan
    saying: Saying
    seconds: float
    scope: Scope = WHOLE


async def found_by(task: Task) -> AsyncIterator[bytes]:
    """The best plan so far as a line of JSON, each time that it is better or more is proven.

    Raises:
        RuntimeError: The work failed by a fault of the program.
    """
    context = _context()
    ours, theirs = context.Pipe(duplex=False)
    process = context.Process(target=_work, args=(theirs, task), daemon=True)  # type: ignore[attr-defined]
    try:
        await to_thread.run_sync(process.start)
        theirs.close()
        while (line := await to_thread.run_sync(_received, ours)) is not None:
            if line.startswith(_FAULT):
                raise RuntimeError(line[len(_FAULT) :].decode())
            if line:
                yield line + b"\n"
    finally:
        if process.pid is not None:
            process.kill()
            with CancelScope(shield=True):
                await to_thread.run_sync(process.join)
        ours.close()


def _received(pipe: Connection) -> bytes | None:
    """What came next; empty where nothing did for a while, None at the end."""
    try:
        return pipe.recv_bytes() if pipe.poll(_ASKED_EACH_S) else b""
    except EOFError:
        return None


@cache
def _context() -> BaseContext:
    """Processes that begin with the book read already, where the system can."""
    if "forkserver" not in multiprocessing.get_all_start_methods():
        return multiprocessing.get_context("spawn")
    context = multiprocessing.get_context("forkserver")
    context.set_forkserver_preload(["ample_rows.api.fill_ready"])
    return context


@cache
def read_book() -> Estimates:
    """The book, and what is worked out by it; read once in a process."""
    return Estimates(load_book())


def _work(pipe: Connection, task: Task) -> None:
    # Ctrl-C is for the server, which stops this.
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    try:
        estimate = read_book().of(0, task.plan)
        limits = Limits(seconds=task.seconds)
        with rendered_by(renderer_for(*task.saying)):
            for stage in stages(estimate, task.scope, limits=limits):
                line = _OFFERED.dump_json(offered_by(stage, estimate), exclude_unset=True)
                pipe.send_bytes(line)
    except BrokenPipeError:
        # Whoever asked is gone.
        pass
    except Exception:
        pipe.send_bytes(_FAULT + traceback.format_exc().encode())
