"""Any stretch of days, over all the seasons that it touches: what was picked of what was estimated
for it, by crop, kind, place and week, for each square metre, 100 litres, hour and in money."""

from collections import defaultdict
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.season_sheet import GroupLine, shop_prices
from ample_rows.core.book import Book
from ample_rows.core.planting.harvest import Quantiles
from ample_rows.core.record.entries import Entry, GardenRecord, picked_kg
from ample_rows.core.record.figures import Figures, PlaceFigures, PlantingFigures, SeasonFigures

_WEEK = timedelta(days=7)
_LITRES = 100.0


@dataclass(frozen=True, slots=True)
class WeekLine:
    """What was estimated and picked in the week that begins on a Monday. [kg]"""

    week: date
    estimated_kg: float
    picked_kg: float


@dataclass(frozen=True, slots=True)
class SpanSheet:
    """Some days told whole, from `since` to `until`, both within. Money is what the harvest costs
    at the shop, where its prices are known."""

    since: date
    until: date
    seasons: tuple[str, ...]
    estimated_kg: Quantiles
    picked_kg: float
    pickings: int
    worth: float | None
    hours: float
    kg_per_hour: float | None
    crops: tuple[GroupLine, ...]
    kinds: tuple[GroupLine, ...]
    places: tuple[GroupLine, ...]
    weeks: tuple[WeekLine, ...]


@dataclass(frozen=True)
class _Season:
    """One season that the days touch: its figures, its entries among those days; and what stood
    already in the season before, or stands on in the next, by id and start: of it each season
    counts what is picked in its own days."""

    id: str
    figures: SeasonFigures
    entries: Sequence[Entry]
    since: date
    until: date
    stood: frozenset[tuple[str, date]]
    stays: frozenset[tuple[str, date]]

    def days_of(self, of: PlantingFigures, week: date) -> int:
        """How many days of a week count for a planting."""
        since, until = self.since, self.until
        if (of.id, of.start) in self.stood:
            since = max(since, self.figures.start)
        if (of.id, of.start) in self.stays:
            until = min(until, self.figures.end)
        first, last = max(week, since), min(week + _WEEK, until + timedelta(days=1))
        return max(0, (last - first).days)

    def share_of(self, of: PlantingFigures) -> float:
        """The share of a planting's harvest that is picked in these days. [0-1]"""
        whole = sum(week.kg for week in of.weeks)
        within = sum(week.kg * self.days_of(of, week.week) / 7 for week in of.weeks)
        return within / whole if whole > 0 else 0.0


def span_sheet(
    record: GardenRecord, runs: p.Plan, book: Book, figures: Figures, *, since: date, until: date
) -> SpanSheet:
    """The sheet of some days.

    Args:
        runs: The plan of the season that runs, by whose prices the harvest is worth something.
    """
    seasons = _touched(record, figures, since, until)
    picked = [
        (season, entry) for season in seasons for entry in season.entries if entry.kind == "picked"
    ]
    grown = {
        season.id: {planting.id: planting for planting in season.figures.plantings}
        for season in seasons
    }
    lines = [_Line.of(entry, grown[season.id], book) for season, entry in picked]
    estimated = [
        (of, share)
        for season in seasons
        for of in season.figures.plantings
        if (share := season.share_of(of)) > 0
    ]
    kg = sum(line.kg for line in lines)
    minutes = sum(entry.minutes or 0.0 for season in seasons for entry in season.entries)
    crops = _groups(lines, estimated, lambda line: line.crop, lambda of: of.crop)
    prices = shop_prices(runs)
    worths = [lines_kg * prices[crop] for crop, (_, lines_kg) in crops.items() if crop in prices]
    return SpanSheet(
        since=since,
        until=until,
        seasons=tuple(season.id for season in seasons),
        estimated_kg=_total(seasons),
        picked_kg=kg,
        pickings=len(lines),
        worth=sum(worths) if worths else None,
        hours=minutes / 60,
        kg_per_hour=kg * 60 / minutes if minutes > 0 else None,
        crops=_named(crops, book, prices),
        kinds=_named(
            _groups(lines, estimated, lambda line: line.kind, lambda of: of.kind), book, {}
        ),
        places=_places(seasons, lines, estimated),
        weeks=_weeks(seasons, lines),
    )


@dataclass(frozen=True)
class _Line:
    """A picking by what it is told by. [kg]"""

    day: date
    crop: str
    kind: str
    place: str
    kg: float

    @classmethod
    def of(cls, entry: Entry, grown: Mapping[str, PlantingFigures], book: Book) -> "_Line":
        planted = grown.get(entry.planting or "")
        kind = entry.variety or (planted.kind if planted else entry.crop) or ""
        crop = book.crops.get(kind)
        root = planted.crop if planted else (crop.variety_of or crop.id if crop else kind)
        piece = planted.piece_kg if planted else (crop.piece_kg if crop else None)
        place = entry.place or (planted.place if planted else "")
        return cls(entry.day, root, kind, place, picked_kg(entry, piece))


def _touched(record: GardenRecord, figures: Figures, since: date, until: date) -> list[_Season]:
    """The seasons that the days touch, by what was entered or what is to be picked in them."""
    all_figures = [figures(season.plan) for season in record.seasons]
    grown = [frozenset((of.id, of.start) for of in each.plantings) for each in all_figures]
    told = [entry for entry in record.entries if since <= entry.day <= until]
    found = []
    for at, (each, own) in enumerate(zip(record.seasons, all_figures, strict=True)):
        entries = [
            entry
            for entry in told
            if entry.season == each.id or (entry.season is None and _within(entry.day, own))
        ]
        season = _Season(
            id=each.id,
            figures=own,
            entries=entries,
            since=since,
            until=until,
            stood=grown[at] & grown[at - 1] if at else frozenset(),
            stays=grown[at] & grown[at + 1] if at + 1 < len(grown) else frozenset(),
        )
        if entries or any(season.share_of(of) > 0 for of in own.plantings):
            found.append(season)
    return found


def _within(day: date, figures: SeasonFigures) -> bool:
    return figures.start <= day <= figures.end


def _total(seasons: Iterable[_Season]) -> Quantiles:
    """The estimate of the days in all: of each season's, as much as falls into them. Seasons may
    all be good or all poor, so that lows add up, and highs. [kg]"""
    low = likely = high = 0.0
    for season in seasons:
        whole = sum(of.likely for of in season.figures.plantings)
        within = sum(of.likely * season.share_of(of) for of in season.figures.plantings)
        share = within / whole if whole > 0 else 0.0
        total = season.figures.total_kg
        low, likely, high = (
            low + share * total.p10,
            likely + share * total.p50,
            high + share * total.p90,
        )
    return Quantiles(low, likely, high)


_Sums = Mapping[str, tuple[float, float]]


def _groups(
    lines: Iterable[_Line],
    estimated: Iterable[tuple[PlantingFigures, float]],
    of_line: Callable[[_Line], str],
    of_planting: Callable[[PlantingFigures], str],
) -> _Sums:
    """Estimated and picked of each group, what gave most first. [kg]"""
    sums: dict[str, tuple[float, float]] = defaultdict(lambda: (0.0, 0.0))
    for planting, share in estimated:
        before, kg = sums[of_planting(planting)]
        sums[of_planting(planting)] = (before + planting.likely * share, kg)
    for line in lines:
        before, kg = sums[of_line(line)]
        sums[of_line(line)] = (before, kg + line.kg)
    return dict(sorted(sums.items(), key=lambda item: -max(item[1])))


def _named(sums: _Sums, book: Book, prices: Mapping[str, float]) -> tuple[GroupLine, ...]:
    return tuple(
        GroupLine(
            id=ident,
            name=book.crops[ident].name if ident in book.crops else ident,
            estimated_kg=estimated,
            picked_kg=picked,
            kg_per_m2=None,
            kg_per_100_litres=None,
            worth=picked * prices[ident] if ident in prices else None,
        )
        for ident, (estimated, picked) in sums.items()
    )


def _places(
    seasons: Sequence[_Season],
    lines: Iterable[_Line],
    estimated: Iterable[tuple[PlantingFigures, float]],
) -> tuple[GroupLine, ...]:
    """Places as they were last, where they are known."""
    known: dict[str, PlaceFigures] = {
        place.id: place for season in seasons for place in season.figures.places
    }
    sums = _groups(lines, estimated, lambda line: line.place, lambda of: of.place)
    return tuple(
        GroupLine(
            id=ident,
            name=known[ident].label,
            estimated_kg=likely,
            picked_kg=picked,
            kg_per_m2=picked / known[ident].area_m2 if known[ident].area_m2 else None,
            kg_per_100_litres=_per_100_litres(picked, known[ident]),
            worth=None,
        )
        for ident, (likely, picked) in sums.items()
        if ident in known
    )


def _per_100_litres(kg: float, place: PlaceFigures) -> float | None:
    return kg * _LITRES / place.soil_litres if place.soil_litres else None


def _weeks(seasons: Iterable[_Season], lines: Iterable[_Line]) -> tuple[WeekLine, ...]:
    """Week by week from the first to the last in which anything was to be picked, or was."""
    estimated: dict[date, float] = defaultdict(float)
    picked: dict[date, float] = defaultdict(float)
    for season in seasons:
        for of in season.figures.plantings:
            for week in of.weeks:
                share = season.days_of(of, week.week) / 7
                estimated[_monday(week.week)] += week.kg * share
    for line in lines:
        picked[_monday(line.day)] += line.kg
    told = sorted(week for week in {*estimated, *picked} if estimated[week] or picked[week])
    return tuple(WeekLine(week, estimated[week], picked[week]) for week in told)


def _monday(day: date) -> date:
    return day - timedelta(days=day.weekday())
