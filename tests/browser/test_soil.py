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
    expect(row(soil, "South bed")).to_contain_text("1029 L")
    expect(soil.get_by_text("6 of 6 places, as one order")).to_be_visible()
    for name in ("House border", "Long bed", "Low bed", "Tub by the door", "Tub by the tap"):
        soil.get_by_label(f"Fill {name} now").uncheck()
    expect(soil.get_by_text("1 of 6 places, as one order")).to_be_visible()
    expect(soil.get_by_text("1029 L to pour: 13 barrows, or 86 buckets.")).to_be_visible()
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


def test_a_price_below_zero_is_told_at_its_field(soil):
    soil.get_by_role("button", name="Mix and prices").click()
    soil.get_by_label("Delivery").fill("-5")
    soil.get_by_role("button", name="Save").first.click()
    expect(soil.get_by_role("alert")).to_contain_text("Give a number from 0")


def test_a_figure_opens_the_sum_behind_it(soil):
    soil.get_by_role("button", name="1029 L, South bed, to pour: working").click()
    working = soil.get_by_role("dialog", name="Working")
    expect(working).to_contain_text("mix ÷ (1 − settling)")
    expect(working).to_contain_text("875 L")


def test_a_woody_base_saves_mix_and_is_cautioned(soil):
    soil.get_by_role("button", name="House border", exact=True).click()
    soil.get_by_label("Woody base").fill("12")
    soil.get_by_role("region", name="Fill of House border").get_by_role("button").click()
    expect(row(soil, "House border")).to_contain_text("551 L")
    expect(soil.get_by_text(re.compile("takes nitrogen while it rots"))).to_be_visible()


def test_a_base_deeper_than_the_fill_is_refused_and_nothing_is_lost(soil):
    soil.get_by_label("Woody base").fill("40")
    soil.get_by_role("region", name="Fill of South bed").get_by_role("button").click()
    expect(soil.get_by_text(re.compile("leaves no mix in a fill of 27 cm"))).to_be_visible()
    expect(row(soil, "South bed")).to_contain_text("1029 L")


def test_a_floor_s_load_is_compared_and_left_to_an_engineer(page, base_url):
    page.goto(f"{base_url}/gardens/magpie-terrace/soil")
    page.get_by_role("button", name="Tall box", exact=True).click()
    page.get_by_label("Floor carries").fill("250")
    page.get_by_role("region", name="Fill of Tall box").get_by_role("button").click()
    expect(page.get_by_text(re.compile("your papers give 250 kg"))).to_be_visible()
    expect(page.get_by_text(re.compile("is for an engineer to say"))).to_be_visible()


def test_water_through_the_year_and_what_is_missing_without_a_climate(soil, base_url):
    table = soil.get_by_role("table", name=re.compile("Water on South bed"))
    assert table.get_by_role("row").count() == 5
    soil.goto(f"{base_url}/start")
    soil.get_by_label("About how far").fill("52")
    soil.get_by_role("button", name="Plant this bed").click()
    soil.get_by_role("link", name="Soil").click()
    expect(soil.get_by_text(re.compile("enter monthly lows and highs"))).to_be_visible()


def test_sections_choose_by_keys(soil):
    soil.get_by_role("button", name=re.compile("^Low bed 151 L")).focus()
    soil.keyboard.press("Enter")
    expect(soil.get_by_role("region", name="Fill of Low bed")).to_be_visible()
