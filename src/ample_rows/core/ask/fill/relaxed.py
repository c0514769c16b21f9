"""The programme with parts of plantings allowed: what no plan is worth more than, and a plan made
from it by settling its parts a few at a time."""

from collections import defaultdict
from collections.abc import Sequence

import numpy as np

from ample_rows.core.ask.fill.columns import Ints, is_solved, values_in
from ample_rows.core.ask.fill.programme import Programme
from ample_rows.core.ask.fill.table import Floats
from ample_rows.core.patience import carry_on

_FEW = 3_000
"""So many candidates are all weighed from the beginning."""
_OF_EACH = 4
"""Of more, so many of each crop in each zone are at first, by each measure of their size."""
_EASES = (0.6, 1.0)
_ADDED = 1_500
"""So many that would make it better are added at a time, at most."""
_DUST = 1e-6
_SETTLED = 0.1
"""The share of the parts that are rounded up at once."""


class Relaxed:
    """A programme relaxed. `worth` is what the best of it is worth, `lacks` what each candidate
    lacks to be part of that (below 0, or 0), `parts` how much of each is."""

    def __init__(self, programme: Programme, alone: Sequence[float]) -> None:
        self.programme, self.columns = programme, programme.columns
        self._chosen = np.array(programme.chosen, dtype=np.int64)
        self._inside = np.ones(len(self.columns.gain), dtype=bool)
        if len(self._chosen) > _FEW:
            self._inside[self._chosen] = False
            self._inside[self._chosen[self._hopeful(alone)]] = True
        self._order = np.flatnonzero(self._inside)
        self.worth = np.inf
        self.lacks: Floats = np.zeros(len(self._chosen))
        self.parts: Floats = np.zeros(len(self._chosen))

    def _hopeful(self, alone: Sequence[float]) -> list[int]:
        """Of each crop in each zone those that gain most by themselves for their size."""
        candidates = self.programme.candidates
        gains = np.array(alone)
        sizes = np.array([c.squares * (c.ends - c.begins) for c in candidates], dtype=np.float64)
        alike: dict[tuple[str, int], list[int]] = defaultdict(list)
        for number, candidate in enumerate(candidates):
            if gains[number] > 0:
                alike[candidate.root, candidate.zone].append(number)
        hopeful: set[int] = set()
        for of in alike.values():
            for ease in _EASES:
                by = np.argsort(-gains[of] / sizes[of] ** ease, kind="stable")
                hopeful |= {of[at] for at in by[:_OF_EACH]}
        return sorted(hopeful)

    def solve(self, seconds: float) -> bool:
        """Solve it; whether the time was enough."""
        self._solver = self.columns.solver(self._order, whole=False, seconds=seconds)
        # Interior points take a third of the time of the simplex from the beginning.
        self._solver.setOptionValue("solver", "ipm")
        while True:
            carry_on()
            self._solver.run()
            if not is_solved(self._solver):
                return False
            prices: Floats = np.array(self._solver.getSolution().row_dual)
            lacks = self.columns.left_over(prices)[self._chosen]
            new = np.flatnonzero((lacks > _DUST) & ~self._inside[self._chosen])
            if not len(new):
                break
            best = new[np.argsort(-lacks[new], kind="stable")[:_ADDED]]
            self._add(self._chosen[best])
        self.worth = float(self._solver.getInfo().objective_function_value)
        self.lacks = np.minimum(0.0, lacks)
        self.parts = self._values()
        return True

    def _add(self, columns: Ints) -> None:
        self.columns.add_to(self._solver, columns)
        self._inside[columns] = True
        self._order = np.concatenate([self._order, columns])
        self._solver.setOptionValue("solver", "simplex")

    @property
    def _places(self) -> tuple[Ints, Ints]:
        """The candidates that were weighed, and which of the solver's variables they are."""
        at = np.full(len(self.columns.gain), -1)
        at[self._order] = np.arange(len(self._order))
        mine = at[self._chosen]
        return np.flatnonzero(mine >= 0), mine[mine >= 0]

    def _values(self) -> Floats:
        weighed, at = self._places
        parts: Floats = np.zeros(len(self._chosen))
        parts[weighed] = values_in(self._solver, at)
        return parts

    def hopeful(self, most: int) -> list[int]:
        """The candidates that lack least, the best first."""
        return [int(n) for n in np.argsort(-self.lacks, kind="stable")[:most]]

    def better_than(self, value: float) -> int:
        """How many candidates could be in a plan of more worth: what lacks more than a plan does
        of the bound is in no better one."""
        return int(np.count_nonzero(self.lacks >= value - self.worth - _DUST))

    def settled(self) -> list[int]:
        """How often each candidate is in a plan made by rounding up the largest parts, a tenth of
        them at a time, and solving again for the rest."""
        weighed, at = self._places
        self._solver.setOptionValue("solver", "simplex")
        most = self.columns.upper[self._chosen[weighed]]
        parts, whole = values_in(self._solver, at), np.zeros(len(weighed))
        while True:
            carry_on()
            whole = np.maximum(whole, np.floor(parts + _DUST))
            over = np.where(whole < most, parts - whole, 0.0)
            open_ = np.flatnonzero(over > _DUST)
            if not len(open_):
                break
            largest = open_[np.argsort(-over[open_], kind="stable")]
            up = largest[: max(1, int(_SETTLED * len(open_)))]
            while len(up) and not self._has_room(at, whole, up, most):
                if len(up) == 1:
                    most[up] = whole[up]
                up = up[: len(up) // 2]
            if not len(up) and not self._has_room(at, whole, up, most):
                break
            parts = values_in(self._solver, at)
        times = np.zeros(len(self._chosen))
        times[weighed] = whole
        return [int(n) for n in times]

    def _has_room(self, at: Ints, whole: Floats, up: Ints, most: Floats) -> bool:
        """Solve again with the whole parts kept and some rounded up; whether that is possible."""
        low = whole.copy()
        low[up] += 1
        self._solver.changeColsBounds(len(at), at.astype(np.int32), low, most)
        self._solver.run()
        return is_solved(self._solver)
