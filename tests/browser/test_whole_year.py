"""A square's whole year planned on the year's screen: by keyboard alone, and by pointer alone."""

import re

import pytest
from playwright.sync_api import expect

from tests.conftest import bed, block, document, planting, rectangle

SQUARE = bed(id="square", name="One square", shape=rectangle(30, 30))
IDLE = re.compile(r"^\d+ weeks idle")
MOST_TABS = 80


@pytest.fixture
def year(page, base_url):
    """The year of a garden that has one empty square."""
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=[SQUARE])).json()
    page.goto(f"{base_url}/gardens/{made['head']['slug']}/year")
    expect(page.get_by_role("button", name=IDLE)).to_be_visible()
    return page


def focused_name(page):
    return page.evaluate(
        "() => document.activeElement.getAttribute('aria-label')"
        " ?? document.activeElement.textContent"
    )


def tab_to(page, name):
    """Tab on until something of a name has the focus, as a person without a mouse does."""
    for _ in range(MOST_TABS):
        page.keyboard.press("Tab")
        if re.search(name, focused_name(page) or ""):
            return
    pytest.fail(f"no {name} within {MOST_TABS} tabs")


def wedges(page):
    return page.locator("[data-planting]")


def idle_weeks(page):
    said = page.get_by_text(re.compile(r"^\d+ square-weeks idle in season")).text_content()
    return int(said.split()[0])


def filled(page, open_gap, press):
    """Answer one gap after another, with a crop or, where none fits, by a rest; say how many."""
    answered = 0
    idle = page.get_by_role("button", name=IDLE)
    while gaps := idle.count():
        planted = wedges(page).count()
        open_gap()
        offers = page.get_by_role("region", name="What can follow")
        expect(offers.get_by_role("button", name="Leave it free on purpose")).to_be_visible()
        some = offers.get_by_role("button", name=re.compile("^Plant ")).count()
        press("^Plant " if some else "^Leave it free on purpose")
        if some:
            expect(wedges(page)).to_have_count(planted + 1)
        else:
            expect(idle).to_have_count(gaps - 1)
        answered += 1
        assert answered < 12
    return answered


def test_by_keyboard_alone(year):
    empty = idle_weeks(year)

    def press(name):
        tab_to(year, name)
        year.keyboard.press("Enter")

    assert filled(year, lambda: press(IDLE), press) >= 3
    assert idle_weeks(year) < empty / 2
    # A planting is moved by arrows and taken with Enter; Escape leaves it where it was.
    tab_to(year, r"^[A-Z][a-z], ")
    before = focused_name(year)
    year.keyboard.press("Shift+ArrowRight")
    expect(year.locator("svg text").get_by_text(re.compile(" from "))).to_be_visible()
    year.keyboard.press("Escape")
    expect(year.locator("svg text").get_by_text(re.compile(" from "))).to_have_count(0)
    year.keyboard.press("ArrowRight")
    year.keyboard.press("ArrowRight")
    year.keyboard.press("Enter")
    expect(year.get_by_text(re.compile("^Last: change "))).to_be_visible()
    expect(year.get_by_role("button", name=before, exact=True)).to_have_count(0)


def test_by_pointer_alone(year):
    empty = idle_weeks(year)

    def press(name):
        year.get_by_role("button", name=re.compile(name)).first.click()

    assert filled(year, lambda: press("^Fill the largest"), press) >= 3
    assert idle_weeks(year) < empty / 2
    planted = wedges(year).count()
    wedges(year).first.click()
    chosen = year.get_by_role("region", name="Chosen planting")
    expect(chosen).to_contain_text("at the latest")
    chosen.get_by_role("button", name="Delete").click()
    expect(wedges(year)).to_have_count(planted - 1)
    year.get_by_role("button", name="Undo").click()
    expect(wedges(year)).to_have_count(planted)


def test_a_stretch_is_looked_at_closely_and_follows_the_day(year):
    ruler = year.get_by_role("slider", name="Day of the year")
    whole = int(ruler.get_attribute("aria-valuemax")) - int(ruler.get_attribute("aria-valuemin"))
    year.get_by_label("Look at").select_option("fortnight")
    start = int(ruler.get_attribute("aria-valuemin"))
    assert int(ruler.get_attribute("aria-valuemax")) - start == 14 < whole
    ruler.focus()
    for _ in range(3):
        year.keyboard.press("PageDown")
    expect(ruler).not_to_have_attribute("aria-valuemin", str(start))
    day = int(ruler.get_attribute("aria-valuenow"))
    assert int(ruler.get_attribute("aria-valuemin")) <= day
    # The other screens show the whole year again.
    year.get_by_role("link", name="Pantry").click()
    expect(year.get_by_role("heading", name="The pantry")).to_be_visible()
    assert int(ruler.get_attribute("aria-valuemax")) - int(
        ruler.get_attribute("aria-valuemin")
    ) == pytest.approx(whole, abs=1)


def test_a_late_spring_is_tried_by_dragging_the_last_frost(year):
    frost = year.locator("[data-frost=last_frost]")
    expect(frost).to_contain_text("last frost 25 Apr")
    box = frost.locator("rect").bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    year.mouse.move(x, y)
    year.mouse.down()
    year.mouse.move(x + 40, y, steps=4)
    expect(frost).to_contain_text(re.compile("last frost [0-9]+ May"))
    year.mouse.up()
    expect(year.get_by_text("Last: change the garden")).to_be_visible()
    year.get_by_role("button", name="Undo").click()
    expect(frost).to_contain_text("last frost 25 Apr")


def test_a_trailing_crop_is_led_over_a_bed_once_that_is_cleared(page, base_url):
    squash = {
        **planting("winter-squash", block("A1", "C3"), id="squash", start="transplant"),
        "start_date": "2027-05-25",
        "spacing_cm": 90,
    }
    radish = {**planting("radish", "all", id="early", start_date="2027-04-01"), "place": "other"}
    plan = document(squash, radish, places=[bed(), bed(id="other", name="Other bed")])
    assert page.request.post(f"{base_url}/api/gardens", data=plan).ok
    page.goto(f"{base_url}/gardens/test-yard/squares/bed?planting=squash")
    vines = page.get_by_role("region", name="Led over other ground")
    vines.get_by_role("button", name="Lead its vines").click()
    expect(vines.get_by_role("listitem").first).to_contain_text("more")
    vines.get_by_role("button", name=re.compile("^Over Other bed")).click()
    expect(vines).to_contain_text("m² of Other bed")
    page.goto(f"{base_url}/gardens/test-yard/year")
    other = page.get_by_role("region", name="Other bed")
    expect(other.locator("title", has_text="winter squash runs over it")).to_have_count(1)
    page.goto(f"{base_url}/gardens/test-yard/squares/bed?planting=squash")
    vines.get_by_role("button", name="Lead its vines").click()
    vines.get_by_role("button", name="Delete").click()
    expect(vines.get_by_text("Led over")).to_have_count(0)
