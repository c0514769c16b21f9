"""Hardship in measured doses: a short form with every run, the whole with `--long`."""

import multiprocessing
import threading
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from multiprocessing.process import BaseProcess
from typing import Any

import pytest

FORK = multiprocessing.get_context("fork")


@pytest.fixture
def times(long_run: bool) -> Callable[[int, int], int]:
    """How often to do something: `times(short, long)`."""
    return lambda short, long: long if long_run else short


@contextmanager
def started(work: Callable[..., None], *args: Any) -> Iterator[BaseProcess]:
    """Work in a process of its own; waited for at the end."""
    process = FORK.Process(target=work, args=args)
    process.start()
    try:
        yield process
    finally:
        process.join()


def kill_after(seconds: float, process: BaseProcess) -> threading.Timer:
    """Kill a process outright after a while, wherever it is."""
    timer = threading.Timer(seconds, process.kill)
    timer.start()
    return timer
