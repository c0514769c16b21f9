"""A garden made ready to be filled: what stays, the ground that is free beside it, and what could
stand in it."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from ample_rows.core import plan as p
from ample_rows.core.ask.fill.candidates import Candidates, candidates_of
from ample_rows.core.ask.fill.greedy import Task
from ample_rows.core.ask.fill.ground import Zone, zones_of
from ample_rows.core.ask.fill.halves import Halves
from ample_rows.core.ask.fill.lanes import Placed
from ample_rows.core.ask.fill.reasons import reports_of
from ample_rows.core.ask.fill.settled import Scope, settled_in
from ample_rows.core.ask.fill.table import Floats, tables_of
from ample_rows.core.ask.fill.value import PlanWorth, value_of
from ample_rows.core.ask.pantry.wants import root_of, wants_of
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.notes.note import Note
from ample_rows.core.planting.report import PlantingReport
from ample_rows.core.words.message import Text, message, sentences

_MOST_MENDED = 6


@dataclass(frozen=True)
class Ready:
    """A garden with what stays in it, and what may be put in beside that."""

    present: Estimate
    scope: Scope

    @cached_property
    def base(self) -> Estimate:
        """The garden with what stays alone."""
        settled = settled_in(self.present, self.scope)
        return self.present.trying(self.present.plan.model_copy(update={"plantings": settled}))

    @cached_property
    def stays(self) -> frozenset[str]:
        return frozenset(planting.id for planting in self.base.plan.plantings)

    @cached_property
    def halves(self) -> Halves:
        return Halves(self.present.setting.year)

    @cached_property
    def standing(self) -> list[PlantingReport]:
        return list(reports_of(self.base))

    @cached_property
    def zones(self) -> tuple[Zone, ...]:
        return tuple(zones_of(self.base, self.standing, self.halves, self.scope))

    @cached_property
    def found(self) -> Candidates:
        return candidates_of(self.base, self.zones, self.crops, self.halves)

    @cached_property
    def crops(self) -> tuple[str, ...]:
        """Crops to plant: those that are wanted or must be in, and may be."""
        book, fill = self.base.book, self.base.plan.garden.fill or p.Fill()
        never = {root_of(book.crops[crop]) for crop in fill.never}
        asked = [c for want in wants_of(self.base.plan, book).values() for c in want.asked_as]
        return tuple(
            crop
            for crop in dict.fromkeys((*asked, *fill.must))
            if root_of(book.crops[crop]) not in never
        )

    @cached_property
    def task(self) -> Task:
        fill, book = self.base.plan.garden.fill or p.Fill(), self.base.book
        there = frozenset(root_of(book.crops[report.crop]) for report in self.standing)
        return Task(
            self.zones,
            self.found.every,
            tables_of(self.base),
            self._bare(),
            self._picked(),
            must=frozenset(root_of(book.crops[crop]) for crop in fill.must) - there,
            kinds=None if fill.kinds is None else max(0, fill.kinds - len(there)),
        )

    def why_none(self) -> Text:
        """Why nothing can be planted; empty where something can."""
        if self.found.every:
            return ""
        if not self.crops:
            return message("fill-nothing-wanted")
        if not self.zones:
            return message("fill-no-ground")
        return sentences(message("fill-nothing-fits"), *self.found.against.values())

    def evaluated(self, placed: Sequence[Placed]) -> tuple[p.Plan, PlanWorth]:
        """The plan with some plantings put in, less those that a note stops."""
        plantings = self._plantings(placed)
        for _ in range(_MOST_MENDED):
            plan = self.base.plan.model_copy(
                update={"plantings": (*self.base.plan.plantings, *plantings)}
            )
            tried = self.base.trying(plan)
            stopped = {note.planting for note in notes_of(tried) if note.level == "stop"}
            sound = [planting for planting in plantings if planting.id not in stopped]
            if len(sound) == len(plantings):
                break
            plantings = sound
        return plan, value_of(tried)

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

    def _bare(self) -> list[float]:
        """What each candidate gains by itself: its effort, and ground that is idle no more."""
        book = self.base.book
        effort, idle = book.value("fill_effort_a_planting"), book.value("fill_idle_a_cell_week")
        return [idle * c.cell_weeks - effort for c in self.found.every]

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


def notes_of(estimate: Estimate) -> list[Note]:
    """All that is said of the places of a plan."""
    return [note for place in estimate.cases for note in estimate.result(place).notes]
