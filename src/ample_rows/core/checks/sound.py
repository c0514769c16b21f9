"""Relations between the parts of a plan that must hold before it can be computed.

A fault means that the document cannot be read as a garden. What merely does not
fit or do well is a result with a note, never a fault.
"""

import json
from dataclasses import dataclass
from typing import Any

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.book.own import own_book
from ample_rows.core.calendar.growing_year import growing_year
from ample_rows.core.checks.garden import (
    build_faults,
    chore_faults,
    garden_faults,
    seed_faults,
    site_faults,
    soil_faults,
)
from ample_rows.core.checks.place import place_faults
from ample_rows.core.checks.planting import date_faults, is_linked, planting_faults
from ample_rows.core.checks.riser import riser_faults
from ample_rows.core.checks.usable import usable_document, with_set_aside
from ample_rows.core.checks.words import twice
from ample_rows.core.geometry.budget import cells_in_all, too_many_cells
from ample_rows.core.plan.reading import (
    MOST_FAULTS,
    Fault,
    PlanFaultsError,
    read_document,
)
from ample_rows.core.site.risers import placed

_AROUND = ("garden", "site", "soil", "build", "seed_box", "crops")


def usable_plan(document: dict[str, Any], book: Book) -> p.Plan:
    """A plan from a document that was kept: always one, with what cannot be used set aside.

    A garden of too many squares is read all the same, so that it can be made smaller.
    """
    if document.get("set_aside"):
        document = with_set_aside(document)
    text = json.dumps(document)
    try:
        plan = read_document(text)
    except PlanFaultsError:
        plan = None
    if plan is not None and (too_many_cells(plan) or not check_plan(plan, book)):
        return plan
    return _usable_part(document, book)


def _usable_part(document: dict[str, Any], book: Book) -> p.Plan:
    def faults(trial: dict[str, Any]) -> list[Fault]:
        try:
            plan = read_document(json.dumps(trial))
        except PlanFaultsError as error:
            return error.faults
        return [] if too_many_cells(plan) else check_plan(plan, book)

    return read_document(json.dumps(usable_document(document, faults)))


def read_plan(raw: bytes | str, book: Book) -> p.Plan:
    """A plan that can be computed, from a document's text.

    Raises:
        PlanFaultsError: One fault a line, each with its path.
    """
    plan = read_document(raw)
    require_sound(plan, book)
    return plan


def require_sound(plan: p.Plan, book: Book, *, before: p.Plan | None = None) -> None:
    """Raise `PlanFaultsError` unless the plan's parts agree.

    Args:
        before: The plan before an edit. Where that has too many squares to be computed, one of
            fewer is taken, though it may still have too many.
    """
    sound = before
    if before is not None and too_many_cells(before) is not None:
        if too_many_cells(plan) and cells_in_all(plan.places) <= cells_in_all(before.places):
            return
        sound = None
    faults = check_plan(plan, book, before=sound)
    if faults:
        raise PlanFaultsError(faults[:MOST_FAULTS])


def check_plan(plan: p.Plan, book: Book, *, before: p.Plan | None = None) -> list[Fault]:
    """Every disagreement between parts, in the order of the document.

    Args:
        before: A sound plan that this one was made of. What both share as the very same value
            is not looked at again.
    """
    same_places = before is not None and plan.places is before.places
    too_many = None if same_places else too_many_cells(plan)
    if too_many:
        return [too_many]
    faults = list(twice([crop.id for crop in plan.crops], "crops"))
    if faults:
        return faults
    try:
        book = own_book(book, plan)
    except PlanFaultsError as error:
        return error.faults
    settled = _Settled.of(plan, before)
    faults = [*chore_faults(plan.chores), *_one_drawing(plan, book, settled)]
    faults += twice([drawing.id for drawing in plan.alternatives], "alternatives")
    if not faults and not (settled.around and plan.alternatives is settled.alternatives):
        # A fault of the garden itself would be told again for every drawing.
        for index, drawing in enumerate(plan.alternatives):
            path = f"alternatives[{index}]"
            other = plan.with_alternative(drawing)
            too_many = too_many_cells(other)
            faults_there = [too_many] if too_many else _one_drawing(other, book, _Settled())
            faults += [Fault(f"{path}.{fault.path}", fault.text) for fault in faults_there]
    return faults


@dataclass(frozen=True)
class _Settled:
    """What of a plan was found sound before: all round its places, and parts by identity."""

    around: bool = False
    places: frozenset[int] = frozenset()
    plantings: frozenset[int] = frozenset()
    alternatives: tuple[p.Alternative, ...] | None = None

    @classmethod
    def of(cls, plan: p.Plan, before: p.Plan | None) -> "_Settled":
        if before is None or any(getattr(plan, k) is not getattr(before, k) for k in _AROUND):
            return cls()
        places = {id(place) for place in before.places}
        stand = places == {id(place) for place in plan.places}
        return cls(
            around=True,
            places=frozenset(places),
            plantings=frozenset(id(planting) for planting in before.plantings)
            if stand
            else frozenset(),
            alternatives=before.alternatives,
        )


def _one_drawing(plan: p.Plan, book: Book, settled: _Settled) -> list[Fault]:
    faults: list[Fault] = []
    if not settled.around:
        faults += garden_faults(plan.garden, book)
        faults += soil_faults(plan.soil or p.Soil(), book)
        faults += build_faults(plan.build or p.Build(), book)
        faults += seed_faults(plan.seed_box or p.SeedBox(), book)
        faults += site_faults(plan.site or p.Site(), book)
    faults += twice([place.id for place in plan.places], "places")
    for index, place in enumerate(plan.places):
        if id(place) not in settled.places:
            faults += place_faults(place, f"places[{index}]", plan.soil, book)
    if not faults:
        faults += riser_faults(plan)
    faults += twice([planting.id for planting in plan.plantings], "plantings")
    if faults:
        # Plantings are judged against sound places only, or one slip is told many times.
        return faults
    plan = placed(plan, book)
    end = growing_year(plan.garden, book).end
    for index, planting in enumerate(plan.plantings):
        path = f"plantings[{index}]"
        if id(planting) not in settled.plantings:
            faults += planting_faults(plan, planting, path, book)
        elif not is_linked(planting):
            continue
        faults += date_faults(plan, planting, path, end)
    return faults
