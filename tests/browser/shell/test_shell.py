"""What stands round every screen: units, themes, messages, and gardens that are not there."""

import re

from playwright.sync_api import expect

from tests.browser.conftest import ledger


def test_inches_and_pounds(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Measures on this device").select_option("imperial")
    page.get_by_role("link", name=re.compile("Low bed")).click()
    expect(page.get_by_text("35.5 × 47 in inside")).to_be_visible()
    expect(ledger(page)).to_contain_text("Harvest, lb")
    expect(page.get_by_role("tabpanel")).to_contain_text(
        "root 6.3 in long; this place gives 5.5 in"
    )
    # Chosen back, every sentence is asked for again.
    page.get_by_role("link", name="Garden", exact=True).click()
    page.get_by_label("Measures on this device").select_option("metric")
    page.get_by_role("link", name=re.compile("Low bed")).click()
    expect(page.get_by_role("tabpanel")).to_contain_text("root 16 cm long")


def test_light_and_dark(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Light or dark").select_option("dark")
    assert page.evaluate("getComputedStyle(document.body).backgroundColor") == "rgb(26, 33, 37)"
    page.reload()
    expect(page.locator("html")).to_have_attribute("data-theme", "dark")


def test_the_second_of_two_tabs_is_told_and_shown_the_newer_state(page, context, base_url):
    address = f"{base_url}/gardens/lantern-court/squares/south"
    other = context.new_page()
    for tab in (page, other):
        tab.goto(address)
        tab.get_by_role("button", name="maincrop carrot, 64").click()
    page.get_by_label("Plants per square").fill("4")
    page.get_by_label("Plants per square").press("Tab")
    expect(page.get_by_role("tabpanel")).to_contain_text("maincrop carrot 16 plants")
    other.get_by_role("button", name="A week later").click()
    expect(other.get_by_text("changed in another tab")).to_be_visible()
    expect(other.get_by_role("tabpanel")).to_contain_text("maincrop carrot 16 plants")
    other.close()


def test_an_answer_that_fails_says_so_and_what_to_do(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    page.get_by_role("button", name="maincrop carrot, 64").click()
    page.route("**/edits", lambda route: route.abort())
    page.get_by_role("button", name="A week later").click()
    expect(page.get_by_text("The server did not answer, so nothing was saved")).to_be_visible()


def test_slow_work_is_told_and_can_be_cancelled(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    page.get_by_role("button", name="maincrop carrot, 64").click()
    page.route("**/edits", lambda route: None)
    page.get_by_role("button", name="A week later").click()
    expect(page.get_by_text("Saving …")).to_be_visible(timeout=3000)
    page.get_by_role("button", name="Cancel").click()
    expect(page.get_by_text("Stopped. The garden is shown as the server has it.")).to_be_visible()


def test_a_garden_that_is_not_there(page, base_url):
    page.goto(f"{base_url}/gardens/atlantis/squares")
    expect(page.get_by_text('There is no garden "atlantis"')).to_be_visible()
    page.get_by_role("link", name="Open the first garden").click()
    expect(page.get_by_role("heading", name="South bed")).to_be_visible()


def test_presses_in_quick_succession_all_move_the_day(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    day = page.get_by_role("slider", name="Day of the year")
    expect(day).to_have_attribute("aria-valuetext", "14 June")
    page.evaluate(
        "for (let i = 0; i < 3; i += 1)"
        " window.dispatchEvent(new KeyboardEvent('keydown', {key: 'PageUp'}))"
    )
    expect(day).to_have_attribute("aria-valuetext", "24 May")
