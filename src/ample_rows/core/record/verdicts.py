"""Verdicts: what the grower made of a crop, to come back when the choice comes back."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from datetime import date
from typing import Literal, get_args

from ample_rows.core.book import Book
from ample_rows.core.record.entries import Entry

Verdict = Literal["keep", "drop", "more", "fewer", "never again"]
VERDICTS = get_args(Verdict)
_NOT_AGAIN = frozenset({"drop", "never again"})


@dataclass(frozen=True, slots=True)
class CropVerdict:
    """The last verdict on a crop, a place or a support: which of them, where it is one, and the
    words of whoever grew there."""

    day: date
    verdict: str | None
    text: str | None


def verdicts_of(entries: Iterable[Entry], book: Book) -> dict[str, CropVerdict]:
    """The last verdict on each crop, by id; one on a whole crop is one on its kinds, unless they
    have a later one of their own."""
    last: dict[str, CropVerdict] = {}
    told = [entry for entry in entries if entry.kind == "verdict" and entry.crop is not None]
    for entry in sorted(told, key=lambda entry: entry.day):
        kind = entry.quality if entry.quality in VERDICTS else None
        verdict = CropVerdict(entry.day, kind, entry.text)
        for crop in book.crops.values():
            if entry.crop in (crop.id, crop.variety_of):
                last[crop.id] = verdict
    return last


def place_verdicts(entries: Iterable[Entry]) -> dict[str, CropVerdict]:
    """The last verdict on each place as such, not on a crop or a support in it; by id."""
    return _last((e.place, e) for e in entries if e.crop is None and e.support is None)


def support_verdicts(entries: Iterable[Entry], place: str) -> dict[str, CropVerdict]:
    """The last verdict on each support of a place, by id."""
    return _last((e.support, e) for e in entries if e.place == place)


def _last(told: Iterable[tuple[str | None, Entry]]) -> dict[str, CropVerdict]:
    """The last verdict on each of the things that are named."""
    last: dict[str, CropVerdict] = {}
    of = [(name, entry) for name, entry in told if name is not None and entry.kind == "verdict"]
    for name, entry in sorted(of, key=lambda one: one[1].day):
        kind = entry.quality if entry.quality in VERDICTS else None
        last[name] = CropVerdict(entry.day, kind, entry.text)
    return last


def not_again(verdicts: Mapping[str, CropVerdict]) -> frozenset[str]:
    """Crops that the grower wants no more of."""
    return frozenset(crop for crop, found in verdicts.items() if found.verdict in _NOT_AGAIN)
