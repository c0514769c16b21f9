"""The words of a typed line: what they are read by, and how they are kept."""

import re
from collections.abc import Collection
from functools import lru_cache

_WORD = re.compile(r"[A-Z]{1,3}\d+|[^\W\d_]+(?:['’-][^\W\d_]+)*")
_LITTLE = frozenset(("the", "in", "of", "from", "on", "at", "and", "a", "out", "by", "to"))
# A number that is left in a line is told with its words: "30 L", "-3 °C".
_NUMBER = r"(?:(?<!\w)[-−])?\d+(?:[.,]\d+)?"
_KEPT = re.compile(rf"{_WORD.pattern}|{_NUMBER}")


def words_of(text: str) -> list[str]:
    """The words of a line that name or tell something."""
    return [word for word in _WORD.findall(text) if word.lower() not in _LITTLE]


def as_typed(text: str, kept: Collection[str]) -> str | None:
    """So many words of a line as they were typed: with the little words and the signs between
    those that stand together; None where none is kept."""
    parts: list[str] = []
    end = -1
    for found in _KEPT.finditer(text):
        word = found.group()
        if word in kept or not word[0].isalpha():
            between = text[end : found.start()]
            parts += [between if end >= 0 else " " if parts else "", word]
            end = found.end()
        elif word.lower() not in _LITTLE:
            end = -1
    return re.sub(r"\s+", " ", "".join(parts)).strip() or None


def stems(*names: str) -> set[str]:
    """The words of some names without their plurals."""
    return {stem for name in names for stem in _stems_of(name)}


@lru_cache(maxsize=4096)
def _stems_of(name: str) -> frozenset[str]:
    return frozenset(stem(word) for word in _WORD.findall(name))


def stem(word: str) -> str:
    """A word without its plural: beans, tomatoes, berries."""
    small = word.lower().replace("’", "'")
    for ending, rest in (("ies", "y"), ("oes", "o"), ("ches", "ch"), ("ss", "ss"), ("s", "")):
        if small.endswith(ending) and len(small) > len(ending) + 2:
            return small[: -len(ending)] + rest
    return small
