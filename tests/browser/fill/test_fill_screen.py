"""The garden filled before one's eyes: stopped, set beside the plan as it is, taken, undone."""

import json
import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import paint
from tests.conftest import bed, block, document, planting, rectangle

WANTS = [
    {"crop": "carrot", "kg_per_year": 6, "keep": "store"},
    {"crop": "lettuce", "kg_per_year": 5},
    {"crop": "dwarf-bean", "kg_per_year": 4, "keep": "freeze"},
]


@pytest.fixture
def fill(page, base_url):
    """Open the screen on a new garden of two beds, with some plantings."""

    def opened(*plantings, wants=WANTS):
        beds = [bed(), bed(id="other", name="Other bed", shape=rectangle(120, 120))]
        doc = document(*plantings, name="Fallow", places=beds, household={"wants": wants})
        made = page.request.post(f"{base_url}/api/gardens", data=json.dumps(doc))
        slug = made.json()["head"]["slug"]
        page.goto(f"{base_url}/gardens/{slug}/fill")
        expect(page.get_by_role("heading", name="Fill the garden")).to_be_visible()
        return page

    return opened


def press(page, name):
    page.get_by_role("button", name=name, exact=True).click()


def plan_of(page, address):
    slug = address.rsplit("/", 1)[-1]
    root = address.split("/gardens/")[0]
    return page.request.get(f"{root}/api/gardens/{slug}").json()["plan"]


def filled_over(page):
    """Fill what may be replaced, and what then differs."""
    page.get_by_label("Existing plantings").select_option("may")
    page.get_by_label("Keep looking for").select_option("5")
    press(page, "Fill")
    differs = page.get_by_role("region", name="What differs")
    expect(differs).to_contain_text("more on the table", timeout=30_000)
    return differs


def offered(page, place):
    return page.get_by_role("region", name=place, exact=True).get_by_text(
        re.compile(r"^\d+ offered$")
    )


def taken(page, address):
    """Take all that is offered, and what is planted then."""
    press(page, "Take all of it")
    expect(page.get_by_text(re.compile("Last: "))).to_be_visible()
    return plan_of(page, address)["plantings"]


def test_what_is_begun_by_a_day_stays_and_nothing_is_begun_before_it(fill):
    page = fill(planting("chard", block("A1", "D2"), id="c", start_date="2027-04-20"))
    page.get_by_label("Plant from").fill("2027-06-01")
    expect(filled_over(page)).not_to_contain_text("chard")
    planted = taken(page, page.url.removesuffix("/fill"))
    assert "c" in {planting["id"] for planting in planted}
    begun = [planting["start_date"] for planting in planted if planting["id"] != "c"]
    assert begun
    assert min(begun) >= "2027-06-01"


def test_chosen_squares_alone_are_filled(fill):
    page = fill()
    address = page.url.removesuffix("/fill")
    page.goto(f"{address}/squares/bed")
    paint(page, "A1", "B4")
    page.get_by_role("link", name="Fill these").click()
    expect(page.get_by_text("Only the 8 squares you chose.")).to_be_visible()
    page.get_by_label("Keep looking for").select_option("5")
    press(page, "Fill")
    planted = taken(page, address)
    assert planted
    cells = {cell for planting in planted for cell in planting["cells"]}
    assert {planting["place"] for planting in planted} == {"bed"}
    assert cells <= {f"{column}{row}" for column in "AB" for row in range(1, 5)}


def test_what_is_locked_in_its_card_stays(fill):
    page = fill(planting("chard", block("A1", "D2"), id="c", start_date="2027-04-20"))
    address = page.url.removesuffix("/fill")
    page.goto(f"{address}/squares/bed")
    page.get_by_role("button", name=re.compile("^chard, ")).first.click()
    page.get_by_label("Locked: filling leaves it alone").click()
    expect(page.get_by_text(re.compile("Last: "))).to_be_visible()
    page.goto(f"{address}/fill")
    expect(filled_over(page)).not_to_contain_text("chard")


def test_an_empty_garden_is_filled_stopped_and_taken_in_part_and_whole(fill):
    page = fill()
    page.get_by_label("Keep looking for").select_option("60")
    press(page, "Fill")
    expect(page.get_by_text(re.compile("^At most .* more is possible"))).to_be_visible()
    expect(page.get_by_role("table", name="What is eaten of each crop")).to_contain_text("carrot")
    expect(offered(page, "Other bed")).to_be_visible()
    press(page, "Stop and keep this")
    plans = page.get_by_role("table", name="Your plan beside")
    expect(plans.get_by_role("row", name=re.compile("Plantings begun 0"))).to_be_visible()
    expect(plans).to_contain_text("Hours of work")
    differs = page.get_by_role("region", name="What differs")
    expect(differs).to_contain_text("more on the table")
    before = differs.get_by_role("listitem").count()
    differs.get_by_role("button", name=re.compile("^Take .*, ")).first.click()
    expect(differs.get_by_role("listitem")).to_have_count(before - 1)
    expect(page.get_by_text(re.compile("Last: plant "))).to_be_visible()
    press(page, "Take all of Other bed")
    expect(offered(page, "Other bed")).to_have_count(0)
    press(page, "Take all of it")
    expect(page.get_by_role("heading", name="Your garden now matches this plan")).to_be_visible()
    expect(page.get_by_text(re.compile(r"Last: plant \d+ crops"))).to_be_visible()
    press(page, "Undo")
    expect(page.get_by_role("button", name="Take all of it")).to_be_visible()
    expect(offered(page, "Other bed")).to_have_count(0)


def test_what_stands_stays_until_it_may_go(fill):
    page = fill(planting("chard", block("A1", "D8"), id="c", start_date="2027-04-20"))
    page.get_by_label("Keep looking for").select_option("5")
    press(page, "Fill")
    expect(page.get_by_role("button", name="Take all of it")).to_be_visible()
    differs = page.get_by_role("region", name="What differs")
    expect(differs).not_to_contain_text("the place of chard")
    page.get_by_text("What to plan").click()
    page.get_by_label("Existing plantings").select_option("may")
    press(page, "Fill again")
    expect(differs).to_contain_text("It takes the place of chard.")


def test_what_must_be_in_and_what_never_is_kept_to(fill):
    page = fill()
    page.get_by_label("Must have").select_option("beetroot")
    expect(page.get_by_role("button", name="Take beetroot off the list")).to_be_visible()
    expect(page.get_by_label("Never").locator("option[value=beetroot]")).to_have_count(0)
    page.get_by_label("Never").select_option("carrot")
    page.get_by_label("Where").select_option("other")
    page.get_by_label("Keep looking for").select_option("5")
    press(page, "Fill")
    differs = page.get_by_role("region", name="What differs")
    expect(differs).to_contain_text("beetroot")
    expect(differs).to_contain_text("You asked to leave it out.")
    expect(differs.get_by_role("button", name="Take all of Other bed")).to_be_visible()
    expect(differs.get_by_role("button", name=re.compile("Take all of (?!Other)"))).to_have_count(0)


def test_nothing_wanted_and_a_cancel_leave_all_as_it_is(fill):
    page = fill(wants=[])
    expect(page.get_by_text("Nobody has said what is eaten yet.")).to_be_visible()
    press(page, "Fill")
    expect(page.get_by_text("enter it in the pantry, or name a crop")).to_be_visible()
    press(page, "Discard this plan")
    page.get_by_label("Must have").select_option("carrot")
    page.get_by_label("Keep looking for").select_option("60")
    press(page, "Fill")
    expect(page.get_by_text("Looking for")).to_be_visible()
    press(page, "Cancel")
    expect(page.get_by_text("Your plan as it stands.")).to_be_visible()
    expect(page.get_by_role("button", name="Fill", exact=True)).to_be_visible()


def test_two_tabs_fill_one_after_the_other(fill, context):
    page = fill()
    page.get_by_label("Keep looking for").select_option("60")
    press(page, "Fill")
    expect(page.get_by_role("button", name="Stop and keep this")).to_be_enabled()
    second = context.new_page()
    second.goto(page.url)
    press(second, "Fill")
    expect(second.get_by_role("alert")).to_contain_text("Too much is being calculated")
    press(page, "Stop and keep this")
    press(second, "Fill")
    expect(second.get_by_role("button", name="Take all of it")).to_be_visible()


def test_what_is_eaten_is_said_by_kinds_of_food_and_people(fill):
    page = fill(wants=[])
    kinds = page.get_by_role("region", name="By kinds of food")
    expect(kinds).to_contain_text(re.compile(r"\d+ kg a year"))
    page.get_by_label("People at table").select_option("3")
    for kind in ("Fruit: tomatoes, beans, courgettes", "Salads and leaves", "Herbs"):
        slider = kinds.get_by_role("slider", name=kind)
        slider.press("Home")
        expect(slider).to_have_attribute("aria-valuetext", "never")
    expect(kinds).to_contain_text("maincrop carrot 3.7")
    expect(kinds).not_to_contain_text("lettuce")
    kinds.get_by_role("button", name="Use these amounts").click()
    expect(page.get_by_text("wanted in the pantry")).to_be_visible()
    wants = plan_of(page, page.url.removesuffix("/fill"))["garden"]["household"]["wants"]
    carrots = next(want for want in wants if want["crop"] == "carrot")
    assert (carrots["kg_per_year"], carrots["keep"]) == (3.7, "store")
