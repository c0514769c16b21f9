"""The pantry: wants in pieces and months, what is kept, remedies tried, work against hours."""

import re

import pytest
from playwright.sync_api import expect


@pytest.fixture
def pantry(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/pantry")
    expect(page.get_by_role("region", name="Needs and supply")).to_be_visible()
    return page


def row(page, crop):
    """The row of one wanted crop."""
    heading = page.get_by_role("heading", name=crop, exact=True)
    return page.locator("div.border-t").filter(has=heading)


def last(page, words):
    expect(page.get_by_text(f"Last: {words}")).to_be_visible()


def test_a_remedy_is_tried_before_it_is_taken(pantry):
    lettuce = row(pantry, "head lettuce")
    before = lettuce.locator("p").first.text_content()
    lettuce.get_by_role("button", name="What to do").click()
    ways = pantry.get_by_role("region", name="head lettuce: what to do")
    first = ways.get_by_role("listitem").first
    expect(first).to_contain_text(re.compile("more eaten|less to waste"))
    first.get_by_role("button", name="Try it").click()
    expect(lettuce.locator("p").first).not_to_have_text(before)
    first.get_by_role("button", name="Tried above").click()
    expect(lettuce.locator("p").first).to_have_text(before)
    first.get_by_role("button", name="Apply it").click()
    expect(lettuce.locator("p").first).not_to_have_text(before)
    expect(pantry.get_by_text(re.compile("^Last: (change|plant|clear) "))).to_be_visible()


def test_a_want_in_pieces_of_some_months_and_kept(pantry):
    beans = row(pantry, "climbing French bean")
    weight = pantry.get_by_label("climbing French bean, kg wanted per year")
    expect(weight).to_have_value("8")
    expect(beans.get_by_label("and then")).to_have_value("freeze")
    expect(beans).to_contain_text("2.1 kg of it is eaten")
    beans.get_by_label("per year,").select_option("7-11")
    expect(beans).to_contain_text("2.2 kg of it is eaten")
    expect(beans.get_by_label("per year,")).to_have_value("7-11")
    last(pantry, "change the garden")
    beans.get_by_label("and then").select_option("")
    expect(beans).not_to_contain_text("2.2 kg of it is eaten")
    expect(beans.get_by_label("and then")).to_have_value("")
    beans.get_by_role("combobox", name="by").select_option("pieces")
    pieces = pantry.get_by_label("climbing French bean, pieces wanted per year")
    expect(pieces).to_be_visible()
    pieces.fill("200")
    pieces.press("Enter")
    expect(pieces).to_have_value("200")


def test_the_figures_tell_how_they_came_to_be(pantry):
    row(pantry, "cordon tomato").get_by_role("button", name="How it adds up").click()
    told = pantry.get_by_role("region", name="cordon tomato: how it adds up")
    expect(told.get_by_role("img", name="From the book's yield")).to_be_visible()
    expect(told.get_by_text(re.compile(r"^−[0-9.]+ kg: late blight"))).to_be_visible()
    rests = pantry.get_by_role("region", name="What the ranges rest on")
    expect(rests.get_by_text("weather of the season")).to_be_visible()


def test_a_crop_is_opened_planting_by_planting(pantry):
    row(pantry, "head lettuce").get_by_role("button", name="By planting").click()
    opened = pantry.get_by_role("region", name="head lettuce: by planting")
    expect(opened.get_by_role("listitem").first).to_contain_text(re.compile("from [0-9]+ Ma[ry]"))
    assert opened.get_by_role("listitem").count() > 4
    opened.get_by_role("link").first.click()
    expect(pantry.get_by_role("tab", name="Planting")).to_have_attribute("aria-selected", "true")


def test_a_price_gives_what_the_harvest_is_worth(pantry):
    crops = pantry.get_by_role("region", name="By crop")
    price = crops.get_by_label("cordon tomato, price of 1 kg")
    price.fill("4")
    price.press("Enter")
    tomato = crops.get_by_role("row", name=re.compile("^cordon tomato"))
    expect(tomato).to_contain_text(re.compile(r"1[5-9]$"))
    price.fill("dear")
    price.press("Enter")
    expect(price).to_have_attribute("aria-invalid", "true")


def test_what_is_being_typed_outlasts_the_answer_to_an_earlier_change(pantry):
    answers = []

    def hold(route):
        answers.append(route)

    pantry.route("**/edits", hold)
    crops = pantry.get_by_role("region", name="By crop")
    price = crops.get_by_label("cordon tomato, price of 1 kg")
    price.fill("4")
    price.press("Enter")
    price.press_sequentially("dear")
    for route in answers:
        route.continue_()
    last(pantry, "change the garden")
    expect(price).to_have_value(re.compile("dear"))
    price.blur()
    expect(price).to_have_attribute("aria-invalid", "true")
    price.fill("5")
    price.press("Enter")
    expect(price).to_have_attribute("aria-invalid", "false")


def test_seasons_that_take_long_can_be_stopped_and_run_again(page, base_url):
    held = []

    def hold(route):
        held.append(route)

    page.route("**/pantry", hold)
    page.goto(f"{base_url}/gardens/lantern-court/ground")
    page.get_by_role("link", name="Pantry", exact=True).click()
    page.get_by_role("status").get_by_role("button", name="Cancel").click()
    page.unroute("**/pantry")
    page.get_by_role("button", name="Run the seasons").click()
    expect(page.get_by_role("region", name="Needs and supply")).to_be_visible()
    assert len(held) == 1


def test_hours_days_away_and_what_cannot_wait(pantry):
    home = pantry.get_by_role("region", name="The household")
    expect(home.get_by_role("img", name="Hours of work, week by week")).to_be_visible()
    home.get_by_label("Hours per week for the garden").fill("2")
    home.get_by_role("button", name="Add days away").click()
    home.get_by_label("Away from").nth(1).fill("2027-07-05")
    home.get_by_label("back on").nth(1).fill("2027-07-20")
    home.get_by_role("button", name="Save the household").click()
    last(pantry, "change the garden")
    expect(home).to_contain_text("there is more to do than time")
    waits = pantry.get_by_role("region", name="What cannot wait")
    expect(waits.get_by_role("listitem").first).to_contain_text("before 5 July")
    home.get_by_label("Hours per week for the garden").fill("900")
    home.get_by_role("button", name="Save the household").click()
    expect(home.get_by_role("alert")).to_contain_text("Enter a number from 0.1 to 168")


def test_other_seasons_can_be_drawn(pantry):
    expect(pantry.get_by_text("seed 1")).to_be_visible()
    pantry.get_by_role("button", name="New random seasons").click()
    expect(pantry.get_by_text("seed 2")).to_be_visible()


def test_last_year_s_store_fills_the_first_weeks(pantry):
    carrot = row(pantry, "maincrop carrot")
    expect(carrot).to_contain_text(re.compile("short 1 February to"))
    carrot.get_by_role("button", name="In store").click()
    stored = pantry.get_by_label("maincrop carrot, kg of last year’s in store")
    stored.fill("12")
    stored.press("Enter")
    expect(carrot).not_to_contain_text(re.compile("short 1 February to"))
    carrot.get_by_label("good until").fill("2027-02-15")
    carrot.get_by_label("good until").press("Enter")
    expect(carrot).to_contain_text(re.compile("short 15 February to"))
    stored.fill("0")
    stored.press("Enter")
    expect(carrot.get_by_label("good until")).to_have_count(0)
