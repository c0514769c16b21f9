"""Wind on a leafed support, and how deep and thick its posts must be. SI units inside."""

import math
from dataclasses import dataclass

from ample_rows.core.book import Book, Footing
from ample_rows.core.words.message import (
    Length,
    Message,
    Number,
    Speed,
    Text,
    listed,
    message,
)
from ample_rows.core.words.working import Term, Terms, of_rule

DEEPEST_CM = 250.0
_FASTEST_M_S = 80.0
_GRAVITY_M_S2 = 9.81
_HOLDERS = {"frame": message("wind-frame-holds"), "stays": message("wind-stays-hold")}


@dataclass(frozen=True, slots=True)
class Face:
    """What one post takes of a leafed face: half a bay to either side, up to a height. [cm]"""

    bay_cm: float
    height_cm: float
    stops_wind: float


@dataclass(frozen=True, slots=True)
class Post:
    """A post as it stands, and the thickness of a round wooden one of its strength. [cm]"""

    diameter_cm: float
    buried_cm: float
    footing: Footing
    strong_as_cm: float | None = None

    @property
    def strength_cm(self) -> float:
        return self.strong_as_cm or self.diameter_cm


@dataclass(frozen=True, slots=True)
class WindCheck:
    """The push of the wind entered, what it asks of a post, and the gust this post stands to.

    Push and what it asks are null where no wind is entered; `deep_enough_cm` is also null where
    the ground does not take it, or no depth within reach would do. `push_kg` is the mass that
    weighs as much. [N, kg, cm, m/s]
    """

    wind_m_s: float | None
    push_n: float | None
    push_kg: float | None
    deep_enough_cm: float | None
    thick_enough_cm: float | None
    stands_to_m_s: float
    words: Text
    working: Terms


def wind_check(face: Face, post: Post, wind_m_s: float | None, book: Book) -> WindCheck:
    """What wind does to one post of a support, as an estimate to choose it by."""
    stands = _stands_to(face, post, book)
    if wind_m_s is None:
        words = message("wind-no-wind-entered-take", stands=Speed(stands), by=_by(post))
        return WindCheck(None, None, None, None, None, stands, words, ())
    push = push_n(face, wind_m_s, book)
    asked = _Asked(
        wind_m_s=wind_m_s,
        push_n=push,
        deep_cm=depth_cm(push, face.height_cm, post, book) if _in_ground(post) else None,
        thick_cm=diameter_cm(push, _lever_cm(face, post), book),
    )
    return WindCheck(
        wind_m_s=wind_m_s,
        push_n=push,
        push_kg=push / _GRAVITY_M_S2,
        deep_enough_cm=asked.deep_cm,
        thick_enough_cm=asked.thick_cm,
        stands_to_m_s=stands,
        words=_words(post, stands, asked),
        working=_working(face, asked, book),
    )


@dataclass(frozen=True, slots=True)
class _Asked:
    """What a gust asks of a post. [m/s, N, cm, cm]"""

    wind_m_s: float
    push_n: float
    deep_cm: float | None
    thick_cm: float


def push_n(face: Face, wind_m_s: float, book: Book) -> float:
    """Force of a gust on the face that one post takes. [N]"""
    pressure = 0.5 * book.value("air_density") * wind_m_s**2
    area = face.bay_cm / 100 * face.height_cm / 100
    return pressure * book.value("leafed_drag") * face.stops_wind * area


def depth_cm(push: float, height_cm: float, post: Post, book: Book) -> float | None:
    """Depth at which the ground holds a post that is pushed in the middle of its height.

    Short free-headed piles in cohesive ground (Broms 1964), by bisection. None beyond
    `DEEPEST_CM`. [cm]
    """
    if _short(DEEPEST_CM, push, height_cm, post, book):
        return None
    low, high = 1.0, DEEPEST_CM
    for _ in range(40):
        middle = (low + high) / 2
        if _short(middle, push, height_cm, post, book):
            low = middle
        else:
            high = middle
    return high


def _short(deep_cm: float, push: float, height_cm: float, post: Post, book: Book) -> bool:
    """Whether a depth is too little: the ground beside the post gives way before it is held."""
    deep, arm = deep_cm / 100, height_cm / 200
    wide = (book.value("footing_hole_cm") if _concreted(post) else post.diameter_cm) / 100
    strength = book.value("ground_shear_kpa") * 1000
    force = push * book.value("ground_safety")
    # Near the surface the soil heaves and holds nothing; a stubby footing has its weight besides.
    dead = min(1.5 * wide, deep / 4)
    turning = force / (9 * strength * wide)
    held = deep - dead - turning
    moment = force * (arm + dead + turning / 2)
    return held <= 0 or moment > 2.25 * strength * wide * held**2


def diameter_cm(push: float, arm_cm: float, book: Book) -> float:
    """Thickness of a round post that bends no more than it may. [cm]"""
    moment = push * arm_cm / 100
    bends = book.value("post_bending_mpa") * 1e6
    return 100 * math.cbrt(32 * moment / (math.pi * bends))


def _stands_to(face: Face, post: Post, book: Book) -> float:
    """The fastest gust at which a post is deep and thick enough. [m/s]"""
    low, high = 0.0, _FASTEST_M_S
    for _ in range(40):
        middle = (low + high) / 2
        push = push_n(face, middle, book)
        shallow = _in_ground(post) and _short(post.buried_cm, push, face.height_cm, post, book)
        if shallow or diameter_cm(push, _lever_cm(face, post), book) > post.strength_cm:
            high = middle
        else:
            low = middle
    return low


def _lever_cm(face: Face, post: Post) -> float:
    """From where the post is held to where the wind pushes; stays hold it at its head. [cm]"""
    return face.height_cm / 4 if post.footing.holds_across == "stays" else face.height_cm / 2


def _concreted(post: Post) -> bool:
    return post.footing.holds_across == "concrete"


def _in_ground(post: Post) -> bool:
    return post.footing.holds_across in ("ground", "concrete")


def _by(post: Post) -> Message:
    if _in_ground(post):
        return message(
            "wind-deep-thick", buried=Length(post.buried_cm), diameter=Length(post.diameter_cm)
        )
    return message(
        "wind-if-thick",
        holders=_HOLDERS[post.footing.holds_across],
        diameter=Length(post.diameter_cm),
    )


def _words(post: Post, stands: float, asked: _Asked) -> Message:
    gust = message("wind-gusts", wind=Speed(asked.wind_m_s))
    if stands >= asked.wind_m_s:
        return message("wind-estimated-stand-not-proof", gust=gust, by=_by(post))
    wants = []
    if asked.thick_cm > post.strength_cm:
        wants.append(message("wind-posts-thick", thick=Length(math.ceil(asked.thick_cm))))
    if asked.deep_cm is not None and asked.deep_cm > post.buried_cm:
        wants.append(message("wind-ground", deep=Length(math.ceil(asked.deep_cm))))
    if asked.deep_cm is None and _in_ground(post):
        wants.append(message("wind-another-footing"))
    return message(
        "wind-needs-or-posts-closer", gust=gust, list=listed(wants, "and"), stands=Speed(stands)
    )


@of_rule("support_wind")
def _working(face: Face, asked: _Asked, book: Book) -> Terms:
    drag = book.coefficients["leafed_drag"]
    bending = book.coefficients["post_bending_mpa"]
    ground = book.coefficients["ground_shear_kpa"]
    area = face.bay_cm * face.height_cm / 1e4
    pressure = 0.5 * book.value("air_density") * asked.wind_m_s**2
    return (
        Term(
            name=message("wind-gust"),
            value=asked.wind_m_s,
            unit="m/s",
            how=message("wind-entered"),
            source="Your design wind",
        ),
        Term(
            name=message("wind-pressure"),
            value=pressure,
            unit="Pa",
            how=message("wind-air-speed"),
            source="Fluid dynamics",
        ),
        Term(
            name=message("wind-face-one-post"),
            value=area,
            unit="m²",
            how=message("wind-one-bay-height-crop"),
            source="Posts and bays",
        ),
        Term(
            name=message("wind-share-met"),
            value=face.stops_wind,
            unit="×",
            how=message("wind-leaves-let-some-through"),
            source="Table of supports",
        ),
        Term(
            name=message("wind-drag"), value=drag.value, unit="×", how=drag.unit, source=drag.source
        ),
        Term(
            name=message("wind-thickness"),
            value=asked.thick_cm,
            unit="cm",
            how=message("wind-bends-mpa", value=Number(bending.value)),
            source=bending.source,
        ),
        Term(
            name=message("wind-depth-holds"),
            value=asked.deep_cm,
            unit="cm",
            how=message("wind-where-ground-takes"),
            source=ground.source,
        ),
        Term(
            name=message("wind-push-post"),
            value=asked.push_n,
            unit="N",
            how=message("wind-pressure-face-share-drag"),
            source="Core",
        ),
    )
