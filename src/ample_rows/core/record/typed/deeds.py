"""What a typed line says was done, and what its bare numbers are of."""

import re
from collections.abc import Sequence

from ample_rows.core.record.entries import LOST, Kind

KINDS: dict[str, Kind] = {
    **dict.fromkeys(("picked", "pick", "cut", "harvested", "lifted", "dug"), "picked"),
    **dict.fromkeys(("sown", "sowed", "sow"), "sown"),
    **dict.fromkeys(("up", "sprouted", "germinated"), "up"),
    **dict.fromkeys(("thinned", "singled"), "thinned"),
    **dict.fromkeys(("planted", "transplanted"), "set-out"),
    **dict.fromkeys(("tied", "staked"), "tied"),
    **dict.fromkeys(("fed", "feed"), "fed"),
    **dict.fromkeys(("watered", "water"), "watered"),
    **dict.fromkeys(("seen", "saw"), "seen"),
    **dict.fromkeys(("cleared", "pulled"), "cleared"),
    **dict.fromkeys(("added", "mulched", "composted", "topped"), "soil"),
    **dict.fromkeys(("note", "noted"), "note"),
    "verdict": "verdict",
}
COUNTED = frozenset({"sown", "up", "thinned", "set-out"})
# What has no kind of its own is told in words; its bare number is no weight.
_TOLD_IN_WORDS = frozenset(
    (
        *("left", "divided", "weeded", "hoed", "pruned", "pinched", "trained", "covered"),
        *("uncovered", "netted", "sprayed", "bought", "ordered", "moved", "turned", "swept"),
    )
)
_GONE = frozenset(("lost", "died", "dead", "gone", "missing", "failed"))
_EATEN = re.compile(r"\beaten by\b", re.I)
_QUALITIES: dict[str, str] = {
    **dict.fromkeys(("good", "best", "prime"), "good"),
    **dict.fromkeys(("fair", "usable", "seconds"), "fair"),
    **dict.fromkeys(("poor", "spoilt", "spoiled", "waste"), "poor"),
}


def kind_said(words: Sequence[str]) -> Kind | None:
    """What was done, by the first word that says it; None where none does."""
    return next((KINDS[word.lower()] for word in words if word.lower() in KINDS), None)


def tells_of_loss(text: str, words: Sequence[str]) -> bool:
    """Whether a line tells that plants are gone."""
    return any(word.lower() in _GONE for word in words) or _EATEN.search(text) is not None


def of_a_number(kind: Kind | None, words: Sequence[str], unit: str, *, loss: bool) -> str | None:
    """What a bare number is of: plants come up or are lost, what was picked is weighed; else it
    belongs to the words."""
    if kind in COUNTED or (loss and kind in (None, "seen")):
        return "plants"
    if kind is None and any(word.lower() in _TOLD_IN_WORDS for word in words):
        return None
    return unit if kind in (None, "picked") else None


def quality_said(words: Sequence[str]) -> tuple[str | None, list[str]]:
    """How good a picking was, in one word of three, and the words without it."""
    said = next((word for word in words if word.lower() in _QUALITIES), None)
    if said is None:
        return None, list(words)
    return _QUALITIES[said.lower()], [word for word in words if word != said]


def loss_told(words: Sequence[str]) -> tuple[str, list[str]]:
    """The quality of what is lost, and the words that say how."""
    return LOST, [word for word in words if word.lower() != LOST]
