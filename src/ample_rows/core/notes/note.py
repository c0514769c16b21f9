"""A margin note, and what can be pressed to mend what it says."""

from dataclasses import dataclass
from typing import Literal

from ample_rows.core.edits import Edit
from ample_rows.core.words.message import Message

Level = Literal["stop", "care", "tip"]


@dataclass(frozen=True, slots=True, kw_only=True)
class Fix:
    """Something to press: words, and the edit that it makes."""

    label: Message
    edit: Edit


@dataclass(frozen=True, slots=True, kw_only=True)
class Note:
    """A margin note: a fault, a caution or a tip, with its cause and what would mend it."""

    level: Level
    code: str
    place: str | None
    planting: str | None
    text: Message
    fix: Message | None
    fixes: tuple[Fix, ...] = ()
    cells: tuple[str, ...] = ()


def of_garden(level: Level, code: str, text: Message, fix: Message | None) -> Note:
    """A note on the garden as a whole, of no place and no planting."""
    return Note(level=level, code=code, place=None, planting=None, text=text, fix=fix)
