"""Valid plans changed a little at random, each place of a document as likely as another."""

import copy
import random
from collections.abc import Iterator
from typing import Any

NUMBERS = (0, 1, 2, 0.5, 5, 15, 60, 100, 300, 1000, 10_000, -1, 90, -90, 360)
DAYS = (
    "1900-01-01",
    "2026-06-30",
    "2027-01-01",
    "2027-06-15",
    "2028-02-29",
    "2028-12-31",
    "2200-12-31",
    "9999-12-31",
)
WORDS = [
    "carrot",
    "tomato-bush",
    "pumpkin",
    "garlic",
    "asparagus",
    "rhubarb",
    "potato",
    "sweet-corn",
    "pea",
    "net",
    "cage",
    "ground",
    "sow",
    "transplant",
    "set",
    "division",
    "merged",
    "offset",
    "rows",
    "band",
    "stations",
    "single-squares",
    "north",
    "container",
    "framed",
    "mound",
    "open",
    "closed",
    "lined",
    "mesh",
    "rotting",
    "shallow",
    "deep",
    "thermal",
    "calendar",
    "all",
    "A1",
]
WILD = (
    None,
    True,
    [],
    {},
    "",
    "x" * 300,
    "\x00",
    "\ud800",
    1e9,
    1e308,
    10**400,
    -1e-9,
    [[0, 0], [0, 0], [1, 1]],
)

# Keys that documents seldom have, with values that might well stand there.
SELDOM: dict[str, dict[str, list[Any]]] = {
    "places": {
        "grid": ["fitted", "exact"],
        "layout": ["single-squares", "rows", "band"],
        "walls": ["near", "half"],
        "cell_cm": [15, 30.48, 45, 60],
        "group": ["pots"],
    },
    "plantings": {
        "plants": [1, 3, 12, 77, 500],
        "per_cell": [1, 4, 36, 0.25, 0.01],
        "walls": ["near", "half"],
        "layout": ["single-squares", "rows", "offset", "stations"],
        "row_spacing_cm": [5, 30, 70],
        "spots_cm": [[[10, 10]], [[5, 5], [20, 20.5]]],
        "spacing_cm": [2, 15, 90],
    },
    "supports": {
        "line_cm": [[[20, 0], [20, 100]], [[0, 10], [50, 10], [50, 60]], [[15, 15], [16, 15]]],
        "sides": [1, 2],
        "rows_apart_cm": [20, 60],
    },
}

Path = tuple[str | int, ...]


def mutated(document: dict[str, Any], chance: random.Random) -> dict[str, Any]:
    """A copy with one value changed: mostly to another that might well stand there."""
    changed = copy.deepcopy(document)
    every = [path for path in _paths(changed) if path]
    path = chance.choice(every)
    owner, key = _at(changed, path[:-1]), path[-1]
    if chance.random() < 0.25:
        _with_more(changed, chance)
    elif chance.random() < 0.1:
        owner[key] = copy.deepcopy(chance.choice(WILD))
    elif chance.random() < 0.15:
        del owner[key]
    else:
        owner[key] = _another(changed, owner[key], key, every, chance)
    return changed


def _with_more(document: dict[str, Any], chance: random.Random) -> None:
    """One of the seldom keys in one of the records that can have it, in place."""
    places = document.get("places") or []
    supports = [support for place in places for support in place.get("supports") or []]
    records = {**document, "supports": supports}
    there = [kind for kind in SELDOM if records.get(kind)]
    if not there:
        return
    kind = chance.choice(there)
    key = chance.choice(list(SELDOM[kind]))
    record = chance.choice(records[kind])
    if isinstance(record, dict):
        record[key] = copy.deepcopy(chance.choice(SELDOM[kind][key]))


def _another(
    document: Any, old: Any, key: str | int, every: list[Path], chance: random.Random
) -> Any:
    alike = [_at(document, path) for path in every if path[-1] == key]
    if isinstance(old, bool):
        return not old
    if isinstance(old, int | float):
        return chance.choice([*NUMBERS, old * 0.1, old * 0.5, old * 2, old * 10, -old, old + 1])
    if isinstance(old, str):
        days = DAYS if old[:2] in ("19", "20") else WORDS
        return chance.choice([*days, *(other for other in alike if isinstance(other, str))])
    if isinstance(old, list) and old:
        twice = [*old, copy.deepcopy(chance.choice(old))]
        return chance.choice([[], twice, old[:1], chance.sample(old, len(old))])
    return copy.deepcopy(chance.choice(alike))


def _paths(value: Any, path: Path = ()) -> Iterator[Path]:
    yield path
    if isinstance(value, dict):
        for key, part in value.items():
            yield from _paths(part, (*path, key))
    elif isinstance(value, list):
        for index, part in enumerate(value):
            yield from _paths(part, (*path, index))


def _at(value: Any, path: Path) -> Any:
    for key in path:
        value = value[key]
    return value
