"""Own crops and changed figures, on the plan's own document."""

from typing import Any

Document = dict[str, Any]


def change_crop(document: Document, ident: str, like: str | None, figures: Document) -> None:
    """Set figures of a crop; null takes a figure back, and a crop without any own is no entry."""
    crops: list[Document] = document.setdefault("crops", [])
    entry = next((crop for crop in crops if crop["id"] == ident), None)
    if entry is None:
        entry = {"id": ident} if like is None else {"id": ident, "like": like}
        crops.append(entry)
    elif like is not None:
        entry["like"] = like
    merged = {**entry.get("figures", {}), **figures}
    entry["figures"] = {key: value for key, value in merged.items() if value is not None}
    if not entry["figures"] and "like" not in entry:
        crops.remove(entry)
    if not crops:
        del document["crops"]
