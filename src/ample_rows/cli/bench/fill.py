"""Filling made-up gardens: how soon the first plan comes, how far the best one may be from the
best there is, and how much more it is worth than a careful layout by hand."""

import json
import multiprocessing
import random
import statistics
from collections.abc import Iterator
from dataclasses import dataclass

from ample_rows.cli.bench.rows import Row, own_peak_mb
from ample_rows.core import plan as p
from ample_rows.core.ask.fill.filling import Limits, stages
from ample_rows.core.ask.fill.greedy import Making
from ample_rows.core.ask.fill.ready import Ready
from ample_rows.core.ask.fill.settled import WHOLE
from ample_rows.core.book import Book
from ample_rows.core.checks import read_plan
from ample_rows.core.estimate.estimate import Estimate
from ample_rows.crops import load_book

_SECONDS = 10.0
_TEN = 10
# What a household of one eats in a year. [kg]
_EATEN_KG = {
    "tomato": 8,
    "potato": 20,
    "carrot": 7,
    "onion": 7,
    "courgette": 5,
    "lettuce": 4,
    "dwarf-bean": 3,
    "climbing-bean": 3,
    "pea": 2,
    "beetroot": 3,
    "spinach": 2,
    "chard": 2,
    "leek": 3,
    "kale": 3,
    "cabbage": 4,
    "radish": 1,
    "garlic": 1,
    "cucumber": 3,
    "sweet-corn": 2,
    "parsnip": 2,
    "calabrese": 3,
    "winter-squash": 4,
    "sweet-pepper": 2,
    "spring-onion": 1,
}
_GREW = ("tomato", "cabbage", "carrot", "pea", "onion")
_GOOD_SHARE = 0.8
"""By hand a crop is begun while its weeks give so much of what its best ones do."""


@dataclass(frozen=True)
class Size:
    """So many beds of 32 squares, what they feed, and what is asked of filling them."""

    beds: int
    people: float
    first_s: float
    gap_share: float
    memory_mb: float


SIZES = (
    Size(3, 2, 0.5, 0.02, 300),
    Size(8, 3.5, 1, 0.07, 500),
    Size(30, 6, 5, 0.20, 1_000),
)


def made_up(size: Size, seed: int, book: Book) -> p.Plan:
    """A garden of beds unlike in depth and sun, some of them with a net, some resting."""
    chance = random.Random(seed)
    places = []
    for bed in range(size.beds):
        place: dict[str, object] = {
            "id": f"bed-{bed}",
            "kind": "framed",
            "shape": {"type": "rectangle", "width_cm": 120, "length_cm": 240},
            "wall_height_cm": chance.choice((20, 30, 40)),
            "native": chance.choice(("ordinary", "loose")),
            "sun_hours": chance.choice((5, 7, 9)),
        }
        if chance.random() < 1 / 3:
            place["supports"] = [{"id": "net", "edge": None, "system": "net", "height_cm": 180}]
        if chance.random() < 1 / 2:
            place["grew"] = [{"year": 2026, "crops": [chance.choice(_GREW)]}]
        places.append(place)
    wants = [
        {"crop": crop, "kg_per_year": round(size.people * kg * chance.uniform(0.6, 1.4), 1)}
        for crop, kg in _EATEN_KG.items()
        if crop in book.crops and chance.random() < 0.85
    ]
    garden = {
        "name": "Made up",
        "latitude": 51.9,
        "longitude": 0,
        "last_frost": "2027-04-25",
        "first_frost": "2027-10-20",
        "household": {"people": size.people, "wants": wants},
    }
    document = {
        "format": "ample-rows/plan",
        "version": 1,
        "garden": garden,
        "places": places,
        "plantings": [],
    }
    return read_plan(json.dumps(document).encode(), book)


def by_hand(ready: Ready) -> Making:
    """A careful layout by hand: half-month by half-month what is wanted is sown in its good
    weeks, in the first free squares, until there is as much of it as is wanted."""
    making, task = Making(ready.task), ready.task
    best = dict.fromkeys(task.tables, 0.0)
    for one in task.candidates:
        best[one.root] = max(best.get(one.root, 0.0), float(one.gives.sum()) / one.squares)
    good = [
        (number, one)
        for number, one in enumerate(task.candidates)
        if float(one.gives.sum()) / one.squares >= _GOOD_SHARE * best[one.root]
    ]
    for half in range(24):
        for crop, table in sorted(task.tables.items(), key=lambda of: -of[1].want_kg):
            mine = [(n, one) for n, one in good if (one.root, one.begins) == (crop, half)]
            mine.sort(key=lambda of: of[1].squares)
            while (lacks := table.want_kg - float(making.picked[crop].sum())) > 0:
                enough = [n for n, one in mine if float(one.gives.sum()) >= lacks]
                less = [n for n, one in reversed(mine) if float(one.gives.sum()) < lacks]
                if not any(making.put(n) for n in (*enough[:1], *less)):
                    break
    return making


def fill_rows(*, long: bool) -> Iterator[Row]:
    """Filling one garden a size for ten seconds; ten of each in a long run."""
    context = multiprocessing.get_context("spawn")
    for size in SIZES:
        found = []
        for seed in range(1, _TEN + 1 if long else 2):
            with context.Pool(1) as pool:
                found.append(pool.apply(_filled, (size, seed)))
        first, gap, more, memory = (statistics.median(of) for of in zip(*found, strict=True))
        how = f"{len(found)} made-up gardens" if long else "one made-up garden"
        name = f"{size.beds} beds filled"
        yield Row(f"{name}, first plan", first, "s", size.first_s, how)
        yield Row(f"{name}, at most more", 100 * gap, "%", 100 * size.gap_share, "after 10 s")
        yield Row(f"{name}, over a layout by hand", 100 * more, "%", None, "20 is asked for")
        yield Row(f"{name}, memory", memory, "MB", size.memory_mb, "its own process")


def _filled(size: Size, seed: int) -> tuple[float, float, float, float]:
    """The first plan's time, the gap, what it is worth over a layout by hand, and memory.
    [s, share, share, MB]"""
    book = load_book()
    estimate = Estimate(made_up(size, seed, book), book)
    first, *others = stages(estimate, WHOLE, limits=Limits(seconds=_SECONDS))
    last = others[-1]
    ready = Ready(estimate, WHOLE)
    _, hand = ready.evaluated(by_hand(ready).ground.placed)
    more = (last.worth.value - hand.value) / abs(hand.value)
    return first.seconds, last.gap, more, own_peak_mb()
