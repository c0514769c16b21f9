"""A verdict as it is typed: on a crop, a bed or what stands on it — "net South bed never again:
tore in the wind"."""

import re
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.record.entries import Entry
from ample_rows.core.record.typed.words import as_typed, stems
from ample_rows.core.record.verdicts import Verdict
from ample_rows.core.words.message import Message, clauses, message

_VERDICTS: dict[str, Verdict] = {
    **dict.fromkeys(("keep", "again"), "keep"),
    "drop": "drop",
    "more": "more",
    **dict.fromkeys(("fewer", "less"), "fewer"),
    "never": "never again",
}
_OUTRIGHT = re.compile(r"\bnever again\b", re.I)


def is_outright(text: str) -> bool:
    """Whether a line is a verdict although it does not say so: "never again" is nothing else."""
    return _OUTRIGHT.search(text) is not None


@dataclass(frozen=True, slots=True)
class OnWhat:
    """What a verdict is on: a crop, or a place, or a support of the place; and the words of it
    that are left."""

    crop: str | None
    place: p.Place | None
    support: p.Support | None
    words: tuple[str, ...]


def on_what(words: Sequence[str], crop: str | None, place: p.Place | None, book: Book) -> OnWhat:
    """A crop goes before a bed: it is on the crop, not on one of its plantings. A support of the
    bed is known by the name of its system, before the verdict.

    Args:
        words: Those that are part of no crop's and no place's name.
        crop: The one that is named.
    """
    if crop is not None:
        return OnWhat(crop, None, None, tuple(words))
    said = {word: stems(word) for word in words}
    head = stems(*words[: first_verdict(words)])
    for support in place.supports if place else ():
        called = stems(support.system, book.trainings[support.system].label)
        if head & called:
            rest = tuple(word for word, stem in said.items() if not stem <= called)
            return OnWhat(None, place, support, rest)
    return OnWhat(None, place, None, tuple(words))


def verdict_entry(
    on: OnWhat, line: str, book: Book, *, day: date, ident: str
) -> tuple[Entry | None, Message]:
    """The entry, and how it is said back; no entry where nothing is said, or of nothing."""
    if on.crop is None and on.place is None:
        return None, message("typed-verdict-on-nothing")
    if not on.words:
        return None, message("typed-verdict-empty")
    quality, rest = _verdict(on.words)
    text = as_typed(line, rest)
    entry = Entry(
        id=ident,
        day=day,
        kind="verdict",
        crop=on.crop,
        place=None if on.place is None else on.place.id,
        support=None if on.support is None else on.support.id,
        quality=quality,
        text=text,
    )
    names = [
        None if on.crop is None else book.crops[on.crop].name,
        None if on.support is None else book.trainings[on.support.system].label,
        None if on.place is None else on.place.label,
    ]
    kind = message("typed-kind", kind="verdict")
    first, *others = [name for name in names if name is not None]
    return entry, clauses(
        message("typed-done", done=kind, crop=first),
        *(message("verbatim", text=other) for other in others),
        None if quality is None else message("verbatim", text=quality),
        None if text is None else message("typed-text", text=text),
        message("typed-day", day=day),
    )


def first_verdict(words: Sequence[str]) -> int | None:
    """Where among some words the verdict stands."""
    return next((at for at, word in enumerate(words) if word.lower() in _VERDICTS), None)


def _verdict(words: Sequence[str]) -> tuple[Verdict | None, Sequence[str]]:
    """What is said in one word, and why. Words that begin with the verdict go on with the
    reason; "never again" is said by its first."""
    at = first_verdict(words)
    if at is None:
        return None, words
    small = [word.lower() for word in words[at : at + 2]]
    length = 2 if small == ["never", "again"] else 1
    return _VERDICTS[small[0]], words[length:] if at == 0 else words
