"""One place evaluated for itself and kept by its content: an edit in a bed evaluates that bed."""

from collections import defaultdict
from collections.abc import Mapping
from dataclasses import dataclass
from datetime import date
from functools import cached_property, lru_cache

import numpy as np

from ample_rows.core import notes
from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry.cells import cells_of, grid_of, held_cells
from ample_rows.core.notes.note import Note
from ample_rows.core.place.idle import idle_ground
from ample_rows.core.place.report import PlaceReport
from ample_rows.core.place.view import PlaceView, place_view
from ample_rows.core.place.written_up import place_report
from ample_rows.core.planting.cases import PlaceCase
from ample_rows.core.planting.harvest import Draws
from ample_rows.core.planting.lots import evaluate_together
from ample_rows.core.planting.report import PlantingReport


@dataclass(frozen=True, eq=False)
class PlaceResult:
    """One place evaluated, with its seasons for the garden's own sums; what is said of it is
    written up once it is asked for."""

    view: PlaceView
    idle_weeks: tuple[float, float]
    plantings: tuple[PlantingReport, ...]
    draws: Draws

    @cached_property
    def weekly_kg(self) -> Mapping[date, float]:
        """What all its plantings give in each week, by its Monday. [kg]"""
        weeks: dict[date, float] = defaultdict(float)
        for planting in self.plantings:
            for week in planting.weekly_kg:
                weeks[week.week] += week.kg
        return weeks

    @cached_property
    def report(self) -> PlaceReport:
        return place_report(self.view, self.idle_weeks, self.draws)

    @cached_property
    def notes(self) -> tuple[Note, ...]:
        return notes.place_notes(self.view)


@lru_cache(maxsize=256)
def evaluate_place(here: PlaceCase, plantings: tuple[p.Planting, ...]) -> PlaceResult:
    """One place with its plantings, independent of all others."""
    place, setting, book = here.place, here.setting, here.book
    evaluated = evaluate_together(plantings, here)
    grid = grid_of(place)
    held = held_cells(place)
    taken = [(e.report.cells, e.dates.start, e.dates.clear) for e in evaluated]
    rests = [(cells_of(place, rest.cells), rest.since, rest.until) for rest in place.rests]
    weeks, rested, spells = idle_ground(grid, held, taken, setting.year, book, rests=rests)
    return PlaceResult(
        view=place_view(here, evaluated, spells),
        idle_weeks=(weeks, rested),
        plantings=tuple(e.report for e in evaluated),
        draws=sum_of([e.counted for e in evaluated], book),
    )


def sum_of(draws: list[Draws], book: Book) -> Draws:
    total = np.zeros(int(book.value("seasons")))
    for part in draws:
        total += part
    return total
