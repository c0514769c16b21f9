"""Edits: every change that can be made to a plan, as a value, and its effect."""

import json
from typing import Annotated, Any, Literal, TypeVar

from pydantic import BaseModel, ConfigDict, Field

from ample_rows.core import plan as p
from ample_rows.core.edits.alternatives import layout_of, take_layout
from ample_rows.core.edits.crops import change_crop
from ample_rows.core.edits.job_marks import (
    forget_jobs,
    keep_chore,
    mark_job,
    remove_chores,
)
from ample_rows.core.edits.risers import stand_riser
from ample_rows.core.edits.twins import twin_of
from ample_rows.core.errors import UnknownPartError
from ample_rows.core.plan.links import forget
from ample_rows.core.plan.reading import PlanFaultsError, read_document

Changes = dict[str, Any]
Part = TypeVar("Part", p.Place, p.Planting)

MOST_RISER_CELLS = 500
MOST_RISER_WALL_CM = 300


class _Edit(BaseModel):
    model_config = ConfigDict(frozen=True, extra="forbid")


class Plant(_Edit):
    do: Literal["plant"] = "plant"
    planting: Changes


class ChangePlanting(_Edit):
    """Set some keys of a planting; a key set to null is taken out."""

    do: Literal["change-planting"] = "change-planting"
    id: str
    changes: Changes


class RemovePlanting(_Edit):
    do: Literal["remove-planting"] = "remove-planting"
    id: str


class AddPlace(_Edit):
    do: Literal["add-place"] = "add-place"
    place: Changes


class ChangePlace(_Edit):
    do: Literal["change-place"] = "change-place"
    id: str
    changes: Changes


class RemovePlace(_Edit):
    """Take a place out, with everything planted in it."""

    do: Literal["remove-place"] = "remove-place"
    id: str


class CopyPlace(_Edit):
    """Set up a twin of a place, with all that is planted there, as it is or in the mirror."""

    do: Literal["copy-place"] = "copy-place"
    id: str
    new_id: str
    mirrored: bool = False


class StandRiser(_Edit):
    """Stand a box of boards on squares of a place; what grows on just those moves up with it."""

    do: Literal["stand-riser"] = "stand-riser"
    id: str
    cells: Annotated[list[str], Field(max_length=MOST_RISER_CELLS)]
    new_id: str
    wall_height_cm: Annotated[float, Field(ge=5, le=MOST_RISER_WALL_CM, allow_inf_nan=False)]


class MarkJob(_Edit):
    """Mark a job as done, done in part, put off or left out; or as open again. `planned` is the
    day that it was planned for: what follows a crop that is cleared later than that waits."""

    do: Literal["mark-job"] = "mark-job"
    mark: Changes
    planned: p.PlanDate | None = None


class KeepChore(_Edit):
    """Keep a job of the grower's own, in the stead of an earlier one of the same id."""

    do: Literal["keep-chore"] = "keep-chore"
    chore: Changes


class RemoveChore(_Edit):
    """Take out a job of the grower's own, with what was marked of it."""

    do: Literal["remove-chore"] = "remove-chore"
    id: str


class ChangeGarden(_Edit):
    do: Literal["change-garden"] = "change-garden"
    changes: Changes


class ChangeSite(_Edit):
    """Set some keys of the yard; a key set to null is taken out."""

    do: Literal["change-site"] = "change-site"
    changes: Changes


class ChangeSoil(_Edit):
    """Set some keys of the garden's soil and prices; a key set to null is taken out."""

    do: Literal["change-soil"] = "change-soil"
    changes: Changes


class ChangeBuild(_Edit):
    """Set some keys of what frames are built from; a key set to null is taken out."""

    do: Literal["change-build"] = "change-build"
    changes: Changes


class ChangeSeedBox(_Edit):
    """Set some keys of the seed box; a key set to null is taken out."""

    do: Literal["change-seed-box"] = "change-seed-box"
    changes: Changes


class ChangeCrop(_Edit):
    """Set some figures of a crop, or begin an own kind with `like`; a figure set to null goes
    back to what the crop began from."""

    do: Literal["change-crop"] = "change-crop"
    id: str
    like: str | None = None
    figures: Changes


class RemoveCrop(_Edit):
    """Take out an own kind, or all own figures of a crop of the book."""

    do: Literal["remove-crop"] = "remove-crop"
    id: str


class KeepLayout(_Edit):
    """Keep the places, paths and plantings as they are beside the plan, under a name."""

    do: Literal["keep-layout"] = "keep-layout"
    id: str
    name: str


class TakeLayout(_Edit):
    """Put a kept layout into force, and keep in its stead what was there; or take over only
    some of its places with what is planted there, in the stead of those of the same id."""

    do: Literal["take-layout"] = "take-layout"
    id: str
    places: Annotated[list[str], Field(max_length=500)] | None = None


class ForgetLayout(_Edit):
    do: Literal["forget-layout"] = "forget-layout"
    id: str


class ForgetSetAside(_Edit):
    """Delete what was set aside because this version cannot use it."""

    do: Literal["forget-set-aside"] = "forget-set-aside"


class Together(_Edit):
    """Several edits that stand or fall, and are undone, as one."""

    do: Literal["together"] = "together"
    edits: Annotated[list["Edit"], Field(min_length=1, max_length=500)]


class ReplacePlan(_Edit):
    do: Literal["replace-plan"] = "replace-plan"
    plan: Changes


Edit = Annotated[
    Plant
    | ChangePlanting
    | RemovePlanting
    | AddPlace
    | ChangePlace
    | RemovePlace
    | CopyPlace
    | StandRiser
    | MarkJob
    | KeepChore
    | RemoveChore
    | ChangeGarden
    | ChangeSite
    | ChangeSoil
    | ChangeBuild
    | ChangeSeedBox
    | ChangeCrop
    | RemoveCrop
    | KeepLayout
    | TakeLayout
    | ForgetLayout
    | ForgetSetAside
    | Together
    | ReplacePlan,
    Field(discriminator="do"),
]
Together.model_rebuild()


_RECORDS = {"places", "plantings"}
_NEEDED = ("format", "version", "garden")
_PART_OF = {
    "change-garden": "garden",
    "change-site": "site",
    "change-soil": "soil",
    "change-build": "build",
    "change-seed-box": "seed_box",
}


def apply_edit(plan: p.Plan, edit: Edit) -> p.Plan:
    """The plan after an edit; the plan given is untouched.

    Raises:
        PlanFaultsError: The edit names something that is not there, or its values do not
            make a plan. Relations between parts are checked by `checks.check_plan`.
    """
    document = p.document(plan)
    try:
        _apply(document, edit)
    except (AttributeError, KeyError, TypeError):
        # A part of several made no sound record, and a later one fell over it: that is told.
        read_document(json.dumps(document))
        raise
    return _read_in_part(document, plan) or _sharing(read_document(json.dumps(document)), plan)


def _read_in_part(document: Changes, before: p.Plan) -> p.Plan | None:
    """The plan of a changed document: only what differs is read, by the same reader as a whole
    one. None where that finds a fault, or more differs than values and records."""
    was = p.document(before)
    if was.keys() != document.keys():
        return None
    changed: Changes = {key: value for key, value in document.items() if value != was[key]}
    kept: dict[str, dict[str, p.Place | p.Planting]] = {}
    for key in _RECORDS & changed.keys():
        now = _by_id(document[key])
        if now is None:
            return None
        parts: tuple[p.Place | p.Planting, ...] = getattr(before, key)
        pairs = zip(parts, was[key], strict=True)
        kept[key] = {part.id: part for part, record in pairs if now.get(part.id) == record}
        changed[key] = [record for ident, record in now.items() if ident not in kept[key]]
    if not changed.keys() <= p.Plan.model_fields.keys():
        return None
    try:
        read = read_document(json.dumps({**{key: was[key] for key in _NEEDED}, **changed}))
    except PlanFaultsError:
        return None
    update = {key: getattr(read, key) for key in changed}
    for key, same in kept.items():
        fresh = {part.id: part for part in update[key]}
        update[key] = tuple(same.get(r["id"]) or fresh[r["id"]] for r in document[key])
    return before.model_copy(update=update)


def _by_id(records: Any) -> dict[str, Changes] | None:
    """Records by id; None where they are no records, or one has no id of its own."""
    try:
        found = {record["id"]: record for record in records}
    except (KeyError, TypeError):
        return None
    return found if len(found) == len(records) else None


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


def _same_or(known: Part | None, new: Part) -> Part:
    return known if known is not None and known == new else new


def _apply(document: Changes, edit: Edit) -> None:
    places, plantings = document.setdefault("places", []), document.setdefault("plantings", [])
    match edit:
        case Plant():
            plantings.append(edit.planting)
        case ChangePlanting():
            _merge(_find(plantings, edit.id, "planting"), edit.changes)
        case RemovePlanting():
            _remove_planting(document, edit.id)
        case AddPlace():
            places.append(edit.place)
        case ChangePlace():
            _merge(_find(places, edit.id, "place"), edit.changes)
        case RemovePlace():
            _remove_place(document, edit.id)
        case CopyPlace():
            place = _find(places, edit.id, "place")
            own = [g for g in plantings if g["place"] == edit.id]
            twin, planted = twin_of(place, own, edit.new_id, mirrored=edit.mirrored)
            places.append(twin)
            plantings.extend(planted)
        case StandRiser():
            place = _find(places, edit.id, "place")
            stand_riser(document, place, edit.cells, edit.new_id, edit.wall_height_cm)
        case MarkJob():
            mark_job(document, edit.mark, edit.planned.isoformat() if edit.planned else None)
        case KeepChore():
            keep_chore(document, edit.chore)
        case RemoveChore():
            _find(document.get("chores", []), edit.id, "chore")
            remove_chores(document, lambda chore: bool(chore["id"] == edit.id))
        case ChangeGarden() | ChangeSite() | ChangeSoil() | ChangeBuild() | ChangeSeedBox():
            _merge(document.setdefault(_PART_OF[edit.do], {}), edit.changes)
        case ChangeCrop():
            change_crop(document, edit.id, edit.like, edit.figures)
        case RemoveCrop():
            crops = document.get("crops", [])
            crops.remove(_find(crops, edit.id, "crop"))
        case KeepLayout() | TakeLayout() | ForgetLayout():
            _apply_to_layouts(document, edit)
        case ForgetSetAside():
            document.pop("set_aside", None)
        case Together():
            for part in edit.edits:
                _apply(document, part)
        case ReplacePlan():
            document.clear()
            document.update(edit.plan)


def _apply_to_layouts(document: Changes, edit: KeepLayout | TakeLayout | ForgetLayout) -> None:
    layouts = document.setdefault("alternatives", [])
    match edit:
        case KeepLayout():
            layouts.append(layout_of(document, edit.id, edit.name))
        case TakeLayout():
            take_layout(document, _find(layouts, edit.id, "layout"), edit.places)
        case ForgetLayout():
            layouts.remove(_find(layouts, edit.id, "layout"))


def _remove_planting(document: Changes, ident: str) -> None:
    plantings = document["plantings"]
    plantings.remove(_find(plantings, ident, "planting"))
    forget(plantings, {ident})
    forget_jobs(document)


def _remove_place(document: Changes, ident: str) -> None:
    """Take a place out with its plantings; what stood on it stands on the ground."""
    places, plantings = document["places"], document["plantings"]
    places.remove(_find(places, ident, "place"))
    gone = {g["id"] for g in plantings if g["place"] == ident}
    plantings[:] = [g for g in plantings if g["place"] != ident]
    forget(plantings, gone)
    remove_chores(document, lambda chore: chore.get("place") == ident)
    forget_jobs(document)
    for place in places:
        if place.get("stands_on", {}).get("place") == ident:
            del place["stands_on"]


def _find(records: list[Changes], ident: str, what: str) -> Changes:
    for record in records:
        if record["id"] == ident:
            return record
    raise UnknownPartError(kind=what, ident=ident)


def _merge(record: Changes, changes: Changes) -> None:
    for key, value in changes.items():
        if value is None:
            record.pop(key, None)
        else:
            record[key] = value


def describe(edit: Edit, before: p.Plan) -> str:
    """What an edit did, for undo: "plant carrot", in the words of the plan before it."""
    crops = {g.id: g.crop for g in before.plantings}
    places = {place.id: place.label for place in before.places}
    names = {layout.id: layout.name for layout in before.alternatives}
    match edit:
        case Plant():
            return f"plant {edit.planting.get('crop', 'a crop')}"
        case ChangePlanting():
            return f"change {crops.get(edit.id, edit.id)}"
        case RemovePlanting():
            return f"clear {crops.get(edit.id, edit.id)}"
        case AddPlace():
            return f"add {edit.place.get('name') or edit.place.get('id', 'a place')}"
        case ChangePlace():
            return f"change {places.get(edit.id, edit.id)}"
        case RemovePlace():
            return f"remove {places.get(edit.id, edit.id)}"
        case CopyPlace():
            return f"{'mirror' if edit.mirrored else 'copy'} {places.get(edit.id, edit.id)}"
        case StandRiser():
            return f"stand a box on {places.get(edit.id, edit.id)}"
        case MarkJob():
            state = str(edit.mark.get("state", "open")).replace("-", " ")
            return f"mark a job {state}"
        case KeepChore() | RemoveChore():
            return "change the jobs of your own"
        case ChangeGarden():
            return "change the garden"
        case ChangeSite():
            return f"change {_of_the_yard(edit.changes)}"
        case ChangeSoil():
            return "change the soil"
        case ChangeBuild():
            return "change the boards and prices"
        case ChangeSeedBox():
            return "change the seed box"
        case ChangeCrop():
            return f"change {edit.id}" if edit.like is None else f"begin {edit.id}"
        case RemoveCrop():
            return f"take out what is own of {edit.id}"
        case KeepLayout():
            return f"keep {edit.name}"
        case TakeLayout():
            return f"take {names.get(edit.id, edit.id)}"
        case ForgetLayout():
            return f"forget {names.get(edit.id, edit.id)}"
        case ForgetSetAside():
            return "delete what was set aside"
        case Together():
            planted = sum(isinstance(part, Plant) for part in edit.edits)
            return f"plant {planted} crops" if planted > 1 else describe(edit.edits[0], before)
        case ReplacePlan():
            return "replace the whole plan"


_YARD_WORDS = {
    "outline_m": "the yard's outline",
    "north_deg": "north",
    "slope": "the slope",
    "horizon_deg": "the horizon",
    "obstacles": "what casts shade",
    "paths": "the paths",
    "taps": "the taps",
    "tanks": "the butts",
    "door_m": "the door",
    "wind_from_deg": "the wind",
    "animals": "the animals",
}


def _of_the_yard(changes: Changes) -> str:
    words = [_YARD_WORDS[key] for key in changes if key in _YARD_WORDS]
    return words[0] if len(words) == 1 else "the yard"
