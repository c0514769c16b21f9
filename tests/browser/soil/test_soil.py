"""Soil: what places take, what it costs at the grower's prices, what floors carry, water."""

import re

import pytest
from playwright.sync_api import expect


@pytest.fixture
def soil(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/soil")
    expect(page.get_by_role("heading", name="To buy")).to_be_visible()
    expect(page.get_by_text(re.compile("^Cheapest")).first).to_be_visible()
    return page


def row(page, name):
    return page.get_by_role("row", name=re.compile(f"Fill {name} now"))


def test_an_order_is_summed_over_the_places_that_are_ticked(soil):
    expect(row(soil, "South bed")).to_contain_text("1,029 L")
    # One place stands already and one comes later: they are not bought now.
    expect(soil.get_by_text("4 of 10 places, as one order")).to_be_visible()
    for name in ("House border", "Long bed", "Tub by the tap"):
        soil.get_by_label(f"Fill {name} now").uncheck()
    expect(soil.get_by_text("1 of 10 places, as one order")).to_be_visible()
    expect(soil.get_by_text("1,029 L to pour: 13 barrows, or 86 buckets.")).to_be_visible()
    # 300 L are there already: 729 L want 13 bags of 60 L.
    ways = soil.get_by_role("table", name="Ways to buy garden bed mix, cheapest first")
    expect(ways.get_by_role("row", name=re.compile("bags of 60 L"))).to_contain_text("13 bags")
    soil.get_by_label("Fill South bed now").uncheck()
    expect(soil.get_by_text("Tick a place to see what it takes.")).to_be_visible()


def test_prices_are_typed_and_change_what_is_cheapest(soil):
    soil.get_by_role("button", name="Mix and prices").click()
    soil.get_by_label("Bag 1, litres").fill("75")
    soil.get_by_label("its price").first.fill("0,9")
    soil.get_by_role("button", name="Save").first.click()
    expect(soil.get_by_text("Cheapest: bags of 75 L.").first).to_be_visible()
    soil.get_by_role("button", name="Undo").click()
    expect(soil.get_by_text("Cheapest: loose, delivered.").first).to_be_visible()


def test_the_growers_own_barrow_counts_the_soil_and_is_typed(soil, base_url):
    soil.goto(f"{base_url}/gardens/lantern-court/garden")
    measures = soil.get_by_role("form", name="Your own measures")
    measures.get_by_label("How many buckets").fill("6")
    measures.get_by_label("fill, L").nth(3).fill("3 hands")
    measures.get_by_role("button", name="Save the measures").click()
    expect(measures.get_by_role("alert")).to_contain_text("Enter a number from 0.01")
    measures.get_by_label("fill, L").nth(3).fill("90")
    measures.get_by_label("fill, L").nth(4).fill("100 L")
    measures.get_by_role("button", name="Save the measures").click()
    expect(measures.get_by_label("fill, L").nth(3)).to_have_value("15")
    soil.get_by_role("link", name="Soil").click()
    expect(soil.get_by_role("button", name="South bed", exact=True)).to_be_visible()
    for name in ("House border", "Long bed", "Tub by the tap"):
        soil.get_by_label(f"Fill {name} now").uncheck()
    expect(soil.get_by_text("1,029 L to pour: 11 barrows, or 69 buckets.")).to_be_visible()
    soil.get_by_role("button", name="Leaves, manure or greens").click()
    layer = soil.get_by_role("form", name="Soft matter")
    layer.get_by_label("or so much in all").fill("2 barrows")
    layer.get_by_label("On", exact=True).fill("2027-03-01")
    layer.get_by_role("button", name="Add it").click()
    # 200 L over the South bed's 3.2 m².
    expect(soil.get_by_text("of leaves, laid on top, 1 March")).to_contain_text("6.")


def test_a_price_below_zero_is_told_at_its_field(soil):
    soil.get_by_role("button", name="Mix and prices").click()
    soil.get_by_label("Delivery").fill("-5")
    soil.get_by_role("button", name="Save").first.click()
    expect(soil.get_by_role("alert")).to_contain_text("Enter a number from 0")


def test_a_figure_opens_the_sum_behind_it(soil):
    soil.get_by_role("button", name="1,029 L, South bed, to pour: working").click()
    working = soil.get_by_role("dialog", name="Working")
    expect(working).to_contain_text("mix ÷ (1 − settling)")
    expect(working).to_contain_text("875 L")


def test_a_woody_base_saves_mix_and_is_cautioned(soil):
    soil.get_by_role("button", name="House border", exact=True).click()
    soil.get_by_label("Woody base").fill("12")
    soil.get_by_role("region", name="Fill of House border").get_by_role(
        "button", name="Save"
    ).click()
    expect(row(soil, "House border")).to_contain_text("551 L")
    expect(soil.get_by_text(re.compile("takes nitrogen while it rots"))).to_be_visible()


def test_a_base_deeper_than_the_fill_is_refused_and_nothing_is_lost(soil):
    soil.get_by_label("Woody base").fill("40")
    soil.get_by_role("region", name="Fill of South bed").get_by_role("button", name="Save").click()
    expect(soil.get_by_text(re.compile("leaves no mix in a fill of 27 cm"))).to_be_visible()
    expect(row(soil, "South bed")).to_contain_text("1,029 L")


def test_a_floor_s_load_is_compared_and_left_to_an_engineer(page, base_url):
    page.goto(f"{base_url}/gardens/magpie-terrace/soil")
    page.get_by_role("button", name="Tall box", exact=True).click()
    page.get_by_label("Floor load limit").fill("250")
    page.get_by_role("region", name="Fill of Tall box").get_by_role("button", name="Save").click()
    expect(page.get_by_text(re.compile("Your papers allow 250 kg per m²"))).to_be_visible()
    expect(page.get_by_text(re.compile("is for an engineer to say"))).to_be_visible()


def test_water_through_the_year_and_what_is_missing_without_a_climate(soil, base_url):
    table = soil.get_by_role("table", name=re.compile("Water on South bed"))
    assert table.get_by_role("row").count() == 5
    soil.goto(f"{base_url}/start")
    soil.get_by_label("Latitude, degrees").fill("52")
    soil.get_by_role("button", name="Plant this bed").click()
    soil.get_by_role("link", name="Soil").click()
    expect(soil.get_by_text(re.compile("enter monthly lows and highs"))).to_be_visible()


def test_sections_choose_by_keys(soil):
    soil.get_by_role("button", name=re.compile("^Low bed 151 L")).focus()
    soil.keyboard.press("Enter")
    expect(soil.get_by_role("region", name="Fill of Low bed")).to_be_visible()


def test_frames_are_staged_costed_and_cut(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/soil")
    page.get_by_role("link", name="Building").click()
    cuts = page.get_by_role("region", name="Cut list, softwood board")
    expect(cuts).to_contain_text("No cheaper set of boards will do")
    expect(cuts.get_by_role("heading")).to_contain_text("15 to buy")
    page.get_by_label("When Long bed is built").select_option("later")
    expect(page.get_by_role("row", name=re.compile(r"^later \(2\)"))).to_be_visible()
    # What comes later is on the same list of boards, costed apart.
    expect(cuts.get_by_role("heading")).to_contain_text("15 to buy")
    page.get_by_role("button", name="Boards and prices").click()
    page.get_by_label("wooden post, a m").fill("x")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_role("alert")).to_contain_text("Enter a number")
    page.get_by_label("wooden post, a m").fill("")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("Still needed for a total: a price for wooden post")).to_be_visible()


def test_ways_to_water_stand_side_by_side_and_a_mulch_saves(page, base_url):
    # Without its potatoes some of the bed lies bare in the thirstiest month.
    dug = {"version": 1, "edit": {"do": "remove-planting", "id": "p26"}}
    taken = page.request.post(f"{base_url}/api/gardens/lantern-court/edits", data=dug)
    assert taken.ok
    page.goto(f"{base_url}/gardens/lantern-court/soil?view=watering")
    page.locator("main").get_by_label("Place").first.select_option("long")
    cans = page.get_by_role("row", name=re.compile("^cans")).get_by_role("cell").first
    expect(cans).to_have_text("90")
    page.get_by_label("Mulch, cm").fill("5")
    page.get_by_role("button", name="Save").click()
    expect(cans).to_have_text(re.compile("^8[0-9]$"))
    expect(page.get_by_text("It stands dry for")).to_be_visible()
    expect(page.get_by_text("drown in very little water")).to_be_visible()


def test_a_packet_s_analysis_gives_grams_and_a_school_may_need_none(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/soil?view=feeding")
    row = page.get_by_role("row", name=re.compile("^South bed"))
    expect(row).to_contain_text("2,415")
    page.get_by_label("Nitrogen, %").fill("8")
    page.get_by_role("button", name="Save").click()
    expect(row).to_contain_text("1,208")
    page.get_by_label("Potash").nth(1).select_option("high")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text(re.compile("Potash: 0 g needed"))).to_be_visible()
    page.get_by_label("School").select_option("mix")
    page.get_by_role("button", name="Save").click()
    expect(row.get_by_role("cell").last).to_have_text("0")


def test_a_label_s_rates_are_in_the_jobs(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/soil?view=feeding")
    expect(page.get_by_label("mL in 10 L")).to_have_value("20")
    page.get_by_label("Most at once, g per m²").fill("600")
    page.get_by_label("Wait before picking, days").first.fill("30")
    page.get_by_role("button", name="Save").click()
    expect(page.get_by_text("Last: change")).to_be_visible()
    page.get_by_role("link", name="Year", exact=True).click()
    for _ in range(14):
        page.keyboard.press("PageUp")
    fed = page.get_by_role("listitem").filter(
        has_text="Long bed: 538 g (about 1 scoop) of pelleted"
    )
    expect(fed.first).to_contain_text("the label allows 1.8 kg at once")
    expect(fed.first).to_contain_text("30 days before anything is picked")


def test_a_recipe_of_one_s_own_fills_a_bed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/soil")
    page.get_by_role("button", name="Recipes").click()
    page.get_by_role("button", name="A recipe of your own").click()
    form = page.get_by_role("form", name="Recipe")
    form.get_by_label("Name").fill("lean mix")
    form.get_by_label("Begin from").select_option("garden-bed")
    expect(form.get_by_label("Parts of topsoil")).to_have_value("5")
    form.get_by_label("Parts of coarse sand").fill("3")
    form.get_by_role("button", name="Save the recipe").click()
    page.get_by_role("button", name="Recipes").click()
    expect(page.get_by_text("5 topsoil, 4 garden compost")).to_be_visible()
    page.get_by_label("Filled with").select_option(label="lean mix")
    page.get_by_role("region", name="Fill of South bed").get_by_role("button", name="Save").click()
    expect(page.get_by_role("row", name=re.compile("Fill South bed now"))).to_contain_text(
        "lean mix"
    )


def test_a_material_of_one_s_own_is_mixed_and_laid(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/soil")
    page.get_by_role("button", name="Recipes").click()
    page.get_by_role("button", name="A material of your own").click()
    form = page.get_by_role("form", name="A material of your own")
    form.get_by_role("button", name="Save the material").click()
    expect(form.get_by_role("alert").first).to_contain_text("Enter its name")
    for label, typed in {
        "Name of the material": "rice husks",
        "Settles by, %": "10",
        "Water that roots can take": "10",
        "Weighs soaked": "0.6",
        "Nitrogen tied up": "0.2",
        "Laid, stays": "40",
    }.items():
        form.get_by_label(label).fill(typed)
    form.get_by_role("button", name="Save the material").click()
    page.get_by_role("button", name="Recipes").click()
    expect(page.get_by_text("rice husks", exact=True)).to_be_visible()
    page.get_by_role("button", name="A recipe of your own").click()
    expect(page.get_by_label("Parts of rice husks")).to_be_visible()
    page.get_by_role("button", name="Leaves, manure or greens").click()
    layer = page.get_by_role("form", name="Soft matter")
    layer.get_by_label("What").select_option("rice husks")
    layer.get_by_label("How").select_option("dug in")
    layer.get_by_label("Depth as laid").fill("10")
    layer.get_by_label("On", exact=True).fill("2027-02-01")
    layer.get_by_role("button", name="Add it").click()
    expect(page.get_by_text(re.compile("ties up about [0-9]+ g of nitrogen"))).to_be_visible()


def test_leaves_laid_on_a_bed_rise_and_are_dated(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/soil")
    page.get_by_role("button", name="Leaves, manure or greens").click()
    form = page.get_by_role("form", name="Soft matter")
    form.get_by_role("button", name="Add it").click()
    expect(form.get_by_role("alert").first).to_contain_text("Enter a length")
    form.get_by_label("Depth as laid").fill("40")
    form.get_by_label("On", exact=True).fill("2026-11-10")
    form.get_by_role("button", name="Add it").click()
    expect(page.get_by_text("Gather 1,296 L of leaves")).to_be_visible()
    expect(page.get_by_text("A fine layer of 3 cm over the leaves")).to_be_visible()


def test_a_mound_takes_its_height_from_the_path(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label("Outline").select_option("mound")
    page.get_by_label("Path depth").fill("20")
    page.get_by_role("button", name="Use that height").click()
    expect(page.get_by_label("Height, cm", exact=True)).to_have_value("8")


@pytest.mark.parametrize(
    ("view", "figure", "said"),
    [
        ("fill", "South bed, soaked: working", "soaked mix"),
        ("watering", "cans, your time: working", "with two cans over"),
        ("watering", "water on South bed, driest: working", "the air takes"),
        ("building", "a year of use: working", "each cost ÷ the years that it lasts"),
        ("feeding", "takes: working", "for its class of feeder"),
    ],
)
def test_figures_of_the_soil_give_their_working(page, base_url, view, figure, said):
    page.goto(f"{base_url}/gardens/lantern-court/soil?view={view}")
    page.get_by_role("button", name=figure).first.click()
    expect(page.get_by_role("dialog", name="Working")).to_contain_text(said)
