"""Notes on plants as they stand: spacing, supports, light and size."""

from collections.abc import Iterator

from ample_rows.core import edits
from ample_rows.core import plan as p
from ample_rows.core.geometry import shapes
from ample_rows.core.notes.note import Fix, Level, Note
from ample_rows.core.notes.view import (
    all_cells,
    change_place,
    change_planting,
    named,
    percent_lost,
    span_lost,
)
from ample_rows.core.place.view import PlaceView
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.structures import supports
from ample_rows.core.words.message import Length, Mass, Message, Number, Span, listed, message

LOW_LIGHT_WORTH_SAYING = 0.92
# Less than this share of a full harvest for want of light is a matter of care, no mere tip.
LIGHT_ENOUGH = 0.7
HOURS_WORTH_SAYING = 0.5


def missing_support(view: PlaceView) -> Iterator[Note]:
    """Climbers with nothing to climb, and crops on a support that do not climb."""
    for e in view.plantings:
        if e.climbs_without_support:
            lost = percent_lost(e.report.factors.training)
            yield Note(
                level="care",
                code="no-support",
                place=view.place.id,
                planting=e.planting.id,
                text=message("standing-has-nothing-climb-lying", planting=named(e), lost=lost),
                fix=message("standing-give-net-or-plant"),
                fixes=tuple(_support_fixes(view, e)),
            )
        elif e.lone_support:
            yield Note(
                level="tip",
                code="does-not-climb",
                place=view.place.id,
                planting=e.planting.id,
                text=message("standing-does-not-climb-support", crop=e.crop.name),
                fix=message("standing-keep-support-climbing-crop"),
            )


def _support_fixes(view: PlaceView, e: Evaluated) -> Iterator[Fix]:
    """A support that is there or could be, then what needs no line of support."""
    yield from _line_fixes(view, e)
    trainings = view.book.trainings
    alone = [
        t
        for t in e.crop.trainings
        if not trainings[t.system].needs_support and t.system != e.report.training
    ]
    if alone:
        best = max(alone, key=lambda t: t.harvest_factor).system
        yield Fix(
            label=message("standing-give", trainings=trainings[best].label),
            edit=change_planting(e, training=best),
        )


def _line_fixes(view: PlaceView, e: Evaluated) -> Iterator[Fix]:
    trainings = view.book.trainings
    standing = next((s for s in view.place.supports if e.crop.training(s.system)), None)
    if standing is not None:
        label = trainings[standing.system].label
        yield Fix(
            label=message("standing-plant-along", label=label),
            edit=change_planting(e, support=standing.id),
        )
        return
    system = next((t.system for t in e.crop.trainings if trainings[t.system].needs_support), None)
    if system is None or not shapes.edges(view.place, view.setting.north_deg):
        return
    height = trainings[system].height_cm
    ident = next(
        n
        for n in ("net", *(f"net-{i}" for i in range(2, 99)))
        if n not in {s.id for s in view.place.supports}
    )
    added = {"id": ident, "height_cm": height, "system": system}
    existing = [p.document(s) for s in view.place.supports]
    yield Fix(
        label=message(
            "standing-put-up-high-pole", trainings=trainings[system].label, height=Length(height)
        ),
        edit=edits.Together(
            edits=[
                edits.ChangePlace(id=view.place.id, changes={"supports": [*existing, added]}),
                edits.ChangePlanting(id=e.planting.id, changes={"support": ident}),
            ]
        ),
    )


def shaded_by_support(view: PlaceView) -> Iterator[Note]:
    """A support on the equator-ward side shades its own bed."""
    for support in view.place.supports:
        edge = supports.edge_of(
            view.place,
            support,
            latitude=view.setting.latitude,
            north_deg=view.setting.north_deg,
        )
        if edge is None or support.line_cm is not None:
            continue
        if not supports.shades_own_bed(edge, view.setting.latitude, view.book):
            continue
        side = "south" if view.setting.latitude >= 0 else "north"
        moved = [
            {k: v for k, v in p.document(s).items() if k != "edge" or s.id != support.id}
            for s in view.place.supports
        ]
        yield Note(
            level="care",
            code="shades-own-bed",
            place=view.place.id,
            planting=None,
            text=message("standing-net-side-stands-between", side=side),
            fix=message("standing-put-pole-ward-side"),
            fixes=(
                Fix(
                    label=message("standing-move-pole-ward-side"),
                    edit=change_place(view, supports=moved),
                ),
            ),
        )


def low_light(view: PlaceView) -> Iterator[Note]:
    """Too few hours of sun, or hours that nobody has counted."""
    if view.place.sun_hours is None and view.sun is None:
        if view.plantings:
            yield Note(
                level="tip",
                code="light-unknown",
                place=view.place.id,
                planting=None,
                text=message("standing-nobody-has-counted-hours"),
                fix=message("standing-give-place-spot-yard"),
            )
        return
    stopped = [e for e in view.plantings if _hours(e) < e.crop.least_sun_hours]
    for e in stopped:
        yield _light_note(view, "stop", [e])
    dim = [
        e
        for e in view.plantings
        if e not in stopped and e.report.light.factor < LOW_LIGHT_WORTH_SAYING
    ]
    if dim:
        poor = any(e.report.light.factor < LIGHT_ENOUGH for e in dim)
        yield _light_note(view, "care" if poor else "tip", dim)


def _hours(e: Evaluated) -> float:
    useful = e.report.light.useful_hours
    return 24.0 if useful is None else useful


def _light_note(view: PlaceView, level: Level, dim: list[Evaluated]) -> Note:
    best = dict.fromkeys(
        message("standing-h", crop=e.crop.name, full_sun_hours=Number(e.crop.full_sun_hours))
        for e in dim
    )
    lost = span_lost(e.report.light.factor for e in dim)
    hours = sorted(_hours(e) for e in dim)
    span = Span(Number(hours[0], 1), Number(hours[-1], 1))
    what = message("standing-place") if len(dim) > 1 or view.place.sun_hours else named(dim[0])
    return Note(
        level=level,
        code="light-low",
        place=view.place.id,
        planting=dim[0].planting.id if len(dim) == 1 else None,
        text=message(
            "standing-sun-reach-their-best",
            span=span,
            what=what,
            behind=_behind(dim) or "",
            best=listed(best),
            lost=lost,
        ),
        fix=message("standing-grow-them-sunnier-place"),
        fixes=(),
        cells=all_cells(dim),
    )


def _behind(dim: list[Evaluated]) -> Message | None:
    """What stands before them, where it takes a good part."""
    worst = max((e.report.light for e in dim), key=lambda light: light.lost_to_neighbours)
    if worst.lost_to_neighbours < HOURS_WORTH_SAYING:
        return None
    return message(
        "standing-less-before-them",
        lost_to_neighbours=Number(worst.lost_to_neighbours, 1),
        behind=worst.behind,
    )


def unusual_start(view: PlaceView) -> Iterator[Note]:
    """A way of starting that the crop book does not know for the crop."""
    for e in view.plantings:
        if e.planting.start in e.crop.starts:
            continue
        usual = e.crop.starts[0]
        yield Note(
            level="care",
            code="unusual-start",
            place=view.place.id,
            planting=e.planting.id,
            text=message(
                "standing-not-usually-started-dates",
                crop=e.crop.name,
                start=e.planting.start,
                usual=usual,
            ),
            fix=message("standing-start", usual=usual),
            fixes=(
                Fix(
                    label=message("standing-start-2", usual=usual),
                    edit=change_planting(e, start=usual),
                ),
            ),
        )


def too_small(view: PlaceView) -> Iterator[Note]:
    """Crowded or starved pieces that fall below a usable size."""
    for e in view.plantings:
        crop, factors = e.crop, e.report.factors
        if crop.picking.kind != "once" or not crop.piece_kg or not crop.least_piece_kg:
            continue
        piece = crop.piece_kg * factors.density * factors.depth * factors.light
        if 0 < piece < crop.least_piece_kg:
            yield Note(
                level="care",
                code="small-pieces",
                place=view.place.id,
                planting=e.planting.id,
                text=message(
                    "standing-would-weigh-about-apiece",
                    planting=named(e),
                    piece=Mass((piece * 1000) / 1000),
                ),
                fix=message("standing-plant-wider"),
                fixes=(
                    Fix(
                        label=message("standing-use-book-spacing"),
                        edit=change_planting(e, spacing_cm=None, per_cell=None, plants=None),
                    ),
                ),
            )
