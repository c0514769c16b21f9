"""Making an edit: the plan after it, read as any plan is, and no more of it than changed."""

import json
from typing import Any, TypeVar

from ample_rows.core import plan as p
from ample_rows.core.edits.edit import Changes, EditBase
from ample_rows.core.errors import AmpleRowsError
from ample_rows.core.plan.reading import PlanFaultsError, read_document

Part = TypeVar("Part", p.Place, p.Planting)

_RECORDS = {"places", "plantings"}
_NEEDED = ("format", "version", "garden")


def apply_edit(plan: p.Plan, edit: EditBase) -> p.Plan:
    """The plan after an edit; the plan given is untouched.

    Raises:
        PlanFaultsError: The edit names something that is not there, or its values do not
            make a plan. Relations between parts are checked by `checks.check_plan`.
    """
    document = p.document(plan)
    try:
        edit.made_in(document)
    except AmpleRowsError:
        raise
    except (AttributeError, KeyError, TypeError, ValueError):
        # A part of several made no sound record, and a later one fell over it: that is told.
        read_document(json.dumps(document))
        raise
    return _read_in_part(document, plan) or _sharing(read_document(json.dumps(document)), plan)


def _read_in_part(document: Changes, before: p.Plan) -> p.Plan | None:
    """The plan of a changed document: only what differs is read, by the same reader as a whole
    one. None where that finds a fault, or more differs than values and records."""
    was = p.shared_document(before)
    if was.keys() != document.keys():
        return None
    changed: Changes = {key: value for key, value in document.items() if value != was[key]}
    same_parts: dict[str, dict[str, p.Place | p.Planting]] = {}
    for key in _RECORDS & changed.keys():
        now = _by_id(document[key])
        if now is None:
            return None
        parts: tuple[p.Place | p.Planting, ...] = getattr(before, key)
        pairs = zip(parts, was[key], strict=True)
        same_parts[key] = {part.id: part for part, record in pairs if now.get(part.id) == record}
        changed[key] = [record for ident, record in now.items() if ident not in same_parts[key]]
    if not changed.keys() <= p.Plan.model_fields.keys():
        return None
    try:
        read = read_document(json.dumps({**{key: was[key] for key in _NEEDED}, **changed}))
    except PlanFaultsError:
        return None
    update = {key: getattr(read, key) for key in changed}
    for key, same in same_parts.items():
        fresh = {part.id: part for part in update[key]}
        update[key] = tuple(same.get(r["id"]) or fresh[r["id"]] for r in document[key])
    return before.model_copy(update=update)


def _by_id(records: Any) -> dict[str, Changes] | None:
    """Records by id; None where they are no records, or one has no id of its own."""
    try:
        by_id = {record["id"]: record for record in records}
    except (KeyError, TypeError):
        return None
    return by_id if len(by_id) == len(records) else None


def _sharing(plan: p.Plan, before: p.Plan) -> p.Plan:
    """A plan with the very places and plantings that it had before, where they say the same: what
    is kept of them by content is then kept once."""
    places = {place.id: place for place in before.places}
    plantings = {planting.id: planting for planting in before.plantings}
    return plan.model_copy(
        update={
            "places": tuple(_same_or(places.get(new.id), new) for new in plan.places),
            "plantings": tuple(_same_or(plantings.get(new.id), new) for new in plan.plantings),
        }
    )


def _same_or(old: Part | None, new: Part) -> Part:
    return old if old is not None and old == new else new
