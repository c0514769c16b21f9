"""The questions of a first bed."""

import re

import pytest
from playwright.sync_api import expect

from tests.conftest import document


def answer(page, base_url, **typed):
    page.goto(f"{base_url}/start")
    for label, text in typed.items():
        page.get_by_label(label.replace("_", " ")).first.fill(text)


def test_a_newcomer_gets_a_planted_bed_from_a_few_answers(page, base_url):
    answer(page, base_url, Width="100", Length="2m", Depth="28", Hours="6,5", Latitude="47")
    expect(page.get_by_text(re.compile("Guessed from there: last frost about"))).to_be_visible()
    page.get_by_role("button", name="Plant this bed").click()
    expect(page.get_by_role("heading", name="First bed", exact=True)).to_be_visible()
    expect(page.locator("[data-frost=last_frost]")).to_contain_text("guessed")
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


def test_a_town_a_climate_and_what_is_liked_make_the_bed(page, base_url):
    page.goto(f"{base_url}/start")
    page.get_by_label("It is").select_option("a round bed on open ground")
    page.get_by_label("Diameter").fill("150")
    page.get_by_label("Nearest town").fill("vienna, aus")
    page.get_by_role("list", name="Towns of that name").get_by_role("button").first.click()
    expect(page.get_by_label("Nearest town")).to_have_value("Vienna, Austria")
    expect(page.get_by_label("or latitude")).to_have_value("48.208")
    year = page.get_by_label("Its year is most like")
    year.select_option(year.get_by_role("option", name="inland").get_attribute("value"))
    page.get_by_label("Growing zone").fill("7a")
    page.get_by_label("herbs").check()
    expect(page.get_by_text(re.compile("last frost about 10 May"))).to_be_visible()
    page.get_by_role("button", name="Plant this bed").click()
    expect(page.get_by_role("heading", name="First bed", exact=True)).to_be_visible()
    slug = page.url.split("/")[4]
    garden = page.request.get(f"{base_url}/api/gardens/{slug}").json()["plan"]["garden"]
    assert garden["household"]["likes"] == ["herbs"]
    assert (garden["zone"], garden["winter_low_c"], garden["x-town"]) == (
        "7a",
        -16.4,
        "Vienna, Austria",
    )
    page.get_by_role("link", name="Garden").click()
    expect(page.get_by_label("Coldest night of a usual winter")).to_have_value("-16.4")


def test_an_empty_garden_teaches_the_next_step(page, base_url):
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=[]))
    page.goto(f"{base_url}/gardens/{made.json()['head']['slug']}")
    page.get_by_role("link", name="Add a place").first.click()
    expect(page.get_by_role("heading", name="Add a place")).to_be_visible()
