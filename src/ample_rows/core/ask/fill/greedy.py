"""A plan at once: what gains most for the ground and the time that it takes is put in first."""

from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from ample_rows.core.ask.fill.candidates import Candidate
from ample_rows.core.ask.fill.ground import Zone
from ample_rows.core.ask.fill.lanes import Ground, Placed
from ample_rows.core.ask.fill.table import AtTable, Floats
from ample_rows.core.patience import carry_on

_MANY = 12
"""So many candidates are quicker weighed at once than one by one."""
_MOST = 10_000
"""Of so many candidates one plan is enough until the programme has weighed them."""
_EASES = (0.3, 1.0)
"""How much ground and time count against a gain, plan by plan."""


@dataclass(frozen=True)
class Task:
    """What a plan is made of and for.

    `bare` is what each candidate gains by its effort and by ground that is idle no more; `picked`
    what is picked of each crop of what stands already; of `must` one is put in before anything
    else; there may be so many more `kinds` at most. [kg by week]
    """

    zones: tuple[Zone, ...]
    candidates: Sequence[Candidate]
    tables: Mapping[str, AtTable]
    bare: Sequence[float]
    picked: Mapping[str, Floats]
    must: frozenset[str] = frozenset()
    kinds: int | None = None


class Making:
    """One plan in the making."""

    def __init__(self, task: Task, *, in_lanes: bool = False) -> None:
        self.task, self.ground = task, Ground(task.zones, in_lanes)
        self.picked = {crop: task.picked[crop].copy() for crop in task.tables}
        self.value = {crop: t.value_of(self.picked[crop]) for crop, t in task.tables.items()}
        self.times = dict.fromkeys((c.root for c in task.candidates), 0)
        self.at: dict[Placed, int] = {}

    def gain(self, number: int) -> float:
        """What a candidate adds to the plan as it is."""
        one, table = self.task.candidates[number], self.task.tables
        more = 0.0
        if one.root in table:
            picked = self.picked[one.root] + one.gives
            more = table[one.root].value_of(picked) - self.value[one.root]
        return more + self.task.bare[number]

    def gains(self, numbers: Sequence[int]) -> Floats:
        """What each of some candidates of one crop adds to the plan as it is."""
        root = self.task.candidates[numbers[0]].root
        table = self.task.tables.get(root)
        if len(numbers) < _MANY or table is None:
            return np.array([self.gain(number) for number in numbers])
        gives = np.array([self.task.candidates[number].gives for number in numbers])
        more = table.values_of(self.picked[root] + gives) - self.value[root]
        bare: Floats = more + np.array([self.task.bare[number] for number in numbers])
        return bare

    def run(self, alone: Sequence[float], ease: float) -> float:
        """Put in what gains most for its size until nothing gains; what was gained in all."""
        every = range(len(self.task.candidates))
        if self.task.must:
            return self.must_have() + self.fill(every, ease)
        return self.fill(every, ease, alone)

    def fill(self, numbers: Sequence[int], ease: float, known: Sequence[float] = ()) -> float:
        """Put in what of some candidates gains most for its size until none of them gains.

        Args:
            known: What each adds to nothing at all, where that is known.
        """
        of_crop: dict[str, list[int]] = defaultdict(list)
        for at, number in enumerate(numbers):
            of_crop[self.task.candidates[number].root].append(at)
        sizes = np.array([self._size(number, ease) for number in numbers])
        gains = np.array(known, dtype=np.float64) if known else np.empty(len(numbers))
        if not known:
            for mine in of_crop.values():
                gains[mine] = self.gains([numbers[at] for at in mine])
        total = 0.0
        while len(gains):
            carry_on()
            best = int(np.argmax(gains / sizes))
            if gains[best] <= 0:
                break
            if not self.put_if_allowed(numbers[best]):
                gains[best] = -np.inf
                continue
            total += float(gains[best])
            mine = of_crop[self.task.candidates[numbers[best]].root]
            left = [at for at in mine if gains[at] > -np.inf]
            gains[left] = self.gains([numbers[at] for at in left])
        return total

    def _size(self, number: int, ease: float) -> float:
        one = self.task.candidates[number]
        return float((one.squares * (one.ends - one.begins)) ** ease)

    def must_have(self) -> float:
        """Put in one of each crop that must be in, where it gains most; what was gained in all."""
        total = 0.0
        for crop in sorted(self.task.must):
            mine = [n for n, c in enumerate(self.task.candidates) if c.root == crop]
            gains = {n: self.gain(n) for n in mine}
            best = sorted(mine, key=lambda n: -gains[n] / self._size(n, _EASES[0]))
            total += next((gains[n] for n in best if self.put(n)), 0.0)
        return total

    def _may(self, one: Candidate) -> bool:
        """Whether one kind more is allowed, or it is none more."""
        most = self.task.kinds
        grown = sum(times > 0 for times in self.times.values())
        return most is None or self.times[one.root] > 0 or grown < most

    def put_if_allowed(self, number: int) -> bool:
        """Put a candidate in where it has room and is not a kind too many; whether it is in."""
        return self._may(self.task.candidates[number]) and self.put(number)

    def put(self, number: int) -> bool:
        """Put a candidate in where it has room; whether it had."""
        one = self.task.candidates[number]
        room = self.ground.room_for(one)
        if room is None:
            return False
        self.at[self.ground.put(one, *room)] = number
        self.times[one.root] += 1
        self._gives(one, 1)
        return True

    def take_out(self, placed: Placed) -> None:
        """Take a planting out."""
        one = placed.candidate
        del self.at[placed]
        self.ground.take_out(placed)
        self.times[one.root] -= 1
        self._gives(one, -1)

    def put_back(self, placed: Placed, number: int) -> None:
        """Put a planting back where it stood."""
        self.ground.put_back(placed)
        self.at[placed] = number
        self.times[placed.candidate.root] += 1
        self._gives(placed.candidate, 1)

    def _gives(self, one: Candidate, sign: int) -> None:
        if one.root in self.task.tables:
            self.picked[one.root] = np.maximum(0.0, self.picked[one.root] + sign * one.gives)
            self.value[one.root] = self.task.tables[one.root].value_of(self.picked[one.root])

    def total(self) -> float:
        """What the plan is worth, the ground as it was at first counted for nothing."""
        return sum(self.value.values()) + sum(self.task.bare[n] for n in self.at.values())


def alone(task: Task) -> list[float]:
    """What each candidate would add to the ground as it is."""
    nothing, of_crop = Making(task), defaultdict[str, list[int]](list)
    for number, one in enumerate(task.candidates):
        of_crop[one.root].append(number)
    gains = [0.0] * len(task.candidates)
    for mine in of_crop.values():
        for number, gain in zip(mine, nothing.gains(mine).tolist(), strict=True):
            gains[number] = gain
    return gains


def greedy(task: Task, alone: Sequence[float]) -> Iterator[Making]:
    """Some plans that are made without looking back, each as soon as it is made; of many
    candidates one plan alone."""
    for ease in _EASES if len(task.candidates) < _MOST else _EASES[:1]:
        making = Making(task)
        making.run(alone, ease)
        yield making
