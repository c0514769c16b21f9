"""A support: put up from the bed sheet, changed, and held against the wind."""

import re

from playwright.sync_api import expect


def test_a_support_is_drawn_billed_and_changed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    page.get_by_role("link", name="Put up").click()
    drawing = page.get_by_role("img", name="The support from the front: 4 posts, 90 cm apart")
    expect(drawing).to_be_visible()
    bill = page.get_by_role("table", name="What it takes")
    expect(bill.get_by_role("row", name="climbing net")).to_contain_text("4.86 m²")
    page.get_by_label("Post spacing, at most").fill("60")
    page.get_by_label("Design wind").fill("15")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("img", name="7 posts")).to_be_visible()
    bears = page.get_by_role("region", name="Weight and wind")
    expect(bears).to_contain_text("Estimated to withstand gusts of 15 m/s")
    bears.get_by_role("button", name="push of the wind: working").click()
    expect(page.get_by_role("dialog", name="Working")).to_contain_text("Wind on one post")
    page.keyboard.press("Escape")
    page.get_by_label("Kind of support").select_option("arch of mesh")
    expect(page.get_by_role("img", name="The arch from its end")).to_be_visible()


def test_a_stretch_longer_than_its_edge_is_refused_in_words(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/south/supports")
    page.get_by_label("Runs to").fill("400")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text("270 cm, the length of its edge")
    expect(page.get_by_label("Runs to")).to_have_value("400")
    expect(page.get_by_label("Runs to")).to_be_focused()


def test_a_line_is_typed_in_any_unit_and_one_off_the_bed_is_refused_at_its_field(page, base_url):
    page.goto(f"{base_url}/gardens/kettle-corner/places/middle/supports")
    across = page.get_by_label("Point 1, across")
    across.fill("200")
    page.get_by_role("button", name="Save").click()
    fault = page.get_by_role("alert")
    expect(fault).to_contain_text("16 ft 8 in across and 0 in along lies off the bed")
    expect(page.get_by_role("status")).to_be_empty()
    # Typing has come to rest meanwhile: what can be read is refused all the same.
    page.wait_for_timeout(1000)
    expect(fault).to_contain_text("lies off the bed")
    across.fill("3 hands")
    page.get_by_role("button", name="Save").click()
    expect(fault).to_contain_text("Enter a length")
    across.fill("1 ft 6")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("8 ft along a line in the bed")).to_be_visible()
    expect(across).to_have_value("18")


def test_what_a_message_does_not_cover_can_be_pressed(page, base_url):
    page.goto(f"{base_url}/gardens/kettle-corner/places/middle/supports")
    page.get_by_label("Add a support").select_option("stakes with woven twine")
    page.get_by_role("button", name="Add", exact=True).click()
    expect(page.get_by_role("link", name="Support 2")).to_have_attribute("aria-current", "page")
    page.get_by_label("Stands").select_option("in the bed, across its middle")
    told = page.get_by_role("status")
    expect(told).to_contain_text("Bed 2, support 2, line: crosses support 1")
    # The message lies at the foot of the page, and the press for the keys beside it.
    page.get_by_role("button", name="Keys").click()
    expect(page.get_by_role("dialog", name="Keys")).to_be_visible()


def test_an_arch_stands_in_a_round_bed_along_its_middle(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label("Name").fill("Round bed")
    page.get_by_label("Outline").select_option("round")
    page.get_by_label("Diameter, inside, cm").fill("150")
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("heading", name="Round bed")).to_be_visible()
    expect(page).to_have_url(re.compile("/squares/"))
    page.goto(page.url.replace("/squares/", "/places/") + "/supports")
    page.get_by_label("Add a support").select_option("arch of mesh")
    page.get_by_role("button", name="Add", exact=True).click()
    expect(page.get_by_role("img", name="The arch from its end")).to_be_visible()
    expect(page.get_by_text("150 cm along a line in the bed")).to_be_visible()
    expect(page.get_by_label("Stands").get_by_role("option")).to_have_text(
        [
            "in the bed, along its middle",
            "in the bed, across its middle",
            "in the bed, along a line",
        ]
    )
