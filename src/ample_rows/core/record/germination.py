"""What came up of seed that was sown and counted, by crop: beside the packet's own figure."""

from collections import defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ample_rows.core.record.entries import Entry
from ample_rows.core.record.parts import SeedlingLot


@dataclass(frozen=True, slots=True)
class CameUp:
    """Seeds sown and plants that came up of them in the last year in which both were counted."""

    year: int
    sown: int
    up: int


def came_up(
    entries: Iterable[Entry], lots: Iterable[SeedlingLot], crops: Mapping[str, str]
) -> dict[str, CameUp]:
    """What came up of each crop, in the beds and on the nursery shelf.

    Args:
        entries: Those that were sown or came up.
        crops: The crop of each planting, for entries that name no crop.
    """
    counts: dict[tuple[str, int, str], list[int]] = defaultdict(lambda: [0, 0])
    for entry in entries:
        crop = entry.crop or crops.get(entry.planting or "")
        if crop and entry.count and entry.kind in {"sown", "up"}:
            name = f"bed {entry.planting or entry.place or ''}"
            counts[crop, entry.day.year, name][entry.kind == "up"] += entry.count
    for lot in lots:
        of = counts[lot.crop, lot.day.year, f"lot {lot.id}"]
        of[0] += sum(event.count for event in lot.events if event.step == "sown")
        of[1] += max((event.count for event in lot.events if event.step == "up"), default=0)
    by_year: dict[tuple[str, int], list[int]] = defaultdict(lambda: [0, 0])
    for (crop, year, _), (sown, up) in counts.items():
        if sown and up:
            by_year[crop, year][0] += sown
            by_year[crop, year][1] += min(up, sown)
    return {crop: CameUp(year, sown, up) for (crop, year), (sown, up) in sorted(by_year.items())}
