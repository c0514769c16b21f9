"""The nursery shelf: a lot begun, counted, set out, taken back, deleted and put back."""

import re

from playwright.sync_api import expect

RECORD = "/gardens/lantern-court/record"


def step(lot, what, count):
    lot.get_by_label(re.compile("^On ")).select_option(what)
    lot.get_by_label("How many").fill(count)
    lot.get_by_role("button", name="Enter").click()


def test_a_lot_goes_from_seed_to_its_bed(page, base_url):
    page.goto(f"{base_url}{RECORD}?view=nursery")
    expect(page.get_by_text("The shelf is empty.")).to_be_visible()
    new = page.get_by_role("form", name="A new lot")
    new.get_by_label("Seedlings for").select_option("crop:kale")
    new.get_by_role("button", name="Put it on the shelf").click()
    expect(new.get_by_role("alert")).to_contain_text("how many")
    new.get_by_label("How many").fill("40")
    new.get_by_role("button", name="Put it on the shelf").click()
    expect(new.get_by_role("alert")).to_have_count(0)
    lot = page.get_by_role("main").get_by_role("listitem").filter(has_text="kale")
    expect(lot).to_contain_text("40 sown, not counted yet; 0 on the shelf.")
    step(lot, "up", "30")
    expect(lot).to_contain_text("30 of 40 up, 75 %; the book expects")
    step(lot, "set-out", "8")
    expect(lot).to_contain_text("22 on the shelf, 8 set out; 22 to spare.")
    lot.get_by_role("button", name="Take back the last").click()
    expect(lot).to_contain_text("30 on the shelf; 30 to spare.")
    lot.get_by_role("button", name="Delete").click()
    expect(page.get_by_text("The shelf is empty.")).to_be_visible()
    page.get_by_role("button", name="Put it back").click()
    expect(lot).to_be_visible()


def test_what_is_typed_while_a_step_is_kept_stays(page, base_url):
    page.goto(f"{base_url}{RECORD}?view=nursery")
    new = page.get_by_role("form", name="A new lot")
    new.get_by_label("Seedlings for").select_option("crop:kale")
    new.get_by_label("How many").fill("40")
    waiting = []
    page.route(
        "**/api/gardens/**",
        lambda route: route.continue_() if route.request.method == "GET" else waiting.append(route),
    )
    with page.expect_request(lambda request: request.method != "GET"):
        new.get_by_role("button", name="Put it on the shelf").click()
    new.get_by_label("How many").fill("12")
    for route in waiting:
        route.continue_()
    lot = page.get_by_role("main").get_by_role("listitem").filter(has_text="kale")
    expect(lot).to_contain_text("40 sown")
    expect(new.get_by_label("How many")).to_have_value("12")


def test_what_slugs_took_is_replaced_from_the_shelf_by_a_press(page, base_url):
    page.goto(f"{base_url}{RECORD}?view=nursery")
    new = page.get_by_role("form", name="A new lot")
    new.get_by_label("Seedlings for").select_option("crop:chard")
    new.get_by_label(re.compile("^On ")).select_option("bought")
    new.get_by_label("How many").fill("6")
    new.get_by_role("button", name="Put it on the shelf").click()
    lot = page.get_by_role("main").get_by_role("listitem").filter(has_text="6 on the shelf")
    expect(lot).to_be_visible()
    page.goto(f"{base_url}{RECORD}")
    line = page.get_by_label("What was done or picked")
    line.fill("2 chard eaten by slugs")
    expect(page.get_by_text("reads: lost chard; South bed")).to_contain_text("2 plants")
    line.press("Enter")
    expect(page.get_by_text("Kept: lost chard")).to_be_visible()
    page.get_by_role("link", name="Seedlings").click()
    gaps = page.get_by_role("list", name="Lost and not replaced")
    expect(gaps).to_contain_text("chard, South bed: 2 lost, not replaced yet.")
    gaps.get_by_role("button", name=re.compile("Set out 2 of .* in their place")).click()
    expect(gaps).to_have_count(0)
    lot = page.get_by_role("main").get_by_role("listitem").filter(has_text="2 set out")
    expect(lot).to_contain_text("4 on the shelf")
    page.get_by_role("link", name="Pickings").click()
    row = page.get_by_role("row").filter(has_text="Set out chard")
    expect(row).to_contain_text("in place of what was lost")
