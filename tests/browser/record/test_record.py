"""The record: picked, typed in one line, said back, kept, and seen over its estimate."""

import re

from playwright.sync_api import expect

LINE = "What was done or picked"


def enter(page, text):
    page.get_by_label(LINE).fill(text)
    page.get_by_role("button", name="Enter", exact=True).click()


def test_a_picking_is_typed_kept_seen_over_its_estimate_and_undone(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/record")
    expect(page.get_by_text("Nothing entered for this day")).to_be_visible()
    page.get_by_label(LINE).fill("carrots low bed 400 g")
    expect(page.get_by_text("reads: picked short-rooted carrot; Low bed C1–C4")).to_be_visible()
    page.keyboard.press("Enter")
    row = page.get_by_role("row", name="Picked short-rooted carrot")
    expect(row).to_contain_text("400 g")
    expect(page.get_by_label(LINE)).to_be_focused()
    strip = page.get_by_role("region", name="maincrop carrot")
    expect(strip).to_contain_text("0.4 kg picked")
    expect(strip.get_by_role("img")).to_have_accessible_name("maincrop carrot: 14 Jun 0.4 kg")
    page.get_by_role("region", name="The day").get_by_role("button", name="Undo").click()
    expect(row).to_have_count(0)


def test_what_is_ripe_is_pressed_and_only_the_weight_is_typed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/record")
    ripe = page.get_by_role("list", name="Likely to be picked")
    ripe.get_by_role("button", name="rhubarb, Rhubarb bed").click()
    expect(page.get_by_label(LINE)).to_be_focused()
    page.keyboard.type("0.9")
    page.keyboard.press("Enter")
    row = page.get_by_role("row", name="Picked rhubarb")
    expect(row).to_contain_text("900 g")
    row.get_by_role("button", name="Delete").click()
    expect(row).to_have_count(0)
    page.get_by_role("button", name="Put it back").click()
    expect(row).to_be_visible()


def test_what_is_odd_is_asked_about_and_nothing_typed_is_lost(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/record")
    enter(page, "rhubarb 400 kg")
    expect(page.get_by_role("alert")).to_contain_text(
        "400 kg is far more than rhubarb is estimated to give in all"
    )
    expect(page.get_by_label(LINE)).to_have_value("rhubarb 400 kg")
    page.get_by_role("button", name="Keep it all the same").click()
    expect(page.get_by_role("row", name="Picked rhubarb")).to_contain_text("400 kg")
    enter(page, "hello")
    expect(page.get_by_role("alert")).to_contain_text("Name a crop or a bed")


def test_ten_pickings_on_a_phone(page, base_url):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{base_url}/gardens/kettle-corner/record")
    for grams in range(10):
        enter(page, f"watered bed 1 {grams + 1} min")
        expect(page.get_by_role("row", name="Watered")).to_have_count(grams + 1)
    expect(page.get_by_role("button", name="Enter", exact=True)).to_be_in_viewport()


def test_which_of_several_is_meant_is_chosen_by_its_squares(page, base_url):
    page.goto(f"{base_url}/gardens/kettle-corner/record")
    page.get_by_label(LINE).fill("bush beans 4 oz")
    others = page.get_by_text("or is it")
    other = others.get_by_role("button").first
    expect(other).to_have_text(re.compile(r"^bush bean, Bed \d [A-Z]\d"))
    meant = other.inner_text()
    other.click()
    again = page.get_by_role("button", name="Keep it all the same")
    kept = page.get_by_text(f"Kept: {meant}")
    expect(again.or_(kept)).to_be_visible()
    if again.is_visible():
        again.click()
    expect(kept).to_be_visible()
    expect(page.get_by_role("row", name="Picked bush bean")).to_contain_text("4 oz")


def test_several_pickings_of_one_line_and_one_weighing_of_several_beds(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/record")
    line = page.get_by_label("What was done or picked")
    day = page.get_by_role("region", name="The day")
    line.fill("head lettuce south bed 300 g; beetroot south bed 0.5 kg")
    expect(
        day.get_by_text(re.compile("reads: picked head lettuce.*picked beetroot"))
    ).to_be_visible()
    line.press("Enter")
    for words in ("300 g", "500 g"):
        expect(day.get_by_role("row").filter(has_text=words)).to_have_count(1)
    day.get_by_role("button", name="Undo").click()
    expect(day.get_by_role("row")).to_have_count(0)
    line.fill("head lettuce 400 g")
    day.get_by_role("button", name=re.compile("^Of all .*, shared out")).click()
    expect(day.get_by_role("status")).to_contain_text("shared out by squares")
    expect(day.get_by_role("row").filter(has_text="head lettuce")).to_have_count(2)


def test_a_garden_in_pounds_is_shown_a_line_in_pounds(page, base_url):
    page.goto(f"{base_url}/gardens/kettle-corner/record")
    line = page.get_by_label("What was done or picked")
    expect(line).to_have_attribute("placeholder", re.compile(r"^carrots low bed [\d.]+\slb$"))
    line.fill("xyz 3 lb")
    page.get_by_role("button", name="Enter", exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text(re.compile(r"carrots low bed [\d.]+\slb"))


def test_two_pickings_in_a_line_the_unit_typed_last_and_the_weather(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/record")
    enter(page, "carrots low bed 400 g, rhubarb 0.9 kg")
    expect(page.get_by_role("row", name="Picked")).to_have_count(2)
    enter(page, "chard 250 g")
    expect(page.get_by_role("row", name="Picked chard")).to_contain_text("250 g")
    enter(page, "chard 300")
    expect(page.get_by_role("row", name="Picked chard").last).to_contain_text("300 g")
    weather = page.get_by_text("as measured").or_(page.get_by_text("what was not measured"))
    expect(weather).to_have_count(0)
    enter(page, "frost, min -1")
    expect(page.get_by_text("Kept: the weather; lowest −1 °C; frost")).to_be_visible()
    expect(weather).to_contain_text("−1 °C to")
    page.get_by_role("button", name="Undo", exact=True).last.click()
    expect(weather).to_have_count(0)


def test_pickings_are_shown_in_all_by_the_week_and_as_a_table(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/record")
    enter(page, "rhubarb 0.9 kg")
    expect(page.get_by_text("Kept: picked rhubarb")).to_be_visible()
    whole = page.get_by_role("region", name="all crops")
    expect(whole).to_contain_text("0.9 kg picked")
    page.get_by_role("button", name="The week").click()
    week = page.get_by_role("region", name="The week")
    expect(week.get_by_role("img", name=re.compile("^rhubarb: 0.9 kg picked, "))).to_be_visible()
    page.get_by_role("button", name="As a table").click()
    page.get_by_role("combobox", name="Crop").select_option(label="rhubarb")
    table = page.get_by_role("table", name="rhubarb, week by week")
    expect(table.get_by_role("row").filter(has_text="14 Jun")).to_contain_text("0.9 kg")
    with page.expect_download() as file:
        page.get_by_role("link", name="Week by week, CSV").click()
    assert "rhubarb" in file.value.path().read_text()
