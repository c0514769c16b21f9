"""Crops together: marks, varieties, neighbours, ways of growing and traits must agree."""

from collections.abc import Collection, Iterable
from dataclasses import dataclass

from ample_rows.core.book.crop import Crop


@dataclass(frozen=True, slots=True)
class Disagreement:
    """What one crop's record says that the rest of the book does not bear out."""

    crop: str
    field: str
    text: str


def disagreements(
    crops: Iterable[Crop],
    trainings: Collection[str],
    traits: Collection[str],
    troubles: Collection[str],
) -> list[Disagreement]:
    """Everything that does not agree, in the order of the crops."""
    crops = list(crops)
    faults: list[Disagreement] = []
    ids: set[str] = set()
    marks: dict[str, str] = {}
    for crop in crops:
        if crop.id in ids:
            faults.append(Disagreement(crop.id, "id", "the id stands twice in the crop book"))
        if crop.mark in marks:
            text = f"mark {crop.mark} belongs to {marks[crop.mark]}"
            faults.append(Disagreement(crop.id, "mark", text))
        ids.add(crop.id)
        marks.setdefault(crop.mark, crop.id)
    for crop in crops:
        faults += _unknown(crop, ids, trainings, (traits, troubles))
    return faults


def _unknown(
    crop: Crop,
    crops: Collection[str],
    trainings: Collection[str],
    marked: tuple[Collection[str], Collection[str]],
) -> list[Disagreement]:
    """What a crop names that is not there."""
    traits, troubles = marked
    named = [
        *(("trainings", "unknown training system", t.system, trainings) for t in crop.trainings),
        *(("traits", "unknown trait", trait, traits) for trait in crop.traits),
        *(("withstands", "unknown trouble", name, troubles) for name in crop.withstands),
        *(("relatives", "no such crop", r.crop, crops) for r in crop.relatives),
    ]
    if crop.variety_of is not None:
        named.append(("variety_of", "no such crop", crop.variety_of, crops))
    return [
        Disagreement(crop.id, field, f"{words} {name!r}")
        for field, words, name, there in named
        if name not in there
    ]
