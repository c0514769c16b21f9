"""How a server bears many at once: readers with writers, heavy questions, labels, memory.

The server runs in a process of its own, started as the command starts it; the clients are
tasks of this one, each with a connection that it keeps.
"""

import asyncio
import contextlib
import json
import socket
import statistics
import subprocess
import sys
import tempfile
import time
from collections.abc import AsyncIterator, Iterator
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from ample_rows.cli.bench.rows import Row

READERS, WRITERS, ASKING = 50, 5, 50
GARDEN = "/api/gardens/lantern-court"
_SHORT_S, _LONG_S = 10.0, 60.0
_SHORT_EDITS, _LONG_EDITS = 1_500, 4_000


@dataclass(frozen=True)
class Address:
    """Where a server listens, and what a script shows it."""

    port: int
    token: str
    pid: int


@dataclass
class Client:
    """One connection that is kept, and the times of its answers. [ms]"""

    at: Address
    times_ms: list[float] = field(default_factory=list)
    statuses: list[int] = field(default_factory=list)
    reader: asyncio.StreamReader | None = None
    writer: asyncio.StreamWriter | None = None

    async def ask(self, method: str, path: str, body: object = None) -> tuple[int, bytes]:
        """One question and its whole answer, timed."""
        if self.reader is None or self.writer is None:
            self.reader, self.writer = await asyncio.open_connection("127.0.0.1", self.at.port)
        sent = b"" if body is None else json.dumps(body).encode()
        head = (
            f"{method} {path} HTTP/1.1\r\nHost: 127.0.0.1\r\n"
            f"Authorization: Bearer {self.at.token}\r\n"
            f"Content-Type: application/json\r\nContent-Length: {len(sent)}\r\n\r\n"
        )
        began = time.perf_counter()
        self.writer.write(head.encode() + sent)
        lines = (await self.reader.readuntil(b"\r\n\r\n")).decode().lower()
        length = int(lines.split("content-length: ")[1].split("\r\n")[0])
        answer = await self.reader.readexactly(length)
        self.times_ms.append((time.perf_counter() - began) * 1000)
        self.statuses.append(int(lines.split(" ")[1]))
        return self.statuses[-1], answer

    def close(self) -> None:
        if self.writer is not None:
            self.writer.close()


@contextlib.contextmanager
def started() -> Iterator[Address]:
    """The demo as its command starts it, in a folder of its own."""
    with tempfile.TemporaryDirectory() as folder, socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
        probe.close()
        command = [sys.executable, "-m", "ample_rows", "demo", "--data", folder]
        command += ["--port", str(port), "--no-browser"]
        process = subprocess.Popen(command, stdout=subprocess.DEVNULL)
        try:
            while True:
                with contextlib.suppress(OSError), socket.create_connection(("127.0.0.1", port)):
                    break
                time.sleep(0.05)
            token = (Path(folder) / "token").read_text().strip()
            yield Address(port, token, process.pid)
        finally:
            process.terminate()
            process.wait()


@contextlib.asynccontextmanager
async def clients(at: Address, count: int) -> AsyncIterator[list[Client]]:
    made = [Client(at) for _ in range(count)]
    yield made
    for client in made:
        client.close()


def load_rows(*, long: bool) -> list[Row]:
    """Every figure of a server under load."""
    with started() as at:
        return asyncio.run(_rows(at, long=long))


async def _rows(at: Address, *, long: bool) -> list[Row]:
    one = Client(at)
    await one.ask("GET", GARDEN)
    rows = [await _labels(one), *await _read_and_write(at, _LONG_S if long else _SHORT_S)]
    rows += await _pantries(at)
    rows.append(await _memory(at, _LONG_EDITS if long else _SHORT_EDITS))
    one.close()
    return rows


async def _labels(client: Client) -> Row:
    for _ in range(4):
        status, _answer = await client.ask("GET", f"{GARDEN}/labels.pdf")
        assert status == 200, "labels are answered"
    return Row(
        "labels of the demo", statistics.median(client.times_ms[-3:]), "ms", 1000, "HTTP, PDF"
    )


async def _read_and_write(at: Address, seconds: float) -> list[Row]:
    """Readers of the demo garden while writers edit it, each as fast as it is answered."""
    until = time.monotonic() + seconds

    async def read(client: Client) -> None:
        while time.monotonic() < until:
            await client.ask("GET", GARDEN)

    async def write(client: Client, planting: str) -> None:
        version, number = 0, 0
        while time.monotonic() < until:
            number += 1
            edit = {"do": "change-planting", "id": planting, "changes": {"x-count": number}}
            body = {"version": version, "edit": edit}
            status, answer = await client.ask("POST", f"{GARDEN}/edits", body)
            answered = json.loads(answer)
            version = answered["head"]["version"] if status == 200 else answered["version"]

    async with clients(at, READERS) as readers, clients(at, WRITERS) as writers:
        await asyncio.gather(
            *(read(reader) for reader in readers),
            *(write(writer, f"p{index + 1}") for index, writer in enumerate(writers)),
        )
        times = sorted(t for reader in readers for t in reader.times_ms)
        wrong = [s for c in readers for s in c.statuses if s != 200]
        wrong += [s for c in writers for s in c.statuses if s not in (200, 409)]
        edits = sum(status == 200 for c in writers for status in c.statuses)
    how = f"{len(times) / seconds:.0f} reads and {edits / seconds:.0f} edits a second"
    return [
        Row("50 readers and 5 writers, read p95", _p95(times), "ms", 500, how),
        Row("answers that were neither", float(len(wrong)), "", 0, "of those, other than wanted"),
    ]


async def _pantries(at: Address) -> list[Row]:
    """Fifty pantries asked for at once, after an edit, and a small request meanwhile."""
    async with clients(at, ASKING) as askers, clients(at, 1) as small:
        version = json.loads((await small[0].ask("GET", GARDEN))[1])["head"]["version"]
        change = {"do": "change-planting", "id": "p3", "changes": {"x-count": -1}}
        await small[0].ask("POST", f"{GARDEN}/edits", {"version": version, "edit": change})
        asked = asyncio.gather(*(c.ask("GET", f"{GARDEN}/pantry") for c in askers))
        begun = len(small[0].times_ms)
        while not asked.done():
            await small[0].ask("GET", "/api/gardens")
            await asyncio.sleep(0.02)
        await asked
        worst = max(t for c in askers for t in c.times_ms)
        answered = sum(s == 200 for c in askers for s in c.statuses)
        meanwhile = max(small[0].times_ms[begun:], default=0.0)
    how = f"{answered} answered, {ASKING - answered} told to wait"
    return [
        Row("50 pantries at once, slowest", worst, "ms", 3000, how),
        Row("a small request meanwhile, slowest", meanwhile, "ms", 300, "list of gardens"),
    ]


async def _memory(at: Address, edits: int) -> Row:
    """What memory grows by over the last third of many edits, each of another place's content."""
    async with clients(at, 1) as (client,):
        version = json.loads((await client.ask("GET", GARDEN))[1])["head"]["version"]
        held: list[float] = []
        for number in range(edits):
            changes = {"start_date": f"2027-04-{1 + number % 28:02d}", "x-count": number}
            edit = {"do": "change-planting", "id": "p3", "changes": changes}
            body = {"version": version, "edit": edit}
            _, answer = await client.ask("POST", f"{GARDEN}/edits", body)
            version = json.loads(answer)["head"]["version"]
            if number % 25 == 0:
                held.append(_resident_mb(at.pid))
    third = len(held) // 3
    before, after = statistics.median(held[third : 2 * third]), statistics.median(held[2 * third :])
    how = f"{edits} edits; {after:.0f} MB at the end"
    return Row("memory over the last third", 100 * (after / before - 1), "%", 5, how)


def _resident_mb(pid: int) -> float:
    """Memory that a process holds; 0 where the system does not tell."""
    status = Path(f"/proc/{pid}/status")
    lines: list[Any] = status.read_text().splitlines() if status.exists() else []
    resident = [line.split()[1] for line in lines if line.startswith("VmRSS")]
    return int(resident[0]) / 1024 if resident else 0.0


def _p95(times: list[float]) -> float:
    return times[int(len(times) * 0.95)] if times else 0.0
