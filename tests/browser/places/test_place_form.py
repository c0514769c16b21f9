"""A place added, changed and deleted by its measures."""

import re

import pytest
from playwright.sync_api import expect

from tests.browser.conftest import square, unfold
from tests.conftest import bed, document, planting


def test_a_place_is_added_changed_and_removed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label("Name").fill("Fence strip")
    page.get_by_label("Width, inside").fill("1'6\"")
    page.get_by_label("Length, inside").fill("1.8m")
    unfold(page, "Sun and support")
    page.get_by_label("Something to climb").select_option("single stems on strings, topped")
    expect(page.get_by_label("Support height")).to_have_value("200")
    page.get_by_label("Something to climb").select_option("net on posts")
    page.get_by_label("Support height").fill("170")
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("heading", name="Fence strip")).to_be_visible()
    expect(page.get_by_text("45.7 × 180 cm inside")).to_be_visible()
    expect(page.locator("svg.bed")).to_contain_text("net on posts, 3 posts, 170 cm high")
    expect(page.get_by_text("Nothing planted yet")).to_be_visible()
    page.get_by_role("link", name="Edit", exact=True).click()
    page.get_by_label("Wall height").fill("45")
    page.get_by_role("button", name="Save the place").click()
    expect(page.get_by_text("42 cm mix")).to_be_visible()
    page.get_by_role("link", name="Edit", exact=True).click()
    page.get_by_role("button", name="Delete").click()
    page.get_by_role("button", name="Delete it with its 0 plantings").click()
    expect(page.get_by_role("link", name=re.compile("Fence strip"))).to_have_count(0)


def test_ground_cloth_is_laid_and_plants_go_to_its_holes(page, base_url):
    doc = document(planting("lettuce", "all"))
    slug = page.request.post(f"{base_url}/api/gardens", data=doc).json()["head"]["slug"]
    page.goto(f"{base_url}/gardens/{slug}/places/bed/change")
    unfold(page, "Drip lines, or cloth with holes")
    page.get_by_label("Laid over it").select_option("drip lines")
    expect(page.get_by_label("Drippers apart")).to_have_value("30")
    typed = page.get_by_role("figure", name="The place as typed")
    expect(typed).to_contain_text(re.compile(r"Drip lines: \d lines"))
    expect(typed.locator("svg g[aria-label='drip lines'] path")).to_be_visible()
    page.get_by_label("Laid over it").select_option("ground cloth with holes")
    page.get_by_label("Lines apart").fill("0")
    page.get_by_role("button", name="Save the place").click()
    expect(page.get_by_role("alert")).to_contain_text("at least 2 cm")
    page.get_by_label("Lines apart").fill("40")
    page.get_by_label("Holes apart").fill("40")
    page.get_by_role("button", name="Save the place").click()
    expect(page.get_by_role("img", name="ground cloth with holes")).to_be_visible()
    page.mouse.click(*square(page, "A1"))
    said = "18 plants, 40 cm apart; in the holes of the cloth; by spacing alone 36 plants"
    expect(page.get_by_text(said)).to_be_visible()


@pytest.mark.parametrize(
    ("folded", "label", "typed", "words"),
    [
        (None, "Width, inside", "many", "Enter a length"),
        (None, "Width, inside", "3 hands", "such as 120, 1.2m or 45cm"),
        ("Squares and spacing", "Side of a square", "5", "at least 15 cm"),
        ("Sun and support", "Hours of sun", "99", "0 to 24"),
    ],
)
def test_a_measure_that_cannot_be_read_is_told_at_its_field(
    page, base_url, folded, label, typed, words
):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    if folded:
        unfold(page, folded)
    page.get_by_label(label).fill(typed)
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_role("alert")).to_contain_text(words)


def test_a_drawn_outline_is_kept_when_its_place_is_changed(page, base_url):
    outline = [[0, 0], [200, 0], [200, 80], [80, 80], [80, 240], [0, 240]]
    corner = bed(id="corner", shape={"type": "polygon", "outline_cm": outline})
    made = page.request.post(f"{base_url}/api/gardens", data=document(places=[corner]))
    slug = made.json()["head"]["slug"]
    page.goto(f"{base_url}/gardens/{slug}/places/corner/change")
    expect(page.get_by_text("outline is kept")).to_be_visible()
    page.get_by_label("Wall height").fill("45")
    page.get_by_role("button", name="Save the place").click()
    expect(page.get_by_text("42 cm mix")).to_be_visible()
    kept = page.request.get(f"{base_url}/api/gardens/{slug}/plan.amplerows.json").json()
    assert kept["places"][0]["shape"]["outline_cm"] == outline


def test_a_fill_above_the_rim_is_refused_by_the_core_and_nothing_is_lost(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    unfold(page, "Walls")
    gap = page.get_by_label("Gap below the rim")
    gap.fill("80")
    gap.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("80 cm leaves no soil in a wall of 30 cm")
    expect(page.get_by_label("Gap below the rim")).to_have_value("80")


def test_a_new_pot_has_a_floor_and_a_name_and_the_first_fault_is_gone_to(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    expect(page.get_by_label("Name")).to_have_value("Place 11")
    page.get_by_label("Kind").select_option("container")
    expect(page.get_by_label("Bottom")).to_have_value("closed")
    page.get_by_label("Wall height").fill("tall")
    page.get_by_role("button", name="Add the place").click()
    expect(page.get_by_label("Wall height")).to_be_focused()
    expect(page.get_by_role("alert")).to_contain_text("Enter a length")
    # Mended, it is no longer said to be wrong.
    page.get_by_label("Wall height").fill("40")
    expect(page.get_by_role("alert")).to_have_count(0)


def test_what_cannot_be_read_is_told_once_typing_rests(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/places/new")
    page.get_by_label("Width, inside, cm").fill("3 hands")
    expect(page.get_by_role("alert")).to_contain_text("Enter a length")
    page.get_by_label("Width, inside, cm").fill("3 ft 5")
    expect(page.get_by_role("alert")).to_have_count(0)
