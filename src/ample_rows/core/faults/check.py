"""Relations between the parts of a plan that must hold before it can be computed.

A fault means that the document cannot be read as a garden. What merely does not
fit or do well is a result with a note, never a fault.
"""

from ample_rows.core import plan as p
from ample_rows.core import season
from ample_rows.core.faults.garden import (
    build_faults,
    chore_faults,
    garden_faults,
    seed_faults,
    site_faults,
    soil_faults,
)
from ample_rows.core.faults.place import place_faults
from ample_rows.core.faults.planting import date_faults, planting_faults
from ample_rows.core.faults.riser import riser_faults
from ample_rows.core.faults.words import twice
from ample_rows.core.own_crops import book_with
from ample_rows.core.reading import MOST_FAULTS, Fault, PlanFaultsError, read_document
from ample_rows.core.reference import Book
from ample_rows.core.risers import placed


def read_plan(raw: bytes | str, book: Book) -> p.Plan:
    """A plan that can be computed, from a document's text.

    Raises:
        PlanFaultsError: One fault a line, each with its path.
    """
    plan = read_document(raw)
    require_sound(plan, book)
    return plan


def require_sound(plan: p.Plan, book: Book) -> None:
    """Raise `PlanFaultsError` unless the plan's parts agree."""
    faults = check_plan(plan, book)
    if faults:
        raise PlanFaultsError(faults[:MOST_FAULTS])


def check_plan(plan: p.Plan, book: Book) -> list[Fault]:
    """Every disagreement between parts, in the order of the document."""
    faults = list(twice([crop.id for crop in plan.crops], "crops"))
    if faults:
        return faults
    try:
        book = book_with(book, plan.crops)
    except PlanFaultsError as error:
        return error.faults
    faults = [*chore_faults(plan.chores), *_one_layout(plan, book)]
    faults += twice([layout.id for layout in plan.alternatives], "alternatives")
    if not faults:
        # A fault of the garden itself would be told again for every layout.
        for index, layout in enumerate(plan.alternatives):
            path = f"alternatives[{index}]"
            found = _one_layout(plan.with_layout(layout), book)
            faults += [Fault(f"{path}.{fault.path}", fault.text) for fault in found]
    return faults


def _one_layout(plan: p.Plan, book: Book) -> list[Fault]:
    faults = list(garden_faults(plan.garden, book))
    faults += soil_faults(plan.soil or p.Soil(), book)
    faults += build_faults(plan.build or p.Build(), book)
    faults += seed_faults(plan.seed_box or p.SeedBox(), book)
    faults += site_faults(plan.site or p.Site(), book)
    faults += twice([place.id for place in plan.places], "places")
    for index, place in enumerate(plan.places):
        faults += place_faults(place, f"places[{index}]", plan.soil, book)
    if not faults:
        faults += riser_faults(plan)
    faults += twice([planting.id for planting in plan.plantings], "plantings")
    if faults:
        # Plantings are judged against sound places only, or one slip is told many times.
        return faults
    plan = placed(plan, book)
    end = season.growing_year(plan.garden, book).end
    for index, planting in enumerate(plan.plantings):
        path = f"plantings[{index}]"
        faults += planting_faults(plan, planting, path, book)
        faults += date_faults(plan, planting, path, end)
    return faults
