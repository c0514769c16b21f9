"""Several places in one step, the place drawn as it is typed, and supports along a line."""

import re

from playwright.sync_api import expect

from tests.browser.conftest import paint, square, unfold
from tests.conftest import document


def several(page, hand, many, gap):
    hand.press(page.locator("summary").filter(has_text="Several at once"))
    hand.fill(page.get_by_label("How many"), many)
    hand.fill(page.get_by_label("Gap between them"), gap)
    hand.press(page.get_by_role("button", name="Add the place"))


def test_five_beds_in_a_row_with_paths_between(page, base_url, hand):
    page.goto(f"{base_url}/gardens/kettle-corner/places/new")
    hand.fill(page.get_by_label("Name"), "Row 1")
    hand.fill(page.get_by_label("Width, inside, in"), "1 ft 6")
    hand.fill(page.get_by_label("Length, inside, in"), "40")
    several(page, hand, "5", "12")
    places = page.get_by_role("region", name="Places")
    for number in range(1, 6):
        expect(places.get_by_text(f"Row {number}", exact=True)).to_be_visible()


def test_a_row_comes_with_paths_of_wood_chips(page, base_url):
    doc = document(places=[], site={"outline_m": [[0, 0], [20, 0], [20, 20], [0, 20]]})
    slug = page.request.post(f"{base_url}/api/gardens", data=doc).json()["head"]["slug"]
    page.goto(f"{base_url}/gardens/{slug}/places/new")
    unfold(page, "Several at once")
    page.get_by_label("How many").fill("5")
    page.get_by_label("Paths between them").select_option("laid with wood chips")
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("region", name="Places").get_by_text("Place 5")).to_be_visible()
    plan = page.request.get(f"{base_url}/api/gardens/{slug}").json()["plan"]
    assert [path["covering"] for path in plan["site"]["paths"]] == ["path-chips"] * 4


def test_six_pots_of_one_kind(page, base_url, hand):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    hand.fill(page.get_by_label("Name"), "Pot")
    hand.choose(page.get_by_label("Kind"), "container")
    hand.choose(page.get_by_label("Outline"), "round")
    hand.fill(page.get_by_label("Diameter, inside, cm"), "25")
    hand.fill(page.get_by_label("Wall height, cm"), "23")
    several(page, hand, "6", "three hands")
    expect(page.get_by_role("alert")).to_contain_text("such as 120, 1.2m or 45cm")
    hand.fill(page.get_by_label("Gap between them, cm"), "10")
    hand.press(page.get_by_role("button", name="Add the place"))
    expect(page.get_by_role("heading", name="Pot 1")).to_be_visible()
    plan = page.request.get(f"{base_url}/api/gardens/lantern-court").json()["plan"]
    assert [place["group"] for place in plan["places"]][-6:] == ["Pot"] * 6


def test_the_drawing_follows_each_keystroke_and_can_be_pulled(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    told = page.get_by_role("status").filter(has_text="inside")
    expect(told).to_contain_text("32 squares")
    page.get_by_label("Length, inside, cm").fill("180")
    expect(told).to_contain_text("24 squares")
    sketch = page.get_by_role("figure", name="The place as typed")
    end = sketch.locator("circle.cursor-ew-resize")
    box = end.bounding_box()
    page.mouse.move(box["x"] + 5, box["y"] + 5)
    page.mouse.down()
    page.mouse.move(box["x"] - 60, box["y"] + 5, steps=3)
    page.mouse.up()
    length = page.get_by_label("Length, inside, cm")
    expect(length).not_to_have_value("180")
    assert 60 < float(length.input_value()) < 180


def test_a_row_of_stakes_along_the_middle_of_a_bed(page, base_url, hand):
    page.goto(f"{base_url}/gardens/lantern-court/places/low/supports")
    hand.choose(page.get_by_label("Add a support"), "stakes with woven twine")
    hand.press(page.get_by_role("button", name="Add", exact=True))
    form = page.get_by_role("form", name="The support")
    hand.choose(form.get_by_label("Stands"), "in the bed, along its middle")
    expect(page.get_by_text("along a line in the bed")).to_be_visible()
    expect(page.get_by_label("Point 1, across, cm")).to_have_value("45")
    for label in ("Point 1, across, cm", "Point 2, across, cm"):
        hand.fill(page.get_by_label(label), "50")
    hand.press(form.get_by_role("button", name="Save"))
    expect(page.get_by_text("Last: change Low bed")).to_be_visible()


def test_a_line_is_dragged_across_its_bed(page, base_url):
    state = page.request.get(f"{base_url}/api/gardens/lantern-court").json()
    stakes = {"id": "s", "system": "woven", "line_cm": [[50, 0], [50, 120]], "height_cm": 110}
    edit = {"do": "change-place", "id": "low", "changes": {"supports": [stakes]}}
    page.request.post(
        f"{base_url}/api/gardens/lantern-court/edits",
        data={"version": state["head"]["version"], "edit": edit},
    )
    page.goto(f"{base_url}/gardens/lantern-court/squares/low")
    expect(page.locator("svg.bed")).to_contain_text("stakes")
    # Its middle is dragged with the whole line, by one column.
    x, y = square(page, "B2")
    half = square(page, "B3")[0] - x
    page.mouse.move(x + half / 2, y + (5 / 30) * half)
    page.mouse.down()
    page.mouse.move(x + half / 2, y + (5 / 30) * half + half, steps=4)
    with page.expect_response(lambda answer: answer.url.endswith("/edits")):
        page.mouse.up()
    plan = page.request.get(f"{base_url}/api/gardens/lantern-court").json()["plan"]
    low = next(place for place in plan["places"] if place["id"] == "low")
    assert [point[0] for point in low["supports"][0]["line_cm"]] == [80, 80]


def test_a_support_is_taken_away_with_what_leans_on_it(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/south/supports")
    page.get_by_role("button", name="Delete this support").click()
    expect(page.get_by_text("nothing to climb yet")).to_be_visible()
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    paint(page, "A1", "A1")
    expect(page.locator("svg.bed")).to_have_attribute("aria-label", re.compile("Cursor at A1"))
