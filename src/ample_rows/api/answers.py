"""Answers that are written out once, for all who ask for the same state."""

from collections import OrderedDict
from collections.abc import Awaitable, Callable

import anyio

from ample_rows.api.units import Saying

_MOST = 6
_Key = tuple[int, Saying]


class Answers:
    """The last few gardens as they were sent: by version, which no two states share, and by how
    they are said."""

    def __init__(self) -> None:
        self._by_version: OrderedDict[_Key, bytes] = OrderedDict()
        self._making: dict[_Key, anyio.Event] = {}

    async def once(
        self, version: int, saying: Saying, make: Callable[[], Awaitable[bytes]]
    ) -> bytes:
        """The answer for a version; whoever asks first makes it, and the others wait for it."""
        key = version, saying
        while key not in self._by_version:
            made = self._making.get(key)
            if made is not None:
                await made.wait()
                continue
            self._making[key] = made = anyio.Event()
            try:
                self._put(key, await make())
            finally:
                del self._making[key]
                made.set()
        return self._by_version[key]

    def _put(self, key: _Key, answer: bytes) -> None:
        self._by_version[key] = answer
        while len(self._by_version) > _MOST:
            self._by_version.popitem(last=False)
