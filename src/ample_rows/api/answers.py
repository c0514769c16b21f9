"""Answers that are written out once, for all who ask for the same state."""

from collections import OrderedDict
from collections.abc import Awaitable, Callable

import anyio

_MOST = 6


class Answers:
    """The last few gardens as they were sent, by version: no two states ever share one."""

    def __init__(self) -> None:
        self._by_version: OrderedDict[int, bytes] = OrderedDict()
        self._making: dict[int, anyio.Event] = {}

    async def once(self, version: int, make: Callable[[], Awaitable[bytes]]) -> bytes:
        """The answer for a version; whoever asks first makes it, and the others wait for it."""
        while version not in self._by_version:
            made = self._making.get(version)
            if made is not None:
                await made.wait()
                continue
            self._making[version] = made = anyio.Event()
            try:
                self._put(version, await make())
            finally:
                del self._making[version]
                made.set()
        return self._by_version[version]

    def _put(self, version: int, answer: bytes) -> None:
        self._by_version[version] = answer
        while len(self._by_version) > _MOST:
            self._by_version.popitem(last=False)
