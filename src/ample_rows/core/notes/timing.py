"""Notes on time: starts too early or late, turn-round, idle ground."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from datetime import date

from ample_rows.core import plan as p
from ample_rows.core.calendar.dates import grows_in_heat, spares_young, usual_end
from ample_rows.core.calendar.growing_year import days, move_years
from ample_rows.core.edits import Plant
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import change_planting, named
from ample_rows.core.place.free_block import free_block
from ample_rows.core.place.view import PlaceView
from ample_rows.core.plan.idents import free_ident
from ample_rows.core.plan.links import LINKS
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.message import Count, Message, Number, Squares, listed, message

SHORT_PICKING = 0.6
LEAST_IDLE_DAYS = 28
MOST_IDLE_NOTES = 2
_RISK_SAID = 5


def wrong_time(view: PlaceView) -> Iterator[Note]:
    """Starts too early for frost or soil, or too late to be picked."""
    for e in view.plantings:
        window = e.report.window
        if e.dates.bears == 0:
            yield _establishing(view, e)
            continue
        yield from _past_its_life(view, e)
        if window.latest < window.earliest:
            yield _no_window(view, e)
            continue
        if e.crop.overwinters or e.crop.wintering:
            if e.dates.first_pick is None:
                yield _no_pick(view, e, ())
            continue
        in_year = view.setting.year.start <= e.dates.start
        if in_year and e.dates.start < window.earliest and not e.planting.came_by_itself:
            yield _too_early(view, e)
        yield from _too_late(view, e)


def _establishing(view: PlaceView, e: Evaluated) -> Note:
    """What stays for years and is not picked yet, so that it grows strong."""
    stays, life = e.crop.perennial, e.dates.year_of_life or 0
    assert stays is not None
    end = view.setting.year.end
    later = next(
        n
        for n in range(stays.years_to_full + 2)
        if stays.share_in(life + n) > 0 and move_years(e.dates.due, n) > end
    )
    first = move_years(e.dates.due, later)
    return Note(
        level="tip",
        code="establishing",
        place=view.place.id,
        planting=e.planting.id,
        text=message("timing-establishing", planting=named(e), first=first, year=f"{first.year}"),
        fix=None,
        fixes=(),
    )


def _past_its_life(view: PlaceView, e: Evaluated) -> Iterator[Note]:
    """What stays for years and is older than it bears well."""
    stays, life = e.crop.perennial, e.dates.year_of_life
    if stays is None or life is None or life < stays.life_years:
        return
    yield Note(
        level="tip",
        code="old-plant",
        place=view.place.id,
        planting=e.planting.id,
        text=message(
            "timing-old-plant", planting=named(e), year=life + 1, years=round(stays.life_years)
        ),
        fix=message("timing-renew"),
        fixes=(),
    )


def _no_window(view: PlaceView, e: Evaluated) -> Note:
    """A crop that no start brings to a harvest worth having here, and why."""
    return Note(
        level="stop" if e.dates.first_pick is None else "care",
        code="no-window",
        place=view.place.id,
        planting=e.planting.id,
        text=message("timing-no-window", planting=named(e), why=e.report.window.how),
        fix=message("timing-start-sooner-or-choose"),
        fixes=(),
    )


def _too_early(view: PlaceView, e: Evaluated) -> Note:
    opens = e.report.window.earliest
    risk = round((1 - e.dates.frost_survival) * 100)
    again = e.crop.after_frost_share is not None
    if risk < _RISK_SAID:
        hot = grows_in_heat(view.setting.year, e.crop, e.dates)
        why = message("timing-still-hot") if hot else message("timing-soil-still-cold")
    elif again:
        why = message("timing-frost-takes-leaves", risk=risk)
    else:
        why = message("timing-frost-takes-springs", risk=risk)
    fix = Fix(
        label=message("timing-start-2", opens=opens),
        edit=change_planting(e, start_date=opens.isoformat()),
    )
    return Note(
        level="care" if risk < 50 or again else "stop",
        code="before-window",
        place=view.place.id,
        planting=e.planting.id,
        text=message(
            "timing-starts-before", planting=named(e), start=e.dates.start, opens=opens, why=why
        ),
        fix=message("timing-wait-until", opens=opens),
        fixes=(fix,),
    )


def _too_late(view: PlaceView, e: Evaluated) -> Iterator[Note]:
    shuts = e.report.window.latest
    late = e.dates.start > shuts
    fix = Fix(
        label=message("timing-start-3", shuts=shuts),
        edit=change_planting(e, start_date=shuts.isoformat()),
    )
    sooner = (fix,) if late else ()
    if e.dates.first_pick is None:
        yield _no_pick(view, e, sooner)
    elif e.dates.killed_by_frost and e.dates.picked_share < SHORT_PICKING:
        share = round(e.dates.picked_share * 100)
        yield Note(
            level="care",
            code="frost-first",
            place=view.place.id,
            planting=e.planting.id,
            text=message("timing-frost-ends-when-picking", planting=named(e), share=share),
            fix=message("timing-start-sooner-or-set"),
            fixes=sooner,
        )
    elif late and e.crop.frost == "hardy":
        text = message("timing-starts-after-short-cold", planting=named(e), shuts=shuts)
        if grows_in_heat(view.setting.year, e.crop, e.dates):
            text = message("timing-starts-after-hot", planting=named(e), shuts=shuts)
        yield Note(
            level="care",
            code="after-window",
            place=view.place.id,
            planting=e.planting.id,
            text=text,
            fix=message("timing-start-5", shuts=shuts),
            fixes=sooner,
        )


def _no_pick(view: PlaceView, e: Evaluated, fixes: tuple[Fix, ...]) -> Note:
    if e.dates.killed_by_frost:
        why = message("timing-frost-comes-about-first", clear=e.dates.clear, due=e.dates.due)
    else:
        why = message("timing-cleared-before-first-pick", clear=e.dates.clear, due=e.dates.due)
        fixes = (
            *fixes,
            Fix(
                label=message("timing-let-stand-until-picked"),
                edit=change_planting(e, clear_date=None),
            ),
        )
    return Note(
        level="stop",
        code="no-pick",
        place=view.place.id,
        planting=e.planting.id,
        text=message("timing-nothing-picked-from", planting=named(e), why=why),
        fix=message("timing-start-sooner-or-choose"),
        fixes=fixes,
    )


def likely_end(view: PlaceView) -> Iterator[Note]:
    """A planting that is usually ended here by what troubles it, and a wave that overlaps it."""
    year, book = view.setting.year, view.book
    for e in view.plantings:
        usual = usual_end(year, e.crop, e.dates.start, book)
        whole = e.dates.due + days(e.dates.pick_days)
        if usual is None or usual != e.dates.clear or usual >= whole:
            continue
        words, fixes = _second_wave(view, e, usual)
        yield Note(
            level="care",
            code="likely-end",
            place=view.place.id,
            planting=e.planting.id,
            text=message(
                "timing-usually-ends-here-about",
                planting=named(e),
                usual=usual,
                picked_share=round(e.dates.picked_share * 100),
            ),
            fix=words,
            fixes=fixes,
        )


def _second_wave(view: PlaceView, e: Evaluated, usual: date) -> tuple[Message, tuple[Fix, ...]]:
    """Young plants that take over, where what ends the old ones spares them."""
    year, book = view.setting.year, view.book
    root = e.crop.variety_of or e.crop.id
    ends = [k for k in year.likely_ends if k.crop in (e.crop.id, root)]
    if not any(spares_young(k, book) for k in ends):
        return message("timing-grow-early-kind-or"), ()
    over = _takes_over(view, e, usual)
    if over is not None:
        return message("timing-planting-takes-over-then", start=over.dates.start), ()
    grows = days(e.crop.days_to_pick(e.planting.start) or 0)
    young = days(book.value("young_days") - 1)
    later = max(usual - grows, usual - young)
    return (
        message("timing-start-second-wave-about", later=later),
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
    ends = later + (e.dates.due - e.dates.start) + days(e.dates.pick_days)
    again = replace(e.report, start_date=later, clear_date=ends)
    block = free_block(view.place, again, (other.report for other in view.plantings))
    if not block:
        return
    ident = free_ident(e.planting.id, {other.planting.id for other in view.plantings})
    changes = {"id": ident, "cells": block, "start_date": later, "clear_date": None}
    wave = e.planting.model_copy(update={**changes, **dict.fromkeys(LINKS), "led_over": None})
    words = message("timing-start", block=Squares(tuple(block)), later=later)
    planting = {key: value for key, value in p.document(wave).items() if value is not None}
    yield Fix(label=words, edit=Plant(planting=planting))


def last_years(view: PlaceView) -> Iterator[Note]:
    """What was picked before the plan's year began: it counts no more."""
    over = [e for e in view.plantings if e.report.year.before == 1]
    if not over:
        return
    names = listed(dict.fromkeys(e.crop.name for e in over), "and")
    yield Note(
        level="tip",
        code="last-year",
        place=view.place.id,
        planting=None,
        text=message("timing-last-years", names=names, year=view.setting.year.start),
        fix=message("timing-remembered"),
        cells=tuple(dict.fromkeys(a for e in over for a in e.report.cells)),
    )


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
            ready = before.dates.clear + days(wanted)
            yield Note(
                level="tip",
                code="turn-round",
                place=view.place.id,
                planting=e.planting.id,
                text=message(
                    "timing-follows-after-days-clearing",
                    crop=e.crop.name,
                    before=before.crop.name,
                    rest=Count(rest, "day"),
                    wanted=Number(wanted),
                ),
                fix=message("timing-start-4", ready=ready),
                fixes=(
                    Fix(
                        label=message("timing-start-6", ready=ready),
                        edit=change_planting(e, start_date=ready.isoformat()),
                    ),
                ),
            )


def idle_ground(view: PlaceView) -> Iterator[Note]:
    """The largest stretches of ground that stand empty in growing weather."""
    count = 0
    for spell in view.idle:
        length = (spell.end - spell.start).days
        if length < LEAST_IDLE_DAYS or count == MOST_IDLE_NOTES:
            continue
        count += 1
        yield Note(
            level="tip",
            code="idle",
            place=view.place.id,
            planting=None,
            text=_free(view, spell.cells, length=Count(length // 7, "week"), start=spell.start),
            fix=message("timing-choose-these-squares-see"),
            fixes=(),
            cells=spell.cells,
        )


def _free(view: PlaceView, cells: Sequence[str], *, length: Count, start: date) -> Message:
    if len(cells) == len(grid_of(view.place).cells):
        return message("timing-nothing-grows-here", length=length, start=start)
    free = Squares(tuple(cells))
    return message("timing-stand-free-weeks-from", cells=free, length=length, start=start)
