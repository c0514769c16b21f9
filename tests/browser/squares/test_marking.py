"""The marking sheet: read, printed, and a square at true scale."""

import pytest
from playwright.sync_api import expect


def test_a_place_is_marked_out_by_tape_and_template(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    page.get_by_role("link", name="Mark out").click()
    grid = page.get_by_role("region", name="The grid")
    expect(grid).to_contain_text("11 strings, 21 m")
    carrots = page.get_by_role("row", name="maincrop carrot, 64")
    expect(carrots).to_contain_text("8 lines 7.5 cm apart, the first 33.8 cm")
    page.get_by_label("Template for").select_option("maincrop carrot, 16 per square")
    sheets = page.get_by_role("img", name="maincrop carrot, sheet")
    expect(sheets).to_have_count(4)
    # Fifteen centimetres a sheet, and six millimetres of margin on either side.
    width = sheets.first.evaluate("svg => svg.width.baseVal.valueInSpecifiedUnits")
    assert width == pytest.approx(162)
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name="Print")).to_be_hidden()
    expect(sheets.first).to_be_visible()


def test_kinds_are_assigned_along_a_row_and_labelled(page, at):
    border = at("border")
    border.get_by_role("button", name="cordon tomato, 4").click()
    expect(border.get_by_text("Plants 1–2: cherry cordon tomato")).to_be_visible()
    border.get_by_role("button", name="Another kind along the row").click()
    border.get_by_label("Plant 3").select_option("bush tomato")
    expect(border.get_by_text("Plant 3: bush tomato")).to_be_visible()
    border.get_by_role("link", name="Mark out").click()
    labels = border.get_by_role("table", name="Labels on 14 June")
    expect(labels.get_by_role("row", name="bush tomato")).to_contain_text("plant 3 of 4")
    expect(border.get_by_role("img", name="Label map")).to_be_visible()
    border.keyboard.press("PageUp")
    border.go_back()
    border.get_by_role("button", name="cordon tomato, 4").click()
    border.get_by_label("How many, from 3").fill("0")
    border.get_by_label("How many, from 3").press("Enter")
    expect(border.get_by_text("Plant 3: bush tomato")).to_have_count(0)
