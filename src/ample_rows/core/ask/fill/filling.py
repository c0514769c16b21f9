"""A garden filled: what stands and is settled stays, the rest of the ground is given to what is
worth most to those who eat of it, with how much more at most any plan could be worth.

A plan at once by what gains most; then the programme, which also proves the bound; each plan is
evaluated as any other and carries no note that stops it. Begins and ends lie on half-months.
"""

import time
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.better import improving, in_lanes
from ample_rows.core.ask.fill.greedy import Making, alone, greedy
from ample_rows.core.ask.fill.lanes import Placed, laid_out
from ample_rows.core.ask.fill.programme import Programme, Solved
from ample_rows.core.ask.fill.ready import Ready, notes_of
from ample_rows.core.ask.fill.reasons import (
    Because,
    LeftOut,
    because,
    left_out,
)
from ample_rows.core.ask.fill.relaxed import Relaxed
from ample_rows.core.ask.fill.settled import WHOLE, Scope
from ample_rows.core.ask.fill.value import PlanWorth, enjoyed, value_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.words.message import Text

_HOPEFUL = 1_000
_TRIED = ((_HOPEFUL, 0.8), (None, 1.0))
"""So many candidates, those that lack least, are tried before all of them are; for the part of
the time that is left then."""
_FEW = 3_000
"""So many are tried all at once."""
_LOCAL_PART, _LOCAL_MOST_S = 0.6, 8.0
"""The part of the time in which the plan is made better bit by bit, before the programme, and how
long at most."""
_ENDLESS = 1e9
_DUST = 1e-6
_SHOWN_EACH_S = 0.7
"""How long a plan stands before a better one is shown. [s]"""

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
class Stage:
    """The best plan so far, what it is worth, and what none can be worth more than: until the
    programme has `proven` it, all that is wanted; and where nothing can be planted, why.
    [kg-equivalents, s]"""

    plan: p.Plan
    worth: PlanWorth
    bound: float
    seconds: float
    proven: bool
    why_none: Text

    @property
    def gap(self) -> float:
        """How much more than this plan the best possible may be worth, as a share of it."""
        over = max(0.0, self.bound - self.worth.value)
        return over / abs(self.worth.value) if self.worth.value else 0.0


@dataclass(frozen=True)
class Filling:
    """A filled plan with how it came to be: the plan at once, and why it is as it is."""

    stage: Stage
    first_plan_seconds: float
    greedy_value: float
    why: tuple[Because, ...]
    left_out: tuple[LeftOut, ...]

    @property
    def plan(self) -> p.Plan:
        return self.stage.plan

    @property
    def worth(self) -> PlanWorth:
        return self.stage.worth

    @property
    def bound(self) -> float:
        return self.stage.bound


def filled(
    estimate: Estimate, scope: Scope = WHOLE, *, limits: Limits, clock: Clock | None = None
) -> Filling:
    """The best plan found within some limits.

    Args:
        clock: Seconds since the work began, from which all times are counted; from now on where
            none is given.
    """
    filler = _Filler(estimate, scope, limits, clock or _from_now())
    first, *others = filler.stages()
    last = others[-1]
    new = frozenset(planting.id for planting in last.plan.plantings) - filler.ready.stays
    tried = estimate.trying(last.plan)
    return Filling(
        stage=last,
        first_plan_seconds=first.seconds,
        greedy_value=filler.greedy_value,
        why=tuple(because(tried, new)),
        left_out=tuple(left_out(last.plan, tried, filler.ready.found.against)),
    )


def stages(estimate: Estimate, scope: Scope = WHOLE, *, limits: Limits) -> Iterator[Stage]:
    """The same as it is found: the plan made at once, then each that is better, or of which more
    is proven; the last is the best within the limits."""
    yield from _Filler(estimate, scope, limits, _from_now()).stages()


def _from_now() -> Clock:
    begun = time.monotonic()
    return lambda: time.monotonic() - begun


class _Filler:
    def __init__(self, estimate: Estimate, scope: Scope, limits: Limits, clock: Clock) -> None:
        self.ready, self.limits, self.clock = Ready(estimate, scope), limits, clock
        self.task = self.ready.task
        # Where nothing better is proven: all that is wanted is eaten, and nothing is spent on it.
        self.bound = sum(t.worth * enjoyed(t.want_kg, t.want_kg) for t in self.task.tables.values())
        self.best: tuple[p.Plan, PlanWorth] | None = None
        self.greedy_value = 0.0
        self.is_proven = False

    def stages(self) -> Iterator[Stage]:
        gains = alone(self.task)
        for making in greedy(self.task, gains):
            yield self._better(making.ground.placed)
        assert self.best is not None
        self.greedy_value = self.best[1].value
        programme = Programme(self.task)
        relaxed = Relaxed(programme, gains)
        if self.task.candidates and relaxed.solve(self.limits.left(self.clock())):
            self._proven(relaxed.worth)
            yield self._stage()
            hopeful = relaxed.hopeful(_HOPEFUL)
            guided = in_lanes(self.task, relaxed.settled(), hopeful)
            yield self._better(guided.ground.placed)
            yield from self._bit_by_bit(guided, hopeful)
            yield from self._by_programme(programme, relaxed, guided)
        present = self.ready.present
        as_it_is = (present.plan, value_of(present))
        if not any(note.level == "stop" for note in notes_of(present)):
            self.best = max(self.best, as_it_is, key=_order)
        # What is planted though nobody asked for it is not among what the programme weighs.
        self.is_proven = self.is_proven and self.best[1].value <= self.bound + _DUST
        yield self._stage()

    def _bit_by_bit(self, making: Making, hopeful: Sequence[int]) -> Iterator[Stage]:
        """What is found better is shown now and then; where steps are counted, at the end."""
        shown = self.clock()
        carries_on = self._carries_on()
        for _ in improving(making, hopeful=hopeful, seed=self.limits.seed, carries_on=carries_on):
            if self.limits.steps is None and self.clock() - shown > _SHOWN_EACH_S:
                yield self._better(making.ground.placed)
                shown = self.clock()
        yield self._better(making.ground.placed)

    def _by_programme(
        self, programme: Programme, relaxed: Relaxed, making: Making
    ) -> Iterator[Stage]:
        """Plans by the programme, first of the most hopeful candidates, then of all that could be
        in a better one; none where steps are counted, as its own are not alike from run to run."""
        if self.limits.steps is not None:
            return
        times = [0] * len(self.task.candidates)
        for number in making.at.values():
            times[number] += 1
        best = Solved(tuple(times), making.ground.lanes, making.total())
        of_use = relaxed.better_than(best.value)
        tried = _TRIED if of_use > _FEW else _TRIED[1:]
        for most, part in tried:
            seconds = self.limits.left(self.clock()) * part
            if seconds <= 0:
                return
            of_use = relaxed.better_than(best.value)
            some = relaxed.hopeful(of_use if most is None else min(most, of_use))
            found, proven = programme.solved(best, some, seconds=seconds, seed=self.limits.seed)
            if proven is not None and len(some) == of_use:
                self._proven(max(best.value, proven))
            if found is not None and found.value > best.value:
                best = found
                yield self._better(self._laid_out(best))
            else:
                yield self._stage()

    def _laid_out(self, solved: Solved) -> list[Placed]:
        chosen = [
            one
            for one, times in zip(self.task.candidates, solved.times, strict=True)
            for _ in range(times)
        ]
        return laid_out(self.task.zones, solved.lanes, chosen)

    def _proven(self, relaxed: float) -> None:
        """No plan is worth more than the programme's best besides what stands already."""
        task = self.task
        already = sum(t.value_of(task.picked[crop]) for crop, t in task.tables.items())
        self.is_proven = True
        self.bound = min(self.bound, value_of(self.ready.base).value - already + relaxed)

    def _better(self, placed: Sequence[Placed]) -> Stage:
        """The best so far, where a plan made so is no better."""
        found = self.ready.evaluated(placed)
        self.best = found if self.best is None else max(self.best, found, key=_order)
        return self._stage()

    def _stage(self) -> Stage:
        assert self.best is not None
        plan, worth = self.best
        bound = max(self.bound, worth.value)
        return Stage(plan, worth, bound, self.clock(), self.is_proven, self.ready.why_none())

    def _carries_on(self) -> Callable[[int], bool]:
        """Whether to go on bit by bit after so many tries."""
        begun, steps = self.clock(), self.limits.steps
        most = min(_LOCAL_MOST_S, _LOCAL_PART * self.limits.left(begun))

        def carries_on(tries: int) -> bool:
            return tries < steps if steps is not None else self.clock() - begun < most

        return carries_on


def _order(found: tuple[p.Plan, PlanWorth]) -> tuple[int, float]:
    """Plans that hold what was asked for go first, then those that are worth more."""
    asked = sum(broken.rule in ("must", "never", "kinds") for broken in found[1].broken)
    return -asked, found[1].value
