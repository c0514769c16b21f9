"""The four questions of a first bed."""

import re

import pytest
from playwright.sync_api import expect

from tests.conftest import document


def answer(page, base_url, **typed):
    page.goto(f"{base_url}/start")
    for label, text in typed.items():
        page.get_by_label(label.replace("_", " ")).first.fill(text)


def test_a_newcomer_gets_a_planted_bed_from_four_answers(page, base_url):
    answer(page, base_url, Width="100", Length="2m", Depth="28", Hours="6,5", Latitude="47")
    expect(page.get_by_text(re.compile("Guessed from there: last frost about"))).to_be_visible()
    page.get_by_role("button", name="Plant this bed").click()
    expect(page.get_by_role("heading", name="First bed")).to_be_visible()
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


def test_an_empty_garden_teaches_the_next_step(page, base_url):
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=[]))
    page.goto(f"{base_url}/gardens/{made.json()['head']['slug']}")
    page.get_by_role("link", name="Add a place").first.click()
    expect(page.get_by_role("heading", name="Add a place")).to_be_visible()
