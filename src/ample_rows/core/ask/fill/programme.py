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

from ample_rows.core.ask.fill.candidates import WIDTHS, Candidate
from ample_rows.core.ask.fill.columns import INFINITE, Columns, Term
from ample_rows.core.ask.fill.greedy import Task
from ample_rows.core.ask.fill.ground import Zone
from ample_rows.core.ask.fill.table import AtTable, Floats
from ample_rows.core.ask.fill.value import SEGMENTS

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
        self.columns = Columns()
        self.chosen = [
            self.columns.variable(task.bare[n], self._room(c), whole=True)
            for n, c in _all(self.candidates)
        ]
        self.lanes: dict[LaneKey, int] = {}
        of_zone: dict[int, list[int]] = defaultdict(list)
        for at, candidate in _all(self.candidates):
            of_zone[candidate.zone].append(at)
        for number, zone in enumerate(self.zones):
            self._lanes_of(number, zone, of_zone[number])
        by_crop = defaultdict(list)
        for number, candidate in _all(self.candidates):
            by_crop[candidate.root].append(number)
        for crop, table in self.tables.items():
            self._larder(table, by_crop[crop], task.picked[crop])
        for crop in sorted(task.must & by_crop.keys()):
            self.columns.row(1, INFINITE, [(self.chosen[n], 1) for n in by_crop[crop]])
        if task.kinds is not None:
            self._at_most(task.kinds, by_crop)

    def _room(self, candidate: Candidate) -> float:
        strips = self.zones[candidate.zone].strips
        return float(sum(len(strip.units) // candidate.width for strip in strips))

    def _lanes_of(self, number: int, zone: Zone, of_zone: list[int]) -> None:
        """Lanes of each width, nested so that they can be laid out; a flow through each width."""
        here: dict[int, list[int]] = defaultdict(list)
        for at in of_zone:
            here[self.candidates[at].width].append(at)
        lengths = [len(strip.units) for strip in zone.strips]
        most = {width: float(sum(length // width for length in lengths)) for width in here}
        for width in here:
            self.lanes[number, width] = self.columns.variable(0.0, most[width], whole=True)
        for width, of_width in here.items():
            wider = [(self.lanes[number, w], float(w)) for w in WIDTHS if w >= width and w in here]
            self.columns.row(-INFINITE, width * most[width], wider)
            self._flow(self.lanes[number, width], most[width], of_width)

    def _flow(self, lanes: int, most: float, here: list[int]) -> None:
        begins = sorted({self.candidates[n].begins for n in here})
        terms: list[list[Term]] = [[] for _ in begins]
        for n in here:
            candidate = self.candidates[n]
            terms[begins.index(candidate.begins)].append((self.chosen[n], 1.0))
            back = next((k for k, half in enumerate(begins) if half >= candidate.ends), None)
            if back is not None:
                terms[back].append((self.chosen[n], -1.0))
        before = lanes
        for row in terms:
            idle = self.columns.variable(0.0, most)
            self.columns.row(0, 0, [*row, (idle, 1.0), (before, -1.0)])
            before = idle

    def _larder(self, table: AtTable, of: list[int], picked: Floats) -> None:
        """Week by week what is eaten fresh of each week's picking, put away, and eaten kept."""
        weeks = range(len(table.need))
        chosen = np.array([self.chosen[n] for n in of], dtype=np.int64)
        gives = np.array([self.candidates[n].gives for n in of]).reshape(len(of), len(weeks))
        fresh = [
            [
                self.columns.variable(0.0, float(table.need[week + late]))
                for late in range(table.fresh)
                if week + late < len(table.need)
            ]
            for week in weeks
        ]
        stores = table.keeps > 0 or table.in_store_kg > 0
        kept = [self.columns.variable(0.0, float(need)) for need in table.need] if stores else []
        away = [self.columns.variable(0.0, INFINITE) for _ in weeks] if table.keeps else []
        for week in weeks:
            mine = np.flatnonzero(gives[:, week])
            at_once = chosen[mine].tolist()
            ways = [(at, 1.0) for at in (*fresh[week], *away[week : week + 1])]
            given = zip(at_once, (-gives[mine, week]).tolist(), strict=True)
            self.columns.row(-INFINITE, float(picked[week]), [*ways, *given])
            for late, at in enumerate(fresh[week]):
                most = -np.minimum(gives[mine, week], table.need[week + late])
                feeds = zip(at_once, most.tolist(), strict=True) if most.any() else ()
                self.columns.row(-INFINITE, float(picked[week]), [(at, 1.0), *feeds])
            eaten = [fresh[week - late][late] for late in range(min(table.fresh, week + 1))]
            self.columns.row(
                -INFINITE,
                float(table.need[week]),
                [(at, 1.0) for at in (*eaten, *kept[week : week + 1])],
            )
        if kept:
            self._store(table, kept, away)
        enjoyed = [
            (self.columns.variable(table.worth * slope, part * table.want_kg), 1.0)
            for part, slope in SEGMENTS
        ]
        all_eaten = [(at, -1.0) for at in (*(at for one in fresh for at in one), *kept)]
        self.columns.row(-INFINITE, 0, [*enjoyed, *all_eaten])
        # No plantings together are worth more than each of them alone.
        already = table.value_of(picked)
        alone = dict(zip(of, (table.values_of(picked + gives) - already).tolist(), strict=True))
        slopes = [
            (at, table.worth * slope) for (at, _), (_, slope) in zip(enjoyed, SEGMENTS, strict=True)
        ]
        each = [(self.chosen[n], -more) for n, more in alone.items()]
        self.columns.row(-INFINITE, already, [*slopes, *each])

    def _store(self, table: AtTable, kept: list[int], away: list[int]) -> None:
        """No more is eaten kept up to a week than was put away by then; none of it later than it
        keeps."""
        so_far, put_by_then = self._sums(kept), self._sums(away)
        still, put_since = self._sums(kept[::-1])[::-1], self._sums(away[::-1])[::-1]
        for week in range(len(kept)):
            stored = [(put_by_then[week], -table.share)] if away else []
            self.columns.row(-INFINITE, table.in_store_kg, [(so_far[week], 1.0), *stored])
            lasts = [(put_since[max(0, week - table.keeps)], -table.share)] if away else []
            left = table.in_store_kg if week < table.in_store_weeks else 0.0
            self.columns.row(-INFINITE, left, [(still[week], 1.0), *lasts])

    def _sums(self, of: list[int]) -> list[int]:
        """Variables that are the sums of some up to each."""
        sums: list[int] = []
        for at in of:
            total = self.columns.variable(0.0, INFINITE)
            before = [(sums[-1], -1.0)] if sums else []
            self.columns.row(0, 0, [(total, 1.0), (at, -1.0), *before])
            sums.append(total)
        return sums

    def _at_most(self, kinds: int, by_crop: Mapping[str, list[int]]) -> None:
        grown = []
        for of in by_crop.values():
            there = self.columns.variable(0.0, 1.0, whole=True)
            grown.append((there, 1.0))
            for n in of:
                room = self._room(self.candidates[n])
                self.columns.row(-INFINITE, 0, [(self.chosen[n], 1.0), (there, -room)])
        self.columns.row(-INFINITE, float(kinds), grown)

    def solved(
        self, start: Solved, tried: Sequence[int], *, seconds: float, seed: int
    ) -> tuple[Solved | None, float | None]:
        """The best plan found of some candidates beside those of one to begin with, and what no
        plan of them is worth more than."""
        there = {n for n, times in enumerate(start.times) if times}
        numbers = sorted({*tried, *there})
        put_in = np.ones(len(self.columns.gain), dtype=bool)
        put_in[self.chosen] = False
        put_in[[self.chosen[n] for n in numbers]] = True
        columns = np.flatnonzero(put_in)
        where = {int(at): place for place, at in enumerate(columns)}
        solver = self.columns.solver(columns, whole=True, seconds=seconds)
        solver.setOptionValue("random_seed", seed % 2**31)
        given = {where[self.chosen[n]]: start.times[n] for n in there}
        given |= {where[at]: start.lanes.get(key, 0) for key, at in self.lanes.items()}
        solver.setSolution(
            len(given),
            np.array(list(given), dtype=np.int32),
            np.array(list(given.values()), dtype=np.float64),
        )
        solver.run()
        info, found = solver.getInfo(), np.array(solver.getSolution().col_value)
        if not len(found) or info.primal_solution_status != highspy.kSolutionStatusFeasible:
            return None, None
        times = [0] * len(self.chosen)
        for n in numbers:
            times[n] = round(found[where[self.chosen[n]]])
        lanes = {key: round(found[where[at]]) for key, at in self.lanes.items()}
        value = float(info.objective_function_value)
        return Solved(tuple(times), lanes, value), float(info.mip_dual_bound)


def _all(candidates: Sequence[Candidate]) -> list[tuple[int, Candidate]]:
    return list(enumerate(candidates))
