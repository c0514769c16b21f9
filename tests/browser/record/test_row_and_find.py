"""A row walked along plant by plant, a lost label resolved, and the book searched by any word."""

import json
import re

import pytest
from playwright.sync_api import expect

RECORD = "/gardens/lantern-court/record"


@pytest.fixture
def mixed(page, base_url):
    """The planting of the demo garden that is of several kinds."""
    plan = page.request.get(f"{base_url}/api/gardens/lantern-court").json()["plan"]
    return next(each["id"] for each in plan["plantings"] if each.get("varieties"))


def test_a_row_is_walked_and_a_label_found_again(page, base_url, mixed):
    page.goto(f"{base_url}{RECORD}?view=row&planting={mixed}")
    first = page.get_by_role("region", name="Plant 1")
    first.get_by_role("button", name="Keep, and on to the next").click()
    expect(first.get_by_role("alert")).to_contain_text("Enter a weight, or what was seen")
    first.get_by_label("Weight, kg").fill("0.42")
    first.get_by_label("Tags").fill("two$words")
    first.get_by_role("button", name="Keep, and on to the next").click()
    expect(first.get_by_role("alert")).to_contain_text("single words")
    first.get_by_label("Tags").fill("#split")
    first.get_by_role("button", name="Keep, and on to the next").click()
    second = page.get_by_role("region", name="Plant 2")
    expect(second).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("Plant 1, .*, entered"))).to_be_visible()
    kinds = page.get_by_role("table", name="What came of each kind")
    expect(kinds.get_by_role("row", name=re.compile("^cherry cordon"))).to_contain_text("0.42 kg")
    second.get_by_text("Its label is lost").click()
    second.get_by_role("button", name="as large as an egg or larger").click()
    second.get_by_role("button", name="Plant 2 is cordon tomato").click()
    expect(second.get_by_role("heading", name="Plant 2 of 4: cordon tomato")).to_be_visible()
    second.get_by_text("Its label is lost").click()
    for _ in range(3):
        page.get_by_role("button", name="Nothing here, on to the next").click()
    expect(page.get_by_text("The end of the row.")).to_be_visible()


def test_entries_are_found_by_tag_by_crop_and_by_word(page, base_url):
    entry = {"id": "a", "day": "2026-10-01", "kind": "seen", "crop": "carrot", "text": "forked"}
    page.request.put(
        f"{base_url}/api/gardens/lantern-court/entries/a",
        data=json.dumps({**entry, "place": "low", "tags": ["stones"]}),
    )
    page.goto(f"{base_url}{RECORD}?view=find")
    words = page.get_by_label("Words to find")
    expect(words).to_be_focused()
    for asked, told in (("carrot low", "1 entry."), ("moonlight", "No entry has these words.")):
        words.fill(asked)
        expect(page.get_by_text(told)).to_be_visible()
    words.fill("fork")
    page.get_by_role("link", name="#stones").click()
    expect(words).to_have_value("#stones")
    expect(page.get_by_role("row")).to_contain_text("1 Oct 2026")


def test_a_verdict_on_a_bed_and_on_seed_comes_back(page, base_url):
    for ident, of in (("v", {"place": "low"}), ("w", {"crop": "carrot", "quality": "fewer"})):
        said = {"id": ident, "day": "2026-10-01", "kind": "verdict", "text": "too many stones"}
        page.request.put(
            f"{base_url}/api/gardens/lantern-court/entries/{ident}",
            params={"sure": "true"},
            data=json.dumps({**said, **of}),
        )
    page.goto(f"{base_url}/gardens/lantern-court/squares/low")
    page.get_by_role("tab", name="What fits").click()
    verdict = page.get_by_text("Your verdict of 1 October 2026: “too many stones”")
    expect(verdict).to_be_visible()
    page.goto(f"{base_url}/gardens/lantern-court/seeds")
    seed = page.get_by_role("row").filter(has_text="maincrop carrot")
    expect(seed).to_contain_text("Your verdict of 1 October 2026: fewer")


def test_a_verdict_is_typed_from_where_the_choice_is_made_and_comes_back_there(page, base_url):
    garden = f"{base_url}/gardens/lantern-court"
    page.goto(f"{garden}/places/south/supports/net")
    page.get_by_role("link", name="Give a verdict").click()
    line = page.get_by_label("What was done or picked")
    expect(line).to_have_value("verdict net on posts South bed ")
    line.press("End")
    line.press_sequentially("never again: it tore in the first gale")
    page.get_by_role("button", name="Enter", exact=True).click()
    day = page.get_by_role("region", name="The day")
    expect(day.get_by_role("row").last).to_contain_text("never again, it tore in the first gale")
    expect(page.get_by_text("Kept: verdict")).to_be_visible()
    page.goto(f"{garden}/places/south/supports/net")
    expect(page.get_by_text("never again, “it tore in the first gale”")).to_be_visible()
    page.goto(f"{garden}/squares/south")
    page.get_by_role("tab", name="What fits").click()
    expect(page.get_by_text("it tore in the first gale")).to_have_count(0)
    page.goto(f"{garden}/crops")
    expect(page.get_by_role("link", name="Give a verdict")).to_be_visible()


def test_what_came_by_itself_is_adopted(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/seeds")
    plan = page.request.get(f"{base_url}/api/gardens/lantern-court").json()["plan"]
    wild = next(each for each in plan["plantings"] if each["crop"] == "basil")
    row = page.get_by_role("row").filter(has_text="basil")
    expect(row).to_have_count(1)
    page.goto(f"{base_url}/gardens/lantern-court/squares/{wild['place']}?planting={wild['id']}")
    page.get_by_label("It came by itself: nothing to sow or buy").click()
    expect(page.get_by_text("Last: change basil")).to_be_visible()
    page.goto(f"{base_url}/gardens/lantern-court/seeds")
    expect(page.get_by_role("row").filter(has_text="head lettuce")).not_to_have_count(0)
    expect(row).to_have_count(0)
