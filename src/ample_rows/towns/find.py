"""Towns by the beginning of their name, the largest first."""

import heapq
import lzma
import unicodedata
from bisect import bisect_left
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from pathlib import Path

LIST = Path(__file__).with_name("towns.tsv.xz")
LEAST_LETTERS = 2
MOST_TOWNS = 8
# A town by what it is called elsewhere counts as this share of its people.
_KNOWN_ELSEWHERE = 0.02


@dataclass(frozen=True, slots=True)
class Town:
    """A town with its state and country, and where it lies. [degrees]"""

    name: str
    region: str
    latitude: float
    longitude: float


def plain(name: str) -> str:
    """A name as it is looked up: without accents, capitals and marks between its words."""
    letters = unicodedata.normalize("NFKD", name.casefold())
    kept = (c if c.isalnum() else " " for c in letters if not unicodedata.combining(c))
    return " ".join("".join(kept).split())


def find_towns(words: str) -> tuple[Town, ...]:
    """Towns whose name begins so, at most eight; after a comma, what their region begins with.

    None for a single letter, and none where the list was not built.
    """
    name, _, region = words.partition(",")
    begins, region = plain(name), plain(region)
    if len(begins) < LEAST_LETTERS:
        return ()
    text = _list()
    ranks: dict[Town, tuple[bool, float]] = {}
    for row in _from(text, begins):
        known_as, town, people = _read(row)
        if not known_as.startswith(begins):
            break
        if any(plain(part).startswith(region) for part in (town.region, *town.region.split(","))):
            its_own = plain(town.name).startswith(begins)
            rank = (known_as == begins, people if its_own else people * _KNOWN_ELSEWHERE)
            ranks[town] = max(rank, ranks.get(town, rank))
    return tuple(heapq.nlargest(MOST_TOWNS, ranks, key=lambda town: ranks[town]))


def _from(text: bytes, begins: str) -> Iterator[str]:
    """The rows of a sorted list from the first that could begin so."""

    def row_at(index: int) -> bytes:
        return _row(text, text.rfind(b"\n", 0, index) + 1)

    start = bisect_left(range(len(text)), begins.encode(), key=row_at)
    while start < len(text):
        row = _row(text, start)
        yield row.decode()
        start += len(row) + 1


def _row(text: bytes, start: int) -> bytes:
    end = text.find(b"\n", start)
    return text[start:] if end < 0 else text[start:end]


def _read(row: str) -> tuple[str, Town, int]:
    known_as, name, region, latitude, longitude, people = row.split("\t")
    return known_as, Town(name, region, float(latitude), float(longitude)), int(people)


@cache
def _list() -> bytes:
    return lzma.decompress(LIST.read_bytes()) if LIST.exists() else b""
