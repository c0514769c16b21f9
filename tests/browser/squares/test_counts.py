"""Beds as growers count: by squares, number and spots, against advice, by pointer and by keys."""

import re

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import ledger, paint, set_day, square, unfold


def shelf(page: Page):
    return page.get_by_role("tabpanel", name="What fits")


def card(page: Page):
    return page.get_by_role("tabpanel", name="This planting")


@pytest.fixture
def own_bed(page, base_url):
    """A bed of 4 x 8 ft planted by a count for each square, added through the form."""
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label("Name").fill("Count bed")
    page.get_by_label("Width, inside, cm").fill("4 ft")
    page.get_by_label("Length, inside, cm").fill("8'")
    expect(page.get_by_role("status").filter(has_text="inside")).to_contain_text("32 squares,")
    unfold(page, "Squares and spacing")
    page.get_by_label("Set out").select_option("single-squares")
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("heading", name="Count bed")).to_be_visible()
    expect(page.locator("svg.bed text").first).to_be_visible()
    set_day(page, -8)
    return page


def test_a_bed_of_4_by_8_ft_is_planted_by_counts(own_bed):
    paint(own_bed, "A1", "B2")
    shelf(own_bed).get_by_role("button", name=re.compile("maincrop carrot")).click()
    expect(own_bed.get_by_role("button", name="maincrop carrot, 64")).to_be_visible()
    expect(ledger(own_bed)).to_contain_text("4 of 32")


def test_the_same_by_keys_alone(own_bed):
    bed = own_bed.locator("svg.bed")
    bed.focus()
    for key in ("ArrowDown", "ArrowUp", "Shift+ArrowRight"):
        own_bed.keyboard.press(key)
    expect(own_bed.get_by_role("list", name="Crops that fit")).to_be_visible()
    own_bed.keyboard.type("Le")
    expect(own_bed.get_by_role("button", name=re.compile("head lettuce, 8"))).to_be_visible()


def test_single_squares_are_added_to_those_chosen(own_bed):
    paint(own_bed, "A1", "A1")
    own_bed.keyboard.down("Control")
    for address in ("B2", "A3", "B2"):
        own_bed.mouse.click(*square(own_bed, address))
    own_bed.keyboard.up("Control")
    # The second press on B2 took it out again.
    expect(own_bed.locator("svg.bed")).to_have_attribute("aria-label", re.compile("2 chosen"))
    own_bed.get_by_role("button", name="Add squares").click()
    own_bed.mouse.click(*square(own_bed, "C2"))
    expect(own_bed.locator("svg.bed")).to_have_attribute("aria-label", re.compile("3 chosen"))
    own_bed.locator("svg.bed").focus()
    own_bed.keyboard.press("ArrowRight")
    own_bed.keyboard.press("Enter")
    expect(own_bed.locator("svg.bed")).to_have_attribute("aria-label", re.compile("4 chosen"))


def test_a_border_and_every_other_square(own_bed):
    paint(own_bed, "A1", "C3")
    own_bed.get_by_role("button", name="Border only").click()
    expect(own_bed.locator("svg.bed")).to_have_attribute("aria-label", re.compile("8 chosen"))
    paint(own_bed, "A1", "C3")
    own_bed.get_by_role("button", name="Every other square").click()
    expect(own_bed.locator("svg.bed")).to_have_attribute("aria-label", re.compile("5 chosen"))


def test_an_exact_number_is_typed_and_a_wrong_one_refused(own_bed):
    paint(own_bed, "A1", "D4")
    shelf(own_bed).get_by_role("button", name=re.compile("^Ch ?chard")).click()
    own_bed.get_by_role("button", name=re.compile("^chard, 64")).click()
    number = card(own_bed).get_by_label("Exact number")
    number.fill("twelve")
    number.press("Enter")
    expect(card(own_bed).get_by_role("alert")).to_contain_text("whole number from 1 to 20,000")
    number.fill("12")
    number.press("Enter")
    expect(card(own_bed)).to_contain_text("12 plants")
    expect(card(own_bed)).to_contain_text("an exact number, evenly spread")
    by_square = card(own_bed).get_by_label("Plants per square")
    number.fill("")
    number.press("Enter")
    by_square.fill("1/4")
    by_square.press("Enter")
    expect(card(own_bed)).to_contain_text("4 plants")
    expect(by_square).to_have_value("1/4")


def test_a_plant_is_dragged_to_its_own_spot(own_bed):
    paint(own_bed, "A1", "B2")
    shelf(own_bed).get_by_role("button", name=re.compile("^Ka")).click()
    own_bed.get_by_role("button", name=re.compile("^kale, 4")).click()
    x, y = square(own_bed, "A1")
    own_bed.mouse.move(x, y)
    own_bed.mouse.down()
    own_bed.mouse.move(x + 12, y + 6, steps=4)
    own_bed.mouse.up()
    expect(card(own_bed)).to_contain_text("each plant at its own spot")
    card(own_bed).get_by_text("Each plant at its own spot", exact=True).click()
    first = card(own_bed).get_by_label("Plant 1, along the letters")
    first.fill("10")
    first.press("Enter")
    expect(first).to_have_value("10")
    card(own_bed).get_by_role("button", name="Spread them evenly again").click()
    expect(card(own_bed)).to_contain_text("1 per square")


def test_what_does_not_fit_can_be_planted_all_the_same(at):
    page = at("low")
    set_day(page, -16)
    paint(page, "A1", "A1")
    against = page.get_by_role("list", name="Crops that do not fit")
    against.get_by_role("button", name=re.compile("parsnip")).click()
    expect(page.get_by_text("Last: plant parsnip")).to_be_visible()
    notes = page.get_by_role("tabpanel", name=re.compile("^Notes"))
    expect(notes).to_contain_text("Parsnip grows a root")


def test_the_gardens_table_changes_a_count_everywhere(page, base_url):
    page.goto(f"{base_url}/gardens/kettle-corner/garden")
    counts = page.get_by_role("region", name="Plants in a square")
    counts.get_by_label("Find a crop").fill("kale")
    kale = counts.get_by_label("kale", exact=True)
    expect(kale).to_have_value("1")
    kale.fill("some")
    kale.press("Enter")
    expect(counts.get_by_role("alert")).to_contain_text("whole number")
    kale.fill("2")
    kale.press("Enter")
    expect(page.get_by_text("Last: change the garden")).to_be_visible()
    page.goto(f"{base_url}/gardens/kettle-corner/squares/counts")
    expect(page.get_by_role("button", name="kale, 4", exact=True)).to_be_visible()


@pytest.fixture
def with_bed(page, base_url):
    """Open a bed of these measures, added to the first demo garden."""

    def add(width_cm, length_cm):
        bed = {
            "id": "old",
            "name": "Old bed",
            "kind": "framed",
            "shape": {"type": "rectangle", "width_cm": width_cm, "length_cm": length_cm},
            "wall_height_cm": 30,
            "sun_hours": 8,
        }
        edit = {"version": 1, "edit": {"do": "add-place", "place": bed}}
        assert page.request.post(f"{base_url}/api/gardens/lantern-court/edits", data=edit).ok
        page.goto(f"{base_url}/gardens/lantern-court/squares/old")
        expect(page.locator("svg.bed text").first).to_be_visible()
        return page

    return add


def test_a_grid_is_fitted_with_what_stands_in_it(with_bed):
    page = with_bed(121.92, 121.92)
    expect(ledger(page)).to_contain_text("of 25")
    page.get_by_role("button", name="Fit the grid").click()
    expect(ledger(page)).to_contain_text("of 16")
    expect(page.get_by_role("button", name="Fit the grid")).to_have_count(0)


def test_a_pot_is_one_ground_to_press(at):
    page = at("pot-herb", "magpie-terrace")
    page.mouse.click(*square(page, "A1"))
    expect(page.locator("svg.bed")).to_have_attribute("aria-label", re.compile("4 chosen"))


def test_a_narrow_strip_is_offered_to_the_squares_beside_it(with_bed):
    page = with_bed(130, 120)
    paint(page, "C1", "D2")
    page.get_by_role("button", name="Add the strip beside them").click()
    expect(page.locator("svg.bed")).to_have_attribute("aria-label", re.compile("6 chosen"))


def test_what_one_pot_holds_is_planted_in_the_others_of_its_group(page, base_url):
    page.goto(f"{base_url}/gardens/kettle-corner/squares/pot-5?planting=p25")
    expect(page.get_by_role("tab", name="This planting")).to_be_visible()
    card(page).get_by_role("button", name="A week later").click()
    expect(page.get_by_text("Last: change basil")).to_be_visible()
    card(page).get_by_role("button", name="The same in the other ten-litre pots").click()
    expect(page.get_by_text("Last: plant 5 crops")).to_be_visible()


def test_a_garden_in_feet_and_american_words(page, base_url):
    page.goto(f"{base_url}/gardens/kettle-corner/squares/middle")
    expect(page.get_by_role("heading", name="Bed 2")).to_be_visible()
    expect(page.get_by_text("4 × 8 ft inside")).to_be_visible()
    expect(ledger(page)).to_contain_text("zucchini, 1")
    expect(ledger(page)).to_contain_text("Harvest, lb")
    # On this device it can be read in other measures all the same.
    page.goto(f"{base_url}/gardens/kettle-corner/garden")
    page.get_by_label("Measures on this device").select_option("metric")
    page.get_by_role("link", name=re.compile("^Bed 2")).click()
    expect(page.get_by_text("121.9 × 243.8 cm inside")).to_be_visible()


def test_herbs_are_sprinkled_by_number_among_a_crop(own_bed):
    paint(own_bed, "A1", "B2")
    shelf(own_bed).get_by_role("button", name=re.compile("maincrop carrot")).click()
    carrots = own_bed.get_by_role("button", name="maincrop carrot, 64")
    carrots.click()
    card(own_bed).get_by_role("button", name="Sprinkle flowers or herbs").click()
    among = card(own_bed).get_by_role("region", name="Sprinkled among it")
    among.get_by_label("How many plants").fill("0")
    expect(among.get_by_role("alert")).to_contain_text("from 1 to 200")
    among.get_by_label("How many plants").fill("2")
    among.get_by_label("Which").select_option("chives")
    expect(among).to_contain_text(re.compile("of 64 maincrop carrot make room"))
    among.get_by_role("button", name="Sprinkle them").click()
    expect(own_bed.get_by_role("button", name=re.compile("^Cv, chives"))).to_be_visible()
    expect(carrots).to_have_count(0)
    expect(own_bed.locator("svg.bed")).to_contain_text("+ Cv")
