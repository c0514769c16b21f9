"""The ground's times: the yard's sun from nothing and after an edit, and a bed dragged."""

import itertools
import json
import statistics
from dataclasses import dataclass
from typing import TYPE_CHECKING

from ample_rows.cli.bench.rows import Row, median_ms
from ample_rows.core import plan as p
from ample_rows.core.book import Book
from ample_rows.core.site import (
    place_sun,
    skyline,
    sun_map,
    sun_path,
)
from ample_rows.core.site.sun_map import sun_by_month, sun_on_day

if TYPE_CHECKING:
    from playwright.sync_api import Page

_DAY = sun_path.sample_days(2027)[11]
MOVES = 60
_SETTLE_MS = 1000
_TRACED = ["devtools.timeline", "disabled-by-default-devtools.timeline"]


def _box(x: float, y: float, width: float, depth: float) -> tuple[p.PointM, ...]:
    return ((x, y), (x + width, y), (x + width, y + depth), (x, y + depth))


def _yard(side_m: float, obstacles: int, moved_m: float = 0.0) -> p.Site:
    """A square yard with things of every kind round it and in it."""
    obstacles_at_hand = [
        p.Obstacle(kind="house", outline_m=_box(0, side_m, side_m, 8), height_m=6),
        p.Obstacle(kind="fence", outline_m=_box(-0.1, 0, 0.1, side_m), height_m=1.8),
        p.Obstacle(
            kind="tree",
            outline_m=_box(4, -3, 3, 3),
            height_m=7,
            crown_base_m=2,
            leaf="deciduous",
        ),
        p.Obstacle(kind="wall", outline_m=_box(side_m, 0, 0.2, side_m), height_m=2),
        p.Obstacle(kind="tree", outline_m=_box(15, 2, 2, 2), height_m=5, leaf="evergreen"),
        p.Obstacle(kind="house", outline_m=_box(8 + moved_m, 8, 3, 2), height_m=2.2),
        p.Obstacle(kind="hedge", outline_m=_box(0, -1, side_m, 0.6), height_m=1.5),
        p.Obstacle(kind="fence", outline_m=_box(5, 15, 6, 0.1), height_m=1.8),
    ]
    return p.Site(
        outline_m=_box(0, 0, side_m, side_m), obstacles=tuple(obstacles_at_hand[:obstacles])
    )


def _sky(site: p.Site, book: Book) -> place_sun.Sky:
    garden = p.Garden.model_validate(
        {
            "name": "Bench",
            "latitude": 51.9,
            "longitude": -2.1,
            "last_frost": _DAY,
            "first_frost": _DAY.replace(month=10),
        }
    )
    return place_sun.sky_over(garden, site, 2027, book)


def _map_ms(side_m: float, obstacles: int, book: Book) -> float:
    """Twelve months of a yard with nothing remembered. [ms]"""
    site = _yard(side_m, obstacles)
    sky = _sky(site, book)

    def work() -> None:
        _forget()
        sun_by_month(site.outline_m or (), sky)

    work()
    return median_ms(work, rounds=5)


def _forget() -> None:
    skyline.spans_kept.cache_clear()
    for cache in sun_map.KEPT:
        cache.cache_clear()


def _edit_ms(book: Book) -> float:
    """The shown day's map after one of eight obstacles has moved. [ms]"""
    moved = 0.0

    def work() -> None:
        nonlocal moved
        moved += 0.05
        site = _yard(20, 8, moved)
        sun_on_day(site.outline_m or (), _sky(site, book), _DAY)

    work()
    return median_ms(work, rounds=9)


def ground_rows(book: Book) -> list[Row]:
    """The sun map's time, how it grows, and what moving one obstacle costs."""
    whole = _map_ms(20, 8, book)
    quarter = _map_ms(10, 8, book)
    four = _map_ms(20, 4, book)
    return [
        Row("sun map, 20 x 20 m, 8 obstacles", whole, "ms", 1000, "12 months, 25 cm, none kept"),
        Row("4 x the cells", whole / quarter, "x", 4.5, "4 is linear growth"),
        Row("8 obstacles against 4", whole / four, "x", 2.4, "2 is linear growth"),
        Row("one obstacle moved", _edit_ms(book), "ms", 200, "the shown day, 25 cm"),
    ]


@dataclass(frozen=True)
class _Drag:
    """Something that is dragged on a screen, and how far it goes out and back at a move. [px]"""

    what: str
    path: str
    selector: str
    step: tuple[float, float]
    # A field whose value tells that the figures after it are painted.
    figure: str | None = None


_DRAGS = (
    _Drag("a bed", "ground", ".bed [data-thing*='\"low\"']", (-3, 2)),
    _Drag("a wedge", "year", "[aria-label^='To, cordon']", (4, 0), ".chosen input[type=date]"),
)
_SETTLES = 9
_WATCH = """(figure) => {
  const value = () => document.querySelector(figure).value;
  const before = value();
  window.settled = new Promise((done) => addEventListener('pointerup', (event) => {
    const look = () => (value() !== before
      ? requestAnimationFrame(() => setTimeout(() => done(performance.now() - event.timeStamp), 0))
      : requestAnimationFrame(look));
    look();
  }, { once: true, capture: true }));
}"""


def drag_rows(base: str, chromium: str) -> list[Row]:
    """Main-thread work per pointer move of what is dragged, from the browser's own trace."""
    from playwright.sync_api import sync_playwright

    flags = ["--no-sandbox", "--disable-gpu", "--no-first-run", "--disable-background-networking"]
    rows = []
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path=chromium, args=flags)
        for drag in _DRAGS:
            page = browser.new_page(viewport={"width": 1280, "height": 800})
            page.goto(f"{base}/gardens/lantern-court/{drag.path}")
            thing = page.locator(drag.selector).first
            thing.wait_for()
            page.wait_for_load_state("networkidle")
            page.wait_for_timeout(_SETTLE_MS)
            thing.scroll_into_view_if_needed()
            box = thing.bounding_box() or {"x": 0.0, "y": 0.0}
            x, y = box["x"] + 20, box["y"] + 8
            page.mouse.move(x, y)
            page.mouse.down()
            browser.start_tracing(page=page, categories=_TRACED)
            for step in range(MOVES):
                far = min(step, MOVES - step)
                page.mouse.move(x + drag.step[0] * far, y + drag.step[1] * far)
                page.wait_for_timeout(20)
            work = _work_per_move(json.loads(browser.stop_tracing())["traceEvents"])
            page.mouse.up()
            settled = _settled_ms(page, drag) if drag.figure else []
            page.close()
            per_move = f"{drag.what} dragged, work per move"
            rows.append(Row(per_move, statistics.median(work), "ms", 12, "by trace"))
            worst = f"{drag.what} dragged, worst move"
            rows.append(Row(worst, max(work), "ms", 50, f"{len(work)} moves"))
            if settled:
                how = f"let go to repaint, {len(settled)} times, worst {max(settled):.0f} ms"
                median = statistics.median(settled)
                rows.append(Row(f"{drag.what} let go, figures settled", median, "ms", 150, how))
        browser.close()
    return rows


def _settled_ms(page: "Page", drag: _Drag) -> list[float]:
    """From letting go until the figures are painted, dragged to and fro. [ms]"""
    times = []
    for nth in range(_SETTLES):
        page.wait_for_timeout(_SETTLE_MS)
        box = page.locator(drag.selector).first.bounding_box() or {"x": 0.0, "y": 0.0}
        x, y = box["x"] + 20, box["y"] + 8
        way = 1 if nth % 2 else -1
        page.mouse.move(x, y)
        page.mouse.down()
        page.mouse.move(x + way * 20, y, steps=5)
        page.evaluate(_WATCH, drag.figure)
        page.mouse.up()
        times.append(float(page.evaluate("window.settled")))
    return times


def _work_per_move(events: list[dict[str, object]]) -> list[float]:
    """Busy time of the page's thread from each pointer move up to the next. [ms]"""
    moves = [e for e in events if _is_move(e)]
    if len(moves) < 2:
        return [0.0]
    thread = (moves[0]["pid"], moves[0]["tid"])
    tasks = [
        (_number(e["ts"]), _number(e["dur"]))
        for e in events
        if e.get("ph") == "X" and e["name"] == "RunTask" and (e["pid"], e["tid"]) == thread
    ]
    starts = sorted(_number(e["ts"]) for e in moves)
    return [
        sum(dur for ts, dur in tasks if begin <= ts + dur and ts < end) / 1000
        for begin, end in itertools.pairwise(starts)
    ]


def _is_move(event: dict[str, object]) -> bool:
    args = event.get("args")
    data = args.get("data") if isinstance(args, dict) else None
    kind = data.get("type") if isinstance(data, dict) else None
    return event["name"] == "EventDispatch" and kind == "pointermove"


def _number(value: object) -> float:
    return float(value) if isinstance(value, int | float) else 0.0
