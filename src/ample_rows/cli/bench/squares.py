"""The squares' times: one layout of a bed, a hard outline, and the sums asked for apart."""

import itertools
import math
import random
from collections.abc import Callable
from datetime import timedelta
from typing import get_args

import shapely

from ample_rows.cli.bench.rows import Row, forget_plantings, median_ms
from ample_rows.core import plan as p
from ample_rows.core.ask.depth.depth_schools import depth_schools
from ample_rows.core.ask.spacing.dial import dial_of
from ample_rows.core.ask.spacing.side_by_side import side_by_side
from ample_rows.core.ask.supports.edges import edge_choices
from ample_rows.core.ask.what_fits.starters import starter_fits
from ample_rows.core.book import Book
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.core.estimate.place_result import evaluate_place
from ample_rows.core.geometry.cells import Pitch, grid_over
from ample_rows.core.geometry.lattice_search import Lattice, fullest
from ample_rows.core.place import crop_shade, tall
from ample_rows.core.place.place_cases import setting_of
from ample_rows.core.planting.ground import Ground
from ample_rows.core.planting.setting_out import SettingOut
from ample_rows.core.planting.stand import stand_in_cells
from ample_rows.core.site.place_sun import high_path, lit_on, sky_of

_CORNERS = 40


def squares_rows(demo: p.Plan, book: Book) -> list[Row]:
    """Counts and positions with nothing kept, and what is asked apart, the slowest of the demo."""
    return [
        Row("layouts of a bed 120 x 240 cm", _layouts_ms(book), "ms", 5, "the slowest of six"),
        Row("an exact number in 120 x 240 cm", _numbers_ms(book), "ms", 10, "the slowest of five"),
        Row("a garden's counts changed", _counts_ms(demo, book), "ms", 100, "the demo by counts"),
        Row("an outline of 40 corners, 2 holes", _outline_ms(), "ms", 50, "by phase and turn"),
        Row("spacing dial", _slowest(demo, book, dial_of), "ms", 100, "slowest planting, cold"),
        Row("layouts side by side", _slowest(demo, book, side_by_side), "ms", 100, "as above"),
        Row("schools on depth", _places_ms(demo, book, depth_schools), "ms", 100, "slowest place"),
        Row("shade of all that stands tall", _shade_ms(demo, book), "ms", 1000, "a season, cold"),
        Row("the same after an edit", _shade_edit_ms(demo, book), "ms", 100, "a climber moved"),
        Row("sides of a support", _edges_ms(demo, book), "ms", None, "four, cold"),
        Row("nine starter beds fitted", _starters_ms(demo, book), "ms", None, "an empty bed"),
    ]


def _layouts_ms(book: Book) -> float:
    shape = p.Rectangle(type="rectangle", width_cm=120.0, length_cm=240.0)
    pitch = Pitch(30.0, 30.0)
    ground = Ground(shape, pitch, tuple(grid_over(shape, pitch).cells), whole_place=True)
    times = []
    for layout in get_args(p.Layout):
        out = SettingOut(layout, 7.5, 30.0, 7.5**2)

        def work(out: SettingOut = out) -> None:
            stand_in_cells.cache_clear()
            stand_in_cells(ground, out, book)

        times.append(median_ms(work, rounds=9))
    return max(times)


def _numbers_ms(book: Book) -> float:
    shape = p.Rectangle(type="rectangle", width_cm=120.0, length_cm=240.0)
    pitch = Pitch(30.0, 30.0)
    ground = Ground(shape, pitch, tuple(grid_over(shape, pitch).cells), whole_place=True)
    times = []
    for plants in (1, 7, 12, 77, 400):
        out = SettingOut("merged", 30.0, 30.0, 900.0, plants=plants)

        def work(out: SettingOut = out) -> None:
            stand_in_cells.cache_clear()
            stand_in_cells(ground, out, book)

        times.append(median_ms(work, rounds=9))
    return max(times)


def _counts_ms(demo: p.Plan, book: Book) -> float:
    """From one table of counts to the next, each never seen before."""
    policies = demo.garden.policies.model_copy(update={"layout": "single-squares"})
    numbers = itertools.count(2)

    def work() -> None:
        counts = p.ByCrop(carrot=16, kale=1 + next(numbers) / 100, lettuce=4)
        garden = demo.garden.model_copy(update={"policies": policies, "per_square": counts})
        assert Estimate(demo.model_copy(update={"garden": garden}), book).report.plantings

    return median_ms(work, rounds=7)


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


def _slowest(demo: p.Plan, book: Book, ask: Callable[[Estimate, str], object]) -> float:
    """The slowest planting's time with no stand remembered. [ms]"""
    times = []
    for planting in demo.plantings:
        ident = planting.id

        def work(ident: str = ident) -> None:
            stand_in_cells.cache_clear()
            forget_plantings()
            ask(Estimate(demo, book), ident)

        times.append(median_ms(work, rounds=3))
    return max(times)


def _places_ms(demo: p.Plan, book: Book, ask: Callable[[Estimate, str], object]) -> float:
    times = []
    for place in demo.places:
        ident = place.id

        def work(ident: str = ident) -> None:
            evaluate_place.cache_clear()
            forget_plantings()
            ask(Estimate(demo, book), ident)

        times.append(median_ms(work, rounds=3))
    return max(times)


def _forget_shade() -> None:
    for cache in (*crop_shade.KEPT, *tall.KEPT, lit_on, high_path):
        cache.cache_clear()


def _shades(plan: p.Plan, book: Book) -> None:
    setting = setting_of(plan, book)
    sky = sky_of(plan, setting.year.start.year, book)
    crop_shade.crop_shades(plan.places, plan.plantings, setting, sky, book)


def _shade_ms(demo: p.Plan, book: Book) -> float:
    def work() -> None:
        _forget_shade()
        _shades(demo, book)

    return median_ms(work, rounds=5)


def _shade_edit_ms(demo: p.Plan, book: Book) -> float:
    """A climber is begun a day later each time, so that none is remembered. [ms]"""
    climber = next(planting for planting in demo.plantings if planting.support)
    later = iter(range(1, 100))

    def work() -> None:
        day = climber.start_date + timedelta(days=next(later))
        moved = climber.model_copy(update={"start_date": day})
        plantings = tuple(
            moved if planting.id == climber.id else planting for planting in demo.plantings
        )
        _shades(demo.model_copy(update={"plantings": plantings}), book)

    _shades(demo, book)
    return median_ms(work, rounds=7)


def _edges_ms(demo: p.Plan, book: Book) -> float:
    place = next(there for there in demo.places if there.supports)

    def work() -> None:
        _forget_shade()
        evaluate_place.cache_clear()
        forget_plantings()
        edge_choices(Estimate(demo, book), place.id, place.supports[0].id)

    return median_ms(work, rounds=3)


def _starters_ms(demo: p.Plan, book: Book) -> float:
    place = demo.places[0]
    bare = demo.model_copy(update={"plantings": ()})
    return median_ms(lambda: starter_fits(Estimate(bare, book), place.id), rounds=3)
