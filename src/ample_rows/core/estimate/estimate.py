"""A plan with its book, and what both give: each part is worked out once, when first asked for."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.estimate.place_result import PlaceResult, evaluate_place
from ample_rows.core.estimate.report import Report
from ample_rows.core.estimate.totals import report_of, without_figures
from ample_rows.core.geometry.budget import too_many_cells
from ample_rows.core.place.place_cases import place_cases, setting_of
from ample_rows.core.planting.cases import Evaluated, PlaceCase, Setting
from ample_rows.core.planting.lots import evaluate_together


@dataclass(frozen=True, eq=False)
class Estimate:
    """One sound plan (`checks.require_sound`) with the book as its garden has it.

    Questions are asked of this value. `program` is the name and version that go into the report.
    """

    plan: p.Plan
    book: Book
    program: str = ""

    @cached_property
    def setting(self) -> Setting:
        """What all places share."""
        return setting_of(self.plan, self.book)

    @cached_property
    def cases(self) -> Mapping[str, PlaceCase]:
        """Every place with all that bears on it, by id, in the plan's order."""
        cases = place_cases(self.plan, self.setting, self.book)
        return {here.place.id: here for here in cases}

    @cached_property
    def _plantings(self) -> Mapping[str, p.Planting]:
        return {planting.id: planting for planting in self.plan.plantings}

    @cached_property
    def _by_place(self) -> Mapping[str, tuple[p.Planting, ...]]:
        return p.by_place(self.plan.plantings)

    @cached_property
    def report(self) -> Report:
        """Everything that can be said of the plan. A kept garden of too many squares still opens:
        its figures alone are left out."""
        cases = {} if too_many_cells(self.plan) else self.cases
        results = [self.result(place_id) for place_id in cases]
        return report_of(self.plan, self.setting, results, self.book, program=self.program)

    def without_figures(self) -> Report:
        """What can be said where a figure fails by a fault of the program: that it does."""
        return without_figures(self.plan, self.book, program=self.program)

    def place(self, place_id: str) -> PlaceCase:
        """One place with all that bears on it.

        Raises:
            UnknownPartError: There is no such place.
        """
        here = self.cases.get(place_id) if self.plan.place(place_id) is not None else None
        if here is None:
            raise UnknownPartError(kind="place", ident=place_id)
        return here

    def planting(self, planting_id: str) -> p.Planting:
        """One planting of the plan.

        Raises:
            UnknownPartError: There is no such planting.
        """
        evaluated = self._plantings.get(planting_id)
        if evaluated is None:
            raise UnknownPartError(kind="planting", ident=planting_id)
        return evaluated

    def plantings_in(self, place_id: str) -> tuple[p.Planting, ...]:
        """The plantings of one place, in the plan's order."""
        return self._by_place.get(place_id, ())

    def result(self, place_id: str) -> PlaceResult:
        """One place with its plantings, evaluated.

        Raises:
            UnknownPartError: There is no such place.
        """
        plantings = self.plantings_in(place_id)
        return evaluate_place(self.place(place_id).counting(plantings), plantings)

    def evaluated(self, place_id: str) -> tuple[Evaluated, ...]:
        """The plantings of one place with the figures behind their reports.

        Raises:
            UnknownPartError: There is no such place.
        """
        here = self.place(place_id)
        return evaluate_together(self.plantings_in(place_id), here)

    def trying(self, plan: p.Plan) -> "Estimate":
        """The same for another plan by the same book: what a change would come to."""
        return Estimate(plan, self.book, self.program)
