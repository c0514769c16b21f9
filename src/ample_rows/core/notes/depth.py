"""Notes on depth: too little for roots, and what lies below."""

import math
from collections.abc import Iterator

from ample_rows.core import edits
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import grid_of, span_words
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import (
    all_cells,
    capital,
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
                "stop",
                depth.verdict,
                view.place.id,
                e.planting.id,
                _depth_stop_words(e),
                "; ".join(f.label for f in fixes) or "Grow it in a deeper place.",
                fixes,
                e.report.cells,
            )
    if reduced:
        yield _reduced_note(view, reduced)


def _depth_stop_words(e: Evaluated) -> str:
    depth, name = e.depth, capital(e.crop.name)
    if depth.verdict == "root-too-long":
        return (
            f"{name} grows a root {e.crop.edible_root_cm:g} cm long; this place gives "
            f"{depth.usable_cm:g} cm, so the roots fork or bend."
        )
    lost = percent_lost(depth.factor)
    if depth.governed_by == "litres":
        return (
            f"{name} has {depth.litres_per_plant:.1f} L of soil a plant and needs "
            f"{e.crop.least_litres:g} L at the least. Expect about {lost} % less."
        )
    return (
        f"Too shallow for {e.crop.name}: it needs {depth.least_cm:g} cm at the least, and "
        f"there is {depth.usable_cm:g} cm. Expect about {lost} % less."
    )


def _reduced_note(view: PlaceView, reduced: list[Evaluated]) -> Note:
    worst = min(reduced, key=lambda e: e.depth.factor)
    wants = ", ".join(
        dict.fromkeys(
            f"{e.crop.name} {e.crop.full_litres:g} L per plant"
            if e.depth.governed_by == "litres"
            else f"{e.crop.name} {e.depth.full_cm:g} cm"
            for e in sorted(reduced, key=lambda e: e.depth.factor)
        )
    )
    gives = (
        f"a plant has {worst.depth.litres_per_plant:.1f} L"
        if worst.depth.governed_by == "litres"
        else f"roots have {worst.depth.usable_cm:g} cm"
    )
    fixes = tuple(_depth_fixes(view, worst))
    return Note(
        "care",
        "reduced",
        view.place.id,
        worst.planting.id if len(reduced) == 1 else None,
        f"Here {gives}; for their best: {wants}. Expect "
        f"{span_lost(e.depth.factor for e in reduced)} less.",
        "; ".join(f.label for f in fixes) or "Grow it in a deeper place.",
        fixes,
        all_cells(reduced),
    )


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
        yield Fix(f"Loosen {missing:g} cm deeper", change_place(view, loosened_below_cm=loosened))
    elif gap > 0 and missing < gap:
        yield _filled(view, f"Fill {missing:g} cm higher", rim_gap_cm=gap - missing)
    elif place.kind != "container":
        wall = place.wall_height_cm + missing
        yield _filled(view, f"Build the wall {missing:g} cm higher", wall_height_cm=wall)
    yield from _riser_fixes(view, e, missing)
    for other in view.book.crops.values():
        related = other.variety_of == e.crop.id
        if related and (other.edible_root_cm or 0) <= depth.usable_cm >= other.least_depth_cm:
            yield Fix(
                f"Grow a {other.name} instead", change_planting(e, crop=other.id, variety=None)
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
        f"Stand a box {wall:g} cm high on {span_words(cells)}: {litres:.0f} L of mix",
        edits.StandRiser(id=place.id, cells=list(cells), new_id=riser.id, wall_height_cm=wall),
    )


def _filled(view: PlaceView, what: str, **changes: float) -> Fix:
    """A deeper fill as something to press: with the mix that it takes, and what that costs."""
    soil, book = view.setting.soil, view.book
    deeper = fill_of(view.place.model_copy(update=changes), soil, book)
    litres = deeper.order_litres - view.fill.order_litres
    bought = options_for(litres, soil, recipe(deeper.kind, litres))
    cost = next((_priced(o.cost) for o in bought if o.cost is not None), "")
    return Fix(f"{what}: {litres:.0f} L of mix{cost}", change_place(view, **changes))


def _priced(cost: float) -> str:
    """What mix costs; what is there already costs nothing."""
    return f", about {cost:.0f} to buy" if cost >= 0.5 else ", of your own"


def ground_below(view: PlaceView) -> Iterator[Note]:
    """What is known, unknown or of no use below the place."""
    place = view.place
    bottom = shapes.bottom(place)
    if place.stands_on is not None:
        return
    if _opens(view):
        if place.native is None and place.kind != "container":
            yield Note(
                "tip",
                "native-unknown",
                place.id,
                None,
                "The ground below is not described, so roots are counted only in the fill and in "
                "what is loosened.",
                "Say how the ground below is: compacted, ordinary or loose.",
                (
                    Fix("It is ordinary soil", change_place(view, native="ordinary")),
                    Fix("It is compacted", change_place(view, native="compacted")),
                ),
            )
        return
    if place.loosened_below_cm or place.native:
        why = {
            "rotting": "card or paper stops roots until it has rotted; say when it was laid",
            "lined": "the liner stops roots",
            "closed": "the bottom is closed",
        }[bottom]
        yield Note(
            "tip",
            "below-ignored",
            place.id,
            None,
            f"The ground below does not count here: {why}.",
            "Open the bottom, or fill deeper.",
        )
