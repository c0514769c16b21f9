"""What a place asks for by itself through the year: a soak, weeding, a look, leaves, manure."""

from collections.abc import Callable, Iterator, Mapping
from datetime import date, timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.job import Job, ground_job
from ample_rows.core.ask.jobs.laid import laid_words
from ample_rows.core.ask.jobs.of_place import Kept
from ample_rows.core.book import Crop, PlaceRound
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import (
    Count,
    Length,
    Text,
    Value,
    Volume,
    listed,
    message,
    of_table,
)

_MOST_NAMED = 4
_BUCKET_M2 = 1.0
_SOON = timedelta(days=14)
_OF_THEIR_OWN = ("slugs", "caterpillars")
"""Troubles that are looked for as jobs of single plantings."""

Words = Mapping[str, Value]


def place_rounds(there: Kept, soil: p.Soil | None) -> Iterator[Job]:
    """Every round of a place, each time that it comes and there is something to do."""
    if not there.plantings:
        return
    for name, rule in there.book.rounds.items():
        if there.place.kind in rule.place_kinds:
            yield from _times(name, rule, there, soil)


def _times(name: str, rule: PlaceRound, there: Kept, soil: p.Soil | None) -> Iterator[Job]:
    figures = _FIGURES[name]
    nth = 1
    for on in _days(rule, there):
        found = figures(there, on, soil)
        if found is None:
            continue
        words, area_m2 = found
        yield ground_job(
            there.place,
            name,
            nth=nth,
            verb=rule.verb,
            about=of_table(rule.about, **words),
            why=of_table(rule.why, **words),
            sign=of_table(rule.sign, **words) if rule.sign else None,
            span=(on, on + timedelta(days=max(0, round(rule.lasts_days) - 1))),
            minutes=rule.minutes.of(area_m2=area_m2),
        )
        nth += 1


def _days(rule: PlaceRound, there: Kept) -> Iterator[date]:
    """The days on which a round would come; where nothing starts this year, what comes again
    begins about the last frost."""
    year = there.year
    begun = [r.start_date for _, r in there.plantings if year.start <= r.start_date <= year.end]
    anchors = {
        "first_start": min(begun, default=None),
        "last_frost": year.last_frost,
        "first_frost": year.first_frost,
    }
    anchor = anchors[rule.anchor]
    if anchor is None and rule.every_days is not None:
        anchor = year.last_frost
    if anchor is None:
        return
    on = anchor + days(rule.after_days)
    if rule.every_days is None:
        yield on
        return
    cleared = max((r.clear_date or year.end for _, r in there.plantings), default=year.end)
    last = min(year.end, cleared if rule.until == "last_clear" else year.first_frost)
    while on <= last:
        if on >= year.start:
            yield on
        on += days(rule.every_days)


def _stands(report: PlantingReport, day: date) -> bool:
    return report.plants > 0 and report.start_date <= day < (report.clear_date or date.max)


def _crop(report: PlantingReport, there: Kept) -> Crop:
    return there.book.crops[report.crop]


Found = tuple[Words, float] | None


def _soak(there: Kept, day: date, _: p.Soil | None) -> Found:
    """Water that fills the soil, and how long it then lasts in the weeks after; a bed that has
    stood through a winter whose rain is enough is full already."""
    water = there.report.water
    if water is None or water.held_litres < 1:
        return None
    between = water.days_between[(day + _SOON).month - 1]
    if between is None and there.place.stage == "standing":
        return None
    lasts: Text = message("rounds-weeks-on-end")
    if between is not None:
        lasts = message("rounds-about", time=Count(max(1, round(between)), "day"))
    words: Words = {
        "litres": Volume(water.held_litres),
        "deep": Length(there.report.usable_depth_cm),
        "lasts": lasts,
    }
    return words, there.report.inside_area_m2


def _weed(there: Kept, day: date, _: p.Soil | None) -> Found:
    """Ground on which something stands that does not yet cover it."""
    area = sum(there.ground_m2(r.cells) for _, r in there.plantings if _stands(r, day) and r.cells)
    if not area:
        return None
    number = len({a for _, r in there.plantings if _stands(r, day) for a in r.cells})
    return {"squares": Count(number, "square")}, area


def _look_over(there: Kept, day: date, _: p.Soil | None) -> Found:
    """What stands there that one of its troubles could take in these weeks, what can go worst
    first, and how that shows."""
    weeks = (day - there.year.last_frost).days / 7
    looked: dict[str, str] = {}
    for _planting, report in there.plantings:
        if not _stands(report, day) or report.name in looked:
            continue
        trouble = _trouble_of(_crop(report, there), weeks, there)
        if trouble is not None:
            looked[report.name] = trouble
    if not looked:
        return None
    worst = {bad.trouble: bad.chance * bad.loses for bad in there.book.bad_years.values()}
    by_gravity = sorted(looked.items(), key=lambda one: -worst.get(one[1], 0.0))
    named = by_gravity[:_MOST_NAMED]
    troubles = there.book.troubles
    what = listed(
        message("rounds-for", crop=crop, trouble=troubles[trouble].label) for crop, trouble in named
    )
    first = troubles[named[0][1]]
    shows = message("rounds-shows", trouble=first.label, shows=first.shows.lower())
    return {"what": what, "shows": shows}, there.report.inside_area_m2


def _trouble_of(crop: Crop, weeks: float, there: Kept) -> str | None:
    """The trouble that a crop is looked over for: one that takes whole years first, then what it
    withstands little."""
    book = there.book
    root = crop.variety_of or crop.id
    worst = [bad.trouble for bad in book.bad_years.values() if bad.trouble and root in bad.crops]
    little = [name for name, grade in book.withstands(crop).items() if grade == "little"]
    for name in (*worst, *little):
        season = book.troubles[name].weeks
        if name not in _OF_THEIR_OWN and season and season[0] <= weeks <= season[1]:
            return name
    return None


def _leaves(there: Kept, day: date, _: p.Soil | None) -> Found:
    """Squares in which nothing stands, with a bed of leaves over them."""
    taken = {a for _, r in there.plantings if _stands(r, day) for a in r.cells}
    bare = [a for a in grid_of(there.place).cells if a not in taken]
    if not bare or there.place.mulch_cm:
        return None
    area = there.ground_m2(bare)
    words: Words = {
        "squares": Count(len(bare), "square"),
        "laid": laid_words("leaves", there.book.value("leaves_over_winter_cm"), area, there.book),
    }
    return words, area


def _manure(there: Kept, day: date, soil: p.Soil | None) -> Found:
    """Buckets for hungry crops, where no packet feeds them."""
    if soil is not None and soil.packet is not None:
        return None
    hungry = [
        r
        for _, r in there.plantings
        if _crop(r, there).feeder == "heavy" and there.year.start <= r.start_date and r.cells
    ]
    area = there.ground_m2({a for r in hungry for a in r.cells})
    if not area:
        return None
    names = list(dict.fromkeys(r.name for r in hungry))[:_MOST_NAMED]
    buckets = Count(max(1, round(area / _BUCKET_M2)), "bucket")
    return {"buckets": buckets, "what": listed(names)}, area


_FIGURES: dict[str, Callable[[Kept, date, p.Soil | None], Found]] = {
    "soak": _soak,
    "weed": _weed,
    "look-over": _look_over,
    "leaves": _leaves,
    "manure": _manure,
}
