"""Notes on what fills a place: its weight on a floor and in the hands, and a base of wood."""

from collections.abc import Iterator

from ample_rows.core.notes.note import Level, Note
from ample_rows.core.place.view import PlaceView
from ample_rows.core.soil.fill import base_cm, fill_of
from ample_rows.core.soil.weight import Weight, weight_of
from ample_rows.core.words.message import Length, Load, Mass, Message, message

_NEAR_THE_LIMIT = 0.8


def floor(view: PlaceView) -> Iterator[Note]:
    """What a soaked place on a balcony, deck or roof weighs, while nobody has said what that
    carries."""
    place = view.place
    if place.floor is None or place.load_limit_kg_per_m2 is not None:
        return
    weight = _soaked(view)
    alone = weight.kg <= view.book.value("lifted_alone_kg")
    yield _note(
        view,
        "tip" if alone else "care",
        "floor-load",
        message(
            "soil-floor-limit-not-known",
            kg=Mass(weight.kg),
            load=Load(weight.kg_per_m2),
            floor=place.floor,
        ),
        message("soil-ask-someone-licensed", floor=place.floor),
    )


def heavy(view: PlaceView) -> Iterator[Note]:
    """A container that is too heavy for one pair of hands once it is filled and watered."""
    if view.place.kind != "container":
        return
    weight = _soaked(view)
    if weight.kg > view.book.value("lifted_alone_kg"):
        text = message("soil-heavy-when-soaked", kg=Mass(weight.kg))
        yield _note(view, "tip", "heavy", text, message("soil-move-by-two"))


def _soaked(view: PlaceView) -> Weight:
    return weight_of(view.place, fill_of(view.place, view.setting.soil, view.book), view.book)


def load(view: PlaceView) -> Iterator[Note]:
    """A soaked place against the load that the grower's own papers give, at each of its spots.
    Never called safe."""
    place = view.place
    limits: list[tuple[Message | None, float | None]] = [(None, place.load_limit_kg_per_m2)]
    limits += [(message("soil-from", since=s.since), s.load_limit_kg_per_m2) for s in place.stays]
    for when, limit in limits:
        if limit is not None:
            yield _load_note(view, limit, when)


def _load_note(view: PlaceView, limit: float, when: Message | None) -> Note:
    weight = _soaked(view)
    over = weight.kg_per_m2 > limit
    near = weight.kg_per_m2 > _NEAR_THE_LIMIT * limit
    return _note(
        view,
        "stop" if over else "care" if near else "tip",
        "load",
        message(
            "soil-soaked-place-weighs-each",
            kg=Mass(weight.kg),
            load=Load(weight.kg_per_m2),
            limit=Load(limit),
            when=when or "",
        ),
        message("soil-what-floor-deck-or"),
    )


def woody_base(view: PlaceView) -> Iterator[Note]:
    """Fresh wood below sinks, and takes nitrogen while it rots."""
    base = base_cm(view.place)
    if base:
        sinks = base * view.book.value("base_sinks_in_three_years")
        text = message("soil-woody-base-sinks-about", sinks=Length(sinks))
        yield _note(view, "tip", "woody-base", text, message("soil-top-up-mix-each"))


def _note(view: PlaceView, level: Level, code: str, text: Message, fix: Message) -> Note:
    return Note(level=level, code=code, place=view.place.id, planting=None, text=text, fix=fix)
