"""The garden's own facts, its weather, and its plan out and in."""

import json
import re

from playwright.sync_api import expect

from tests.conftest import document, planting


def test_the_gardens_facts_are_changed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Last frost").fill("2027-05-05")
    page.get_by_label("Depth standard").select_option("shallow")
    page.get_by_role("button", name="Save the garden").click()
    expect(page.locator("[data-frost=last_frost]")).to_contain_text("last frost 5 May")


def test_a_plan_goes_out_and_comes_in_the_same(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    with page.expect_download() as download:
        page.get_by_role("link", name="Export the plan document").click()
    path = download.value.path()
    page.get_by_label("Plan document").set_input_files(str(path))
    expect(page).to_have_url(re.compile("lantern-court-2"))
    again = page.request.get(f"{base_url}/api/gardens/lantern-court-2/plan.amplerows.json")
    assert again.json() == json.loads(path.read_text())


def test_a_broken_plan_is_refused_with_its_reason(page, base_url, tmp_path):
    broken = tmp_path / "broken.json"
    broken.write_text(json.dumps(document(planting(cells=["Z9"]))))
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Plan document").set_input_files(str(broken))
    expect(page.get_by_role("status").last).to_contain_text('"Z9" is not a cell of bed "bed"')
    expect(page).to_have_url(re.compile("lantern-court/garden"))


def test_a_usual_year_s_weather_begins_from_a_made_up_climate(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Start from").select_option("dry-summer")
    expect(page.get_by_label("Rain, mm, Jul")).to_have_value("3")
    page.get_by_label("Rain, mm, Jul").fill("")
    page.get_by_role("button", name="Save the weather").click()
    expect(page.get_by_role("alert")).to_contain_text("Rain, mm, Jul")
    page.get_by_label("Rain, mm, Jul").fill("3,5")
    page.get_by_role("button", name="Save the weather").click()
    expect(page.get_by_label("Rain, mm, Jul")).to_have_value("3.5")
    page.get_by_role("link", name="Soil").click()
    expect(page.get_by_text("Penman-Monteith")).to_be_visible()


def test_a_table_of_normals_is_read_or_its_fault_named(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    rows = [f"{m};{m},5;{m + 9}" for m in range(12)]
    files = page.get_by_label("Table of monthly normals")
    for name, lines in (("bad.csv", rows[:11]), ("good.csv", rows)):
        text = "\n".join(["month;low;high", *lines])
        files.set_input_files({"name": name, "mimeType": "text/csv", "buffer": text.encode()})
        if name == "bad.csv":
            expect(page.get_by_role("alert")).to_contain_text("has 11 months")
    expect(page.get_by_label("Mean low, °C, Apr")).to_have_value("3.5")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_a_made_up_climate_brings_its_frosts_and_a_zone_its_winter(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Start from").select_option("mountain")
    page.get_by_label(re.compile("^Take its frosts too: last about 8 June")).check()
    page.get_by_label("Growing zone, if you know it").fill("4b")
    page.get_by_role("button", name="Zone 4b: use -30.3 °C").click()
    page.get_by_role("button", name="Save the weather").click()
    expect(page.get_by_label("Coldest night of a usual winter")).to_have_value("-30.3")
    expect(page.get_by_label("Last frost", exact=True)).to_have_value(re.compile("-06-08$"))
    expect(page.get_by_label("Mean low, °C, Jan")).to_have_value("-11")
