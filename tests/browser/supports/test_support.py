"""A support: put up from the bed sheet, changed, and held against the wind."""

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
    expect(page.get_by_role("status")).to_contain_text("270, the length of its edge")
    expect(page.get_by_label("Runs to")).to_have_value("400")
