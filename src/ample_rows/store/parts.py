"""A plan document taken apart into rows, compared, and put together again."""

from dataclasses import dataclass
from typing import Any

Document = dict[str, Any]
Placed = tuple[int, Document]


@dataclass(frozen=True)
class Parts:
    """A plan as the tables hold it: the rest of the document, and ordered parts by id."""

    rest: Document
    places: dict[str, Placed]
    plantings: dict[str, Placed]


def take_apart(document: Document, previous: Parts | None) -> Parts:
    """Split a plan document; parts that kept their order keep their ordinals.

    Keys of lists stay in the rest as empty lists, so that their presence survives.
    """
    rest = {key: [] if key in ("places", "plantings") else value for key, value in document.items()}
    return Parts(
        rest=rest,
        places=_ordered(document.get("places", []), previous.places if previous else {}),
        plantings=_ordered(document.get("plantings", []), previous.plantings if previous else {}),
    )


def _ordered(records: list[Document], previous: dict[str, Placed]) -> dict[str, Placed]:
    last, placed = -1, {}
    for record in records:
        earlier = previous.get(record["id"])
        last = earlier[0] if earlier is not None and earlier[0] > last else last + 1
        placed[record["id"]] = (last, record)
    return placed


def put_together(parts: Parts) -> Document:
    """The whole plan document of some parts."""
    document = dict(parts.rest)
    for key, placed in (("places", parts.places), ("plantings", parts.plantings)):
        if placed or key in document:
            document[key] = [record for _, record in sorted(placed.values(), key=lambda p: p[0])]
    return document


Change = dict[str, Any]


def changes_between(old: Parts, new: Parts) -> tuple[Change, Change]:
    """What an edit touched, before and after; a part that is not there is null."""
    before: Change = {}
    after: Change = {}
    if old.rest != new.rest:
        before["rest"], after["rest"] = old.rest, new.rest
    for key in ("places", "plantings"):
        was: dict[str, Placed] = getattr(old, key)
        now: dict[str, Placed] = getattr(new, key)
        touched = [i for i in {**was, **now} if was.get(i) != now.get(i)]
        if touched:
            before[key] = {i: was.get(i) for i in touched}
            after[key] = {i: now.get(i) for i in touched}
    return before, after


def with_change(parts: Parts, change: Change) -> Parts:
    """Parts after a recorded change is laid over them."""

    def merged(placed: dict[str, Placed], key: str) -> dict[str, Placed]:
        result = dict(placed)
        for ident, value in change.get(key, {}).items():
            if value is None:
                result.pop(ident, None)
            else:
                result[ident] = (value[0], value[1])
        return result

    return Parts(
        rest=change.get("rest", parts.rest),
        places=merged(parts.places, "places"),
        plantings=merged(parts.plantings, "plantings"),
    )
