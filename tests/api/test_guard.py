"""A page elsewhere must not reach the server of someone's laptop."""

import logging
import socket
import threading
import time
import urllib.request

import pytest
from starlette.testclient import TestClient

from ample_rows.api.app import create_app
from ample_rows.api.guard import MOST_BODY_BYTES, Guard
from ample_rows.core.patience import GivenUpError, carry_on
from tests.conftest import serving


@pytest.mark.parametrize(
    ("headers", "status"),
    [
        ({}, 200),
        ({"host": "localhost:8437"}, 200),
        ({"host": "[::1]:8437"}, 200),
        ({"host": "127.0.0.1"}, 200),
        ({"host": "evil.example"}, 400),
        ({"host": "127.0.0.1.evil.example"}, 400),
        ({"host": "localhost.evil.example:8437"}, 400),
        ({"host": ""}, 400),
        ({"origin": "http://127.0.0.1:8437"}, 200),
        ({"origin": "http://evil.example"}, 403),
        ({"origin": "null"}, 403),
        ({"origin": "http://127.0.0.1:9999"}, 403),
        ({"origin": "http://[::1"}, 403),
    ],
)
def test_hosts_and_origins(client, headers, status):
    assert client.get("/api/gardens", headers=headers).status_code == status


def test_a_foreign_page_cannot_write(client):
    answer = client.post("/api/gardens", content=b"{}", headers={"sec-fetch-site": "cross-site"})
    assert answer.status_code == 403


@pytest.mark.parametrize(
    ("path", "sent"),
    [
        ("/", {}),
        ("/api/gardens", {}),
        ("/api/reference", {}),
        ("/api/nothing", {}),
        ("/api/gardens", {"host": "evil.example"}),
        ("/api/gardens", {"origin": "http://evil.example"}),
        ("/api/gardens", {"content-length": "999999999"}),
    ],
)
def test_every_answer_carries_the_policy(client, path, sent):
    headers = client.get(path, headers=sent).headers
    policy = headers["content-security-policy"]
    assert "default-src 'none'" in policy
    assert "unsafe" not in policy
    assert headers["x-content-type-options"] == "nosniff"


def test_the_page_has_no_inline_script_or_style(client):
    page = client.get("/").text
    assert "<style" not in page
    assert " style=" not in page
    assert all("src=" in part for part in page.split("<script")[1:])


def test_answers_of_the_interface_are_not_kept_and_built_files_are(client):
    assert client.get("/api/gardens").headers["cache-control"] == "no-store"
    assert client.get("/").headers["cache-control"] == "no-cache"


@pytest.mark.parametrize("path", ["/", "/api/gardens", "/api/crops"])
def test_head_answers_as_get_without_the_body(client, path):
    whole, head = client.get(path), client.head(path)
    assert (head.status_code, head.content) == (200, b"")
    assert head.headers["content-length"] == whole.headers["content-length"]


def chunks(total):
    for _ in range(total // 65_536 + 1):
        yield b" " * 65_536


@pytest.mark.parametrize("path", ["/api/gardens", "/api/first-bed"])
def test_a_body_over_the_limit_is_told_so_however_it_comes(client, path):
    whole = client.post(path, content=b" " * (MOST_BODY_BYTES + 1))
    parts = client.post(path, content=chunks(MOST_BODY_BYTES))
    for answer in (whole, parts):
        assert answer.status_code == 413
        assert "8 MB" in answer.json()["detail"]


@pytest.mark.parametrize(
    ("path", "status"),
    [
        ("/%00", 200),
        (f"/{'a' * 300}", 200),
        ("/assets/%00", 404),
        (f"/assets/{'a' * 300}", 404),
        ("/api/gardens/%00", 404),
        (f"/api/gardens/{'a' * 3000}", 404),
        ("/api/backups/..%2Fgardens.sqlite", 404),
    ],
)
def test_odd_addresses_are_pages_or_not_there(client, path, status):
    assert client.get(path).status_code == status


def test_what_takes_too_long_is_stopped_and_told(store, book, lantern):
    app = create_app(store, book)
    hasty = TestClient(Guard(app, answer_within_s=0.0), base_url="http://127.0.0.1:8437")
    answer = hasty.get("/api/gardens/lantern-court/alternatives")
    assert answer.status_code == 503
    assert "was stopped" in answer.json()["detail"]
    assert answer.json()["type"].endswith(":too-long")


def test_a_fault_of_the_program_is_told_in_words_and_noted_without_contents(
    client, lantern, monkeypatch, caplog
):
    def fails(*_):
        raise ZeroDivisionError("Lantern Court's own carrots")

    monkeypatch.setattr("ample_rows.api.year.pantry_of", fails)
    logging.getLogger("ample_rows").propagate = True
    with caplog.at_level(logging.ERROR):
        answer = client.get("/api/gardens/lantern-court/pantry")
    assert answer.status_code == 500
    assert "still saved" in answer.json()["detail"]
    assert answer.headers["x-content-type-options"] == "nosniff"
    assert "ZeroDivisionError" in caplog.text
    assert "carrots" not in caplog.text


def test_a_garden_whose_figures_fail_still_opens_and_can_be_undone(client, lantern, monkeypatch):
    def fails(*_, **__):
        raise ZeroDivisionError

    change = {"do": "remove-place", "id": "low"}
    edits = "/api/gardens/lantern-court/edits"
    with monkeypatch.context() as broken:
        broken.setattr("ample_rows.core.estimate.estimate.report_of", fails)
        state = client.post(edits, json={"version": 1, "edit": change}).json()
        opened = client.get("/api/gardens/lantern-court").json()
        assert opened["report"]["notes"][0]["code"] == "figures-failed"
        assert len(opened["plan"]["places"]) == len(lantern["plan"]["places"]) - 1
    version = state["head"]["version"]
    undone = client.post("/api/gardens/lantern-court/undo", json={"version": version})
    assert undone.status_code == 200
    again = client.get("/api/gardens/lantern-court").json()
    assert len(again["report"]["places"]) == len(lantern["plan"]["places"])


def test_work_that_nobody_waits_for_any_longer_is_stopped(demo_store, book, monkeypatch):
    begun, ended = threading.Event(), []

    def without_end(*_):
        begun.set()
        try:
            while True:
                carry_on()
        except GivenUpError:
            ended.append("given up")
            raise

    monkeypatch.setattr("ample_rows.api.year.pantry_of", without_end)
    with serving(demo_store, book) as address:
        port = int(address.rsplit(":", 1)[1])
        with socket.create_connection(("127.0.0.1", port)) as client:
            client.sendall(
                b"GET /api/gardens/lantern-court/pantry HTTP/1.1\r\nHost: localhost\r\n\r\n"
            )
            assert begun.wait(20)
        while not ended:
            time.sleep(0.01)
        # Its turn is free again for the next.
        monkeypatch.undo()
        with urllib.request.urlopen(f"{address}/api/gardens/lantern-court/pantry") as answer:
            assert answer.status == 200
