"""What a support takes of each material: posts, rails, sheet, twine, ties, slings, footings."""

import math
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, replace

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import (
    Book,
    Crop,
    Footing,
    TrainingSystem,
)
from ample_rows.core.geometry import shapes
from ample_rows.core.planting.cases import Evaluated
from ample_rows.core.structures import supports
from ample_rows.core.structures.bays import (
    Arch,
    Bays,
    arch_of,
    bays_of,
    mesh_for,
)

NATURAL_TWINE = "twine-natural"
WOODEN_POST = "post"
KIT = "support-kit"
_ROUND_UP_CM = 10.0
_DUST = 1e-6


@dataclass(frozen=True)
class Stood:
    """A support as it is put up: its run, posts, footing and, where it is bent, its arch. [cm]"""

    support: p.Support
    system: TrainingSystem
    run: supports.Run
    bays: Bays
    height_cm: float
    opening_cm: float | None
    footing_id: str
    footing: Footing
    post_diameter_cm: float
    strong_as_cm: float | None
    buried_cm: float
    post_length_cm: float
    arch: Arch | None


def stood(
    place: p.Place,
    support: p.Support,
    book: Book,
    *,
    latitude: float,
    north_deg: float,
    span_cm: float | None = None,
) -> Stood | None:
    """A support worked out; None where the place has no straight edge for it.

    Args:
        span_cm: Between an arch's feet, where the support itself does not say.
    """
    edge = supports.edge_of(place, support, latitude=latitude, north_deg=north_deg)
    if edge is None:
        return None
    system = book.trainings[support.system]
    run = supports.whole_run(place, edge, system, support)
    opening = support.opening_cm or next(iter(system.build.openings_cm), None)
    name = support.footing or _usual_footing(place)
    height = supports.height_cm(support, system)
    post = book.materials[support.posts or WOODEN_POST]
    buried = buried_cm(place, system, name, book)
    return Stood(
        support=support,
        system=system,
        run=run,
        bays=bays_of(run.length_cm, _most_bay_cm(support, system, run.length_cm, book), opening),
        height_cm=height,
        opening_cm=opening,
        footing_id=name,
        footing=book.footings[name],
        post_diameter_cm=support.post_diameter_cm
        or post.across_cm
        or book.value("post_diameter_cm"),
        strong_as_cm=None if support.post_diameter_cm else post.strong_as_cm,
        buried_cm=buried,
        post_length_cm=math.ceil((height + buried) / _ROUND_UP_CM - _DUST) * _ROUND_UP_CM,
        arch=_arch(place, support, system, height, span_cm),
    )


def _most_bay_cm(support: p.Support, system: TrainingSystem, run_cm: float, book: Book) -> float:
    """The widest bay that the grower, the system and its twine allow, else all of its run. [cm]"""
    wanted = [support.post_spacing_cm, system.post_spacing_cm]
    if system.build.twine_tier_every_cm:
        wanted.append(book.materials[support.twine or NATURAL_TWINE].most_span_cm)
    return min((cm for cm in wanted if cm), default=max(1.0, run_cm))


def _usual_footing(place: p.Place) -> str:
    return "frame" if shapes.bottom(place) in ("closed", "lined") else "driven"


def buried_cm(place: p.Place, system: TrainingSystem, footing: str, book: Book) -> float:
    """How much of a post is below the soil's surface: as is usual, and well below loose mix;
    one fastened to the frame goes down the wall. [cm]"""
    if footing == "frame":
        return shapes.fill_cm(place)
    usual = system.post_buried_cm or 0.0
    if place.kind == "framed":
        return max(usual, shapes.fill_cm(place) + book.value("post_below_fill_cm"))
    return usual


def _arch(
    place: p.Place, support: p.Support, system: TrainingSystem, height: float, span: float | None
) -> Arch | None:
    if not system.build.bent:
        return None
    box = shapes.bounds(place.shape)
    across = support.span_cm or span or min(box.width, box.length)
    return arch_of(across, support.mesh_cm or mesh_for(across, height))


@dataclass(frozen=True, slots=True)
class Carried:
    """What a support carries of one crop: so many plants along a run. [cm]"""

    crop: Crop
    plants: int
    run_cm: float
    pieces: float


def carried(up: Stood, e: Evaluated) -> Carried:
    return Carried(e.crop, e.report.plants, run_on(up, e).length_cm, e.report.pieces or 0.0)


def amounts(up: Stood, grown: Iterable[Carried], book: Book) -> dict[str, float]:
    """Metres, square metres, litres or pieces of all that one support takes; of one that stands
    already or is bought whole, what its plants want besides."""
    total: dict[str, float] = defaultdict(float)
    if up.support.made == "kit":
        total[KIT] += 1
    elif up.support.made != "standing":
        _for_building(up, total, book)
    for crop in grown:
        _for_plants(up, crop, total, book)
    return {name: amount for name, amount in total.items() if amount > 0}


def _for_building(up: Stood, total: dict[str, float], book: Book) -> None:
    """Posts with what holds them, sheet and rails."""
    build, run_m = up.system.build, up.run.length_cm / 100
    if up.arch is None:
        _posts(up, total, book)
        _foot(up, total, book)
    elif build.sheet:
        tucked = 2 * book.value("arch_waste_cm")
        total[build.sheet] += run_m * (up.arch.mesh_cm + tucked) / 100
    if build.sheet and up.arch is None:
        total[build.sheet] += run_m * up.height_cm / 100
    if build.rail:
        total[build.rail] += build.rails * run_m


def _posts(up: Stood, total: dict[str, float], book: Book) -> None:
    name, count = up.support.posts or WOODEN_POST, len(up.bays.posts_at_cm)
    post = book.materials[name]
    total[name] += count if post.unit == "piece" else count * up.post_length_cm / 100
    for fitting, each in post.fittings.items():
        total[fitting] += count * each


def alone_amounts(plants: int, spacing_cm: float, system: TrainingSystem) -> dict[str, float]:
    """What plants held up by themselves take: cages, canes, a net stretched over them."""
    build = system.build
    total: dict[str, float] = {}
    ground_m2 = plants * (spacing_cm / 100) ** 2
    if build.piece:
        shares = (plants * build.pieces_a_plant, ground_m2 * build.pieces_a_m2)
        total[build.piece] = sum(math.ceil(share - _DUST) for share in shares)
    if build.sheet:
        total[build.sheet] = ground_m2
    return total


def _foot(up: Stood, total: dict[str, float], book: Book) -> None:
    """What holds the posts: concrete round them, brackets, stays."""
    posts = len(up.bays.posts_at_cm)
    if up.footing.holds_across == "concrete":
        hole, post = book.value("footing_hole_cm"), up.post_diameter_cm
        total["concrete"] += posts * math.pi / 4 * (hole**2 - post**2) * up.buried_cm / 1000
    if up.footing.piece:
        total[up.footing.piece] += posts * up.footing.pieces_a_post


def _for_plants(up: Stood, on_it: Carried, total: dict[str, float], book: Book) -> None:
    """Twine, ties and slings that the crop on a support wants."""
    build, twine, crop = up.system.build, up.support.twine or NATURAL_TWINE, on_it.crop
    tall = min(up.height_cm, crop.height_cm)
    if build.twine_tier_every_cm:
        tiers = len(tier_heights_cm(up, tall))
        total[twine] += tiers * on_it.run_cm / 100 * book.value("woven_length_share")
    if build.string_per_plant:
        total[twine] += on_it.plants * up.height_cm / 100
    if build.tie_every_cm:
        total["tie"] += on_it.plants * math.floor(tall / build.tie_every_cm)
    if crop.piece_kg and crop.piece_kg >= book.value("heavy_fruit_kg"):
        share = book.picking_shapes[crop.picking.kind].hangs_at_once
        total["sling"] += math.ceil(on_it.pieces * share)


def tier_heights_cm(up: Stood, tall_cm: float) -> tuple[float, ...]:
    """Heights of the twine's tiers up to a crop's height. [cm]"""
    every = up.system.build.twine_tier_every_cm
    if not every:
        return ()
    return tuple(every * (i + 1) for i in range(max(1, math.floor(tall_cm / every))))


def run_on(up: Stood, e: Evaluated) -> supports.Run:
    """The stretch that a planting's plants take of its support, from their places along it."""
    start, end = up.run.from_cm, up.run.to_cm
    along = [_along(up, x, y) for x, y in e.report.positions_cm]
    if along:
        half = e.report.spacing_cm / 2
        start, end = max(start, min(along) - half), min(end, max(along) + half)
    return replace(up.run, from_cm=start, to_cm=max(start, end))


def _along(up: Stood, x: float, y: float) -> float:
    return shapely.LineString(up.run.edge.points).project(shapely.Point(x, y))
