"""A row plant by plant: which kind each is, what each gave, and whose label was lost."""

from collections import Counter, defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.book.crop import Looks
from ample_rows.core.edits import ChangePlanting
from ample_rows.core.plan.reading import PlanFaultsError
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.record.entries import Entry, picked_kg
from ample_rows.core.words.message import Count, message

_PARTS = tuple(Looks.model_fields)


def kinds_of(planting: p.Planting) -> tuple[str, ...]:
    """The kinds that a planting is of, its own last."""
    own = planting.variety or planting.crop
    return tuple(dict.fromkeys([*(run.variety for run in planting.varieties), own]))


@dataclass(frozen=True, slots=True)
class TellingTrait:
    """What a part of a plant may look like, and the kinds that look so."""

    part: str
    looks: str
    kinds: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class RowPlant:
    """One plant, counted from 1: its kind by the plan, where it stands, what was entered of it
    alone. [cm, kg]"""

    number: int
    kind: str
    at_cm: tuple[float, float]
    picked_kg: float
    pieces: int
    entries: tuple[Entry, ...]


@dataclass(frozen=True, slots=True)
class RowKind:
    """One kind of a row: its plants, and what was picked of them or of the kind as such. [kg]"""

    kind: str
    name: str
    plants: int
    picked_kg: float


@dataclass(frozen=True, slots=True)
class Row:
    """A planting plant by plant, its kinds, and the traits that tell them apart, the most telling
    part first; `whole_kg` was picked of it without saying of which plant or kind. [kg]"""

    planting: str
    plants: tuple[RowPlant, ...]
    kinds: tuple[RowKind, ...]
    traits: tuple[TellingTrait, ...]
    whole_kg: float


def row_of(
    planting: p.Planting, report: PlantingReport, entries: Iterable[Entry], book: Book
) -> Row:
    """A planting as a row to walk along.

    Args:
        entries: Those of the planting.
    """
    kinds = _kind_by_plant(planting, report)
    told: dict[int, list[Entry]] = {}
    of_kind: dict[str, float] = defaultdict(float)
    whole = 0.0
    for entry in sorted(entries, key=lambda each: each.day):
        kg = _kg(entry, planting, book)
        if entry.plant is not None and entry.plant <= len(kinds):
            told.setdefault(entry.plant, []).append(entry)
            of_kind[kinds[entry.plant - 1]] += kg
        elif entry.variety is not None:
            of_kind[entry.variety] += kg
        else:
            whole += kg
    per_station = max(1, round(len(kinds) / max(1, len(report.positions_cm))))
    plants = tuple(
        RowPlant(
            number=number,
            kind=kind,
            at_cm=report.positions_cm[(number - 1) // per_station],
            picked_kg=sum(_kg(entry, planting, book) for entry in told.get(number, ())),
            pieces=sum(entry.pieces or 0 for entry in told.get(number, ())),
            entries=tuple(told.get(number, ())),
        )
        for number, kind in enumerate(kinds, 1)
    )
    counted = Counter(kinds)
    return Row(
        planting=planting.id,
        plants=plants,
        kinds=tuple(
            RowKind(kind, _name(kind, book), counted[kind], of_kind[kind])
            for kind in kinds_of(planting)
        ),
        traits=telling(kinds_of(planting), book),
        whole_kg=whole,
    )


def telling(kinds: Sequence[str], book: Book) -> tuple[TellingTrait, ...]:
    """What tells kinds apart: traits that not all of them share, those of the part that parts them
    most first. A kind of which a part is not told may look any way there."""
    crops = [book.crops[kind] for kind in kinds if kind in book.crops]
    by_part = {part: _looks(part, crops) for part in _PARTS}
    parts = sorted(by_part, key=lambda part: (-len(by_part[part]), _PARTS.index(part)))
    return tuple(
        TellingTrait(part, looks, like)
        for part in parts
        for looks, like in by_part[part].items()
        if len(like) < len(crops)
    )


def _looks(part: str, crops: Iterable[Crop]) -> Mapping[str, tuple[str, ...]]:
    said = {crop.id: getattr(crop.looks, part) for crop in crops}
    return {
        looks: tuple(kind for kind, own in said.items() if own in (looks, None))
        for looks in dict.fromkeys(own for own in said.values() if own is not None)
    }


def known_as(
    planting: p.Planting, report: PlantingReport, number: int, kind: str
) -> ChangePlanting:
    """The edit by which one plant, counted from 1, is known to be of a kind after all.

    Raises:
        PlanFaultsError: There is no such plant, or the planting has no such kind.
    """
    kinds = _kind_by_plant(planting, report)
    if not 1 <= number <= len(kinds):
        there = Count(len(kinds), "plant")
        fault = message("fault-no-such-plant", number=number, plants=there)
        raise PlanFaultsError.one("plant", fault)
    if kind not in kinds_of(planting):
        raise PlanFaultsError.one("kind", message("fault-not-its-kind", kind=kind))
    kinds[number - 1] = kind
    own = planting.variety or planting.crop
    runs: list[p.VarietyRun] = []
    for each in kinds:
        if runs and runs[-1].variety == each:
            runs[-1] = p.VarietyRun(variety=each, plants=runs[-1].plants + 1)
        else:
            runs.append(p.VarietyRun(variety=each, plants=1))
    if runs and runs[-1].variety == own:
        runs.pop()
    return ChangePlanting(id=planting.id, changes={"varieties": [p.document(run) for run in runs]})


def _kind_by_plant(planting: p.Planting, report: PlantingReport) -> list[str]:
    """The kind of each plant, in the order in which they are set out."""
    runs = [run.variety for run in planting.varieties for _ in range(run.plants)]
    own = planting.variety or planting.crop
    return (runs + [own] * max(0, report.plants - len(runs)))[: report.plants]


def _kg(entry: Entry, planting: p.Planting, book: Book) -> float:
    crop = book.crops.get(entry.variety or planting.variety or planting.crop)
    return picked_kg(entry, crop.piece_kg if crop else None) if entry.kind == "picked" else 0.0


def _name(kind: str, book: Book) -> str:
    return book.crops[kind].name if kind in book.crops else kind
