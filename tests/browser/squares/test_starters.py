"""A beginner takes a whole bed for an empty place, and changes it."""

import json

from playwright.sync_api import expect

from tests.conftest import bed, document, planting


def test_a_whole_bed_is_taken_seen_and_undone_at_once(page, base_url):
    plan = document(places=[bed(name="New bed")])
    page.request.post(
        f"{base_url}/api/gardens",
        data=json.dumps(plan),
        headers={"content-type": "application/json", "origin": base_url},
    )
    page.goto(f"{base_url}/gardens/test-yard/squares/bed")
    beds = page.get_by_role("region", name="Whole beds to begin from")
    expect(beds.get_by_role("listitem").filter(has_text="Roots to keep")).to_contain_text("parsnip")
    beds.get_by_role("button", name="Plant Climbers and leaves").click()
    expect(page.get_by_text("Last: plant ")).to_be_visible()
    drawing = page.locator("svg.bed")
    expect(drawing).to_contain_text("net on posts")
    expect(page.get_by_role("button", name="chard, 8")).to_be_visible()
    expect(beds).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(beds).to_be_visible()
    expect(drawing).not_to_contain_text("net on posts")


def test_a_planting_is_moved_to_where_it_does_better(page, base_url):
    radish = planting("radish", ("A1", "A2"), place="dim")
    beds = [bed(id="dim", name="Dim bed", sun_hours=3), bed(id="bright", name="Bright bed")]
    page.request.post(f"{base_url}/api/gardens", data=document(radish, places=beds))
    page.goto(f"{base_url}/gardens/test-yard/squares/dim")
    page.get_by_role("button", name="radish, 50").first.click()
    better = page.get_by_role("region", name="Better elsewhere")
    expect(better).to_contain_text("Bright bed, A1–A2")
    better.get_by_role("button", name="Move it to Bright bed").click()
    expect(page.get_by_text("Last: change radish")).to_be_visible()
    expect(better).to_have_count(0)
