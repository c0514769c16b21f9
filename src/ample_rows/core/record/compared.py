"""Seasons side by side: what was estimated of each crop, and what was picked of it."""

from collections import defaultdict
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.own import own_book
from ample_rows.core.calendar.growing_year import growing_year, move_years
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.record.entries import Entry, GardenRecord, SeasonPlan, picked_kg
from ample_rows.core.record.figures import Figures


@dataclass(frozen=True, slots=True)
class SeasonTotal:
    """One season as a whole: its first and last day, what was estimated and what was picked.
    [kg]"""

    id: str
    start: date
    end: date
    plantings: int
    estimated_kg: Quantiles
    picked_kg: float
    pickings: int


@dataclass(frozen=True, slots=True)
class SeasonCrop:
    """One crop in one season; nothing is estimated of what was not planned. [kg]"""

    season: str
    estimated_kg: float
    picked_kg: float


@dataclass(frozen=True, slots=True)
class CropOverSeasons:
    """One crop through all seasons in which it was planned or picked."""

    crop: str
    name: str
    seasons: tuple[SeasonCrop, ...]


@dataclass(frozen=True, slots=True)
class Compared:
    """Seasons, the first first, and the crops that gave most of all first."""

    seasons: tuple[SeasonTotal, ...]
    crops: tuple[CropOverSeasons, ...]


def compared(record: GardenRecord, book: Book, figures: Figures) -> Compared:
    """Estimate beside harvest, season by season. A picking counts in its season; one that names
    none, in the season of its day."""
    seasons = sorted(record.seasons, key=lambda season: season.id)
    of_season: dict[str, list[Entry]] = defaultdict(list)
    years = {season.id: growing_year(season.plan.garden, book) for season in seasons}
    for entry in record.entries:
        if entry.kind == "picked":
            within = (i for i, year in years.items() if year.start <= entry.day <= year.end)
            season = entry.season if entry.season in years else next(within, None)
            if season is not None:
                of_season[season].append(entry)
    told = [_told(season, of_season[season.id], book, figures) for season in seasons]
    by_crop: dict[tuple[str, str], list[SeasonCrop]] = defaultdict(list)
    for _, crops in told:
        for key, crop in crops.items():
            by_crop[key].append(crop)
    rows = [CropOverSeasons(*key, tuple(found)) for key, found in by_crop.items()]
    rows.sort(
        key=lambda row: (-sum(max(s.picked_kg, s.estimated_kg) for s in row.seasons), row.name)
    )
    return Compared(tuple(total for total, _ in told), tuple(rows))


def _whole(book: Book, crop: str) -> str:
    """Kinds of a crop are told together."""
    return book.crops[crop].variety_of or crop


def _told(
    season: SeasonPlan, picked: Sequence[Entry], book: Book, figures: Figures
) -> tuple[SeasonTotal, dict[tuple[str, str], SeasonCrop]]:
    own, planned = own_book(book, season.plan), figures(season.plan)
    estimated: dict[str, float] = defaultdict(float)
    for of in planned.plantings:
        estimated[of.crop] += of.likely
    kg: dict[str, float] = defaultdict(float)
    grown = {planting.id: planting.variety or planting.crop for planting in season.plan.plantings}
    for entry in picked:
        crop = grown.get(entry.planting or "") or entry.crop
        if crop in own.crops:
            kg[_whole(own, crop)] += picked_kg(entry, own.crops[crop].piece_kg)
    told = {
        (crop, own.crops[crop].name): SeasonCrop(
            season.id, estimated.get(crop, 0.0), kg.get(crop, 0.0)
        )
        for crop in dict.fromkeys((*estimated, *kg))
        if estimated.get(crop) or kg.get(crop)
    }
    total = SeasonTotal(
        id=season.id,
        start=planned.start,
        end=planned.end,
        plantings=len(season.plan.plantings),
        estimated_kg=planned.total_kg,
        picked_kg=sum(kg.values()),
        pickings=len(picked),
    )
    return total, told


def season_on(day: date, runs: p.Plan, closed: Collection[str], book: Book) -> str:
    """The season that a day belongs to: of those that are closed, by id, the one that it lies in;
    else the one that runs."""
    start = growing_year(runs.garden, book).start
    while day < start and str(move_years(start, -1).year) in closed:
        start = move_years(start, -1)
    return str(start.year)
