"""The bed sheet as a gardener works it: by pointer, by keyboard, through time."""

import re

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import ledger, paint, set_day, square
from tests.conftest import document


def clear_low_bed(page: Page) -> None:
    """Take all that grows out of the low bed, and move to a day in April."""
    at = page.url.split("/gardens/")[0] + "/api/gardens/lantern-court"
    state = page.request.get(at).json()
    version = state["head"]["version"]
    for planting in state["plan"]["plantings"]:
        if planting["place"] == "low":
            gone = {"do": "remove-planting", "id": planting["id"]}
            edit = {"version": version, "edit": gone}
            version = page.request.post(f"{at}/edits", data=edit).json()["head"]["version"]
    page.reload()
    set_day(page, -9)
    expect(ledger(page).get_by_text("of 12")).to_contain_text("0 of 12")


def test_a_bed_shows_its_plan_section_year_and_ledger_on_one_screen(at):
    page = at("south")
    expect(page.get_by_role("heading", name="South bed")).to_be_visible()
    expect(page.locator("svg.bed")).to_contain_text("Section along squares A")
    expect(
        page.get_by_role("button", name=re.compile("maincrop carrot, 1 Apr to 19 Aug"))
    ).to_be_visible()
    expect(ledger(page)).to_contain_text("36 of 36")
    heights = page.evaluate("[document.documentElement.scrollHeight, innerHeight]")
    assert heights[0] == heights[1]


def test_squares_painted_then_a_crop_pressed_plants_it(at):
    page = at("low")
    clear_low_bed(page)
    paint(page, "A1", "A3")
    panel = page.get_by_role("tabpanel")
    expect(panel).to_contain_text("3 squares from")
    panel.get_by_role("button", name=re.compile("^Ra ?radish")).click()
    expect(page.get_by_text("Last: plant radish")).to_be_visible()
    expect(ledger(page)).to_contain_text("3 of 12")
    expect(ledger(page).get_by_role("status")).to_contain_text("+48 plants")


def test_the_same_by_keyboard_alone(at):
    page = at("low")
    clear_low_bed(page)
    bed = page.locator("svg.bed")
    bed.focus()
    for key in ("ArrowDown", "ArrowUp", "Shift+ArrowRight", "Shift+ArrowRight"):
        page.keyboard.press(key)
    expect(bed).to_have_attribute("aria-label", re.compile("Cursor at A3, free. 3 chosen"))
    expect(page.get_by_role("list", name="Crops that fit")).to_be_visible()
    page.keyboard.type("Ra")
    expect(ledger(page)).to_contain_text("3 of 12")
    page.keyboard.press("Control+z")
    expect(ledger(page)).to_contain_text("0 of 12")
    page.keyboard.press("Control+Shift+z")
    expect(ledger(page)).to_contain_text("3 of 12")


def test_delete_clears_some_squares_of_a_planting(at):
    page = at("south")
    page.locator("svg.bed").focus()
    page.mouse.click(*square(page, "B1"))
    page.keyboard.press("Delete")
    expect(page.get_by_role("button", name="maincrop carrot, 48")).to_be_visible()
    page.keyboard.press("Control+z")
    expect(page.get_by_role("button", name="maincrop carrot, 64")).to_be_visible()


def test_bare_letters_do_nothing_outside_the_bed_or_when_turned_off(at, base_url):
    page = at("low")
    clear_low_bed(page)
    paint(page, "A1", "A2")
    page.get_by_role("button", name="Table").focus()
    page.keyboard.type("Ra")
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Typing a crop’s two letters").uncheck()
    page = at("low")
    clear_low_bed(page)
    paint(page, "A1", "A2")
    expect(page.get_by_role("list", name="Crops that fit")).to_be_visible()
    page.locator("svg.bed").focus()
    page.keyboard.type("Ra")
    page.keyboard.press("Escape")
    expect(ledger(page)).to_contain_text("0 of 12")


def test_taken_squares_say_until_when_and_lead_there(at):
    page = at("low")
    paint(page, "B1", "C1")
    panel = page.get_by_role("tabpanel")
    expect(panel).to_contain_text(re.compile("stands here until"))
    panel.get_by_role("button", name=re.compile("See what follows on")).click()
    expect(page.get_by_role("slider", name="Day of the year")).not_to_have_attribute(
        "aria-valuetext", "14 June"
    )


def test_squares_are_held_for_a_seat_and_freed_again(page, base_url):
    made = page.request.post(f"{base_url}/api/gardens", data=document())
    page.goto(f"{base_url}/gardens/{made.json()['head']['slug']}/squares/bed")
    paint(page, "A1", "A2")
    # The form stands below the list, and moves down when that has come.
    expect(page.get_by_role("list", name="Crops that fit")).to_be_visible()
    page.get_by_label("Hold for").fill("a seat")
    page.get_by_role("button", name="Hold these squares").click()
    expect(ledger(page)).to_contain_text("0 of 30")
    expect(page.get_by_role("tabpanel")).to_contain_text("A1, A2: a seat")
    page.get_by_role("button", name="Free A1, A2").click()
    expect(ledger(page)).to_contain_text("0 of 32")


def test_squares_that_are_used_in_the_year_are_not_held(at):
    page = at("low")
    paint(page, "A1", "A2")
    page.get_by_role("tab", name="What fits").click()
    held = page.get_by_role("region", name="Held squares")
    expect(held).to_contain_text("move what grows here in the year: head lettuce")
    expect(held.get_by_role("button")).to_have_count(0)


def test_dragging_a_wedge_moves_a_planting_in_time(at):
    page = at("south")
    wedge = page.get_by_role("button", name=re.compile("maincrop carrot, 1 Apr"))
    box = wedge.locator("rect").bounding_box()
    middle = (box["x"] + box["width"] / 2, box["y"] + box["height"] - 3)
    page.mouse.move(*middle)
    page.mouse.down()
    page.mouse.move(middle[0] + 30, middle[1], steps=4)
    page.mouse.up()
    moved = page.get_by_role("button", name=re.compile(r"maincrop carrot, \d+ Apr"))
    expect(moved).to_have_attribute("aria-label", re.compile(r"carrot, 1[0-3] Apr"))


def test_a_corner_pulled_resizes_a_planting(at):
    page = at("low")
    page.mouse.click(*square(page, "B3"))
    expect(page.get_by_role("tab", name="This planting")).to_be_visible()
    x, y = square(page, "B4")
    half = x - square(page, "B3")[0]
    page.mouse.move(x + half / 2 - 2, y + half / 2 - 2)
    page.mouse.down()
    page.mouse.move(*square(page, "B3"), steps=4)
    page.mouse.up()
    expect(page.get_by_role("tabpanel")).to_contain_text("radish 16 plants")


def test_a_planting_is_changed_in_its_card(at):
    page = at("south")
    page.get_by_role("button", name="maincrop carrot, 64").click()
    card = page.get_by_role("tabpanel")
    card.get_by_label("Apart, cm").fill("10")
    card.get_by_label("Apart, cm").press("Enter")
    expect(card).to_contain_text("maincrop carrot 36 plants")
    card.get_by_role("button", name="A week later").click()
    expect(card.get_by_label("On", exact=True)).to_have_value("2027-04-08")
    card.get_by_label("Plants per square").fill("4")
    card.get_by_label("Plants per square").press("Tab")
    expect(card).to_contain_text("maincrop carrot 16 plants")


def test_what_comes_late_in_a_card_moves_nothing_from_under_the_hand(at):
    south = at("south")
    held: list[Route] = []
    south.route("**/crop-book**", lambda route: held.append(route))  # noqa: PLW0108
    south.get_by_role("button", name="maincrop carrot, 64").click()
    remove = south.get_by_role("button", name="Remove")
    before = remove.bounding_box()
    expect(south.get_by_label("Kind")).to_have_count(0)
    for asked in held:
        asked.continue_()
    expect(south.get_by_label("Kind")).to_be_visible()
    assert before == remove.bounding_box()


@pytest.mark.parametrize("typed", ["wide", "0", "-3", "9999m"])
def test_a_spacing_that_cannot_be_is_explained_at_the_field(at, typed):
    page = at("south")
    page.get_by_role("button", name="maincrop carrot, 64").click()
    field = page.get_by_label("Apart, cm")
    field.fill(typed)
    field.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("Enter a length")
    expect(page.get_by_role("tabpanel")).to_contain_text("maincrop carrot 64 plants")


def test_the_day_moves_every_drawing(at):
    page = at("south")
    slider = page.get_by_role("slider", name="Day of the year")
    expect(slider).to_have_attribute("aria-valuetext", "14 June")
    before = page.locator("svg.bed").inner_html()
    slider.focus()
    page.keyboard.press("ArrowRight")
    expect(slider).to_have_attribute("aria-valuetext", "15 June")
    page.keyboard.press("PageDown")
    expect(slider).to_have_attribute("aria-valuetext", "22 June")
    assert page.locator("svg.bed").inner_html() != before
    expect(ledger(page)).to_contain_text("22 June")
    ruler = page.locator(".drawn", has=slider)
    ruler.click(position={"x": 30, "y": 50})
    expect(slider).to_have_attribute("aria-valuetext", re.compile("February"))


def test_a_figure_opens_its_working(at):
    page = at("south")
    page.get_by_role("button", name="maincrop carrot, likely harvest: working").click()
    working = page.get_by_role("dialog")
    expect(working).to_contain_text("Shinozaki and Kira 1956")
    expect(working).to_contain_text("likely harvest")
    page.keyboard.press("Escape")
    expect(working).to_be_hidden()


def test_a_margin_note_mends_what_it_tells_of(at):
    page = at("low")
    notes = page.get_by_role("tabpanel")
    expect(notes).to_contain_text("grows a root 16 cm long")
    notes.get_by_role("button", name="Grow a short-rooted carrot instead").click()
    expect(notes).not_to_contain_text("grows a root 16 cm long")
    expect(page.get_by_role("button", name=re.compile("short-rooted carrot, 32"))).to_be_visible()


def test_the_drawing_has_a_table_that_copies_as_csv(at, context):
    context.grant_permissions(["clipboard-read", "clipboard-write"])
    page = at("south")
    page.get_by_role("button", name="Table").click()
    twin = page.get_by_role("region", name="South bed as a table")
    row = twin.get_by_role("row", name=re.compile("maincrop carrot"))
    expect(row).to_contain_text("B1 B2 C1 C2")
    page.get_by_role("button", name="Copy as CSV").click()
    text = page.evaluate("navigator.clipboard.readText()")
    assert '"Ct","maincrop carrot","B1 B2 C1 C2","64"' in text


def test_the_sheet_prints_on_one_legible_page(at):
    page = at("south")
    page.emulate_media(media="print")
    expect(page.get_by_role("navigation")).to_be_hidden()
    expect(page.get_by_role("table").last).to_be_visible()
    pdf = page.pdf(prefer_css_page_size=True)
    assert len(re.findall(rb"/Type\s*/Page\b", pdf)) == 1


def test_the_other_hemisphere_turns_with_its_sun(at):
    page = at("tall", garden="magpie-terrace")
    expect(page.get_by_role("slider", name="Day of the year")).to_have_attribute(
        "aria-valuetext", "25 October"
    )
    expect(page.get_by_role("img", name="North is turned 180° from up")).to_be_visible()
    expect(page.locator("svg.bed")).to_contain_text("sun 65°")


def test_a_regional_name_finds_a_crop_on_the_shelf(at):
    page = at("low")
    clear_low_bed(page)
    paint(page, "A1", "A3")
    page.get_by_label("Find a crop").fill("arugula")
    expect(page.get_by_role("tabpanel")).to_contain_text("salad rocket")
    expect(page.get_by_role("tabpanel")).not_to_contain_text("radish")


def test_a_crop_is_given_a_cage_or_none(at):
    page = at("trough", "magpie-terrace")
    page.get_by_role("button", name=re.compile("bush tomato")).first.click()
    page.get_by_role("tab", name=re.compile("bush tomato|Planting", re.IGNORECASE)).click()
    held = page.get_by_label("Held up by")
    expect(held).to_have_value("alone:cage")
    before = ledger(page).inner_text()
    held.select_option("nothing")
    expect(page.get_by_text("Last: change tomato-bush")).to_be_visible()
    expect(held).to_have_value("")
    assert ledger(page).inner_text() != before


def test_the_fill_is_dragged_in_the_section_and_everything_follows(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/low")
    line = page.get_by_role("slider", name="Depth of the fill")
    before = float(line.get_attribute("aria-valuenow"))
    box = line.bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x, y + 30, steps=5)
    expect(
        page.get_by_text(re.compile(r"Filled \d+ cm: \d+ L more to pour, likely"))
    ).to_be_visible()
    page.mouse.up()
    expect(page.get_by_text(re.compile("Filled"))).to_be_hidden()
    assert float(line.get_attribute("aria-valuenow")) > before
    page.get_by_role("button", name="Undo").click()
    expect(line).to_have_attribute("aria-valuenow", f"{before:g}")


def test_the_fill_is_tried_by_keys_and_left_by_escape(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/low")
    line = page.get_by_role("slider", name="Depth of the fill")
    before = line.get_attribute("aria-valuenow")
    line.focus()
    for _ in range(4):
        page.keyboard.press("ArrowDown")
    expect(page.get_by_text(re.compile("L more to pour"))).to_be_visible()
    page.keyboard.press("Escape")
    expect(line).to_have_attribute("aria-valuenow", before)
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Last: change Low bed")).to_be_visible()
    expect(line).to_have_attribute("aria-valuenow", f"{float(before) + 1:g}")


def test_a_box_is_stood_on_a_shallow_bed_for_its_carrots(page, at):
    low = at("low")
    low.get_by_role("button", name="Stand a box 20 cm high on B1–B2").click()
    low.get_by_role("link", name="Box B1–B2, Low bed").click()
    expect(low.get_by_role("heading", name="Box B1–B2, Low bed")).to_be_visible()
    expect(low.get_by_text("17 cm mix over 14 of the place below")).to_be_visible()
    expect(ledger(low)).to_contain_text("maincrop carrot, 21")


def test_a_box_is_stood_on_chosen_squares(page, at):
    south = at("south")
    paint(south, "D1", "D4")
    south.get_by_role("tab", name="What fits").click()
    south.get_by_label("Height of the box").fill("400")
    south.get_by_role("button", name="Stand a box on these squares").click()
    expect(south.get_by_text("Enter a height of 5 to 300 cm")).to_be_visible()
    south.get_by_label("Height of the box").fill("25")
    south.get_by_role("button", name="Stand a box on these squares").click()
    expect(south.get_by_role("link", name="Box D1–D4, South bed")).to_be_visible()
    south.get_by_role("button", name="Undo").click()
    expect(south.get_by_role("link", name="Box D1–D4, South bed")).to_have_count(0)


def test_plants_are_left_for_seed_until_it_is_ripe(at):
    page = at("south")
    page.get_by_role("button", name=re.compile("^dwarf French bean, ")).first.click()
    card = page.get_by_role("tabpanel", name="This planting")
    card.get_by_text("Save its seed").click()
    expect(card).to_contain_text("It pollinates itself; it comes true 3 m from others")
    expect(card).to_contain_text("It would cross with climbing French bean in the same bed.")
    expect(card).to_contain_text("Let pods dry on the plant")
    card.get_by_role("button", name=re.compile("^Leave all of it for seed until")).click()
    expect(page.get_by_text("Last: leave dwarf-bean for seed")).to_be_visible()
    expect(card).to_contain_text("nothing of it is counted for the kitchen")
    card.get_by_role("button", name="Pick it after all").click()
    expect(card.get_by_text("Save its seed")).to_be_visible()
