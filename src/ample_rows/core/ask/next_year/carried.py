"""What a garden carries into its next year: what lasts goes on, what ended is remembered."""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date
from typing import Any

from ample_rows.core import plan as p
from ample_rows.core.calendar.growing_year import move_years
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.plan.links import LINKS
from ample_rows.core.planting.report import PlantingReport

_MOST_REMEMBERED = 60


@dataclass(frozen=True)
class Closed:
    """A season as it ends: what is over by the day on which the next one begins, and what stands
    beyond that."""

    season: Estimate
    next_start: date
    over: tuple[PlantingReport, ...]
    stays: tuple[PlantingReport, ...]


def closed(season: Estimate) -> Closed:
    """A season parted into what is over and what goes on, by the plan."""
    next_start = move_years(season.setting.year.start, 1)
    reports = [r for place in season.plan.places for r in season.result(place.id).plantings]
    until = {planting.id: planting.clear_date for planting in season.plan.plantings}
    crops = season.book.crops

    def ends(report: PlantingReport) -> bool:
        # What stays for years is over on the day that the grower said, and else not.
        for_years = crops[report.crop].perennial is not None
        last = until[report.id] if for_years else report.clear_date
        return last is not None and last <= next_start

    over = tuple(report for report in reports if ends(report))
    gone = {r.id for r in over}
    return Closed(season, next_start, over, tuple(r for r in reports if r.id not in gone))


def carried_over(ended: Closed) -> p.Plan:
    """The garden as its next year begins: frosts and season a year on, what is over remembered by
    place, square and year, covers a year on; marks of jobs, drawings beside the plan, holidays that
    are over and last year's stores gone. All that lasts stays as it was."""
    plan = ended.season.plan
    garden = _a_year_on(plan.garden, ended.next_start)
    places = tuple(_remembering(place, ended) for place in plan.places)
    gone = {r.id for r in ended.over}
    plantings = tuple(
        linked(planting, {ident: ident for ident in _links_of(planting) - gone})
        for planting in plan.plantings
        if planting.id not in gone
    )
    values = {"garden": garden, "places": places, "plantings": plantings}
    return plan.model_copy(update={**values, "jobs": (), "alternatives": ()})


def linked(planting: p.Planting, names: Mapping[str, str]) -> p.Planting:
    """A planting that names others by their new ids; links to what has none are gone."""
    return planting.model_copy(update={key: names.get(getattr(planting, key)) for key in LINKS})


def _links_of(planting: p.Planting) -> set[str]:
    return {getattr(planting, key) for key in LINKS} - {None}


def _a_year_on(garden: p.Garden, next_start: date) -> p.Garden:
    values: dict[str, Any] = {
        "last_frost": move_years(garden.last_frost, 1),
        "first_frost": move_years(garden.first_frost, 1),
    }
    if garden.season_start is not None:
        values["season_start"] = next_start
    household = garden.household
    if household is not None:
        wants = tuple(
            want.model_copy(update={"in_store_kg": None, "in_store_until": None})
            for want in household.wants
        )
        away = tuple(spell for spell in household.away if spell.until > next_start)
        values["household"] = household.model_copy(update={"wants": wants, "away": away})
    return garden.model_copy(update=values)


def _remembering(place: p.Place, ended: Closed) -> p.Place:
    """A place with what ended there in its history, and what is laid over it a year on."""
    over = [r for r in ended.over if r.place == place.id]
    grew = (*place.grew, *_grown(over))[-_MOST_REMEMBERED:]
    covers = tuple(_next_cover(cover, ended.next_start) for cover in place.covers)
    rests = tuple(rest for rest in place.rests if rest.until > ended.next_start)
    return place.model_copy(update={"grew": grew, "covers": covers, "rests": rests})


def _grown(over: Sequence[PlantingReport]) -> list[p.Grew]:
    """What grew in the same squares in the same year is remembered together."""
    crops: dict[tuple[int, tuple[str, ...]], list[str]] = defaultdict(list)
    for report in over:
        if report.clear_date is not None and report.cells:
            crops[report.clear_date.year, report.cells].append(report.crop)
    return [
        p.Grew(year=year, crops=tuple(dict.fromkeys(grown)), cells=cells)
        for (year, cells), grown in sorted(crops.items())
    ]


def _next_cover(cover: p.Cover, next_start: date) -> p.Cover:
    """A cover of a spell that is over, on the same days a year later."""
    if cover.until > next_start:
        return cover
    later = {"since": move_years(cover.since, 1), "until": move_years(cover.until, 1)}
    return cover.model_copy(update=later)
