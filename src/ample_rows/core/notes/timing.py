"""Notes on time: starts too early or late, turn-round, idle ground."""

from collections.abc import Iterator
from dataclasses import replace
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.calendar import season
from ample_rows.core.edits import Plant
from ample_rows.core.geometry import cells as grid_words
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import capital, change_planting, named
from ample_rows.core.place.free_block import free_block
from ample_rows.core.place.view import PlaceView
from ample_rows.core.plan.idents import free_ident
from ample_rows.core.plan.links import LINKS
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.day_words import day_words

SHORT_PICKING = 0.6
LEAST_IDLE_DAYS = 28
MOST_IDLE_NOTES = 2


def wrong_time(view: PlaceView) -> Iterator[Note]:
    """Starts too early for frost or soil, or too late to be picked."""
    for e in view.plantings:
        window = e.report.window
        if e.crop.overwinters or window.latest < window.earliest:
            if e.dates.first_pick is None:
                yield _no_pick(view, e, ())
            continue
        if view.setting.year.start <= e.dates.start < window.earliest:
            yield _too_early(view, e)
        yield from _too_late(view, e)


def _too_early(view: PlaceView, e: Evaluated) -> Note:
    opens = e.report.window.earliest
    risk = round((1 - e.dates.frost_survival) * 100)
    why = f"frost takes it {risk} springs in 100" if risk >= 1 else "the soil is still cold"
    fix = Fix(f"Start on {day_words(opens)}", change_planting(e, start_date=opens.isoformat()))
    return Note(
        "care" if risk < 50 else "stop",
        "before-window",
        view.place.id,
        e.planting.id,
        f"{capital(named(e))} starts on {day_words(e.dates.start)}; before "
        f"{day_words(opens)} {why}.",
        f"Wait until {day_words(opens)}.",
        (fix,),
    )


def _too_late(view: PlaceView, e: Evaluated) -> Iterator[Note]:
    shuts = e.report.window.latest
    late = e.dates.start > shuts
    fix = Fix(f"Start by {day_words(shuts)}", change_planting(e, start_date=shuts.isoformat()))
    sooner = (fix,) if late else ()
    if e.dates.first_pick is None:
        yield _no_pick(view, e, sooner)
    elif e.dates.killed_by_frost and e.dates.picked_share < SHORT_PICKING:
        share = round(e.dates.picked_share * 100)
        yield Note(
            "care",
            "frost-first",
            view.place.id,
            e.planting.id,
            f"Frost ends {named(e)} when {share} % of its picking is done.",
            "Start it sooner, or set out plants instead of seed.",
            sooner,
        )
    elif late and e.crop.frost == "hardy":
        yield Note(
            "care",
            "after-window",
            view.place.id,
            e.planting.id,
            f"{capital(named(e))} starts after {day_words(shuts)}; short cold days come before it "
            "has its size.",
            f"Start by {day_words(shuts)}.",
            sooner,
        )


def _no_pick(view: PlaceView, e: Evaluated, fixes: tuple[Fix, ...]) -> Note:
    if e.dates.killed_by_frost:
        why = f"frost comes about {day_words(e.dates.clear)}, and the first pick was due "
        why += day_words(e.dates.due)
    else:
        why = f"it is cleared on {day_words(e.dates.clear)}, before its first pick is due "
        why += f"({day_words(e.dates.due)})"
        fixes = (
            *fixes,
            Fix("Let it stand until it is picked", change_planting(e, clear_date=None)),
        )
    return Note(
        "stop",
        "no-pick",
        view.place.id,
        e.planting.id,
        f"Nothing is picked from {named(e)}: {why}.",
        "Start it sooner, or choose a quicker crop.",
        fixes,
    )


def likely_end(view: PlaceView) -> Iterator[Note]:
    """A planting that is usually ended here by what troubles it, and a wave that overlaps it."""
    year, book = view.setting.year, view.book
    for e in view.plantings:
        usual = season.likely_end(year, e.crop, e.dates.start, book)
        whole = e.dates.due + season.days(e.dates.pick_days)
        if usual is None or usual != e.dates.clear or usual >= whole:
            continue
        words, fixes = _second_wave(view, e, usual)
        yield Note(
            "care",
            "likely-end",
            view.place.id,
            e.planting.id,
            f"{capital(named(e))} usually ends here about {day_words(usual)}, when "
            f"{round(e.dates.picked_share * 100)} % of its picking is done.",
            words,
            fixes,
        )


def _second_wave(view: PlaceView, e: Evaluated, usual: date) -> tuple[str, tuple[Fix, ...]]:
    """Young plants that take over, where what ends the old ones spares them."""
    year, book = view.setting.year, view.book
    root = e.crop.variety_of or e.crop.id
    known = [k for k in year.likely_ends if k.crop in (e.crop.id, root)]
    if not any(season.spares_young(k, book) for k in known):
        return "Grow an early kind or one that withstands it, and have a crop ready to follow.", ()
    over = _takes_over(view, e, usual)
    if over is not None:
        return f"The planting of {day_words(over.dates.start)} takes over then.", ()
    grows = season.days(e.crop.days_to_pick(e.planting.start) or 0)
    young = season.days(book.value("young_days") - 1)
    later = max(usual - grows, usual - young)
    return (
        f"Start a second wave about {day_words(later)}, to be picked when this one goes, or "
        "grow a kind that withstands it.",
        tuple(_planted_again(view, e, later)),
    )


def _takes_over(view: PlaceView, e: Evaluated, usual: date) -> Evaluated | None:
    """A later planting of the crop that stands on when this one ends."""
    root = e.crop.variety_of or e.crop.id
    later = (
        other
        for other in view.plantings
        if root in (other.crop.id, other.crop.variety_of)
        and e.dates.start < other.dates.start < usual < other.dates.clear
        and other.dates.first_pick is not None
    )
    return min(later, key=lambda other: other.dates.start, default=None)


def _planted_again(view: PlaceView, e: Evaluated, later: date) -> Iterator[Fix]:
    """The same again in squares of this place that are free by then."""
    if e.planting.support is not None:
        return
    ends = later + (e.dates.due - e.dates.start) + season.days(e.dates.pick_days)
    again = replace(e.report, start_date=later, clear_date=ends)
    block = free_block(view.place, again, (other.report for other in view.plantings))
    if not block:
        return
    ident = free_ident(e.planting.id, {other.planting.id for other in view.plantings})
    changes = {"id": ident, "cells": block, "start_date": later, "clear_date": None}
    wave = e.planting.model_copy(update={**changes, **dict.fromkeys(LINKS), "led_over": None})
    words = f"Start it in {grid_words.span_words(block)} on {day_words(later)}"
    planting = {key: value for key, value in p.document(wave).items() if value is not None}
    yield Fix(words, Plant(planting=planting))


def turn_round(view: PlaceView) -> Iterator[Note]:
    """A follow-on that starts before the ground is ready again."""
    by_id = {e.planting.id: e for e in view.plantings}
    for e in view.plantings:
        before = by_id.get(e.planting.follows or "")
        if before is None:
            continue
        rest = (e.dates.start - before.dates.clear).days
        wanted = before.crop.turn_round_days
        if 0 <= rest < wanted:
            ready = before.dates.clear + season.days(wanted)
            yield Note(
                "tip",
                "turn-round",
                view.place.id,
                e.planting.id,
                f"{capital(e.crop.name)} follows {before.crop.name} after {rest} days; clearing, "
                f"feeding and raking want about {wanted:g}.",
                f"Start it on {day_words(ready)}.",
                (
                    Fix(
                        f"Start on {day_words(ready)}",
                        change_planting(e, start_date=ready.isoformat()),
                    ),
                ),
            )


def idle_ground(view: PlaceView) -> Iterator[Note]:
    """The largest stretches of ground that stand empty in growing weather."""
    told = 0
    for spell in view.idle:
        length = (spell.end - spell.start).days
        if length < LEAST_IDLE_DAYS or told == MOST_IDLE_NOTES:
            continue
        told += 1
        yield Note(
            "tip",
            "idle",
            view.place.id,
            None,
            f"{grid_words.span_words(spell.cells)} stand free for {length // 7} weeks from "
            f"{day_words(spell.start)}.",
            "Choose these squares to see what fits.",
            (),
            spell.cells,
        )
