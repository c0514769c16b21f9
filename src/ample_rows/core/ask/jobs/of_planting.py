"""Jobs of one planting, from the table of jobs and the planting's own dates and figures."""

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property

from ample_rows.core import plan as p
from ample_rows.core.ask.jobs.feeding import dose_words, wait_words
from ample_rows.core.ask.jobs.job import Job
from ample_rows.core.ask.jobs.laid import laid_words
from ample_rows.core.book import Book, Crop, JobRule
from ample_rows.core.calendar.growing_year import days
from ample_rows.core.geometry.cells import grid_of, span_words
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.planting.growth import grown_to
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import (
    Count,
    Dose,
    Length,
    Mass,
    Message,
    Number,
    Temperature,
    Text,
    Value,
    Volume,
    message,
    of_table,
)

_MOST_TIMES = 60
_HALF_WEEK_DAYS = 4


@dataclass(frozen=True, eq=False)
class Grown:
    """One planting as its jobs are worked out from it; `next_name` is what follows it there."""

    place: p.Place
    planting: p.Planting
    report: PlantingReport
    crop: Crop
    next_name: str | None
    next_on: date | None
    book: Book
    here: PlaceReport
    soil: p.Soil | None = None

    @property
    def liquid(self) -> p.LiquidFeed | None:
        """The feed that is poured, by its label."""
        return self.soil.liquid if self.soil else None

    @cached_property
    def ground_m2(self) -> float:
        """The ground of its squares. [m²]"""
        cells = grid_of(self.place).cells
        return sum(cells[a].area_cm2 for a in self.report.cells) / 1e4

    @cached_property
    def words(self) -> dict[str, Value]:
        """The planting's own figures as the table's sentences name them."""
        return _words(self)


def planting_jobs(grown: Grown) -> Iterator[Job]:
    """Every job of a planting, each time that it comes."""
    for name, rule in grown.book.jobs.items():
        if grown.report.plants and _is_for(rule, grown):
            yield from _times(name, rule, grown)


def _is_for(rule: JobRule, grown: Grown) -> bool:
    crop, planting = grown.crop, grown.planting
    root = crop.variety_of or crop.id
    asked = (
        (rule.starts, planting.start),
        (rule.systems, grown.report.training),
        (rule.feeders, crop.feeder),
        (rule.groups, crop.group),
        (rule.place_kinds, grown.place.kind),
    )
    if any(wanted and value not in wanted for wanted, value in asked):
        return False
    if rule.begins and planting.came_by_itself:
        return False
    if rule.kitchen if planting.for_seed else rule.for_seed:
        return False
    if rule.crops and not {root, crop.id} & set(rule.crops):
        return False
    if rule.trouble and grown.book.withstands(crop).get(rule.trouble) != "little":
        return False
    if rule.thinned and (crop.seeds_per_station or 1) <= (planting.plants_per_station or 1):
        return False
    if rule.matter and grown.place.mulch_cm:
        return False
    if rule.liquid and not _is_poured(grown):
        return False
    return (crop.weeks_indoors or 0.0) >= rule.least_weeks_indoors


def _is_poured(grown: Grown) -> bool:
    """Whether a planting is fed with the can: any in a pot, in a bed where the grower has a liquid
    feed and no packet."""
    packet = grown.soil.packet if grown.soil else None
    return grown.place.kind == "container" or (grown.liquid is not None and packet is None)


def _times(name: str, rule: JobRule, grown: Grown) -> Iterator[Job]:
    anchor = _day(rule.anchor, grown)
    if anchor is None:
        return
    indoors = (grown.crop.weeks_indoors or 0.0) * 7
    first = anchor + days(rule.after_days + (rule.share_indoors or 0.0) * indoors)
    end = _day(rule.until, grown) if rule.until else first
    if end is None:
        return
    end += days(rule.until_after_days)
    if rule.each_cm is not None:
        yield from _tiers(name, rule, grown, rule.each_cm)
        return
    every = rule.every_days
    if rule.liquid and grown.liquid and grown.liquid.every_days:
        every = grown.liquid.every_days
    nth, on = 1, first
    while on <= end and nth <= _MOST_TIMES:
        yield _job(name, rule, grown, nth, on)
        if every is None:
            return
        nth, on = nth + 1, on + days(every)


def _tiers(name: str, rule: JobRule, grown: Grown, each_cm: float) -> Iterator[Job]:
    """A job each time that a planting has grown by so much, tier upon tier."""
    for nth in range(1, _MOST_TIMES):
        height = nth * each_cm
        day = grown_to(grown.report.growth, height)
        if day is None:
            return
        tier: dict[str, Value] = {"tier": f"{nth}", "high": Length(height)}
        yield _job(name, rule, grown, nth, day, tier=tier)


def _day(anchor: str, grown: Grown) -> date | None:
    """A day of a planting; when it comes up is by the slower of its seed."""
    report = grown.report
    anchors: dict[str, date | None] = {
        "sow_indoors": report.sow_indoors,
        "start": report.start_date,
        "up": report.start_date + days(report.comes_up_days or grown.crop.germination_days.high),
        "first_pick": report.first_pick,
        "last_pick": report.last_pick,
        "clear": report.clear_date,
    }
    return anchors[anchor]


def _job(
    name: str,
    rule: JobRule,
    grown: Grown,
    nth: int,
    on: date,
    *,
    tier: dict[str, Value] | None = None,
) -> Job:
    planting, report = grown.planting, grown.report
    words = {**grown.words, **_of_rule(rule, grown), **(tier or {})}
    until = on + timedelta(days=max(0, round(rule.lasts_days) - 1))
    latest = max(report.window.latest, until) if rule.waits else None
    return Job(
        key=f"{planting.place}/{planting.id}/{name}/{nth}",
        job=name,
        kind=name,
        nth=nth,
        verb=rule.verbs.get(grown.crop.group, rule.verb),
        place=grown.place.id,
        place_label=grown.place.label,
        planting=planting.id,
        cells=report.cells,
        where=span_words(report.cells) if report.cells else "",
        about=of_table(rule.about, **words),
        why=of_table(rule.why, **words),
        sign=rule.sign,
        first=tuple(grown.book.jobs[before].verb for before in _before(rule, grown)),
        on=on,
        until=until,
        latest=latest,
        minutes=rule.minutes.of(
            plants=report.plants, area_m2=grown.ground_m2, kg=_picked_kg(grown, on)
        ),
    )


def _of_rule(rule: JobRule, grown: Grown) -> dict[str, Value]:
    """What the rule itself lays over the planting's ground."""
    if rule.matter is None or rule.matter_cm is None:
        return {}
    ground_m2 = grown.ground_m2 or grown.report.plants * grown.report.spacing_cm**2 / 1e4
    return {"laid": laid_words(rule.matter, rule.matter_cm, ground_m2, grown.book)}


def _picked_kg(grown: Grown, on: date) -> float:
    """What is picked in the week that begins about a day. [kg]"""
    weeks = grown.report.weekly_kg
    return next((w.kg for w in weeks if abs((w.week - on).days) < _HALF_WEEK_DAYS), 0.0)


def _before(rule: JobRule, grown: Grown) -> Iterator[str]:
    """Jobs that come first, of those that the planting has."""
    for name in rule.first:
        if _is_for(grown.book.jobs[name], grown):
            yield name


def _seeds_words(report: PlantingReport, crop: Crop) -> Value:
    """How many seeds; what is sown broadcast by the weight that is scattered."""
    if crop.broadcast_g_m2 and crop.thousand_seed_g:
        grams = report.seeds_to_sow * crop.thousand_seed_g / 1_000
        return message("of-planting-grams-of-seed", grams=Dose(grams))
    return Count(report.seeds_to_sow, "seed")


def _comes_up(report: PlantingReport) -> Text:
    """When seed comes up, where the soil's warmth is known."""
    if report.soil_c is None or report.comes_up_days is None:
        return ""
    return message(
        "of-planting-up-about-days-soil",
        comes_up_days=Number(report.comes_up_days, 0),
        soil=Temperature(report.soil_c),
    )


def _deep(depth_cm: float | None, grown: Grown) -> Message:
    """How deep it is sown or set: under a mulch that is laid at once, what stays of that counts."""
    if not depth_cm:
        return message("of-planting-surface")
    over = [
        rule.matter_cm * grown.book.soft[rule.matter].stays
        for rule in grown.book.jobs.values()
        if rule.matter and rule.matter_cm and _is_at_once(rule) and _is_for(rule, grown)
    ]
    if not over:
        return message("of-planting-deep", depth=Length(depth_cm))
    return message(
        "of-planting-deep-mulched",
        depth=Length(depth_cm),
        soil=Length(max(depth_cm / 2, depth_cm - max(over))),
    )


def _is_at_once(rule: JobRule) -> bool:
    """Whether a job comes with the start itself."""
    return rule.anchor == "start" and rule.after_days <= 1


def _hole_cm(report: PlantingReport, book: Book) -> float:
    """How deep a hole is for a young plant: its root ball, and the stem that goes under. [cm]"""
    return book.value("root_ball_cm") + (report.buried_stem_cm or 0.0)


def _dried(crop: Crop, book: Book) -> Text:
    """How the seed of a crop is got out and dried."""
    how = book.seed_saving.get(crop.botanical)
    return how.dry if how else ""


def _kept(crop: Crop, book: Book) -> Text:
    """Where and how long what is stored keeps."""
    weeks = book.keeping(crop).ways.get("store")
    if weeks is None:
        return message("of-planting-eat-first")
    return message(
        "of-planting-keeps", time=Count(round(weeks), "week"), way=book.keeping_ways["store"].label
    )


def _words(grown: Grown) -> dict[str, Value]:
    report, crop, book = grown.report, grown.crop, grown.book
    kg = report.harvest_kg.p50
    depth = report.sowing_depth_cm if report.sowing_depth_cm is not None else crop.sowing_depth_cm
    following = message("of-planting-frees-squares", cells=Count(len(report.cells), "square"))
    if grown.next_name and grown.next_on:
        following = message("of-planting-follows", next_name=grown.next_name, next_on=grown.next_on)
    return {
        "name": report.name,
        "plants": Count(report.plants, "plant"),
        "seeds": _seeds_words(report, crop),
        "deep": _deep(depth, grown),
        "hole": message("of-planting-holes", depth=Length(_hole_cm(report, book))),
        "poured": Volume(report.plants * book.value("water_in_litres"), 1),
        "furrow": Volume(grown.ground_m2 * book.value("furrow_litres_m2"), 1),
        "kept": _kept(crop, book),
        "apart": Length(report.spacing_cm),
        "weeks_indoors": Number(crop.weeks_indoors or 0),
        "start": report.start_date,
        "comes_up": _comes_up(report),
        "first_pick": message("of-planting-about", first_pick=report.first_pick)
        if report.first_pick
        else message("of-planting-never-here"),
        "gives": message("of-planting-likely-all", kg=Mass(kg)) if kg else "",
        "how_often": book.picking_shapes[crop.picking.kind].how_often,
        "last_pick": report.last_pick or "",
        "next": following,
        "dose": dose_words(grown.here, grown.soil, book),
        "half_dose": dose_words(grown.here, grown.soil, book, share=0.5),
        "dried": _dried(crop, book),
        "wait": wait_words(grown.liquid.wait_days if grown.liquid else None),
    }
