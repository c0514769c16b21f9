"""Notes on what fills a place: its weight on a floor, and a base of wood."""

from collections.abc import Iterator

from ample_rows.core.notes.note import Note
from ample_rows.core.place.view import PlaceView
from ample_rows.core.soil.fill import base_cm, fill_of
from ample_rows.core.soil.weight import weight_of
from ample_rows.core.words.message import Length, Load, Mass, Message, message

_NEAR_THE_LIMIT = 0.8


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
    weight = weight_of(view.place, fill_of(view.place, view.setting.soil, view.book), view.book)
    over = weight.kg_per_m2 > limit
    return Note(
        level="stop" if over else "care" if weight.kg_per_m2 > _NEAR_THE_LIMIT * limit else "tip",
        code="load",
        place=view.place.id,
        planting=None,
        text=message(
            "soil-soaked-place-weighs-each",
            kg=Mass(weight.kg),
            load=Load(weight.kg_per_m2),
            limit=Load(limit),
            when=when or "",
        ),
        fix=message("soil-what-floor-deck-or"),
    )


def woody_base(view: PlaceView) -> Iterator[Note]:
    """Fresh wood below sinks, and takes nitrogen while it rots."""
    base = base_cm(view.place)
    if base:
        sinks = base * view.book.value("base_sinks_in_three_years")
        yield Note(
            level="tip",
            code="woody-base",
            place=view.place.id,
            planting=None,
            text=message("soil-woody-base-sinks-about", sinks=Length(sinks)),
            fix=message("soil-top-up-mix-each"),
        )
