"""Only the account that started the server comes in: by its page, a token, or a calendar's key."""

import pytest
from starlette.testclient import TestClient

from ample_rows.api.app import create_app
from ample_rows.api.door import Door, token_of
from tests.conftest import document

ADDRESS = "http://127.0.0.1:8437"


@pytest.fixture
def door(tmp_path):
    return Door(token_of(tmp_path))


@pytest.fixture
def outside(store, book, door):
    """A client that has nothing to show."""
    return TestClient(create_app(store, book, door), base_url=ADDRESS, follow_redirects=False)


def test_the_token_is_made_once_for_its_owner_alone(tmp_path):
    token = token_of(tmp_path)
    assert token_of(tmp_path) == token
    assert len(token) >= 32
    assert (tmp_path / "token").stat().st_mode & 0o077 == 0


def test_without_session_or_token_the_interface_is_closed_and_the_page_is_not(outside):
    for path in ("/api/gardens", "/api/openapi.json", "/api/nothing", "/api"):
        answer = outside.get(path)
        assert answer.status_code == 401
        assert answer.headers["www-authenticate"] == "Bearer"
        assert answer.json()["type"].endswith(":closed")
    assert outside.post("/api/gardens", json=document()).status_code == 401
    assert outside.get("/").status_code == 200


@pytest.mark.parametrize(
    ("sent", "status"),
    [("Bearer {token}", 200), ("bearer  {token} ", 200), ("Bearer x", 401), ("{token}", 401)],
)
def test_a_script_shows_the_token(outside, tmp_path, sent, status):
    headers = {"authorization": sent.format(token=token_of(tmp_path))}
    assert outside.get("/api/gardens", headers=headers).status_code == status


def test_the_link_opens_the_page_and_its_session_lasts(outside, door):
    assert outside.get("/open?key=guess").status_code == 401
    opened = outside.get(f"/open?key={door.page_key}")
    assert (opened.status_code, opened.headers["location"]) == (303, "/")
    cookie = opened.headers["set-cookie"]
    assert cookie.startswith("ample-rows-8437=")
    assert {"HttpOnly", "SameSite=Strict"} <= {part.strip() for part in cookie.split(";")}
    assert outside.get("/api/gardens").status_code == 200


def test_a_link_for_one_opening_opens_once(outside, door):
    link = f"/open?key={door.link_once()}"
    assert outside.get(link).status_code == 303
    outside.cookies.clear()
    assert outside.get(link).status_code == 401


@pytest.mark.parametrize("cookie", ["ample-rows-8437=x", "ample-rows-8438={page}", "=;;\x01"])
def test_another_cookie_opens_nothing(outside, door, cookie):
    page = door.cookie(8437).split(";")[0].split("=")[1]
    headers = {"cookie": cookie.format(page=page)}
    assert outside.get("/api/gardens", headers=headers).status_code == 401


def test_a_calendar_reads_the_jobs_of_its_garden_alone(outside, door, store, read):
    slug = store.create(read(document()))
    other = store.create(read(document(name="Other")))
    key = door.calendar_key(slug)
    assert outside.get(f"/api/gardens/{slug}/jobs.ics?key={key}").status_code == 200
    for path in (f"{other}/jobs.ics", f"{slug}/jobs", slug, f"{slug}/jobs.ics/"):
        assert outside.get(f"/api/gardens/{path}?key={key}&day=2027-05-01").status_code == 401
    token = {"authorization": f"Bearer {door._token}"}
    told = outside.get(f"/api/gardens/{slug}/calendar-address", headers=token).json()
    assert outside.get(told["path"]).status_code == 200
