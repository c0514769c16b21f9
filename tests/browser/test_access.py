"""What everyone needs: axe on every screen, light and dark, small and large, and no network."""

from pathlib import Path

import pytest
from playwright.sync_api import expect

AXE = Path(__file__).resolve().parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
PHONE = {"width": 390, "height": 844}
SCREENS = {
    "bed": "/gardens/lantern-court/squares/south",
    "tub": "/gardens/lantern-court/squares/tap-tub",
    "south": "/gardens/magpie-terrace/squares/tall",
    "ground": "/gardens/lantern-court/ground",
    "balcony ground": "/gardens/magpie-terrace/ground",
    "soil": "/gardens/lantern-court/soil",
    "building": "/gardens/lantern-court/soil?view=building",
    "watering": "/gardens/lantern-court/soil?view=watering",
    "crop book": "/gardens/lantern-court/crops?crop=cucumber&place=low",
    "methods": "/gardens/lantern-court/methods",
    "marking": "/gardens/lantern-court/places/south/marking",
    "support": "/gardens/lantern-court/places/border/supports",
    "seed box": "/gardens/lantern-court/seeds",
    "year": "/gardens/lantern-court/year",
    "pantry": "/gardens/lantern-court/pantry",
    "record": "/gardens/lantern-court/record",
    "seasons": "/gardens/lantern-court/record?view=seasons",
    "what was learnt": "/gardens/lantern-court/record?view=learnt",
    "season sheet": "/gardens/lantern-court/record?view=seasons&season=2027",
    "any days": "/gardens/lantern-court/record?view=seasons&since=2027-01-01&until=2027-12-31",
    "season drawn": "/gardens/lantern-court/record?view=seasons&season=2027&drawn=1",
    "twins": "/gardens/lantern-court/record?view=twins",
    "seedlings": "/gardens/lantern-court/record?view=nursery",
    "what is wrong": "/gardens/lantern-court/record?view=wrong",
    "along a row": "/gardens/lantern-court/record?view=row",
    "find": "/gardens/lantern-court/record?view=find&words=carrot",
    "covers": "/gardens/lantern-court/places/south/covers",
    "feeding": "/gardens/lantern-court/soil?view=feeding",
    "garden": "/gardens/lantern-court/garden",
    "new place": "/gardens/lantern-court/places/new",
    "change place": "/gardens/lantern-court/places/low/change",
    "first bed": "/start",
    "no such garden": "/gardens/atlantis/squares",
    "no such page": "/nowhere",
}


def violations(page):
    # Axe is evaluated by the test, not loaded by the page: the page's policy stays as it is.
    page.evaluate(AXE.read_text())
    found = page.evaluate("axe.run(document, {resultTypes: ['violations']})")["violations"]
    return [(v["id"], [n["html"][:120] for n in v["nodes"]]) for v in found]


@pytest.mark.parametrize("screen", SCREENS)
def test_a_screen_is_for_everyone(page, base_url, screen):
    asked = []
    page.on("request", lambda request: asked.append(request.url))
    page.goto(base_url + SCREENS[screen])
    page.wait_for_load_state("networkidle")
    expect(page.get_by_role("heading").first).to_be_visible()
    for theme in ("light", "dark"):
        page.emulate_media(color_scheme=theme)
        assert violations(page) == [], theme
    page.set_viewport_size(PHONE)
    widths = page.evaluate("[document.documentElement.scrollWidth, innerWidth]")
    assert widths[0] <= widths[1], "a phone has to scroll sideways"
    assert all(url.startswith((base_url, "data:")) for url in asked)


@pytest.mark.parametrize(
    "opened", ["maincrop carrot, 64", "Table", "Keys", "62 cm, Usable depth: working"]
)
def test_axe_finds_nothing_in_what_opens(page, base_url, opened):
    page.goto(base_url + SCREENS["bed"])
    page.get_by_role("button", name=opened, exact=True).click()
    assert violations(page) == []
