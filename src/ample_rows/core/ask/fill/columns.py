"""A linear programme by its columns, so that some of them can be solved for, and the others be
weighed by the prices that come of it."""

from collections.abc import Sequence
from functools import cached_property

import highspy
import numpy as np

# The solver without its callbacks: setting those up writes a banner to standard output.
from highspy._core import _Highs
from numpy.typing import NDArray

from ample_rows.core.ask.fill.table import Floats

Ints = NDArray[np.int64]
Term = tuple[int, float]
INFINITE = float(highspy.kHighsInf)


class Columns:
    """A programme to maximise, put down variable by variable and row by row."""

    def __init__(self) -> None:
        self._gain: list[float] = []
        self._upper: list[float] = []
        self._whole: list[bool] = []
        self._low: list[float] = []
        self._high: list[float] = []
        self._terms: list[list[Term]] = []

    def variable(self, gain: float, upper: float, *, whole: bool = False) -> int:
        """A variable from nothing to a most; its number."""
        self._gain.append(gain)
        self._upper.append(upper)
        self._whole.append(whole)
        return len(self._gain) - 1

    def row(self, low: float, high: float, terms: list[Term]) -> None:
        """What some variables come to, so many times each, lies within two bounds."""
        self._low.append(low)
        self._high.append(high)
        self._terms.append(terms)

    @cached_property
    def gain(self) -> Floats:
        """What one of each variable gains. Nothing can be put down any more once it was asked."""
        return np.array(self._gain)

    @cached_property
    def upper(self) -> Floats:
        """The most of each variable."""
        return np.array(self._upper)

    @cached_property
    def _by_column(self) -> tuple[Ints, Ints, Floats]:
        """Where each column begins, and the row and the factor of each of its terms."""
        terms = [term for row in self._terms for term in row]
        column = np.fromiter((at for at, _ in terms), dtype=np.int64, count=len(terms))
        factor = np.fromiter((times for _, times in terms), dtype=np.float64, count=len(terms))
        row = np.repeat(np.arange(len(self._terms)), [len(row) for row in self._terms])
        order = np.argsort(column, kind="stable")
        counts = np.bincount(column, minlength=len(self._gain))
        return np.concatenate([[0], np.cumsum(counts)]), row[order], factor[order]

    def some(self, columns: Ints) -> tuple[Ints, Ints, Floats]:
        """The same of some columns alone, in their order."""
        begins, row, factor = self._by_column
        counts = begins[columns + 1] - begins[columns]
        starts = np.concatenate([[0], np.cumsum(counts)])
        at = np.arange(starts[-1]) + np.repeat(begins[columns] - starts[:-1], counts)
        return starts, row[at], factor[at]

    def left_over(self, prices: Floats) -> Floats:
        """What each variable gains beyond what its rows' prices ask of it."""
        begins, row, factor = self._by_column
        of = np.repeat(np.arange(len(self._gain)), np.diff(begins))
        asked = np.bincount(of, weights=factor * prices[row], minlength=len(self._gain))
        return self.gain - asked

    def solver(self, columns: Ints, *, whole: bool, seconds: float) -> _Highs:
        """HiGHS with some of the columns, in their order, and all rows."""
        starts, row, factor = self.some(columns)
        model = highspy.HighsLp()
        model.num_col_, model.num_row_ = len(columns), len(self._terms)
        model.sense_ = highspy.ObjSense.kMaximize
        model.col_cost_, model.col_upper_ = self.gain[columns], self.upper[columns]
        model.col_lower_ = np.zeros(len(columns))
        model.row_lower_, model.row_upper_ = np.array(self._low), np.array(self._high)
        model.a_matrix_.format_ = highspy.MatrixFormat.kColwise
        model.a_matrix_.start_ = starts.astype(np.int32)
        model.a_matrix_.index_, model.a_matrix_.value_ = row.astype(np.int32), factor
        if whole:
            kinds = (highspy.HighsVarType.kContinuous, highspy.HighsVarType.kInteger)
            model.integrality_ = [kinds[self._whole[at]] for at in columns.tolist()]
        solver = _Highs()
        solver.setOptionValue("output_flag", False)
        solver.setOptionValue("threads", 2)
        solver.setOptionValue("time_limit", max(0.1, seconds))
        solver.passModel(model)
        return solver

    def add_to(self, solver: _Highs, columns: Ints) -> None:
        """Add some columns to those that a solver has."""
        starts, row, factor = self.some(columns)
        solver.addCols(
            len(columns),
            self.gain[columns],
            np.zeros(len(columns)),
            self.upper[columns],
            len(row),
            starts[:-1].astype(np.int32),
            row.astype(np.int32),
            factor,
        )


def is_solved(solver: _Highs) -> bool:
    """Whether a solver found the best there is."""
    status: highspy.HighsModelStatus = solver.getModelStatus()
    return status == highspy.HighsModelStatus.kOptimal


def values_in(solver: _Highs, at: Sequence[int] | Ints) -> Floats:
    """The values of some of a solver's variables."""
    values: Floats = np.array(solver.getSolution().col_value)[at]
    return values
