"""A garden filled: what stands and is settled stays, the rest of the ground is given to what is
worth most to those who eat of it, with how much more at most any plan could be worth.

A plan at once by what gains most; then the programme, which also proves the bound; each plan is
evaluated as any other and carries no note that stops it. Begins and ends lie on half-months.
"""

import time
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.better import by_fractions, improved
from ample_rows.core.ask.fill.candidates import Candidate, Candidates, candidates_of
from ample_rows.core.ask.fill.greedy import Task, greedy
from ample_rows.core.ask.fill.ground import Zone, zones_of
from ample_rows.core.ask.fill.halves import Halves
from ample_rows.core.ask.fill.lanes import Placed, laid_out
from ample_rows.core.ask.fill.programme import Programme
from ample_rows.core.ask.fill.table import Floats, tables_of
from ample_rows.core.ask.fill.value import PlanWorth, enjoyed, value_of
from ample_rows.core.ask.pantry.wants import root_of, wants_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.notes.note import Note
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Mass, Text, message

_MOST_TRIED = 2_500
"""So many candidates, those that lack least, are tried before all of them are."""
_FIRST_PART = 0.6
"""The part of the time that is given to those."""
_LOCAL_PART = 0.7
"""The part of the time in which the plan is made better bit by bit, before the programme."""
_ENDLESS = 1e9
_MOST_MENDED = 6
_CRUMB_KG = 0.02

Clock = Callable[[], float]


@dataclass(frozen=True)
class Limits:
    """How long to look for better: so many seconds on a clock, or so many tries bit by bit, which
    give the same plan each time."""

    seconds: float | None = 10.0
    steps: int | None = None
    seed: int = 1

    def left(self, spent: float) -> float:
        """Seconds that are left; without end where steps are counted."""
        if self.steps is not None or self.seconds is None:
            return _ENDLESS
        return max(0.0, self.seconds - spent)


@dataclass(frozen=True)
class Because:
    """Why a planting stands where it does."""

    planting: str
    text: Text


@dataclass(frozen=True)
class LeftOut:
    """A wanted crop of which nothing is planted, and why."""

    crop: str
    reason: Text


@dataclass(frozen=True)
class Filling:
    """A filled plan, what it is worth, and what none can be worth more than. [kg-equivalents, s]"""

    plan: p.Plan
    worth: PlanWorth
    bound: float
    seconds: float
    first_plan_seconds: float
    greedy_value: float
    why: tuple[Because, ...]
    left_out: tuple[LeftOut, ...]

    @property
    def gap(self) -> float:
        """How much more than this plan the best possible may be worth, as a share of it."""
        over = max(0.0, self.bound - self.worth.value)
        return over / abs(self.worth.value) if self.worth.value else 0.0


def filled(
    estimate: Estimate, *, keep: bool = False, limits: Limits, clock: Clock | None = None
) -> Filling:
    """The best plan found within some limits.

    Args:
        keep: Whether what is planted stays though it is not locked.
        clock: Seconds since the work began, from which all times are counted; from now on where
            none is given.
    """
    begun = time.monotonic()
    spent = clock or (lambda: time.monotonic() - begun)
    return _Filler(estimate, keep, limits, spent).run()


class _Filler:
    def __init__(self, estimate: Estimate, keep: bool, limits: Limits, clock: Clock) -> None:
        self.present, self.limits, self.clock = estimate, limits, clock
        stays = {planting.id for planting in _settled(estimate, keep)}
        kept = tuple(planting for planting in estimate.plan.plantings if planting.id in stays)
        self.base = estimate.trying(estimate.plan.model_copy(update={"plantings": kept}))
        self.halves = Halves(estimate.setting.year)
        self.standing = [
            report for place in self.base.cases for report in self.base.result(place).plantings
        ]

    def run(self) -> Filling:
        zones = tuple(zones_of(self.base, self.standing, self.halves))
        found = candidates_of(self.base, zones, self._crops(), self.halves)
        task = self._task(zones, found.every)
        of_base = value_of(self.base)
        already = sum(t.value_of(task.picked[crop]) for crop, t in task.tables.items())
        making = greedy(task)
        best = self._evaluated(making.ground.placed)
        at_first, greedy_value = self.clock(), best[1].value
        programme = Programme(task)
        relaxed = programme.bound(self.limits.left(self.clock()))
        # Where nothing better is proven: all that is wanted is eaten, and nothing is spent on it.
        bound = sum(t.worth * enjoyed(t.want_kg, t.want_kg) for t in task.tables.values())
        if relaxed is not None:
            bound = min(bound, of_base.value - already + relaxed)
        if found.every and relaxed is not None:
            guided = by_fractions(task, programme.fractions.tolist())
            making = max(making, guided, key=lambda one: one.total())
            improved(making, seed=self.limits.seed, carries_on=self._until(_LOCAL_PART))
            best = max(best, self._evaluated(making.ground.placed), key=_order)
            times = [0] * len(found.every)
            for number in making.at.values():
                times[number] += 1
            for plan, proven in self._searched(programme, zones, found.every, times):
                if proven is not None:
                    bound = min(bound, of_base.value - already + proven)
                best = max(best, self._evaluated(plan), key=_order)
        present = (self.present.plan, value_of(self.present))
        if not any(note.level == "stop" for note in _notes(self.present)):
            best = max(best, present, key=_order)
        return Filling(
            plan=best[0],
            worth=best[1],
            bound=max(bound, best[1].value),
            seconds=self.clock(),
            first_plan_seconds=at_first,
            greedy_value=greedy_value,
            why=tuple(self._why(best[0], found)),
            left_out=tuple(self._left_out(best[0], found)),
        )

    def _task(self, zones: tuple[Zone, ...], candidates: Sequence[Candidate]) -> Task:
        fill, book = self.base.plan.garden.fill or p.Fill(), self.base.book
        there = self._there()
        return Task(
            zones,
            candidates,
            tables_of(self.base),
            self._bare(candidates),
            self._picked(),
            must=frozenset(root_of(book.crops[crop]) for crop in fill.must) - there,
            kinds=None if fill.kinds is None else max(0, fill.kinds - len(there)),
        )

    def _there(self) -> frozenset[str]:
        return frozenset(root_of(self.base.book.crops[report.crop]) for report in self.standing)

    def _crops(self) -> tuple[str, ...]:
        """Crops to plant: those that are wanted or must be in, and may be."""
        book, fill = self.base.book, self.base.plan.garden.fill or p.Fill()
        never = {root_of(book.crops[crop]) for crop in fill.never}
        asked = [c for want in wants_of(self.base.plan, book).values() for c in want.asked_as]
        return tuple(
            crop
            for crop in dict.fromkeys((*asked, *fill.must))
            if root_of(book.crops[crop]) not in never
        )

    def _picked(self) -> Mapping[str, Floats]:
        """What is picked of what stands already, by crop and week. [kg]"""
        picked = {
            crop: np.zeros(len(self.halves.weeks))
            for crop in wants_of(self.base.plan, self.base.book)
        }
        for report in self.standing:
            of = picked.get(root_of(self.base.book.crops[report.crop]))
            if of is not None:
                of += self.halves.picked(report.weekly_kg)
        return picked

    def _bare(self, candidates: Sequence[Candidate]) -> list[float]:
        """What each candidate gains by itself: its effort, and ground that is idle no more."""
        book = self.base.book
        weeks = self.halves.growing_weeks(book)
        effort, idle = book.value("fill_effort_a_planting"), book.value("fill_idle_a_cell_week")
        return [
            idle * c.squares * float(weeks[c.ends] - weeks[c.begins]) - effort for c in candidates
        ]

    def _until(self, part: float) -> Callable[[int], bool]:
        """Whether a part of what is left is still to be spent, after so many tries."""
        begun = self.clock()
        left = self.limits.left(begun)
        steps = self.limits.steps

        def carries_on(tries: int) -> bool:
            return tries < steps if steps is not None else self.clock() - begun < part * left

        return carries_on

    def _searched(
        self,
        programme: Programme,
        zones: tuple[Zone, ...],
        candidates: Sequence[Candidate],
        times: list[int],
    ) -> Iterator[tuple[list[Placed], float | None]]:
        """Plans by the programme, first of the most hopeful candidates, then of all; none where
        steps are counted, as its own are not alike from run to run."""
        if self.limits.steps is not None:
            return
        parts = [(_MOST_TRIED, _FIRST_PART), (len(candidates), 1.0)]
        if len(candidates) <= _MOST_TRIED:
            parts = parts[1:]
        for most, part in parts:
            left = self.limits.left(self.clock())
            if left <= 0:
                return
            solved, proven = programme.solved(
                seconds=left * part,
                seed=self.limits.seed,
                most=most,
                start=times,
            )
            if solved is None:
                continue
            times = list(solved.times)
            chosen = [c for c, n in zip(candidates, times, strict=True) for _ in range(n)]
            yield laid_out(zones, solved.lanes, chosen), proven

    def _evaluated(self, placed: Sequence[Placed]) -> tuple[p.Plan, PlanWorth]:
        """The plan with some plantings put in, less those that a note stops."""
        plantings = self._plantings(placed)
        for _ in range(_MOST_MENDED):
            plan = self.base.plan.model_copy(
                update={"plantings": (*self.base.plan.plantings, *plantings)}
            )
            tried = self.base.trying(plan)
            stopped = {note.planting for note in _notes(tried) if note.level == "stop"}
            sound = [planting for planting in plantings if planting.id not in stopped]
            if len(sound) == len(plantings):
                break
            plantings = sound
        return plan, value_of(tried)

    def _plantings(self, placed: Sequence[Placed]) -> list[p.Planting]:
        taken = {planting.id for planting in self.present.plan.plantings}
        names = (f"f{n}" for n in range(1, len(placed) + len(taken) + 2))
        free = (name for name in names if name not in taken)
        in_order = sorted(
            placed, key=lambda one: (one.candidate.begins, one.strip.place, one.cells)
        )
        return [
            p.Planting.model_validate(
                {
                    "id": next(free),
                    "place": one.strip.place,
                    "crop": one.candidate.crop,
                    "cells": one.cells,
                    "start": one.candidate.start,
                    "start_date": self.halves.begins[one.candidate.begins],
                    "support": one.candidate.support,
                }
            )
            for one in in_order
        ]

    def _new(self, plan: p.Plan) -> list[PlantingReport]:
        was = {planting.id for planting in self.base.plan.plantings}
        tried = self.base.trying(plan)
        every = (report for place in tried.cases for report in tried.result(place).plantings)
        return [report for report in every if report.id not in was]

    def _why(self, plan: p.Plan, found: Candidates) -> Iterator[Because]:
        """What each new planting is there for."""
        tables = tables_of(self.base)
        new = self._new(plan)
        for report in new:
            root = root_of(self.base.book.crops[report.crop])
            if root not in tables or report.first_pick is None or report.last_pick is None:
                continue
            others = sum(
                (
                    self.halves.picked(r.weekly_kg)
                    for r in (*self.standing, *new)
                    if r is not report and root_of(self.base.book.crops[r.crop]) == root
                ),
                np.zeros(len(self.halves.weeks)),
            )
            eaten = tables[root].eaten_kg(others + self.halves.picked(report.weekly_kg))
            more = max(0.0, eaten - tables[root].eaten_kg(others))
            if more < _CRUMB_KG:
                yield Because(report.id, message("fill-covers", crop=report.name))
                continue
            yield Because(
                report.id,
                message(
                    "fill-because",
                    crop=report.name,
                    first=report.first_pick,
                    last=report.last_pick,
                    more=Mass(more),
                ),
            )

    def _left_out(self, plan: p.Plan, found: Candidates) -> Iterator[LeftOut]:
        book = self.base.book
        there = {root_of(book.crops[planting.crop]) for planting in plan.plantings}
        fill = plan.garden.fill or p.Fill()
        never = {root_of(book.crops[crop]) for crop in fill.never}
        for root in wants_of(plan, book):
            if root in there:
                continue
            if root in never:
                yield LeftOut(root, message("fill-asked-to-leave-out"))
                continue
            reasons = [why for c, why in found.against.items() if root_of(book.crops[c]) == root]
            outbid = message("fill-outbid")
            yield LeftOut(root, reasons[0] if reasons else outbid)


def _settled(estimate: Estimate, keep: bool) -> Iterator[p.Planting]:
    """What stays: locked, begun before the year, there for years, or all where it is kept."""
    year, book = estimate.setting.year, estimate.book
    for planting in estimate.plan.plantings:
        begun = planting.start_date < year.start or planting.came_by_itself
        if keep or planting.locked or begun or book.crops[planting.crop].perennial is not None:
            yield planting


def _notes(estimate: Estimate) -> list[Note]:
    return [note for place in estimate.cases for note in estimate.result(place).notes]


def _order(found: tuple[p.Plan, PlanWorth]) -> tuple[int, float]:
    """Plans that hold what was asked for go first, then those that are worth more."""
    asked = sum(broken.rule in ("must", "never", "kinds") for broken in found[1].broken)
    return -asked, found[1].value
