"""The real interface in Debian's Chromium, without a network."""

import os
import re
import shutil
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from fastapi import FastAPI
from playwright.sync_api import (
    Browser,
    BrowserContext,
    ConsoleMessage,
    Error,
    Locator,
    Page,
    expect,
)

from ample_rows.api.app import occupy
from ample_rows.core.book import Book
from ample_rows.store import GardenStore
from tests.conftest import listening

FLAGS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]

# Machines are noisy: what comes late is no fault, what never comes is.
expect.set_options(timeout=20_000)


def pytest_collection_modifyitems(items: list[pytest.Item]) -> None:
    for item in items:
        if "/browser/" in str(item.path):
            item.add_marker(pytest.mark.browser)


@pytest.fixture(scope="session")
def browser_type_launch_args() -> dict[str, Any]:
    found = os.environ.get("AMPLE_CHROMIUM") or shutil.which("chromium")
    if not found:
        pytest.fail("no Chromium: ./ample test installs it, or install Debian's `chromium`")
    return {"executable_path": found, "args": FLAGS}


@pytest.fixture(scope="session")
def browser_context_args() -> dict[str, Any]:
    """A browser that speaks British English: a first garden is then offered in centimetres."""
    return {"viewport": {"width": 1280, "height": 800}, "locale": "en-GB"}


@pytest.fixture(scope="session")
def address(application: FastAPI) -> Iterator[str]:
    """One server for a whole run, so that the browser fetches and compiles the scripts once."""
    with listening(application) as address:
        yield address


@pytest.fixture
def base_url(demo_store: GardenStore, book: Book, application: FastAPI, address: str) -> str:
    """The address of both demo gardens, as they are when they are new."""
    occupy(application, demo_store, book)
    return address


@pytest.fixture(scope="session")
def window(browser: Browser, browser_context_args: dict[str, Any]) -> Iterator[BrowserContext]:
    with browser.new_context(**browser_context_args) as context:
        yield context


@pytest.fixture(scope="session")
def tab(window: BrowserContext) -> Page:
    """One tab for a whole run: a new one costs a second of the processor each time."""
    return window.new_page()


@pytest.fixture
def context(window: BrowserContext, tab: Page) -> Iterator[BrowserContext]:
    """The one browser window of a run, which remembers nothing of the test before."""
    yield window
    for page in window.pages:
        if page is not tab:
            page.close()
    window.clear_cookies()
    window.clear_permissions()


@pytest.fixture
def page(
    context: BrowserContext, tab: Page, address: str, browser_context_args: dict[str, Any]
) -> Iterator[Page]:
    """A page that fails its test when anything goes wrong in its console."""
    troubles: list[str] = []

    def tell(message: ConsoleMessage) -> None:
        if message.type in ("error", "warning"):
            troubles.append(message.text)

    def fail(error: Error) -> None:
        troubles.append(str(error))

    tab.on("console", tell)
    tab.on("pageerror", fail)
    yield tab
    tab.remove_listener("console", tell)
    tab.remove_listener("pageerror", fail)
    tab.unroute_all(behavior="ignoreErrors")
    tab.evaluate("location.protocol === 'http:' && localStorage.clear()")
    tab.goto(f"{address}/mark.svg")
    tab.emulate_media(media="null", color_scheme="null")
    tab.set_viewport_size(browser_context_args["viewport"])
    unexpected = [t for t in troubles if not re.search(r"status of (4\d\d|503)|net::ERR_", t)]
    assert unexpected == []


@pytest.fixture
def at(page: Page, base_url: str) -> Callable[[str], Page]:
    """Open a place of the first demo garden: `at("south")`."""

    def open_place(place: str, garden: str = "lantern-court") -> Page:
        page.goto(f"{base_url}/gardens/{garden}/squares/{place}")
        expect(page.locator("svg.bed text").first).to_be_visible()
        return page

    return open_place


def square(page: Page, address: str) -> tuple[float, float]:
    """The middle of a square on the page, found from the drawing's own letters and numbers."""
    texts = page.locator("svg.bed text")
    letter = texts.get_by_text(address[0], exact=True).first.bounding_box()
    number = texts.get_by_text(address[1:], exact=True).first.bounding_box()
    assert letter is not None
    assert number is not None
    return number["x"] + number["width"] / 2, letter["y"] + letter["height"] / 2


def paint(page: Page, first: str, last: str) -> None:
    """Press in one square, drag to another, let go."""
    page.mouse.move(*square(page, first))
    page.mouse.down()
    page.mouse.move(*square(page, last), steps=5)
    page.mouse.up()


def set_day(page: Page, weeks: int) -> None:
    """Move the day by so many weeks with the keys."""
    key = "PageDown" if weeks > 0 else "PageUp"
    for _ in range(abs(weeks)):
        page.keyboard.press(key)


def unfold(page: Page, title: str) -> None:
    """Open what is folded away under a title."""
    page.locator("summary").get_by_text(title, exact=True).click()


def ledger(page: Page) -> Locator:
    return page.get_by_role("region", name="Ledger")
