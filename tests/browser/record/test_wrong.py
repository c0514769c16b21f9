"""What is wrong with a plant: from what is seen to a cause, kept as an entry, a job and a note."""

import re

from playwright.sync_api import expect

RECORD = "/gardens/lantern-court/record"


def causes(page):
    return page.get_by_role("region", name="Likely causes")


def test_signs_and_answers_lead_to_a_cause_that_is_kept(at):
    page = at("south")
    page.get_by_role("button", name=re.compile("^pointed cabbage, ")).first.click()
    page.get_by_role("link", name="What is wrong?").click()
    expect(page.get_by_label("On which planting?")).to_have_value(re.compile("."))
    page.get_by_text("Leaves eaten or bent").click()
    page.get_by_label("Large ragged holes").check()
    expect(causes(page).get_by_role("article").first).to_be_visible()
    page.get_by_role("button", name=re.compile("^No: Are there silvery trails")).click()
    page.get_by_role("button", name=re.compile("^Yes: Are there insects")).click()
    first = causes(page).get_by_role("article").first
    expect(first).to_have_attribute("aria-label", "caterpillars")
    expect(first).to_contain_text(re.compile(r"10 to 80 % of its harvest, .* kg here"))
    first.get_by_role("button", name="Enter it as seen").click()
    first.get_by_role("button", name="Add its remedy to the jobs").click()
    first.get_by_role("button", name="Keep its lesson").click()
    expect(first.get_by_role("status")).to_have_count(3)
    expect(page.get_by_text("Last: change your own jobs")).to_be_visible()
    page.get_by_role("link", name="Pickings").click()
    day = page.get_by_role("region", name="The day")
    expect(day).to_contain_text("caterpillars: Large ragged holes")
    expect(day).to_contain_text("Mesh from planting to picking, tight at the edges.")
    page.get_by_role("link", name="Year", exact=True).click()
    jobs = page.get_by_role("region", name="Jobs of your own")
    expect(jobs).to_contain_text("then cover with insect mesh (pointed cabbage)")


def test_a_word_finds_a_sign_and_it_can_be_taken_back(page, base_url):
    page.goto(f"{base_url}{RECORD}?view=wrong")
    page.get_by_label("Find a sign").fill("bitter")
    expect(page.get_by_role("checkbox")).to_have_count(2)
    page.get_by_label("Fruit tastes bitter").check()
    expect(causes(page)).to_contain_text("very bitter is poisonous")
    page.get_by_role("button", name="Not seen: Fruit tastes bitter").click()
    expect(causes(page)).to_contain_text("Choose what is seen")
    page.get_by_label("Find a sign").fill("no such words")
    expect(page.get_by_text("No sign has these words.")).to_be_visible()
