"""The crop book: found by any name, by what a place bears, and read."""

import pytest
from playwright.sync_api import expect


@pytest.fixture
def crops(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/crops")
    expect(page.get_by_role("heading", name="cordon tomato")).to_be_visible()
    return page


@pytest.mark.parametrize(
    ("letters", "crop"),
    [
        ("zucchini", "courgette"),
        ("Beta vulgaris", "leaf beet"),
        ("polygon", "buckwheat"),
        ("Sx", "sweet potato"),
        ("green manure", "winter rye"),
    ],
)
def test_a_crop_is_found_by_any_of_its_names(crops, letters, crop):
    crops.get_by_label("Find a crop by any of its names").fill(letters)
    found = crops.get_by_role("list", name="Crops", exact=True)
    expect(found).not_to_contain_text("cordon tomato")
    found.get_by_text(crop, exact=True).click()
    expect(crops.get_by_role("heading", name=crop, exact=True)).to_be_visible()


def test_letters_that_nothing_answers_to_say_so(crops):
    crops.get_by_label("Find a crop by any of its names").fill("xyzzy")
    expect(crops.get_by_text("No crop matches.")).to_be_visible()


def test_a_place_parts_what_it_bears_from_what_it_does_not(crops):
    crops.get_by_label("For a place").select_option("Low bed")
    refused = crops.get_by_role("list", name="Crops that do not suit this place")
    expect(refused).to_contain_text("parsnip")
    expect(refused).to_contain_text("the root itself is")
    bearing = crops.get_by_role("list", name="Crops", exact=True)
    expect(bearing).to_contain_text("garden cress")
    # It stays in force, and in the address, while pages are turned.
    bearing.get_by_role("button", name="corn salad").click()
    expect(crops.get_by_role("heading", name="corn salad")).to_be_visible()
    crops.reload()
    expect(crops.get_by_label("For a place")).to_have_value("low")
    expect(crops.get_by_role("heading", name="corn salad")).to_be_visible()


def test_a_page_holds_figures_cautions_company_and_this_garden(crops):
    entry = crops.get_by_role("article")
    expect(entry).to_contain_text("Leaves and green stems are not for eating.")
    expect(entry).to_contain_text("an old belief")
    expect(entry.get_by_role("region", name="In this garden")).to_contain_text("South bed")
    picture = crops.get_by_role("img", name="cordon tomato from the side")
    expect(picture).to_have_attribute(
        "aria-label",
        "cordon tomato from the side: 180 cm high, 55 cm wide, 45 cm apart, good soil 38 cm deep",
    )
    windows = crops.get_by_role("img", name="plants set out: 10 May to 5 Jul")
    expect(windows).to_be_visible()
    ways = entry.get_by_role("region", name="Ways of growing it")
    net = ways.get_by_role("row", name="net on posts")
    expect(net.get_by_role("cell").nth(1)).to_have_text("13.3")
    entry.get_by_role("button", name="bush tomato").click()
    expect(crops.get_by_role("heading", name="bush tomato")).to_be_visible()


def test_a_crop_that_is_not_in_the_book_is_said(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/crops?crop=triffid")
    expect(page.get_by_role("alert")).to_contain_text('There is no crop "triffid"')
