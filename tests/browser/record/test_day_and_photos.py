"""The weather of a day and photos, entered, shown, deleted and put back."""

import io

from PIL import Image
from playwright.sync_api import expect

RECORD = "/gardens/lantern-court/record"


def picture(color):
    out = io.BytesIO()
    Image.new("RGB", (1200, 900), color).save(out, "JPEG")
    return {"name": "bed.jpg", "mimeType": "image/jpeg", "buffer": out.getvalue()}


def day_of(page):
    return page.get_by_role("region", name="The day")


def test_the_weather_of_a_day_is_entered_and_told_as_measured(page, base_url):
    page.goto(f"{base_url}{RECORD}")
    expect(day_of(page)).to_contain_text("made up from the usual year")
    page.get_by_role("button", name="Enter the weather").click()
    form = page.get_by_role("form", name="The weather of the day")
    form.get_by_label("Lowest, °C").fill("cold")
    form.get_by_label("Rain in the gauge, mm").fill("1/2 in")
    expect(form.get_by_role("alert")).to_be_visible()
    form.get_by_label("Lowest, °C").fill("41 °F")
    form.get_by_label("Highest, °C").fill("3")
    form.get_by_role("button", name="Save").click()
    expect(form.get_by_role("alert")).to_contain_text("above")
    form.get_by_label("Highest, °C").fill("18")
    form.get_by_label("frost seen").check()
    form.get_by_role("button", name="Save").click()
    expect(day_of(page)).to_contain_text("5 °C to 18 °C, 13 mm of rain, frost; as measured.")
    expect(day_of(page)).to_contain_text("13 mm in the gauge over seven days")


def test_photos_of_a_bed_stand_side_by_side_and_come_back(page, base_url):
    page.goto(f"{base_url}{RECORD}?view=photos")
    expect(page.get_by_text("No photos yet.")).to_be_visible()
    page.get_by_label("Of which place?").select_option("south")
    for color in ("green", "brown"):
        page.get_by_label("A photo, JPEG, PNG or WebP").set_input_files(picture(color))
    expect(page.locator("figure img")).to_have_count(2)
    shown = page.locator("figure img").first
    expect(shown).to_have_js_property("complete", True)
    assert shown.evaluate("image => image.naturalWidth") == 360
    page.get_by_role("button", name="Delete the photo").first.click()
    expect(page.locator("figure img")).to_have_count(1)
    page.get_by_role("button", name="Put it back").click()
    expect(page.locator("figure img")).to_have_count(2)
    page.get_by_label("Of which place?").select_option("low")
    expect(page.get_by_text("No photos yet.")).to_be_visible()
    none = {"name": "list.jpg", "mimeType": "image/jpeg", "buffer": b"my shopping list"}
    page.get_by_label("A photo, JPEG, PNG or WebP").set_input_files(none)
    expect(page.get_by_text("list.jpg: picture: This is no picture")).to_be_visible()
