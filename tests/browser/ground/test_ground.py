"""The yard: drawn from nothing, dragged, typed, by keys alone, as a table, in feet."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import unfold
from tests.conftest import bed, document

GROUND = "/gardens/lantern-court/ground"


@pytest.fixture
def yard(page, base_url):
    page.goto(base_url + GROUND)
    expect(page.locator(".bed")).to_contain_text("8 h")
    return page


def thing(page, name):
    return page.locator(f".bed [data-thing*='{name}']").first


def drag(page, name, right_px, down_px):
    box = thing(page, name).bounding_box()
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] - 4
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + right_px, y + down_px, steps=6)
    page.mouse.up()


def table_row(page, name):
    page.get_by_role("button", name="Table").click()
    row = page.get_by_role("row", name=re.compile(f"^{name}")).inner_text().split("\t")
    page.get_by_role("button", name="Drawing").click()
    return row


def test_a_yard_is_drawn_from_nothing_to_a_filled_and_costed_bed(page, base_url):
    page.goto(f"{base_url}/start")
    page.get_by_label("Latitude, degrees").fill("52")
    page.get_by_role("button", name="Plant this bed").click()
    page.get_by_role("link", name="Ground").click()
    expect(page.get_by_role("heading", name="Begin with the yard")).to_be_visible()
    page.get_by_label("Left to right").fill("9m")
    page.get_by_label("Bottom to top").fill("23'4\"")
    page.get_by_role("button", name="Draw the yard").click()
    expect(page.get_by_text("9 m × 7.11 m")).to_be_visible()
    page.get_by_role("button", name="Add to the yard").click()
    expect(thing(page, "place")).to_contain_text("First bed")
    # A wall to the south, typed to its size, takes sun from the bed.
    page.get_by_role("button", name="wall", exact=True).click()
    page.get_by_label("Height").fill("2.4m")
    page.get_by_label("From the left side").fill("0")
    page.get_by_label("From the lower side").fill("1.3m")
    page.get_by_label("Ends from the left").fill("900")
    page.get_by_label("Ends from below").fill("1.3m")
    page.get_by_role("button", name="Save").click()
    expect(page.locator(".bed")).to_contain_text("wall, 2.4 m")
    page.get_by_role("button", name="tap", exact=True).click()
    page.get_by_label("Hose, cm").fill("1m")
    page.get_by_role("button", name="Save").click()
    expect(page.locator(".bed")).to_contain_text("tap, hose 1 m")
    page.get_by_role("button", name="Undo").click()
    expect(page.locator(".bed")).to_contain_text("tap, hose 10 m")
    # On to what fills it, and what that costs here.
    page.get_by_role("link", name="Soil").click()
    page.get_by_role("button", name="Mix and prices").click()
    page.get_by_label("Bag 1, litres").fill("50")
    page.get_by_label("its price").first.fill("7.5")
    page.get_by_role("button", name="Save").first.click()
    ways = page.get_by_role("table", name="Ways to buy garden bed mix, cheapest first")
    expect(ways).to_contain_text("bags of 50 L")
    # 120 x 240 cm, 25 cm deep less 3 cm of rim: 634 L settled, 745 L to pour, 15 bags.
    expect(ways).to_contain_text("15 bags")
    expect(ways).to_contain_text("112.50")


def test_a_bed_is_dragged_and_its_hours_follow(yard):
    side = yard.get_by_role("region", name="Low bed")
    thing(yard, '"low"').click(position={"x": 20, "y": 38})
    expect(side).to_contain_text("Sun, six best months8.3 h")
    drag(yard, '"low"', 0, 130)
    expect(side).not_to_contain_text("Sun, six best months8.3 h")
    row = table_row(yard, "Low bed")
    # Set down on the five-centimetre grid.
    assert (float(row[3].removesuffix(" m")) * 20) % 1 == pytest.approx(0, abs=1e-6)
    yard.keyboard.press("Control+z")
    expect(side).to_contain_text("Sun, six best months8.3 h")


def test_a_press_without_a_drag_only_chooses(yard):
    thing(yard, '"long"').click(position={"x": 60, "y": 40})
    expect(yard.get_by_role("region", name="Long bed")).to_be_visible()
    expect(yard.get_by_role("button", name="Undo")).to_be_disabled()


def test_a_thing_is_set_down_by_press_and_press(yard):
    yard.get_by_role("button", name="Move").click()
    expect(yard.get_by_text("Press in the yard where its corner")).to_be_visible()
    house = thing(yard, '"obstacle","id":"house"').bounding_box()
    yard.mouse.click(house["x"] + 250, house["y"] + house["height"] + 260)
    expect(yard.get_by_text("Press in the yard where its corner")).to_have_count(0)
    expect(yard.get_by_role("button", name="Undo")).to_be_enabled()


def test_by_keys_alone(yard):
    yard.get_by_role("button", name="Table").focus()
    yard.keyboard.press("Enter")
    yard.get_by_role("row", name=re.compile("^South bed")).get_by_role("button").focus()
    yard.keyboard.press("Enter")
    yard.get_by_role("button", name="Drawing").focus()
    yard.keyboard.press("Enter")
    yard.locator(".bed").focus()
    # Both at once: the second is no farther from where the first has left it.
    yard.evaluate(
        """() => { for (const [key, shiftKey] of [['ArrowRight', true], ['ArrowUp', false]])
            document.activeElement.dispatchEvent(
                new KeyboardEvent('keydown', { key, shiftKey, bubbles: true })) }"""
    )
    expect(yard.locator(".bed")).to_contain_text("1.7 m")
    yard.keyboard.press("Escape")
    expect(yard.get_by_text("Choose a place to see its hours")).to_be_visible()


def test_the_day_and_the_months_move_the_sun(yard):
    region = yard.get_by_role("region", name="South bed")
    expect(region).to_contain_text("Sun, 14 June")
    yard.get_by_role("button", name=re.compile("^Dec")).click()
    expect(region).to_contain_text("Sun, 15 December")
    expect(yard.locator(".bed")).not_to_contain_text("10 h")


def test_a_measure_that_cannot_be_read_is_told_at_its_field(yard):
    yard.get_by_role("button", name="hedge", exact=True).click()
    yard.get_by_label("Height").fill("tall")
    yard.get_by_role("button", name="Save").click()
    expect(yard.get_by_role("alert")).to_contain_text("such as 120, 1.2m")
    yard.get_by_role("button", name="Size and direction").click()
    yard.get_by_label("Left to right").fill("-3")
    yard.get_by_role("button", name="Save the yard").click()
    expect(yard.get_by_role("alert")).to_contain_text("at least 50 cm")


def test_a_house_that_stands_askew_is_turned_by_its_degrees(yard):
    yard.get_by_role("button", name="house", exact=True).click()
    form = yard.get_by_role("region", name="house")
    expect(form.get_by_label("Width, left to right")).to_have_value("600")
    form.get_by_label("Turned clockwise, °").fill("30")
    form.get_by_role("button", name="Save").click()
    # 6 m by 4 m: 5.20 + 2.00 m across and 3.00 + 3.46 m deep.
    yard.get_by_role("button", name="Table").click()
    rows = yard.get_by_role("row", name=re.compile("^house"))
    expect(rows.filter(has_text="7.2 m × 6.46 m")).to_have_count(1)
    expect(form.get_by_label("Turned clockwise, °")).to_have_value("30")
    yard.get_by_role("button", name="Drawing").click()
    form.get_by_role("button", name="Delete").click()
    expect(thing(yard, '"id":"house-3"')).to_have_count(0)


def test_a_bed_out_of_the_yard_is_said_and_stays(yard):
    drag(yard, '"low"', 95, 0)
    expect(yard.get_by_text(re.compile("lies outside the yard"))).to_be_visible()


def test_a_child_s_arm_is_shorter(yard):
    yard.get_by_role("button", name="Size and direction").click()
    yard.get_by_label("a child").check()
    yard.get_by_role("button", name="Save the yard").click()
    thing(yard, '"south"').click(position={"x": 20, "y": 50})
    expect(yard.get_by_text(re.compile("a child reaches 45 cm"))).to_be_visible()


def test_turning_answers_in_hours_and_kilograms_and_turns(yard):
    thing(yard, '"border"').click(position={"x": 20, "y": 25})
    expect(
        yard.get_by_text(re.compile("would lose .* h of sun per day and give about"))
    ).to_be_visible()
    yard.get_by_role("button", name="Turn it a quarter").click()
    expect(yard.get_by_text(re.compile("overlaps the"))).to_be_visible()


def test_what_is_laid_out_can_be_taken_out(yard):
    thing(yard, '"tap"').click()
    yard.get_by_role("button", name="Delete").click()
    expect(yard.locator(".bed")).not_to_contain_text("hose 12 m")


def test_a_new_place_lands_in_the_yard(yard):
    yard.get_by_role("link", name="bed or container").click()
    yard.get_by_label("Name").fill("Middle bed")
    yard.get_by_role("button", name="Add the place").click()
    expect(yard.get_by_role("region", name="Middle bed")).to_be_visible()
    expect(yard.locator(".bed")).to_contain_text("Middle bed")


def test_in_feet_and_inches(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_label("Measures on this device").select_option("imperial")
    page.goto(base_url + GROUND)
    expect(page.get_by_text("36 ft × 26 ft")).to_be_visible()
    expect(page.locator(".bed")).to_contain_text("house, 19.7 ft")


def test_a_twin_in_the_mirror_is_set_up_beside_its_bed(yard):
    thing(yard, '"low"').click(position={"x": 20, "y": 38})
    yard.get_by_role("button", name="Mirror it").click()
    expect(yard.locator(".bed")).to_contain_text("Low bed, twin")
    row = table_row(yard, "Low bed, twin")
    assert row[1] == "framed"
    yard.keyboard.press("Control+z")
    expect(yard.locator(".bed")).not_to_contain_text("Low bed, twin")


@pytest.mark.parametrize(
    ("outline", "fields", "area"),
    [
        ("l", {"Width, inside": "2m", "Length, inside": "3m", "Width of an arm": "60"}, "2.64 m²"),
        (
            "u",
            {"Width, inside": "240", "Length, inside": "180", "Width of an arm": "60"},
            "2.88 m²",
        ),
        ("ring", {"Diameter, inside": "3m", "From rim to hole": "60"}, "4.52 m²"),
        ("mound", {"Width on top": "90", "Length on top": "2m", "Height": "25"}, "1.8 m²"),
    ],
)
def test_a_place_of_every_outline(yard, outline, fields, area):
    yard.get_by_role("link", name="bed or container").click()
    yard.get_by_label("Name").fill("New shape")
    if outline == "mound":
        yard.get_by_label("Kind").select_option("mound")
    yard.get_by_label("Outline").select_option(outline)
    for label, text in fields.items():
        yard.get_by_label(label).first.fill(text)
    yard.get_by_role("button", name="Add the place").click()
    expect(yard.get_by_role("region", name="New shape")).to_contain_text(area)
    yard.get_by_role("link", name="Edit", exact=True).click()
    expect(yard.get_by_label("Outline")).to_have_value(outline)


def test_arms_too_wide_are_told_at_their_field(yard):
    yard.get_by_role("link", name="bed or container").click()
    yard.get_by_label("Outline").select_option("u")
    yard.get_by_label("Width of an arm").fill("80")
    yard.get_by_role("button", name="Add the place").click()
    expect(yard.get_by_role("alert")).to_contain_text("leaves nothing between")


def test_walls_measured_outside_leave_less_inside(yard):
    thing(yard, '"low"').click(position={"x": 20, "y": 38})
    yard.get_by_role("link", name="Edit", exact=True).click()
    unfold(yard, "Walls")
    yard.get_by_label("Wall thickness").fill("3")
    yard.get_by_label("Measured").select_option("outside")
    yard.get_by_role("button", name="Save the place").click()
    expect(yard.get_by_role("region", name="Low bed")).to_contain_text("84 × 114 cm")
    expect(yard.get_by_role("region", name="Low bed")).to_contain_text("90 × 120 cm")


def test_the_set_out_sheet_gives_every_stake(yard):
    yard.get_by_role("button", name="Set-out sheet").click()
    drawing = yard.get_by_role("img", name=re.compile("^The stakes from above"))
    expect(drawing).to_contain_text("diagonals 2.95 m")
    expect(drawing.locator("text", has_text=re.compile("^S$|^E$"))).to_have_count(2)
    table = yard.get_by_role("table", name="Stakes of every place")
    # The South bed lies 120 x 270 cm with its corner 1.2 m along and 5.9 m off the line.
    row = table.get_by_role("row", name=re.compile("^South bed"))
    expect(row).to_contain_text("both diagonals 2.95 m")
    expect(table.get_by_role("row", name=re.compile("^Tub by the door"))).to_contain_text(
        "string of"
    )
    expect(yard.get_by_text(re.compile("Have buried cables and pipes located"))).to_be_visible()
    yard.get_by_role("button", name="Drawing").click()
    expect(yard.locator(".bed")).to_be_visible()


def test_wind_animals_and_who_kneels_are_told_of_the_yard(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/ground?place=south")
    page.get_by_role("button", name="Size and direction").click()
    page.get_by_label("rabbits").check()
    page.get_by_label("somebody seated").check()
    page.get_by_label("Strong wind from").fill("400")
    page.get_by_role("button", name="Save the yard").click()
    expect(page.get_by_role("alert")).to_contain_text("-360 to 360")
    page.get_by_label("Strong wind from").fill("225")
    page.get_by_role("button", name="Save the yard").click()
    page.get_by_role("button", name="Size and direction").click()
    expect(page.get_by_text(re.compile("Rabbits come here"))).to_be_visible()
    expect(page.get_by_text(re.compile("a person seated needs 55–75 cm"))).to_be_visible()
    page.get_by_role("button", name="Raise it to 55 cm").click()
    expect(page.get_by_text(re.compile("a person seated wants"))).to_have_count(0)


def test_layouts_stand_side_by_side_and_one_is_taken(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/ground")
    page.get_by_role("button", name="Layouts").click()
    table = page.get_by_role("table", name="Layouts side by side")
    expect(table.get_by_role("columnheader", name="beds up and down")).to_be_visible()
    page.get_by_label("Save the yard as it is drawn").fill("four beds")
    page.get_by_role("button", name="Save this drawing").click()
    expect(table.get_by_role("columnheader", name="four beds")).to_be_visible()
    expect(table.get_by_role("row", name=re.compile("^A walk to tend all"))).to_contain_text("m")
    page.get_by_label("Use a place from beds up and down").select_option("far")
    places = page.get_by_role("region", name="Places")
    expect(places.get_by_role("link", name=re.compile("^Far bed"))).to_be_visible()
    table.get_by_role("button", name="Use it").first.click()
    expect(places.get_by_role("link", name=re.compile("^West bed"))).to_be_visible()
    expect(places.get_by_role("link", name=re.compile("^South bed"))).to_have_count(0)
    expect(table.get_by_role("columnheader", name="before beds up and down")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(places.get_by_role("link", name=re.compile("^South bed"))).to_be_visible()


def test_a_pot_is_carried_to_another_spot_for_the_winter(page, base_url):
    page.goto(f"{base_url}/gardens/magpie-terrace/ground?place=pot-flower")
    page.get_by_role("button", name="It stands elsewhere for a while").click()
    form = page.get_by_role("form", name="Another spot")
    form.get_by_label("From, every year").fill("2028-06-01")
    form.get_by_label("until").fill("2028-05-01")
    form.get_by_role("button", name="Add the spot").click()
    expect(form.get_by_role("alert")).to_contain_text("Enter a later day")
    form.get_by_label("until").fill("2028-09-01")
    form.get_by_label("To the right").fill("4.2m")
    form.get_by_label("under cover").check()
    form.get_by_role("button", name="Add the spot").click()
    spots = page.get_by_role("region", name="Other spots")
    expect(spots).to_contain_text(
        "1 June to 1 September: 4.2 m right, 1.5 m up, 4.1 m from the tap"
    )
    expect(spots).to_contain_text("under cover")
    spots.get_by_role("button", name="Delete").click()
    expect(spots.get_by_role("listitem")).to_have_count(0)


def test_a_border_is_taken_along_the_fence_where_it_is_free(yard):
    yard.get_by_role("link", name="bed or container").click()
    yard.get_by_label("Name").fill("Fence border")
    yard.get_by_label("Outline").select_option("a border along a fence or wall")
    yard.get_by_label("Width, inside, cm").fill("50")
    along = yard.locator("select", has_text="choose a fence or wall")
    option = along.locator("option", has_text="west fence")
    expect(option).to_have_count(1)
    along.select_option(option.get_attribute("value"))
    expect(yard.get_by_text("h of sun in its six best months")).to_be_visible()
    yard.get_by_role("button", name="Add the place").click()
    expect(thing(yard, "place-11")).to_contain_text("Fence border")
    # Half a metre deep and worked from its front alone: all of it is within reach.
    expect(yard.get_by_role("region", name="Fence border")).to_contain_text("50 × ")


def test_a_new_place_finds_free_ground_by_itself(yard):
    yard.get_by_role("link", name="bed or container").click()
    yard.get_by_label("Name").fill("New bed")
    yard.get_by_label("Length, inside, cm").fill("120")
    yard.get_by_role("button", name="Add the place").click()
    lying = yard.get_by_role("region", name="New bed")
    expect(lying).to_contain_text("From the tap")
    for amiss in ("overlap", "lies on the", "outside the yard"):
        expect(lying).not_to_contain_text(amiss)


def test_what_nobody_reaches_is_hatched_in_the_yard(yard):
    expect(yard.locator(".bed title", has_text="out of reach")).to_have_count(0)
    thing(yard, "south").click()
    yard.get_by_role("link", name="Edit", exact=True).click()
    yard.get_by_label("Width, inside, cm").fill("180")
    yard.get_by_role("button", name="Save the place").click()
    expect(yard.locator(".bed title", has_text="out of reach")).to_have_count(1)


@pytest.fixture
def open_yard(page, base_url):
    """A bed in a yard in which nothing casts shade."""
    places = [{**bed(), "at_m": [1, 1], "sun_hours": None}]
    site = {"outline_m": [[0, 0], [10, 0], [10, 7], [0, 7]]}
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=places, site=site))
    page.goto(f"{base_url}/gardens/{made.json()['head']['slug']}/ground")
    expect(thing(page, "place")).to_contain_text(re.compile("1[0-9]\\.[0-9] h"))
    return page


def test_sun_is_painted_as_it_was_seen_until_shade_is_drawn(open_yard):
    open_yard.get_by_role("button", name="little sun").click()
    open_yard.get_by_label("From the left side").fill("0.5 m")
    open_yard.get_by_label("From the lower side").fill("50")
    open_yard.get_by_label("Depth").fill("400")
    open_yard.get_by_role("button", name="Save", exact=True).click()
    expect(thing(open_yard, "place")).to_contain_text("3.0 h")
    open_yard.get_by_role("button", name="fence").click()
    expect(open_yard.get_by_text("little sun, not counted")).to_be_visible()
    expect(open_yard.get_by_role("button", name="little sun")).to_have_count(0)


def test_a_fence_runs_from_one_point_to_another(open_yard):
    open_yard.get_by_role("button", name="fence").click()
    for label, typed in {
        "From the left side": "100",
        "From the lower side": "600",
        "Ends from the left": "400",
        "Ends from below": "200",
    }.items():
        open_yard.get_by_label(label).fill(typed)
    open_yard.get_by_role("button", name="Save", exact=True).click()
    open_yard.get_by_role("button", name="Table").click()
    row = open_yard.get_by_role("row", name=re.compile("^fence"))
    expect(row).to_contain_text("3.08 m × 4.06 m")


def test_hills_on_the_horizon_take_their_sun(open_yard):
    before = thing(open_yard, "place").text_content()
    open_yard.get_by_role("button", name="Size and direction").click()
    open_yard.get_by_text("Hills on the horizon").click()
    for side in ("East", "Southeast"):
        open_yard.get_by_label(side, exact=True).fill("25")
    open_yard.get_by_role("button", name="Save the yard").click()
    expect(thing(open_yard, "place")).not_to_have_text(before)


def test_a_path_is_covered_and_costed(open_yard, base_url):
    open_yard.get_by_role("button", name="path", exact=True).click()
    form = open_yard.get_by_role("region", name="path")
    form.get_by_label("Covered with").select_option("gravel over cloth")
    form.get_by_role("button", name="Save").click()
    expect(form.get_by_label("Depth")).to_be_visible()
    slug = open_yard.url.split("/")[4]
    open_yard.goto(f"{base_url}/gardens/{slug}/soil?view=building")
    row = open_yard.get_by_role("table", name=re.compile("^Paths")).get_by_role("row")
    expect(row.filter(has_text="Gravel over cloth")).to_contain_text("10–20")


def test_what_collects_in_a_path_is_lifted_onto_its_beds(page, base_url):
    places = [
        {**bed(id="west", name="West bed"), "at_m": [1.0, 1], "heading_deg": 0},
        {**bed(id="east", name="East bed"), "at_m": [2.8, 1], "heading_deg": 0},
    ]
    path = {"name": "chip path", "line_m": [[2.5, 1], [2.5, 3.4]], "width_cm": 50}
    outline = [[0, 0], [8, 0], [8, 8], [0, 8]]
    site = {"outline_m": outline, "paths": [{**path, "covering": "path-chips"}]}
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=places, site=site))
    slug = made.json()["head"]["slug"]
    page.goto(f"{base_url}/gardens/{slug}/ground")
    page.get_by_role("button", name="Table").click()
    page.get_by_role("button", name="chip path").click()
    care = page.get_by_role("region", name="Path and beds")
    expect(care).to_contain_text("In a year 17 L.")
    care.get_by_label("Collected in it").fill("2 barrows")
    care.get_by_label("Turn clockwise").fill("90")
    care.get_by_role("button", name="Work it out").click()
    expect(care).to_contain_text("West bed80 L, 2.8 cm deep")
    care.get_by_role("button", name="Lift 160 L onto the beds beside it").click()
    expect(page.get_by_text("Last: change West bed")).to_be_visible()
    care.get_by_role("button", name="Let East bed trade places with it").click()
    expect(page.get_by_label("From the left", exact=False).first).to_have_value("375")
    page.get_by_role("button", name="Undo").click()
    page.goto(f"{base_url}/gardens/{slug}/soil")
    expect(page.get_by_text("2.8 cm of rotted matter from the path").first).to_be_visible()
