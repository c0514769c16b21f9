"""A frame: its sides, courses of boards, posts and ties, and the sheet below."""

import itertools
import math
from collections import Counter
from dataclasses import dataclass

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book, Walling
from ample_rows.core.geometry import shapes

DEFAULT_BOARD = "softwood-board"
MOST_CORNERS = 24
_DUST_CM = 1e-6
_CM2_A_M2 = 1e4
_SHEET_OF: dict[p.Bottom, str] = {"lined": "liner", "mesh": "mesh", "rotting": "card"}


@dataclass(frozen=True, slots=True)
class Frame:
    """What one place's frame is built from, whatever boards there are. [cm]

    `sides_cm` are outside lengths of its walls, `ties_cm` braces across long high walls;
    `bent_cm` is the way round a wall that is bent, not cut.
    """

    material: str
    wall_cm: float
    sides_cm: tuple[float, ...]
    ties_cm: tuple[float, ...]
    bent_cm: float
    posts: int
    post_cm: float


@dataclass(frozen=True, slots=True)
class Sheet:
    """What lies at the bottom: metres of a roll as wide, or so many sheets of card. [m2, m, cm]

    `area_m2` is what is bought: the whole width of the roll.
    """

    material: str
    area_m2: float
    sheets: int | None = None
    roll_m: float | None = None
    roll_cm: float | None = None


def frame_of(place: p.Place, book: Book) -> Frame | None:
    """The frame of a framed place; None for what has no frame or comes made."""
    if place.kind != "framed":
        return None
    wall = shapes.wall_cm(place)
    rings = _rings(place)
    buried = 0.0 if shapes.bottom(place) == "closed" else book.value("post_buried_cm")
    material = place.material or DEFAULT_BOARD
    walling = book.materials[material].walling
    held = walling is None or walling.posts
    if max(len(ring) - 1 for ring in rings) > MOST_CORNERS:
        round_cm = sum(shapely.LinearRing(ring).length for ring in rings)
        posts = math.ceil(round_cm / book.value("post_every_cm")) if held else 0
        return Frame(material, wall, (), (), round_cm, posts, wall + buried)
    sides = _sides(place, rings)
    between = [max(0, _parts(cm, book.value("post_every_cm")) - 1) for cm in sides]
    return Frame(
        material=material,
        wall_cm=wall,
        sides_cm=tuple(sides),
        ties_cm=_ties(place, wall, book) if walling is None else (),
        bent_cm=0.0,
        posts=len(sides) + sum(between) if held else 0,
        post_cm=wall + buried,
    )


def walled(frame: Frame, walling: Walling) -> float:
    """How much of a material that is not cut from boards a frame takes, by its own unit: pieces
    laid course by course with whole ones at the corners, square metres of face, or the whole."""
    if walling.by == "whole":
        return 1.0
    lengths = [*frame.sides_cm, *filter(None, [frame.bent_cm])]
    if walling.by == "face":
        return sum(lengths) * frame.wall_cm / _CM2_A_M2
    piece, course = walling.piece_cm or math.inf, walling.course_cm or math.inf
    return float(_parts(frame.wall_cm, course) * sum(_parts(cm, piece) for cm in lengths))


def _rings(place: p.Place) -> list[list[tuple[float, float]]]:
    outline = shapes.outline(place.shape)
    return [list(ring.coords) for ring in (outline.exterior, *outline.interiors)]


def _sides(place: p.Place, rings: list[list[tuple[float, float]]]) -> list[float]:
    """Outside lengths: each board laps one corner by its thickness, two on a rectangle's sides."""
    thick = place.shape.wall_thickness_cm or 0.0
    if shapes.is_rectangular(place.shape):
        box = shapes.bounds(place.shape)
        return [box.length + 2 * thick] * 2 + [box.width] * 2
    return [
        math.dist(a, b) + thick
        for ring in rings
        for a, b in itertools.pairwise(ring)
        if math.dist(a, b) > _DUST_CM
    ]


def _ties(place: p.Place, wall: float, book: Book) -> tuple[float, ...]:
    """Braces across, so that wet soil does not push long high walls apart."""
    box = shapes.bounds(place.shape)
    long, short = max(box.width, box.length), min(box.width, box.length)
    if wall < book.value("tie_from_wall_cm") or not shapes.is_rectangular(place.shape):
        return ()
    return (short,) * max(0, _parts(long, book.value("tie_every_cm")) - 1)


def _parts(length: float, most: float) -> int:
    return math.ceil(length / most - _DUST_CM)


def pieces_of(frame: Frame, board_cm: float, longest_cm: float) -> Counter[float]:
    """Pieces to cut for a frame from boards of one height; over-long sides meet at a post. [cm]"""
    courses = _parts(frame.wall_cm, board_cm)
    pieces: Counter[float] = Counter()
    for lengths, each in ((frame.sides_cm, courses), (frame.ties_cm, 1)):
        for cm in lengths:
            joined = _parts(cm, longest_cm)
            pieces[round(cm / joined, 1)] += joined * each
    return pieces


def bent_cm(frame: Frame, board_cm: float) -> float:
    """Length of strip for a wall that is bent, all courses. [cm]"""
    return frame.bent_cm * _parts(frame.wall_cm, board_cm)


def sheet_of(place: p.Place, book: Book) -> Sheet | None:
    """The lining, mesh or card below a place, turned up or lapped as is usual."""
    material = _SHEET_OF.get(shapes.bottom(place))
    if material is None or place.kind == "container":
        return None
    box = shapes.bounds(place.shape)
    if material == "card":
        return Sheet(material, shapes.inside_area_m2(place.shape), sheets_for(box, book))
    metres, wide = _roll(box, book.materials[material].roll_cm, book)
    return Sheet(material, metres * wide / 100, roll_m=metres, roll_cm=wide)


def _roll(box: shapes.Box, widths_cm: tuple[float, ...], book: Book) -> tuple[float, float]:
    """Metres and width of the roll that covers a box with least, turned up at its walls. [m, cm]

    Lengths run either way over the box; beside each other they lap.
    """
    up, lap = 2 * book.value("sheet_turned_up_cm"), book.value("sheet_lap_cm")
    sides = (box.width + up, box.length + up)
    ways = [
        (lengths_over(across, wide, lap) * along / 100, wide)
        for across, along in (sides, sides[::-1])
        for wide in widths_cm
    ]
    return min(ways, key=lambda way: (way[0] * way[1], way[0]))


def lengths_over(across_cm: float, wide_cm: float, lap_cm: float) -> int:
    """Lengths of a width that cover a breadth when they lap."""
    return 1 if across_cm <= wide_cm else 1 + _parts(across_cm - wide_cm, wide_cm - lap_cm)


def sheets_for(box: shapes.Box, book: Book) -> int:
    """Sheets of card that cover a place's box with an overlap all ways, laid the better way."""
    long, wide = book.value("card_length_cm"), book.value("card_width_cm")
    lap = book.value("card_overlap_cm")
    return min(
        lengths_over(box.width, a, lap) * lengths_over(box.length, b, lap)
        for a, b in ((long, wide), (wide, long))
    )
