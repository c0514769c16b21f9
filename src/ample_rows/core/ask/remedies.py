"""What can be done about a crop that runs short or to waste: changes, each tried through."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import timedelta

from ample_rows.core import plan as p
from ample_rows.core.ask.pantry.lacking import grown
from ample_rows.core.ask.pantry.supply import WeekBand, seasons_of, weekly_bands
from ample_rows.core.ask.pantry.table import AtTable, at_table
from ample_rows.core.ask.pantry.wants import Wanted, root_of, wants_of
from ample_rows.core.ask.succession.follow import following
from ample_rows.core.ask.succession.waves import waves_of
from ample_rows.core.book import Book
from ample_rows.core.checks import check_plan
from ample_rows.core.edits import (
    ChangeGarden,
    ChangePlanting,
    Edit,
    RemovePlanting,
    apply_edit,
)
from ample_rows.core.errors import CannotBeDoneError
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.geometry.cells import cells_of
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.words.message import Count, Message, Text, message

_MOST = 5
_SHIFT_DAYS = 14
_WORTH_KG = 0.05
_SPOILS_COUNT = 0.25
"""A kilogram that spoils weighs against one that is eaten by so much: it was work and ground."""
_GAPS_TRIED = 4
_MOVES_TRIED = 10
_MOST_FILLED = 100
_WAVE_DAYS = 14.0


@dataclass(frozen=True, slots=True)
class Remedy:
    """One change and what it does at table: more eaten, less wasted, fewer weeks short; and what
    can hurt at it. [kg]"""

    label: Text
    more_eaten_kg: float
    less_spoils_kg: float
    fewer_weeks_short: int
    table: AtTable
    weeks: tuple[WeekBand, ...]
    edit: Edit
    caution: str | None


@dataclass(frozen=True)
class _Need:
    """A wanted crop as the plan stands, and what its remedies are tried with."""

    estimate: Estimate
    wanted: Wanted
    own: Sequence[Evaluated]
    table: AtTable

    @property
    def plan(self) -> p.Plan:
        return self.estimate.plan

    @property
    def book(self) -> Book:
        return self.estimate.book


def remedies(estimate: Estimate, crop: str) -> tuple[Remedy, ...]:
    """Changes that bring more of a wanted crop to the table, or less of it to waste, best first.

    Raises:
        CannotBeDoneError: Nothing is wanted of the crop.
    """
    wanted = wants_of(estimate.plan, estimate.book).get(crop)
    if wanted is None:
        raise CannotBeDoneError(message("remedies-no-amount-wanted", crop=crop))
    own, table = _tabled(estimate, crop)
    need = _Need(estimate, wanted, own, table)
    tried = [remedy for label, edit in _changes(need) if (remedy := _tried(need, label, edit))]
    ranked = sorted(tried, key=_worth, reverse=True)
    return tuple(remedy for remedy in ranked if _worth(remedy) > _WORTH_KG)[:_MOST]


def _worth(remedy: Remedy) -> float:
    return remedy.more_eaten_kg + _SPOILS_COUNT * remedy.less_spoils_kg


def _tabled(estimate: Estimate, crop: str) -> tuple[list[Evaluated], AtTable]:
    own = [e for _, there in grown(estimate) for e in there if root_of(e.crop) == crop]
    wanted, setting = wants_of(estimate.plan, estimate.book)[crop], estimate.setting
    return own, at_table(own, wanted, setting.year, seasons_of(setting.seed, estimate.book))


def _tried(need: _Need, label: Text, edit: Edit) -> Remedy | None:
    after = apply_edit(need.plan, edit)
    if check_plan(after, need.book):
        return None
    there = need.estimate.trying(after)
    own, table = _tabled(there, need.wanted.crop)
    return Remedy(
        label=label,
        more_eaten_kg=table.eaten_kg - need.table.eaten_kg,
        less_spoils_kg=need.table.spoils_kg - table.spoils_kg,
        fewer_weeks_short=need.table.weeks_short - table.weeks_short,
        table=table,
        weeks=weekly_bands(own, seasons_of(there.setting.seed, need.book)),
        edit=edit,
        caution=_caution(need, after),
    )


def _caution(need: _Need, after: p.Plan) -> str | None:
    """What can hurt in the way that a crop is now kept, where that is new."""
    keep = wants_of(after, need.book)[need.wanted.crop].keep
    if keep is None or keep == need.wanted.keep:
        return None
    return need.book.keeping(need.book.crops[need.wanted.crop]).cautions.get(keep)


def _changes(need: _Need) -> Iterator[tuple[Message, Edit]]:
    yield from _kept(need)
    yield from _in_waves(need)
    yield from _fewer(need)
    yield from _moved(need)
    yield from _in_gaps(need)


def _kept(need: _Need) -> Iterator[tuple[Message, Edit]]:
    """Keeping what is not eaten fresh, by each way that suits the crop."""
    crop, household = need.wanted.crop, need.plan.garden.household
    if need.wanted.keep is not None or household is None:
        return
    for way in need.book.keeping(need.book.crops[crop]).ways:
        wants = [
            p.document(w.model_copy(update={"keep": way}))
            if root_of(need.book.crops[w.crop]) == crop
            else p.document(w)
            for w in household.wants
        ]
        label = message("remedies-keep-what-over", keeping_ways=need.book.keeping_ways[way].label)
        changed = {**p.document(household), "wants": wants}
        yield label, ChangeGarden(changes={"household": changed})


def _in_waves(need: _Need) -> Iterator[tuple[Message, Edit]]:
    """The largest planting in waves; what stands on a support or takes few squares has none."""
    planting = _largest(need)
    if planting is None or planting.support is not None or planting.follows:
        return
    place = need.plan.place(planting.place)
    squares = len(cells_of(place, planting.cells)) if place else 0
    for count in (2, 3, 4):
        if count <= squares:
            waves = waves_of(need.estimate, planting.id, count, _WAVE_DAYS)
            if waves.edit is not None:
                name = need.book.crops[need.wanted.crop].name
                label = message("remedies-sow-largest-waves-two", name=name, waves=len(waves.waves))
                yield label, waves.edit


def _fewer(need: _Need) -> Iterator[tuple[Message, Edit]]:
    """Fewer squares of what goes to waste."""
    planting = _largest(need)
    if planting is None or need.table.spoils_kg < _WORTH_KG:
        return
    # What stands along a line has no squares of its own to give up.
    if planting.cells == "all" or not planting.cells:
        return
    e = next(e for e in need.own if e.planting.id == planting.id)
    a_square = e.report.harvest_kg.p50 / len(planting.cells)
    over = min(len(planting.cells), int(need.table.spoils_kg / a_square)) if a_square else 0
    name = e.crop.name
    if 0 < over < len(planting.cells):
        cells = list(planting.cells[: len(planting.cells) - over])
        changes = ChangePlanting(id=planting.id, changes={"cells": cells, "run_cm": None})
        yield message("remedies-grow-less", squares=Count(over, "square"), name=name), changes
    elif over and len(need.own) > 1:
        yield message("remedies-leave-largest-out", name=name), RemovePlanting(id=planting.id)


def _moved(need: _Need) -> Iterator[tuple[Message, Edit]]:
    """The largest plantings two weeks sooner or later, in their window and their squares' time."""
    largest = sorted(need.own, key=lambda e: -e.report.harvest_kg.p50)[:_MOVES_TRIED]
    for e in largest:
        report, planting = e.report, e.planting
        for days, way in ((-_SHIFT_DAYS, "sooner"), (_SHIFT_DAYS, "later")):
            day = report.start_date + timedelta(days=days)
            inside = report.window.earliest <= day <= report.window.latest
            if not inside or planting.clear_date is not None or _clashes(need, e, days):
                continue
            label = message(
                "remedies-start-two-weeks", crop=e.crop.name, start_date=report.start_date, way=way
            )
            yield label, ChangePlanting(id=planting.id, changes={"start_date": day.isoformat()})


def _clashes(need: _Need, e: Evaluated, days: int) -> bool:
    """Whether its squares are taken by another when it is moved."""
    others = need.estimate.result(e.report.place).plantings
    since = e.dates.start + timedelta(days=days)
    until = e.dates.clear + timedelta(days=days)
    cells = set(e.report.cells)
    return any(
        r.id != e.planting.id
        and cells & set(r.cells)
        and r.start_date < until
        and r.clear_date is not None
        and since < r.clear_date
        for r in others
    )


def _in_gaps(need: _Need) -> Iterator[tuple[Message, Edit]]:
    """The crop in ground that stands idle, the largest stretches first."""
    spells = []
    for place in need.plan.places:
        spells += [(place, spell) for spell in need.estimate.result(place.id).report.idle]
    spells.sort(key=lambda pair: -pair[1].cell_weeks)
    kinds = {need.wanted.crop, *(e.crop.id for e in need.own)}
    for place, spell in spells[:_GAPS_TRIED]:
        cells = spell.cells[:_MOST_FILLED]
        followers = following(need.estimate, place.id, cells, spell.start, crops=tuple(kinds))
        for entry in followers.entries[:1]:
            where = message(
                "remedies-squares-from",
                place=place.label,
                cells=Count(len(cells), "square"),
                start_date=entry.start_date,
            )
            yield message("remedies-fill-idle-ground", where=where), entry.edit


def _largest(need: _Need) -> p.Planting | None:
    best = max(need.own, key=lambda e: e.report.harvest_kg.p50, default=None)
    return best.planting if best else None
