"""The spacing dial and layouts side by side: looked at in the drawing, then taken."""

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import ledger


@pytest.fixture
def carrots(page, base_url):
    """The maincrop carrots of the South bed, with their spacing open."""
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    page.get_by_role("button", name="maincrop carrot, 64").click()
    page.get_by_role("tab", name="Spacing").click()
    expect(page.get_by_role("slider", name="How far apart")).to_be_visible()
    return page


def plan_of(page):
    return page.get_by_role("application", name="Plan of the squares")


def test_the_dial_shows_each_spacing_in_the_bed_before_it_is_taken(carrots):
    dial = carrots.get_by_role("slider", name="How far apart")
    expect(dial).to_have_attribute("aria-valuetext", "7.5 cm apart, 64 plants")
    dial.focus()
    carrots.keyboard.press("ArrowLeft")
    carrots.keyboard.press("ArrowLeft")
    carrots.keyboard.press("ArrowLeft")
    expect(dial).to_have_attribute("aria-valuetext", "6 cm apart, 100 plants")
    expect(plan_of(carrots)).to_contain_text("Ct 100, 6 cm apart")
    # Nothing is changed yet.
    expect(carrots.get_by_role("button", name="Undo")).to_be_disabled()
    carrots.get_by_role("button", name="Use 6 cm").click()
    expect(carrots.get_by_role("button", name="Use 6 cm")).to_have_count(0)
    expect(plan_of(carrots)).to_contain_text("Ct 100, 6 cm apart")
    carrots.get_by_role("button", name="Undo").click()
    expect(plan_of(carrots)).to_contain_text("Ct 64, 7.5 cm apart")


def test_the_plumb_line_is_dragged(carrots):
    dial = carrots.get_by_role("slider", name="How far apart")
    box = carrots.locator(".drawn", has=dial).bounding_box()
    carrots.mouse.move(box["x"] + box["width"] / 2, box["y"] + 60)
    carrots.mouse.down()
    carrots.mouse.move(box["x"] + box["width"] - 10, box["y"] + 60, steps=4)
    carrots.mouse.up()
    expect(dial).to_have_attribute("aria-valuetext", "12 cm apart, 25 plants")
    expect(plan_of(carrots)).to_contain_text("Ct 25, 12 cm apart")
    carrots.get_by_role("tab", name="Notes").click()
    expect(plan_of(carrots)).to_contain_text("Ct 64, 7.5 cm apart")


def test_other_ways_stand_side_by_side_and_one_is_taken(carrots):
    ways = carrots.get_by_role("table", name="Other ways, in the same squares")
    offset = ways.get_by_role("row", name="offset rows")
    expect(offset.get_by_role("cell").first).to_have_text("68")
    ways.get_by_role("button", name="offset rows").click()
    expect(plan_of(carrots)).to_contain_text("Ct 68, 7.5 cm apart")
    expect(carrots.get_by_text("no lane runs straight but along the rows")).to_be_visible()
    carrots.get_by_role("button", name="Set out so: offset rows").click()
    expect(ways.get_by_role("row", name="offset rows now")).to_be_visible()
    expect(plan_of(carrots)).to_contain_text("Ct 68, 7.5 cm apart")


def test_the_sowing_is_said_with_its_thinnings_and_gaps(carrots):
    expect(carrots.get_by_text("3 seeds at each of 64 stations.")).to_be_visible()


def test_along_a_net_only_the_dial_is_offered(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    page.get_by_role("button", name="climbing pea, 25").click()
    page.get_by_role("tab", name="Spacing").click()
    expect(page.get_by_role("slider", name="How far apart")).to_be_visible()
    expect(page.get_by_text("Other ways, in the same squares")).to_have_count(0)


def test_a_clash_is_mended_by_setting_one_crop_between_the_other(page, at):
    south = at("south")
    south.get_by_role("button", name="maincrop carrot, 64").click()
    south.get_by_role("button", name="Remove").click()
    expect(south.get_by_role("tab", name="This planting")).to_have_count(0)
    south.get_by_role("button", name="beetroot, 27").first.click()
    between = south.get_by_label("Set between")
    expect(between).to_have_count(0)
    ledger(south).get_by_role("button", name="Show all").click()
    south.get_by_role("button", name="head lettuce, 4").first.click()
    expect(between).to_have_value("p4")
    between.select_option("")
    expect(south.get_by_role("button", name="head lettuce, 6").first).to_be_visible()
    south.get_by_role("tab", name="Notes").click()
    south.get_by_role("button", name="Set the head lettuce between the pointed cabbage").click()
    expect(south.get_by_role("button", name="head lettuce, 4").first).to_be_visible()
