"""What is to be looked to before a support is trusted: its ends, its openings, its feet, what it
may grow to, and a cloth over it."""

import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Crop
from ample_rows.core.carpentry.materials import Stood
from ample_rows.core.geometry import shapes
from ample_rows.core.words.message import Length, Message, message

_G_PER_CM3 = 1.0
_CUT_TO_CM = 10.0


@dataclass(frozen=True)
class Standing:
    """A support as it is put up, with what grows on it and the way beside it. [cm]"""

    up: Stood
    place: p.Place
    crops: Sequence[Crop]
    path_cm: float | None

    @property
    def kinds(self) -> list[Crop]:
        """Its crops, each once."""
        return list({crop.id: crop for crop in self.crops}.values())


def to_check(standing: Standing, book: Book) -> tuple[Message, ...]:
    """What a careful builder looks to, in the order in which it is built."""
    parts = (_ends, _feet, _openings, _later, _cloth)
    return tuple(words for part in parts for words in part(standing, book))


def _ends(standing: Standing, book: Book) -> Iterator[Message]:
    """Wires and nets pull the outermost posts in."""
    up = standing.up
    strained = up.system.build.rail == "wire" or up.system.build.twine_tier_every_cm
    if up.arch is None and strained and up.run.length_cm >= book.value("brace_from_cm"):
        yield message("to-check-end-posts", run=Length(up.run.length_cm))


def _feet(standing: Standing, book: Book) -> Iterator[Message]:
    """Stays and leaning posts keep the way beside the bed clear for walkers and the mower."""
    up, path = standing.up, standing.path_cm
    if up.footing_id == "stayed":
        reach = up.height_cm
    else:
        reach = up.height_cm * math.tan(math.radians(up.system.build.lean_deg))
    on_edge = up.support.line_cm is None
    if not reach or not on_edge:
        return
    left = None if path is None else path - reach
    if left is None:
        yield message("to-check-feet-reach", reach=Length(round(reach)))
    elif left < book.value("way_clear_cm"):
        yield message(
            "to-check-feet-in-way", reach=Length(round(reach)), path=Length(round(path or 0.0))
        )


def _openings(standing: Standing, book: Book) -> Iterator[Message]:
    """A hand, and the fruit, have to come through the net."""
    opening = standing.up.opening_cm
    if opening is None or not standing.up.system.build.sheet:
        return
    if opening < book.value("hand_through_cm"):
        yield message("to-check-hand", opening=Length(opening))
    for crop in standing.kinds:
        across = fruit_across_cm(crop)
        if across is not None and across > opening:
            yield message(
                "to-check-fruit",
                crop=crop.name,
                across=Length(round(across)),
                opening=Length(opening),
            )


def fruit_across_cm(crop: Crop) -> float | None:
    """How wide a fruit is, as a ball of its weight and of water's density; None for what bears
    no single fruit. [cm]"""
    if crop.group != "fruit" or not crop.piece_kg:
        return None
    return float((6 * crop.piece_kg * 1000 / (math.pi * _G_PER_CM3)) ** (1 / 3))


def _later(standing: Standing, book: Book) -> Iterator[Message]:
    """What would climb higher than the support goes."""
    up = standing.up
    higher = [crop for crop in standing.kinds if crop.height_cm > up.height_cm]
    if higher and up.arch is None:
        tallest = max(higher, key=lambda crop: crop.height_cm)
        yield message(
            "to-check-later",
            crop=tallest.name,
            grows=Length(tallest.height_cm),
            more=Length(tallest.height_cm - up.height_cm),
        )


def _cloth(standing: Standing, book: Book) -> Iterator[Message]:
    """A cloth laid over it against frost or sun, down to the ground on both sides."""
    up = standing.up
    tucked = 2 * book.value("cloth_tucked_cm")
    if up.arch is not None:
        over = up.arch.mesh_cm
    else:
        box = shapes.bounds(standing.place.shape)
        over = 2 * math.hypot(up.height_cm, min(box.width, box.length) / 2)
    across, along = (_cut_cm(cm + tucked) for cm in (over, up.run.length_cm))
    yield message("to-check-cloth", over=Length(across), along=Length(along))


def _cut_cm(cm: float) -> float:
    """As cloth is cut: to the next ten centimetres."""
    return math.ceil(cm / _CUT_TO_CM) * _CUT_TO_CM
