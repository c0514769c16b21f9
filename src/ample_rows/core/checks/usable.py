"""What of a kept plan can be used: the rest is cut out and set aside, whole, with the reason.

A crop may leave the book and a rule may be tightened after a plan was kept. Such a plan still
opens: each part with a fault is taken out at the smallest piece that can be done without.
"""

import copy
from collections.abc import Callable
from typing import Any

from ample_rows.core.plan.reading import Fault, is_readable_number
from ample_rows.core.words.message import said

Document = dict[str, Any]
Place = tuple[str | int, ...]

_KEY = "set_aside"
_NOTHING = object()
# What no plan can do without, in place of a value that cannot be used.
_STAND_INS: Document = {
    "format": "ample-rows/plan",
    "version": 1,
    "garden": {
        "name": "Garden",
        "latitude": 50.0,
        "longitude": 0.0,
        "last_frost": "2027-04-25",
        "first_frost": "2027-10-20",
    },
}

# What is judged beside another value: where standing in for one does not help, both are.
_BESIDE: dict[Place, Place] = {("garden", "first_frost"): ("garden", "last_frost")}


def usable_document(document: Document, faults_of: Callable[[Document], list[Fault]]) -> Document:
    """A document without the parts that cannot be used; those stand under `set_aside`.

    Args:
        faults_of: The faults of a document, each with its path; none when it can be used.
    """
    cuts: dict[Place, str] = {}
    while True:
        trial, indices = _without(document, cuts)
        faults = faults_of(trial)
        if not faults or () in cuts:
            break
        cuts = _more_cuts(
            cuts,
            [(_original(_located(trial, f.path), indices), said(f.text)) for f in faults],
            document,
        )
    if cuts:
        trial[_KEY] = [
            *trial.get(_KEY, []),
            *(
                {"path": _said(place), "why": why, "value": _storable(_step(document, place))}
                for place, why in cuts.items()
            ),
        ]
    return trial


def with_set_aside(document: Document) -> Document:
    """A document with what was set aside put back where it stood, as far as there is room."""
    whole = copy.deepcopy({key: value for key, value in document.items() if key != _KEY})
    entries = []
    for part in sorted(document[_KEY], key=lambda part: _in_order(str(part["path"]))):
        if not _put_back(whole, part):
            entries.append(part)
    return {**whole, _KEY: entries} if entries else whole


def _in_order(path: str) -> list[tuple[int, str]]:
    """What sorts paths as they stand in a document, numbers by their size."""
    steps = path.replace("]", "").replace("[", ".").split(".")
    return [(int(step), "") if step.isdecimal() else (0, step) for step in steps]


def _more_cuts(
    cuts: dict[Place, str], faults: list[tuple[Place, str]], document: Document
) -> dict[Place, str]:
    """Cuts so that the faults found are gone. A fault within what was cut already takes along
    what that belonged to; so does one of a key that was never there."""
    widened = dict(cuts)
    for fault, why in faults:
        place, text = fault, why
        within = [cut for cut in cuts if cut == place[: len(cut)]]
        if within:
            inner = min(within, key=len)
            beside = _BESIDE.get(inner)
            place, text = inner[:-1], cuts[inner]
            if beside is not None and beside not in widened:
                place = beside
        while place and not _there(document, place):
            place = place[:-1]
        if any(cut == place[: len(cut)] for cut in widened if cut not in cuts):
            continue
        text = next((widened[cut] for cut in widened if cut[: len(place)] == place), text)
        for cut in [cut for cut in widened if cut[: len(place)] == place]:
            del widened[cut]
        widened[place] = text
    return widened


def _without(document: Document, cuts: dict[Place, str]) -> tuple[Document, dict[Place, list[int]]]:
    """A copy without some parts, and for each list cut the places that its items had."""
    indices: dict[Place, list[int]] = {}

    def without_cuts(value: Any, at: Place) -> Any:
        if isinstance(value, dict):
            parts = {k: without_cuts(v, (*at, k)) for k, v in value.items() if (*at, k) not in cuts}
            return {**parts, **_stand_ins(at, cuts)}
        if isinstance(value, list):
            left = [i for i in range(len(value)) if (*at, i) not in cuts]
            if len(left) < len(value):
                indices[at] = left
            return [without_cuts(value[i], (*at, i)) for i in left]
        return value

    if () in cuts:
        return copy.deepcopy(_STAND_INS), indices
    return without_cuts(document, ()), indices


def _stand_ins(at: Place, cuts: dict[Place, str]) -> Document:
    usual = _step(_STAND_INS, at)
    if not isinstance(usual, dict):
        return {}
    return {key: copy.deepcopy(value) for key, value in usual.items() if (*at, key) in cuts}


def _located(value: Any, path: str) -> Place:
    """Where a fault's path leads: keys may hold dots of their own, so each step is matched."""
    at: Place = ()
    rest = path
    while rest:
        here = _step(value, at)
        if rest.startswith("["):
            number, _, rest = rest[1:].partition("]")
            at = (*at, int(number))
            continue
        rest = rest.removeprefix(".")
        keys = here if isinstance(here, dict) else {}
        fits = [k for k in keys if rest == k or rest.startswith((f"{k}.", f"{k}["))]
        key = max(fits, key=len) if fits else _first_word(rest)
        at, rest = (*at, key), rest[len(key) :]
    return at


def _first_word(path: str) -> str:
    return path.split(".", 1)[0].split("[", 1)[0] or path


def _original(place: Place, indices: dict[Place, list[int]]) -> Place:
    """A place in the copy as it is in the document, where items before it may have been cut."""
    original: Place = ()
    for part in place:
        left = indices.get(original, [])
        moved = isinstance(part, int) and part < len(left)
        original = (*original, left[int(part)] if moved else part)
    return original


def _there(document: Any, place: Place) -> bool:
    return _step(document, place) is not _NOTHING


def _step(document: Any, place: Place) -> Any:
    """What stands at a place; `_NOTHING` where nothing does."""
    for part in place:
        if isinstance(document, dict):
            document = document.get(part, _NOTHING)
        elif isinstance(document, list) and isinstance(part, int) and part < len(document):
            document = document[part]
        else:
            return _NOTHING
    return document


def _storable(value: Any) -> Any:
    """A value as it can be written again; numbers that cannot be read stay as their digits."""
    if isinstance(value, dict):
        return {key: _storable(part) for key, part in value.items()}
    if isinstance(value, list):
        return [_storable(part) for part in value]
    return value if is_readable_number(value) else str(value)


def _said(place: Place) -> str:
    path = ""
    for part in place:
        path += f"[{part}]" if isinstance(part, int) else f".{part}" if path else part
    return path


def _put_back(document: Document, part: Any) -> bool:
    """Put one part back; False where what it belonged to is gone, or has another value now."""
    place = _located(document, str(part["path"]))
    if not place or not _there(document, place[:-1]):
        return False
    owner, last = _step(document, place[:-1]), place[-1]
    if isinstance(owner, list) and isinstance(last, int):
        owner.insert(min(last, len(owner)), copy.deepcopy(part["value"]))
        return True
    if isinstance(owner, dict) and isinstance(last, str) and _is_free(owner, place):
        owner[last] = copy.deepcopy(part["value"])
        return True
    return False


def _is_free(owner: Document, place: Place) -> bool:
    """Whether a key is unset, or still has the value that stood in."""
    return place[-1] not in owner or owner[str(place[-1])] == _step(_STAND_INS, place)
