"""The seed box: a packet put in changes what is to be bought; plants bought instead of raised."""

import json

from playwright.sync_api import expect


def test_a_packet_in_the_box_leaves_less_to_buy(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/crops")
    page.get_by_role("link", name="Seed box").click()
    rows = page.get_by_role("table", name="Shopping list")
    spinach = rows.get_by_role("row").filter(has_text="spinach")
    expect(spinach).to_contain_text("2 packets of about 300")
    form = page.get_by_role("form", name="Add a packet")
    form.get_by_role("button", name="Add", exact=True).click()
    expect(form.get_by_role("alert").first).to_contain_text("Choose a crop")
    form.get_by_label("Another packet").select_option("spinach")
    form.get_by_label("Seeds left").fill("200")
    form.get_by_role("button", name="Add", exact=True).click()
    expect(spinach).to_contain_text("1 packet of about 300")
    page.get_by_role("button", name="Delete spinach, 2027").click()
    expect(spinach).to_contain_text("2 packets of about 300")


def test_plants_are_bought_where_that_is_chosen(page, base_url):
    page.goto(f"{base_url}/gardens/lantern-court/seeds")
    page.get_by_role("button", name="cordon tomato", exact=True).click()
    page.get_by_label("bought as plants").click()
    tomato = page.get_by_role("row", name="To cordon tomato")
    expect(tomato).to_contain_text("3 plants")
    expect(tomato).to_contain_text("7.50")
    page.get_by_label("One plant").fill("2")
    page.get_by_role("button", name="Save").click()
    expect(tomato).to_contain_text("6.00")


def test_what_came_up_of_own_seed_stands_beside_its_packet(page, base_url):
    garden = f"{base_url}/api/gardens/lantern-court"
    for ident, kind, count in (("s", "sown", 40), ("u", "up", 30)):
        said = {"id": ident, "day": "2027-05-02", "kind": kind, "crop": "spinach", "count": count}
        page.request.put(
            f"{garden}/entries/{ident}", params={"sure": "true"}, data=json.dumps(said)
        )
    page.goto(f"{base_url}/gardens/lantern-court/seeds")
    form = page.get_by_role("form", name="Add a packet")
    form.get_by_label("Another packet").select_option("spinach")
    form.get_by_label("Seeds left").fill("200")
    form.get_by_label("saved from the garden").click()
    form.get_by_role("button", name="Add", exact=True).click()
    box = page.get_by_role("region", name="In the box")
    packet = box.get_by_role("listitem").filter(has_text="spinach, 2027")
    expect(packet).to_contain_text("30 of 40 came up in 2027")
