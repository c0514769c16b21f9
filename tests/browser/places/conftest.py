"""The same done by pointer and by keys alone."""

import pytest
from playwright.sync_api import Locator, Page

_MOST_TABS = 250
_HERE = "element => element === document.activeElement"


class ByPointer:
    """Fields and buttons as a hand on a mouse or a screen uses them."""

    def __init__(self, page: Page) -> None:
        self.page = page

    def press(self, what: Locator) -> None:
        what.click()

    def fill(self, what: Locator, text: str) -> None:
        what.click()
        what.select_text()
        self.page.keyboard.type(text)

    def choose(self, what: Locator, option: str) -> None:
        what.select_option(label=option)


class ByKeys(ByPointer):
    """The same for whoever has no pointer: from one thing to the next by Tab."""

    def _reach(self, what: Locator) -> None:
        what.wait_for()
        for _ in range(_MOST_TABS):
            if what.evaluate(_HERE):
                return
            self.page.keyboard.press("Tab")
        raise AssertionError("Tab does not come to it")

    def press(self, what: Locator) -> None:
        self._reach(what)
        self.page.keyboard.press("Enter")

    def fill(self, what: Locator, text: str) -> None:
        self._reach(what)
        self.page.keyboard.press("ControlOrMeta+a")
        self.page.keyboard.type(text)

    def choose(self, what: Locator, option: str) -> None:
        self._reach(what)
        self.page.keyboard.type(option)


@pytest.fixture(params=[ByPointer, ByKeys], ids=["pointer", "keys"])
def hand(request: pytest.FixtureRequest, page: Page) -> ByPointer:
    """Whatever does it."""
    return request.param(page)
