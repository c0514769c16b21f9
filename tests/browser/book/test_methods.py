"""Methods: every rule with its numbers, reached from the line of a working that it is behind."""

from playwright.sync_api import expect


def test_a_line_of_a_working_leads_to_its_method(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    page.get_by_role("button", name="maincrop carrot, likely harvest: working").click()
    page.get_by_role("dialog").get_by_role("link", name="crowding").click()
    rule = page.get_by_role("article", name="Crowding")
    expect(rule).to_be_in_viewport()
    expect(rule).to_contain_text("Shinozaki and Kira 1956")
    # The ruler and the navigation stay where they are.
    expect(page.get_by_role("slider", name="Day of the year")).to_be_in_viewport()


def test_the_book_leads_to_the_methods_with_their_numbers(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/crops")
    page.get_by_role("link", name="Methods").click()
    numbers = page.get_by_role("table", name="Numbers of Water per week")
    row = numbers.get_by_role("row", name="Depletion share")
    expect(row).to_contain_text("measured")
    page.get_by_role("navigation", name="Rules").get_by_role("link", name="Butts").click()
    expect(page.get_by_role("article", name="Butts")).to_be_in_viewport()


def test_the_schools_on_depth_stand_side_by_side_and_one_is_followed(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/squares/low")
    page.get_by_role("button", name="Usable depth: working").click()
    schools = page.get_by_role("region", name="Depth standards")
    expect(schools.get_by_role("row", name="Fill for full depth")).to_contain_text("30 cm")
    schools.get_by_role("button", name="Use here: shallow, rich mix").click()
    expect(page.get_by_text("Last: change Low bed")).to_be_visible()
    expect(page.get_by_role("region", name="Ledger").get_by_role("status")).to_contain_text(
        "+1.6 kg"
    )
