"""Own figures and own kinds in the crop book, and crop files in and out."""

import re

import pytest
from playwright.sync_api import expect


@pytest.fixture
def carrot(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/crops?crop=carrot")
    expect(page.get_by_role("heading", name="maincrop carrot")).to_be_visible()
    return page


def own_figures(page):
    return page.get_by_role("list", name="What differs from the book")


def test_a_figure_is_changed_felt_in_the_beds_and_taken_back(carrot):
    carrot.get_by_text("Your own figures").click()
    carrot.get_by_label("Spacing each way, cm").fill("15")
    carrot.get_by_role("button", name="Save these figures").click()
    expect(own_figures(carrot)).to_contain_text("book 7.5")
    carrot.get_by_role("link", name="Squares").click()
    expect(carrot.get_by_role("button", name="maincrop carrot, 16")).to_be_visible()
    carrot.go_back()
    own_figures(carrot).get_by_role("button", name="Reset Spacing each way").click()
    expect(own_figures(carrot)).to_have_count(0)
    carrot.get_by_role("link", name="Squares").click()
    expect(carrot.get_by_role("button", name="maincrop carrot, 64")).to_be_visible()


def test_what_no_carrot_can_be_is_refused_and_kept_in_the_form(carrot):
    carrot.get_by_text("Your own figures").click()
    field = carrot.get_by_label("Soil depth, least, cm")
    field.fill("a hand")
    carrot.get_by_role("button", name="Save these figures").click()
    expect(carrot.get_by_role("alert")).to_contain_text("“a hand” is not a number")
    field.fill("90")
    carrot.get_by_role("button", name="Save these figures").click()
    expect(carrot.get_by_text("least_depth_cm is above full_depth_cm")).to_be_visible()
    expect(field).to_have_value("90")


def test_a_kind_of_ones_own_is_begun_found_and_taken_out(carrot):
    carrot.get_by_label("Add a kind of your own, based on this one").fill("Rüebli, früh")
    carrot.get_by_role("button", name="Add it").click()
    expect(carrot.get_by_role("heading", name="Rüebli, früh")).to_be_visible()
    carrot.get_by_label("Find a crop by any of its names").fill("rüebli")
    crops = carrot.get_by_role("list", name="Crops", exact=True)
    expect(crops.get_by_role("listitem")).to_have_count(1)
    expect(crops).to_contain_text("own")
    expect(own_figures(carrot)).to_contain_text("based on maincrop carrot")
    carrot.get_by_role("button", name="Delete this kind").click()
    expect(carrot.get_by_role("heading", name="maincrop carrot")).to_be_visible()


def test_a_crop_file_is_taken_but_for_what_is_wrong_in_it(carrot, tmp_path):
    file = tmp_path / "friends.toml"
    file.write_text(
        '[[crops]]\nid = "carrot"\nspacing_cm = 9\n\n[[crops]]\nid = "leek"\nspacing_cm = "6 in"\n'
    )
    carrot.get_by_label("A crop file, CSV or TOML").set_input_files(file)
    refused = carrot.get_by_role("alert").filter(has_text="Line 7, leek, spacing_cm")
    expect(refused).to_contain_text('must be a number; "6 in" was given')
    expect(own_figures(carrot)).to_contain_text("Spacing each way, cm9book 7.5")
    with carrot.expect_download() as found:
        carrot.get_by_role("link", name="Own crops, TOML").click()
    assert 'id = "carrot"\nspacing_cm = 9' in found.value.path().read_text()
    file.write_text("not a crop file")
    carrot.get_by_label("A crop file, CSV or TOML").set_input_files(file)
    expect(carrot.get_by_text("friends.toml: file: not TOML")).to_be_visible()


def test_a_crop_gains_and_loses_ways_up(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/crops?crop=courgette")
    entry = page.get_by_role("article", name="courgette")
    ways = entry.get_by_role("region", name="Ways of growing it")
    row = ways.get_by_role("row", name=re.compile("net on posts", re.I))
    net = page.get_by_role("checkbox", name="net on posts")

    def tick(wanted):
        expect(net).to_be_checked(checked=not wanted)
        net.click()
        expect(row).to_have_count(1 if wanted else 0)

    expect(ways).to_be_visible()
    page.get_by_text("Your own ways of growing it").click()
    tick(True)
    tick(False)
    tick(True)
    page.get_by_role("button", name="The book’s own ways").click()
    expect(row).to_have_count(0)
