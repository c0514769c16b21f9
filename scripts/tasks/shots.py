"""Take the README's pictures of the running demo, at 1280 x 800 and phone size."""

import sys
import tempfile
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Browser, Page, sync_playwright

from ample_rows.cli.bench import Server

OUT = Path(__file__).resolve().parents[2] / "docs" / "screenshots"
LANTERN, KETTLE = "/gardens/lantern-court", "/gardens/kettle-corner"
DESK, PHONE = {"width": 1280, "height": 800}, {"width": 390, "height": 844}


def choose_free_squares(page: Page) -> None:
    for _ in range(20):
        page.keyboard.press("PageDown")
    page.locator("svg.bed").focus()
    for key in ("ArrowDown", "ArrowUp", "Shift+ArrowRight", "Shift+ArrowRight"):
        page.keyboard.press(key)
    page.get_by_role("list", name="Crops that fit").wait_for()


def later(page: Page) -> None:
    page.get_by_role("row", name="North").wait_for()
    for _ in range(4):
        page.keyboard.press("PageDown")


def run_the_seasons(page: Page) -> None:
    page.get_by_role("img", name="Everything picked").wait_for()


def in_april(page: Page) -> None:
    page.get_by_role("heading", name="This week").wait_for()
    for _ in range(9):
        page.keyboard.press("PageUp")
    page.get_by_role("heading", name="12 Apr to 18 Apr").wait_for()


def fill_the_garden(page: Page) -> None:
    page.get_by_label("Existing plantings").select_option("may")
    page.get_by_role("button", name="Fill", exact=True).click()
    page.get_by_role("button", name="Take all of it").wait_for(timeout=60_000)


def select_carrot(page: Page) -> None:
    page.get_by_role("button", name="maincrop carrot, 64").click()


def fill_in(page: Page) -> None:
    page.get_by_label("Latitude, degrees").fill("52")


def open_spacing(page: Page) -> None:
    select_carrot(page)
    page.get_by_role("tab", name="Spacing").click()
    page.get_by_role("table", name="Other ways").wait_for()
    dial = page.get_by_role("slider", name="How far apart")
    dial.focus()
    for _ in range(2):
        page.keyboard.press("ArrowLeft")


Steps = Callable[[Page], None] | None


def choose_long_bed(page: Page) -> None:
    page.locator(".bed [data-thing*='long']").click(position={"x": 30, "y": 38})


def choose_border(page: Page) -> None:
    page.get_by_role("button", name="House border", exact=True).click()


def show_pickings(page: Page) -> None:
    page.get_by_role("region", name="rhubarb").wait_for()


def show_next_year(page: Page) -> None:
    page.get_by_role("button", name="Begin 2028").wait_for()


def type_a_place(page: Page) -> None:
    page.get_by_label("Length, inside, cm").fill("300")
    page.get_by_text("40 squares").wait_for()


VIEWS: dict[str, tuple[str, dict[str, int], str, Steps]] = {
    "ground": (f"{LANTERN}/ground", DESK, "light", choose_long_bed),
    "soil": (f"{LANTERN}/soil", DESK, "light", choose_border),
    "building": (f"{LANTERN}/soil?view=building", DESK, "light", None),
    "pantry": (f"{LANTERN}/pantry", DESK, "light", run_the_seasons),
    "record": (f"{LANTERN}/record", DESK, "light", show_pickings),
    "seasons": (f"{LANTERN}/record?view=seasons", DESK, "light", show_next_year),
    "year": (f"{LANTERN}/year", DESK, "light", in_april),
    "bed-sheet": (f"{LANTERN}/squares/south", DESK, "light", select_carrot),
    "what-fits": (f"{LANTERN}/squares/south", DESK, "light", choose_free_squares),
    "support": (f"{LANTERN}/places/south/supports", DESK, "light", later),
    "seed-box": (f"{LANTERN}/seeds", DESK, "light", None),
    "fill": (f"{LANTERN}/fill", DESK, "light", fill_the_garden),
    "feet-evening": (f"{KETTLE}/squares/middle", DESK, "dark", None),
    "place": (f"{LANTERN}/places/new", DESK, "light", type_a_place),
    "crop-book": (f"{LANTERN}/crops?crop=beetroot-long&place=low", DESK, "light", None),
    "garden": (f"{LANTERN}/garden", DESK, "light", None),
    "first-bed": ("/start", DESK, "light", fill_in),
    "spacing": (f"{LANTERN}/squares/south", DESK, "light", open_spacing),
    "phone": (f"{LANTERN}/squares/border", PHONE, "light", None),
}


def take(browser: Browser, base: str, name: str) -> None:
    """One picture of one view."""
    path, viewport, theme, steps = VIEWS[name]
    page = browser.new_page(viewport=viewport, color_scheme=theme, locale="en-GB")
    page.goto(base + path)
    page.wait_for_load_state("networkidle")
    if steps is not None:
        steps(page)
    page.wait_for_timeout(400)
    page.screenshot(path=OUT / f"{name}.png")
    page.close()


def main(chromium: str) -> None:
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        server = Server(Path(folder))
        flags = ["--no-sandbox", "--disable-gpu", "--disable-background-networking"]
        browser = playwright.chromium.launch(executable_path=chromium, args=flags)
        for name in VIEWS:
            take(browser, server.base, name)
        browser.close()
        server.stop()


if __name__ == "__main__":
    main(sys.argv[1])
