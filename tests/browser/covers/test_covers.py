"""Covers: what is usually covered is offered, put on, drawn over its squares and taken off."""

from playwright.sync_api import expect


def test_a_cover_is_put_on_drawn_and_taken_off(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/low")
    page.get_by_role("link", name="Put up").click()
    form = page.get_by_role("form", name="A cover")
    form.get_by_label("Another cover").select_option("fleece")
    form.get_by_label("to square").select_option("B2")
    form.get_by_label("off on").fill("2027-09-01")
    form.get_by_role("button", name="Add the cover").click()
    cover = page.get_by_role("region", name="fleece, A1–B2")
    expect(cover).to_contain_text("hoops of")
    expect(cover.get_by_role("row", name="fleece")).to_contain_text("no price")
    page.get_by_role("link", name="Squares", exact=True).last.click()
    expect(page.locator("svg.bed")).to_contain_text("fleece")
    page.go_back()
    cover.get_by_role("button", name="Delete this cover").click()
    expect(page.get_by_text("Nothing is covered here yet.")).to_be_visible()


def test_a_family_is_covered_by_one_press(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/south/covers")
    usual = page.get_by_role("region", name="Usually covered")
    expect(usual).to_contain_text("if they stood in one block")
    before = page.get_by_role("button", name="Delete this cover").count()
    usual.get_by_role("button", name="Cover with insect mesh").first.click()
    expect(page.get_by_role("button", name="Delete this cover").nth(before)).to_be_visible()
