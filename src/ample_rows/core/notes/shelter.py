"""Notes on who works a place and what comes to it: rims, knees, wind, animals, heat."""

from collections.abc import Iterator

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.notes.note import Fix, Level, Note
from ample_rows.core.notes.view import capital, change_place
from ample_rows.core.place.view import PlaceView
from ample_rows.core.site.paths import paths_of
from ample_rows.core.soil.fill import fill_of


def rim(view: PlaceView) -> Iterator[Note]:
    """A rim too low or too high for those who work there, and the soil that mending it takes."""
    place, book = view.place, view.book
    if place.kind in ("ground", "mound"):
        return
    wall = shapes.wall_cm(place)
    for name in view.around.workers:
        worker = book.workers[name]
        least, most = worker.rim_cm
        if least <= wall <= most:
            continue
        if wall > most:
            text = f"The rim stands at {wall:g} cm; {worker.label} works up to {most:g} cm."
            yield _note(view, "tip", "rim-high", text, "A step beside it, or a lower wall.")
            continue
        raised = place.model_copy(update={"wall_height_cm": least})
        more = fill_of(raised, view.setting.soil, book).order_litres
        more -= fill_of(place, view.setting.soil, book).order_litres
        yield Note(
            "tip",
            "rim-low",
            place.id,
            None,
            f"The rim stands at {wall:g} cm; {worker.label} needs {least:g} to {most:g} cm. "
            f"Raised to {least:g} cm it takes {more:.0f} L more mix to pour.",
            "Raise it, or stand the mix on a woody base to save some of that.",
            (Fix(f"Raise it to {least:g} cm", change_place(view, wall_height_cm=least)),),
        )


def room_to_kneel(view: PlaceView) -> Iterator[Note]:
    """A path that passes feet, but not a person kneeling at the bed."""
    gap, need = view.around.path_cm, view.book.path_needs["kneeling"]
    feet = view.book.path_needs["feet"].least_cm
    low = shapes.wall_cm(view.place) <= view.book.workers["kneeling"].rim_cm[1]
    if gap is not None and feet <= gap < need.least_cm and low and view.place.kind != "container":
        text = (
            f"{gap:.0f} cm to {view.around.path_beside} leave room to walk but not to kneel, which "
            f"takes {need.least_cm:g} cm."
        )
        yield _note(view, "tip", "no-room-to-kneel", text, "Work it from its other side.")


def exposed(view: PlaceView) -> Iterator[Note]:
    """Tall supports and tall crops where nothing breaks the strongest wind."""
    tall = max((s.height_cm for s in view.supports), default=0.0)
    if view.around.exposed and tall >= view.book.value("exposed_support_cm"):
        yield _note(
            view,
            "care",
            "exposed",
            f"Nothing breaks the strongest wind here, and the support stands {tall:g} cm high.",
            "Brace it to windward, or grow a hedge there: half-open breaks slow wind better than "
            "a solid wall, which throws gusts behind it.",
        )


def animals(view: PlaceView) -> Iterator[Note]:
    """Animals that a wall or a bottom of this place would stop, and does not."""
    for name in view.around.animals:
        animal = view.book.animals[name]
        opens = shapes.bottom(view.place) in ("open", "rotting") and view.place.stands_on is None
        if animal.bottom is not None and opens:
            fixes: tuple[Fix, ...] = (
                Fix("Lay mesh below", change_place(view, bottom=animal.bottom)),
            )
        elif animal.wall_cm is not None and shapes.wall_cm(view.place) < animal.wall_cm:
            fixes = ()
        else:
            continue
        yield Note(
            "tip",
            f"animal-{name}",
            view.place.id,
            None,
            f"{capital(animal.label)} come here; they {animal.does}.",
            animal.keeps_out,
            fixes,
        )


def material(view: PlaceView) -> Iterator[Note]:
    """What a container's material does to its water and its roots in heat."""
    known = view.book.materials.get(view.place.material or "")
    if known is None or view.place.kind != "container" or known.heat is None:
        return
    dries = f" It needs {(known.dries - 1) * 100:.0f} % more water." if known.dries > 1 else ""
    yield _note(view, "tip", "container-heat", known.heat + dries, known.caution)


def measured_outside(view: PlaceView) -> Iterator[Note]:
    """Squares that no longer come out whole because the place was measured outside."""
    shape = view.place.shape
    thick = shape.wall_thickness_cm or 0.0
    if shape.measured != "outside" or not thick or view.place.stands_on is not None:
        return
    box = shapes.bounds(shape)
    yield _note(
        view,
        "tip",
        "measured-outside",
        f"It was measured outside: its walls leave {box.width:g} by {box.length:g} cm inside, and "
        "the squares are counted there.",
        f"Cut the boards {2 * thick:g} cm longer both ways if whole squares matter.",
    )


def garden_wide(site: p.Site, all_places: tuple[p.Place, ...], book: Book) -> Iterator[Note]:
    """Animals of the whole yard, butts that want a lid, and paths with too little room."""
    for name in site.animals:
        animal = book.animals[name]
        if animal.bottom is None and animal.wall_cm is None:
            text = f"{capital(animal.label)} come here; they {animal.does}."
            yield Note("tip", f"animal-{name}", None, None, text, animal.keeps_out)
    if site.tanks:
        yield Note(
            "tip",
            "butt-lid",
            None,
            None,
            "Children and animals drown in very little water.",
            "Keep every butt lidded, and the lid fast.",
        )
    for path in paths_of(site, all_places, book):
        if path.clear_cm is not None and path.clear_cm < path.need.least_cm <= path.width_cm:
            yield Note(
                "care",
                "path-clear",
                None,
                None,
                f"Between {path.between}, {path.name} is clear for {path.clear_cm:.0f} cm only; "
                f"{path.need.label} needs {path.need.least_cm:g} cm.",
                "Move what stands in it, or lead the path round.",
            )
        if path.headroom_m is not None and path.headroom_m < book.value("headroom_m"):
            yield Note(
                "tip",
                "headroom",
                None,
                None,
                f"Boughs hang {path.headroom_m:.1f} m over {path.name}.",
                "Raise the crown, or mind your head.",
            )


def _note(view: PlaceView, level: Level, code: str, text: str, fix: str | None) -> Note:
    return Note(level, code, view.place.id, None, text, fix)
