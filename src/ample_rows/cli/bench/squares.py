"""The squares' times: one layout of a bed, a hard outline, and the sums asked for apart."""

import math
import random
from collections.abc import Callable
from typing import get_args

import shapely

from ample_rows.cli.bench.rows import Row, median_ms
from ample_rows.core import plan as p
from ample_rows.core import stand
from ample_rows.core.cells import grid_over
from ample_rows.core.depth_schools import depth_schools
from ample_rows.core.evaluate import evaluate_place
from ample_rows.core.lattice_search import Lattice, fullest
from ample_rows.core.planting import evaluate_shaded
from ample_rows.core.reference import Book
from ample_rows.core.setting_out.dial import dial_of
from ample_rows.core.setting_out.side_by_side import side_by_side
from ample_rows.core.starters import starter_fits

_CORNERS = 40


def squares_rows(demo: p.Plan, book: Book) -> list[Row]:
    """Counts and positions with nothing kept, and what is asked apart, the slowest of the demo."""
    return [
        Row("layouts of a bed 120 x 240 cm", _layouts_ms(book), "ms", 5, "the slowest of six"),
        Row("an outline of 40 corners, 2 holes", _outline_ms(), "ms", 50, "by phase and turn"),
        Row("spacing dial", _slowest(demo, book, dial_of), "ms", 100, "slowest planting, cold"),
        Row("layouts side by side", _slowest(demo, book, side_by_side), "ms", 100, "as above"),
        Row("schools on depth", _places_ms(demo, book, depth_schools), "ms", 100, "slowest place"),
        Row("nine starter beds fitted", _starters_ms(demo, book), "ms", None, "an empty bed"),
    ]


def _layouts_ms(book: Book) -> float:
    shape = p.Rectangle(type="rectangle", width_cm=120.0, length_cm=240.0)
    ground = stand.Ground(shape, 30.0, tuple(grid_over(shape, 30.0).cells), whole_place=True)
    times = []
    for layout in get_args(p.Layout):
        out = stand.SettingOut(layout, 7.5, 30.0, None, 1)

        def work(out: stand.SettingOut = out) -> None:
            stand.stand_in_cells.cache_clear()
            stand.stand_in_cells(ground, out, book)

        times.append(median_ms(work, rounds=9))
    return max(times)


def _outline_ms() -> float:
    rng = random.Random(7)

    def star(corners: int, radius: float, x: float = 0.0) -> list[tuple[float, float]]:
        angles = [2 * math.pi * i / corners for i in range(corners)]
        reach = [radius * rng.uniform(0.7, 1) for _ in angles]
        return [
            (x + 1.5 * r * math.cos(a), r * math.sin(a)) for r, a in zip(reach, angles, strict=True)
        ]

    region = shapely.Polygon(star(_CORNERS, 120), [star(6, 20, -60), star(6, 20, 60)])
    return median_ms(lambda: fullest(region, Lattice(20, 20, offset=False), turns=True), rounds=9)


def _slowest(demo: p.Plan, book: Book, ask: Callable[[p.Plan, str, Book], object]) -> float:
    """The slowest planting's time with no stand remembered. [ms]"""
    times = []
    for planting in demo.plantings:
        ident = planting.id

        def work(ident: str = ident) -> None:
            stand.stand_in_cells.cache_clear()
            evaluate_shaded.cache_clear()
            ask(demo, ident, book)

        times.append(median_ms(work, rounds=3))
    return max(times)


def _places_ms(demo: p.Plan, book: Book, ask: Callable[[p.Plan, str, Book], object]) -> float:
    times = []
    for place in demo.places:
        ident = place.id

        def work(ident: str = ident) -> None:
            evaluate_place.cache_clear()
            evaluate_shaded.cache_clear()
            ask(demo, ident, book)

        times.append(median_ms(work, rounds=3))
    return max(times)


def _starters_ms(demo: p.Plan, book: Book) -> float:
    place = demo.places[0]
    bare = demo.model_copy(update={"plantings": ()})
    return median_ms(lambda: starter_fits(bare, place.id, book), rounds=3)
