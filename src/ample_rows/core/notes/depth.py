"""Notes on depth: too little for roots, and what lies below."""

import math
from collections.abc import Iterator

from ample_rows.core import edits
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import grid_of
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import (
    all_cells,
    change_place,
    change_planting,
    percent_lost,
    span_lost,
)
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.site.risers import riser_on
from ample_rows.core.soil import roots
from ample_rows.core.soil.fill import fill_of, recipe
from ample_rows.core.soil.order import options_for
from ample_rows.core.words.message import (
    Bulk,
    Length,
    Message,
    Money,
    Squares,
    Volume,
    listed,
    message,
)

REDUCED_WORTH_SAYING = 0.97


def depth_short(view: PlaceView) -> Iterator[Note]:
    """Too little depth, or too little soil a plant, with what would mend it.

    What stops a crop is said for each; what only lessens it is said once for the place.
    """
    reduced = []
    for e in view.plantings:
        depth = e.depth
        if depth.verdict == "reduced" and depth.factor < REDUCED_WORTH_SAYING:
            reduced.append(e)
        elif depth.verdict in ("root-too-long", "too-shallow"):
            fixes = tuple(_depth_fixes(view, e))
            yield Note(
                level="stop",
                code=depth.verdict,
                place=view.place.id,
                planting=e.planting.id,
                text=_depth_stop_words(e),
                fix=_ways_out(fixes, e),
                fixes=fixes,
                cells=e.report.cells,
            )
    if reduced:
        yield _reduced_note(view, reduced)


def _depth_stop_words(e: Evaluated) -> Message:
    depth, name = e.depth, e.crop.name
    if depth.verdict == "root-too-long":
        return message(
            "depth-grows-root-long-place",
            name=name,
            edible_root=Length(e.crop.edible_root_cm or 0.0),
            usable=Length(depth.usable_cm),
        )
    lost = percent_lost(depth.factor)
    if depth.governed_by == "litres":
        return message(
            "depth-has-soil-plant-needs",
            name=name,
            litres_per_plant=Volume(depth.litres_per_plant or 0.0, 1),
            least=Volume(e.crop.least_litres),
            lost=lost,
        )
    return message(
        "depth-too-shallow-needs-least",
        crop=e.crop.name,
        least=Length(depth.least_cm),
        usable=Length(depth.usable_cm),
        lost=lost,
    )


def _reduced_note(view: PlaceView, reduced: list[Evaluated]) -> Note:
    worst = min(reduced, key=lambda e: e.depth.factor)
    best = dict.fromkeys(
        message("depth-full-litres", crop=e.crop.name, full=Volume(e.crop.full_litres))
        if e.depth.governed_by == "litres"
        else message("depth-full-depth", crop=e.crop.name, full=Length(e.depth.full_cm))
        for e in sorted(reduced, key=lambda e: e.depth.factor)
    )
    gives = (
        message("depth-plant-has", litres_per_plant=Volume(worst.depth.litres_per_plant or 0.0, 1))
        if worst.depth.governed_by == "litres"
        else message("depth-roots-have", usable=Length(worst.depth.usable_cm))
    )
    fixes = tuple(_depth_fixes(view, worst))
    return Note(
        level="care",
        code="reduced",
        place=view.place.id,
        planting=worst.planting.id if len(reduced) == 1 else None,
        text=message(
            "depth-here-their-best-expect",
            gives=gives,
            best=listed(best),
            lost=span_lost(e.depth.factor for e in reduced),
        ),
        fix=_ways_out(fixes, worst),
        fixes=fixes,
        cells=all_cells(reduced),
    )


def _ways_out(fixes: tuple[Fix, ...], worst: Evaluated) -> Message:
    if worst.depth.governed_by == "litres":
        if worst.report.plants == 1:
            return message("depth-larger-pot")
        return message("depth-fewer-plants")
    if not fixes:
        return message("depth-grow-deeper-place")
    return message("ways-out", fixes=listed((fix.label for fix in fixes), "semicolon"))


def _opens(view: PlaceView) -> bool:
    return roots.roots_pass(view.place, view.setting.year.last_frost, view.book)


def _depth_fixes(view: PlaceView, e: Evaluated) -> Iterator[Fix]:
    place, depth = view.place, e.depth
    if depth.governed_by == "litres":
        return
    needed = max(depth.full_cm, e.crop.edible_root_cm or 0.0)
    missing = needed - depth.usable_cm
    gap = shapes.rim_gap_cm(place)
    if _opens(view) and place.kind != "container" and place.stands_on is None:
        loosened = (place.loosened_below_cm or 0.0) + missing
        yield Fix(
            label=message("depth-loosen-deeper", missing=Length(missing)),
            edit=change_place(view, loosened_below_cm=loosened),
        )
    elif gap > 0 and missing < gap:
        yield _filled(
            view, message("depth-fill-higher", missing=Length(missing)), rim_gap_cm=gap - missing
        )
    elif place.kind != "container":
        wall = place.wall_height_cm + missing
        yield _filled(
            view, message("depth-build-wall-higher", missing=Length(missing)), wall_height_cm=wall
        )
    yield from _riser_fixes(view, e, missing)
    for other in view.book.crops.values():
        related = other.variety_of == e.crop.id
        if related and (other.edible_root_cm or 0) <= depth.usable_cm >= other.least_depth_cm:
            yield Fix(
                label=message("depth-grow-instead", other=other.name),
                edit=change_planting(e, crop=other.id, variety=None),
            )


def _riser_fixes(view: PlaceView, e: Evaluated, missing: float) -> Iterator[Fix]:
    """A box on just the squares of a crop, where it and all that shares them can move up."""
    place, cells = view.place, e.report.cells
    alone = all(
        set(other.report.cells) <= set(cells)
        for other in view.plantings
        if set(other.report.cells) & set(cells)
    )
    worth = place.kind != "container" and place.stands_on is None and e.planting.support is None
    if not (worth and alone):
        return
    step = view.book.value("riser_step_cm")
    wall = math.ceil((missing + shapes.DEFAULT_RIM_GAP_CM) / step) * step
    riser = riser_on(
        place, cells, ident=f"{place.id[:50]}-box-{e.planting.id[:8]}", wall_height_cm=wall
    )
    if riser is None or len(cells) == len(grid_of(place).cells):
        return
    if len(cells) > edits.MOST_RISER_CELLS or wall > edits.MOST_RISER_WALL_CM:
        return
    litres = fill_of(riser, view.setting.soil, view.book).order_litres
    yield Fix(
        label=message(
            "depth-stand-box-high-mix",
            wall=Length(wall),
            cells=Squares(tuple(cells)),
            litres=Bulk(litres),
        ),
        edit=edits.StandRiser(id=place.id, cells=list(cells), new_id=riser.id, wall_height_cm=wall),
    )


def _filled(view: PlaceView, what: Message, **changes: float) -> Fix:
    """A deeper fill as something to press: with the mix that it takes, and what that costs."""
    soil, book = view.setting.soil, view.book
    deeper = fill_of(view.place.model_copy(update=changes), soil, book)
    litres = deeper.order_litres - view.fill.order_litres
    bought = options_for(litres, soil, recipe(deeper.kind, litres))
    cost = next((_priced(o.cost) for o in bought if o.cost is not None), None)
    return Fix(
        label=message("depth-takes-mix", what=what, litres=Bulk(litres), cost=cost or ""),
        edit=change_place(view, **changes),
    )


def _priced(cost: float) -> Message:
    """What mix costs; what is there already costs nothing."""
    return (
        message("depth-about-buy", cost=Money(cost)) if cost >= 0.5 else message("depth-your-own")
    )


def ground_below(view: PlaceView) -> Iterator[Note]:
    """What is known, unknown or of no use below the place."""
    place = view.place
    bottom = shapes.bottom(place)
    if place.stands_on is not None:
        return
    if _opens(view):
        if place.native is None and place.kind != "container":
            yield Note(
                level="tip",
                code="native-unknown",
                place=place.id,
                planting=None,
                text=message("depth-ground-below-not-described"),
                fix=message("depth-say-how-ground-below"),
                fixes=(
                    Fix(
                        label=message("depth-ordinary-soil"),
                        edit=change_place(view, native="ordinary"),
                    ),
                    Fix(
                        label=message("depth-compacted"),
                        edit=change_place(view, native="compacted"),
                    ),
                ),
            )
        return
    if place.loosened_below_cm or place.native:
        why = {
            "rotting": message("depth-card-or-paper-stops"),
            "lined": message("depth-liner-stops-roots"),
            "closed": message("depth-bottom-closed"),
        }[bottom]
        yield Note(
            level="tip",
            code="below-ignored",
            place=place.id,
            planting=None,
            text=message("depth-ground-below-does-not", why=why),
            fix=message("depth-open-bottom-or-fill"),
        )
