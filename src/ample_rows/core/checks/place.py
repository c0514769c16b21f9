"""What must agree in one place."""

import itertools
import math
from collections.abc import Iterator
from datetime import timedelta
from typing import Literal

import shapely

from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.checks.words import (
    material_faults,
    not_a_cell,
    run_faults,
    twice,
    unknown,
)
from ample_rows.core.geometry import shapes
from ample_rows.core.geometry.cells import FIT_TOLERANCE_CM, grid_of
from ample_rows.core.geometry.outlines import outline_fault
from ample_rows.core.plan.reading import Fault
from ample_rows.core.soil.mixes import mixes_of
from ample_rows.core.structures.bays import arch_of
from ample_rows.core.words.message import Length, Message, message

LEAST_LINE_CM = 1.0
_MOST_SPOTS = 5_000


def place_faults(place: p.Place, path: str, soil: p.Soil | None, book: Book) -> Iterator[Fault]:
    """What is wrong with one place by itself; where its shape is, that alone."""
    shape = list(_shape_faults(place, path))
    if shape:
        yield from shape
        return
    yield from _fill_faults(place, path)
    yield from _material_faults(place, path, soil, book)
    yield from _pattern_faults(place, path, book)
    yield from _stay_faults(place, path)
    yield from _held_faults(place, path)
    yield from twice([c.id for c in place.covers], f"{path}.covers")
    for index, cover in enumerate(place.covers):
        yield from _cover_faults(place, cover, f"{path}.covers[{index}]", book)
    for index, rest in enumerate(place.rests):
        yield from _span_faults(place, rest, f"{path}.rests[{index}]")
    yield from _history_faults(place, path, book)
    yield from twice([s.id for s in place.supports], f"{path}.supports")
    for index, support in enumerate(place.supports):
        yield from _support_faults(place, support, f"{path}.supports[{index}]", book)


def _shape_faults(place: p.Place, path: str) -> Iterator[Fault]:
    try:
        shapes.inside_shape(place.shape)
    except ValueError as error:
        yield Fault(f"{path}.shape.wall_thickness_cm", str(error))
        return
    if isinstance(place.shape, p.Polygon):
        problem = outline_fault(place.shape)
        if problem:
            yield Fault(f"{path}.shape.{problem[0]}", problem[1])


def _fill_faults(place: p.Place, path: str) -> Iterator[Fault]:
    wall, fill = shapes.wall_cm(place), shapes.fill_cm(place)
    gap, base = place.rim_gap_cm or 0.0, place.base_cm or 0.0
    if gap > 0 and gap >= wall:
        words = message("fault-rim-gap", gap=Length(gap), wall=Length(wall))
        yield Fault(f"{path}.rim_gap_cm", words)
    if base > 0 and base >= fill:
        words = message("fault-base", base=Length(base), fill=Length(fill))
        yield Fault(f"{path}.base_cm", words)


def _material_faults(place: p.Place, path: str, soil: p.Soil | None, book: Book) -> Iterator[Fault]:
    mixes = mixes_of(soil, book)
    if place.mix is not None and place.mix not in mixes:
        yield Fault(f"{path}.mix", unknown(place.mix, "mix", mixes))
    for index, layer in enumerate(place.added):
        if layer.material not in book.soft:
            soft = unknown(layer.material, "soft matter", book.soft)
            yield Fault(f"{path}.added[{index}].material", soft)
    yield from _breaking_faults(place, path, book)
    if place.material is not None:
        use = "container" if place.kind == "container" else "frame"
        yield from material_faults(place.material, f"{path}.material", use, book)
    if place.watered_by is not None and place.watered_by not in book.water_ways:
        ways = unknown(place.watered_by, "way to water", book.water_ways)
        yield Fault(f"{path}.watered_by", ways)


def _stay_faults(place: p.Place, path: str) -> Iterator[Fault]:
    for index, stay in enumerate(place.stays):
        span = stay.until - stay.since
        if not timedelta(0) < span < timedelta(days=366):
            words = f"must come after {stay.since}, by less than a year"
            yield Fault(f"{path}.stays[{index}].until", words)
    if place.stays and place.kind != "container":
        yield Fault(f"{path}.stays", "only a container can be carried to another spot")


def _held_faults(place: p.Place, path: str) -> Iterator[Fault]:
    grid = grid_of(place)
    held: set[str] = set()
    for index, part in enumerate(place.held):
        for spot, address in enumerate(part.cells):
            where = f"{path}.held[{index}].cells[{spot}]"
            if address not in grid.cells:
                yield Fault(where, not_a_cell(address, place, grid))
            elif address in held:
                yield Fault(where, f'"{address}" is held twice')
            held.add(address)


def _pattern_faults(place: p.Place, path: str, book: Book) -> Iterator[Fault]:
    pattern = place.pattern
    if pattern is None:
        return
    if pattern.kind not in book.patterns:
        yield Fault(f"{path}.pattern.kind", unknown(pattern.kind, "pattern", book.patterns))
    box = shapes.bounds(place.shape)
    spots = box.width * box.length / (pattern.lines_apart_cm * pattern.spots_apart_cm)
    if spots > _MOST_SPOTS:
        words = f"gives {spots:,.0f} spots; at most {_MOST_SPOTS:,} can be laid"
        yield Fault(f"{path}.pattern.spots_apart_cm", words)


def _history_faults(place: p.Place, path: str, book: Book) -> Iterator[Fault]:
    for index, grew in enumerate(place.grew):
        where = f"{path}.grew[{index}]"
        yield from _cell_faults(place, grew.cells, where)
        for spot, crop in enumerate(grew.crops):
            if crop not in book.crops:
                yield Fault(f"{where}.crops[{spot}]", unknown(crop, "crop", book.crops))


def _cover_faults(place: p.Place, cover: p.Cover, path: str, book: Book) -> Iterator[Fault]:
    if cover.kind not in book.covers:
        yield Fault(f"{path}.kind", unknown(cover.kind, "cover", book.covers))
    yield from _span_faults(place, cover, path)


def _span_faults(place: p.Place, part: p.Cover | p.Rest, path: str) -> Iterator[Fault]:
    """What is over some squares from one day up to another."""
    if part.until <= part.since:
        yield Fault(f"{path}.until", f"must come after {part.since}")
    yield from _cell_faults(place, part.cells, path)


def _cell_faults(
    place: p.Place, cells: tuple[str, ...] | Literal["all"], path: str
) -> Iterator[Fault]:
    grid = grid_of(place)
    listed = cells if isinstance(cells, tuple) else ()
    for spot, address in enumerate(listed):
        if address not in grid.cells:
            yield Fault(f"{path}.cells[{spot}]", not_a_cell(address, place, grid))
    if cells == ():
        yield Fault(f"{path}.cells", "needs at least one cell")


def _breaking_faults(place: p.Place, path: str, book: Book) -> Iterator[Fault]:
    asked = place.breaking or p.Breaking()
    if asked.turf is not None and asked.turf not in book.turf_ways:
        words = unknown(asked.turf, "way with turf", book.turf_ways)
        yield Fault(f"{path}.breaking.turf", words)
    if asked.tool is not None and asked.tool not in book.ground_tools:
        yield Fault(f"{path}.breaking.tool", unknown(asked.tool, "tool", book.ground_tools))


def _arch_faults(support: p.Support, path: str) -> Iterator[Fault]:
    """A mesh that does not reach from foot to foot."""
    mesh, span = support.mesh_cm, support.span_cm
    if mesh is not None and span is not None and arch_of(span, mesh) is None:
        words = message("fault-mesh-short", mesh=Length(mesh), span=Length(span))
        yield Fault(f"{path}.mesh_cm", words)


def _support_faults(place: p.Place, support: p.Support, path: str, book: Book) -> Iterator[Fault]:
    if support.system not in book.trainings:
        names = ", ".join(n for n, t in book.trainings.items() if t.needs_support)
        yield Fault(f"{path}.system", f'"{support.system}" is unknown; use {names}')
    if support.footing is not None and support.footing not in book.footings:
        yield Fault(f"{path}.footing", unknown(support.footing, "footing", book.footings))
    if support.posts is not None:
        yield from material_faults(support.posts, f"{path}.posts", "post", book)
    if support.twine is not None:
        yield from material_faults(support.twine, f"{path}.twine", "support", book)
    yield from _arch_faults(support, path)
    if support.line_cm is not None:
        yield from _line_faults(place, support, path, book)
    elif support.run_cm is not None:
        # Which edge it is needs the garden's latitude; no stretch is longer than the longest.
        longest = max((edge.length_cm for edge in shapes.edges(place, 0.0)), default=0.0)
        yield from run_faults(support.run_cm, longest, f"{path}.run_cm")


def _line_faults(place: p.Place, support: p.Support, path: str, book: Book) -> Iterator[Fault]:
    """A line in a bed: on its ground, not crossing another; what is bent may lead over a path."""
    assert support.line_cm is not None, "asked only of lines"
    line = shapely.LineString(support.line_cm)
    if support.edge is not None:
        yield Fault(f"{path}.edge", "a support along a line has no edge; leave one out")
    short = [
        index + 1
        for index, (start, end) in enumerate(itertools.pairwise(support.line_cm))
        if math.dist(start, end) < LEAST_LINE_CM
    ]
    for index in short:
        words = message("fault-points-near", least=Length(LEAST_LINE_CM))
        yield Fault(f"{path}.line_cm[{index}]", words)
    if short:
        return
    if support.run_cm is not None:
        yield from run_faults(support.run_cm, line.length, f"{path}.run_cm")
    system = book.trainings.get(support.system)
    ground = shapes.outline(place.shape).buffer(FIT_TOLERANCE_CM)
    if system is not None and not system.build.bent:
        for index, (x, y) in enumerate(support.line_cm):
            if not ground.covers(shapely.Point(x, y)):
                yield Fault(f"{path}.line_cm[{index}]", _off_the_bed(place, x, y))
    for number, other in enumerate(place.supports, start=1):
        if other.id == support.id:
            return
        if other.line_cm is not None and line.crosses(shapely.LineString(other.line_cm)):
            yield Fault(f"{path}.line_cm", f"crosses support {number}; move one of them")


def _off_the_bed(place: p.Place, x: float, y: float) -> Message:
    x0, y0, x1, y1 = shapes.outline(place.shape).bounds
    return message(
        "fault-off-the-bed",
        x=Length(x),
        y=Length(y),
        x0=Length(x0),
        x1=Length(x1),
        y0=Length(y0),
        y1=Length(y1),
    )
