"""Notes on a place in its yard: where it lies, who reaches it, its water, roots and fall."""

import math
from collections.abc import Iterator

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.notes.note import Fix, Level, Note, of_garden
from ample_rows.core.notes.view import change_place
from ample_rows.core.place.view import PlaceView
from ample_rows.core.soil.breaking import levelled_litres
from ample_rows.core.words.message import (
    Bulk,
    Count,
    Distance,
    Length,
    Message,
    listed,
    message,
    sentences,
)

MOST_SHARED = 0.02


def _note(view: PlaceView, level: Level, code: str, text: Message, fix: Message | None) -> Note:
    return Note(level=level, code=code, place=view.place.id, planting=None, text=text, fix=fix)


def lies_amiss(view: PlaceView) -> Iterator[Note]:
    """A place outside the yard, in a house, or upon another place."""
    around = view.around
    if around.outside_share:
        share = max(1, round(around.outside_share * 100))
        yield _note(
            view,
            "care",
            "outside-yard",
            message("yard-place-lies-outside-yard", share=share),
            message("yard-move-or-draw-yard"),
        )
    for label in around.stands_in:
        yield _note(
            view,
            "care",
            "in-the-way",
            message("yard-place-stand-each-other", label=label),
            message("yard-move"),
        )
    for label in around.on_paths:
        yield _note(
            view,
            "care",
            "on-path",
            message("yard-place-lies", label=label),
            message("yard-move-aside-or-lead"),
        )
    for label in around.overlaps:
        yield _note(
            view,
            "care",
            "overlap",
            message("yard-place-lie-same-ground", label=label),
            message("yard-move-one-them-or"),
        )


def reach(view: PlaceView) -> Iterator[Note]:
    """Squares that hands do not get to without stepping on the soil."""
    within = view.around.reach
    if within.verdict != "within reach":
        count = len(within.cells_beyond)
        squares = (
            message("yard-square-cannot-reached", count=Count(count, "square")) if count else None
        )
        yield Note(
            level="care" if count else "tip",
            code="reach",
            place=view.place.id,
            planting=None,
            text=sentences(*within.reasons, squares),
            fix=message("yard-make-narrower-or-give"),
            fixes=(),
            cells=within.cells_beyond,
        )


def path_beside(view: PlaceView) -> Iterator[Note]:
    """A gap too narrow for feet is no path."""
    around, need = view.around, view.book.path_needs["feet"]
    gap = around.path_cm
    if gap is not None and MOST_SHARED < gap < need.least_cm and view.place.kind != "container":
        yield _note(
            view,
            "tip",
            "narrow-path",
            message(
                "yard-only-lie-between-feet",
                gap=Length(gap),
                path_beside=around.path_beside or message("place-beside"),
                least=Length(need.least_cm),
            ),
            message("yard-move-or-close-gap", least=Length(math.ceil(need.least_cm - gap))),
        )


def long_walk(view: PlaceView) -> Iterator[Note]:
    """A long bed is stepped on rather than walked round."""
    box = shapes.bounds(view.place.shape)
    length, limit = max(box.width, box.length), view.book.value("long_bed_cm")
    if view.place.kind != "container" and length > limit and min(box.width, box.length) > 45:
        yield _note(
            view,
            "tip",
            "long-bed",
            message(
                "yard-long-walk-round-long",
                length=Distance(length / 100),
                width=Distance(2 * (box.width + box.length) / 100),
            ),
            message("yard-leave-path-or-plank"),
        )


def water(view: PlaceView) -> Iterator[Note]:
    """A hose that ends short, or water that is carried."""
    way = view.around.water
    if way is None or way.short_m <= 0:
        return
    if way.hose_m:
        yield _note(
            view,
            "care",
            "hose-short",
            message(
                "yard-hose-ends-short-away",
                short=Distance(way.short_m),
                source=way.source,
                route=Distance(way.route_m),
            ),
            sentences(
                message("yard-hose-or-place-nearer", route=Distance(math.ceil(way.route_m + 0.5))),
                _carried(view),
            ),
        )
    else:
        yield _note(
            view,
            "tip",
            "carried-water",
            sentences(
                message(
                    "yard-water-carried-from-tired", route=Distance(way.route_m), source=way.source
                ),
                _carried(view),
            ),
            message("yard-hose-or-butt-nearer"),
        )


def _carried(view: PlaceView) -> Message | None:
    """How many cans a watering is at the driest, where the climate is known."""
    if view.need is None:
        return None
    month = view.need.thirstiest
    days = max(1.0, min(7.0, view.need.dry_days_between[month] or 7.0))
    litres = view.need.dry_litres_per_week[month] / 7 * days
    cans = math.ceil(litres / view.book.value("can_litres"))
    return message("yard-carried-watering-dry-weeks", cans=Count(cans, "can"))


def out_of_sight(view: PlaceView) -> Iterator[Note]:
    """A place that cannot be seen from the door."""
    if view.around.in_sight is False:
        yield _note(
            view,
            "tip",
            "out-of-sight",
            message("yard-place-cannot-seen-from"),
            message("yard-walk-past-daily-or"),
        )


def tree_roots(view: PlaceView) -> Iterator[Note]:
    """Roots of trees, shrubs and hedges come for the water."""
    names = view.around.roots
    if names and shapes.bottom(view.place) in ("open", "mesh", "rotting"):
        fixes: tuple[Fix, ...] = ()
        if view.place.kind == "framed":
            fixes = (
                Fix(label=message("yard-line-bottom"), edit=change_place(view, bottom="lined")),
            )
        yield Note(
            level="tip",
            code="tree-roots",
            place=view.place.id,
            planting=None,
            text=message("yard-roots-reach-under-place", trees=listed(names, "and")),
            fix=message("yard-water-more-here-cut"),
            fixes=fixes,
        )


def fall(view: PlaceView) -> Iterator[Note]:
    """Ground that falls under a place, and how much it takes to level it."""
    across, along = view.around.fall_width_cm, view.around.fall_length_cm
    box = shapes.bounds(view.place.shape)
    steepest = max(abs(across) / box.width, abs(along) / box.length) * 100
    book = view.book
    if steepest < book.value("bed_fall_worth_levelling") or view.place.kind == "container":
        return
    total = abs(across) + abs(along)
    turned = washed = stones = None
    text = message("yard-ground-falls-from-one", total=Length(total))
    moved = levelled_litres(shapes.inside_area_m2(view.place.shape), (across, along))
    fix = sentences(
        message("yard-dig-high-side-or", moved=Bulk(moved), total=Length(total)),
        message("yard-pour-to-test"),
    )
    if abs(along) / box.length > abs(across) / box.width and box.length > box.width:
        turned = message("yard-turned-along-slope-contour")
    washes = steepest >= book.value("bed_fall_washes")
    if washes:
        washed = message("yard-so-steep-rain-washes")
        stones = message("yard-set-stones-or-check")
    yield _note(
        view,
        "care" if washes else "tip",
        "fall",
        sentences(text, washed),
        sentences(fix, turned, stones),
    )


def paths_too_narrow(site: p.Site, book: Book) -> Iterator[Note]:
    """A path that does not pass what goes along it."""
    for path in site.paths:
        need = book.path_needs[path.use or "feet"]
        if path.width_cm < need.least_cm:
            name = path.name or message("yard-a-path")
            text = message(
                "yard-wide-needs-or-pass",
                name=name,
                width=Length(path.width_cm),
                need=need.label,
                least=Length(need.least_cm),
                easy=Length(need.easy_cm),
            )
            wide = message("yard-make-wide", easy=Length(need.easy_cm))
            yield of_garden("care", "path-width", text, wide)
