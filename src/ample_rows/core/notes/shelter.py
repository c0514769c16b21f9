"""Notes on who works a place and what comes to it: rims, knees, wind, animals, heat."""

from collections.abc import Iterator

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.geometry import shapes
from ample_rows.core.notes.note import Fix, Level, Note, of_garden
from ample_rows.core.notes.view import change_place
from ample_rows.core.place.view import PlaceView
from ample_rows.core.site.paths import PathRoom, paths_of
from ample_rows.core.soil.fill import fill_of
from ample_rows.core.words.message import (
    Bulk,
    Distance,
    Length,
    Message,
    Share,
    Span,
    message,
    sentences,
    verbatim,
)


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
            text = message(
                "shelter-rim-stands-works-up",
                wall=Length(wall),
                worker=worker.label,
                most=Length(most),
            )
            yield _note(view, "tip", "rim-high", text, message("shelter-step-beside-or-lower"))
            continue
        raised = place.model_copy(update={"wall_height_cm": least})
        more = fill_of(raised, view.setting.soil, book).order_litres
        more -= fill_of(place, view.setting.soil, book).order_litres
        yield Note(
            level="tip",
            code="rim-low",
            place=place.id,
            planting=None,
            text=message(
                "shelter-rim-stands-needs-raised",
                wall=Length(wall),
                worker=worker.label,
                rim=Span(Length(least), Length(most)),
                least=Length(least),
                more=Bulk(more),
            ),
            fix=message("shelter-raise-or-stand-mix"),
            fixes=(
                Fix(
                    label=message("shelter-raise", least=Length(least)),
                    edit=change_place(view, wall_height_cm=least),
                ),
            ),
        )


def room_to_kneel(view: PlaceView) -> Iterator[Note]:
    """A path that passes feet, but not a person kneeling at the bed."""
    gap, need = view.around.path_cm, view.book.path_needs["kneeling"]
    feet = view.book.path_needs["feet"].least_cm
    low = shapes.wall_cm(view.place) <= view.book.workers["kneeling"].rim_cm[1]
    if gap is not None and feet <= gap < need.least_cm and low and view.place.kind != "container":
        text = message(
            "shelter-leave-room-walk-but",
            gap=Length(gap),
            path_beside=view.around.path_beside or message("place-beside"),
            least=Length(need.least_cm),
        )
        yield _note(view, "tip", "no-room-to-kneel", text, message("shelter-work-from-other-side"))


def exposed(view: PlaceView) -> Iterator[Note]:
    """Tall supports and tall crops where nothing breaks the strongest wind."""
    tall = max((s.height_cm for s in view.supports), default=0.0)
    if view.around.exposed and tall >= view.book.value("exposed_support_cm"):
        yield _note(
            view,
            "care",
            "exposed",
            message("shelter-nothing-breaks-strongest-wind", tall=Length(tall)),
            message("shelter-brace-windward-or-grow"),
        )


def animals(view: PlaceView) -> Iterator[Note]:
    """Animals that a wall or a bottom of this place would stop, and does not."""
    for name in view.around.animals:
        animal = view.book.animals[name]
        opens = shapes.bottom(view.place) in ("open", "rotting") and view.place.stands_on is None
        if animal.bottom is not None and opens:
            fixes: tuple[Fix, ...] = (
                Fix(
                    label=message("shelter-lay-mesh-below"),
                    edit=change_place(view, bottom=animal.bottom),
                ),
            )
        elif animal.wall_cm is not None and shapes.wall_cm(view.place) < animal.wall_cm:
            fixes = ()
        else:
            continue
        yield Note(
            level="tip",
            code=f"animal-{name}",
            place=view.place.id,
            planting=None,
            text=message("shelter-come-here-they", animal=animal.label, does=animal.does),
            fix=verbatim(animal.keeps_out),
            fixes=fixes,
        )


def material(view: PlaceView) -> Iterator[Note]:
    """What a container's material does to its water and its roots in heat."""
    made_of = view.book.materials.get(view.place.material or "")
    if made_of is None or view.place.kind != "container" or made_of.heat is None:
        return
    dries = (
        message("shelter-needs-more-water", more=Share(made_of.dries - 1))
        if made_of.dries > 1
        else None
    )
    text = sentences(verbatim(made_of.heat), dries)
    caution = verbatim(made_of.caution) if made_of.caution else None
    yield _note(view, "tip", "container-heat", text, caution)


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
        message(
            "shelter-was-measured-outside-walls", width=Length(box.width), length=Length(box.length)
        ),
        message("shelter-cut-boards-longer-both", thick=Length(2 * thick)),
    )


def garden_wide(site: p.Site, all_places: tuple[p.Place, ...], book: Book) -> Iterator[Note]:
    """Animals of the whole yard, butts and roof water, what the ground may hold, and paths with
    too little room."""
    for name in site.animals:
        animal = book.animals[name]
        if animal.bottom is None and animal.wall_cm is None:
            text = message("shelter-come-here-they", animal=animal.label, does=animal.does)
            yield of_garden("tip", f"animal-{name}", text, verbatim(animal.keeps_out))
    if site.tanks:
        lidded = message("shelter-keep-every-butt-lidded")
        yield of_garden("tip", "butt-lid", message("shelter-children-animals-drown-very"), lidded)
    if any(tank.roof_m2 for tank in site.tanks):
        yield of_garden(
            "tip", "roof-water", message("shelter-roof-water"), message("shelter-on-the-soil")
        )
    if any(_on_the_ground(place) for place in all_places):
        tested = message("shelter-have-ground-tested")
        yield of_garden("tip", "ground-history", message("shelter-ground-may-hold"), tested)
    for path in paths_of(site, all_places, book):
        yield from _room_on(path, book.value("headroom_m"))


def _on_the_ground(place: p.Place) -> bool:
    """Whether roots go into the ground that was there before."""
    opens = shapes.bottom(place) not in ("closed", "lined")
    return opens and place.kind != "container" and place.stands_on is None


def _room_on(path: PathRoom, headroom_m: float) -> Iterator[Note]:
    """What stands into a path from beside it, or hangs over it."""
    if path.clear_cm is not None and path.clear_cm < path.need.least_cm <= path.width_cm:
        text = message(
            "shelter-between-clear-only-needs",
            between=path.between,
            path=path.name,
            clear=Length(path.clear_cm),
            need=path.need.label,
            least=Length(path.need.least_cm),
        )
        yield of_garden("care", "path-clear", text, message("shelter-move-what-stands-or"))
    if path.headroom_m is not None and path.headroom_m < headroom_m:
        headroom = Distance(path.headroom_m)
        text = message("shelter-boughs-hang-over", headroom=headroom, path=path.name)
        yield of_garden("tip", "headroom", text, message("shelter-raise-crown-or-mind"))


def _note(view: PlaceView, level: Level, code: str, text: Message, fix: Message | None) -> Note:
    return Note(level=level, code=code, place=view.place.id, planting=None, text=text, fix=fix)
