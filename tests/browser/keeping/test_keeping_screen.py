"""How gardens are kept, as the page shows it: backups, the bin, a damaged file, the link."""

import json
import re
import sqlite3

import pytest
from playwright.sync_api import expect

from ample_rows.api.door import Door
from tests.conftest import bed, document, planting, rectangle, serving


def test_a_deleted_garden_waits_and_is_put_back(page, base_url):
    page.goto(f"{base_url}/gardens/magpie-terrace/garden")
    page.get_by_role("button", name="Delete this garden").click()
    page.get_by_role("button", name="Delete Magpie Terrace").click()
    expect(page.get_by_text("You can put it back from Backups for 30 days")).to_be_visible()
    page.goto(f"{base_url}/keeping")
    waiting = page.get_by_role("region", name="Deleted gardens")
    expect(waiting).to_contain_text("Magpie Terrace")
    waiting.get_by_role("button", name="Put back").click()
    expect(waiting).to_contain_text("None.")
    page.goto(f"{base_url}/gardens/magpie-terrace/garden")
    expect(page.get_by_role("heading", name="Magpie Terrace")).to_be_visible()


def test_a_deleted_garden_can_be_deleted_for_good(page, base_url, demo_store):
    demo_store.remove("magpie-terrace", demo_store.head("magpie-terrace").version)
    page.goto(f"{base_url}/keeping")
    page.get_by_role("button", name="Delete for good").click()
    page.get_by_role("button", name="Cancel").click()
    page.get_by_role("button", name="Delete for good").click()
    page.get_by_role("button", name="Delete Magpie Terrace for good").click()
    expect(page.get_by_role("region", name="Deleted gardens")).to_contain_text("None.")
    assert demo_store.removed() == ()


def test_a_backup_is_made_downloaded_and_a_garden_restored_from_it(page, base_url, tmp_path):
    page.goto(f"{base_url}/gardens/lantern-court/garden")
    page.get_by_role("link", name="Backups and deleted gardens").click()
    page.get_by_role("button", name="Back up now").click()
    backups = page.get_by_role("region", name="Backups")
    expect(backups).to_contain_text("made by you")
    with page.expect_download() as download:
        backups.get_by_role("link", name="Download").click()
    with sqlite3.connect(download.value.path()) as copy:
        names = [row[0] for row in copy.execute("SELECT name FROM gardens ORDER BY pk")]
    assert names == ["Lantern Court", "Magpie Terrace", "Kettle Corner"]
    backups.get_by_role("button", name="Restore …").click()
    backups.get_by_role("button", name="Restore Lantern Court").click()
    backups.get_by_role("link", name="Open Lantern Court").click()
    expect(page).to_have_url(re.compile("lantern-court-2"))
    expect(page.get_by_label("Garden", exact=True)).to_contain_text("(lantern-court-2)")


def test_a_damaged_file_is_told_with_what_can_still_be_had(page, base_url, demo_store):
    demo_store.database.backups.make("asked")
    demo_store.database.damage = "a page is not what it was"
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    alert = page.get_by_role("alert").filter(has_text="damaged")
    expect(alert).to_be_visible()
    page.get_by_role("button", name="maincrop carrot, 64").click()
    page.get_by_role("button", name="A week later").click()
    expect(page.get_by_text("Nothing more is written to it")).to_be_visible()
    alert.get_by_role("link", name="Backups").click()
    with page.expect_download() as download:
        page.get_by_role("link", name="Download what can be read").click()
    assert download.value.path().stat().st_size > 1000
    expect(page.get_by_role("button", name="Restore …")).to_have_count(0)
    expect(page.get_by_role("link", name="Download", exact=True)).to_be_visible()


@pytest.fixture
def guarded(demo_store, book, tmp_path):
    """A server that opens only from its link; its address and the link."""
    door = Door("a token of thirty-two letters at least")
    with serving(demo_store, book, door) as address:
        yield address, f"{address}/open?key={door.page_key}"


def test_the_page_opens_from_its_link_alone(page, guarded):
    address, link = guarded
    page.goto(f"{address}/gardens/lantern-court/squares/south")
    expect(page.get_by_role("heading", name="Open this page from its link")).to_be_visible()
    page.goto(link)
    expect(page.get_by_role("heading", name="South bed")).to_be_visible()
    page.goto(f"{address}/gardens/lantern-court/year")
    feed = page.locator("code").filter(has_text="jobs.ics").inner_text()
    assert page.request.get(feed).ok
    page.context.clear_cookies()
    assert page.request.get(feed).text().startswith("BEGIN:VCALENDAR")
    assert page.request.get(f"{address}/api/gardens").status == 401


# What changes a file behind the server's back gives its gardens a version of their own.
NEW_VERSION = """
UPDATE counters SET value = value + 1;
UPDATE gardens SET version = (SELECT value FROM counters WHERE name = 'version');
"""


def test_a_garden_of_too_many_squares_opens_and_is_made_smaller(page, base_url, demo_store):
    made = page.request.post(f"{base_url}/api/gardens", data=document(planting()))
    slug = made.json()["head"]["slug"]
    vast = bed(shape=rectangle(10_000, 10_000), cell_cm=15)
    with sqlite3.connect(demo_store.database.path) as file:
        file.execute(
            "UPDATE places SET document = ? WHERE garden_pk = "
            "(SELECT pk FROM gardens WHERE slug = ?)",
            (json.dumps(vast), slug),
        )
        file.executescript(NEW_VERSION)
    page.goto(f"{base_url}/gardens/{slug}/squares")
    expect(page.get_by_text("444,889 squares in all")).to_be_visible()
    page.get_by_role("button", name="Squares of 60 cm").click()
    expect(page.get_by_role("heading", name="bed", exact=True)).to_be_visible()


def test_a_part_that_cannot_be_used_is_named_kept_and_deleted_at_a_press(
    page, base_url, demo_store
):
    with sqlite3.connect(demo_store.database.path) as file:
        file.execute(
            "UPDATE plantings SET document = json_set(document, '$.crop', 'moonfruit') "
            "WHERE pk = (SELECT min(pk) FROM plantings)"
        )
        file.executescript(NEW_VERSION)
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    notes = page.get_by_role("tabpanel")
    expect(notes).to_contain_text('"moonfruit" is not in the crop book')
    notes.get_by_role("button", name="Delete what was set aside").click()
    expect(notes).not_to_contain_text("moonfruit")


def test_a_busy_server_is_asked_again(page, base_url):
    busy = {"type": "urn:ample-rows:problem:busy", "title": "Busy", "status": 503, "detail": "Busy"}
    answers = [busy, busy]

    def answer(route):
        if answers:
            told = json.dumps(answers.pop())
            route.fulfill(status=503, content_type="application/problem+json", body=told)
        else:
            route.continue_()

    page.route("**/api/gardens/lantern-court", answer)
    page.goto(f"{base_url}/gardens/lantern-court/squares/south")
    expect(page.get_by_role("heading", name="South bed")).to_be_visible()
    assert answers == []
