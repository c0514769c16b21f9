"""What a plan wants of seed, plants and sets, crop by crop."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.planting.report import PlantingReport


@dataclass(frozen=True, slots=True)
class Sowing:
    """One planting's want: seeds to sow or pieces to set, and the day that they are wanted."""

    planting: str
    place: str
    on: date
    stations: int
    seeds: int
    plants: int
    raised: bool


@dataclass(frozen=True, slots=True)
class Counted:
    """Plants of one kind, and the seeds sown for them."""

    plants: int
    seeds: int


@dataclass(frozen=True, slots=True)
class Need:
    """All sowings of one crop, the earliest first."""

    crop: Crop
    sowings: tuple[Sowing, ...]

    @property
    def first(self) -> date:
        return self.sowings[0].on

    @property
    def seeds(self) -> int:
        return sum(s.seeds for s in self.sowings)

    @property
    def plants(self) -> int:
        """Plants that are set out as such: raised or bought, sets, tubers and divisions."""
        return sum(s.plants for s in self.sowings)

    @property
    def raised(self) -> bool:
        return any(s.raised for s in self.sowings)


def needs_of(
    plan: p.Plan, reports: Iterable[PlantingReport], since: date, book: Book
) -> list[Need]:
    """Every crop that is begun in the plan's year; what stands already, or came by
    itself, needs nothing.

    Args:
        since: First day of the plan's year.
    """
    by_kind: dict[str, list[Sowing]] = defaultdict(list)
    planned = {planting.id: planting for planting in plan.plantings}
    for report in reports:
        planting = planned[report.id]
        begun = planting.start_date < since or planting.came_by_itself
        if begun or report.plants == 0:
            continue
        for kind in report.by_variety:
            part = Counted(kind.plants, kind.seeds_to_sow)
            by_kind[kind.variety].append(_sowing(planting, report, part))
        if not report.by_variety:
            whole = Counted(report.plants, report.seeds_to_sow)
            by_kind[planting.variety or planting.crop].append(_sowing(planting, report, whole))
    needs = [
        Need(book.crops[crop], tuple(sorted(sowings, key=lambda s: s.on)))
        for crop, sowings in by_kind.items()
    ]
    return sorted(needs, key=lambda need: (need.first, need.crop.name))


def _sowing(planting: p.Planting, report: PlantingReport, counted: Counted) -> Sowing:
    raised = planting.start == "transplant"
    sown_in_place = planting.start == "sow"
    per_station = planting.plants_per_station or 1
    return Sowing(
        planting=planting.id,
        place=planting.place,
        on=report.sow_indoors or planting.start_date,
        stations=counted.plants // per_station,
        seeds=counted.seeds,
        plants=0 if sown_in_place else counted.plants,
        raised=raised and counted.seeds > 0,
    )
