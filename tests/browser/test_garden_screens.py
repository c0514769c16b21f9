"""Gardens begun, changed, brought in and taken out; two tabs; a server gone."""

import json
import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import ledger
from tests.conftest import bed, document, planting


def answer(page, base_url, **typed):
    page.goto(f"{base_url}/start")
    for label, text in typed.items():
        page.get_by_label(label.replace("_", " ")).first.fill(text)


def test_a_newcomer_gets_a_planted_bed_from_four_answers(page, base_url):
    answer(page, base_url, Width="100", Length="2m", Depth="28", Hours="6,5", Latitude="47")
    expect(page.get_by_text(re.compile("Guessed from there: last frost about"))).to_be_visible()
    page.get_by_role("button", name="Plant this bed").click()
    expect(page.get_by_role("heading", name="First bed")).to_be_visible()
    expect(page.locator("svg[role=slider]")).to_contain_text("guessed")
    expect(page.get_by_text("are guessed from your latitude")).to_be_visible()
    assert (
        page.get_by_role("group", name="Plantings through the year").get_by_role("button").count()
        > 5
    )
    page.get_by_role("link", name="Garden").click()
    expect(page.get_by_label("Last frost (guessed)")).to_be_visible()


@pytest.mark.parametrize(
    ("label", "typed", "words"),
    [("Width", "0", "Enter a length"), ("Hours", "30", "0 to 24"), ("Latitude", "", "0 to 66")],
)
def test_an_answer_that_cannot_be_is_told_at_its_question(page, base_url, label, typed, words):
    answer(page, base_url, Latitude="47")
    answer_again = {label: typed}
    for name, text in answer_again.items():
        page.get_by_label(name.replace("_", " ")).first.fill(text)
    page.get_by_role("button", name="Plant this bed").click()
    expect(page.get_by_role("alert")).to_contain_text(words)


def test_a_place_is_added_changed_and_removed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label("Name").fill("Fence strip")
    page.get_by_label("Width, inside").fill("1'6\"")
    page.get_by_label("Length, inside").fill("1.8m")
    page.get_by_label("Something to climb").select_option("single stems on strings, topped")
    expect(page.get_by_label("Support height")).to_have_value("200")
    page.get_by_label("Something to climb").select_option("net on posts")
    page.get_by_label("Support height").fill("170")
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("heading", name="Fence strip")).to_be_visible()
    expect(page.get_by_text("45.7 × 180 cm inside")).to_be_visible()
    expect(page.locator("svg.bed")).to_contain_text("net on posts, 3 posts, 170 cm high")
    expect(page.get_by_text("Nothing planted yet")).to_be_visible()
    page.get_by_role("link", name="Edit", exact=True).click()
    page.get_by_label("Wall height").fill("45")
    page.get_by_role("button", name="Save the place").click()
    expect(page.get_by_text("42 cm mix")).to_be_visible()
    page.get_by_role("link", name="Edit", exact=True).click()
    page.get_by_role("button", name="Delete").click()
    page.get_by_role("button", name="Delete it with its 0 plantings").click()
    expect(page.get_by_role("link", name=re.compile("Fence strip"))).to_have_count(0)


@pytest.mark.parametrize(
    ("label", "typed", "words"),
    [
        ("Width, inside", "many", "Enter a length"),
        ("Side of a square", "5", "at least 15 cm"),
        ("Hours of sun", "99", "0 to 24"),
    ],
)
def test_a_measure_that_cannot_be_read_is_told_at_its_field(page, base_url, label, typed, words):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label(label).fill(typed)
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("alert")).to_contain_text(words)


def test_a_drawn_outline_is_kept_when_its_place_is_changed(page, base_url):
    outline = [[0, 0], [200, 0], [200, 80], [80, 80], [80, 240], [0, 240]]
    corner = bed(id="corner", shape={"type": "polygon", "outline_cm": outline})
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=[corner]))
    slug = made.json()["head"]["slug"]
    page.goto(f"{base_url}/gardens/{slug}/places/corner/change")
    expect(page.get_by_text("outline is kept")).to_be_visible()
    page.get_by_label("Wall height").fill("45")
    page.get_by_role("button", name="Save the place").click()
    expect(page.get_by_text("42 cm mix")).to_be_visible()
    kept = page.request.get(f"{base_url}/api/gardens/{slug}/plan.amplerows.json").json()
    assert kept["places"][0]["shape"]["outline_cm"] == outline


def test_a_fill_above_the_rim_is_refused_by_the_core_and_nothing_is_lost(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label("Gap below the rim").fill("80")
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("status").last).to_contain_text("leaves no soil")
    expect(page.get_by_label("Gap below the rim")).to_have_value("80")


def test_the_gardens_facts_are_changed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Last frost").fill("2027-05-05")
    page.get_by_label("Depth standard").select_option("shallow")
    page.get_by_role("button", name="Save the garden").click()
    expect(page.locator("svg[role=slider]")).to_contain_text("last frost 5 May")


def test_inches_and_pounds(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Measures").select_option("imperial")
    page.get_by_role("link", name=re.compile("Low bed")).click()
    expect(page.get_by_text("35.4 × 47.2 in inside")).to_be_visible()
    expect(ledger(page)).to_contain_text("Harvest, lb")
    expect(page.get_by_role("tabpanel")).to_contain_text(
        "root 7.5 in long; this place gives 5.5 in"
    )
    # Chosen back, every sentence is asked for again.
    page.get_by_role("link", name="Garden", exact=True).click()
    page.get_by_label("Measures").select_option("metric")
    page.get_by_role("link", name=re.compile("Low bed")).click()
    expect(page.get_by_role("tabpanel")).to_contain_text("root 19 cm long")


def test_light_and_dark(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Light or dark").select_option("dark")
    assert page.evaluate("getComputedStyle(document.body).backgroundColor") == "rgb(26, 33, 37)"
    page.reload()
    expect(page.locator("html")).to_have_attribute("data-theme", "dark")


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


def test_an_empty_garden_teaches_the_next_step(page, base_url):
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=[]))
    page.goto(f"{base_url}/gardens/{made.json()['head']['slug']}")
    page.get_by_role("link", name="Add a place").first.click()
    expect(page.get_by_role("heading", name="Add a place")).to_be_visible()


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
