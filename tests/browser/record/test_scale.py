"""Weighing with the stand-in scale: a weight that stands still comes into the line, once."""

import re

from playwright.sync_api import expect

NOUGHT = re.compile(r"-?0\.00[01] kg")
RECORD = "/gardens/lantern-court/record"


def put_on(page, load):
    page.get_by_label("put on it").fill(load)
    page.get_by_role("button", name="Put it on").click()


def test_the_line_stays_under_the_thumb_while_what_is_ripe_comes(page, base_url):
    page.set_viewport_size({"width": 390, "height": 844})
    held = []

    def hold(route):
        held.append(route)

    page.route("**/ripe*", hold)
    page.goto(f"{base_url}{RECORD}")
    press = page.get_by_role("button", name="Use the scale")
    expect(press).to_be_visible()
    # The day above it comes in first.
    before = None
    while press.bounding_box() != before:
        before = press.bounding_box()
        page.wait_for_timeout(800)
    for route in held:
        route.continue_()
    expect(page.locator(".ripe .press").first).to_be_visible()
    assert press.bounding_box() == before


def test_a_picking_is_weighed_on_a_phone(page, base_url):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{base_url}{RECORD}")
    line = page.get_by_label("What was done or picked")
    line.fill("carrots low bed")
    page.get_by_role("button", name="Use the scale").click()
    scale = page.get_by_role("region", name="The scale")
    expect(scale).to_contain_text(NOUGHT)
    put_on(page, "0.84")
    expect(scale).to_contain_text("stands still")
    expect(line).to_have_value(re.compile(r"^carrots low bed 0\.8(39|40|41) kg$"))
    scale.get_by_label("Unit").select_option("g")
    page.get_by_role("button", name="Take it off").click()
    expect(scale).to_contain_text(re.compile(r"^\s*-?[01] g"))
    put_on(page, "0.9")
    expect(line).to_have_value(re.compile(r"^carrots low bed (899|900|901) g$"))
    page.get_by_role("button", name="Enter", exact=True).click()
    expect(page.get_by_text("Kept: ")).to_contain_text("carrot")
    # It lies there still, and is not taken twice.
    expect(scale).to_contain_text("stands still")
    expect(line).to_have_value("")


def test_a_scale_that_breaks_off_loses_nothing(page, base_url):
    page.goto(f"{base_url}{RECORD}")
    line = page.get_by_label("What was done or picked")
    line.fill("carrots low bed 0.5 kg")
    page.get_by_role("button", name="Use the scale").click()
    scale = page.get_by_role("region", name="The scale")
    expect(scale.get_by_role("status")).to_contain_text(NOUGHT)
    url = f"{base_url}/api/devices/scale/stand-in"
    assert page.request.post(url, data={"connected": False}).ok
    expect(scale.get_by_role("alert")).to_contain_text("does not answer")
    expect(line).to_have_value("carrots low bed 0.5 kg")
    scale.get_by_role("button", name="Connect it again").click()
    expect(scale.get_by_role("status")).to_contain_text(NOUGHT)
    put_on(page, "1.1 lb")
    expect(line).to_have_value(re.compile(r"^carrots low bed 0\.(498|499|500) kg$"))


def test_a_weight_is_typed_on_a_pad_under_the_thumb(page, base_url):
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"{base_url}{RECORD}")
    page.get_by_role("button", name=re.compile("^head lettuce, South bed")).first.click()
    page.get_by_role("button", name="Number pad").click()
    pad = page.get_by_role("group", name="Number pad")
    for key in ("4", "5", "1", "Delete the last", "0", "kg", "g"):
        pad.get_by_role("button", name=key, exact=True).click()
    line = page.get_by_label("What was done or picked")
    expect(line).to_have_value(re.compile(r"450 g$"))
    expect(line).to_have_attribute("inputmode", "none")
    box = pad.get_by_role("button", name="5", exact=True).bounding_box()
    assert box["height"] >= 44
    assert box["width"] >= 44
    page.get_by_role("button", name="Enter", exact=True).click()
    expect(page.get_by_text("Kept: ")).to_contain_text("0.45 kg")


def test_the_soil_is_measured_and_kept_once_it_stands_still(page, base_url):
    page.goto(f"{base_url}{RECORD}")
    page.get_by_role("button", name="Measure the soil").click()
    probe = page.get_by_role("region", name="The soil thermometer")
    expect(probe).to_contain_text("The plan reckons")
    expect(probe.get_by_role("status").last).to_contain_text(
        re.compile(r"Kept: soil \d+ °C, a finger deep"), timeout=60_000
    )
    expect(page.get_by_role("region", name="The day")).to_contain_text("a finger deep")
