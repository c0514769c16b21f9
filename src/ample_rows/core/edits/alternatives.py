"""Other drawings of the yard kept, exchanged and taken in part, on the plan's own document."""

import copy
from typing import Any

from ample_rows.core.plan.links import rename

Document = dict[str, Any]

_PARTS = ("places", "plantings")


def alternative_of(document: Document, ident: str, name: str) -> Document:
    """What lies in the yard now, as a drawing of its own."""
    parts = {key: copy.deepcopy(document.get(key, [])) for key in _PARTS}
    paths = copy.deepcopy((document.get("site") or {}).get("paths", []))
    return {"id": ident, "name": name, "paths": paths, **parts}


def take_alternative(document: Document, drawing: Document, places: list[str] | None) -> None:
    """Exchange a kept drawing with what lies there, or take over only some of its places."""
    if places is None:
        was = alternative_of(document, drawing["id"], f"before {drawing['name']}"[:120])
        taken = copy.deepcopy(drawing)
        document.update({key: taken.get(key, []) for key in _PARTS})
        if document.get("site") or taken.get("paths"):
            document.setdefault("site", {})["paths"] = taken.get("paths", [])
        drawing.clear()
        drawing.update(was)
        return
    wanted = set(places)
    for key, owner in (("places", "id"), ("plantings", "place")):
        staying = [part for part in document.get(key, []) if part[owner] not in wanted]
        more = [part for part in drawing.get(key, []) if part[owner] in wanted]
        document[key] = staying + copy.deepcopy(more)
    _rename_doubles(document["plantings"], wanted)


def _rename_doubles(plantings: list[Document], taken: set[str]) -> None:
    """Plantings of the places taken over get new ids where another planting has theirs."""
    idents = {planting["id"] for planting in plantings if planting["place"] not in taken}
    renamed: dict[str, str] = {}
    for planting in plantings:
        if planting["place"] in taken:
            ident, number = planting["id"], 2
            while ident in idents:
                ident, number = f"{planting['id'][:56]}-{number}", number + 1
            renamed[planting["id"]] = planting["id"] = ident
            idents.add(ident)
    for planting in plantings:
        if planting["place"] in taken:
            rename(planting, renamed)
