"""Twins: what two plantings gave beside each other, and a trial laid out before it is sown."""

import re

from playwright.sync_api import expect

RECORD = "/gardens/lantern-court/record"


def test_two_plantings_are_compared_over_the_seasons(page, recorded):
    page.goto(f"{recorded}{RECORD}?view=twins")
    form = page.get_by_role("form", name="Compare two plantings")
    form.get_by_label("One side").select_option("p5")
    form.get_by_label("Other side").select_option("p5")
    form.get_by_role("button", name="Compare").click()
    expect(form.get_by_text("Choose something else")).to_be_visible()
    form.get_by_label("Other side").select_option("p12")
    for at, words in ((0, "sown in April"), (1, "sown in May")):
        form.get_by_label("Its name").nth(at).fill(words)
    form.get_by_label("They differ in").fill("sowing day")
    form.get_by_role("button", name="Compare").click()
    told = page.get_by_role("article", name="sowing day")
    expect(told).to_contain_text("sown in May against sown in April")
    expect(told).to_contain_text("could well be chance")
    expect(told.get_by_role("img")).to_have_attribute("aria-label", re.compile("times as much"))
    expect(told.get_by_role("row")).to_have_count(4)
    told.get_by_role("button", name="Delete this comparison").click()
    expect(page.get_by_text("Nothing is compared yet.")).to_be_visible()
    page.get_by_role("button", name="Put it back").click()
    expect(told).to_be_visible()


def test_a_trial_is_laid_out_and_both_sides_sown(page, base_url):
    page.goto(f"{base_url}{RECORD}?view=twins")
    plan = page.get_by_role("region", name="Lay out a trial")
    plan.get_by_label("Place").select_option("low")
    plan.get_by_label("From square").select_option("A1")
    plan.get_by_label("To square").select_option("A4")
    expect(plan).to_contain_text("One side: A1, A3.")
    plan.get_by_label("The sides").select_option("mirrored")
    expect(plan).to_contain_text("One side: A1, A4.")
    expect(plan).to_contain_text("with 10 plants a side after")
    plan.get_by_role("button", name=re.compile("^Sow both sides")).click()
    expect(page.get_by_role("article")).to_contain_text("changed against as usual")
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("Last: ")).to_have_count(0)
