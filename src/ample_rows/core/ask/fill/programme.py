"""The best plan as a mixed-integer programme of lanes, and how good any plan can be at most.

In each zone lanes of one width are a flow through the year: each takes one planting after another
or lies idle. What is picked is eaten fresh, put away or spoils, as the larder's rules let it at
their kindest, so that what the relaxed programme gives is a bound. HiGHS solves it.
"""

from collections import defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import highspy
import numpy as np

# The solver without its callbacks: setting those up writes a banner to standard output.
from highspy._core import _Highs

from ample_rows.core.ask.fill.candidates import WIDTHS, Candidate
from ample_rows.core.ask.fill.greedy import Task
from ample_rows.core.ask.fill.ground import Zone
from ample_rows.core.ask.fill.table import AtTable, Floats
from ample_rows.core.ask.fill.value import SEGMENTS

_INFINITE = highspy.kHighsInf
_DUST = 1e-6
Term = tuple[int, float]
LaneKey = tuple[int, int]


@dataclass(frozen=True)
class Solved:
    """What the programme chose: how often each candidate, and how many lanes of each width."""

    times: tuple[int, ...]
    lanes: dict[LaneKey, int]
    value: float


class Programme:
    """The programme of some candidates on some ground."""

    def __init__(self, task: Task) -> None:
        self.zones, self.candidates, self.tables = task.zones, task.candidates, task.tables
        self._gain: list[float] = []
        self._upper: list[float] = []
        self._whole: list[bool] = []
        self._rows: list[tuple[float, float, list[Term]]] = []
        self.chosen = [
            self._variable(task.bare[n], self._room(c), whole=True)
            for n, c in _all(self.candidates)
        ]
        self.lanes: dict[LaneKey, int] = {}
        for number, zone in enumerate(self.zones):
            self._lanes_of(number, zone)
        by_crop = defaultdict(list)
        for number, candidate in _all(self.candidates):
            by_crop[candidate.root].append(number)
        for crop, table in self.tables.items():
            self._larder(table, by_crop[crop], task.picked[crop])
        for crop in sorted(task.must & by_crop.keys()):
            self._row(1, _INFINITE, [(self.chosen[n], 1) for n in by_crop[crop]])
        if task.kinds is not None:
            self._at_most(task.kinds, by_crop)
        self.relaxed = _INFINITE
        self.reduced: Floats = np.zeros(len(self.candidates))
        self.fractions: Floats = np.zeros(len(self.candidates))

    def _variable(self, gain: float, upper: float, *, whole: bool = False) -> int:
        self._gain.append(gain)
        self._upper.append(upper)
        self._whole.append(whole)
        return len(self._gain) - 1

    def _row(self, low: float, high: float, terms: list[Term]) -> None:
        self._rows.append((low, high, terms))

    def _room(self, candidate: Candidate) -> float:
        strips = self.zones[candidate.zone].strips
        return float(sum(len(strip.units) // candidate.width for strip in strips))

    def _lanes_of(self, number: int, zone: Zone) -> None:
        """Lanes of each width, nested so that they can be laid out; a flow through each width."""
        here: dict[int, list[int]] = defaultdict(list)
        for at, candidate in _all(self.candidates):
            if candidate.zone == number:
                here[candidate.width].append(at)
        lengths = [len(strip.units) for strip in zone.strips]
        for width in here:
            most = float(sum(length // width for length in lengths))
            self.lanes[number, width] = self._variable(0.0, most, whole=True)
        for width, of_width in here.items():
            room = float(sum(width * (length // width) for length in lengths))
            wider = [(self.lanes[number, w], float(w)) for w in WIDTHS if w >= width and w in here]
            self._row(-_INFINITE, room, wider)
            self._flow(number, width, of_width)

    def _flow(self, zone: int, width: int, here: list[int]) -> None:
        begins = sorted({self.candidates[n].begins for n in here})
        terms: list[list[Term]] = [[] for _ in begins]
        for n in here:
            candidate = self.candidates[n]
            terms[begins.index(candidate.begins)].append((self.chosen[n], 1.0))
            back = next((k for k, half in enumerate(begins) if half >= candidate.ends), None)
            if back is not None:
                terms[back].append((self.chosen[n], -1.0))
        before = self.lanes[zone, width]
        for row in terms:
            idle = self._variable(0.0, self._upper[self.lanes[zone, width]])
            self._row(0, 0, [*row, (idle, 1.0), (before, -1.0)])
            before = idle

    def _larder(self, table: AtTable, of: list[int], picked: Floats) -> None:
        """Week by week what is eaten fresh of each week's picking, put away, and eaten kept."""
        weeks = range(len(table.need))
        chosen = np.array([self.chosen[n] for n in of], dtype=np.int64)
        gives = np.array([self.candidates[n].gives for n in of]).reshape(len(of), len(weeks))
        fresh = [
            [
                self._variable(0.0, float(table.need[week + late]))
                for late in range(table.fresh)
                if week + late < len(table.need)
            ]
            for week in weeks
        ]
        stores = table.keeps > 0 or table.in_store_kg > 0
        kept = [self._variable(0.0, float(need)) for need in table.need] if stores else []
        away = [self._variable(0.0, _INFINITE) for _ in weeks] if table.keeps else []
        for week in weeks:
            mine = np.flatnonzero(gives[:, week])
            at_once = chosen[mine].tolist()
            ways = [(at, 1.0) for at in (*fresh[week], *away[week : week + 1])]
            given = zip(at_once, (-gives[mine, week]).tolist(), strict=True)
            self._row(-_INFINITE, float(picked[week]), [*ways, *given])
            for late, at in enumerate(fresh[week]):
                most = -np.minimum(gives[mine, week], table.need[week + late])
                feeds = zip(at_once, most.tolist(), strict=True) if most.any() else ()
                self._row(-_INFINITE, float(picked[week]), [(at, 1.0), *feeds])
            eaten = [fresh[week - late][late] for late in range(min(table.fresh, week + 1))]
            self._row(
                -_INFINITE,
                float(table.need[week]),
                [(at, 1.0) for at in (*eaten, *kept[week : week + 1])],
            )
        if kept:
            self._store(table, kept, away)
        enjoyed = [
            (self._variable(table.worth * slope, part * table.want_kg), 1.0)
            for part, slope in SEGMENTS
        ]
        all_eaten = [(at, -1.0) for at in (*(at for one in fresh for at in one), *kept)]
        self._row(-_INFINITE, 0, [*enjoyed, *all_eaten])
        # No plantings together are worth more than each of them alone.
        already = table.value_of(picked)
        alone = dict(zip(of, (table.values_of(picked + gives) - already).tolist(), strict=True))
        slopes = [
            (at, table.worth * slope) for (at, _), (_, slope) in zip(enjoyed, SEGMENTS, strict=True)
        ]
        each = [(self.chosen[n], -more) for n, more in alone.items()]
        self._row(-_INFINITE, already, [*slopes, *each])

    def _store(self, table: AtTable, kept: list[int], away: list[int]) -> None:
        """No more is eaten kept up to a week than was put away by then; none of it later than it
        keeps."""
        so_far, put_by_then = self._sums(kept), self._sums(away)
        still, put_since = self._sums(kept[::-1])[::-1], self._sums(away[::-1])[::-1]
        for week in range(len(kept)):
            stored = [(put_by_then[week], -table.share)] if away else []
            self._row(-_INFINITE, table.in_store_kg, [(so_far[week], 1.0), *stored])
            lasts = [(put_since[max(0, week - table.keeps)], -table.share)] if away else []
            left = table.in_store_kg if week < table.in_store_weeks else 0.0
            self._row(-_INFINITE, left, [(still[week], 1.0), *lasts])

    def _sums(self, of: list[int]) -> list[int]:
        """Variables that are the sums of some up to each."""
        sums: list[int] = []
        for at in of:
            total = self._variable(0.0, _INFINITE)
            before = [(sums[-1], -1.0)] if sums else []
            self._row(0, 0, [(total, 1.0), (at, -1.0), *before])
            sums.append(total)
        return sums

    def _at_most(self, kinds: int, by_crop: Mapping[str, list[int]]) -> None:
        grown = []
        for of in by_crop.values():
            there = self._variable(0.0, 1.0, whole=True)
            grown.append((there, 1.0))
            for n in of:
                room = self._upper[self.chosen[n]]
                self._row(-_INFINITE, 0, [(self.chosen[n], 1.0), (there, -room)])
        self._row(-_INFINITE, float(kinds), grown)

    def bound(self, seconds: float) -> float | None:
        """What no plan of these candidates is worth more than, and how much each candidate lacks
        to be part of the best; None where time ran out."""
        solver = self._solver(whole=False, seconds=seconds)
        # Interior points take a third of the time of the simplex here.
        solver.setOptionValue("solver", "ipm")
        solver.run()
        if solver.getModelStatus() != highspy.HighsModelStatus.kOptimal:
            return None
        solution = solver.getSolution()
        self.reduced = np.array(solution.col_dual)[self.chosen]
        self.fractions = np.array(solution.col_value)[self.chosen]
        self.relaxed = float(solver.getInfo().objective_function_value)
        return self.relaxed

    def hopeful(self, most: int) -> list[int]:
        """The candidates that lack least, the best first."""
        return [int(n) for n in np.argsort(-self.reduced, kind="stable")[:most]]

    def better_than(self, value: float) -> int:
        """How many candidates could be in a plan of more worth: what lacks more than a plan does
        of the bound is in no better one."""
        return int(np.count_nonzero(self.reduced >= value - self.relaxed - _DUST))

    def solved(
        self,
        start: Solved,
        *,
        seconds: float,
        seed: int,
        most: int | None,
    ) -> tuple[Solved | None, float | None]:
        """The best plan found from one to begin with, of the candidates that lack least, and the
        bound that was proven where none was left out that could make a better one.

        Args:
            most: How many candidates are tried; all of them where it is None.
        """
        could_be = self.better_than(start.value)
        tried = could_be if most is None else min(most, could_be)
        kept = {*self.hopeful(tried), *(n for n, times in enumerate(start.times) if times)}
        solver = self._solver(whole=True, seconds=seconds, kept=kept)
        solver.setOptionValue("random_seed", seed % 2**31)
        given = {self.chosen[n]: times for n, times in enumerate(start.times) if times}
        given |= {at: start.lanes.get(key, 0) for key, at in self.lanes.items()}
        solver.setSolution(
            len(given),
            np.array(list(given), dtype=np.int32),
            np.array(list(given.values()), dtype=np.float64),
        )
        solver.run()
        info, found = solver.getInfo(), np.array(solver.getSolution().col_value)
        if not len(found) or info.primal_solution_status != highspy.kSolutionStatusFeasible:
            return None, None
        lanes = {key: round(found[at]) for key, at in self.lanes.items()}
        chosen = tuple(round(found[at]) for at in self.chosen)
        proven = max(start.value, float(info.mip_dual_bound)) if tried == could_be else None
        return Solved(chosen, lanes, float(info.objective_function_value)), proven

    def _solver(self, *, whole: bool, seconds: float, kept: set[int] | None = None) -> _Highs:
        upper = np.array(self._upper)
        if kept is not None:
            for n, at in enumerate(self.chosen):
                if n not in kept:
                    upper[at] = 0.0
        model = highspy.HighsLp()
        model.num_col_, model.num_row_ = len(self._gain), len(self._rows)
        model.sense_ = highspy.ObjSense.kMaximize
        model.col_cost_, model.col_upper_ = np.array(self._gain), upper
        model.col_lower_ = np.zeros(len(self._gain))
        model.row_lower_ = np.array([row[0] for row in self._rows])
        model.row_upper_ = np.array([row[1] for row in self._rows])
        begins = np.cumsum([0, *(len(row[2]) for row in self._rows)])
        model.a_matrix_.format_ = highspy.MatrixFormat.kRowwise
        model.a_matrix_.start_ = begins.astype(np.int32)
        terms = [term for row in self._rows for term in row[2]]
        model.a_matrix_.index_ = np.array([at for at, _ in terms], dtype=np.int32)
        model.a_matrix_.value_ = np.array([times for _, times in terms])
        if whole:
            kinds = (highspy.HighsVarType.kContinuous, highspy.HighsVarType.kInteger)
            model.integrality_ = [kinds[is_whole] for is_whole in self._whole]
        solver = _Highs()
        solver.setOptionValue("output_flag", False)
        solver.setOptionValue("threads", 2)
        solver.setOptionValue("time_limit", max(0.1, seconds))
        solver.passModel(model)
        return solver


def _all(candidates: Sequence[Candidate]) -> list[tuple[int, Candidate]]:
    return list(enumerate(candidates))
