"""Seasons: a year rolled over and undone, what was learnt taken up, entries from jobs and put
right."""

import re

from playwright.sync_api import expect

RECORD = "/gardens/lantern-court/record"


def test_a_year_is_closed_and_the_next_begun_and_both_undone(page, recorded):
    page.goto(f"{recorded}{RECORD}?view=seasons")
    table = page.get_by_role("table", name="What was picked and estimated")
    expect(table.get_by_role("columnheader", name="2027, running")).to_be_visible()
    expect(table.get_by_role("columnheader")).to_have_count(4)
    page.get_by_label("Empty beds").check()
    expect(page.get_by_text("planted again a year later")).to_have_count(0)
    page.get_by_label("The same crops in the same squares").check()
    expect(page.get_by_text("plantings are planted again a year later")).to_be_visible()
    page.get_by_role("button", name="Begin 2028").click()
    expect(page.get_by_text("growing year 2028")).to_be_visible()
    expect(page.get_by_text("Last: begin 2028")).to_be_visible()
    expect(table.get_by_role("columnheader", name="2028, running")).to_be_visible()
    expect(table.get_by_role("link", name="2027", exact=True)).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("growing year 2027")).to_be_visible()
    expect(table.get_by_role("columnheader", name="2027, running")).to_be_visible()


def test_what_was_learnt_is_taken_up_crop_by_crop_or_whole_and_put_down(page, recorded):
    page.goto(f"{recorded}{RECORD}?view=learnt")
    carrot = page.get_by_label("Use it for maincrop carrot")
    carrot.click()
    expect(page.get_by_text("Last: change what the garden learnt")).to_be_visible()
    expect(carrot).to_be_checked()
    page.get_by_role("button", name="Use all of it").click()
    expect(page.get_by_label("Use it for all that was never weighed")).to_be_checked()
    page.get_by_role("button", name="Use the book alone").click()
    expect(carrot).not_to_be_checked()
    for _ in range(3):
        page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Use the book alone")).to_have_count(0)


def test_nothing_is_learnt_of_a_garden_that_was_never_weighed(page, base_url):
    page.goto(f"{base_url}{RECORD}?view=learnt")
    expect(page.get_by_text("Nothing is learnt yet.")).to_be_visible()


def test_a_job_done_is_in_the_book_and_a_job_to_pick_leads_to_its_line(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/year")
    page.get_by_role("button", name="Done: Tie in").first.click()
    expect(page.get_by_text("Last: mark a job done")).to_be_visible()
    page.get_by_role("link", name="Weigh:").first.click()
    line = page.get_by_label("What was done or picked")
    expect(line).to_be_focused()
    row = page.get_by_role("row", name="Tied")
    expect(row.get_by_role("link", name="from its job")).to_be_visible()
    page.keyboard.type("0.35")
    page.keyboard.press("Enter")
    expect(page.get_by_role("row", name="Picked")).to_contain_text("350 g")
    page.get_by_role("button", name="Undo").last.click()


def test_an_entry_is_put_right_and_moved_to_another_day(page, base_url):
    page.goto(f"{base_url}{RECORD}")
    page.get_by_label("What was done or picked").fill("rhubarb 0.9")
    page.keyboard.press("Enter")
    row = page.get_by_role("row", name="Picked rhubarb")
    row.get_by_role("button", name="Change").click()
    form = page.get_by_role("form", name="Change the entry")
    form.get_by_label("Weight, kg").fill("3 hands")
    form.get_by_role("button", name="Save").click()
    expect(form.get_by_label("Weight, kg")).to_have_attribute("aria-invalid", "true")
    form.get_by_label("Weight, kg").fill("2 lb")
    form.get_by_label("Words").fill("before the rain")
    form.get_by_role("button", name="Save").click()
    expect(row).to_contain_text("907 g")
    expect(row).to_contain_text("before the rain")
    row.get_by_role("button", name="Change").click()
    form.get_by_label("Day").fill("2027-06-10")
    form.get_by_role("button", name="Save").click()
    expect(row).to_have_count(0)


def test_a_table_is_looked_at_before_it_is_kept_and_kept_once(page, base_url, tmp_path):
    table = tmp_path / "picked.csv"
    table.write_text(
        "Date;Bed;Vegetable;Weight (g);Weather\n"
        "3.8.2027;Low bed;carrot;400;dry\n"
        "4.8.2027;Far bed;carrot;200;wet\n"
    )
    page.goto(f"{base_url}{RECORD}?view=seasons")
    for kept in ("1 entry to keep", "0 entries to keep, 1 kept already"):
        page.get_by_label("A table of pickings, CSV").set_input_files(table)
        files = page.get_by_role("region", name="Files of the record")
        expect(files.get_by_text(f"picked.csv: {kept}")).to_be_visible()
        expect(files.get_by_text("Ignored: the column Weather.")).to_be_visible()
        expect(files.get_by_role("alert")).to_have_text(
            "Line 3, Bed: “Far bed” is no place of this garden; write it as it is called here"
        )
        keep = files.get_by_role("button", name="Keep 1 entry")
        if keep.is_visible():
            keep.click()
            expect(files.get_by_role("alert")).to_have_count(0)
    expect(page.get_by_role("row", name="maincrop carrot")).to_contain_text("0.4 of")


def test_a_season_is_told_whole_on_a_sheet_that_prints(page, recorded):
    page.goto(f"{recorded}{RECORD}?view=seasons")
    page.get_by_role("table", name="What was picked").get_by_role("link", name="2026").click()
    sheet = page.get_by_role("article", name="Season 2026")
    expect(sheet).to_contain_text("estimated for the whole season")
    by_planting = sheet.get_by_role("table", name="By planting")
    expect(by_planting).to_contain_text("within the range")
    expect(by_planting).to_contain_text("below the range")
    expect(by_planting).not_to_contain_text("going on")
    expect(sheet.get_by_role("table", name="By place")).to_contain_text("South bed")
    page.emulate_media(media="print")
    expect(page.get_by_role("navigation", name="Views of the record")).to_be_hidden()
    expect(by_planting).to_be_visible()
    page.emulate_media(media="screen")
    sheet.get_by_role("link", name="All seasons").click()
    expect(page.get_by_role("button", name="Begin 2028")).to_be_visible()


def test_families_are_told_over_the_years(page, recorded):
    page.goto(f"{recorded}{RECORD}?view=seasons")
    families = page.get_by_role("table", name="Families over the years")
    expect(families.get_by_role("columnheader")).to_have_count(4)
    expect(families.get_by_role("row").filter(has_text="South bed")).to_contain_text("back early")


def test_columns_of_a_table_are_matched_by_hand(page, base_url, tmp_path):
    table = tmp_path / "ernte.csv"
    table.write_text("Tag,Ort,Kultur,Gewicht\n2027-08-03,Low bed,carrot,0.4\n")
    page.goto(f"{base_url}{RECORD}?view=seasons")
    page.get_by_label("A table of pickings, CSV").set_input_files(table)
    files = page.get_by_role("region", name="Files of the record")
    expect(files.get_by_text("ernte.csv: 0 entries to keep")).to_be_visible()
    for head, key in (("Tag", "day"), ("Ort", "place"), ("Kultur", "crop"), ("Gewicht", "kg")):
        column = files.get_by_label(re.compile(f"^{head}"))
        column.select_option(key)
        expect(column).to_have_value(key)
    files.get_by_role("button", name="Keep 1 entry").click()
    expect(page.get_by_role("row", name="maincrop carrot")).to_contain_text("0.4 of")


def test_any_days_are_told_whole(page, recorded):
    page.goto(f"{recorded}{RECORD}?view=seasons")
    page.get_by_role("link", name="A calendar year, or any other days").click()
    sheet = page.get_by_role("article", name="Any days")
    expect(sheet.get_by_role("heading", name="1 January 2027 to 31 December 2027")).to_be_visible()
    sheet.get_by_role("link", name="Twelve months to").click()
    expect(sheet.get_by_role("img", name="Picked week by week")).to_be_visible()
    expect(sheet.get_by_role("table", name="By place")).to_contain_text("South bed")
    until = sheet.get_by_label("To")
    until.fill("2020-01-01")
    until.blur()
    expect(sheet.get_by_role("alert")).to_contain_text("before the first day")
    sheet.get_by_label("From").fill("2019-01-01")
    sheet.get_by_label("From").blur()
    expect(sheet).to_contain_text("No season of this garden lies in these days.")


def test_a_closed_season_is_opened_as_it_was_and_begins_another_garden(page, recorded):
    page.goto(f"{recorded}{RECORD}?view=seasons&season=2026")
    page.get_by_role("link", name="Its beds, drawn").click()
    season = page.get_by_role("article", name="Season 2026, drawn")
    expect(season.get_by_role("img", name="On 3 August")).to_contain_text("Cb")
    season.get_by_role("slider").press("Home")
    expect(season.get_by_role("img", name="On 1 February")).not_to_contain_text("Cb")
    season.get_by_label("Place").select_option("Long bed")
    through = season.get_by_role("group", name="Plantings through the year")
    expect(through).to_contain_text("Po")
    season.get_by_role("button", name="Begin another garden from its plan").click()
    expect(page).to_have_url(re.compile("/lantern-court-from-2026/ground"))
    garden = page.get_by_role("combobox", name="Garden")
    expect(garden).to_contain_text("Lantern Court, from 2026")
