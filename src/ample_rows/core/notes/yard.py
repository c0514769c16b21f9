"""Notes on a place in its yard: where it lies, who reaches it, its water, roots and fall."""

import math
from collections.abc import Iterator

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.notes.note import Fix, Level, Note
from ample_rows.core.notes.view import capital, change_place
from ample_rows.core.place.view import PlaceView

MOST_SHARED = 0.02


def _note(view: PlaceView, level: Level, code: str, text: str, fix: str | None) -> Note:
    return Note(level, code, view.place.id, None, text, fix)


def lies_amiss(view: PlaceView) -> Iterator[Note]:
    """A place outside the yard, in a house, or upon another place."""
    around = view.around
    if around.outside_share:
        share = max(1, round(around.outside_share * 100))
        yield _note(
            view,
            "care",
            "outside-yard",
            f"{share} % of this place lies outside the yard.",
            "Move it, or draw the yard larger.",
        )
    for label in around.stands_in:
        yield _note(
            view,
            "care",
            "in-the-way",
            f"This place and the {label} stand in each other.",
            "Move it.",
        )
    for label in around.on_paths:
        yield _note(
            view,
            "care",
            "on-path",
            f"This place lies on the {label}.",
            "Move it aside, or lead the path round it.",
        )
    for label in around.overlaps:
        yield _note(
            view,
            "care",
            "overlap",
            f"This place and {label} lie on the same ground.",
            "Move one of them, or make it smaller.",
        )


def reach(view: PlaceView) -> Iterator[Note]:
    """Squares that hands do not get to without stepping on the soil."""
    found = view.around.reach
    if found.verdict != "within reach":
        count = len(found.cells_beyond)
        squares = f" {count} square{'s' if count > 1 else ''} cannot be reached." if count else ""
        yield Note(
            "care" if count else "tip",
            "reach",
            view.place.id,
            None,
            " ".join(found.reasons) + squares,
            "Make it narrower, or give it a path on the other side, or a stepping board.",
            (),
            found.cells_beyond,
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
            f"Only {gap:.0f} cm lie between this and {around.path_beside}; feet want "
            f"{need.least_cm:g} cm.",
            f"Move it {math.ceil(need.least_cm - gap)} cm, or close the gap.",
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
            f"It is {length / 100:.1f} m long: a walk round of "
            f"{2 * (box.width + box.length) / 100:.0f} m, and long beds get stepped on.",
            "Leave a path or a plank across its middle.",
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
            f"The hose ends {way.short_m:.1f} m short: the {way.source} is {way.route_m:.1f} m "
            f"away round what stands between.",
            f"A hose of {math.ceil(way.route_m + 0.5)} m, or a place nearer the water."
            f"{_carried(view)}",
        )
    else:
        yield _note(
            view,
            "tip",
            "carried-water",
            f"Water is carried {way.route_m:.0f} m from the {way.source}, and tired arms carry "
            f"less than is needed.{_carried(view)}",
            "A hose there, or a butt nearer.",
        )


def _carried(view: PlaceView) -> str:
    """How many cans a watering is at the driest, where the climate is known."""
    if view.need is None:
        return ""
    month = view.need.thirstiest
    days = max(1.0, min(7.0, view.need.dry_days_between[month] or 7.0))
    litres = view.need.dry_litres_per_week[month] / 7 * days
    cans = math.ceil(litres / view.book.value("can_litres"))
    return f" Carried, a watering in dry weeks is {cans} can{'s' if cans > 1 else ''}."


def out_of_sight(view: PlaceView) -> Iterator[Note]:
    """A place that cannot be seen from the door."""
    if view.around.in_sight is False:
        yield _note(
            view,
            "tip",
            "out-of-sight",
            "This place cannot be seen from the door; pests are found later there.",
            "Walk past it daily, or grow what needs little care here.",
        )


def tree_roots(view: PlaceView) -> Iterator[Note]:
    """Roots of trees, shrubs and hedges come for the water."""
    names = view.around.roots
    if names and shapes.bottom(view.place) in ("open", "mesh", "rotting"):
        fixes: tuple[Fix, ...] = ()
        if view.place.kind == "framed":
            fixes = (Fix("Line the bottom", change_place(view, bottom="lined")),)
        yield Note(
            "tip",
            "tree-roots",
            view.place.id,
            None,
            f"Roots of the {' and the '.join(names)} reach under this place and take its water.",
            "Water more here, cut a trench between, or line the bottom.",
            fixes,
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
    text = (
        f"The ground falls {total:.0f} cm from one corner of this place to the other; level it, "
        "or water runs to the low end."
    )
    fix = "Dig the high side in, or raise the low side by that much."
    if abs(along) / box.length > abs(across) / box.width and box.length > box.width:
        fix += " Turned along the slope's contour, it would fall less."
    washes = steepest >= book.value("bed_fall_washes")
    if washes:
        text += " So steep, rain washes loosened soil away."
        fix += " Set stones or a check board on the low side."
    yield _note(view, "care" if washes else "tip", "fall", text, fix)


def paths_too_narrow(site: p.Site, book: Book) -> Iterator[Note]:
    """A path that does not pass what goes along it."""
    for path in site.paths:
        need = book.path_needs[path.use or "feet"]
        if path.width_cm < need.least_cm:
            name = path.name or "A path"
            yield Note(
                "care",
                "path-width",
                None,
                None,
                f"{capital(name)} is {path.width_cm:g} cm wide; {need.label} needs "
                f"{need.least_cm:g} cm, or {need.easy_cm:g} cm to pass easily.",
                f"Make it {need.easy_cm:g} cm wide.",
            )
