"""Notes on closeness: what standing close costs, what hangs over a wall, where nothing fits."""

import math
from collections.abc import Iterator

import shapely

from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import pitch_of
from ample_rows.core.notes.note import Fix, Note
from ample_rows.core.notes.view import change_planting, named
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.planting.setting_out import schools_of, setting_out
from ample_rows.core.planting.single_squares import block_cells
from ample_rows.core.words.message import Length, Message, Share, message

COST_WORTH_SAYING = 0.15
OVERHANG_WORTH_SAYING_CM = 15.0
_BY_OWN_SPACING: dict[str, None] = dict.fromkeys(("spacing_cm", "per_cell", "plants", "spots_cm"))


def none_fit(view: PlaceView) -> Iterator[Note]:
    """A planting whose spacing does not fit its ground."""
    for e in view.plantings:
        if e.report.plants:
            continue
        narrower = pitch_of(view.place).narrower_cm
        wide = block_cells(e.report.spacing_cm, narrower, view.book)
        text = message(
            "standing-no-fits-here-plants", crop=e.crop.name, spacing=Length(e.report.spacing_cm)
        )
        fix = message("standing-give-block-squares-or", wide=wide)
        if e.planting.between:
            text = message("standing-no-fits-between-plants", crop=e.crop.name)
            fix = message("standing-plant-both-wider-or")
        lines = {s.id for s in view.place.supports if s.line_cm is not None}
        edges = shapes.edges(view.place, view.setting.north_deg)
        if e.planting.support and not edges and e.planting.support not in lines:
            text = message("standing-support-needs-straight-side", crop=e.crop.name)
            fix = message("standing-grow-bed-straight-sides")
        alone = not (e.planting.support or e.planting.between)
        yield Note(
            level="stop",
            code="none-fit",
            place=view.place.id,
            planting=e.planting.id,
            text=text,
            fix=fix,
            fixes=(_by_count(e),) if alone else (),
        )


def _by_count(e: Evaluated) -> Fix:
    changes = {**_BY_OWN_SPACING, "layout": "single-squares"}
    return Fix(label=message("standing-set-by-count-square"), edit=change_planting(e, **changes))


def stands_close(view: PlaceView) -> Iterator[Note]:
    """What a count, a number or a spacing closer than the book's costs each plant."""
    for e in view.plantings:
        usual = e.crop.spacing_cm
        apart = _apart_cm(e)
        lost = 1 - e.report.factors.density
        closer = e.planting.support is None and e.planting.between is None and apart < usual
        if not closer or lost < COST_WORTH_SAYING or e.planting.varieties:
            continue
        yield Note(
            level="tip",
            code="close",
            place=view.place.id,
            planting=e.planting.id,
            text=message(
                "close-stands-apart-usual",
                planting=named(e),
                apart=Length(apart),
                usual=Length(usual),
                lost=Share(lost),
            ),
            fix=message("close-more-in-all-smaller"),
            fixes=(
                Fix(
                    label=message("standing-use-book-spacing"),
                    edit=change_planting(e, **_BY_OWN_SPACING, layout="merged"),
                ),
            ),
        )


def _apart_cm(e: Evaluated) -> float:
    """The distance of its plants, those of a station taken one by one. [cm]"""
    each = len(e.report.positions_cm) / max(1, len(set(e.report.positions_cm)))
    return e.report.spacing_cm / math.sqrt(max(1.0, each))


def over_the_wall(view: PlaceView) -> Iterator[Note]:
    """What leaves of plants near the walls take of the way beside."""
    place, setting = view.place, view.setting
    if place.kind == "container":
        return
    schools = schools_of(setting.policies, setting.per_square, place)
    for e in view.plantings:
        out = setting_out(e.planting, e.crop, schools)
        if out.walls != "near" or out.counts or e.planting.support or not e.report.plants:
            continue
        hang = e.crop.canopy_cm / 2 - _to_the_wall_cm(view, e)
        if hang < OVERHANG_WORTH_SAYING_CM:
            continue
        yield Note(
            level="tip",
            code="over-the-wall",
            place=place.id,
            planting=e.planting.id,
            text=_hanging_words(view, e, hang),
            fix=message("close-keep-off-walls"),
            fixes=(
                Fix(label=message("close-half-spacing-off"), edit=change_planting(e, walls="half")),
            ),
        )


def _hanging_words(view: PlaceView, e: Evaluated, hang_cm: float) -> Message:
    path = view.around.way_cm
    if path is None:
        return message("close-leaves-hang-over", planting=named(e), hang=Length(round(hang_cm)))
    return message(
        "close-leaves-hang-over-path",
        planting=named(e),
        hang=Length(round(hang_cm)),
        path=Length(round(path)),
        left=Length(max(0, round(path) - round(hang_cm))),
    )


def _to_the_wall_cm(view: PlaceView, e: Evaluated) -> float:
    """From the plant nearest to a wall to its outer side. [cm]"""
    walls = shapes.outer_outline(view.place.shape).boundary
    return float(shapely.distance(walls, shapely.points(e.report.positions_cm)).min())
